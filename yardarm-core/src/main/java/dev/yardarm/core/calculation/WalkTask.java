package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.function.Supplier;

/** A {@linkplain Walk walk} through bars and columns, with one value a bar. */
final class WalkTask extends Task {
    private final Supplier<? extends Walk> recipe;
    private final Column[] inputs;
    private final Column column;
    private Walk walk;

    WalkTask(Supplier<? extends Walk> recipe, Column[] inputs, Column column) {
        this.recipe = recipe;
        this.inputs = inputs;
        this.column = column;
    }

    @Override
    void restart() {
        walk = recipe.get();
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
            values[bar] = walk.closed(bars, inputs, bar);
        }
        column.resize(to);
    }

    @Override
    void finish(Bars bars, int closed) {
        column.setForming(bars.hasForming() ? walk.forming(bars, inputs, closed) : Double.NaN);
    }
}
