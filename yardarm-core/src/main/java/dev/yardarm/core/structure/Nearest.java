package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * A value of the standing finding nearest to the close on one side: above it or below. A finding stands from when it is settled, or
 * found where the provisional counts, until nothing more can come of it.
 *
 * <p>The logarithm of those that stand for an entry and for a bar; a copy costs by what stands.
 */
public final class Nearest implements Reader {
    private final boolean above;
    private final boolean farthest;
    private final boolean provisional;
    private final Function<Finding, double[]> prices;
    private final ToDoubleFunction<Finding> value;
    private final TreeMap<Double, Map<Integer, Finding>> standing = new TreeMap<>();
    private final Map<Integer, double[]> known = new HashMap<>();

    /**
     * @param above true for the nearest above the close
     * @param provisional whether what may still be taken back counts
     * @param prices of a finding: the nearest of them counts; none for one that does not count
     * @param value of the nearest finding; NaN to take the price by which it is nearest
     */
    public Nearest(
            boolean above, boolean provisional, Function<Finding, double[]> prices, ToDoubleFunction<Finding> value) {
        this(above, false, provisional, prices, value);
    }

    private Nearest(
            boolean above,
            boolean farthest,
            boolean provisional,
            Function<Finding, double[]> prices,
            ToDoubleFunction<Finding> value) {
        this.above = above;
        this.farthest = farthest;
        this.provisional = provisional;
        this.prices = prices;
        this.value = value;
    }

    /** The nearest price itself. */
    public static Reader price(boolean above, boolean provisional, Function<Finding, double[]> prices) {
        return new Nearest(above, provisional, prices, finding -> Double.NaN);
    }

    /** The price farthest away on its side. */
    public static Reader farthest(boolean above, boolean provisional, Function<Finding, double[]> prices) {
        return new Nearest(above, true, provisional, prices, finding -> Double.NaN);
    }

    @Override
    public void note(FindingLog.Standing entry) {
        double[] before = known.remove(entry.number());
        if (before != null) {
            for (double each : before) {
                Map<Integer, Finding> at = standing.get(each);
                // Both borders of one without width are the same price.
                if (at != null && at.remove(entry.number()) != null && at.isEmpty()) {
                    standing.remove(each);
                }
            }
        }
        if (!entry.state().isEnd() && (provisional || entry.state() != Finding.State.PROVISIONAL)) {
            double[] now = prices.apply(entry.finding());
            if (now.length > 0) {
                known.put(entry.number(), now);
                for (double each : now) {
                    standing.computeIfAbsent(each, missing -> new HashMap<>()).put(entry.number(), entry.finding());
                }
            }
        }
    }

    @Override
    public double at(Bars bars, int bar) {
        double close = bars.close(bar);
        if (close != close) {
            return Double.NaN;
        }
        Map.Entry<Double, Map<Integer, Finding>> nearest =
                above ? standing.higherEntry(close) : standing.lowerEntry(close);
        if (nearest == null) {
            return Double.NaN;
        }
        if (farthest) {
            return above ? standing.lastKey() : standing.firstKey();
        }
        double best = Double.NaN;
        for (Finding each : nearest.getValue().values()) {
            double its = value.applyAsDouble(each);
            best = best >= its ? best : its;
        }
        return best == best ? best : nearest.getKey();
    }

    @Override
    public Reader copy() {
        Nearest copy = new Nearest(above, farthest, provisional, prices, value);
        standing.forEach((price, findings) -> copy.standing.put(price, new HashMap<>(findings)));
        copy.known.putAll(known);
        return copy;
    }
}
