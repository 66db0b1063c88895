package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Side;

/** Words at a point. */
public final class Text extends Declared {
    public Text() {
        super(Family.WORDS, "text", "Text");
        also("note", "comment");
        through("where it stands");
        words("text", "Text", "Text");
        help(
                "Words at a point. {close} stands for the last close, {date} and {price} for those of the point, {line} for what "
                        + "the line it is grouped with is worth at the newest bar, and the name of a drawing in braces for what that "
                        + "one is worth; all of them stay current.");
    }

    @Override
    public void draw(Pen pen) {
        pen.note(pen.at(0), Wording.of(pen, pen.word("text")), Side.RIGHT);
    }
}
