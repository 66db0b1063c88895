package dev.yardarm.chart.plot;

import java.util.Objects;

/** What is drawn on a plot. The arrays are not copied and must not change; a missing value (NaN) leaves a gap. */
public sealed interface PlotSeries {
    /** Something done with each kind of series. */
    interface Visitor<T> {
        T line(Line line);

        T columns(Columns columns);

        T points(Points points);

        T heat(Heat heat);
    }

    /** What it is called, in the legend and in the readout. */
    String name();

    /** Does what is to be done with its kind. */
    <T> T accept(Visitor<T> visitor);

    /** A line through points, from left to right. */
    record Line(String name, int colour, double[] xs, double[] ys) implements PlotSeries {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.line(this);
        }

        public Line {
            same(xs, ys);
        }
    }

    /** Columns from a base, one for each x: hollow above it, filled below. */
    record Columns(String name, double base, double[] xs, double[] ys) implements PlotSeries {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.columns(this);
        }

        public Columns {
            same(xs, ys);
        }
    }

    /**
     * Points.
     *
     * @param texts what each is, for the readout; none for null
     */
    record Points(String name, int colour, double[] xs, double[] ys, String[] texts) implements PlotSeries {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.points(this);
        }

        public Points {
            same(xs, ys);
            if (texts != null && texts.length != xs.length) {
                throw new IllegalArgumentException("a text for each point is needed, or none");
            }
        }
    }

    /**
     * Cells of a grid over two axes of names, coloured by their value and marked with its number where there is room.
     *
     * @param values by row, then column; the first row at the top
     * @param middle the value that has no colour
     * @param reach how far from the middle the colour is full
     */
    record Heat(String name, double[][] values, double middle, double reach) implements PlotSeries {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.heat(this);
        }

        public Heat {
            Objects.requireNonNull(values);
            if (!(reach > 0)) {
                throw new IllegalArgumentException("the colour needs a reach above 0, not " + reach);
            }
        }
    }

    private static void same(double[] xs, double[] ys) {
        if (xs.length != ys.length) {
            throw new IllegalArgumentException("as many x as y are needed: " + xs.length + " and " + ys.length);
        }
    }
}
