package dev.yardarm.data.document;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import java.util.List;
import java.util.Map;

/** The content of each kind of document. Lists that are missing in a file are empty. */
public final class Documents {
    private Documents() {
    }

    private static <T> List<T> kept(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    /** The drawings of one instrument. */
    public record Tracing(InstrumentId instrument, List<Drawing> drawings) {
        public Tracing {
            drawings = kept(drawings);
        }
    }

    /** All lists, in their order. */
    public record Lists(List<NamedList> lists) {
        public Lists {
            lists = kept(lists);
        }
    }

    /** A list of instruments. */
    public record NamedList(String name, List<InstrumentId> instruments) {
        public NamedList {
            instruments = kept(instruments);
        }
    }

    public record Stances(List<Stance> stances) {
        public Stances {
            stances = kept(stances);
        }
    }

    /** Waiting and fired alerts, in the order they were set. */
    public record Alerts(List<Alert> alerts) {
        public Alerts {
            alerts = kept(alerts);
        }
    }

    public record Plans(List<TradePlan> plans) {
        public Plans {
            plans = kept(plans);
        }
    }

    public record Scans(List<Scan> scans) {
        public Scans {
            scans = kept(scans);
        }
    }

    /** @param time what time it is in the simulated market, microseconds UTC */
    public record Market(long seed, long time, double speed) {
    }

    /** The user's own instruments, from imported files. */
    public record Instruments(List<Imported> instruments) {
        public Instruments {
            instruments = kept(instruments);
        }
    }

    /** @param zone time zone of the instrument's days */
    public record Imported(String code, String name, int decimals, String zone) {
    }

    /**
     * What the window showed.
     *
     * @param view name of the view in front
     */
    public record Workspace(String theme, String view, String list, Chart chart, boolean listShown,
                            boolean layersShown, boolean stripShown, double account, double riskPercent,
                            Window window, List<String> recent) {
        public Workspace {
            recent = kept(recent);
        }
    }

    public record Window(double x, double y, double width, double height, boolean maximised) {
    }

    /**
     * A chart's make-up and where it stands.
     *
     * @param bars drawn form of the bars
     * @param barWidth distance from bar to bar in pixels
     * @param rightmost time at the right edge; 0 when it follows the market
     * @param manualLow lower end of the price axis; both ends 0 when it fits itself
     */
    public record Chart(InstrumentId instrument, Timeframe timeframe, String bars, boolean logarithmic,
                        boolean volumeShown, double barWidth, long rightmost, double manualLow, double manualHigh,
                        List<IndicatorLayer> indicators) {
        public Chart {
            indicators = kept(indicators);
        }
    }

    /** An indicator on a chart. */
    public record IndicatorLayer(String id, String indicator, Map<String, String> settings, int colour, double width,
                                 double opacity, boolean visible) {
    }
}
