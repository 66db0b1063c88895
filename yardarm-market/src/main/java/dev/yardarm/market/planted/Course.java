package dev.yardarm.market.planted;

import dev.yardarm.market.chance.Dice;
import java.util.ArrayList;
import java.util.List;

/**
 * The course of prices through the turns of a template, blurred by steps that come back to it, and the truth about how the turns came out.
 *
 * <pre>{@code
 * Course course = new Course(template, template.legs(dice), height, clarity);
 * course.draw(volatility, dice, price, close -> add(close));
 * Planted truth = course.truth(first, prices);
 * }</pre>
 */
public final class Course {
    private final Template template;
    private final int[] legs;
    private final double height;
    private final double clarity;
    private final double[] heights;

    /** Takes the closes of a course, one bar after the other. */
    @FunctionalInterface
    public interface Taker {
        /** @param close not yet rounded */
        void close(double close);
    }

    /** Prices of bars, by their numbers. */
    public interface Prices {
        int size();

        double high(int bar);

        double low(int bar);

        double close(int bar);
    }

    /**
     * A course still to be drawn.
     *
     * @param legs bars up to each turn from the one before
     * @param height of the structure, as a logarithm
     * @param clarity from 0.1, faint, to 1, clear
     */
    public Course(Template template, int[] legs, double height, double clarity) {
        this.template = template;
        this.legs = legs.clone();
        this.height = height;
        this.clarity = clarity;
        heights = template.heights(legs);
    }

    /** How many bars it takes. */
    public int bars() {
        int bars = 0;
        for (int leg : legs) {
            bars += leg;
        }
        return bars;
    }

    /**
     * Draws it from a price on.
     *
     * @param volatility of a bar, as a logarithm
     */
    public void draw(double volatility, Dice dice, double price, Taker taker) {
        List<Template.Knot> knots = template.knots();
        double[] levels = new double[knots.size()];
        for (int knot = 0; knot < levels.length; knot++) {
            double scatter = knots.get(knot).scatter() / Math.max(0.5, clarity);
            levels[knot] = template.sign() * height * (heights[knot] + scatter * dice.between(-1, 1));
        }
        // The course begins where price stands.
        double base = Math.log(price) - levels[0];
        double blur = 0;
        double before = levels[0];
        for (int knot = 0; knot < levels.length; knot++) {
            for (int step = 1; step <= legs[knot]; step++) {
                double part = (double) step / legs[knot];
                blur = 0.45 * blur + 0.34 * volatility / clarity * dice.bell() * (step == legs[knot] ? 0.3 : 1);
                taker.close(Math.exp(base + before + (levels[knot] - before) * part + blur));
            }
            before = levels[knot];
        }
    }

    /**
     * Where the turns came out, and the first close beyond what completes it.
     *
     * @param first the bar its first close is of
     */
    public Planted truth(int first, Prices prices) {
        List<Planted.Point> points = new ArrayList<>();
        List<Template.Knot> knots = template.knots();
        int at = first - 1;
        for (int knot = 0; knot < legs.length; knot++) {
            at += legs[knot];
            if (!knots.get(knot).role().isEmpty()) {
                double next = heights[Math.min(legs.length - 1, knot + 1)];
                boolean high = template.sign() * (heights[knot] - next) > 0;
                points.add(turn(knots.get(knot).role(), at, high, prices));
            }
        }
        int last = points.get(points.size() - 1).bar();
        int knowable = at;
        for (int bar = last + 1; bar <= at; bar++) {
            if (isBeyond(points, bar, prices)) {
                knowable = bar;
                break;
            }
        }
        return new Planted(template.kind(), points, points.get(0).bar(), last, knowable);
    }

    private static Planted.Point turn(String role, int around, boolean high, Prices prices) {
        int found = around;
        for (int bar = Math.max(0, around - 3); bar <= Math.min(prices.size() - 1, around + 3); bar++) {
            boolean further = high ? prices.high(bar) > prices.high(found) : prices.low(bar) < prices.low(found);
            found = further ? bar : found;
        }
        return new Planted.Point(role, found, high ? prices.high(found) : prices.low(found));
    }

    /** Beyond the line through the two turns, or the one, that it leaves by. */
    private boolean isBeyond(List<Planted.Point> points, int bar, Prices prices) {
        String edge = template.edge();
        List<Planted.Point> on =
                points.stream().filter(each -> each.role().equals(edge)).toList();
        Planted.Point first = template.hasPole() ? points.get(1) : on.get(0);
        Planted.Point other = template.hasPole() ? points.get(3) : on.get(on.size() - 1);
        double line = first.bar() == other.bar()
                ? first.price()
                : first.price() + (other.price() - first.price()) * (bar - first.bar()) / (other.bar() - first.bar());
        double close = prices.close(bar);
        return template.leavesUp() ? close > line : close < line;
    }
}
