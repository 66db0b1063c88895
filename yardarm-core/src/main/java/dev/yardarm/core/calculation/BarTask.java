package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.function.Supplier;

/** A value read from the bars themselves, their times included. */
final class BarTask extends Task {
    private final Supplier<BarValue> recipe;
    private final Column column;
    private BarValue value;

    BarTask(Supplier<BarValue> recipe, Column column) {
        this.recipe = recipe;
        this.column = column;
    }

    @Override
    void restart() {
        value = recipe.get();
        column.share(new double[0], 0);
    }

    @Override
    void room(int closed) {
        column.room(closed);
    }

    @Override
    void advance(Bars bars, int from, int to) {
        double[] values = column.values();
        for (int bar = from; bar < to; bar++) {
            values[bar] = value.at(bars, bar);
        }
        column.resize(to);
    }

    @Override
    void finish(Bars bars, int closed) {
        column.setForming(bars.hasForming() ? value.at(bars, closed) : Double.NaN);
    }
}
