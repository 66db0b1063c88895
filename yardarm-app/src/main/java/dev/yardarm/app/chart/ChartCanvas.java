package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Legend;
import dev.yardarm.chart.surface.Palette;
import javafx.scene.layout.Region;

/**
 * A chart model drawn on a canvas. It is drawn at most once in a frame and only when asked to: {@link #redraw()} leads to
 * one drawing in the next layout pass, however often it is called.
 */
public class ChartCanvas extends Region {
    private final ChartModel chart;
    private final CrispCanvas canvas = new CrispCanvas();
    private final CanvasSurface surface = new CanvasSurface(canvas.getGraphicsContext2D());
    private final ChartPainter painter = new ChartPainter();
    private Palette palette = Palette.of(Palette.Theme.DAYLIGHT);
    private boolean dirty = true;
    private long drawn;

    public ChartCanvas(ChartModel chart) {
        this.chart = chart;
        getStyleClass().add("chart-canvas");
        getChildren().add(canvas);
    }

    public ChartModel chart() {
        return chart;
    }

    public Palette palette() {
        return palette;
    }

    public void setPalette(Palette newPalette) {
        palette = newPalette;
        redraw();
    }

    /** The legends of the frame painted last. */
    Legend legend() {
        return painter.legend();
    }

    /** Draws the chart anew in the next pass. */
    public void redraw() {
        dirty = true;
        requestLayout();
    }

    /** How often it has been drawn; for measurements. */
    public long drawnCount() {
        return drawn;
    }

    @Override
    protected void layoutChildren() {
        double width = Math.max(1, getWidth());
        double height = Math.max(1, getHeight());
        dirty |= canvas.fit(this, width, height);
        if (dirty) {
            dirty = false;
            paintNow();
        }
    }

    /** Issues a frame at once. */
    public void paintNow() {
        chart.setSize(canvas.getWidth() / canvas.factor(), canvas.getHeight() / canvas.factor());
        double scale = getScene() == null || getScene().getWindow() == null
                ? 1
                : getScene().getWindow().getOutputScaleX();
        surface.setScale(scale * canvas.factor());
        painter.paint(chart, palette, surface);
        drawn++;
    }

    @Override
    protected double computePrefWidth(double height) {
        return 200;
    }

    @Override
    protected double computePrefHeight(double width) {
        return 100;
    }
}
