package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;

/** Size and duration of a move, from another point. */
public final class PriceTimeBox extends Declared {
    public PriceTimeBox() {
        super(Family.MOVES, "price_time_box", "Price and time box");
        also("square", "duration and size");
        through("where the move begins", "where it ends", "where the next one begins");
        number("ratio", "Ratio", 1, 0.05, 20);
        help("A move of the same size and duration, by a ratio, from another point: where price and time "
                + "would balance.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        Point next = pen.at(2);
        double ratio = pen.number("ratio");
        Point end = next.plus((to.u() - from.u()) * ratio, (to.v() - from.v()) * ratio);
        pen.stroke(Part.DASHED, from, to);
        Point third = new Point(end.u(), next.v());
        Point fourth = new Point(next.u(), end.v());
        pen.area(next, third, end, fourth);
        pen.stroke(Part.MAIN, next, third, end, fourth, next);
        pen.note(end, pen.price(end.v()) + "  " + Pen.bars(end.u() - next.u()), Side.ABOVE);
    }
}
