package dev.yardarm.core.instrument;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How an instrument's prices are written and which steps they take.
 *
 * @param decimals digits after the point
 * @param tick smallest step of the price
 * @param style decimals, fractions of 32, or pips
 */
public record PriceFormat(int decimals, double tick, Style style) {
    /** In which units a price is written and differences are counted. */
    public enum Style {
        DECIMALS,
        /** Whole points and 32nds with a stroke between, halves and quarters of a 32nd behind: {@code 103-16+}. */
        THIRTY_SECONDS,
        /** Decimals, of which the last but one is the pip that differences are counted in. */
        PIPS
    }

    public PriceFormat {
        if (decimals < 0 || decimals > 10 || !(tick > 0)) {
            throw new IllegalArgumentException("a price format needs 0 to 10 decimals and a tick above zero");
        }
    }

    public PriceFormat(int decimals, double tick) {
        this(decimals, tick, Style.DECIMALS);
    }

    public static PriceFormat ofDecimals(int decimals) {
        return new PriceFormat(decimals, Double.parseDouble("1e-" + decimals));
    }

    /** The price in the instrument's own units, an en dash when it is missing. */
    public String format(double price) {
        if (!Double.isFinite(price)) {
            return "–";
        }
        return style == Style.THIRTY_SECONDS ? thirtySeconds(price) : Decimals.of(price, decimals);
    }

    /** Eighths of a 32nd at most: a plus is a half, a 2 a quarter and a 6 three quarters, as the trade writes them. */
    private String thirtySeconds(double price) {
        long quarters = Math.round(Math.abs(price) * 128);
        long whole = quarters / 128;
        long part = quarters % 128 / 4;
        String rest =
                switch ((int) (quarters % 4)) {
                    case 1 -> "2";
                    case 2 -> "+";
                    case 3 -> "6";
                    default -> "";
                };
        return (price < 0 ? "-" : "") + whole + "-" + (part < 10 ? "0" : "") + part + rest;
    }

    /**
     * Reads a price as {@link #format} writes it, or as a number as people type it.
     *
     * @throws NumberFormatException with words for the user
     */
    public double parse(String text) {
        String word = text.strip().replace('\u2212', '-');
        if (style == Style.THIRTY_SECONDS) {
            Matcher bond = BOND.matcher(word);
            if (bond.matches()) {
                return thirtySeconds(bond, text);
            }
        }
        try {
            return TypedNumber.parse(text);
        } catch (NumberFormatException bad) {
            throw style == Style.THIRTY_SECONDS && bad.getMessage().endsWith("is not a number")
                    ? new NumberFormatException(bad.getMessage() + "; write 103-16+ or 103.515625")
                    : bad;
        }
    }

    /** Whole points, a stroke, 32nds of two digits, and behind them a plus or 5 for a half, 2 and 6 (or 7) for quarters. */
    private static final Pattern BOND = Pattern.compile("(-?)(\\d+)[-'](\\d{1,2})([+02567]?)");

    private static double thirtySeconds(Matcher bond, String text) {
        int part = Integer.parseInt(bond.group(3));
        if (part > 31) {
            throw new NumberFormatException("'" + text.strip() + "' has " + part + " 32nds; there are 0 to 31");
        }
        double rest =
                switch (bond.group(4)) {
                    case "+", "5" -> 0.5;
                    case "2" -> 0.25;
                    case "6", "7" -> 0.75;
                    default -> 0;
                };
        double price = Double.parseDouble(bond.group(2)) + (part + rest) / 32;
        return bond.group(1).isEmpty() ? price : -price;
    }

    /** A difference of prices in the instrument's own units: pips for pairs, else as prices are written. */
    public String distance(double difference) {
        return style == Style.PIPS ? Decimals.of(difference / step(), 1) + " pips" : format(difference);
    }

    /** The unit differences are counted in: a pip or a tick. */
    public double step() {
        return style == Style.PIPS ? Double.parseDouble("1e-" + Math.max(0, decimals - 1)) : tick;
    }

    /** What {@link #step} is called, in the plural. */
    public String stepWord() {
        return style == Style.PIPS ? "pips" : "ticks";
    }

    /** The price moved to the nearest tick, free of binary dust. */
    public double round(double price) {
        if (!Double.isFinite(price)) {
            return price;
        }
        BigDecimal step = BigDecimal.valueOf(tick);
        return BigDecimal.valueOf(price)
                .divide(step, 0, RoundingMode.HALF_UP)
                .multiply(step)
                .doubleValue();
    }
}
