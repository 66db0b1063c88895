package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.Arrays;

/**
 * The targets that stand, in columns, the oldest first, and the prices within which nothing happens to any of them: a bar inside costs five
 * comparisons, one outside a look at each.
 */
final class OpenTargets {
    private static final int MOST = 60;

    private int size;
    private int[] numbers = new int[4];
    private TargetKind[] kinds = new TargetKind[4];
    private boolean[] ups = new boolean[4];
    private double[] prices = new double[4];
    private double[] voids = new double[4];
    private int[] untils = new int[4];
    private int[] ofs = new int[4];

    /** Within these prices and up to this bar nothing happens to what is open; worked out anew after a bar outside. */
    private double calmHigh;

    private double calmLow;
    private double closeAbove;
    private double closeBelow;
    private int calmUntil;
    private boolean known;

    OpenTargets() {}

    private OpenTargets(OpenTargets other) {
        size = other.size;
        numbers = other.numbers.clone();
        kinds = other.kinds.clone();
        ups = other.ups.clone();
        prices = other.prices.clone();
        voids = other.voids.clone();
        untils = other.untils.clone();
        ofs = other.ofs.clone();
    }

    OpenTargets copy() {
        return new OpenTargets(this);
    }

    /** True when there are so many that no more are taken. */
    boolean isFull() {
        return size == MOST;
    }

    /**
     * Adds one.
     *
     * @param voided price beyond which it is void; NaN for none but that of what it rests on
     * @param until the last bar it stands
     * @param of the number of what it rests on, in the log of its kind; -1 for none
     */
    void add(int number, TargetKind kind, boolean up, double price, double voided, int until, int of) {
        if (size == numbers.length) {
            int room = 2 * size;
            numbers = Arrays.copyOf(numbers, room);
            kinds = Arrays.copyOf(kinds, room);
            ups = Arrays.copyOf(ups, room);
            prices = Arrays.copyOf(prices, room);
            voids = Arrays.copyOf(voids, room);
            untils = Arrays.copyOf(untils, room);
            ofs = Arrays.copyOf(ofs, room);
        }
        numbers[size] = number;
        kinds[size] = kind;
        ups[size] = up;
        prices[size] = price;
        voids[size] = voided;
        untils[size] = until;
        ofs[size] = of;
        narrow(size++);
    }

    private void remove(int at) {
        int behind = --size - at;
        if (behind > 0) {
            System.arraycopy(numbers, at + 1, numbers, at, behind);
            System.arraycopy(kinds, at + 1, kinds, at, behind);
            System.arraycopy(ups, at + 1, ups, at, behind);
            System.arraycopy(prices, at + 1, prices, at, behind);
            System.arraycopy(voids, at + 1, voids, at, behind);
            System.arraycopy(untils, at + 1, untils, at, behind);
            System.arraycopy(ofs, at + 1, ofs, at, behind);
        }
    }

    /** A newer one takes the place of those of its kind the same way. */
    void replace(TargetKind kind, boolean up, int bar, FindingLog log) {
        for (int at = 0; at < size; at++) {
            if (kinds[at] == kind && ups[at] == up) {
                log.become(numbers[at], Finding.State.EXPIRED, bar);
                remove(at--);
            }
        }
    }

    /** What those of a kind rest on has come to an end. */
    void end(TargetKind kind, int of, Finding.State state, int bar, FindingLog log) {
        for (int at = 0; at < size; at++) {
            if (ofs[at] == of && kinds[at] == kind) {
                log.become(numbers[at], state, bar);
                remove(at--);
            }
        }
    }

    /** Structure is broken against those of one way: they stand no more. */
    void endSide(boolean up, int bar, FindingLog log) {
        for (int at = size - 1; at >= 0; at--) {
            if (ups[at] == up) {
                log.become(numbers[at], Finding.State.FAILED, bar);
                remove(at);
            }
        }
    }

    /** Takes a bar: what it reaches, leaves behind or outlives is noted and stands no more. */
    void follow(Bars bars, int bar, FindingLog log) {
        if (!known) {
            calm();
        }
        double close = bars.close(bar);
        boolean calm = bars.high(bar) < calmHigh
                && bars.low(bar) > calmLow
                && close >= closeAbove
                && close <= closeBelow
                && bar <= calmUntil;
        if (calm) {
            return;
        }
        known = false;
        for (int at = size - 1; at >= 0; at--) {
            boolean reached = ups[at] ? bars.high(bar) >= prices[at] : bars.low(bar) <= prices[at];
            boolean failed = !kinds[at].slopes() && (ups[at] ? close < voids[at] : close > voids[at]);
            if (reached || failed || bar > untils[at]) {
                log.become(
                        numbers[at],
                        reached ? Finding.State.REACHED : failed ? Finding.State.FAILED : Finding.State.EXPIRED,
                        bar);
                remove(at);
            }
        }
    }

    private void calm() {
        calmHigh = Double.POSITIVE_INFINITY;
        calmLow = Double.NEGATIVE_INFINITY;
        closeAbove = Double.NEGATIVE_INFINITY;
        closeBelow = Double.POSITIVE_INFINITY;
        calmUntil = Integer.MAX_VALUE;
        for (int at = 0; at < size; at++) {
            narrow(at);
        }
        known = true;
    }

    private void narrow(int at) {
        calmUntil = Math.min(calmUntil, untils[at]);
        boolean slopes = kinds[at].slopes();
        if (ups[at]) {
            calmHigh = Math.min(calmHigh, prices[at]);
            closeAbove = slopes ? closeAbove : Math.max(closeAbove, voids[at]);
        } else {
            calmLow = Math.max(calmLow, prices[at]);
            closeBelow = slopes ? closeBelow : Math.min(closeBelow, voids[at]);
        }
    }
}
