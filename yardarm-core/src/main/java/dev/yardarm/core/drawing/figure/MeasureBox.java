package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.util.Locale;

/** Price, per cent, bars, time, volume and R between two points. */
public final class MeasureBox extends Declared {
    public MeasureBox() {
        super(Family.MEASURES, "measure", "Measure");
        also("ruler", "distance");
        through("from", "to");
        number("risk", "One R", 0, 0, 1e9);
        help(
                "Price, per cent, bars, time and volume between two points, and how many R it is; the volume is that of the bars of "
                        + "the chart. One R is the distance from entry to stop, taken from the instrument's plan when there is one; "
                        + "0 for none.");
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.area(from, new Point(to.u(), from.v()), to, new Point(from.u(), to.v()));
        pen.stroke(Part.ARROW, from, to);
        Bars bars = pen.bars();
        double volume = 0;
        if (!bars.isEmpty()) {
            long early = Math.min(
                    pen.drawing().anchors().get(0).time(),
                    pen.drawing().anchors().get(1).time());
            long late = Math.max(
                    pen.drawing().anchors().get(0).time(),
                    pen.drawing().anchors().get(1).time());
            for (int bar = Math.max(0, bars.barAt(early)); bar < bars.size() && bars.openTime(bar) <= late; bar++) {
                volume += bars.volume(bar);
            }
        }
        double risk = pen.number("risk");
        double moved = Math.abs(pen.plane().price(to.v()) - pen.plane().price(from.v()));
        pen.note(
                to,
                pen.change(from.v(), to.v()) + "  " + Pen.bars(to.u() - from.u()) + "  "
                        + length(pen.drawing().anchors().get(1).time()
                                - pen.drawing().anchors().get(0).time())
                        + (volume > 0 ? "  volume " + String.format(Locale.ROOT, "%,d", Math.round(volume)) : "")
                        + (risk > 0 ? String.format(Locale.ROOT, "  %.2f R", moved / risk) : ""),
                to.v() >= from.v() ? Side.ABOVE : Side.BELOW);
    }

    /** A length of time in days, or in hours and minutes when it is shorter. */
    private static String length(long micros) {
        long minutes = Math.abs(micros) / Times.MINUTE;
        long days = minutes / (24 * 60);
        return days > 0
                ? days + (days == 1 ? " day" : " days")
                : String.format(Locale.ROOT, "%d:%02d h", minutes / 60, minutes % 60);
    }

    @Override
    public boolean readsBars() {
        return true;
    }
}
