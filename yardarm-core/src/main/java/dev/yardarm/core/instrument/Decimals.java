package dev.yardarm.core.instrument;

import java.nio.charset.StandardCharsets;
import java.util.Locale;

/**
 * Numbers with a fixed count of decimals, the same as {@code String.format(Locale.ROOT, "%.2f", value)} writes, in a twentieth
 * of the time: readouts, axes and lists write thousands of them a second.
 *
 * <p>The value is scaled and rounded in a double where that cannot go wrong: the scaled value is below 10<sup>12</sup>, so that
 * its fraction is known to a thousandth, and that fraction is not near a half. Near a half the decimal digits of the double decide,
 * which is left to the formatter; so is everything larger, and what is not a number.
 */
public final class Decimals {
    private static final double[] POWERS = {1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10};
    private static final double MOST = 1e12;
    private static final double NEAR_HALF = 1e-3;

    private Decimals() {}

    /**
     * @param value any number; missing and infinite ones are written as the formatter does
     * @param decimals digits after the point, 0 to 10
     * @throws ArrayIndexOutOfBoundsException for more decimals
     */
    public static String of(double value, int decimals) {
        double scaled = Math.abs(value) * POWERS[decimals];
        long units = (long) scaled;
        double fraction = scaled - units;
        // Written so that what is not a number is not below.
        if (!(scaled < MOST) || Math.abs(fraction - 0.5) < NEAR_HALF) {
            return String.format(Locale.ROOT, "%." + decimals + "f", value);
        }
        if (fraction > 0.5) {
            units++;
        }
        // From the last digit to the first: at most 14 digits with their zeros in front, a point and a sign.
        byte[] text = new byte[32];
        int at = text.length;
        int written = 0;
        while (written <= decimals || units > 0) {
            if (written == decimals && decimals > 0) {
                text[--at] = '.';
            }
            text[--at] = (byte) ('0' + units % 10);
            units /= 10;
            written++;
        }
        if (value < 0 || value == 0 && 1 / value < 0) {
            text[--at] = '-';
        }
        return new String(text, at, text.length - at, StandardCharsets.ISO_8859_1);
    }
}
