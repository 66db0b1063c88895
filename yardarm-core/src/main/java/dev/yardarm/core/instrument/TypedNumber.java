package dev.yardarm.core.instrument;

import java.util.regex.Pattern;

/**
 * Numbers as people type them: with a point or a comma before decimals, with thousands grouped, with any of the signs for minus.
 * What may mean two numbers is refused with both.
 */
public final class TypedNumber {
    private static final Pattern PLAIN = Pattern.compile("[-+]?(\\d+\\.?\\d*|\\.\\d+)");

    private TypedNumber() {}

    /**
     * Reads a number.
     *
     * @throws NumberFormatException with words for the user: what it is not, or which two it may be
     */
    public static double parse(String text) {
        String word = text.strip()
                .replace('\u2212', '-')
                .replace("\u00A0", "")
                .replace("\u202F", "")
                .replace(" ", "")
                .replace("'", "")
                .replace("\u2019", "");
        int commas = count(word, ',');
        int points = count(word, '.');
        if (commas > 0 && points > 0) {
            boolean comma = word.lastIndexOf(',') > word.lastIndexOf('.');
            word = comma ? word.replace(".", "").replace(',', '.') : word.replace(",", "");
        } else if (commas == 1) {
            if (word.matches("[-+]?[1-9]\\d{0,2},\\d{3}")) {
                throw new NumberFormatException("'" + text.strip() + "' may be " + word.replace(',', '.') + " or "
                        + word.replace(",", "") + "; write it without a comma");
            }
            word = word.replace(',', '.');
        } else if (commas > 1) {
            word = word.matches("[-+]?\\d{1,3}(,\\d{3})+") ? word.replace(",", "") : "";
        }
        if (!PLAIN.matcher(word).matches() || word.length() > 40) {
            throw new NumberFormatException("'" + text.strip() + "' is not a number");
        }
        return Double.parseDouble(word);
    }

    private static int count(String text, char sign) {
        return (int) text.chars().filter(each -> each == sign).count();
    }
}
