package dev.yardarm.chart.model;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.drawing.Sketch;
import dev.yardarm.core.series.Bars;
import java.util.List;

/**
 * What a drawing consists of, kept from frame to frame, with the box around it: one that cannot be in view costs a few
 * comparisons.
 *
 * @param anchors running number of the bar of each anchor
 * @param heights of the anchors, in the plane
 * @param bars those it was made from, for a figure that reads bars
 * @param wide pixels its longest words reach beside their point at most; 0 without words
 * @param among the drawings it stands among, for words that tell what another one is worth
 */
record Outline(
        Sketch sketch,
        Plane plane,
        double[] anchors,
        double[] heights,
        Bars bars,
        List<Drawing> among,
        double wide,
        double left,
        double right,
        double low,
        double high) {
    /** How wide a letter is at most, and how far words stand off their point. */
    private static final double LETTER = 7.5;

    private static final double GAP = 12;

    static Outline of(Drawing drawing, Sketch sketch, Plane plane, Bars bars, List<Drawing> among) {
        double[] box = {
            Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY
        };
        for (Sketch.Stroke stroke : sketch.strokes()) {
            take(stroke.points(), box);
            boolean level = stroke.count() == 2 && stroke.points()[1] == stroke.points()[3];
            if (stroke.extent().isRight()) {
                box[1] = Double.POSITIVE_INFINITY;
            }
            if (stroke.extent().isLeft()) {
                box[0] = Double.NEGATIVE_INFINITY;
            }
            if ((stroke.extent().isRight() || stroke.extent().isLeft()) && !level) {
                box[2] = Double.NEGATIVE_INFINITY;
                box[3] = Double.POSITIVE_INFINITY;
            }
        }
        sketch.areas().forEach(area -> take(area.points(), box));
        sketch.notes().forEach(note -> take(new double[] {note.u(), note.v()}, box));
        double[] anchors = drawing.anchors().stream()
                .mapToDouble(anchor -> plane.u(anchor.time()))
                .toArray();
        double[] heights = drawing.anchors().stream()
                .mapToDouble(anchor -> plane.v(anchor.price()))
                .toArray();
        for (int anchor = 0; anchor < anchors.length; anchor++) {
            take(new double[] {anchors[anchor], heights[anchor]}, box);
        }
        boolean tells = drawing.tellsValues();
        return new Outline(
                sketch,
                plane,
                anchors,
                heights,
                drawing.figure().readsBars() || tells ? bars : null,
                tells ? among : null,
                wide(sketch),
                box[0],
                box[1],
                box[2],
                box[3]);
    }

    private static double wide(Sketch sketch) {
        return sketch.notes().stream()
                .mapToDouble(note -> LETTER * note.text().length() + GAP)
                .max()
                .orElse(0);
    }

    private static void take(double[] points, double[] box) {
        for (int at = 0; at < points.length; at += 2) {
            box[0] = Math.min(box[0], points[at]);
            box[1] = Math.max(box[1], points[at]);
            box[2] = Math.min(box[2], points[at + 1]);
            box[3] = Math.max(box[3], points[at + 1]);
        }
    }

    /**
     * True when a line of it may pass between two bars and two heights: a straight one is looked at where it is between the
     * bars, so that one that only goes on somewhere else is ruled out.
     */
    boolean passes(double from, double to, double lowest, double highest) {
        for (Sketch.Stroke stroke : sketch.strokes()) {
            double[] points = stroke.points();
            for (int at = 2; at < points.length; at += 2) {
                if (passes(
                        points, at, stroke.count() == 2 ? stroke.extent() : Extent.NONE, from, to, lowest, highest)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean passes(
            double[] points, int at, Extent extent, double from, double to, double lowest, double highest) {
        boolean forward = points[at - 2] <= points[at];
        double firstU = forward ? points[at - 2] : points[at];
        double lastU = forward ? points[at] : points[at - 2];
        double firstV = forward ? points[at - 1] : points[at + 1];
        double lastV = forward ? points[at + 1] : points[at - 1];
        if (from > lastU && !extent.isRight() || to < firstU && !extent.isLeft()) {
            return false;
        }
        if (firstU == lastU || Double.isInfinite(firstV) || Double.isInfinite(lastV)) {
            return Math.min(firstV, lastV) <= highest && Math.max(firstV, lastV) >= lowest;
        }
        double slope = (lastV - firstV) / (lastU - firstU);
        double one = firstV + slope * ((extent.isLeft() ? from : Math.max(from, firstU)) - firstU);
        double other = firstV + slope * ((extent.isRight() ? to : Math.min(to, lastU)) - firstU);
        return Math.min(one, other) <= highest && Math.max(one, other) >= lowest;
    }

    /** True when something of it may lie between two bars and two heights. */
    boolean meets(double from, double to, double lowest, double highest) {
        return left <= to && right >= from && low <= highest && high >= lowest;
    }
}
