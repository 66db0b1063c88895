package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Sketch;
import java.util.List;
import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.paint.Color;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;

/** What would be drawn if the next point were placed under the pointer, with its words, and its size read out beside the pointer. */
final class DrawingPreview extends Group {
    private final Path path = new Path();
    private final Group words = new Group();
    private final Group clipped = new Group(path, words);
    private final Rectangle clip = new Rectangle();
    private final Label readout = new Label();
    private Color colour;

    DrawingPreview() {
        setManaged(false);
        setMouseTransparent(true);
        setVisible(false);
        path.getStrokeDashArray().setAll(4.0, 3.0);
        readout.getStyleClass().add("axis-tag");
        clipped.setClip(clip);
        getChildren().addAll(clipped, readout);
    }

    void setColours(Color lines, Color ink) {
        path.setStroke(lines);
        colour = ink;
    }

    /** Shows a drawing; nothing for null. */
    void show(Drawing drawing, ChartModel chart, double x, double y) {
        setVisible(drawing != null);
        if (drawing == null) {
            return;
        }
        path.getElements().clear();
        DrawingShape shape = DrawingShape.of(chart, drawing);
        // Broken rules are told with the hint.
        String broken = Sketch.words(chart.places().broken(drawing));
        write(shape.words().stream().filter(each -> !each.text().equals(broken)).toList());
        for (DrawingShape.Line line : shape.lines()) {
            for (int point = 0; point < line.count(); point++) {
                double px = line.points()[2 * point];
                double py = line.points()[2 * point + 1];
                path.getElements().add(point == 0 ? new MoveTo(px, py) : new LineTo(px, py));
            }
        }
        clip.setWidth(chart.plotRight());
        clip.setY(chart.price().top());
        clip.setHeight(chart.price().bottom() - chart.price().top());
        readout.setText(words(drawing, chart));
        double width = readout.prefWidth(-1);
        readout.resizeRelocate(
                Math.max(4, Math.min(chart.plotRight() - width - 6, x + 14)), Math.max(40, y - 28), width, 18);
    }

    /** The words of the figure where they would stand, as the rules of a wave count that it would break. */
    private void write(List<DrawingShape.Words> all) {
        while (words.getChildren().size() < all.size()) {
            Text text = new Text();
            text.setTextOrigin(VPos.CENTER);
            text.getStyleClass().add("preview-words");
            words.getChildren().add(text);
        }
        for (int at = 0; at < words.getChildren().size(); at++) {
            Text text = (Text) words.getChildren().get(at);
            text.setVisible(at < all.size());
            if (at < all.size()) {
                text.setText(all.get(at).text());
                text.setFill(colour);
                text.setY(all.get(at).middle());
                double width = text.getLayoutBounds().getWidth();
                boolean rightOf = all.get(at).x() - all.get(at).left() < 1;
                boolean leftOf =
                        all.get(at).x() - all.get(at).left() > all.get(at).width() - 1;
                text.setX(
                        rightOf
                                ? all.get(at).x() + 6
                                : leftOf
                                        ? all.get(at).x() - width - 6
                                        : all.get(at).x() - width / 2);
            }
        }
    }

    /** Price, per cent, bars and angle from the last point placed to the pointer; the price alone at the first. */
    private static String words(Drawing drawing, ChartModel chart) {
        List<Anchor> points = drawing.anchors();
        Anchor to = points.get(points.size() - 1);
        var format = chart.instrument().orElseThrow().format();
        if (points.size() < 2) {
            return format.format(to.price());
        }
        Anchor from = points.get(points.size() - 2);
        int bars = chart.axis().bar(to.time()) - chart.axis().bar(from.time());
        double rise = chart.price().y(from.price()) - chart.price().y(to.price());
        double angle =
                Math.toDegrees(Math.atan2(rise, Math.abs(bars) * chart.time().barWidth()));
        return format.format(to.price()) + "  " + Readout.percent(to.price() / from.price() - 1) + "  " + bars
                + (Math.abs(bars) == 1 ? " bar  " : " bars  ") + String.format(Locale.ROOT, "%.0f°", angle);
    }
}
