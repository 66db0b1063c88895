package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Volume-weighted average price. value = sum(v * volume) / sum(volume) since the first bar of the period; deviation =
 * sqrt(sum(volume * (v - value)^2) / sum(volume)), carried along by the update of D. H. D. West (1979); bands = value
 * +- inner and outer deviations. Missing until there is volume. A bar whose volume or price is missing is left out: it
 * has no value itself, the others go on. O(1) a bar.
 */
public final class Vwap extends Declared {
    public Vwap() {
        super(Family.BANDS, "vwap", "Volume-weighted average price");
        also("fair price", "value", "day traders");
        choice("period", "Resets every", "session", "week", "month", "quarter", "year");
        number("inner", "Inner bands, deviations", 1, 0.1, 10);
        number("outer", "Outer bands, deviations", 2, 0.1, 10);
        source(Field.TYPICAL);
        line("value", "Average price");
        output("upper1", "Inner band above", Form.DASHED);
        output("lower1", "Inner band below", Form.DASHED);
        output("upper2", "Outer band above", Form.DASHED);
        output("lower2", "Outer band below", Form.DASHED);
        help(
                "What was paid on average since the session, week or month began, with bands by how far "
                        + "trades were from it.",
                "value = sum(v * volume) / sum(volume) since the first bar of the period; deviation = "
                        + "sqrt(sum(volume * (v - value)^2) / sum(volume)), carried along by the update of D. H. D. "
                        + "West (1979); bands = value +- inner and outer deviations. Missing until there is volume. "
                        + "A bar whose volume or price is missing is left out: it has no value itself, the others "
                        + "go on.",
                "Above it buyers of the day are in profit; price tends to come back to it on quiet days and "
                        + "leaves it for good in a trend day.",
                "Bars are taken at one price each; early in the session a few trades make it.",
                "Stephen A. Berkowitz, Dennis E. Logue and Eugene A. Noser (1988).");
    }

    @Override
    public void build(Recipe r) {
        r.out(VolumePrice.since(r, r.period("period")));
    }
}
