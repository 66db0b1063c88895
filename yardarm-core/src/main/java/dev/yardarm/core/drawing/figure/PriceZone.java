package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;

/** The prices between two borders. */
public final class PriceZone extends Declared {
    public PriceZone() {
        super(Family.ZONES, "zone", "Price zone");
        also("supply", "demand", "area");
        through("the bar and price it begins at", "the other price");
        goesOn("right", "none", "both");
        help("The prices between two borders, from a bar on.");
    }

    @Override
    public void draw(Pen pen) {
        Zone.draw(pen, pen.at(0).u(), pen.at(1).u(), pen.at(0).v(), pen.at(1).v(), pen.extent());
    }
}
