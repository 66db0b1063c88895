package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** The bars between two moments. */
public final class TimeZone extends Declared {
    public TimeZone() {
        super(Family.ZONES, "time_zone", "Time zone");
        also("period", "span");
        through("the first bar", "the last bar");
        help("The bars between two moments, over all prices.");
    }

    @Override
    public void draw(Pen pen) {
        pen.uprightBand(pen.at(0).u(), pen.at(1).u());
        pen.upright(Part.THIN, pen.at(0).u());
        pen.upright(Part.THIN, pen.at(1).u());
    }
}
