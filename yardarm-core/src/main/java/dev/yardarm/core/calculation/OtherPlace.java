package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;

/**
 * Finds the bar of another instrument that stands beside a bar, as it was known when that closed: the last bar of the other that
 * closed since the bar before this one had closed. Where the other had none there is none; nothing is carried on over a gap. So
 * an exchange that closes later in the day counts from the next bar on, when its close was known. For the forming bar the
 * other's forming one counts, if both began in the same span. O(1) a bar; bars are asked for in their order.
 */
final class OtherPlace {
    private int next;

    /** The number of the other's bar, its forming one at {@code other.closed()}; {@link Beside#NOWHERE} when there is none. */
    int at(Bars bars, int bar, Bars other) {
        long begin = bars.openTime(bar);
        long end = bars.closeTime(bar);
        boolean forming = bar == bars.closed();
        int at = Math.min(next, other.closed());
        while (at < other.closed() && other.closeTime(at) <= end) {
            at++;
        }
        if (!forming) {
            next = at;
        }
        if (forming
                && at == other.closed()
                && other.hasForming()
                && other.openTime(at) < end
                && other.closeTime(at) > begin) {
            return at;
        }
        long since = bar > 0 ? Math.min(begin, bars.closeTime(bar - 1)) : begin;
        return at > 0 && other.closeTime(at - 1) > since ? at - 1 : Beside.NOWHERE;
    }
}
