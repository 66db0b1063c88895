package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Columns over bars of a higher timeframe, put beside the bars of this graph as they were known. */
final class HigherTask extends Task {
    private final boolean forming;
    private final ColumnGraph inner;
    private final List<Column> from = new ArrayList<>();
    private final List<Column> to = new ArrayList<>();
    private final HigherBars bars;

    HigherTask(Surroundings surroundings, Timeframe timeframe, boolean forming) {
        this.forming = forming;
        bars = new HigherBars(surroundings.calendar(), timeframe);
        // What others' unfinished bars were at each moment is not kept: beside forming bars there are none.
        inner = new ColumnGraph(
                forming
                        ? new Surroundings(surroundings.calendar(), code -> Optional.empty())
                        : new Surroundings(
                                surroundings.calendar(),
                                new HigherOthers(surroundings, timeframe),
                                surroundings.sides(),
                                surroundings.drawings()));
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
            boolean ended = bars.closeBefore(lower, bar);
            boolean closed = bars.take(lower, bar) || ended;
            if (closed || forming) {
                inner.update(bars.snapshot());
            }
            for (int column = 0; column < to.size(); column++) {
                to.get(column).values()[bar] = known(from.get(column));
            }
        }
        boolean atWork = lower.hasForming();
        if (atWork && (bars.closeBefore(lower, end) || forming)) {
            inner.update(forming ? bars.with(lower, end) : bars.snapshot());
        }
        for (int column = 0; column < to.size(); column++) {
            to.get(column).resize(end);
            to.get(column).setForming(atWork ? known(from.get(column)) : Double.NaN);
        }
    }

    /** The value of the unfinished higher bar when that is asked for, else of the last complete one. */
    private double known(Column column) {
        double unfinished = column.forming();
        return forming && unfinished == unfinished
                ? unfinished
                : column.size() == 0 ? Double.NaN : column.values()[column.size() - 1];
    }
}
