package dev.yardarm.chart.render;

import dev.yardarm.chart.scale.TimeScale;

/** Which bars share a pixel where bars are narrower than pixels. */
final class Reduction {
    private static final int BLOCK = 16;
    /** From this many bars to a pixel, pixels begin at whole blocks of the pyramid: a shift of 3 % of a pixel at most. */
    private static final double WHOLE_BLOCKS = 512;

    private Reduction() {}

    /** The bar behind those that share the pixel at x, of which {@code from} is the first. */
    static int end(TimeScale time, int from, int end, double x, double pixel) {
        int to = (int) Math.ceil(time.position(x + pixel) - 1e-9);
        if (time.barWidth() * WHOLE_BLOCKS < pixel) {
            to = (to + BLOCK / 2) / BLOCK * BLOCK;
        }
        return Math.min(end, Math.max(from + 1, to));
    }
}
