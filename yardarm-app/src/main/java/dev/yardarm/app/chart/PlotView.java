package dev.yardarm.app.chart;

import dev.yardarm.chart.plot.Plot;
import dev.yardarm.chart.plot.PlotAxis;
import dev.yardarm.chart.plot.PlotLayout;
import dev.yardarm.chart.plot.PlotPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import javafx.scene.control.Label;

/** A plot in the window; what lies under the pointer is read out beside it. Drawn at most once in a frame, and only when it changed. */
public final class PlotView extends PaintedRegion {
    private final PlotPainter painter = new PlotPainter();
    private final Label readout = new Label();
    private Plot plot = Plot.of("", PlotAxis.numbers(""), PlotAxis.numbers(""));
    private PlotLayout layout;

    public PlotView() {
        getStyleClass().add("plot-view");
        readout.getStyleClass().add("measure-text");
        readout.setMouseTransparent(true);
        readout.setVisible(false);
        readout.setManaged(false);
        getChildren().add(readout);
        setMinSize(160, 120);
        setOnMouseMoved(event -> read(event.getX(), event.getY()));
        setOnMouseExited(event -> readout.setVisible(false));
    }

    /** Shows a plot. */
    public void show(Plot shown) {
        plot = shown;
        setAccessibleText(shown.title());
        readout.setVisible(false);
        redraw();
    }

    @Override
    protected void paint(double width, double height, Palette colours, Surface on) {
        layout = PlotLayout.of(plot, width, height, CanvasSurface::width);
        painter.paint(layout, colours, on);
    }

    private void read(double x, double y) {
        if (layout == null) {
            return;
        }
        layout.readout(x, y)
                .ifPresentOrElse(
                        found -> {
                            readout.setText(found.text());
                            readout.autosize();
                            double left = Math.min(x + 12, getWidth() - readout.getWidth() - 4);
                            readout.relocate(Math.max(4, left), Math.max(4, y - readout.getHeight() - 8));
                            readout.setVisible(true);
                        },
                        () -> readout.setVisible(false));
    }
}
