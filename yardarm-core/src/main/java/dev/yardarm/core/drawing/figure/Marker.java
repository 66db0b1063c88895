package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Side;

/** A small mark at a point. */
public final class Marker extends Declared {
    public Marker() {
        super(Family.WORDS, "marker", "Marker");
        also("flag", "sign");
        through("the point");
        choice("mark", "Mark", "up", "down", "cross", "dot");
        words("text", "Text", "");
        help("A small mark at a point, with words beside it.");
    }

    @Override
    public void draw(Pen pen) {
        String sign =
                switch (pen.word("mark")) {
                    case "down" -> "▼";
                    case "cross" -> "×";
                    case "dot" -> "•";
                    default -> "▲";
                };
        String text = Wording.of(pen, pen.word("text"));
        pen.note(
                pen.at(0),
                text.isBlank() ? sign : sign + " " + text,
                pen.is("mark", "down") ? Side.ABOVE : pen.is("mark", "up") ? Side.BELOW : Side.CENTRE);
    }
}
