package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;

/** A median line with its parallels. */
public final class Pitchfork extends Declared {
    public Pitchfork() {
        super(Family.LINES, "pitchfork", "Pitchfork");
        also("median line");
        through("the handle", "the first tine", "the second tine");
        choice("variant", "Handle", "point", "half", "middle");
        help("A median line from the handle to the middle between the two tines, and its parallels through "
                + "both. The handle is the first point itself (Alan H. Andrews); half: at the bar of the first "
                + "point and the price half way to the second (Jerome Schiff); middle: half way to the second in "
                + "price and time.");
    }

    @Override
    public void draw(Pen pen) {
        Point first = pen.at(0);
        Point one = pen.at(1);
        Point other = pen.at(2);
        Point between = first.towards(one, 0.5);
        Point handle =
                switch (pen.word("variant")) {
                    case "half" -> new Point(first.u(), between.v());
                    case "middle" -> between;
                    default -> first;
                };
        Point middle = one.towards(other, 0.5);
        double bars = middle.u() - handle.u();
        double height = middle.v() - handle.v();
        pen.course("median", Part.MAIN, handle, middle, Extent.RIGHT);
        pen.course("upper", Part.MAIN, one, one.plus(bars, height), Extent.RIGHT);
        pen.course("lower", Part.MAIN, other, other.plus(bars, height), Extent.RIGHT);
        pen.straight(Part.DASHED, one, other, Extent.NONE);
    }
}
