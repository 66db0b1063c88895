package dev.yardarm.core.calculation;

/**
 * Makes sums and means of prices exact where they are prices themselves.
 *
 * <p>Prices are decimals, and the nearest binary fraction of one is up to half a unit of its last digit away. A mean of five closes of 100, 100.05,
 * 100, 100.15 and 100.05 is 100.05, but the mean of their binary fractions, rounded at each step, may miss its binary fraction in the last digit; a
 * close just at its average would then be told as above or below, and quiet series would cross. A result that lies within the error of its own sum of
 * a decimal with eight places is that decimal: the division of two whole numbers gives its nearest binary fraction, the one that reading it gives.
 *
 * <p>A result that is none moves only where one happens to lie within that error, by no more than the error it has anyway. Values beyond a million
 * stay as they are. O(1) a value.
 */
final class Decimals {
    private static final double PLACES = 1e8;
    private static final double LARGEST = 1e6;
    private static final double ULP = 0x1p-52;

    private Decimals() {}

    /**
     * A result as it is, or the decimal it stands for.
     *
     * @param parts of how many values it is put together
     */
    static double settled(double value, int parts) {
        double size = Math.abs(value);
        double decimal = Math.rint(value * PLACES) / PLACES;
        return size < LARGEST && Math.abs(value - decimal) <= (parts + 4) * ULP * size ? decimal : value;
    }

    /** The same for a span of results. */
    static void settle(double[] values, int from, int to, int parts) {
        double error = (parts + 4) * ULP;
        for (int at = from; at < to; at++) {
            double value = values[at];
            double decimal = Math.rint(value * PLACES) / PLACES;
            double size = Math.abs(value);
            if (size < LARGEST && Math.abs(value - decimal) <= error * size) {
                values[at] = decimal;
            }
        }
    }
}
