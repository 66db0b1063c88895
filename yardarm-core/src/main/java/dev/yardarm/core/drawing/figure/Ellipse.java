package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import java.util.List;

/** An ellipse in a box. */
public final class Ellipse extends Declared {
    public Ellipse() {
        super(Family.ZONES, "ellipse", "Ellipse");
        also("circle", "oval");
        through("one corner of the box around it", "the opposite corner");
        help("Fits the box between two corners.");
    }

    @Override
    public void draw(Pen pen) {
        List<Point> points = Arc.around(
                pen.at(0).towards(pen.at(1), 0.5),
                (pen.at(1).u() - pen.at(0).u()) / 2,
                (pen.at(1).v() - pen.at(0).v()) / 2,
                0,
                360);
        pen.area(points);
        pen.stroke(Part.MAIN, points);
    }
}
