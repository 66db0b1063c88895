package dev.yardarm.core.source;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import java.util.ArrayList;
import java.util.List;

/**
 * How prices as they were traded become the prices a chart shows: what happened later (splits, dividends, rolls) changes
 * earlier prices by a factor and a difference. What is kept with a price of its day, as the points of drawings, stays with
 * the bars that way whatever is adjusted, and whatever happens later. Immutable.
 */
public final class PriceBasis {
    /** Prices as they were traded. */
    public static final PriceBasis AS_TRADED = new PriceBasis(List.of());

    /**
     * What is done to prices before a moment.
     *
     * @param until the first moment that is not changed by it
     * @param factor what they are multiplied by
     * @param difference what is added then
     */
    public record Step(long until, double factor, double difference) {
        public Step {
            if (!(factor > 0) || !Double.isFinite(factor) || !Double.isFinite(difference)) {
                throw new IllegalArgumentException(
                        "a price basis needs a factor above 0 and a difference, not " + factor + " and " + difference);
            }
        }
    }

    private final List<Step> steps;

    private PriceBasis(List<Step> steps) {
        this.steps = List.copyOf(steps);
    }

    /** @param steps each for the prices between the step before and its moment, in the order of time */
    public static PriceBasis of(List<Step> steps) {
        for (int step = 1; step < steps.size(); step++) {
            if (steps.get(step).until() < steps.get(step - 1).until()) {
                throw new IllegalArgumentException("steps of a price basis must be in the order of time");
            }
        }
        return steps.isEmpty() ? AS_TRADED : new PriceBasis(steps);
    }

    /** What both do, this one first. */
    public PriceBasis then(PriceBasis next) {
        if (steps.isEmpty() || next.steps.isEmpty()) {
            return steps.isEmpty() ? next : this;
        }
        List<Long> moments = new ArrayList<>();
        steps.forEach(step -> moments.add(step.until()));
        next.steps.forEach(step -> moments.add(step.until()));
        List<Step> both = new ArrayList<>();
        moments.stream().distinct().sorted().forEach(until -> {
            Step one = at(until - 1);
            Step other = next.at(until - 1);
            both.add(new Step(
                    until, one.factor() * other.factor(), one.difference() * other.factor() + other.difference()));
        });
        return new PriceBasis(both);
    }

    private Step at(long time) {
        for (Step step : steps) {
            if (time < step.until()) {
                return step;
            }
        }
        return new Step(Long.MAX_VALUE, 1, 0);
    }

    /** Two are equal when they do the same to every price. */
    @Override
    public boolean equals(Object other) {
        return other instanceof PriceBasis that && steps.equals(that.steps);
    }

    @Override
    public int hashCode() {
        return steps.hashCode();
    }

    public boolean isAsTraded() {
        return steps.isEmpty();
    }

    /** What a price traded at a moment is on the chart. */
    public double shown(double traded, long time) {
        Step step = at(time);
        return step.factor() == 1 && step.difference() == 0
                ? traded
                : clean(traded * step.factor() + step.difference());
    }

    /** What a price of the chart was traded at at a moment. */
    public double traded(double shown, long time) {
        Step step = at(time);
        return step.factor() == 1 && step.difference() == 0
                ? shown
                : clean((shown - step.difference()) / step.factor());
    }

    /** A drawing that is kept in prices of their days, in prices of the chart. */
    public Drawing shown(Drawing kept) {
        return steps.isEmpty()
                ? kept
                : kept.withAnchors(kept.anchors().stream()
                        .map(anchor -> anchor.withPrice(shown(anchor.price(), anchor.time())))
                        .toList());
    }

    /**
     * A drawing of the chart in prices of their days.
     *
     * @param before the drawing as it was kept so far, of which points that were not touched stay as they are; null for a
     *     new one
     */
    public Drawing traded(Drawing shown, Drawing before) {
        if (steps.isEmpty()) {
            return shown;
        }
        Drawing same = before == null ? null : shown(before);
        List<Anchor> anchors = new ArrayList<>();
        for (int at = 0; at < shown.anchors().size(); at++) {
            Anchor anchor = shown.anchors().get(at);
            boolean untouched = same != null
                    && at < same.anchors().size()
                    && same.anchors().get(at).equals(anchor);
            anchors.add(untouched ? before.anchors().get(at) : anchor.withPrice(traded(anchor.price(), anchor.time())));
        }
        return shown.withAnchors(anchors);
    }

    /** Takes away the binary dust that multiplying leaves. */
    private static double clean(double price) {
        return Math.rint(price * 1e8) / 1e8;
    }
}
