package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.series.Bars;

/** The line of least squares through the closes of a span, with its deviations. */
public final class RegressionChannel extends Declared {
    public RegressionChannel() {
        super(Family.LINES, "regression", "Regression channel");
        also("linear regression", "trend channel");
        through("the first bar", "the last bar");
        number("deviations", "Standard deviations", 2, 0.1, 10);
        goesOn("none", "right");
        help("The line of least squares through the closes of a span of bars, and lines so many standard "
                + "deviations of the closes from it above and below. It takes in the bars of the chart it is on.");
    }

    @Override
    public void draw(Pen pen) {
        Bars bars = pen.bars();
        double left = Math.min(pen.at(0).u(), pen.at(1).u());
        double right = Math.max(pen.at(0).u(), pen.at(1).u());
        int first = bars.isEmpty() ? 0 : Math.max(0, bars.barAt(Math.min(pen.drawing().anchors().get(0).time(),
                pen.drawing().anchors().get(1).time())));
        int last = bars.isEmpty() ? -1 : bars.barAt(Math.max(pen.drawing().anchors().get(0).time(),
                pen.drawing().anchors().get(1).time()));
        int count = last - first + 1;
        if (count < 2) {
            pen.course("middle", Part.DASHED, pen.at(0), pen.at(1), pen.extent());
            return;
        }
        double meanX = (count - 1) / 2.0;
        double meanY = 0;
        for (int bar = first; bar <= last; bar++) {
            meanY += pen.plane().v(bars.close(bar)) / count;
        }
        double products = 0;
        double squares = 0;
        for (int bar = first; bar <= last; bar++) {
            double x = bar - first - meanX;
            products += x * (pen.plane().v(bars.close(bar)) - meanY);
            squares += x * x;
        }
        double slope = products / squares;
        double errors = 0;
        for (int bar = first; bar <= last; bar++) {
            double error = pen.plane().v(bars.close(bar)) - meanY - slope * (bar - first - meanX);
            errors += error * error;
        }
        double reach = pen.number("deviations") * Math.sqrt(errors / count);
        Point from = new Point(left, meanY - slope * meanX);
        Point to = new Point(right, meanY + slope * meanX);
        pen.course("middle", Part.DASHED, from, to, pen.extent());
        pen.course("upper", Part.MAIN, from.plus(0, reach), to.plus(0, reach), pen.extent());
        pen.course("lower", Part.MAIN, from.plus(0, -reach), to.plus(0, -reach), pen.extent());
        pen.area(from.plus(0, reach), to.plus(0, reach), to.plus(0, -reach), from.plus(0, -reach));
    }

    @Override
    public boolean readsBars() {
        return true;
    }
}
