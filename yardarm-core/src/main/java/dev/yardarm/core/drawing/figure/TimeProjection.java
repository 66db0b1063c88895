package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** The duration of a leg projected by ratios. */
public final class TimeProjection extends Declared {
    public TimeProjection() {
        super(Family.RATIOS, "time_projection", "Projection in time");
        also("fibonacci time", "duration");
        through("where the leg begins", "where it ends", "where the next one begins");
        ratios("0.382 0.618 1 1.618 2.618");
        help("Bars at which a leg would have lasted as long as another one, by a ratio.");
    }

    @Override
    public void draw(Pen pen) {
        double bars = pen.at(1).u() - pen.at(0).u();
        pen.stroke(Part.DASHED, pen.at(0), pen.at(1), pen.at(2));
        for (double ratio : pen.numbers("ratios")) {
            Ratio.upright(pen, ratio, pen.at(2).u() + ratio * bars, pen.at(2).v());
        }
    }
}
