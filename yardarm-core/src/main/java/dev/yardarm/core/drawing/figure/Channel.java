package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;

/** Two parallel lines, with lines between them. */
public final class Channel extends Declared {
    public Channel() {
        super(Family.LINES, "channel", "Parallel channel");
        also("equidistant", "parallel lines");
        through("the first point of one border", "the second point of it", "a point of the other border");
        goesOn("right", "none", "left", "both");
        choice("middle", "Middle line", "yes", "no");
        choice("quarters", "Quarter lines", "no", "yes");
        help("Two parallel lines, through two points and through a third, with lines at the middle and the quarters.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        double part = to.u() == from.u() ? 0 : (pen.at(2).u() - from.u()) / (to.u() - from.u());
        double height = pen.at(2).v() - from.towards(to, part).v();
        pen.course("base", Part.MAIN, from, to, pen.extent());
        pen.course("parallel", Part.MAIN, from.plus(0, height), to.plus(0, height), pen.extent());
        if (pen.is("middle", "yes")) {
            pen.course("middle", Part.DASHED, from.plus(0, height / 2), to.plus(0, height / 2), pen.extent());
        }
        if (pen.is("quarters", "yes")) {
            pen.course("lower_quarter", Part.THIN, from.plus(0, height / 4), to.plus(0, height / 4), pen.extent());
            pen.course(
                    "upper_quarter", Part.THIN, from.plus(0, height * 3 / 4), to.plus(0, height * 3 / 4), pen.extent());
        }
        pen.area(from, to, to.plus(0, height), from.plus(0, height));
    }
}
