package dev.yardarm.chart.model;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What lies between two points of the price pane: the difference in price, per cent and ticks or pips, the bars and the
 * time from one to the other, the volume of the bars in between, and how many R of the plan it is.
 *
 * @param volume NaN when any bar in between has none
 * @param risk what one R of the plan is in price, below zero for a short one; 0 when there is no plan
 */
public record Measure(double fromPrice, double toPrice, int fromBar, int toBar, long time, double volume, double risk) {
    /** Measures from one pixel to another; the points stick to prices of bars when asked to. */
    public static Measure between(
            ChartModel chart, double fromX, double fromY, double toX, double toY, boolean snapping) {
        var from = SnapTarget.at(chart, fromX, fromY, snapping);
        var to = SnapTarget.at(chart, toX, toY, snapping);
        int fromBar = chart.axis().bar(from.time());
        int toBar = chart.axis().bar(to.time());
        Bars bars = chart.bars();
        double volume = 0;
        for (int bar = Math.max(0, Math.min(fromBar, toBar));
                bar <= Math.min(bars.size() - 1, Math.max(fromBar, toBar));
                bar++) {
            volume += bars.volume(bar);
        }
        return new Measure(
                from.price(),
                to.price(),
                fromBar,
                toBar,
                to.time() - from.time(),
                volume,
                chart.plan().map(plan -> plan.entry() - plan.stop()).orElse(0.0));
    }

    /** Lines to show: what it is to the plan first, then each figure with its name. */
    public List<String> lines(Instrument instrument) {
        double difference = toPrice - fromPrice;
        List<String> lines = new ArrayList<>();
        if (risk != 0) {
            lines.add(signed("%+.2f R of the plan", difference / risk));
        }
        String sign = difference > 0 ? "+" : difference < 0 ? "−" : "";
        lines.add("move  " + sign + instrument.format().format(Math.abs(difference)) + "   "
                + signed("%+.2f %%", 100 * difference / fromPrice));
        lines.add(signed("%+.0f ", difference / instrument.format().step())
                + instrument.format().stepWord()
                + (instrument.pointValue() != 1
                        ? signed("   %+.2f for one contract", difference * instrument.pointValue())
                        : ""));
        int bars = toBar - fromBar;
        lines.add("lasted  " + duration() + ", " + bars + (Math.abs(bars) == 1 ? " bar" : " bars"));
        if (!Double.isNaN(volume) && volume > 0) {
            lines.add(String.format(Locale.ROOT, "traded  %,.0f", volume));
        }
        return lines;
    }

    private static String signed(String form, double value) {
        return String.format(Locale.ROOT, form, value).replace('-', '−');
    }

    private String duration() {
        Duration length = Duration.of(Math.abs(time), ChronoUnit.MICROS);
        String sign = time < 0 ? "−" : "";
        if (length.toDays() > 0) {
            return sign
                    + length.toDays()
                    + (length.toDays() == 1 ? " day" : " days")
                    + (length.toHoursPart() > 0 && length.toDays() < 10 ? " " + length.toHoursPart() + " h" : "");
        }
        return sign + (length.toHours() > 0 ? length.toHours() + " h " : "") + length.toMinutesPart() + " min";
    }
}
