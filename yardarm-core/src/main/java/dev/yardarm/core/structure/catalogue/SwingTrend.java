package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Reader;

/**
 * The trend by structure: 1 while the last two settled highs and the last two settled lows rise, -1 while they fall, 0 while they do
 * neither, missing before there are two of each. O(1) an entry.
 */
final class SwingTrend implements Reader {
    /** Newest high, the one before, newest low, the one before. */
    private final double[] last = {Double.NaN, Double.NaN, Double.NaN, Double.NaN};

    @Override
    public void note(FindingLog.Standing entry) {
        int side = entry.finding().kind().equals("swing_high")
                ? 0
                : entry.finding().kind().equals("swing_low") ? 2 : -1;
        if (side >= 0 && entry.state() == Finding.State.CONFIRMED) {
            last[side + 1] = last[side];
            last[side] = entry.finding().points().get(0).price();
        }
    }

    @Override
    public double at(Bars bars, int bar) {
        double highs = last[0] - last[1];
        double lows = last[2] - last[3];
        return highs != highs || lows != lows ? Double.NaN : highs > 0 && lows > 0 ? 1 : highs < 0 && lows < 0 ? -1 : 0;
    }

    @Override
    public Reader copy() {
        SwingTrend copy = new SwingTrend();
        System.arraycopy(last, 0, copy.last, 0, last.length);
        return copy;
    }
}
