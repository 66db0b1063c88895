package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.series.Bars;
import java.util.List;

/**
 * The line of least squares through the closes of a span, with its deviations. Its points are both ends of the line and a
 * third one, one standard deviation above the second: fitted once, it is the same on every timeframe and for alerts.
 */
public final class RegressionChannel extends Declared {
    public RegressionChannel() {
        super(Family.LINES, "regression", "Regression channel");
        also("linear regression", "trend channel");
        through("the first bar", "the last bar", "where the outer line should run");
        atLeast(2);
        number("deviations", "Standard deviations", 2, 0.1, 10);
        goesOn("none", "right");
        help(
                "The line of least squares through the closes of a span of bars, and lines so many standard deviations of the "
                        + "closes from it above and below. It is fitted to the closed bars of the timeframe it is drawn on, anew when "
                        + "one of its ends is moved there; on a logarithmic scale to the logarithms of the closes.");
    }

    @Override
    public int clicks() {
        return 2;
    }

    /** A line over bars of the plane, with the standard deviation of the closes from it. */
    private record Fit(double firstU, double lastU, double meanU, double meanV, double slope, double deviation) {
        static Fit of(Bars bars, long from, long to, Plane plane) {
            int first = Math.max(0, bars.isEmpty() ? 0 : bars.barAt(Math.min(from, to)));
            int last = bars.isEmpty() ? -1 : Math.min(bars.closed() - 1, bars.barAt(Math.max(from, to)));
            int count = last - first + 1;
            if (count < 2) {
                return null;
            }
            double meanU = 0;
            double meanV = 0;
            for (int bar = first; bar <= last; bar++) {
                meanU += plane.u(bars.openTime(bar)) / count;
                meanV += plane.v(bars.close(bar)) / count;
            }
            double products = 0;
            double squares = 0;
            for (int bar = first; bar <= last; bar++) {
                double across = plane.u(bars.openTime(bar)) - meanU;
                products += across * (plane.v(bars.close(bar)) - meanV);
                squares += across * across;
            }
            double slope = products / squares;
            double errors = 0;
            for (int bar = first; bar <= last; bar++) {
                double error = plane.v(bars.close(bar)) - meanV - slope * (plane.u(bars.openTime(bar)) - meanU);
                errors += error * error;
            }
            return new Fit(
                    plane.u(Math.min(from, to)),
                    plane.u(Math.max(from, to)),
                    meanU,
                    meanV,
                    slope,
                    Math.sqrt(errors / count));
        }

        double v(double u) {
            return meanV + slope * (u - meanU);
        }
    }

    @Override
    public List<Anchor> settled(List<Anchor> clicked, Bars bars, Plane plane) {
        if (clicked.size() < 2) {
            return clicked;
        }
        long from = Math.min(clicked.get(0).time(), clicked.get(1).time());
        long to = Math.max(clicked.get(0).time(), clicked.get(1).time());
        Fit fit = Fit.of(bars, from, to, plane);
        if (fit == null) {
            throw new IllegalArgumentException("there must be two closed bars at least between both ends");
        }
        double last = fit.v(plane.u(to));
        return List.of(
                new Anchor(from, plane.price(fit.v(plane.u(from)))),
                new Anchor(to, plane.price(last)),
                new Anchor(to, plane.price(last + fit.deviation())));
    }

    @Override
    public List<Anchor> moved(List<Anchor> before, List<Anchor> after, Bars bars, Plane plane) {
        boolean sameSpan = before.get(0).time() == after.get(0).time()
                && before.get(1).time() == after.get(1).time();
        return sameSpan ? after : settled(after.subList(0, 2), bars, plane);
    }

    @Override
    public void draw(Pen pen) {
        Point from = pen.at(0);
        Point to = pen.at(1);
        pen.course("middle", Part.DASHED, from, to, pen.extent());
        if (pen.count() < 3) {
            return;
        }
        double reach = pen.number("deviations") * Math.abs(pen.at(2).v() - to.v());
        pen.course("upper", Part.MAIN, from.plus(0, reach), to.plus(0, reach), pen.extent());
        pen.course("lower", Part.MAIN, from.plus(0, -reach), to.plus(0, -reach), pen.extent());
        pen.area(from.plus(0, reach), to.plus(0, reach), to.plus(0, -reach), from.plus(0, -reach));
    }
}
