package dev.yardarm.app.chart;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import javafx.scene.layout.Region;

/**
 * A region that paints itself on a canvas of its size, crisp at any scale: at most once in a frame and only when asked to, however often it is
 * asked.
 */
public abstract class PaintedRegion extends Region {
    private final CrispCanvas canvas = new CrispCanvas();
    private final CanvasSurface surface = new CanvasSurface(canvas.getGraphicsContext2D());
    private Palette palette = Palette.of(Palette.Theme.DAYLIGHT);
    private boolean dirty = true;
    private long drawn;

    protected PaintedRegion() {
        getChildren().add(canvas);
    }

    /** Paints the whole region. */
    protected abstract void paint(double width, double height, Palette colours, Surface on);

    /** The canvas has lost what was on it: who paints only what has changed paints everything next. */
    protected void lost() {}

    public void setPalette(Palette newPalette) {
        palette = newPalette;
        redraw();
    }

    /** The colours it is painted in. */
    public Palette palette() {
        return palette;
    }

    /** Paints anew in the next pass. */
    public void redraw() {
        dirty = true;
        requestLayout();
    }

    /** How often it was painted; for measurements. */
    public long drawnCount() {
        return drawn;
    }

    @Override
    protected void layoutChildren() {
        if (canvas.fit(this, Math.max(1, getWidth()), Math.max(1, getHeight()))) {
            lost();
            dirty = true;
        }
        if (dirty) {
            dirty = false;
            paintNow();
        }
    }

    /** Paints at once. */
    public void paintNow() {
        double scale = getScene() == null || getScene().getWindow() == null
                ? 1
                : getScene().getWindow().getOutputScaleX();
        surface.setScale(scale * canvas.factor());
        drawn++;
        paint(canvas.getWidth() / canvas.factor(), canvas.getHeight() / canvas.factor(), palette, surface);
    }
}
