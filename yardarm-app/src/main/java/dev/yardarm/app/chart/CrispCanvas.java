package dev.yardarm.app.chart;

import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;

/**
 * A canvas that fills its region and has a pixel for each of the screen's, also while the window's content is drawn larger
 * or smaller than usual: it is made that much larger and drawn back by a transform. What draws on it knows nothing of that.
 */
final class CrispCanvas extends Canvas {
    private final Scale back = new Scale(1, 1, 0, 0);
    private double factor = 1;

    CrispCanvas() {
        getTransforms().add(back);
        setMouseTransparent(true);
    }

    /**
     * Fits it to a region.
     *
     * @return true when it has another size than before, and has to be drawn
     */
    boolean fit(Region region, double width, double height) {
        double now = region.getLocalToSceneTransform().getMxx();
        if (width * now == getWidth() && height * now == getHeight() && now == factor) {
            return false;
        }
        factor = now;
        back.setX(1 / now);
        back.setY(1 / now);
        setWidth(width * now);
        setHeight(height * now);
        getGraphicsContext2D().setTransform(now, 0, 0, now, 0, 0);
        return true;
    }

    /** How many of its own pixels one of the region is. */
    double factor() {
        return factor;
    }
}
