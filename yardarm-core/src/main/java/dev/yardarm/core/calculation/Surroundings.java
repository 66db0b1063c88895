package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * What a computation may know beyond its own bars: when sessions begin, the bars of other instruments, and on which side
 * single trades were struck.
 *
 * @param calendar of the instrument whose bars are computed on
 * @param others finds other instruments' bars
 * @param sides what was bought and sold, where single trades are known
 * @param drawings what the trader's drawings are worth
 * @param tick smallest step of price of the instrument, in which sizes of bars are counted
 */
public record Surroundings(TradingCalendar calendar, Others others, Sides sides, Drawings drawings, double tick) {
    /** The step of price where none is told. */
    public static final double USUAL_TICK = 0.01;

    /** Sessions round the clock in UTC, no other instruments. */
    public static final Surroundings NONE = new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.empty());

    /** Without single trades. */
    public Surroundings(TradingCalendar calendar, Others others) {
        this(calendar, others, (from, until) -> Double.NaN);
    }

    /** Without drawings. */
    public Surroundings(TradingCalendar calendar, Others others, Sides sides) {
        this(calendar, others, sides, (name, line, time, known) -> Double.NaN, USUAL_TICK);
    }

    /** The same with drawings. */
    public Surroundings with(Drawings named) {
        return new Surroundings(calendar, others, sides, named, tick);
    }

    /** The same with another step of price. */
    public Surroundings withTick(double step) {
        return new Surroundings(calendar, others, sides, drawings, step);
    }

    /** The same place as seen from bars that are not those of the instrument, or of another moment. */
    public Surroundings seenBy(Others seen, Sides traded, Drawings named) {
        return new Surroundings(calendar, seen, traded, named, tick);
    }

    /** What drawings are worth, by the names the trader gave them. */
    @FunctionalInterface
    public interface Drawings {
        /**
         * The price of a line of a drawing at a moment.
         *
         * @param line name of the line; empty for the first
         * @param known the moment it is asked from; drawings made later are not there
         * @return missing when there is no such drawing or line
         */
        double priceAt(String name, String line, long time, long known);
    }

    /** The volume of single trades by their side. */
    @FunctionalInterface
    public interface Sides {
        /**
         * Bought at the ask less sold at the bid.
         *
         * @param from first moment of the span, in microseconds
         * @param until first moment behind it
         * @return missing when trades or sides of the span are not known
         */
        double delta(long from, long until);

        /**
         * Hands over the trades of a span, in their order.
         *
         * @param from first moment of the span, in microseconds
         * @param until first moment behind it
         * @return false, and nothing is handed over, when not all trades of the span are known
         */
        default boolean trades(long from, long until, Taker taker) {
            return false;
        }

        /**
         * Bought at the ask less sold at the bid in a bar. What is in a bar of time follows from its times; of other bars it is what was
         * counted in them.
         *
         * @return missing when trades or sides of the bar are not known
         */
        default double delta(Bars bars, int bar) {
            return delta(bars.openTime(bar), bars.closeTime(bar));
        }

        /**
         * Hands over the trades of a bar, in their order.
         *
         * @return false, and nothing is handed over, when not all trades of the bar are known
         */
        default boolean trades(Bars bars, int bar, Taker taker) {
            return trades(bars.openTime(bar), bars.closeTime(bar), taker);
        }

        /**
         * Hands over the trades of a bar that goes on, without those that were handed over before.
         *
         * @param from how many of them were
         * @return how many trades the bar has so far; -1, and nothing is handed over, when not all of them are known
         */
        default int trades(Bars bars, int bar, int from, Taker taker) {
            int[] count = {0};
            boolean known = trades(bars, bar, (time, price, size, side) -> {
                if (count[0]++ >= from) {
                    taker.take(time, price, size, side);
                }
            });
            return known ? count[0] : -1;
        }

        /**
         * Hands over all trades of a bar at once, as a part of a series: for loops over their columns.
         *
         * @return false, and nothing is handed over, when not all trades of the bar are known
         */
        default boolean run(Bars bars, int bar, RunTaker taker) {
            TickSeries collected = new TickSeries(64);
            boolean known = trades(bars, bar, collected::append);
            if (known) {
                taker.take(collected, 0, collected.size());
            }
            return known;
        }

        /** The same for other bars than those it was made with, by their times alone. */
        default Sides bySpan() {
            return this;
        }
    }

    /** Takes trades. */
    @FunctionalInterface
    public interface Taker {
        /**
         * @param time in microseconds
         * @param side of {@link dev.yardarm.core.series.TickSeries}
         */
        void take(long time, double price, double size, byte side);
    }

    /** Takes trades that follow each other in a series, which is only read. */
    @FunctionalInterface
    public interface RunTaker {
        /** The trades {@code from} (included) to {@code end} (excluded). */
        void take(TickSeries trades, int from, int end);
    }

    /** Finds the bars of other instruments, of the same timeframe as the bars computed on. */
    @FunctionalInterface
    public interface Others {
        /**
         * @param code of an instrument, or {@code benchmark}
         * @return gives the newest snapshot whenever it is asked; empty when there is no such instrument
         */
        Optional<Supplier<Bars>> find(String code);
    }
}
