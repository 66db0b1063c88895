package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;

/** A word for people why a detector has found nothing in some bars. */
public final class WhyNothing {
    /** Before so many bars few things can have turned often enough. */
    private static final int FEW = 30;

    private WhyNothing() {}

    /**
     * The likeliest reason: no bars, bars without a price, prices that do not move, too few bars, a series that never turns, else that its
     * rule does not hold. Cost: one pass over the bars.
     */
    public static String of(Detector detector, Bars bars) {
        if (bars.isEmpty()) {
            return "There are no bars.";
        }
        int priced = 0;
        boolean moves = false;
        boolean rises = true;
        boolean falls = true;
        double low = Double.NaN;
        double high = Double.NaN;
        for (int bar = 0; bar < bars.size(); bar++) {
            double top = bars.high(bar);
            double bottom = bars.low(bar);
            if (!(top >= bottom)) {
                continue;
            }
            if (priced > 0) {
                moves |= top != high || bottom != low;
                rises &= bottom >= low && top >= high;
                falls &= bottom <= low && top <= high;
            } else {
                moves = top != bottom;
            }
            priced++;
            low = bottom;
            high = top;
        }
        if (priced == 0) {
            return "None of the bars has a price.";
        }
        if (!moves) {
            return "Prices do not move.";
        }
        if (priced < FEW) {
            return "There are only " + priced + (priced == 1 ? " bar" : " bars") + " with a price.";
        }
        boolean sized =
                detector.settings().stream().anyMatch(each -> each.name().equals("swing"));
        if (sized && (rises || falls)) {
            return "Price goes one way from the first bar to the last: nothing turns.";
        }
        return "Nothing in " + priced + " bars keeps its rule and still stands."
                + (sized ? " Smaller swings find more." : "");
    }
}
