package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** Words with a line to what they are about. */
public final class Callout extends Declared {
    public Callout() {
        super(Family.WORDS, "callout", "Remark with a line");
        also("bubble", "remark");
        through("what it is about", "where the words stand");
        words("text", "Text", "Text");
        help("Words with a line to what they are about.");
    }

    @Override
    public void draw(Pen pen) {
        pen.stroke(Part.THIN, pen.at(0), pen.at(1));
        pen.note(
                pen.at(1),
                Wording.of(pen, pen.word("text")),
                pen.at(1).u() >= pen.at(0).u() ? Side.RIGHT : Side.LEFT);
    }
}
