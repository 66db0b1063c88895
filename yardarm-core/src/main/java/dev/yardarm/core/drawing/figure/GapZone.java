package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.series.Bars;
import java.util.List;

/** The prices nothing was traded at between two bars. */
public final class GapZone extends Declared {
    public GapZone() {
        super(Family.ZONES, "gap", "Gap");
        also("window", "imbalance");
        through("a bar at the gap");
        upTo(2);
        goesOn("right", "none");
        help("The prices nothing was traded at between a bar and the next, or between a bar and the next but "
                + "one: click near it.");
    }

    @Override
    public int clicks() {
        return 1;
    }

    @Override
    public void draw(Pen pen) {
        Point other = pen.count() > 1 ? pen.at(1) : pen.at(0);
        Zone.draw(pen, pen.at(0).u(), other.u(), pen.at(0).v(), other.v(), pen.extent());
    }

    /** The gap nearest to the bar that was clicked; one between neighbours counts before one over a bar. */
    @Override
    public List<Anchor> settled(List<Anchor> clicked, Bars bars, Plane plane) {
        int at = bars.isEmpty() ? -1 : bars.barAt(clicked.get(0).time());
        for (int over = 1; over <= 2; over++) {
            for (int away = 0; away <= 5; away++) {
                for (int bar : new int[] {at - away, at + away}) {
                    if (bar >= over && bar < bars.size() && bars.low(bar) > bars.high(bar - over)) {
                        return List.of(
                                new Anchor(bars.openTime(bar - over), bars.high(bar - over)),
                                new Anchor(bars.openTime(bar), bars.low(bar)));
                    }
                    if (bar >= over && bar < bars.size() && bars.high(bar) < bars.low(bar - over)) {
                        return List.of(
                                new Anchor(bars.openTime(bar - over), bars.low(bar - over)),
                                new Anchor(bars.openTime(bar), bars.high(bar)));
                    }
                }
            }
        }
        throw new IllegalArgumentException("there is no gap within five bars of this one");
    }
}
