package dev.yardarm.desk.room.layout;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Shows the rival readings of the chart in hand side by side: a tab with a copy of it for each, in which that one is shown alone. */
public final class RivalLayout {
    private static final int MOST = 3;
    /** Pixels of a price axis, and free behind the newest bar. */
    private static final double AXIS = 110;
    /** Part of bars before the count. */
    private static final double ROOM = 1.15;

    private static final double MARGIN = 0.06;

    private RivalLayout() {}

    /** Makes the tab; says what is missing. Used by the interface's thread alone. */
    public static void show(Layouts layouts) {
        ChartRoom room = layouts.active();
        ChartModel chart = room.chart();
        IndicatorLayer layer = chart.indicators().stream()
                .filter(RivalLayout::isOfRivals)
                .findFirst()
                .orElse(null);
        List<Found> found = layer == null ? List.of() : chart.found().rivals(layer);
        int rivals = Math.min(MOST, found.size());
        if (rivals < 2) {
            layouts.desk()
                    .tell(
                            layer == null
                                    ? "Put wave counts on the chart first: Space E W."
                                    : "There is one reading at most; nothing rivals it.");
            return;
        }
        double width = chart.plotRight() / rivals - AXIS;
        Layout layout = layouts.add(title(layouts, room), Arrangement.grid(1, rivals));
        int colour = layouts.freeLink();
        layouts.setLinks(
                colour,
                EnumSet.of(
                        LinkRules.Shared.INSTRUMENT,
                        LinkRules.Shared.TIMEFRAME,
                        LinkRules.Shared.CROSSHAIR,
                        LinkRules.Shared.DRAWINGS));
        for (int rank = 1; rank <= rivals; rank++) {
            ChartRoom copy = layout.charts().get(rank - 1);
            for (IndicatorLayer each : List.copyOf(copy.chart().indicators())) {
                if (isOfRivals(each)) {
                    copy.indicators().change(each.withSettings(alone(each, rank)));
                } else if (each.indicator().family() == Indicator.Family.STRUCTURE) {
                    copy.indicators().remove(each.id());
                }
            }
            showWhole(copy.chart(), found.get(rank - 1), chart, width);
            copy.setLink(colour);
        }
    }

    /** All of a count, where it may end and what voids it. */
    private static void showWhole(ChartModel copy, Found found, ChartModel of, double width) {
        int first = Math.max(0, of.axis().bar(found.finding().from()));
        int bars = of.bars().size() - first;
        double low = found.finding().invalidation();
        double high = low;
        for (double line : found.finding().lines().values()) {
            low = Math.min(low, line);
            high = Math.max(high, line);
        }
        for (int bar = first; bar < of.bars().size(); bar++) {
            low = Math.min(low, of.bars().low(bar));
            high = Math.max(high, of.bars().high(bar));
        }
        copy.setBarWidth(Math.max(1, width / (bars * ROOM)));
        if (low < high) {
            double margin = MARGIN * (high - low);
            copy.setPriceRange(low - margin, high + margin);
        }
    }

    private static boolean isOfRivals(IndicatorLayer layer) {
        return layer.settings().values().containsKey(Detector.ALONE);
    }

    private static Settings alone(IndicatorLayer layer, int rank) {
        Map<String, String> values = new HashMap<>(layer.settings().values());
        values.put(Detector.ALONE, String.valueOf(rank));
        return Settings.of(layer.indicator().name(), layer.indicator().settings(), values);
    }

    private static String title(Layouts layouts, ChartRoom room) {
        String title =
                "Rivals" + room.instrument().map(each -> " " + each.id().code()).orElse("");
        return layouts.titled(title).isEmpty() ? title : "";
    }
}
