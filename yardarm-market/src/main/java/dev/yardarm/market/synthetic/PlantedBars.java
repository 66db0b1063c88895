package dev.yardarm.market.synthetic;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.planted.Course;
import dev.yardarm.market.planted.Planted;
import dev.yardarm.market.planted.Template;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
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

    /** The bars so far. */
    private record Taken(List<double[]> bars) implements Course.Prices {
        @Override
        public int size() {
            return bars.size();
        }

        @Override
        public double high(int bar) {
            return bars.get(bar)[1];
        }

        @Override
        public double low(int bar) {
            return bars.get(bar)[2];
        }

        @Override
        public double close(int bar) {
            return bars.get(bar)[3];
        }
    }

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
            int[] legs = template.legs(made.dice);
            if (made.bars.size() + 20 + Arrays.stream(legs).sum() > count) {
                break;
            }
            truth.add(made.plant(new Course(template, legs, RANGE * template.height(made.dice), clarity)));
            made.walk(60 + made.dice.below(61));
        }
        if (truth.isEmpty()) {
            throw new IllegalArgumentException("nothing has room in " + count + " bars; 300 are enough for one");
        }
        made.walk(Math.max(0, count - made.bars.size()));
        return new Made(made.series(count), truth);
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

    private Planted plant(Course course) {
        int first = bars.size();
        course.draw(VOLATILITY, dice, price, close -> narrow(price * Math.exp(0.15 * VOLATILITY * dice.bell()), close));
        return course.truth(first, new Taken(bars));
    }

    /** A bar of the structure, with short shadows, so that its turns stay where they are. */
    private void narrow(double open, double close) {
        double reach = 0.3 * VOLATILITY / Math.sqrt(clarity);
        double high = Math.max(open, close) * Math.exp(reach * dice.exponential());
        double low = Math.min(open, close) * Math.exp(-reach * dice.exponential());
        bars.add(new double[] {open, high, low, close, Math.rint(100_000 * Math.exp(0.4 * dice.bell()))});
        price = close;
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
