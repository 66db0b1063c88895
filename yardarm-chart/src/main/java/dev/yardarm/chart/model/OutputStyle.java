package dev.yardarm.chart.model;

import dev.yardarm.core.indicator.Indicator;
import java.util.Locale;

/**
 * How one output of an indicator is drawn.
 *
 * @param colour number of the colour; {@link #OF_LAYER} for that of the layer
 * @param ground where an area ends: a number, the name of another output, or empty for zero
 * @param tint another colour where a condition holds; null for none
 * @param width of its line in pixels; 0 for that of the layer
 */
public record OutputStyle(
        Indicator.Form form, int colour, Colouring colouring, String ground, Tint tint, double width) {
    /** The colour of the layer. */
    public static final int OF_LAYER = -1;

    /**
     * A colour by rule.
     *
     * @param condition a formula over the bars of the chart
     * @param colour number of the series colour where it holds
     */
    public record Tint(String condition, int colour) {}

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

    /** Without tint, areas ending at zero. */
    public OutputStyle(Indicator.Form form, int colour, Colouring colouring) {
        this(form, colour, colouring, "", null, 0);
    }

    public OutputStyle withForm(Indicator.Form newForm) {
        return new OutputStyle(newForm, colour, colouring, ground, tint, width);
    }

    public OutputStyle withColour(int newColour) {
        return new OutputStyle(form, newColour, colouring, ground, tint, width);
    }

    public OutputStyle withColouring(Colouring newColouring) {
        return new OutputStyle(form, colour, newColouring, ground, tint, width);
    }

    /** An area down or up to a number or another output; to zero when it is empty. */
    public OutputStyle withGround(String newGround) {
        return new OutputStyle(form, colour, colouring, newGround, tint, width);
    }

    public OutputStyle withTint(Tint newTint) {
        return new OutputStyle(form, colour, colouring, ground, newTint, width);
    }

    /** @param newWidth in pixels; 0 for that of the layer */
    public OutputStyle withWidth(double newWidth) {
        return new OutputStyle(form, colour, colouring, ground, tint, newWidth);
    }
}
