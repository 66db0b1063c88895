package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import dev.yardarm.core.series.Bars;

/** Price, per cent, bars and volume between two points. */
public final class MeasureBox extends Declared {
    public MeasureBox() {
        super(Family.MEASURES, "measure", "Measure");
        also("ruler", "distance");
        through("from", "to");
        help("Price, per cent, bars and volume between two points; the volume is that of the bars of the chart.");
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
            long early = Math.min(pen.drawing().anchors().get(0).time(), pen.drawing().anchors().get(1).time());
            long late = Math.max(pen.drawing().anchors().get(0).time(), pen.drawing().anchors().get(1).time());
            for (int bar = Math.max(0, bars.barAt(early)); bar < bars.size() && bars.openTime(bar) <= late; bar++) {
                volume += bars.volume(bar);
            }
        }
        pen.note(to, pen.change(from.v(), to.v()) + "  " + Pen.bars(to.u() - from.u()) + (volume > 0 ? "  volume "
                + Math.round(volume) : ""), to.v() >= from.v() ? Side.ABOVE : Side.BELOW);
    }

    @Override
    public boolean readsBars() {
        return true;
    }
}
