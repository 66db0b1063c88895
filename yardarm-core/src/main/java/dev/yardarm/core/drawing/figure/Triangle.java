package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** Three corners. */
public final class Triangle extends Declared {
    public Triangle() {
        super(Family.ZONES, "triangle", "Triangle");
        also("wedge");
        through("the first corner", "the second corner", "the third corner");
        help("Three corners.");
    }

    @Override
    public void draw(Pen pen) {
        pen.area(pen.at(0), pen.at(1), pen.at(2));
        pen.stroke(Part.MAIN, pen.at(0), pen.at(1), pen.at(2), pen.at(0));
    }
}
