package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** The round prices next to the close: see {@link Levels}. O(1) a bar. */
final class RoundPrices implements ClosingTaker {
    private static final double[] PARTS = {5, 2, 1};

    /** The numbers of those that stand. */
    private final Map<Double, Integer> standing = new HashMap<>();

    /** The largest 1, 2 or 5 times a power of ten that is at most a tenth of a price above 0. */
    static double step(double price) {
        double most = price / 10;
        double power = Math.pow(10, Math.floor(Math.log10(most)));
        for (double part : PARTS) {
            if (part * power <= most * (1 + 1e-12)) {
                return part * power;
            }
        }
        return power;
    }

    @Override
    public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
        // Round prices are there without swings.
    }

    @Override
    public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
        // Nor do they follow from them.
    }

    @Override
    public void closed(Bars bars, int bar, FindingLog log) {
        double close = bars.close(bar);
        if (!(close > 0 && close < 1e300)) {
            return;
        }
        double step = step(close);
        double below = Math.floor(close / step);
        TreeSet<Double> wanted = new TreeSet<>();
        // Divided where the step is a part of one: 0.3 is 3 / 10, and not 3 times 0.1.
        double parts = Math.rint(1 / step);
        for (double times : new double[] {below, below + 1}) {
            wanted.add(step < 1 ? times / parts : times * step);
        }
        for (Double gone : new TreeSet<>(standing.keySet())) {
            if (!wanted.contains(gone)) {
                log.become(standing.remove(gone), Finding.State.EXPIRED, bar);
            }
        }
        for (Double price : wanted) {
            if (price > 0 && !standing.containsKey(price)) {
                Finding finding = new Finding(
                        "round_price",
                        List.of(new Finding.Point("close", bars.openTime(bar), close)),
                        Map.of("price", price),
                        Double.NaN,
                        Double.NaN,
                        0.3);
                int number = log.foundSettled(finding, bar);
                standing.put(price, number);
            }
        }
    }

    @Override
    public ClosingTaker copy() {
        RoundPrices copy = new RoundPrices();
        copy.standing.putAll(standing);
        return copy;
    }
}
