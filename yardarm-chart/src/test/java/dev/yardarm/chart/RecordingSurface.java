package dev.yardarm.chart;

import dev.yardarm.chart.surface.Surface;
import java.util.ArrayList;
import java.util.List;

/** Remembers what is drawn on it. */
final class RecordingSurface implements Surface {
    record Rectangle(int colour, double x, double y, double width, double height) {}

    record Line(int colour, double[] dash, double[] points, int count) {
        boolean isDotted() {
            return dash.length == 2 && dash[0] == 2 && dash[1] == 1.5;
        }
    }

    /** A text with the box it takes. */
    record Written(String text, double left, double top, double right, double bottom) {
        boolean meets(Written other) {
            return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
        }
    }

    final List<Written> written = new ArrayList<>();
    int segments;
    final List<Rectangle> rectangles = new ArrayList<>();
    final List<double[]> polygons = new ArrayList<>();
    final List<Line> lines = new ArrayList<>();
    final List<String> texts = new ArrayList<>();
    private final double scale;

    RecordingSurface(double scale) {
        this.scale = scale;
    }

    @Override
    public double scale() {
        return scale;
    }

    @Override
    public void fillRectangles(int colour, double[] values, int count) {
        for (int at = 0; at < count * 4; at += 4) {
            rectangles.add(new Rectangle(colour, values[at], values[at + 1], values[at + 2], values[at + 3]));
        }
    }

    @Override
    public void line(int colour, double width, double[] dash, double[] points, int count) {
        lines.add(new Line(colour, dash, points.clone(), count));
    }

    @Override
    public void segments(int colour, double width, double[] ends, int count) {
        segments += count;
    }

    @Override
    public void fillPolygon(int colour, double[] points, int count) {
        polygons.add(points.clone());
        lines.add(new Line(colour, new double[0], points.clone(), count));
    }

    @Override
    public void text(String text, double x, double y, Type type, Align align, int colour) {
        texts.add(text);
        double width = textWidth(text, type);
        double left = align == Align.LEFT ? x : align == Align.RIGHT ? x - width : x - width / 2;
        double half = type == Type.SMALL ? 5.5 : type == Type.BASE ? 6 : 6.5;
        written.add(new Written(text, left, y - half, left + width, y + half));
    }

    @Override
    public double textWidth(String text, Type type) {
        return text.length() * 6.5;
    }

    @Override
    public void beginClip(double x, double y, double width, double height) {
        // nothing to remember
    }

    @Override
    public void endClip() {
        // nothing to remember
    }
}
