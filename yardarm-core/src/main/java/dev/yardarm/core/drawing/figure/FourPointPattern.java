package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;

/** Three legs with their ratios. */
public final class FourPointPattern extends Declared {
    public FourPointPattern() {
        super(Family.MOVES, "pattern4", "Four-point pattern");
        also("harmonic", "zigzag ratios");
        through("the first point", "the second point", "the third point", "the fourth point");
        help("Three legs with what each is of the one before, and the last of the first.");
    }

    @Override
    public void draw(Pen pen) {
        Legs.draw(pen, "A", "B", "C", "D");
        Legs.ratio(pen, 0, 1, 2);
        Legs.ratio(pen, 1, 2, 3);
        Legs.compare(pen, 0, 1, 2, 3);
    }
}
