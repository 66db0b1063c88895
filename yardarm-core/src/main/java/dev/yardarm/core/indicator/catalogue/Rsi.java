package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Relative strength index. rsi = 100 * rise / (rise + fall), where rise and fall are the averages of upward and
 * downward changes: the simple mean of the first n changes, then (previous * (n - 1) + new) / n. Without any movement
 * 50, without any fall 100. O(1) a bar.
 */
public final class Rsi extends Declared {
    public Rsi() {
        super(Family.MOMENTUM, "rsi", "Relative strength index");
        also("relative strength", "overbought", "oversold", "momentum");
        length(14);
        source(Field.CLOSE);
        bounded(0, 100, 30.0, 50.0, 70.0);
        line();
        help(
                "How much of the recent movement was upward, from 0 to 100.",
                "rsi = 100 * rise / (rise + fall), where rise and fall are the averages of upward and "
                        + "downward changes: the simple mean of the first n changes, then (previous * (n - 1) + "
                        + "new) / n. Without any movement 50, without any fall 100.",
                "Above 70 the advance is stretched, below 30 the decline. A new price high without a new high "
                        + "here warns.",
                "In a strong trend it stays beyond its levels; divergences may come three times before price "
                        + "turns.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.strength(r.source(), r.length()));
    }
}
