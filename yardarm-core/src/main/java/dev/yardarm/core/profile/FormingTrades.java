package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.series.Bars;

/**
 * Follows the trades of the bar that forms, each handed over once however often the bar is looked at: what a look costs does not grow with the
 * bar. Begins anew with another bar, and when the bar has fewer trades than it had. One thread.
 */
final class FormingTrades {
    private int bar = -1;
    private long open;
    private int taken;

    /**
     * Hands over what came since the last look.
     *
     * @param begin called first when what was handed over before does not count any more
     * @return false when not all trades of the bar are known
     */
    boolean take(Surroundings.Sides sides, Bars bars, int at, Runnable begin, Surroundings.Taker taker) {
        if (at != bar || bars.openTime(at) != open) {
            restart(bars, at, begin);
        }
        int count = sides.trades(bars, at, taken, taker);
        if (count >= 0 && count < taken) {
            restart(bars, at, begin);
            count = sides.trades(bars, at, 0, taker);
        }
        taken = Math.max(0, count);
        return count >= 0;
    }

    private void restart(Bars bars, int at, Runnable begin) {
        bar = at;
        open = bars.openTime(at);
        taken = 0;
        begin.run();
    }
}
