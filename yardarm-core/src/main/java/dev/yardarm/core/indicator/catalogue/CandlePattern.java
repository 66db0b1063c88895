package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import java.util.Arrays;

/**
 * The base of the candle patterns: a rule over the last few bars, each as a row of six numbers (open, high, low, close, usual body,
 * trend), the newest first, moved on by one row with each bar. The usual body is the mean of {@code |close - open|} of the bars
 * before that bar; the trend is the exponential average of the closes, and a bar stands in a decline when it closes below it.
 * Bodies are <i>long</i> above the usual one and <i>small</i> below half of it; those numbers follow Gregory L. Morris, Candlepower
 * (1992), who was the first to write the patterns down as rules.
 *
 * <p>Each cue is known at the close of the last bar of its pattern. Missing until all bars of the rule have their usual body and
 * trend; a bar with a missing price begins anew. O(1) a bar, nothing allocated.
 */
abstract class CandlePattern extends Declared {
    /** The doji of patterns that have one: at most this part of the range between open and close. */
    private static final double DOJI_PERCENT = 5;

    /** Numbers of a row. */
    static final int FIELDS = 6;

    /** The share a doji has by default. */
    static final double USUAL_DOJI = DOJI_PERCENT / 100;

    // What a bar is, each a bit of its byte.
    static final int RISES = 1;
    static final int FALLS = 1 << 1;
    static final int LONG = 1 << 2;
    static final int SMALL = 1 << 3;
    /** A doji of the default share. */
    static final int DOJI = 1 << 4;

    static final int DECLINE = 1 << 5;
    static final int RISE = 1 << 6;
    /** A wick of twice the body at least, and a body that is there. */
    static final int WICK_ABOVE = 1 << 7;

    static final int WICK_BELOW = 1 << 8;

    /** Bits of a bar in a sieve: five bars have place in a number. */
    static final int BITS = 9;

    private final int candles;
    /** Counted when it is first asked for: outputs are declared one by one. */
    private int cues;

    private boolean hasDoji;

    /** @param candles how many bars the rule looks at, with the one before the pattern where it asks for the trend */
    CandlePattern(String name, String title, int candles) {
        super(Family.CANDLES, name, title);
        this.candles = candles;
        whole("usual", "Usual body over bars", 10, 1, MOST);
        whole("trend", "Trend over bars", 10, 1, MOST);
    }

    /** How many bars the rule looks at. */
    final int candles() {
        return candles;
    }

    /** How many cues it has. */
    final int cues() {
        int known = cues;
        if (known == 0) {
            known = outputs().size();
            cues = known;
        }
        return known;
    }

    /** What counts as a doji can be set. */
    final void dojiShare() {
        hasDoji = true;
        number("doji", "Doji, % of range", DOJI_PERCENT, 0, 50);
    }

    /**
     * What bars must be for one of its cues to hold: bits of {@link #at}. Where all bits of none of the numbers are set, no cue does and
     * the rule need not be asked.
     */
    abstract long[] sieve();

    /** In a sieve: the bar so many bars back is all of these. */
    static long at(int back, int bits) {
        return (long) bits << BITS * back;
    }

    /** What the newest bar is. */
    static int bits(double[] c) {
        double open = c[0];
        double close = c[3];
        double top = open;
        double bottom = close;
        int bits = 0;
        if (close > open) {
            top = close;
            bottom = open;
            bits = RISES;
        } else if (close < open) {
            bits = FALLS;
        }
        double body = top - bottom;
        double twice = 2 * body;
        bits |= body > c[4] ? LONG : body < c[4] / 2 ? SMALL : 0;
        bits |= body <= USUAL_DOJI * (c[1] - c[2]) ? DOJI : 0;
        bits |= close < c[5] ? DECLINE : close > c[5] ? RISE : 0;
        if (body > 0) {
            bits |= (c[1] - top >= twice ? WICK_ABOVE : 0) | (bottom - c[2] >= twice ? WICK_BELOW : 0);
        }
        return bits;
    }

    /**
     * The rule.
     *
     * @param c the bars, to be read by {@link #open} and its like
     * @param share a doji has at most this part of its range between open and close
     * @param out a place for each cue, to be filled with {@link #yes}
     */
    abstract void judge(double[] c, double share, double[] out);

    @Override
    public final void build(Recipe r) {
        double share = (hasDoji ? r.number("doji") : DOJI_PERCENT) / 100;
        double[] none = new double[candles * FIELDS];
        Arrays.fill(none, Double.NaN);
        int oldest = (candles - 1) * FIELDS;
        r.out(r.steps(
                name() + " " + share,
                candles - 1,
                none,
                outputs().size(),
                (in, state, out) -> {
                    System.arraycopy(state, 0, state, FIELDS, oldest);
                    System.arraycopy(in, 0, state, 0, FIELDS);
                    if (Double.isNaN(state[oldest])) {
                        Arrays.fill(out, Double.NaN);
                    } else {
                        judge(state, share, out);
                    }
                },
                inputs(r)));
    }

    /** The columns whose values are a row, in its order. */
    static Node[] inputs(Recipe r) {
        Node body = r.zip("body", r.open(), r.close(), (open, close) -> Math.abs(close - open));
        Node usual = r.back(r.mean(body, r.whole("usual")), 1);
        Node trend = r.ema(r.close(), r.whole("trend"));
        return new Node[] {r.open(), r.high(), r.low(), r.close(), usual, trend};
    }

    static double yes(boolean holds) {
        return holds ? 1 : 0;
    }

    /** The open of the bar so many bars back; likewise those below. */
    static double open(double[] c, int back) {
        return c[back * FIELDS];
    }

    static double high(double[] c, int back) {
        return c[back * FIELDS + 1];
    }

    static double low(double[] c, int back) {
        return c[back * FIELDS + 2];
    }

    static double close(double[] c, int back) {
        return c[back * FIELDS + 3];
    }

    /** The mean body of the bars before it. */
    static double usual(double[] c, int back) {
        return c[back * FIELDS + 4];
    }

    static boolean inDecline(double[] c, int back) {
        return close(c, back) < c[back * FIELDS + 5];
    }

    static boolean inRise(double[] c, int back) {
        return close(c, back) > c[back * FIELDS + 5];
    }

    static double body(double[] c, int back) {
        return Math.abs(close(c, back) - open(c, back));
    }

    static double range(double[] c, int back) {
        return high(c, back) - low(c, back);
    }

    /** The upper end of the body. */
    static double top(double[] c, int back) {
        return Math.max(open(c, back), close(c, back));
    }

    /** The lower end of the body. */
    static double bottom(double[] c, int back) {
        return Math.min(open(c, back), close(c, back));
    }

    /** The wick above the body. */
    static double upper(double[] c, int back) {
        return high(c, back) - top(c, back);
    }

    /** The wick below the body. */
    static double lower(double[] c, int back) {
        return bottom(c, back) - low(c, back);
    }

    /** A small body at one end of the bar: the wick at the far end is at least twice the body, that at the near end hardly there. */
    static boolean rejects(double[] c, double far, double near) {
        return body(c, 0) > 0 && body(c, 0) <= range(c, 0) / 3 && far >= 2 * body(c, 0) && near <= 0.1 * range(c, 0);
    }

    static boolean rises(double[] c, int back) {
        return close(c, back) > open(c, back);
    }

    static boolean falls(double[] c, int back) {
        return close(c, back) < open(c, back);
    }

    static boolean isLong(double[] c, int back) {
        return body(c, back) > usual(c, back);
    }

    static boolean isSmall(double[] c, int back) {
        return body(c, back) < usual(c, back) / 2;
    }

    static boolean isDoji(double[] c, int back, double share) {
        return range(c, back) > 0 && body(c, back) <= share * range(c, back);
    }

    /** A long body with next to no wicks. */
    static boolean isFull(double[] c, int back) {
        return isLong(c, back) && upper(c, back) <= 0.05 * range(c, back) && lower(c, back) <= 0.05 * range(c, back);
    }

    /** A rising body that covers the falling one before it. */
    static boolean engulfsUp(double[] c, int back) {
        return falls(c, back + 1)
                && rises(c, back)
                && open(c, back) <= close(c, back + 1)
                && close(c, back) >= open(c, back + 1)
                && body(c, back) > body(c, back + 1);
    }

    /** A falling body that covers the rising one before it. */
    static boolean engulfsDown(double[] c, int back) {
        return rises(c, back + 1)
                && falls(c, back)
                && open(c, back) >= close(c, back + 1)
                && close(c, back) <= open(c, back + 1)
                && body(c, back) > body(c, back + 1);
    }
}
