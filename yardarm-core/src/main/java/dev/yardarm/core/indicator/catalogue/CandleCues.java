package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The cues of all candle patterns with their default settings in one column, a bit each: the rows of the last bars are moved on once for all
 * of them, where each pattern alone moves its own, and what each bar is (rises, is long, stands in a decline ...) is worked out once and
 * kept as bits: a pattern whose bits are not there is not asked. O(patterns) a bar, a comparison of bits for most.
 */
public final class CandleCues {
    /** A number is exact up to so many bits. */
    private static final int MOST_BITS = 52;

    /** What five bars are. */
    private static final long KEPT = (1L << 5 * CandlePattern.BITS) - 1;

    private CandleCues() {}

    /** The patterns whose cues are the bits, in their order: bit n is the nth of all their cues. */
    public static List<Indicator> patterns() {
        return List.copyOf(all());
    }

    private static List<CandlePattern> all() {
        List<CandlePattern> all = new ArrayList<>();
        for (Indicator each : Catalogue.builtIn().all()) {
            if (each instanceof CandlePattern pattern) {
                all.add(pattern);
            }
        }
        return all;
    }

    /** The column of bits in a graph. */
    public static Node in(ColumnGraph graph) {
        Packed packed = new Packed(all());
        return packed.in(graph, Settings.standard(packed)).get(0);
    }

    /** All patterns as one indicator, which is not in the catalogue. */
    private static final class Packed extends Declared {
        private final List<CandlePattern> patterns;

        Packed(List<CandlePattern> patterns) {
            super(Family.CANDLES, "candle_cues", "All candle patterns");
            whole("usual", "Usual body over bars", 10, 1, MOST);
            whole("trend", "Trend over bars", 10, 1, MOST);
            output("bits", "A bit for each cue", Form.NONE);
            this.patterns = patterns;
            int cues = patterns.stream().mapToInt(CandlePattern::cues).sum();
            if (cues > MOST_BITS) {
                throw new IllegalStateException("a number has " + MOST_BITS + " bits for cues, not " + cues);
            }
        }

        @Override
        public void build(Recipe r) {
            CandlePattern[] all = patterns.toArray(CandlePattern[]::new);
            int longest =
                    Arrays.stream(all).mapToInt(CandlePattern::candles).max().orElse(1);
            Sieved[] sieved = new Sieved[all.length];
            int bit = 0;
            for (int each = 0; each < all.length; each++) {
                sieved[each] = new Sieved(all[each], all[each].sieve(), bit);
                bit += all[each].cues();
            }
            // The rows, and behind them what the bars are as a number.
            int rows = longest * CandlePattern.FIELDS;
            double[] none = new double[rows + 1];
            Arrays.fill(none, 0, rows, Double.NaN);
            double[] told = new double[MOST_BITS];
            r.out(r.steps(
                    name(),
                    0,
                    none,
                    1,
                    (in, state, out) -> {
                        System.arraycopy(state, 0, state, CandlePattern.FIELDS, rows - CandlePattern.FIELDS);
                        System.arraycopy(in, 0, state, 0, CandlePattern.FIELDS);
                        long are = ((long) state[rows] << CandlePattern.BITS | CandlePattern.bits(in)) & KEPT;
                        state[rows] = are;
                        out[0] = cues(sieved, are, state, told);
                    },
                    CandlePattern.inputs(r)));
        }

        private static long cues(Sieved[] all, long are, double[] state, double[] told) {
            long bits = 0;
            for (Sieved each : all) {
                if (each.passes(are)) {
                    bits |= each.cues(state, told);
                }
            }
            return bits;
        }
    }

    /**
     * A pattern behind its sieve: what bars are leaves most of the rules unasked.
     *
     * @param first the bit of its first cue
     */
    private record Sieved(CandlePattern pattern, long[] sieve, int first) {
        boolean passes(long are) {
            for (long asked : sieve) {
                if ((are & asked) == asked) {
                    return true;
                }
            }
            return false;
        }

        long cues(double[] state, double[] told) {
            if (Double.isNaN(state[(pattern.candles() - 1) * CandlePattern.FIELDS])) {
                return 0;
            }
            pattern.judge(state, CandlePattern.USUAL_DOJI, told);
            long bits = 0;
            for (int cue = pattern.cues() - 1; cue >= 0; cue--) {
                bits |= told[cue] == 1 ? 1L << first + cue : 0;
            }
            return bits;
        }
    }
}
