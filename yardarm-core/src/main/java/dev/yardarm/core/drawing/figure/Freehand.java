package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** What the hand draws. */
public final class Freehand extends Declared {
    public Freehand() {
        super(Family.LINES, "freehand", "Freehand");
        also("pencil", "brush");
        through("where the stroke begins", "the stroke, with the button held");
        upTo(2000);
        help("What the hand draws while the button is held.");
    }

    @Override
    public void draw(Pen pen) {
        pen.stroke(Part.MAIN, pen.points());
    }
}
