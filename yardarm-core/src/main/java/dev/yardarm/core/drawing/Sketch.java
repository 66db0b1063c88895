package dev.yardarm.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a drawing consists of, in the coordinates of its plane: strokes, filled areas, words, and the lines that give it a
 * value at any time. Infinite coordinates mean as far as the chart goes. Does not change.
 *
 * @param broken the published rules of its figure that it breaks, each a sentence
 */
public record Sketch(
        List<Stroke> strokes, List<Area> areas, List<Note> notes, List<Course> courses, List<String> broken) {
    /** How strong a stroke is drawn. */
    public enum Part {
        /** As the drawing is styled. */
        MAIN,
        /** A hairline. */
        THIN,
        /** A dashed hairline. */
        DASHED,
        /** As the drawing is styled, with a head at its end. */
        ARROW
    }

    /**
     * Where words stand at their point. At the right edge they end there and stand on the line, or hang below it; at the left
     * edge they begin there.
     */
    public enum Side {
        ABOVE,
        BELOW,
        RIGHT,
        LEFT,
        CENTRE,
        RIGHT_EDGE,
        BELOW_EDGE,
        LEFT_EDGE
    }

    /**
     * A line through points.
     *
     * @param points u and v of each in turn
     * @param extent of a stroke through two points
     */
    public record Stroke(double[] points, Extent extent, Part part) {
        public int count() {
            return points.length / 2;
        }
    }

    /**
     * A closed polygon.
     *
     * @param points u and v of each corner in turn
     */
    public record Area(double[] points) {}

    /**
     * Words at a point.
     *
     * @param size 0 for small, 1 for the size of everything, 2 for headings
     */
    public record Note(double u, double v, String text, Side side, int size) {}

    /** A straight line with a name that gives a value at any time it reaches. */
    public record Course(String name, Point from, Point to, Extent extent) {
        /** True where it is drawn. */
        public boolean reaches(double u) {
            return (u >= Math.min(from.u(), to.u()) || extent.isLeft())
                    && (u <= Math.max(from.u(), to.u()) || extent.isRight());
        }

        /** Its height over u, also where it is not drawn; NaN when both its points lie on one bar. */
        public double at(double u) {
            return from.u() == to.u()
                    ? Double.NaN
                    : from.v() == to.v()
                            ? from.v()
                            : from.v() + (to.v() - from.v()) * ((u - from.u()) / (to.u() - from.u()));
        }
    }

    public Sketch {
        strokes = List.copyOf(strokes);
        areas = List.copyOf(areas);
        notes = List.copyOf(notes);
        courses = List.copyOf(courses);
        broken = List.copyOf(broken);
    }

    /** How broken rules are written at a drawing. */
    public static String words(List<String> broken) {
        return "broken: " + String.join("; ", broken);
    }

    /**
     * The height of the line of a name over u, that of the first line for an empty name; also where it is not drawn. A line of
     * several straight pieces has that of the piece drawn there, before its beginning of the first and after its end of the
     * last one. NaN when there is no such line.
     */
    public double at(String name, double u) {
        Course first = course(name).orElse(null);
        if (first == null) {
            return Double.NaN;
        }
        Course nearest = first;
        for (Course piece : courses) {
            boolean same = piece.name().equalsIgnoreCase(first.name())
                    && piece.from().u() != piece.to().u();
            if (same && piece.reaches(u)) {
                return piece.at(u);
            }
            if (same && Math.min(piece.from().u(), piece.to().u()) <= u) {
                nearest = piece;
            }
        }
        return nearest.at(u);
    }

    /** The line of a name; the first one for an empty name. */
    public Optional<Course> course(String name) {
        return courses.stream()
                .filter(each -> name.isEmpty() || each.name().equalsIgnoreCase(name))
                .findFirst();
    }

    /** All heights at u, from the first line to the last; without those that are not drawn there. */
    public List<Double> heights(double u) {
        List<Double> heights = new ArrayList<>();
        for (Course each : courses) {
            double height = each.reaches(u) ? each.at(u) : Double.NaN;
            if (!Double.isNaN(height)) {
                heights.add(height);
            }
        }
        return heights;
    }
}
