package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import java.util.Locale;

/** A line with its slope read out. */
public final class AngleLine extends Declared {
    public AngleLine() {
        super(Family.LINES, "angle", "Angle line");
        also("slope", "speed");
        through("where it begins", "a point it passes");
        number("unit", "Price of a bar at 45 degrees", 0, 0, 1000000);
        goesOn("right", "none");
        help("A line with its slope read out: price and per cent for each bar, and the angle. 45 degrees is "
                + "one unit of price in each bar; with the unit 0 it is one per cent of the first price.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.course("line", Part.MAIN, from, to, pen.extent());
        pen.straight(Part.DASHED, from, new Point(to.u(), from.v()), Extent.NONE);
        double bars = to.u() - from.u();
        if (bars == 0) {
            return;
        }
        double rise = (pen.plane().price(to.v()) - pen.plane().price(from.v())) / bars;
        double unit = pen.number("unit") > 0
                ? pen.number("unit")
                : Math.abs(pen.plane().price(from.v())) / 100;
        pen.note(
                to,
                String.format(Locale.ROOT, "%+.1f°  %+.4f a bar", Math.toDegrees(Math.atan(rise / unit)), rise)
                        .replace('-', '−'),
                Side.RIGHT);
    }
}
