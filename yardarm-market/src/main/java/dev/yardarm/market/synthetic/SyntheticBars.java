package dev.yardarm.market.synthetic;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Locale;

/**
 * Daily bars made from a seed: the same seed gives the same bars. Prices start at 100 and are multiples of 0.01; every
 * bar covers a weekday from midnight to midnight UTC.
 */
public final class SyntheticBars {
    /** What kind of course prices take. */
    public enum Kind {
        /** A random walk: no direction, no memory. */
        WALK,
        /** Legs up and down, each of 40 to 160 bars with a steady drift. */
        TREND;

        public static Kind named(String name) {
            for (Kind kind : values()) {
                if (kind.name().toLowerCase(Locale.ROOT).equals(name)) {
                    return kind;
                }
            }
            throw new IllegalArgumentException("there is no kind '" + name + "'; select walk or trend");
        }
    }

    private static final double VOLATILITY = 0.011;
    private static final LocalDate FIRST_DAY = LocalDate.of(2000, 1, 3);

    private SyntheticBars() {}

    public static BarSeries make(long seed, int bars, Kind kind) {
        if (bars < 1) {
            throw new IllegalArgumentException("the number of bars must be at least 1, not " + bars);
        }
        Dice dice = new Dice(seed, Dice.key("synthetic"), kind.ordinal());
        BarSeries series = new BarSeries(bars);
        LocalDate day = FIRST_DAY;
        double price = 100;
        int legLeft = 0;
        double drift = 0;
        for (int bar = 0; bar < bars; bar++) {
            if (kind == Kind.TREND && legLeft-- == 0) {
                legLeft = 40 + dice.below(121);
                drift = (drift > 0 ? -1 : 1) * VOLATILITY * dice.between(0.15, 0.4);
            }
            double open = price * Math.exp(0.25 * VOLATILITY * dice.bell());
            double close = open * Math.exp(drift + VOLATILITY * dice.fat());
            double high = Math.max(open, close) * Math.exp(0.5 * VOLATILITY * dice.exponential());
            double low = Math.min(open, close) * Math.exp(-0.5 * VOLATILITY * dice.exponential());
            long time = Times.micros(day.atStartOfDay(ZoneOffset.UTC));
            series.append(
                    time,
                    time + Times.DAY,
                    cents(open),
                    cents(high),
                    cents(low),
                    cents(close),
                    Math.rint(100_000 * Math.exp(0.4 * dice.bell())));
            price = Math.min(1e7, Math.max(1, close));
            day = day.plusDays(day.getDayOfWeek().getValue() == 5 ? 3 : 1);
        }
        return series;
    }

    /**
     * Trades made from a seed: a walk in steps of 0.01 from 100, some seconds apart, in sessions of eight hours UTC on
     * weekdays. A trade above the one before is struck at the ask, one below at the bid.
     */
    public static TickSeries ticks(long seed, int count) {
        if (count < 1) {
            throw new IllegalArgumentException("the number of ticks must be at least 1, not " + count);
        }
        Dice dice = new Dice(seed, Dice.key("synthetic ticks"));
        TickSeries ticks = new TickSeries(count);
        LocalDate day = FIRST_DAY;
        long time = Times.micros(day.atTime(8, 0).atZone(ZoneOffset.UTC));
        long price = 10_000;
        byte side = TickSeries.ASK;
        for (int tick = 0; tick < count; tick++) {
            long before = price;
            price = Math.max(100, price + Math.round(1.3 * dice.fat()));
            side = price > before ? TickSeries.ASK : price < before ? TickSeries.BID : side;
            ticks.append(time, price / 100.0, 1 + Math.round(8 * dice.exponential()), side);
            time += Math.round(2_000 * dice.exponential() + 1) * 1000;
            if (time >= Times.micros(day.atTime(16, 0).atZone(ZoneOffset.UTC))) {
                day = day.plusDays(day.getDayOfWeek().getValue() == 5 ? 3 : 1);
                time = Times.micros(day.atTime(8, 0).atZone(ZoneOffset.UTC));
                price += Math.round(20 * dice.bell());
            }
        }
        return ticks;
    }

    private static double cents(double price) {
        return Math.rint(price * 100) / 100;
    }
}
