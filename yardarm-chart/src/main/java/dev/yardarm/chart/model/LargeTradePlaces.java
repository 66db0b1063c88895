package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.core.profile.LargeMarks;
import java.util.Optional;

/** Where the marks of large trades lie and how large they are: for painting them and for finding the one under the pointer. */
public record LargeTradePlaces(
        ChartModel chart, IndicatorLayer layer, LargeMarks marks, int first, int end, double most) {
    private static final double SMALLEST = 7;

    /** Those of a layer in view; empty for a layer that has none. */
    public static Optional<LargeTradePlaces> of(ChartModel chart, IndicatorLayer layer) {
        LargeMarks marks = chart.data().flow().large().get(layer.id());
        if (marks == null || chart.isCompact() || !layer.style().showsOn(chart.timeframe())) {
            return Optional.empty();
        }
        int first = marks.firstFrom(Math.max(0, chart.time().firstVisible()));
        int end = marks.firstFrom(chart.time().endVisible(chart.bars().size()));
        double most = 0;
        for (int place = first; place < end; place++) {
            most = Math.max(most, marks.get(place).trade().size());
        }
        return Optional.of(new LargeTradePlaces(chart, layer, marks, first, end, most));
    }

    /** A part of the largest in view. */
    public double share(LargeMarks.Mark mark) {
        return mark.trade().size() / most;
    }

    /** How wide a mark is: its area is its size, unless all are alike. */
    public double across(LargeMarks.Mark mark) {
        int widest = layer.settings().whole("widest");
        boolean isScaled = layer.settings().word("scaled").startsWith("by");
        return Math.max(SMALLEST, isScaled ? widest * Math.sqrt(share(mark)) : widest * 0.5);
    }

    /** Its middle. */
    public double x(LargeMarks.Mark mark) {
        return chart.time().middle(mark.bar());
    }

    /** The mark under a point: the smallest of those that lie over each other. */
    public Optional<LargeMarks.Mark> at(PriceScale scale, double x, double y) {
        LargeMarks.Mark found = null;
        for (int place = first; place < end; place++) {
            LargeMarks.Mark mark = marks.get(place);
            double reach = across(mark) / 2 + 2;
            boolean isOn = Math.hypot(x - x(mark), y - scale.y(mark.trade().price())) <= reach;
            if (isOn && (found == null || mark.trade().size() < found.trade().size())) {
                found = mark;
            }
        }
        return Optional.ofNullable(found);
    }
}
