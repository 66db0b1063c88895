package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;

/** The large trades of a layer as a list tells them, the newest first, with what price did after them. */
public final class LargeTradeLines {
    /** Older ones are not listed. */
    public static final int MOST = 2000;

    private LargeTradeLines() {}

    /**
     * One of them.
     *
     * @param after change of price from the trade to the close so many bars later; missing while no bar has followed
     * @param soFar true when fewer bars have followed yet
     */
    public record Line(int bar, LargeTrades.Large trade, double after, boolean soFar) {}

    /**
     * The lines of a layer; none of a layer that has no large trades.
     *
     * @param ahead bars after the trade's own
     */
    public static List<Line> of(ChartModel chart, String layer, int ahead) {
        LargeMarks marks = chart.data().flow().large().get(layer);
        List<Line> lines = new ArrayList<>();
        Bars bars = chart.bars();
        for (int place = marks == null ? -1 : marks.size() - 1; place >= 0 && lines.size() < MOST; place--) {
            LargeMarks.Mark mark = marks.get(place);
            int last = Math.min(bars.size() - 1, mark.bar() + ahead);
            double after = last > mark.bar() ? bars.close(last) - mark.trade().price() : Double.NaN;
            lines.add(new Line(mark.bar(), mark.trade(), after, mark.bar() + ahead >= bars.closed()));
        }
        return lines;
    }
}
