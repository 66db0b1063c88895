package dev.yardarm.market.synthetic;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.generator.Dice;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;

/**
 * Daily bars of a walk, or of trends, into which structures are planted one after the other, with the truth about them: what, where, and
 * from which bar it could be known. The same seed gives the same bars.
 *
 * <p>A structure is drawn through the turns of its {@linkplain Template template}, eight to eighteen bars apart, five to nine usual
 * ranges of the walk high, and blurred by steps that come back to it. Clarity says how much: 1 is clear, 0.5 middling, 0.25 faint.
 * Between two lie 60 to 120 bars of the walk.
 */
public final class PlantedBars {
    private static final double VOLATILITY = 0.011;
    /** A usual true range of these bars, as a share of the price. */
    private static final double RANGE = 0.0185;

    private static final LocalDate FIRST_DAY = LocalDate.of(2000, 1, 3);
    private static final int LEAD = 110;

    private final Dice dice;
    private final SyntheticBars.Kind around;
    private final double clarity;
    private final List<double[]> bars = new ArrayList<>();
    private double price = 100;
    private double drift;
    private int legLeft;

    /**
     * Bars and what is planted in them.
     *
     * @param series of days
     * @param truth in the order of time
     */
    public record Made(BarSeries series, List<Planted> truth) {}

    private PlantedBars(long seed, SyntheticBars.Kind around, double clarity, List<String> kinds) {
        this.dice = new Dice(seed, Dice.key("planted " + String.join(" ", kinds)), (long) (clarity * 1000));
        this.around = around;
        this.clarity = clarity;
    }

    /** What can be planted. */
    public static List<String> kinds() {
        return Template.kinds();
    }

    /**
     * Makes bars with as many structures as have room, of the kinds in turn.
     *
     * @param count of bars
     * @param kinds one at least
     * @param clarity from 0.1 to 1
     * @throws IllegalArgumentException for an unknown kind, another clarity, or where not one has room
     */
    public static Made make(long seed, int count, SyntheticBars.Kind around, List<String> kinds, double clarity) {
        if (!(clarity >= 0.1 && clarity <= 1)) {
            throw new IllegalArgumentException("clarity is from 0.1 (faint) to 1 (clear), not " + clarity);
        }
        PlantedBars made = new PlantedBars(seed, around, clarity, kinds);
        List<Planted> truth = new ArrayList<>();
        made.walk(Math.min(LEAD, Math.max(30, count / 3)));
        for (int number = 0; ; number++) {
            List<Template> choice = Template.of(kinds.get(number % kinds.size()));
            Template template = choice.get(made.dice.below(choice.size()));
            int[] legs = made.legs(template);
            int needed = 20;
            for (int leg : legs) {
                needed += leg;
            }
            if (made.bars.size() + needed > count) {
                break;
            }
            truth.add(made.plant(template, legs));
            made.walk(60 + made.dice.below(61));
        }
        if (truth.isEmpty()) {
            throw new IllegalArgumentException("nothing has room in " + count + " bars; 300 are enough for one");
        }
        made.walk(Math.max(0, count - made.bars.size()));
        return new Made(made.series(count), truth);
    }

    /** How many bars each leg takes. */
    private int[] legs(Template template) {
        int[] legs = new int[template.knots().size()];
        for (int leg = 0; leg < legs.length; leg++) {
            boolean pole = template.hasPole() && leg == 1;
            boolean rest = template.hasPole() && leg > 1;
            legs[leg] = pole ? 5 + dice.below(4) : rest ? 4 + dice.below(4) : 8 + dice.below(11);
        }
        legs[0] = template.hasPole() ? 1 : legs[0];
        return legs;
    }

    private void walk(int count) {
        for (int bar = 0; bar < count; bar++) {
            if (around == SyntheticBars.Kind.TREND && legLeft-- <= 0) {
                legLeft = 40 + dice.below(121);
                drift = (drift > 0 ? -1 : 1) * VOLATILITY * dice.between(0.15, 0.4);
            }
            double open = price * Math.exp(0.25 * VOLATILITY * dice.bell());
            add(open, open * Math.exp(drift + VOLATILITY * dice.fat()));
        }
    }

    private void add(double open, double close) {
        double high = Math.max(open, close) * Math.exp(0.5 * VOLATILITY * dice.exponential());
        double low = Math.min(open, close) * Math.exp(-0.5 * VOLATILITY * dice.exponential());
        bars.add(new double[] {open, high, low, close, Math.rint(100_000 * Math.exp(0.4 * dice.bell()))});
        price = Math.min(1e7, Math.max(1, close));
    }

    private Planted plant(Template template, int[] legs) {
        List<Template.Knot> knots = template.knots();
        double height = RANGE * (template.hasPole() ? dice.between(8, 12) : dice.between(5, 9));
        double[] heights = template.heights(legs);
        double[] levels = new double[knots.size()];
        for (int knot = 0; knot < levels.length; knot++) {
            double scatter = knots.get(knot).scatter() / Math.max(0.5, clarity);
            levels[knot] = template.sign() * height * (heights[knot] + scatter * dice.between(-1, 1));
        }
        // The course begins where the walk stands.
        double base = Math.log(price) - levels[0];
        int[] at = new int[knots.size()];
        double blur = 0;
        double before = levels[0];
        for (int knot = 0; knot < levels.length; knot++) {
            for (int step = 1; step <= legs[knot]; step++) {
                double part = (double) step / legs[knot];
                blur = 0.45 * blur + 0.34 * VOLATILITY / clarity * dice.bell() * (step == legs[knot] ? 0.3 : 1);
                double close = Math.exp(base + before + (levels[knot] - before) * part + blur);
                double open = price * Math.exp(0.15 * VOLATILITY * dice.bell());
                narrow(open, close);
            }
            at[knot] = bars.size() - 1;
            before = levels[knot];
        }
        return truth(template, heights, at);
    }

    /** A bar of the structure, with short shadows, so that its turns stay where they are. */
    private void narrow(double open, double close) {
        double reach = 0.3 * VOLATILITY / Math.sqrt(clarity);
        double high = Math.max(open, close) * Math.exp(reach * dice.exponential());
        double low = Math.min(open, close) * Math.exp(-reach * dice.exponential());
        bars.add(new double[] {open, high, low, close, Math.rint(100_000 * Math.exp(0.4 * dice.bell()))});
        price = close;
    }

    /** Where the turns came out, and the first close beyond what completes it. */
    private Planted truth(Template template, double[] heights, int[] at) {
        List<Planted.Point> points = new ArrayList<>();
        List<Template.Knot> knots = template.knots();
        for (int knot = 0; knot < at.length; knot++) {
            if (!knots.get(knot).role().isEmpty()) {
                double next = heights[Math.min(at.length - 1, knot + 1)];
                boolean high = template.sign() * (heights[knot] - next) > 0;
                points.add(turn(knots.get(knot).role(), at[knot], high));
            }
        }
        int last = points.get(points.size() - 1).bar();
        int knowable = bars.size() - 1;
        for (int bar = last + 1; bar < bars.size(); bar++) {
            if (isBeyond(template, points, bar)) {
                knowable = bar;
                break;
            }
        }
        return new Planted(template.kind(), points, points.get(0).bar(), last, knowable);
    }

    private Planted.Point turn(String role, int around, boolean high) {
        int found = around;
        for (int bar = Math.max(0, around - 3); bar <= Math.min(bars.size() - 1, around + 3); bar++) {
            boolean further = high ? bars.get(bar)[1] > bars.get(found)[1] : bars.get(bar)[2] < bars.get(found)[2];
            found = further ? bar : found;
        }
        return new Planted.Point(role, found, high ? bars.get(found)[1] : bars.get(found)[2]);
    }

    /** Beyond the line through the two turns, or the one, that it leaves by. */
    private boolean isBeyond(Template template, List<Planted.Point> points, int bar) {
        String edge = template.edge();
        List<Planted.Point> on =
                points.stream().filter(each -> each.role().equals(edge)).toList();
        Planted.Point first = template.hasPole() ? points.get(1) : on.get(0);
        Planted.Point other = template.hasPole() ? points.get(3) : on.get(on.size() - 1);
        double line = first.bar() == other.bar()
                ? first.price()
                : first.price() + (other.price() - first.price()) * (bar - first.bar()) / (other.bar() - first.bar());
        double close = bars.get(bar)[3];
        return template.leavesUp() ? close > line : close < line;
    }

    private BarSeries series(int count) {
        BarSeries series = new BarSeries(count);
        LocalDate day = FIRST_DAY;
        for (int bar = 0; bar < count; bar++) {
            double[] each = bars.get(bar);
            long time = Times.micros(day.atStartOfDay(ZoneOffset.UTC));
            double open = cents(each[0]);
            double close = cents(each[3]);
            series.append(
                    time,
                    time + Times.DAY,
                    open,
                    Math.max(cents(each[1]), Math.max(open, close)),
                    Math.min(cents(each[2]), Math.min(open, close)),
                    close,
                    each[4]);
            day = day.plusDays(day.getDayOfWeek().getValue() == 5 ? 3 : 1);
        }
        return series;
    }

    private static double cents(double value) {
        return Math.rint(value * 100) / 100;
    }
}
