package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import java.util.function.Supplier;

/**
 * A field of another instrument's bars, put beside the bars computed on as it was known when each of them closed: the
 * last bar of the other that closed since the bar before this one had closed. Where the other had none it is missing;
 * nothing is carried on over a gap. So an exchange that closes later in the day counts from the next bar on, when its
 * close was known. For the forming bar the other's forming one counts, if both began in the same span. O(1) a bar.
 */
final class OtherBars implements BarValue {
    private final Supplier<Bars> others;
    private final Field field;
    private int next;

    OtherBars(Supplier<Bars> others, Field field) {
        this.others = others;
        this.field = field;
    }

    @Override
    public double at(Bars bars, int bar) {
        Bars other = others.get();
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
            return other.value(field, at);
        }
        long since = bar > 0 ? Math.min(begin, bars.closeTime(bar - 1)) : begin;
        return at > 0 && other.closeTime(at - 1) > since ? other.value(field, at - 1) : Double.NaN;
    }
}
