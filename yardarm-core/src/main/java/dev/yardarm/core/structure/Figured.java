package dev.yardarm.core.structure;

import dev.yardarm.core.drawing.Anchor;
import java.util.List;
import java.util.Map;

/**
 * A finding, or a part of it, as a drawing: what the chart paints of it, and what it becomes when the trader keeps it.
 *
 * @param figure name of the kind of drawing
 * @param anchors as many as the figure takes
 * @param options of the figure; the standard for what is not there
 * @param label the words beside its last point; empty for none
 * @param above whether those words stand above the point
 * @param look how it is painted
 */
public record Figured(
        String figure, List<Anchor> anchors, Map<String, String> options, String label, boolean above, Look look) {
    /** How a part is painted. */
    public enum Look {
        /** As its layer is. */
        MAIN,
        /** What is projected from it: dotted, with its price behind the words. */
        PROJECTED,
        /** What was projected and is over: the words struck out. */
        STRUCK
    }

    /** In the look of the layer. */
    public Figured(String figure, List<Anchor> anchors, Map<String, String> options, String label, boolean above) {
        this(figure, anchors, options, label, above, Look.MAIN);
    }

    /** A price that follows from a finding, from a bar on. */
    public static Figured projected(String label, long from, double price, boolean above) {
        return new Figured("level_ray", List.of(new Anchor(from, price)), Map.of(), label, above, Look.PROJECTED);
    }

    /** Prices between which what follows from a finding may end, the nearer first, from a bar on. */
    public static Figured projected(String label, long from, double near, double far, boolean above) {
        return new Figured(
                "zone",
                List.of(new Anchor(from, near), new Anchor(from, far)),
                Map.of("extend", "right"),
                label,
                above,
                Look.PROJECTED);
    }

    /** Such a price that is reached or void since a bar. */
    public static Figured struck(String label, long from, double price, boolean above, long end) {
        return new Figured(
                "line",
                List.of(new Anchor(from, price), new Anchor(end, price)),
                Map.of("extend", "none"),
                label,
                above,
                Look.STRUCK);
    }

    public Figured {
        anchors = List.copyOf(anchors);
        options = Map.copyOf(options);
    }

    /** A line through points. */
    public static Figured line(String label, boolean above, Anchor... points) {
        return points.length == 2
                ? new Figured("line", List.of(points), Map.of("extend", "none"), label, above)
                : new Figured("polyline", List.of(points), Map.of(), label, above);
    }

    /**
     * Prices between two borders.
     *
     * @param from the open of the bar it begins on
     * @param end the open of the bar it ends on; {@link Long#MAX_VALUE} for one that goes on
     */
    public static Figured zone(String label, long from, double one, double other, long end) {
        boolean stands = end == Long.MAX_VALUE;
        return new Figured(
                "zone",
                List.of(new Anchor(from, one), new Anchor(stands ? from : end, other)),
                Map.of("extend", stands ? "right" : "none"),
                label,
                one >= other);
    }
}
