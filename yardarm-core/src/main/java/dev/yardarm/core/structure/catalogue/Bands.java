package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Puts settled swings of like price together to bands and writes down what becomes of those: see {@link Levels}.
 *
 * <p>O(1) for a bar that closes beyond no edge; a settled swing is compared with at most 60 bands and 40 swings without one.
 */
final class Bands implements ClosingTaker {
    private static final int LONE = 40;
    private static final int MOST = 60;
    /** So many touches of a band are kept. */
    private static final int MOST_TOUCHES = 40;
    /** So many bars before a touch have the usual volume. */
    private static final int USUAL = 50;

    private final int touches;
    private final double swing;
    private final double width;
    private final int age;
    private final List<Band> bands = new ArrayList<>();
    private final List<Touch> lone = new ArrayList<>();
    /** The nearest edge above that a close breaks, and the nearest below. */
    private double above = Double.POSITIVE_INFINITY;

    private double below = Double.NEGATIVE_INFINITY;
    /** Price of the swing settled last; NaN before the first. */
    private double before = Double.NaN;

    /**
     * A swing that touched.
     *
     * @param weight its volume over the usual, from a half to two, times its degree
     */
    private record Touch(boolean high, int bar, long time, double price, double weight) {}

    /** The volume of a bar over the mean of those before it, from a half to two; 1 where there is none. */
    private static double weight(Bars bars, int at) {
        double sum = 0;
        int count = 0;
        for (int bar = Math.max(0, at - USUAL); bar < at; bar++) {
            double volume = bars.volume(bar);
            if (volume > 0) {
                sum += volume;
                count++;
            }
        }
        double over = bars.volume(at) * count / sum;
        return over > 0 ? Math.max(0.5, Math.min(2, over)) : 1;
    }

    /**
     * How much a swing counts by the move that led to it: one three times the smallest is of the next higher timeframe and counts twice,
     * nine times thrice, in between between them.
     */
    private static double degree(double times) {
        double degree = 1 + Math.log(times) / Math.log(3);
        return degree > 1 ? Math.min(3, degree) : 1;
    }

    /** A band; while it is provisional it moves with each touch. */
    private static final class Band {
        private final int number;
        private List<Touch> touched;
        private double low;
        private double high;
        private int last;
        /** 1 when it is support, -1 when it is resistance, 0 while it is provisional. */
        private int role;

        Band(int number, List<Touch> touched, int last) {
            this.number = number;
            this.last = last;
            take(touched);
        }

        Band(Band other) {
            number = other.number;
            touched = other.touched;
            low = other.low;
            high = other.high;
            last = other.last;
            role = other.role;
        }

        void take(List<Touch> all) {
            touched = all;
            low = all.stream().mapToDouble(Touch::price).min().orElseThrow();
            high = all.stream().mapToDouble(Touch::price).max().orElseThrow();
        }

        /** One more touch of a band that stays where it is; the oldest but the first go when there are many. */
        void retested(Touch touch) {
            List<Touch> all = new ArrayList<>(touched);
            all.add(touch);
            if (all.size() > MOST_TOUCHES) {
                all.remove(1);
            }
            touched = all;
        }

        double distance(double price) {
            return Math.abs(price - (low + high) / 2);
        }
    }

    /** @param swing size of the smallest swings, in usual ranges */
    Bands(int touches, double swing, double width, int age) {
        this.touches = touches;
        this.swing = swing;
        this.width = width;
        this.age = age;
    }

    @Override
    public ClosingTaker copy() {
        Bands copy = new Bands(touches, swing, width, age);
        copy.before = before;
        bands.forEach(each -> copy.bands.add(new Band(each)));
        copy.lone.addAll(lone);
        copy.above = above;
        copy.below = below;
        return copy;
    }

    @Override
    public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
        // A swing that may still move is no touch.
    }

    @Override
    public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
        double price = high ? bars.high(at) : bars.low(at);
        double weight = weight(bars, at) * degree(Math.abs(price - before) / (swing * usual.mean()));
        before = price;
        Touch touch = new Touch(high, at, bars.openTime(at), price, weight);
        double near = width * usual.mean();
        expire(bar, log);
        Band band = nearest(touch.price(), near);
        if (band != null && band.role != 0) {
            band.retested(touch);
            Finding before = log.standing(band.number).finding();
            log.become(
                    band.number,
                    Finding.State.RETESTED,
                    new Finding(
                            before.kind(),
                            points(band.touched),
                            before.lines(),
                            Double.NaN,
                            Double.NaN,
                            score(band.touched, bar)),
                    bar);
            band.last = bar;
        } else if (band != null) {
            List<Touch> all = new ArrayList<>(band.touched);
            all.add(touch);
            band.take(all);
            band.last = bar;
            log.changed(band.number, finding(band.touched, bars.close(bar), bar), bar);
            settle(band, bars.close(bar), log, bar);
        } else {
            pair(touch, near, bars.close(bar), log, bar);
        }
        edges();
    }

    private void pair(Touch touch, double near, double close, FindingLog log, int bar) {
        Touch mate = null;
        for (Touch each : lone) {
            double distance = Math.abs(each.price() - touch.price());
            if (distance <= near && (mate == null || distance < Math.abs(mate.price() - touch.price()))) {
                mate = each;
            }
        }
        if (mate == null) {
            if (lone.size() == LONE) {
                lone.remove(0);
            }
            lone.add(touch);
            return;
        }
        lone.remove(mate);
        List<Touch> both = List.of(mate, touch);
        Band band = new Band(log.found(finding(both, close, bar), bar), both, bar);
        bands.add(band);
        settle(band, close, log, bar);
    }

    private void settle(Band band, double close, FindingLog log, int bar) {
        if (band.touched.size() >= touches) {
            band.role = role(band.touched, close);
            log.become(band.number, Finding.State.CONFIRMED, bar);
        }
    }

    /** The band whose middle is nearest to a price and within reach of it; null for none. */
    private Band nearest(double price, double near) {
        Band found = null;
        for (Band each : bands) {
            if (each.distance(price) <= near && (found == null || each.distance(price) < found.distance(price))) {
                found = each;
            }
        }
        return found;
    }

    /** What has not been touched for long goes, and the longest untouched one when there are too many. */
    private void expire(int bar, FindingLog log) {
        bands.removeIf(each -> {
            boolean old = bar - each.last > age;
            if (old) {
                end(each, log, bar);
            }
            return old;
        });
        if (bands.size() >= MOST) {
            Band oldest = bands.get(0);
            for (Band each : bands) {
                oldest = each.last < oldest.last ? each : oldest;
            }
            end(oldest, log, bar);
            bands.remove(oldest);
        }
    }

    private static void end(Band band, FindingLog log, int bar) {
        log.become(band.number, band.role == 0 ? Finding.State.VOID : Finding.State.EXPIRED, bar);
    }

    /** Support below the close, resistance above it; with the close inside as it was touched last. */
    private static int role(List<Touch> touched, double close) {
        Touch last = touched.get(touched.size() - 1);
        boolean over = touched.stream().allMatch(each -> each.price() < close);
        boolean under = touched.stream().allMatch(each -> each.price() > close);
        return over ? 1 : under ? -1 : last.high() ? -1 : 1;
    }

    private Finding finding(List<Touch> touched, double close, int bar) {
        List<Finding.Point> points = points(touched);
        double low = points.stream().mapToDouble(Finding.Point::price).min().orElseThrow();
        double high = points.stream().mapToDouble(Finding.Point::price).max().orElseThrow();
        return new Finding(
                role(touched, close) > 0 ? "support" : "resistance",
                points,
                Map.of("lower", low, "upper", high),
                Double.NaN,
                Double.NaN,
                score(touched, bar));
    }

    private static List<Finding.Point> points(List<Touch> touched) {
        return touched.stream()
                .map(each -> new Finding.Point(each.high() ? "high" : "low", each.time(), each.price()))
                .toList();
    }

    /** Touches by their volume, each half as much after so many bars as make a level old, over as many and two. */
    private double score(List<Touch> touched, int bar) {
        double sum = 0;
        for (Touch each : touched) {
            sum += each.weight() * Math.pow(0.5, (double) (bar - each.bar()) / age);
        }
        return sum / (sum + 2);
    }

    @Override
    public void closed(Bars bars, int bar, FindingLog log) {
        double close = bars.close(bar);
        if (!(close > above || close < below)) {
            return;
        }
        for (Band each : bands) {
            if (each.role < 0 && close > each.high || each.role > 0 && close < each.low) {
                log.become(each.number, Finding.State.BROKEN, bar);
                each.role = -each.role;
            }
        }
        edges();
    }

    private void edges() {
        above = Double.POSITIVE_INFINITY;
        below = Double.NEGATIVE_INFINITY;
        for (Band each : bands) {
            above = each.role < 0 ? Math.min(above, each.high) : above;
            below = each.role > 0 ? Math.max(below, each.low) : below;
        }
    }
}
