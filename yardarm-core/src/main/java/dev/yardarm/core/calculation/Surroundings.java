package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * What a computation may know beyond its own bars: when sessions begin, and the bars of other instruments.
 *
 * @param calendar of the instrument whose bars are computed on
 * @param others finds other instruments' bars
 */
public record Surroundings(TradingCalendar calendar, Others others) {
    /** Sessions round the clock in UTC, no other instruments. */
    public static final Surroundings NONE = new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC),
            code -> Optional.empty());

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
