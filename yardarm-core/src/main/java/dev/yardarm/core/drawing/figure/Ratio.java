package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** A ratio as a level or as a moment, with its number, as several figures have them. */
final class Ratio {
    private Ratio() {}

    /** A level with its ratio and price at its end. */
    static void level(Pen pen, double ratio, double height, double from, double to) {
        pen.level("r" + Pen.ratio(ratio).replace('.', '_'), Part.MAIN, height, from, to, pen.extent());
        pen.noteOfLevel(height, from, to, Pen.ratio(ratio) + "  " + pen.price(height));
    }

    /** An upright line with its ratio at a height. */
    static void upright(Pen pen, double ratio, double u, double height) {
        pen.upright(Part.MAIN, u);
        pen.note(new Point(u, height), Pen.ratio(ratio), Side.RIGHT);
    }
}
