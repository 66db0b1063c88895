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
        choice("period", "Resets every", "session", "week", "month", "quarter", "year", "never");
        choice("from", "From", "trades", "bars");
        moment("since", "Since");
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
                        + "Begins anew after a bar without volume; a bar without range counts 0 even then. "
                        + "since leaves out what opens before; with period never it is the sum from there on.",
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
                    if (in[0] != in[0]) {
                        out[0] = Double.NaN;
                        out[1] = Double.NaN;
                        return;
                    }
                    boolean goesOn = in[0] == state[0];
                    state[1] = goesOn ? state[1] + in[1] : in[1];
                    state[2] = goesOn ? Math.max(state[2], in[2]) : in[2];
                    state[0] = in[0];
                    out[0] = state[1];
                    out[1] = state[2];
                },
                spans(r),
                bar[0],
                bar[1]);
        r.out(sums[0], bar[0], sums[1]);
    }

    /** The number of the period of each bar; missing before the moment it begins at. */
    private static Node spans(Recipe r) {
        double since = r.moment("since");
        Node covered = r.map("since", r.time(), time -> time < since ? Double.NaN : 0);
        return r.is("period", "never")
                ? covered
                : since == Double.NEGATIVE_INFINITY ? r.period("period") : r.plus(r.period("period"), covered);
    }
}
