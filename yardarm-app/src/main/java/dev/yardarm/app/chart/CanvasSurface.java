package dev.yardarm.app.chart;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.chart.surface.Surface;
import java.util.HashMap;
import java.util.Map;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;

/** Draws on a JavaFX canvas. */
final class CanvasSurface implements Surface {
    private static final Map<Integer, Color> COLOURS = new HashMap<>();
    private static final Map<Type, Double> DIGITS = new HashMap<>();
    private static final Text MEASURE = new Text();

    private final GraphicsContext graphics;
    private double[] xs = new double[256];
    private double[] ys = new double[256];
    private double scale = 1;

    CanvasSurface(GraphicsContext graphics) {
        this.graphics = graphics;
        graphics.setTextBaseline(VPos.CENTER);
        graphics.setLineCap(StrokeLineCap.BUTT);
        graphics.setLineJoin(StrokeLineJoin.ROUND);
    }

    void setScale(double devicePixels) {
        scale = devicePixels;
    }

    static Color colour(int argb) {
        return COLOURS.computeIfAbsent(
                argb,
                value -> Color.rgb(value >>> 16 & 0xFF, value >>> 8 & 0xFF, value & 0xFF, (value >>> 24) / 255.0));
    }

    @Override
    public double scale() {
        return scale;
    }

    @Override
    public void fillRectangles(int colour, double[] rectangles, int count) {
        graphics.setFill(colour(colour));
        for (int at = 0; at < count * 4; at += 4) {
            graphics.fillRect(rectangles[at], rectangles[at + 1], rectangles[at + 2], rectangles[at + 3]);
        }
    }

    private void split(double[] points, int count) {
        if (count > xs.length) {
            xs = new double[count * 2];
            ys = new double[count * 2];
        }
        for (int point = 0; point < count; point++) {
            xs[point] = points[2 * point];
            ys[point] = points[2 * point + 1];
        }
    }

    @Override
    public void line(int colour, double width, double[] dash, double[] points, int count) {
        split(points, count);
        graphics.setStroke(colour(colour));
        graphics.setLineWidth(width);
        graphics.setLineDashes(dash);
        boolean level = count == 2 && ys[0] == ys[1] && dash.length == 0;
        if (level) {
            double y = snap(ys[0] - width / 2) + width / 2;
            graphics.strokeLine(xs[0], y, xs[1], y);
        } else {
            graphics.strokePolyline(xs, ys, count);
        }
    }

    @Override
    public void segments(int colour, double width, double[] ends, int count) {
        if (count == 0) {
            return;
        }
        graphics.setStroke(colour(colour));
        graphics.setLineWidth(width);
        graphics.setLineDashes();
        graphics.beginPath();
        for (int at = 0; at < 4 * count; at += 4) {
            graphics.moveTo(ends[at], ends[at + 1]);
            graphics.lineTo(ends[at + 2], ends[at + 3]);
        }
        graphics.stroke();
    }

    @Override
    public void fillPolygon(int colour, double[] points, int count) {
        split(points, count);
        graphics.setFill(colour(colour));
        graphics.fillPolygon(xs, ys, count);
    }

    @Override
    public void text(String text, double x, double y, Type type, Align align, int colour) {
        graphics.setFont(Themes.font(type));
        graphics.setFill(colour(colour));
        graphics.setTextAlign(
                switch (align) {
                    case LEFT -> TextAlignment.LEFT;
                    case CENTRE -> TextAlignment.CENTER;
                    case RIGHT -> TextAlignment.RIGHT;
                });
        graphics.fillText(text, x, snap(y));
    }

    @Override
    public double textWidth(String text, Type type) {
        boolean digitsOnly = text.chars().allMatch(letter -> letter >= '0' && letter <= '9');
        if (digitsOnly) {
            return DIGITS.computeIfAbsent(type, each -> measure("0", each)) * text.length();
        }
        return measure(text, type);
    }

    /** Width of a text; on the interface's thread. */
    static double width(String text, Type type) {
        return measure(text, type);
    }

    private static double measure(String text, Type type) {
        MEASURE.setFont(Themes.font(type));
        MEASURE.setText(text);
        return MEASURE.getLayoutBounds().getWidth();
    }

    @Override
    public void beginClip(double x, double y, double width, double height) {
        graphics.save();
        graphics.beginPath();
        graphics.rect(x, y, width, height);
        graphics.clip();
    }

    @Override
    public void endClip() {
        graphics.restore();
    }
}
