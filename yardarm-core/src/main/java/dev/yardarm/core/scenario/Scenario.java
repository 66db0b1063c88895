package dev.yardarm.core.scenario;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.PriceBasis;
import java.util.List;
import java.util.Objects;

/**
 * One reading of the market. Its labels and notes are drawings on a tracing of its own; how likely it is stands in {@link Scenarios}, for that
 * depends on the others.
 *
 * @param id unique within the instrument
 * @param title what the trader calls it
 * @param tracing name of the sheet its drawings are on; empty for none
 * @param parent id of the larger scenario it is a reading within; empty for one of the largest
 * @param invalidation price beyond which it is wrong, in prices of the day it was made
 * @param targets what it leads to, in their order; at least one
 * @param madeAt when it was made, microseconds UTC
 */
public record Scenario(
        String id,
        InstrumentId instrument,
        String title,
        String tracing,
        String parent,
        double invalidation,
        List<Target> targets,
        long madeAt) {
    /**
     * Where a scenario leads.
     *
     * @param price in prices of the day the scenario was made
     * @param at when it is expected there, microseconds UTC; 0 when that is open
     */
    public record Target(double price, long at) {
        public Target {
            if (!Double.isFinite(price)) {
                throw new IllegalArgumentException("a target is a price, not " + price);
            }
        }
    }

    public Scenario {
        Objects.requireNonNull(id);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(tracing);
        Objects.requireNonNull(parent);
        targets = List.copyOf(targets);
        if (title.isBlank()) {
            throw new IllegalArgumentException("a scenario needs a title, such as \"wave 5 up\"");
        }
        if (!Double.isFinite(invalidation)) {
            throw new IllegalArgumentException("a scenario needs a price that proves it wrong");
        }
        if (targets.isEmpty()) {
            throw new IllegalArgumentException("a scenario leads somewhere: give it a target");
        }
        if (targets.get(targets.size() - 1).price() == invalidation) {
            throw new IllegalArgumentException("a scenario cannot lead to the price that proves it wrong");
        }
        if (parent.equals(id)) {
            throw new IllegalArgumentException("a scenario is no reading within itself");
        }
    }

    /** The same in the prices of a chart, where it is kept in prices of the day it was made. */
    public Scenario in(PriceBasis basis) {
        return basis.isAsTraded()
                ? this
                : new Scenario(
                        id,
                        instrument,
                        title,
                        tracing,
                        parent,
                        basis.shown(invalidation, madeAt),
                        targets.stream()
                                .map(each -> new Target(basis.shown(each.price(), madeAt), each.at()))
                                .toList(),
                        madeAt);
    }

    /** 1 when it leads up, -1 when it leads down: its last target against what proves it wrong. */
    public int way() {
        return targets.get(targets.size() - 1).price() > invalidation ? 1 : -1;
    }

    /** True when a price proves it wrong: one beyond its invalidation, on the other side than where it leads. */
    public boolean isInvalidatedBy(double price) {
        return way() * (invalidation - price) > 0;
    }
}
