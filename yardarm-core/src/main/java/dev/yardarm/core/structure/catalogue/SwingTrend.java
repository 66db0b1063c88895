package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Reader;

/**
 * The trend by structure: 1 while the last two settled highs and the last two settled lows rise, -1 while they fall, 0 while they do
 * neither, missing before there are two of each. It ends with the close beyond its last swing: a rise below the newest settled low, a fall above the
 * newest settled high. O(1) an entry.
 */
final class SwingTrend implements Reader {
    /** Newest high, the one before, newest low, the one before. */
    private final double[] last = {Double.NaN, Double.NaN, Double.NaN, Double.NaN};

    /** Whether a close has gone beyond the newest low, and beyond the newest high. */
    private boolean lowBroken;

    private boolean highBroken;

    @Override
    public void note(FindingLog.Standing entry) {
        int side = entry.finding().kind().equals("swing_high")
                ? 0
                : entry.finding().kind().equals("swing_low") ? 2 : -1;
        if (side >= 0 && entry.state() == Finding.State.CONFIRMED) {
            last[side + 1] = last[side];
            last[side] = entry.finding().points().get(0).price();
            lowBroken &= side == 0;
            highBroken &= side == 2;
        } else if (side >= 0
                && entry.state() == Finding.State.BROKEN
                && entry.finding().points().get(0).price() == last[side]) {
            highBroken |= side == 0;
            lowBroken |= side == 2;
        }
    }

    @Override
    public double at(Bars bars, int bar) {
        double highs = last[0] - last[1];
        double lows = last[2] - last[3];
        if (highs != highs || lows != lows) {
            return Double.NaN;
        }
        if (highs > 0 && lows > 0) {
            return lowBroken ? 0 : 1;
        }
        return highs < 0 && lows < 0 && !highBroken ? -1 : 0;
    }

    @Override
    public Reader copy() {
        SwingTrend copy = new SwingTrend();
        System.arraycopy(last, 0, copy.last, 0, last.length);
        copy.lowBroken = lowBroken;
        copy.highBroken = highBroken;
        return copy;
    }
}
