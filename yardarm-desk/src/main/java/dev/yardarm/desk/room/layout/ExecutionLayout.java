package dev.yardarm.desk.room.layout;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;

/**
 * The charts a day trader executes from, of the instrument in hand, in a tab: range bars with the profile of the view, footprints with the
 * figures of the bars, minutes with large trades, and half hours with the profile of each session. Linked by instrument, crosshair and
 * drawings; charts like any other, to be changed and saved.
 */
public final class ExecutionLayout {
    private static final int RANGE = 8;
    private static final double RANGE_WIDTH = 5;
    private static final double FOOTPRINT_WIDTH = 30;
    private static final double MINUTE_WIDTH = 6;
    private static final double SESSION_WIDTH = 4;

    private ExecutionLayout() {}

    /** Makes the tab, or shows the one there is; says what is missing. Used by the interface's thread alone. */
    public static void show(Layouts layouts) {
        ChartRoom active = layouts.active();
        if (active.instrument().isEmpty()) {
            layouts.desk().tell("Open an instrument first: the execution layout shows the one in hand.");
            return;
        }
        String title =
                "Execution " + active.instrument().map(each -> each.id().code()).orElse("");
        Layout there = layouts.titled(title).orElse(null);
        if (there != null) {
            layouts.show(there);
            // Its charts may have been led elsewhere meanwhile.
            active.instrument().ifPresent(wanted -> there.charts()
                    .forEach(chart -> chart.open(wanted, chart.chart().request())));
            layouts.desk().tell("The execution layout is there already.");
            return;
        }
        Layout layout = layouts.add(title, Arrangement.grid(2, 2));
        int colour = layouts.freeLink();
        layouts.setLinks(
                colour, EnumSet.of(LinkRules.Shared.INSTRUMENT, LinkRules.Shared.CROSSHAIR, LinkRules.Shared.DRAWINGS));
        List<ChartRoom> charts = layout.charts();
        for (ChartRoom chart : charts) {
            // A copy is linked as the chart in hand is, and would take its timeframe along.
            chart.setLink(0);
            List.copyOf(chart.chart().indicators()).stream()
                    .map(IndicatorLayer::id)
                    .forEach(chart.indicators()::remove);
        }
        charts.get(0).setRule(new BarRule.Range(RANGE));
        charts.get(0).chart().setBarWidth(RANGE_WIDTH);
        charts.get(0).setVolumeShown(false);
        put(charts.get(0), "view_profile", Map.of("wide", "14"));
        put(charts.get(0), "delta", Map.of());
        minutes(charts.get(1), 5, FOOTPRINT_WIDTH);
        charts.get(1).setVolumeShown(false);
        put(charts.get(1), "footprint", Map.of());
        put(charts.get(1), "bar_figures", Map.of("rows", "delta volume"));
        minutes(charts.get(2), 1, MINUTE_WIDTH);
        put(charts.get(2), "big_trades", Map.of("share", "0.5", "widest", "24"));
        minutes(charts.get(3), 30, SESSION_WIDTH);
        charts.get(3).setVolumeShown(false);
        put(charts.get(3), "profile", Map.of());
        charts.forEach(chart -> chart.setLink(colour));
        layouts.activate(charts.get(1));
    }

    private static void minutes(ChartRoom chart, int minutes, double width) {
        chart.setTimeframe(Timeframe.parse(minutes + "m").orElseThrow());
        chart.chart().setBarWidth(width);
    }

    private static void put(ChartRoom chart, String name, Map<String, String> settings) {
        Indicator indicator = chart.desk().language().catalogue().find(name).orElseThrow();
        chart.indicators().add(indicator, Settings.of(indicator, settings));
    }
}
