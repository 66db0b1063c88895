package dev.yardarm.core.bars;

import java.util.Locale;

/** How large a brick or a box is. */
public sealed interface BoxSize {
    /** So many ticks of the instrument. */
    record Fixed(double ticks) implements BoxSize {
        public Fixed {
            if (!(ticks > 0)) {
                throw new IllegalArgumentException("a size in ticks must be above zero, not " + text(ticks));
            }
        }

        @Override
        public String toString() {
            return text(ticks);
        }
    }

    /** A part of the price, in per cent: every level lies so much above the one below. */
    record Percent(double percent) implements BoxSize {
        public Percent {
            if (!(percent > 0 && percent <= 50)) {
                throw new IllegalArgumentException(
                        "a size in per cent must be above 0 and at most 50, not " + text(percent));
            }
        }

        @Override
        public String toString() {
            return text(percent) + "%";
        }
    }

    /** The average true range of the last {@code length} bars the kind is made from, as known then. */
    record AverageRange(int length) implements BoxSize {
        public AverageRange {
            if (length < 1 || length > 1000) {
                throw new IllegalArgumentException("an average true range needs a length of 1 to 1000, not " + length);
            }
        }

        @Override
        public String toString() {
            return "atr" + length;
        }
    }

    /** Reads {@code 20}, {@code 0.5%} or {@code atr14}. */
    static BoxSize parse(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        try {
            if (word.startsWith("atr")) {
                return new AverageRange(word.length() == 3 ? 14 : Integer.parseInt(word.substring(3)));
            }
            return word.endsWith("%")
                    ? new Percent(Double.parseDouble(word.substring(0, word.length() - 1)))
                    : new Fixed(Double.parseDouble(word));
        } catch (NumberFormatException notANumber) {
            throw new IllegalArgumentException(
                    "'" + text + "' is not a size; write it in ticks (20), in per cent (0.5%) "
                            + "or as an average true range (atr14)");
        }
    }

    private static String text(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e15
                ? String.valueOf((long) number)
                : String.valueOf(number);
    }
}
