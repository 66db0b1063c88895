package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;

/** Columns over bars of a higher timeframe, put beside the bars of this graph as they were known. */
final class HigherTask extends Task {
    private final boolean forming;
    private final ColumnGraph inner;
    private final List<Column> from = new ArrayList<>();
    private final List<Column> to = new ArrayList<>();
    private final HigherBars bars;
    /** The moment the bar that is being worked on closes: nothing later is known to what is computed inside. */
    private long moment = Long.MIN_VALUE;

    HigherTask(Surroundings surroundings, Timeframe timeframe, boolean forming) {
        this.forming = forming;
        bars = new HigherBars(surroundings.calendar(), timeframe);
        inner = new ColumnGraph(new Surroundings(
                surroundings.calendar(),
                new HigherOthers(surroundings, timeframe, forming, () -> moment),
                (from, until) -> surroundings.sides().delta(from, Math.min(until, moment)),
                (name, line, time, known) ->
                        surroundings.drawings().priceAt(name, line, time, Math.min(known, moment))));
    }

    /** The graph over the higher bars. */
    ColumnGraph inner() {
        return inner;
    }

    /** Puts a column of the higher bars beside those of the lower ones. */
    void carry(Column higher, Column lower) {
        from.add(higher);
        to.add(lower);
    }

    @Override
    void restart() {
        bars.restart();
        to.forEach(column -> column.share(new double[0], 0));
    }

    @Override
    void update(Bars lower, int begin, int end) {
        for (Column column : to) {
            column.room(end);
        }
        for (int bar = begin; bar < end; bar++) {
            moment = lower.closeTime(bar);
            boolean ended = bars.closeBefore(lower, bar);
            boolean closed = bars.take(lower, bar) || ended;
            if (closed || forming) {
                inner.update(bars.snapshot());
            }
            for (int column = 0; column < to.size(); column++) {
                to.get(column).values()[bar] = known(from.get(column), bars.isOpen());
            }
        }
        boolean atWork = lower.hasForming();
        if (atWork) {
            moment = lower.closeTime(end);
        }
        if (atWork && (bars.closeBefore(lower, end) || forming)) {
            inner.update(forming ? bars.with(lower, end) : bars.snapshot());
        }
        for (int column = 0; column < to.size(); column++) {
            to.get(column).resize(end);
            to.get(column).setForming(atWork ? known(from.get(column), true) : Double.NaN);
        }
    }

    /** The value of the unfinished higher bar when that is asked for and there is one, else of the last complete one. */
    private double known(Column column, boolean unfinished) {
        return forming && unfinished
                ? column.forming()
                : column.size() == 0 ? Double.NaN : column.values()[column.size() - 1];
    }
}
