package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Side;

/** The stance taken at a bar. */
public final class StanceMark extends Declared {
    public StanceMark() {
        super(Family.WORDS, "stance_mark", "Stance mark");
        also("long", "short", "wait");
        through("the bar and price");
        choice("stance", "Stance", "long", "short", "wait", "skip");
        words("text", "Why", "");
        help("The stance taken at a bar, and why.");
    }

    @Override
    public void draw(Pen pen) {
        String text = Wording.of(pen, pen.word("text"));
        pen.note(
                pen.at(0),
                pen.word("stance") + (text.isBlank() ? "" : ": " + text),
                pen.is("stance", "short") ? Side.ABOVE : Side.BELOW);
    }
}
