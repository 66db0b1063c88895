package dev.yardarm.core.alert;

import dev.yardarm.core.indicator.Setting;
import java.util.Locale;
import java.util.Objects;

/**
 * By how much, beside a price.
 *
 * @param amount not below zero
 * @param unit what it is counted in
 */
public record Margin(double amount, Unit unit) {
    /** Nothing. */
    public static final Margin NONE = new Margin(0, Unit.PRICE);

    /** What a margin is counted in. */
    public enum Unit {
        /** The price itself. */
        PRICE(""),
        /** The smallest step of price. */
        TICKS("ticks"),
        /** Hundredths of the price waited for. */
        PERCENT("%"),
        /** The average true range of 14 bars of the alert, at the last that closed. */
        RANGE("atr");

        private final String word;

        Unit(String word) {
            this.word = word;
        }

        /** As it is written behind the amount. */
        public String word() {
            return word;
        }
    }

    public Margin {
        Objects.requireNonNull(unit);
        if (!(amount >= 0 && amount < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("a margin is zero or more, not " + amount);
        }
    }

    /** True when it is nothing. */
    public boolean isNone() {
        return amount == 0;
    }

    /**
     * The margin in prices.
     *
     * @param level the price it stands beside
     * @param tick smallest step of price
     * @param range average true range; NaN when not known, which makes a margin counted in it NaN
     */
    public double in(double level, double tick, double range) {
        if (amount == 0) {
            return 0;
        }
        return switch (unit) {
            case PRICE -> amount;
            case TICKS -> amount * tick;
            case PERCENT -> Math.abs(level) * amount / 100;
            case RANGE -> amount * range;
        };
    }

    /** As it is written: {@code 3 ticks}, {@code 0.5 %}, {@code 1 atr}, {@code 0.2}. */
    public String words() {
        String number = Setting.Number.plain(amount);
        return unit == Unit.PRICE ? number : number + " " + (unit == Unit.TICKS && amount == 1 ? "tick" : unit.word());
    }

    /** The unit of a word as people write it: {@code tick}, {@code ticks}, {@code t}, {@code %}, {@code percent}, {@code atr}; price when empty. */
    static Unit unit(String word) {
        return switch (word.toLowerCase(Locale.ROOT)) {
            case "" -> Unit.PRICE;
            case "tick", "ticks", "t" -> Unit.TICKS;
            case "%", "percent", "per cent" -> Unit.PERCENT;
            case "atr" -> Unit.RANGE;
            default -> throw new IllegalArgumentException("'" + word + "' is no measure; write ticks, % or atr");
        };
    }
}
