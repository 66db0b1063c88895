package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.Arrays;

/**
 * Several figures that are worked out together for each bar, as columns of a graph: one walk tells all of them, and each column reads its own.
 * Memory: 8 bytes a figure and bar. Used by the thread of its graph.
 */
final class ToldColumns {
    private final double[][] closed;
    private double[] forming;

    /** @param count of figures */
    ToldColumns(int count) {
        closed = new double[count][64];
        forming = missing(count);
    }

    /** So many figures that are not known. */
    static double[] missing(int count) {
        double[] none = new double[count];
        Arrays.fill(none, Double.NaN);
        return none;
    }

    /** The figures of a closed bar; bars come one after the other. */
    void close(int bar, double[] told) {
        for (int column = 0; column < closed.length; column++) {
            if (bar >= closed[column].length) {
                closed[column] = Arrays.copyOf(closed[column], bar + (bar >> 1) + 64);
            }
            closed[column][bar] = told[column];
        }
    }

    /** The figures of the forming bar as it stands. */
    void form(double[] told) {
        forming = told;
    }

    /**
     * One of the figures.
     *
     * @param name of all of them; with its number it tells the node from others
     * @param taken the walk that tells them
     */
    ColumnGraph.Node column(ColumnGraph graph, String name, int column, ColumnGraph.Node taken) {
        return graph.walked(
                name + " " + column,
                () -> new Walk() {
                    @Override
                    public double closed(Bars bars, Column[] inputs, int bar) {
                        return closed[column][bar];
                    }

                    @Override
                    public double forming(Bars bars, Column[] inputs, int bar) {
                        return forming[column];
                    }
                },
                taken);
    }
}
