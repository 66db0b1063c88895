package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A straight line through two points. */
public final class TrendLine extends Declared {
    public TrendLine() {
        super(Family.LINES, "line", "Trend line");
        also("segment", "ray");
        through("the first point", "the second point");
        goesOn("right", "none", "left", "both");
        help("A straight line through two points, in bars of the timeframe it was drawn on. On a logarithmic "
                + "scale it is straight in the logarithm of price.");
    }

    @Override
    public void draw(Pen pen) {
        pen.course("line", Part.MAIN, pen.at(0), pen.at(1), pen.extent());
    }
}
