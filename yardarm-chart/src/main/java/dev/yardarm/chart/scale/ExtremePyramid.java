package dev.yardarm.chart.scale;

import java.util.Arrays;

/**
 * Smallest and largest values of ranges of a column that only grows, so that drawing a million bars on a thousand
 * pixels costs by pixels and not by bars.
 *
 * <p>Level k holds the extremes of blocks of 16^(k+1) values. A block is written once, when it is full, and never
 * changes; a {@link #view()} may therefore be read by another thread while the column goes on growing. Missing values
 * are passed over. Memory: 2/15 of the columns. Cost of a query: at most 32 values for each level.
 */
public final class ExtremePyramid {
    private static final int FACTOR = 16;
    private static final int LEVELS = 7;

    private final double[][] least = new double[LEVELS][0];
    private final double[][] most = new double[LEVELS][0];
    private final int[] full = new int[LEVELS];
    private double[] low = new double[0];
    private double[] high = new double[0];
    private int size;

    /**
     * Takes in what the columns have grown by.
     *
     * @param lowColumn column of the lower values; the array may be another one as long as the values stay
     * @param highColumn column of the upper values, may be the same one
     */
    public void update(double[] lowColumn, double[] highColumn, int newSize) {
        low = lowColumn;
        high = highColumn;
        if (newSize < size) {
            Arrays.fill(full, 0);
        }
        size = newSize;
        for (int level = 0; level < LEVELS; level++) {
            int blocks = (level == 0 ? newSize : full[level - 1]) / FACTOR;
            if (blocks > least[level].length) {
                int capacity = Math.max(blocks, least[level].length + (least[level].length >> 3) + 8);
                least[level] = Arrays.copyOf(least[level], capacity);
                most[level] = Arrays.copyOf(most[level], capacity);
            }
            for (int block = full[level]; block < blocks; block++) {
                double smallest = Double.NaN;
                double largest = Double.NaN;
                double[] lower = level == 0 ? low : least[level - 1];
                double[] upper = level == 0 ? high : most[level - 1];
                for (int at = block * FACTOR; at < (block + 1) * FACTOR; at++) {
                    if (!(smallest <= lower[at])) {
                        smallest = lower[at] == lower[at] ? lower[at] : smallest;
                    }
                    if (!(largest >= upper[at])) {
                        largest = upper[at] == upper[at] ? upper[at] : largest;
                    }
                }
                least[level][block] = smallest;
                most[level][block] = largest;
            }
            full[level] = blocks;
        }
    }

    /** The pyramid as it stands. */
    public View view() {
        return new View(low, high, size, least.clone(), most.clone());
    }

    /** A pyramid that does not change, with room for the answer to the last question; for one thread. */
    public static final class View {
        private final double[] low;
        private final double[] high;
        private final int size;
        private final double[][] levelLeast;
        private final double[][] levelMost;
        private double least;
        private double most;

        private View(double[] low, double[] high, int size, double[][] levelLeast, double[][] levelMost) {
            this.low = low;
            this.high = high;
            this.size = size;
            this.levelLeast = levelLeast;
            this.levelMost = levelMost;
        }

        public int size() {
            return size;
        }

        /** Finds the extremes of {@code from..to-1}; bounds beyond the column are held to it. */
        public void find(int from, int to) {
            least = Double.POSITIVE_INFINITY;
            most = Double.NEGATIVE_INFINITY;
            int start = Math.max(0, from);
            int end = Math.min(size, to);
            double[] lower = low;
            double[] upper = high;
            int level = 0;
            while (end - start > 2 * FACTOR && level < LEVELS) {
                for (; start % FACTOR != 0; start++) {
                    take(lower[start], upper[start]);
                }
                for (; end % FACTOR != 0; end--) {
                    take(lower[end - 1], upper[end - 1]);
                }
                lower = levelLeast[level];
                upper = levelMost[level];
                start /= FACTOR;
                end /= FACTOR;
                level++;
            }
            for (; start < end; start++) {
                take(lower[start], upper[start]);
            }
        }

        private void take(double smaller, double larger) {
            if (smaller < least) {
                least = smaller;
            }
            if (larger > most) {
                most = larger;
            }
        }

        /** True when the last question found any value. */
        public boolean found() {
            return least <= most;
        }

        /** Smallest value of the last question, positive infinity when there was none. */
        public double least() {
            return least;
        }

        /** Largest value of the last question, negative infinity when there was none. */
        public double most() {
            return most;
        }
    }
}
