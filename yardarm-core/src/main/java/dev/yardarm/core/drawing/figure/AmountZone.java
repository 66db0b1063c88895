package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Sketch.Part;

/** A price plus and minus an amount. */
public final class AmountZone extends Declared {
    public AmountZone() {
        super(Family.ZONES, "amount_zone", "Price plus or minus an amount");
        also("tolerance", "zone around a price");
        through("the price");
        number("amount", "Amount, 0 for a half per cent", 0, 0, 1000000);
        goesOn("right", "both");
        help("A price plus and minus an amount; with 0 half of one per cent of the price.");
    }

    @Override
    public void draw(Pen pen) {
        double price = pen.plane().price(pen.at(0).v());
        double amount = pen.number("amount") > 0 ? pen.number("amount") : Math.abs(price) / 200;
        double upper = pen.plane().v(price + amount);
        double lower = pen.plane().v(price - amount);
        if (Double.isFinite(lower)) {
            Zone.draw(pen, pen.at(0).u(), pen.at(0).u() + 1, upper, lower, pen.extent());
            pen.level(
                    "middle",
                    Part.DASHED,
                    pen.at(0).v(),
                    pen.at(0).u(),
                    pen.at(0).u() + 1,
                    pen.extent());
        }
    }
}
