package dev.yardarm.chart.model;

import dev.yardarm.core.indicator.Indicator;
import java.util.Locale;

/**
 * How one output of an indicator is drawn.
 *
 * @param colour number of the series colour; {@link #OF_LAYER} for that of the layer
 */
public record OutputStyle(Indicator.Form form, int colour, Colouring colouring) {
    /** The colour of the layer. */
    public static final int OF_LAYER = -1;

    /** By what a colour is chosen bar by bar. */
    public enum Colouring {
        /** One colour. */
        PLAIN("one colour"),
        /** Above zero as a rise, below as a fall. */
        SIGN("by sign"),
        /** Where it rises as a rise, where it falls as a fall. */
        SLOPE("by slope");

        private final String words;

        Colouring(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** In files: lower case. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public OutputStyle withForm(Indicator.Form newForm) {
        return new OutputStyle(newForm, colour, colouring);
    }

    public OutputStyle withColour(int newColour) {
        return new OutputStyle(form, newColour, colouring);
    }

    public OutputStyle withColouring(Colouring newColouring) {
        return new OutputStyle(form, colour, newColouring);
    }
}
