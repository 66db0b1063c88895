package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** A leg projected from another point. */
public final class MeasuredMove extends Declared {
    public MeasuredMove() {
        super(Family.MOVES, "measured_move", "Measured move");
        also("swing", "target", "leg");
        through("where the leg begins", "where it ends", "where the next one begins");
        number("ratio", "Ratio", 1, 0.05, 20);
        help("A leg projected from another point, equal or by a ratio: where it would end in price, after as "
                + "many bars by the same ratio.");
    }

    @Override
    public void draw(Pen pen) {
        Point leg = pen.at(1);
        double ratio = pen.number("ratio");
        Point target = pen.at(2)
                .plus((leg.u() - pen.at(0).u()) * ratio, (leg.v() - pen.at(0).v()) * ratio);
        pen.stroke(Part.MAIN, pen.at(0), leg);
        pen.stroke(Part.DASHED, leg, pen.at(2));
        pen.stroke(Part.ARROW, pen.at(2), target);
        pen.level("target", Part.THIN, target.v(), pen.at(2).u(), target.u(), Extent.RIGHT);
        pen.note(
                target,
                pen.price(target.v()) + "  " + pen.change(pen.at(2).v(), target.v()) + "  "
                        + Pen.bars(target.u() - pen.at(2).u()),
                Side.ABOVE);
    }
}
