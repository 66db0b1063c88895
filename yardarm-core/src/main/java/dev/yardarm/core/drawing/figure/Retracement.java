package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;

/** Prices that give back parts of a move. */
public final class Retracement extends Declared {
    public Retracement() {
        super(Family.RATIOS, "retracement", "Retracement");
        also("fibonacci", "pullback");
        through("where the move begins", "where it ends");
        ratios("0 0.236 0.382 0.5 0.618 0.786 1");
        goesOn("right", "none", "both");
        help("Prices that give back parts of a move: 0 at its end, 1 at its beginning. On a logarithmic scale "
                + "the parts are of the logarithm.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.straight(Part.DASHED, from, to, Extent.NONE);
        for (double ratio : pen.numbers("ratios")) {
            Ratio.level(
                    pen, ratio, to.towards(from, ratio).v(), Math.min(from.u(), to.u()), Math.max(from.u(), to.u()));
        }
    }
}
