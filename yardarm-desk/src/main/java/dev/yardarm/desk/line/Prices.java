package dev.yardarm.desk.line;

import dev.yardarm.core.instrument.PriceFormat;

/** Prices as they are typed in a line: numbers with a point or a comma, and 32nds as bonds are written. */
final class Prices {
    private static final PriceFormat ANY = new PriceFormat(6, 1.0 / 128, PriceFormat.Style.THIRTY_SECONDS);

    private Prices() {}

    /** @throws NumberFormatException with words for the user */
    static double parse(String word) {
        return ANY.parse(word);
    }

    static boolean isPrice(String word) {
        try {
            parse(word);
            return true;
        } catch (NumberFormatException other) {
            return false;
        }
    }
}
