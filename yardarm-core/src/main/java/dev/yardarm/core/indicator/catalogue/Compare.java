package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Another instrument beside the one on the chart. The values of its bars as they were known when each bar closed; missing
 * where it has no bar. O(1) a bar.
 */
public final class Compare extends Declared {
    public Compare() {
        super(Family.STATISTICS, "compare", "Another instrument");
        also("comparison", "overlay", "pairs", "second instrument", "beside");
        other("with", "Instrument");
        line("close", "Close");
        output("open", "Open", Form.NONE);
        output("high", "High", Form.NONE);
        output("low", "Low", Form.NONE);
        help(
                "Another instrument on the same chart, to see which of them leads and which stays behind.",
                "The values of the other's bar that closed last since the bar before had closed; missing where there is none. "
                        + "An exchange that closes later in the day counts from the next bar on.",
                "On the scale of percentages both begin at the first bar in view: what is higher has risen more since. "
                        + "A move that only one of them makes wants a reason.",
                "What leads depends on where the comparison begins; move it before you believe it. Two lines that look "
                        + "alike need not be related: ask the correlation of their changes.",
                "In common use; no single author.");
    }

    @Override
    public boolean isOfBars() {
        return true;
    }

    @Override
    public void build(Recipe r) {
        r.out(
                r.other("with", Field.CLOSE),
                r.other("with", Field.OPEN),
                r.other("with", Field.HIGH),
                r.other("with", Field.LOW));
    }
}
