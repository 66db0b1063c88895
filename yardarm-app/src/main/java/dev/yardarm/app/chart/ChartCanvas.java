package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Legend;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;

/**
 * A chart model drawn on a canvas. It is drawn at most once in a frame and only when asked to: {@link #redraw()} leads to
 * one drawing in the next layout pass, however often it is called.
 */
public class ChartCanvas extends PaintedRegion {
    private final ChartModel chart;
    private final ChartPainter painter = new ChartPainter();

    public ChartCanvas(ChartModel chart) {
        this.chart = chart;
        getStyleClass().add("chart-canvas");
    }

    public ChartModel chart() {
        return chart;
    }

    /** The legends of the frame painted last. */
    Legend legend() {
        return painter.legend();
    }

    @Override
    protected void paint(double width, double height, Palette colours, Surface on) {
        chart.setSize(width, height);
        painter.paint(chart, colours, on);
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
