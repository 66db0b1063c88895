package dev.yardarm.app.chart;

import dev.yardarm.chart.plot.Plot;
import dev.yardarm.chart.plot.PlotAxis;
import dev.yardarm.chart.plot.PlotLayout;
import dev.yardarm.chart.plot.PlotPainter;
import dev.yardarm.chart.surface.Palette;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** A plot in the window; what lies under the pointer is read out beside it. Drawn at most once in a frame, and only when it changed. */
public final class PlotView extends Region {
    private final CrispCanvas canvas = new CrispCanvas();
    private final CanvasSurface surface = new CanvasSurface(canvas.getGraphicsContext2D());
    private final PlotPainter painter = new PlotPainter();
    private final Label readout = new Label();
    private Plot plot = Plot.of("", PlotAxis.numbers(""), PlotAxis.numbers(""));
    private Palette palette = Palette.of(Palette.Theme.DAYLIGHT);
    private PlotLayout layout;
    private boolean dirty = true;

    public PlotView() {
        getStyleClass().add("plot-view");
        readout.getStyleClass().add("measure-text");
        readout.setMouseTransparent(true);
        readout.setVisible(false);
        readout.setManaged(false);
        getChildren().addAll(canvas, readout);
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

    public void setPalette(Palette newPalette) {
        palette = newPalette;
        redraw();
    }

    private void redraw() {
        dirty = true;
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double width = Math.max(1, getWidth());
        double height = Math.max(1, getHeight());
        dirty |= canvas.fit(this, width, height);
        if (dirty) {
            dirty = false;
            double scale = getScene() == null || getScene().getWindow() == null
                    ? 1
                    : getScene().getWindow().getOutputScaleX();
            surface.setScale(scale * canvas.factor());
            layout = PlotLayout.of(plot, width, height, CanvasSurface::width);
            painter.paint(layout, palette, surface);
        }
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
