package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;

/** One thing about an indicator that its user may choose. */
public sealed interface Setting {
    /** Name in formulas and files: one lower-case word. */
    String name();

    /** Name for people. */
    String label();

    /** The value it has unless told otherwise, as text. */
    String standard();

    /** The text in its plain form when it is a good value; otherwise an error that says what would be. */
    String checked(String text);

    /** A whole number between two bounds, both allowed. */
    record WholeNumber(String name, String label, int standardValue, int least, int most) implements Setting {
        @Override
        public String standard() {
            return String.valueOf(standardValue);
        }

        @Override
        public String checked(String text) {
            int value;
            try {
                value = Integer.parseInt(text.trim());
            } catch (NumberFormatException notANumber) {
                throw new IllegalArgumentException(name + " must be a whole number from " + least + " to " + most
                        + ", not '" + text + "'");
            }
            if (value < least || value > most) {
                throw new IllegalArgumentException(name + " must be from " + least + " to " + most + ", not " + value);
            }
            return String.valueOf(value);
        }
    }

    /** The field of the bar that is read. */
    record Source(String name, String label, Field standardField) implements Setting {
        @Override
        public String standard() {
            return standardField.word();
        }

        @Override
        public String checked(String text) {
            return Field.named(text.trim()).orElseThrow(() -> new IllegalArgumentException(
                    name + " must be a field of the bar such as close or high, not '" + text + "'")).word();
        }
    }
}
