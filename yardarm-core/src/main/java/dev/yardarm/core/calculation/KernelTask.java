package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.function.Supplier;

/** Runs a kernel over what its inputs have at the same bars, from columns or from the small arrays of kernels before. */
final class KernelTask extends Task {
    private final Supplier<Kernel> recipe;
    private final ColumnGraph.Node[] inputs;
    private final ColumnGraph.Node output;
    private final double[][] arrays;
    private final int[] places;
    private final double[] values;
    private final Column[] columns;
    private Kernel kernel;

    KernelTask(Supplier<Kernel> recipe, ColumnGraph.Node[] inputs, ColumnGraph.Node output) {
        this.recipe = recipe;
        this.inputs = inputs;
        this.output = output;
        this.arrays = new double[inputs.length][];
        this.places = new int[inputs.length];
        this.values = new double[inputs.length];
        this.columns = new Column[inputs.length];
        for (int input = 0; input < inputs.length; input++) {
            columns[input] = inputs[input].column();
        }
    }

    @Override
    void restart() {
        kernel = recipe.get();
        output.column().share(new double[0], 0);
    }

    @Override
    void room(int closed) {
        if (output.isKept()) {
            output.column().room(closed);
        }
    }

    @Override
    void advance(Bars bars, int from, int to) {
        for (int input = 0; input < inputs.length; input++) {
            boolean kept = inputs[input].isKept();
            arrays[input] = kept ? inputs[input].column().values() : inputs[input].run();
            places[input] = kept ? from : 0;
        }
        boolean kept = output.isKept();
        kernel.run(arrays, places, kept ? output.column().values() : output.run(), kept ? from : 0, to - from);
        if (kept) {
            output.column().resize(to);
        }
    }

    @Override
    void finish(Bars bars, int closed) {
        if (!bars.hasForming()) {
            output.column().setForming(Double.NaN);
            return;
        }
        if (kernel.looksBack()) {
            output.column().setForming(kernel.forming(columns, closed));
            return;
        }
        for (int input = 0; input < inputs.length; input++) {
            values[input] = columns[input].forming();
        }
        output.column().setForming(kernel.one(values));
    }
}
