package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.function.Supplier;

/** Columns computed from other columns. */
final class ComputedTask extends Task {
    private final Supplier<Computation> recipe;
    private final Column[] inputs;
    private final Column[] outputs;
    private final double[][] arrays;
    private final double[] formingValues;
    private Computation computation;

    ComputedTask(Supplier<Computation> recipe, Column[] inputs, Column[] outputs) {
        this.recipe = recipe;
        this.inputs = inputs;
        this.outputs = outputs;
        this.arrays = new double[outputs.length][];
        this.formingValues = new double[outputs.length];
    }

    @Override
    void restart() {
        computation = recipe.get();
        for (Column output : outputs) {
            output.share(new double[0], 0);
        }
    }

    @Override
    void room(int closed) {
        for (int output = 0; output < outputs.length; output++) {
            arrays[output] = outputs[output].room(closed);
        }
    }

    @Override
    void advance(Bars bars, int from, int to) {
        computation.advance(inputs, from, to, arrays);
        for (Column output : outputs) {
            output.resize(to);
        }
    }

    @Override
    void finish(Bars bars, int closed) {
        if (bars.hasForming()) {
            computation.peek(inputs, closed, formingValues);
        }
        for (int output = 0; output < outputs.length; output++) {
            outputs[output].setForming(bars.hasForming() ? formingValues[output] : Double.NaN);
        }
    }
}
