package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A price from a bar on. */
public final class LevelRay extends Declared {
    public LevelRay() {
        super(Family.LINES, "level_ray", "Level with a start");
        also("support", "resistance");
        through("the bar and price it begins at");
        help("A price from a bar on: a level has no meaning before what made it.");
    }

    @Override
    public void draw(Pen pen) {
        pen.level("price", Part.MAIN, pen.at(0).v(), pen.at(0).u(), pen.at(0).u() + 1, Extent.RIGHT);
    }
}
