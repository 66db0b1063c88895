package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import java.util.function.LongSupplier;

/**
 * The sides of trades as they were known at a moment: of a span that reaches beyond it there is what was traded until then. Costs what
 * the sides cost; a bar that is not of time and closes later is added up.
 *
 * @param moment asked with each question; trades of this very moment are known
 */
public record SidesThen(Surroundings.Sides of, LongSupplier moment) implements Surroundings.Sides {
    private long until(long wanted) {
        long now = moment.getAsLong();
        return now == Long.MAX_VALUE ? wanted : Math.min(wanted, now + 1);
    }

    @Override
    public double delta(long from, long until) {
        return of.delta(from, until(until));
    }

    @Override
    public boolean trades(long from, long until, Surroundings.Taker taker) {
        return of.trades(from, until(until), taker);
    }

    @Override
    public double delta(Bars bars, int bar) {
        if (bars.closeTime(bar) <= moment.getAsLong()) {
            return of.delta(bars, bar);
        }
        double[] sum = {0};
        boolean known = trades(bars, bar, (time, price, size, side) -> sum[0] += side == 0 ? Double.NaN : side * size);
        return known ? sum[0] : Double.NaN;
    }

    @Override
    public boolean trades(Bars bars, int bar, Surroundings.Taker taker) {
        long end = until(Long.MAX_VALUE);
        return of.trades(bars, bar, (time, price, size, side) -> {
            if (time < end) {
                taker.take(time, price, size, side);
            }
        });
    }

    @Override
    public Surroundings.Sides bySpan() {
        return new SidesThen(of.bySpan(), moment);
    }
}
