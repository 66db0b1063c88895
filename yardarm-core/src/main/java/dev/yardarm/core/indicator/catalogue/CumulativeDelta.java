package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Cumulative delta. bar = volume bought at the ask less volume sold at the bid, from single trades; where they are not
 * known volume * (2 * close - high - low) / (high - low), 0 for a bar without range; value = sum of the bars since the
 * session, week or month began. Begins anew after a bar without volume; a bar without range counts 0 even then. O(1) a
 * bar.
 */
public final class CumulativeDelta extends Declared {
    public CumulativeDelta() {
        super(Family.VOLUME, "delta", "Cumulative delta");
        also("order flow", "bid and ask volume", "aggressive volume");
        choice("period", "Resets every", "session", "week", "month", "quarter", "year");
        choice("from", "From", "trades", "bars");
        fitted(0.0);
        line("value", "Cumulative delta");
        output("bar", "Delta of the bar", Form.NONE);
        cue("estimated", "Estimated from bars");
        help(
                "Volume bought at the ask less volume sold at the bid, added up. From single trades with their side where "
                        + "they are known, else estimated from the bars, and then it says so.",
                "bar = volume struck at the ask less volume struck at the bid; where trades are not known volume * "
                        + "(2 * close - high - low) / (high - low), 0 for a bar without range; value = sum of the bars "
                        + "since the session, week or month began; estimated: a bar of that sum is an estimate. "
                        + "Begins anew after a bar without volume; a bar without range counts 0 even then.",
                "Price rising while delta falls: sellers are absorbed. A divergence at an extreme warns.",
                "The estimate is a guess: bars do not tell who was the aggressor.",
                "In common use on futures floors' screens; the estimate after Marc Chaikin.");
    }

    @Override
    public void build(Recipe r) {
        boolean ofBars = r.is("from", "bars");
        Node[] bar = r.each(
                "bar",
                2,
                (in, out) -> {
                    boolean known = !ofBars && in[4] == in[4];
                    out[0] = known ? in[4] : in[0] == in[1] ? 0 : in[3] * (2 * in[2] - in[0] - in[1]) / (in[0] - in[1]);
                    out[1] = known ? 0 : 1;
                },
                r.high(),
                r.low(),
                r.close(),
                r.volume(),
                r.tradedDelta());
        Node[] sums = r.steps(
                "value",
                0,
                new double[] {Double.NaN, 0, 0},
                2,
                (in, state, out) -> {
                    boolean goesOn = in[0] == state[0];
                    state[1] = goesOn ? state[1] + in[1] : in[1];
                    state[2] = goesOn ? Math.max(state[2], in[2]) : in[2];
                    state[0] = in[0];
                    out[0] = state[1];
                    out[1] = state[2];
                },
                r.period("period"),
                bar[0],
                bar[1]);
        r.out(sums[0], bar[0], sums[1]);
    }
}
