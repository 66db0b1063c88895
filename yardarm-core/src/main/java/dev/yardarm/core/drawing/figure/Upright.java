package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A moment, over the whole chart. */
public final class Upright extends Declared {
    public Upright() {
        super(Family.LINES, "upright", "Vertical line");
        also("vertical line", "date");
        through("the bar");
        help("A moment, over the whole chart.");
    }

    @Override
    public void draw(Pen pen) {
        pen.upright(Part.MAIN, pen.at(0).u());
    }
}
