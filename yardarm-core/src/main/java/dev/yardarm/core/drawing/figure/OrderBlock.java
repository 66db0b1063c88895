package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.series.Bars;
import java.util.List;

/** The last bar against a move before it began. */
public final class OrderBlock extends Declared {
    public OrderBlock() {
        super(Family.ZONES, "order_block", "Order block");
        also("last opposite bar", "origin of a move");
        through("a bar of the move");
        upTo(2);
        goesOn("right", "none");
        help("The range of the last bar against a move before it began: click a bar of the move. The move is "
                + "where price went in three bars from there.");
    }

    @Override
    public int clicks() {
        return 1;
    }

    @Override
    public void draw(Pen pen) {
        Point other = pen.count() > 1 ? pen.at(1) : pen.at(0);
        Zone.draw(pen, pen.at(0).u(), pen.at(0).u() + 1, pen.at(0).v(), other.v(), pen.extent());
    }

    @Override
    public List<Anchor> settled(List<Anchor> clicked, Bars bars, Plane plane) {
        int at = bars.isEmpty() ? -1 : bars.barAt(clicked.get(0).time());
        if (at < 1 || at >= bars.size()) {
            throw new IllegalArgumentException("click a bar of the move");
        }
        boolean rises = bars.close(Math.min(bars.size() - 1, at + 2)) > bars.open(at);
        for (int bar = at; bar >= Math.max(0, at - 20); bar--) {
            boolean against = rises ? bars.close(bar) < bars.open(bar) : bars.close(bar) > bars.open(bar);
            if (against) {
                return List.of(
                        new Anchor(bars.openTime(bar), bars.high(bar)), new Anchor(bars.openTime(bar), bars.low(bar)));
            }
        }
        throw new IllegalArgumentException("no bar against the move within twenty before this one");
    }
}
