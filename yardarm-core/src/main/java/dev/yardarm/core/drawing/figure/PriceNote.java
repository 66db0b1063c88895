package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** The price of a point, written beside it. */
public final class PriceNote extends Declared {
    public PriceNote() {
        super(Family.WORDS, "price_note", "Written price");
        also("price note");
        through("the point");
        help("The price of a point, written beside it.");
    }

    @Override
    public void draw(Pen pen) {
        pen.note(pen.at(0), pen.price(pen.at(0).v()), Side.RIGHT);
        pen.stroke(Part.MAIN, pen.at(0), pen.at(0).plus(0.6, 0));
    }
}
