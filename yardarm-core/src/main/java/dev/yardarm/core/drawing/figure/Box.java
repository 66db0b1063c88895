package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;

/** Prices and bars between two corners. */
public final class Box extends Declared {
    public Box() {
        super(Family.ZONES, "box", "Box");
        also("rectangle");
        through("one corner", "the opposite corner");
        help("Prices and bars between two corners.");
    }

    @Override
    public void draw(Pen pen) {
        Point one = pen.at(0);
        Point other = pen.at(1);
        Point third = new Point(other.u(), one.v());
        Point fourth = new Point(one.u(), other.v());
        pen.area(one, third, other, fourth);
        pen.stroke(Part.MAIN, one, third, other, fourth, one);
    }
}
