package dev.yardarm.core.instrument;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;

/**
 * How an instrument's prices are written and which steps they take.
 *
 * @param decimals digits after the point
 * @param tick smallest step of the price
 */
public record PriceFormat(int decimals, double tick) {
    public PriceFormat {
        if (decimals < 0 || decimals > 10 || !(tick > 0)) {
            throw new IllegalArgumentException("a price format needs 0 to 10 decimals and a tick above zero");
        }
    }

    public static PriceFormat ofDecimals(int decimals) {
        return new PriceFormat(decimals, Double.parseDouble("1e-" + decimals));
    }

    /** The price with the instrument's decimals, an en dash when it is missing. */
    public String format(double price) {
        return Double.isFinite(price) ? String.format(Locale.ROOT, "%." + decimals + "f", price) : "–";
    }

    /** The price moved to the nearest tick, free of binary dust. */
    public double round(double price) {
        if (!Double.isFinite(price)) {
            return price;
        }
        BigDecimal step = BigDecimal.valueOf(tick);
        return BigDecimal.valueOf(price).divide(step, 0, RoundingMode.HALF_UP).multiply(step).doubleValue();
    }
}
