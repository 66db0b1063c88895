package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;

/** Four legs with their ratios. */
public final class FivePointPattern extends Declared {
    public FivePointPattern() {
        super(Family.MOVES, "pattern5", "Five-point pattern");
        also("harmonic", "zigzag ratios");
        through("the first point", "the second point", "the third point", "the fourth point", "the fifth point");
        help("Four legs with what each is of the one before, and how much of the first leg the last point gives back.");
    }

    @Override
    public void draw(Pen pen) {
        Legs.draw(pen, "X", "A", "B", "C", "D");
        Legs.ratio(pen, 0, 1, 2);
        Legs.ratio(pen, 1, 2, 3);
        Legs.ratio(pen, 2, 3, 4);
        Legs.ratio(pen, 0, 1, 4);
    }
}
