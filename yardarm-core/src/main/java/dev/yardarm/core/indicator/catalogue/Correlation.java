package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Correlation. Pearson's correlation of the logarithmic changes (or of the values) of both over the last n bars; bars
 * are joined as they were known, and a bar the other has none for makes its windows missing. 0 where one does not
 * move. Changes need both prices above 0. since: in microseconds since 1970; of changes the bar the first one begins
 * with. O(1) a bar.
 */
public final class Correlation extends Declared {
    public Correlation() {
        super(Family.STATISTICS, "correlation", "Correlation");
        also("relation", "pairs", "comparison");
        whole("length", "Period", 60, 2, MOST);
        choice("of", "Of", "returns", "values");
        other("against", "Against");
        source(Field.CLOSE);
        bounded(-1, 1, -0.5, 0.0, 0.5);
        line();
        output("since", "Window start", Form.NONE);
        help(
                "How closely two instruments move together: 1 alike, -1 opposite, 0 not at all.",
                "Pearson's correlation of the logarithmic changes (or of the values) of both over the last n "
                        + "bars both have, joined as they were known; bars only one of them has are passed over. 0 where "
                        + "one does not move. "
                        + "Changes need both prices above 0. since: in microseconds since 1970; of changes the bar "
                        + "the first one begins with.",
                "Pairs want it high, diversification low; a break of a usual correlation is news.",
                "Of values two trends correlate without any relation; returns are the honest choice.",
                "Karl Pearson (1896).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.joint(
                "value",
                r.whole("length"),
                r.is("of", "returns"),
                (moments, out) -> {
                    double all = moments[WindowMoments.SQUARES_X] * moments[WindowMoments.SQUARES_Y];
                    out[0] = all == 0 ? 0 : Math.max(-1, Math.min(1, moments[WindowMoments.PRODUCTS] / Math.sqrt(all)));
                },
                r.other("against", Field.CLOSE),
                r.source()));
    }
}
