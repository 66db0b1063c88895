package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Measure;
import dev.yardarm.chart.surface.Palette;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;

/** The measure: a frame from one point to the pointer, with what lies between them in words. */
final class MeasureLayer extends Pane {
    private final ChartModel chart;
    private final Region frame = new Region();
    private final Line diagonal = new Line();
    private final Label text = new Label();
    private boolean on;
    private boolean snapping = true;
    private double fromX;
    private double fromY;
    private double toX;
    private double toY;

    MeasureLayer(ChartModel chart) {
        this.chart = chart;
        setManaged(false);
        setMouseTransparent(true);
        frame.getStyleClass().add("measure-frame");
        text.getStyleClass().add("measure-text");
        text.setId("measure");
        diagonal.getStrokeDashArray().setAll(4.0, 3.0);
        for (var part : new javafx.scene.Node[] {frame, diagonal, text}) {
            part.setManaged(false);
            part.setVisible(false);
        }
        getChildren().addAll(frame, diagonal, text);
    }

    void setPalette(Palette palette) {
        diagonal.setStroke(CanvasSurface.colour(palette.of(Palette.Role.INK)));
    }

    boolean isOn() {
        return on;
    }

    void start(double x, double y) {
        on = true;
        fromX = x;
        fromY = y;
        toX = x;
        toY = y;
        update();
    }

    /** Begins at another point. */
    void from(double x, double y, boolean snap) {
        snapping = snap;
        start(x, y);
    }

    void to(double x, double y, boolean snap) {
        if (on) {
            snapping = snap;
            toX = Math.max(0, Math.min(chart.plotRight(), x));
            toY = Math.max(chart.price().top(), Math.min(chart.price().bottom(), y));
            update();
        }
    }

    void stop() {
        on = false;
        update();
    }

    void update() {
        boolean shown = on && !chart.bars().isEmpty();
        frame.setVisible(shown);
        diagonal.setVisible(shown);
        text.setVisible(shown);
        if (!shown) {
            return;
        }
        Measure measured = Measure.between(chart, fromX, fromY, toX, toY, snapping);
        double x0 = chart.time().middle(measured.fromBar());
        double x1 = chart.time().middle(measured.toBar());
        double y0 = chart.price().y(measured.fromPrice());
        double y1 = chart.price().y(measured.toPrice());
        frame.resizeRelocate(
                Math.min(x0, x1), Math.min(y0, y1), Math.max(1, Math.abs(x1 - x0)), Math.max(1, Math.abs(y1 - y0)));
        diagonal.setStartX(x0);
        diagonal.setStartY(y0);
        diagonal.setEndX(x1);
        diagonal.setEndY(y1);
        text.setText(String.join("\n", measured.lines(chart.instrument().orElseThrow())));
        double width = text.prefWidth(-1);
        double height = text.prefHeight(width);
        double x = x1 >= x0 ? Math.min(getWidth() - width - 8, x1 + 12) : Math.max(4, x1 - width - 12);
        text.resizeRelocate(
                Math.max(4, x),
                Math.max(40, Math.min(chart.plotBottom() - height - 4, y1 - height / 2)),
                width,
                height);
    }
}
