package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A line through any number of points. */
public final class Polyline extends Declared {
    public Polyline() {
        super(Family.LINES, "polyline", "Line through points");
        also("path", "zigzag");
        through("the first point", "the next point");
        upTo(100);
        help(
                "A line through any number of points; Enter or a double click ends it. Its value is that of the piece over a bar, beyond "
                        + "its ends that of the first and the last piece.");
    }

    @Override
    public void draw(Pen pen) {
        pen.path("line", Part.MAIN, pen.points());
    }
}
