package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Extent;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import java.util.ArrayList;
import java.util.List;

/** A trading range with its events and phases, placed event by event. */
public final class TradingRange extends Declared {
    private static final String[] BUYING = {"PS", "SC", "AR", "ST", "spring", "test", "SOS", "LPS"};
    private static final String[] SELLING = {"PSY", "BC", "AR", "ST", "UTAD", "test", "SOW", "LPSY"};
    /** The event each phase begins with, A to E. */
    private static final int[] PHASES = {0, 3, 4, 5, 7};

    public TradingRange() {
        super(Family.STRUCTURE, "trading_range", "Trading range with phases");
        also("accumulation", "distribution", "wyckoff", "spring", "upthrust");
        through(
                "the preliminary support or supply",
                "the climax",
                "the automatic reaction",
                "the secondary test",
                "the spring or upthrust",
                "its test",
                "the sign of strength or weakness",
                "the last point of support or supply");
        atLeast(3);
        choice("kind", "Kind", "accumulation", "distribution");
        choice("extend", "Extend", "none", "right");
        help("The range between climax and automatic reaction with the events of accumulation or distribution in their "
                + "order: preliminary support (PS) or supply (PSY), selling (SC) or buying climax (BC), automatic reaction "
                + "(AR), secondary test (ST), spring or upthrust (UTAD), its test, sign of strength (SOS) or weakness (SOW), "
                + "last point of support (LPS) or supply (LPSY). Phase A stops the trend, B builds the cause, C is the spring or "
                + "upthrust, D leaves, E trends (Richard D. Wyckoff, 1931, in the schematics taught after him). Enter on the last point "
                + "ends it before all events are there.");
    }

    @Override
    public void draw(Pen pen) {
        String[] names = pen.is("kind", "accumulation") ? BUYING : SELLING;
        Point climax = pen.at(1);
        Point reaction = pen.at(2);
        Point last = pen.at(pen.count() - 1);
        pen.band(climax.u(), last.u(), climax.v(), reaction.v(), pen.extent());
        pen.level("climax", Part.MAIN, climax.v(), climax.u(), last.u(), pen.extent());
        pen.level("reaction", Part.MAIN, reaction.v(), climax.u(), last.u(), pen.extent());
        pen.stroke(Part.THIN, pen.points());
        for (int event = 0; event < pen.count(); event++) {
            double neighbour = pen.at(event == 0 ? 1 : event - 1).v();
            pen.note(pen.at(event), names[event], pen.at(event).v() >= neighbour ? Side.ABOVE : Side.BELOW);
        }
        pen.broken(last, broken(pen, pen.is("kind", "accumulation") ? 1 : -1));
        double top = Math.max(climax.v(), reaction.v());
        // Below all events, so that no letter of a phase covers the word of one.
        double foot = pen.points().stream().mapToDouble(Point::v).min().orElse(climax.v());
        for (int phase = 0; phase < PHASES.length && PHASES[phase] < pen.count(); phase++) {
            double from = pen.at(PHASES[phase]).u();
            boolean followed = phase + 1 < PHASES.length && PHASES[phase + 1] < pen.count();
            double to = followed ? pen.at(PHASES[phase + 1]).u() : last.u();
            double height = Math.abs(reaction.v() - climax.v());
            pen.straight(Part.DASHED, new Point(from, foot - 0.5 * height), new Point(from, top), Extent.NONE);
            pen.note(
                    new Point((from + to) / 2, foot - 0.45 * height),
                    String.valueOf((char) ('A' + phase)),
                    Side.CENTRE,
                    1);
        }
    }

    /**
     * What does not fit the schematic, so far as there are points.
     *
     * @param up 1 for accumulation; -1 for distribution, which is the same upside down
     */
    private static List<String> broken(Pen pen, int up) {
        String[] names = up > 0 ? BUYING : SELLING;
        List<String> broken = new ArrayList<>();
        double climax = up * pen.at(1).v();
        double reaction = up * pen.at(2).v();
        if (reaction <= climax) {
            broken.add("the reaction (AR) does not turn against the climax (" + names[1] + ")");
        }
        if (pen.count() > 4 && up * pen.at(4).v() >= climax) {
            broken.add("the " + names[4] + " does not go beyond the climax");
        }
        if (pen.count() > 5 && up * pen.at(5).v() <= up * pen.at(4).v()) {
            broken.add("the test goes beyond the " + names[4]);
        }
        if (pen.count() > 6 && up * pen.at(6).v() <= reaction) {
            broken.add("the " + names[6] + " does not leave the range");
        }
        return broken;
    }
}
