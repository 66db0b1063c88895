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
 * of them, where each pattern alone moves its own. O(patterns) a bar, a few comparisons each.
 */
public final class CandleCues {
    /** A number is exact up to so many bits. */
    private static final int MOST_BITS = 52;

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
            double[] none = new double[longest * CandlePattern.FIELDS];
            Arrays.fill(none, Double.NaN);
            double[] told = new double[MOST_BITS];
            r.out(r.steps(
                    name(),
                    0,
                    none,
                    1,
                    (in, state, out) -> {
                        System.arraycopy(state, 0, state, CandlePattern.FIELDS, (longest - 1) * CandlePattern.FIELDS);
                        System.arraycopy(in, 0, state, 0, CandlePattern.FIELDS);
                        out[0] = bits(all, state, told);
                    },
                    CandlePattern.inputs(r)));
        }

        private static long bits(CandlePattern[] all, double[] state, double[] told) {
            long bits = 0;
            int bit = 0;
            for (CandlePattern each : all) {
                int count = each.cues();
                if (!Double.isNaN(state[(each.candles() - 1) * CandlePattern.FIELDS])) {
                    each.judge(state, CandlePattern.USUAL_DOJI, told);
                    for (int cue = 0; cue < count; cue++) {
                        bits |= told[cue] == 1 ? 1L << bit + cue : 0;
                    }
                }
                bit += count;
            }
            return bits;
        }
    }
}
