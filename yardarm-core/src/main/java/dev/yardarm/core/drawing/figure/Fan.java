package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** Lines through the parts of a move. */
public final class Fan extends Declared {
    public Fan() {
        super(Family.RATIOS, "fan", "Ratio fan");
        also("fibonacci fan");
        through("where the move begins", "where it ends");
        ratios("0.382 0.5 0.618");
        help("Lines from the beginning of a move through the prices below its end that give back parts of it.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.straight(Part.DASHED, from, to, Extent.NONE);
        for (double ratio : pen.numbers("ratios")) {
            Point through = new Point(to.u(), to.towards(from, ratio).v());
            pen.course("r" + Pen.ratio(ratio).replace('.', '_'), Part.MAIN, from, through, Extent.RIGHT);
            pen.note(through, Pen.ratio(ratio), Side.RIGHT);
        }
    }
}
