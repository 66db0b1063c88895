package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * The running computation of an indicator over its input columns.
 *
 * <p>The committed state covers closed bars and only ever moves forward. The value at the forming bar is worked out
 * from that state without changing it, so that a tick costs the same however long the series is. Output at a bar
 * depends on that bar and earlier ones only. A computation is used by one thread at a time.
 */
public interface Computation {
    /**
     * Computes the closed bars {@code from..to-1}; {@code from} is always where the last call ended.
     *
     * @param inputs one column for each declared input
     * @param outputs one array for each declared output, to be filled at {@code from..to-1}; NaN where missing
     */
    void advance(Column[] inputs, int from, int to, double[][] outputs);

    /**
     * Computes the forming bar, bar number {@code at}, which is where {@link #advance} ended.
     *
     * @param result one value for each output
     */
    void peek(Column[] inputs, int at, double[] result);
}
