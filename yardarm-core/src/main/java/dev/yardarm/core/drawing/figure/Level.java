package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A price at all times. */
public final class Level extends Declared {
    public Level() {
        super(Family.LINES, "level", "Level");
        also("horizontal line", "support", "resistance");
        through("the price");
        help("A price at all times.");
    }

    @Override
    public void draw(Pen pen) {
        pen.level("price", Part.MAIN, pen.at(0).v(), pen.at(0).u(), pen.at(0).u() + 1, Extent.BOTH);
    }
}
