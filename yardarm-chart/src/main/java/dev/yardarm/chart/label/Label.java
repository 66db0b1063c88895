package dev.yardarm.chart.label;

import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.List;

/**
 * A text that wants a place on a chart.
 *
 * @param owner id of the drawing it belongs to; empty for none
 * @param text what it says
 * @param shorter what it says where there is less room; the same for what cannot be shortened
 * @param colour of the text
 * @param plate colour behind it; 0 for none
 * @param rank who is placed first: the lower
 * @param nearness among equals, how far from the last price it is, in pixels: the nearer first
 * @param area where it has to stay, the plot of its pane
 * @param spots where it would like to stand, the dearest first
 * @param struck whether a stroke goes through it: what it says is over
 */
public record Label(
        String owner,
        String text,
        String shorter,
        Type type,
        int colour,
        int plate,
        Rank rank,
        double nearness,
        Box area,
        List<Spot> spots,
        boolean struck) {
    /** One that holds. */
    public Label(
            String owner,
            String text,
            String shorter,
            Type type,
            int colour,
            int plate,
            Rank rank,
            double nearness,
            Box area,
            List<Spot> spots) {
        this(owner, text, shorter, type, colour, plate, rank, nearness, area, spots, false);
    }

    /** The same, struck out. */
    public Label strike() {
        return new Label(owner, text, shorter, type, colour, plate, rank, nearness, area, spots, true);
    }

    /** Whose text comes before whose. */
    public enum Rank {
        CHOSEN,
        PLAN,
        ALERT,
        /** Words the trader wrote himself. */
        WORDS,
        LEVEL,
        REST,
        /** Left out in silence where there is no room: it can be read elsewhere. */
        SPARE
    }

    /**
     * A place for a text.
     *
     * @param x its left, middle or right, as aligned
     * @param y its middle height
     */
    public record Spot(double x, double y, Align align) {
        double left(double width) {
            return switch (align) {
                case LEFT -> x;
                case CENTRE -> x - width / 2;
                case RIGHT -> x - width;
            };
        }
    }

    public Label {
        spots = List.copyOf(spots);
    }

    /** How high a line of a size of type is. */
    public static double height(Type type) {
        return switch (type) {
            case SMALL -> 14;
            case BASE -> 16;
            case STRONG -> 19;
        };
    }
}
