package dev.yardarm.core.evidence;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scan.Universe;
import java.util.Objects;

/**
 * Something that was asked of the past and all that its answer follows from: asked again from the same moment it gives the same
 * figures to the last digit. Kept, so that it is known how many variants were tried.
 *
 * @param condition as it was asked, in its canonical text
 * @param heldBack the newest part of the history that was not looked at
 * @param moment from which the past was looked at, microseconds UTC of the market
 * @param version of the application that answered
 * @param found how many occurrences there were
 */
public record Inquiry(
        String condition,
        Universe universe,
        Timeframe timeframe,
        Question question,
        double heldBack,
        long moment,
        String version,
        int found) {
    public Inquiry {
        Objects.requireNonNull(condition);
        Objects.requireNonNull(universe);
        Objects.requireNonNull(timeframe);
        Objects.requireNonNull(question);
        Objects.requireNonNull(version);
    }

    /** What tells it from others: everything but the answer. */
    public String key() {
        return String.join(
                " | ",
                condition,
                universe.words(),
                timeframe.toString(),
                question.words(),
                String.valueOf(heldBack),
                String.valueOf(moment));
    }

    /** Whether another condition was asked of the same instruments and bars. */
    public boolean isVariantOf(Universe other, Timeframe bars) {
        return universe.equals(other) && timeframe.equals(bars);
    }
}
