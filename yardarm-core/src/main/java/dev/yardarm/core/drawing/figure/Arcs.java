package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** Half ellipses around the end of a move. */
public final class Arcs extends Declared {
    public Arcs() {
        super(Family.RATIOS, "arcs", "Ratio arcs");
        also("fibonacci arcs");
        through("where the move begins", "where it ends");
        ratios("0.382 0.5 0.618 1");
        help("Half ellipses around the end of a move, so many parts of its bars wide and of its height high: "
                + "price and time given back together.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.straight(Part.DASHED, from, to, Extent.NONE);
        double height = from.v() - to.v();
        double width = Math.abs(to.u() - from.u());
        for (double ratio : pen.numbers("ratios")) {
            pen.stroke(Part.MAIN, Arc.around(to, ratio * width, ratio * height, 0, 180));
            pen.note(to.plus(0, ratio * height), Pen.ratio(ratio), Side.ABOVE);
        }
    }
}
