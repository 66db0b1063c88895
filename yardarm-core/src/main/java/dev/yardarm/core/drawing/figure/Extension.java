package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A leg projected by ratios from a third point. */
public final class Extension extends Declared {
    public Extension() {
        super(Family.RATIOS, "extension", "Extension");
        also("fibonacci", "expansion", "projection in price");
        through("where the leg begins", "where it ends", "where the next one begins");
        ratios("0 0.618 1 1.272 1.618 2.618");
        goesOn("right", "none");
        help("Prices that a leg reaches when it is repeated, by a ratio, from a third point.");
    }

    @Override
    public void draw(Pen pen) {
        double leg = pen.at(1).v() - pen.at(0).v();
        pen.stroke(Part.DASHED, pen.at(0), pen.at(1), pen.at(2));
        double width = Math.abs(pen.at(1).u() - pen.at(0).u());
        for (double ratio : pen.numbers("ratios")) {
            Ratio.level(
                    pen,
                    ratio,
                    pen.at(2).v() + ratio * leg,
                    pen.at(2).u(),
                    pen.at(2).u() + Math.max(1, width));
        }
    }
}
