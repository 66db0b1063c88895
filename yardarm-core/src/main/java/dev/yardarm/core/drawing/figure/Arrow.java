package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A line with a head at its end. */
public final class Arrow extends Declared {
    public Arrow() {
        super(Family.LINES, "arrow", "Arrow");
        also("pointer");
        through("where it begins", "where it points");
        help("A line with a head, to point at something.");
    }

    @Override
    public void draw(Pen pen) {
        pen.course("line", Part.ARROW, pen.at(0), pen.at(1), Extent.NONE);
    }
}
