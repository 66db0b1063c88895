package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Point;
import java.util.ArrayList;
import java.util.List;

/** Points of a piece of an ellipse. */
final class Arc {
    private static final int STEPS = 72;

    private Arc() {}

    /** From one angle to another, in degrees; 0 is to the right, 90 upwards. */
    static List<Point> around(Point centre, double width, double height, double from, double to) {
        List<Point> points = new ArrayList<>();
        for (int step = 0; step <= STEPS; step++) {
            double angle = Math.toRadians(from + (to - from) * step / STEPS);
            points.add(centre.plus(width * Math.cos(angle), height * Math.sin(angle)));
        }
        return points;
    }
}
