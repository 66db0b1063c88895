package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** The prices between two borders, as several figures have them. */
final class Zone {
    private Zone() {}

    /** An area with both borders, of which the upper one is the first value. */
    static void draw(Pen pen, double from, double to, double one, double other, Extent extent) {
        pen.band(from, to, one, other, extent);
        pen.level("upper", Part.THIN, Math.max(one, other), from, to, extent);
        pen.level("lower", Part.THIN, Math.min(one, other), from, to, extent);
    }
}
