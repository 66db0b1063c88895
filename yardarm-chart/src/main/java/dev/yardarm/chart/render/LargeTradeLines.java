package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The large trades of a layer as a list tells them, the newest first, with what price did after them. */
public final class LargeTradeLines {
    /** Older ones are not listed. */
    public static final int MOST = 2000;

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("EEE d MMM yyyy HH:mm:ss.SSS", Locale.ROOT);

    private LargeTradeLines() {}

    /**
     * One of them.
     *
     * @param after change of price from the trade to the close so many bars later; missing while no bar has followed
     * @param soFar true when fewer bars have followed yet
     */
    public record Line(int bar, LargeTrades.Large trade, double after, boolean soFar) {}

    /** All of a trade in words: when, how much, on which side, at what price, in how many prints. */
    public static String words(ChartModel chart, LargeTrades.Large trade) {
        String side = trade.side() == TickSeries.ASK
                ? "bought at the ask"
                : trade.side() == TickSeries.BID ? "sold at the bid" : "side not known";
        String price = chart.instrument()
                .map(each -> each.format().format(trade.price()))
                .orElseGet(() -> Double.toString(trade.price()));
        return Times.at(trade.time(), chart.zone()).format(TIME) + ": " + Readout.quantity(trade.size()) + " " + side
                + " at " + price + ", " + (trade.count() == 1 ? "one print" : trade.count() + " prints");
    }

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
