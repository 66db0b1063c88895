package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import java.util.ArrayList;
import java.util.List;

/** Two shoulders, a head, the neckline and its target. */
public final class HeadAndShoulders extends Declared {
    public HeadAndShoulders() {
        super(Family.STRUCTURE, "head_shoulders", "Head and shoulders");
        also("reversal", "neckline");
        through("the left shoulder", "the first trough", "the head", "the second trough", "the right shoulder");
        help("Two shoulders, a head and the neckline through the troughs between them; the target is the "
                + "height of the head over the neckline, from where the neckline stands at the right shoulder. The "
                + "other way up at a bottom. The head must go beyond both shoulders (R. D. Edwards, J. Magee: Technical Analysis "
                + "of Stock Trends, 1948).");
    }

    @Override
    public void draw(Pen pen) {
        Point one = pen.at(1);
        Point other = pen.at(3);
        pen.stroke(Part.MAIN, pen.points());
        pen.course("neckline", Part.MAIN, one, other, Extent.BOTH);
        if (one.u() == other.u()) {
            return;
        }
        double atHead = one.towards(other, (pen.at(2).u() - one.u()) / (other.u() - one.u()))
                .v();
        double atShoulder = one.towards(other, (pen.at(4).u() - one.u()) / (other.u() - one.u()))
                .v();
        double target = atShoulder - (pen.at(2).v() - atHead);
        pen.level(
                "target",
                Part.DASHED,
                target,
                pen.at(4).u(),
                pen.at(4).u() + (pen.at(4).u() - pen.at(0).u()),
                Extent.NONE);
        boolean top = pen.at(2).v() > atHead;
        pen.note(new Point(pen.at(4).u(), target), "target " + pen.price(target), top ? Side.BELOW : Side.ABOVE);
        pen.area(one, pen.at(2), other);
        List<String> broken = new ArrayList<>();
        for (int shoulder = 0; shoulder <= 4; shoulder += 4) {
            double height = pen.at(shoulder).v();
            if (top ? height >= pen.at(2).v() : height <= pen.at(2).v()) {
                broken.add("the head does not go beyond the " + (shoulder == 0 ? "left" : "right") + " shoulder");
            }
        }
        pen.broken(pen.at(4), broken);
    }
}
