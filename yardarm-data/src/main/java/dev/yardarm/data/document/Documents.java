package dev.yardarm.data.document;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.series.Times;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The content of each kind of document. Lists that are missing in a file are empty. */
public final class Documents {
    private Documents() {}

    private static <T> List<T> kept(List<T> list) {
        return list == null ? List.of() : List.copyOf(whole(list));
    }

    private static <T> List<T> whole(List<T> list) {
        if (list.stream().anyMatch(Objects::isNull)) {
            throw new IllegalArgumentException("one of a list's entries is empty");
        }
        return list;
    }

    private static String needed(String what, String text) {
        if (text == null || text.isBlank()) {
            throw new IllegalArgumentException("it has no " + what);
        }
        return text;
    }

    private static void number(String what, double value) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("its " + what + " is not a number");
        }
    }

    /**
     * The drawings of one instrument, on all its tracings.
     *
     * @param current name of the tracing new drawings go to; empty for the first
     * @param hidden names of the tracings that are not shown
     * @param allHidden true while none of the drawings is shown
     */
    public record Tracing(
            InstrumentId instrument,
            List<DrawingEntry> drawings,
            String current,
            List<String> hidden,
            boolean allHidden) {
        public Tracing {
            drawings = kept(drawings);
            current = current == null ? "" : current;
            hidden = kept(hidden);
        }

        /** All drawings shown, new ones on the first tracing. */
        public Tracing(InstrumentId instrument, List<DrawingEntry> drawings) {
            this(instrument, drawings, "", List.of(), false);
        }
    }

    /**
     * @param time what time it is in the simulated market, microseconds UTC
     * @param world which edition of the demo world the home was written with; 0 for those before editions
     */
    public record Market(long seed, long time, double speed, int world) {
        public Market {
            Times.checked("the time of the market", time);
            number("speed", speed);
        }
    }

    /** The user's own instruments, from imported files. */
    public record Instruments(Entries<Imported> instruments) {
        public Instruments {
            instruments = instruments == null ? Entries.of(List.of()) : instruments;
        }
    }

    /**
     * An imported instrument.
     *
     * @param zone time zone of the instrument's days
     * @param importedAt when bars of it were imported last, microseconds UTC; 0 when that is not known
     * @param pointValue what a move of 1 is worth for one piece; 0 for 1, as a share has it
     * @param margin money that holds one piece; 0 for what is paid in full
     */
    public record Imported(
            String code, String name, int decimals, String zone, long importedAt, double pointValue, double margin) {
        /** What is paid in full, a point being worth 1. */
        public Imported(String code, String name, int decimals, String zone, long importedAt) {
            this(code, name, decimals, zone, importedAt, 0, 0);
        }

        public Imported {
            if (!(pointValue >= 0) || !(margin >= 0) || Double.isInfinite(pointValue + margin)) {
                throw new IllegalArgumentException("its point value and margin must not be below zero");
            }
            needed("code", code);
            name = name == null || name.isBlank() ? code : name;
            if (decimals < 0 || decimals > 10) {
                throw new IllegalArgumentException("its decimals must be from 0 to 10, not " + decimals);
            }
            try {
                ZoneId.of(needed("zone", zone));
            } catch (DateTimeException unknown) {
                throw new IllegalArgumentException("'" + zone + "' is not a time zone");
            }
            Times.checked("its time of import", importedAt);
        }
    }

    /**
     * What the window showed.
     *
     * @param view name of the view in front
     * @param current number of the layout in front
     */
    public record Workspace(
            String theme,
            String view,
            String list,
            boolean listShown,
            boolean layersShown,
            boolean stripShown,
            double account,
            double riskPercent,
            Window window,
            List<String> recent,
            Entries<Layout> layouts,
            int current,
            List<Link> links,
            boolean overviewShown,
            boolean cardShown,
            String draft) {
        public Workspace {
            draft = draft == null ? "" : draft;
            recent = kept(recent);
            layouts = layouts == null ? Entries.of(List.of()) : layouts;
            links = kept(links);
        }
    }

    public record Window(double x, double y, double width, double height, boolean maximised) {}

    /**
     * A layout.
     *
     * @param arrangement how its charts share the space, such as {@code row(0,col(1,2))}
     * @param charts the charts in the order the arrangement names them
     * @param active place of the chart in hand among them
     * @param maximised place of the chart that has the layout to itself; -1 for none
     * @param ownWindow true when it stands in a window of its own
     */
    public record Layout(
            String title,
            String arrangement,
            List<Chart> charts,
            int active,
            int maximised,
            boolean ownWindow,
            Window window) {
        public Layout {
            needed("title", title);
            needed("arrangement", arrangement);
            charts = kept(charts);
        }

        public Layout withWindow(Window place) {
            return new Layout(title, arrangement, charts, active, maximised, ownWindow, place);
        }
    }

    /** What charts of a link colour share, by names. */
    public record Link(int colour, List<String> shares) {
        public Link {
            shares = kept(shares);
        }
    }

    /**
     * A chart's make-up and where it stands.
     *
     * @param instrument null in a preset
     * @param bars drawn form of the bars
     * @param barWidth distance from bar to bar in pixels
     * @param rightmost time at the right edge; 0 when it follows the market
     * @param manualLow lower end of the price axis; both ends 0 when it fits itself
     * @param request null for all bars of the timeframe
     * @param scale null for a straight or logarithmic one that fits itself
     * @param link number of its link colour; 0 for none
     * @param id by which drawings that are kept on this chart alone find it; null in a preset
     */
    public record Chart(
            InstrumentId instrument,
            Timeframe timeframe,
            String bars,
            boolean volumeShown,
            double barWidth,
            long rightmost,
            double manualLow,
            double manualHigh,
            Entries<IndicatorLayer> indicators,
            Request request,
            Scale scale,
            List<Pane> panes,
            String maximisedPane,
            Boolean breaksShown,
            String zone,
            String title,
            int link,
            String id) {
        public Chart {
            Times.checked("the right edge of a chart", rightmost);
            number("barWidth", barWidth);
            number("manualLow", manualLow);
            number("manualHigh", manualHigh);
            indicators = indicators == null ? Entries.of(List.of()) : indicators;
            panes = kept(panes);
        }
    }

    /** Which bars a chart asks for, besides their timeframe, in the words of the command line. */
    public record Request(
            String rule,
            String session,
            boolean splits,
            boolean dividends,
            String roll,
            String joint,
            int days,
            boolean gapsKept) {}

    /** A price scale; margins are parts of its height, base is a time or 0. */
    public record Scale(String mode, boolean inverted, String fit, double top, double bottom, long base) {}

    /** @param share part of the chart's height; 0 for the usual one */
    public record Pane(String id, double share, boolean folded) {}

    /**
     * An indicator on a chart.
     *
     * @param outputs those drawn otherwise than they are declared
     * @param levels its level lines; null for those the indicator has
     * @param timeframes those it shows on; empty for all
     * @param higher the higher timeframe it is computed on; null for the chart's
     * @param higherForming true when the unfinished higher bar counts
     * @param scale the one it is drawn on; null for that of its pane
     * @param drawing id of the drawing whose span it follows; null for none
     */
    public record IndicatorLayer(
            String id,
            String indicator,
            Map<String, String> settings,
            int colour,
            double width,
            double opacity,
            boolean visible,
            String pane,
            List<OutputLook> outputs,
            List<Double> levels,
            List<Timeframe> timeframes,
            Timeframe higher,
            boolean higherForming,
            String scale,
            String drawing) {
        public IndicatorLayer {
            needed("indicator", indicator);
            settings = settings == null ? Map.of() : Map.copyOf(settings);
            number("width", width);
            number("opacity", opacity);
            outputs = kept(outputs);
            levels = levels == null ? null : kept(levels);
            timeframes = kept(timeframes);
        }
    }

    /**
     * How one output is drawn.
     *
     * @param colour number of its colour; -1 for that of the layer
     * @param ground where its area ends: a number or another output; null for zero
     * @param rule where this condition holds it has the other colour; null for none
     * @param width of its line in pixels; 0 for that of the layer
     * @param ruleColour number of that colour
     */
    public record OutputLook(
            String output,
            String form,
            int colour,
            String colouring,
            String ground,
            String rule,
            int ruleColour,
            double width) {
        public OutputLook {
            needed("output", output);
            number("width", width);
        }
    }

    /**
     * A saved make-up.
     *
     * @param makeUp a chart without instrument
     * @param standard true for the standard of its timeframe
     */
    public record Preset(String name, Chart makeUp, boolean standard) {
        public Preset {
            needed("name", name);
            if (makeUp == null) {
                throw new IllegalArgumentException("it has no make-up");
            }
        }
    }

    /**
     * The chart on which an alert was set.
     *
     * @param alert id of the alert
     * @param chart as it was made up then
     */
    public record AlertChart(String alert, Chart chart) {
        public AlertChart {
            needed("alert", alert);
            if (chart == null) {
                throw new IllegalArgumentException("it has no chart");
            }
        }
    }

    /** A whole workspace as one file. */
    public record Export(Workspace workspace, Entries<Preset> presets, Entries<NamedList> lists) {
        public Export {
            presets = presets == null ? Entries.of(List.of()) : presets;
            lists = lists == null ? Entries.of(List.of()) : lists;
        }
    }

    /**
     * How alerts ring.
     *
     * @param off true while all are quiet
     * @param volume of sounds, from 0 to 100
     * @param sound the usual one
     * @param silence hours without sound, as {@code 22:00-07:00}; empty for none
     */
    public record Bell(boolean off, int volume, String sound, String silence) {
        /** Half loud, at any hour. */
        public static final Bell USUAL = new Bell(false, 50, "bell", "");

        public Bell {
            if (volume < 0 || volume > 100) {
                throw new IllegalArgumentException("the volume is from 0 to 100, not " + volume);
            }
            sound = sound == null || sound.isEmpty() ? "bell" : sound;
            silence = silence == null ? "" : silence;
        }

        public Bell withOff(boolean quiet) {
            return new Bell(quiet, volume, sound, silence);
        }

        public Bell withVolume(int percent) {
            return new Bell(off, percent, sound, silence);
        }

        public Bell withSound(String name) {
            return new Bell(off, volume, name, silence);
        }

        public Bell withSilence(String hours) {
            return new Bell(off, volume, sound, hours);
        }
    }

    /**
     * What the trader set once for all charts.
     *
     * @param timeframes the timeframes offered, long to short; empty for the usual ones
     * @param sessions the part of the session an instrument is looked at in, by its identity; the whole for others
     * @param indicators how new ones of an indicator come up, by its name; others as they are declared
     * @param favourites names of indicators
     * @param recent names of the indicators put on last, the last first
     * @param figures how new drawings of a figure come up, by its name; others as they are declared
     * @param looks looks of drawings kept under names
     * @param ratios sets of ratios kept under names, each as numbers with spaces between them
     * @param tables the columns of tables and their order, by the table's name: {@code "code last change; -change"}
     * @param textSize size of the interface's text in per cent; 0 for the usual one
     * @param bell how alerts ring
     */
    public record Habits(
            List<Timeframe> timeframes,
            Map<String, String> sessions,
            Map<String, IndicatorLayer> indicators,
            List<String> favourites,
            List<String> recent,
            Map<String, DrawingLook> figures,
            Map<String, DrawingLook> looks,
            Map<String, String> ratios,
            Map<String, String> tables,
            int textSize,
            Bell bell) {
        public Habits {
            bell = bell == null ? Bell.USUAL : bell;
            timeframes = kept(timeframes);
            sessions = sessions == null ? Map.of() : Map.copyOf(sessions);
            indicators = indicators == null ? Map.of() : Map.copyOf(indicators);
            favourites = kept(favourites);
            recent = kept(recent);
            figures = figures == null ? Map.of() : Map.copyOf(figures);
            looks = looks == null ? Map.of() : Map.copyOf(looks);
            ratios = ratios == null ? Map.of() : Map.copyOf(ratios);
            tables = tables == null ? Map.of() : Map.copyOf(tables);
        }
    }

    /** The keys that were changed: the action's name and its keys. */
    public record Keys(String leader, Map<String, String> keys) {
        public Keys {
            keys = keys == null ? Map.of() : Map.copyOf(keys);
        }
    }
}
