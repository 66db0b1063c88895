package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;

/** Columns over other bars than those of a graph, put beside its bars as they were known. */
abstract class Beside extends Task {
    private final ColumnGraph inner;
    private final List<Column> from = new ArrayList<>();
    private final List<Column> to = new ArrayList<>();

    /** @param inner the graph over the other bars */
    Beside(ColumnGraph inner) {
        this.inner = inner;
    }

    /** The graph over the other bars. */
    final ColumnGraph inner() {
        return inner;
    }

    /** Puts a column of the other bars beside those of this graph. */
    final void carry(Column there, Column here) {
        from.add(there);
        to.add(here);
    }

    @Override
    void restart() {
        to.forEach(column -> column.share(new double[0], 0));
    }

    @Override
    final void room(int closed) {
        for (Column column : to) {
            column.room(closed);
        }
    }

    /** Writes the value of each column at a closed bar. */
    final void write(int bar, int place) {
        for (int column = 0; column < to.size(); column++) {
            to.get(column).values()[bar] = value(from.get(column), place);
        }
    }

    /** Ends the columns at so many closed bars. */
    final void end(int closed) {
        for (Column column : to) {
            column.resize(closed);
        }
    }

    /** Writes the value of each column at the forming bar. */
    final void form(int place) {
        for (int column = 0; column < to.size(); column++) {
            to.get(column).setForming(value(from.get(column), place));
        }
    }

    /** No place: the value is missing. */
    static final int NOWHERE = -1;

    /** The value at a bar of the other bars: a closed one, or the forming one behind them. */
    private static double value(Column column, int place) {
        return place == NOWHERE ? Double.NaN : column.at(place);
    }
}
