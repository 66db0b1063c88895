package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** Legs from point to point with names and ratios, as ratio patterns have them. */
final class Legs {
    private Legs() {}

    /** The legs, with a name at each point on the side away from its neighbours. */
    static void draw(Pen pen, String... names) {
        pen.stroke(Part.MAIN, pen.points());
        for (int point = 0; point < pen.count(); point++) {
            Point neighbour = pen.at(point == 0 ? 1 : point - 1);
            pen.note(pen.at(point), names[point], pen.at(point).v() >= neighbour.v() ? Side.ABOVE : Side.BELOW);
        }
        for (int corner = 2; corner < pen.count(); corner += 2) {
            pen.area(pen.at(corner - 2), pen.at(corner - 1), pen.at(corner));
        }
    }

    /** How much of the way from one point to the next the third gives back, at the middle of a dashed line. */
    static void ratio(Pen pen, int from, int to, int back) {
        double leg = pen.at(to).v() - pen.at(from).v();
        if (leg != 0) {
            write(pen, from, back, (pen.at(to).v() - pen.at(back).v()) / leg);
        }
    }

    /** What a leg is of another one. */
    static void compare(Pen pen, int from, int to, int otherFrom, int otherTo) {
        double leg = pen.at(to).v() - pen.at(from).v();
        if (leg != 0) {
            write(
                    pen,
                    from,
                    otherTo,
                    Math.abs((pen.at(otherTo).v() - pen.at(otherFrom).v()) / leg));
        }
    }

    private static void write(Pen pen, int from, int to, double ratio) {
        pen.stroke(Part.DASHED, pen.at(from), pen.at(to));
        pen.note(pen.at(from).towards(pen.at(to), 0.5), Pen.ratio(ratio), Side.CENTRE);
    }
}
