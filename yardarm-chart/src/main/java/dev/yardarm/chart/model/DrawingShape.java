package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.drawing.Sketch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A drawing in the pixels of a chart: its lines, areas, words and handles as far as they are in view. Lines are cut off a
 * bar beyond the edges; where the bars of the chart are not as even as those it was drawn on, or the scale is another, a
 * straight line of the drawing becomes one through every bar.
 */
public final class DrawingShape {
    /** A line through points, x and y of each in turn. */
    public record Line(double[] points, Sketch.Part part) {
        public int count() {
            return points.length / 2;
        }
    }

    /** Words at a point. */
    public record Words(double x, double y, String text, Sketch.Side side, int size) {
        /** Words are as wide as they are long; near enough for a hand. */
        public double width() {
            return 6.2 * text.length();
        }

        public double left() {
            return switch (side) {
                case RIGHT, LEFT_EDGE -> x;
                case LEFT, RIGHT_EDGE, BELOW_EDGE -> x - width();
                default -> x - width() / 2;
            };
        }

        public double middle() {
            return switch (side) {
                case ABOVE -> y - 10;
                case RIGHT_EDGE, LEFT_EDGE -> y - 7;
                case BELOW -> y + 10;
                case BELOW_EDGE -> y + 7;
                default -> y;
            };
        }
    }

    private final ChartModel chart;
    private final PlaneView view;
    private final Plane plane;
    private final PriceScale scale;
    private final boolean bends;
    private final List<Line> lines = new ArrayList<>();
    private final List<double[]> areas = new ArrayList<>();
    private final List<Words> words = new ArrayList<>();
    private final double[] handles;

    private DrawingShape(ChartModel chart, Drawing drawing, Outline outline) {
        this.chart = chart;
        plane = outline.plane();
        Sketch sketch = outline.sketch();
        view = chart.places().planeView(drawing.origin());
        scale = chart.price();
        bends = !view.isEven() || drawing.logarithmic() != scale.isLogarithmic();
        for (Sketch.Stroke stroke : sketch.strokes()) {
            stroke(stroke);
        }
        for (Sketch.Area area : sketch.areas()) {
            area(area.points());
        }
        for (Sketch.Note note : sketch.notes()) {
            boolean endless = Double.isInfinite(note.u());
            double at = !endless
                    ? x(note.u())
                    : note.u() > 0 ? chart.plotRight() : chart.time().left() + 4;
            if (endless && !isCrossed(at, y(note.v()))) {
                // Words of what goes on without end stand at the edge it crosses, when it does.
                continue;
            }
            words.add(new Words(at, y(note.v()), note.text(), note.side(), note.size()));
        }
        handles = new double[2 * drawing.anchors().size()];
        for (int anchor = 0; anchor < drawing.anchors().size(); anchor++) {
            Anchor at = drawing.anchors().get(anchor);
            handles[2 * anchor] = x(outline.anchors()[anchor]);
            handles[2 * anchor + 1] = scale.y(at.price());
        }
    }

    /** The line that passes a point, or comes nearest to it within three pixels; null when none does. */
    public Line lineAt(double x, double y) {
        Line found = null;
        double least = 3;
        for (Line line : lines) {
            for (int point = 1; point < line.count(); point++) {
                double away = distance(line.points(), point, x, y);
                if (away < least) {
                    least = away;
                    found = line;
                }
            }
        }
        return found;
    }

    /** True when one of its lines passes over a point. */
    private boolean isCrossed(double x, double y) {
        for (Line line : lines) {
            for (int point = 1; point < line.count(); point++) {
                if (distance(line.points(), point, x, y) < 1) {
                    return true;
                }
            }
        }
        return false;
    }

    /** The shape of a drawing on a chart as it is now. */
    public static DrawingShape of(ChartModel chart, Drawing drawing) {
        return new DrawingShape(chart, drawing, chart.places().outline(drawing));
    }

    public List<Line> lines() {
        return lines;
    }

    /** Polygons, x and y of each corner in turn. */
    public List<double[]> areas() {
        return areas;
    }

    public List<Words> words() {
        return words;
    }

    /** X and y of each anchor in turn. */
    public double[] handles() {
        return handles;
    }

    private double x(double u) {
        return u == Double.NEGATIVE_INFINITY
                ? chart.time().left() - 10
                : u == Double.POSITIVE_INFINITY ? chart.plotRight() + 10 : view.x(u);
    }

    private double y(double v) {
        if (Double.isInfinite(v)) {
            boolean high = v > 0 != scale.inverted();
            return high ? scale.top() - 10 : scale.bottom() + 10;
        }
        return scale.y(plane.price(v));
    }

    private void stroke(Sketch.Stroke stroke) {
        double[] points = stroke.points();
        if (stroke.count() == 2 && points[0] != points[2]) {
            straight(points, stroke);
        } else if (stroke.count() == 2) {
            lines.add(new Line(new double[] {x(points[0]), y(points[1]), x(points[2]), y(points[3])}, stroke.part()));
        } else {
            lines.add(new Line(bends ? bent(points) : pixels(points), stroke.part()));
        }
    }

    /** Pieces between points, each through every bar, as far as they are in view. */
    private double[] bent(double[] points) {
        List<double[]> pieces = new ArrayList<>();
        for (int at = 2; at < points.length; at += 2) {
            pieces.add(piece(points, at - 2, at));
        }
        pieces.add(new double[] {x(points[points.length - 2]), y(points[points.length - 1])});
        return joined(pieces);
    }

    private static double[] joined(List<double[]> pieces) {
        double[] line =
                new double[pieces.stream().mapToInt(piece -> piece.length).sum()];
        int count = 0;
        for (double[] piece : pieces) {
            System.arraycopy(piece, 0, line, count, piece.length);
            count += piece.length;
        }
        return line;
    }

    /** From one corner to the one before another, through every bar between them that is in view. */
    private double[] piece(double[] corners, int from, int to) {
        double fromU = Math.max(view.left(), Math.min(view.right(), corners[from]));
        double toU = Math.max(view.left(), Math.min(view.right(), corners[to]));
        double[] marks = within(Math.min(fromU, toU), Math.max(fromU, toU));
        double[] piece = new double[2 + 2 * marks.length];
        piece[0] = x(corners[from]);
        piece[1] = y(corners[from + 1]);
        for (int at = 0; at < marks.length; at++) {
            double u = fromU < toU ? marks[at] : marks[marks.length - 1 - at];
            double part = Double.isInfinite(corners[from]) || Double.isInfinite(corners[to])
                    ? 0
                    : (u - corners[from]) / (corners[to] - corners[from]);
            piece[2 + 2 * at] = view.x(u);
            piece[3 + 2 * at] = corners[from + 1] == corners[to + 1]
                    ? y(corners[from + 1])
                    : y(corners[from + 1] + part * (corners[to + 1] - corners[from + 1]));
        }
        return piece;
    }

    /** A straight stroke, cut off beyond the edges, going on where it is to. */
    private void straight(double[] points, Sketch.Stroke stroke) {
        boolean forward = points[0] <= points[2];
        double firstU = forward ? points[0] : points[2];
        double firstV = forward ? points[1] : points[3];
        double lastU = forward ? points[2] : points[0];
        double lastV = forward ? points[3] : points[1];
        double slope = (lastV - firstV) / (lastU - firstU);
        double margin = view.right() - view.left();
        double from =
                Math.max(stroke.extent().isLeft() ? Double.NEGATIVE_INFINITY : firstU, view.left() - 0.1 * margin);
        double to = Math.min(stroke.extent().isRight() ? Double.POSITIVE_INFINITY : lastU, view.right() + 0.1 * margin);
        if (from > to) {
            return;
        }
        double[] marks = bends ? within(from, to) : new double[0];
        double[] line = new double[2 * marks.length + 4];
        int count = 0;
        for (int at = -1; at <= marks.length; at++) {
            double u = at < 0 ? from : at == marks.length ? to : marks[at];
            line[count++] = view.x(u);
            line[count++] = y(firstV + slope * (u - firstU));
        }
        if (!forward) {
            reverse(line);
        }
        lines.add(new Line(line, stroke.part()));
    }

    /** So that a head stays at the end it belongs to. */
    private static void reverse(double[] line) {
        double[] copy = line.clone();
        int count = line.length / 2;
        for (int point = 0; point < count; point++) {
            line[2 * point] = copy[2 * (count - 1 - point)];
            line[2 * point + 1] = copy[2 * (count - 1 - point) + 1];
        }
    }

    private double[] within(double from, double to) {
        double[] marks = view.marks();
        int first = Arrays.binarySearch(marks, from);
        int last = Arrays.binarySearch(marks, to);
        first = first >= 0 ? first + 1 : -first - 1;
        last = last >= 0 ? last : -last - 1;
        return first < last ? Arrays.copyOfRange(marks, first, last) : new double[0];
    }

    private void area(double[] corners) {
        if (!bends) {
            areas.add(pixels(corners));
            return;
        }
        // Each edge through every bar, as the lines along it.
        List<double[]> edges = new ArrayList<>();
        for (int corner = 0; corner < corners.length; corner += 2) {
            edges.add(piece(corners, corner, (corner + 2) % corners.length));
        }
        areas.add(joined(edges));
    }

    private double[] pixels(double[] points) {
        double[] pixels = new double[points.length];
        for (int at = 0; at < points.length; at += 2) {
            pixels[at] = x(points[at]);
            pixels[at + 1] = y(points[at + 1]);
        }
        return pixels;
    }

    /** How far a point is from the nearest of its lines, in pixels. */
    public double distance(double x, double y) {
        double least = Double.POSITIVE_INFINITY;
        for (Line line : lines) {
            for (int point = 1; point < line.count(); point++) {
                least = Math.min(least, distance(line.points(), point, x, y));
            }
        }
        return least;
    }

    /** True when a line, a handle or words of it lie in a box. */
    public boolean meets(double left, double top, double right, double bottom) {
        for (int at = 0; at < handles.length; at += 2) {
            if (handles[at] >= left && handles[at] <= right && handles[at + 1] >= top && handles[at + 1] <= bottom) {
                return true;
            }
        }
        for (Line line : lines) {
            double[] points = line.points();
            for (int at = 2; at < points.length; at += 2) {
                if (passes(points, at, left, top, right, bottom)) {
                    return true;
                }
            }
        }
        return words.stream()
                .anyMatch(each -> each.left() <= right
                        && each.left() + each.width() >= left
                        && each.middle() >= top
                        && each.middle() <= bottom);
    }

    /** True when the piece of a line up to a point has a part in a box: what is left of it between the edges. */
    private static boolean passes(double[] points, int at, double left, double top, double right, double bottom) {
        double from = 0;
        double to = 1;
        double[][] sides = {{points[at - 2], points[at], left, right}, {points[at - 1], points[at + 1], top, bottom}};
        for (double[] side : sides) {
            double along = side[1] - side[0];
            if (along == 0) {
                if (side[0] < side[2] || side[0] > side[3]) {
                    return false;
                }
            } else {
                double one = (side[2] - side[0]) / along;
                double other = (side[3] - side[0]) / along;
                from = Math.max(from, Math.min(one, other));
                to = Math.min(to, Math.max(one, other));
            }
        }
        return from <= to;
    }

    private static double distance(double[] line, int point, double x, double y) {
        double startX = line[2 * point - 2];
        double startY = line[2 * point - 1];
        double alongX = line[2 * point] - startX;
        double alongY = line[2 * point + 1] - startY;
        double length = alongX * alongX + alongY * alongY;
        double part = length == 0 ? 0 : ((x - startX) * alongX + (y - startY) * alongY) / length;
        double held = Math.max(0, Math.min(1, part));
        return Math.hypot(startX + held * alongX - x, startY + held * alongY - y);
    }
}
