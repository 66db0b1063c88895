package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** Vertical lines at equal distances. */
public final class CycleLines extends Declared {
    public CycleLines() {
        super(Family.MOVES, "cycles", "Cycle lines");
        also("rhythm", "period");
        through("the first bar", "the second bar");
        whole("count", "Lines", 24, 1, 200);
        help("Vertical lines at the same distance from each other as the first two.");
    }

    @Override
    public void draw(Pen pen) {
        double bars = pen.at(1).u() - pen.at(0).u();
        for (int line = 0; line <= pen.whole("count"); line++) {
            pen.upright(line < 2 ? Part.MAIN : Part.THIN, pen.at(0).u() + line * bars);
        }
        pen.note(pen.at(1), Pen.bars(bars), Side.RIGHT);
    }
}
