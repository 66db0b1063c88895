package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;

/** Lines at two thirds and one third of the speed of a move. */
public final class SpeedLines extends Declared {
    public SpeedLines() {
        super(Family.LINES, "speed_lines", "Speed lines");
        also("resistance lines", "thirds");
        through("where the move begins", "where it ends");
        help("From the beginning of a move through the points below its end at two thirds and one third of "
                + "its height (Edson Gould).");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.course("full", Part.MAIN, from, to, Extent.RIGHT);
        double height = to.v() - from.v();
        pen.course("two_thirds", Part.MAIN, from, new Point(to.u(), from.v() + height * 2 / 3), Extent.RIGHT);
        pen.course("one_third", Part.MAIN, from, new Point(to.u(), from.v() + height / 3), Extent.RIGHT);
        pen.straight(Part.DASHED, to, new Point(to.u(), from.v()), Extent.NONE);
    }
}
