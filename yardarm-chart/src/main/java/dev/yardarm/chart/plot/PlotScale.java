package dev.yardarm.chart.plot;

/**
 * From values to pixels, straight; {@code from} may lie after {@code to}.
 *
 * @param low value at the first pixel
 * @param high value at the last
 */
record PlotScale(double low, double high, double from, double to) {
    double at(double value) {
        return from + (value - low) / (high - low) * (to - from);
    }

    double value(double pixel) {
        return low + (pixel - from) / (to - from) * (high - low);
    }
}
