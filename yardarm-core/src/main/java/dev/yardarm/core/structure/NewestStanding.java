package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/**
 * A value of the newest finding that stands: settled, or provisional too, and nothing more has come of it. The logarithm of those that
 * stand for an entry; a copy costs by what stands.
 */
public final class NewestStanding implements Reader {
    private final Predicate<FindingLog.Standing> counts;
    private final ToDoubleFunction<Finding> value;
    private final double none;
    private final TreeMap<Integer, Finding> standing = new TreeMap<>();

    private NewestStanding(Predicate<FindingLog.Standing> counts, ToDoubleFunction<Finding> value, double none) {
        this.counts = counts;
        this.value = value;
        this.none = none;
    }

    /**
     * @param provisional whether what may still be taken back counts
     * @param value of a finding; a finding of which it is NaN does not count
     */
    public static Reader of(boolean provisional, ToDoubleFunction<Finding> value) {
        return new NewestStanding(
                entry -> (provisional || entry.state() != Finding.State.PROVISIONAL)
                        && !Double.isNaN(value.applyAsDouble(entry.finding())),
                value,
                Double.NaN);
    }

    /** A cue: whether something stands that may still be taken back. */
    public static Reader forming(Predicate<Finding> which) {
        return new NewestStanding(
                entry -> entry.state() == Finding.State.PROVISIONAL && which.test(entry.finding()), finding -> 1, 0);
    }

    @Override
    public void note(FindingLog.Standing entry) {
        if (entry.state().isEnd() || !counts.test(entry)) {
            standing.remove(entry.number());
        } else {
            standing.put(entry.number(), entry.finding());
        }
    }

    @Override
    public double at(Bars bars, int bar) {
        return standing.isEmpty()
                ? none
                : value.applyAsDouble(standing.lastEntry().getValue());
    }

    @Override
    public Reader copy() {
        NewestStanding copy = new NewestStanding(counts, value, none);
        copy.standing.putAll(standing);
        return copy;
    }
}
