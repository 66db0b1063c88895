package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.structure.Finding;
import java.util.Set;

/** Which way patterns point. */
final class PatternColumns {
    private static final Set<String> BULLISH = Set.of(
            "double_bottom",
            "triple_bottom",
            "inverse_head_shoulders",
            "ascending_triangle",
            "falling_wedge",
            "bull_flag");

    private static final Set<String> BEARISH =
            Set.of("double_top", "triple_top", "head_shoulders", "descending_triangle", "rising_wedge", "bear_flag");

    private PatternColumns() {}

    /** 1 for a pattern that points up, -1 for one that points down, 0 for one that is not decided. */
    static int direction(Finding pattern) {
        return BULLISH.contains(pattern.kind())
                ? 1
                : BEARISH.contains(pattern.kind())
                        ? -1
                        : (int) Math.signum(Double.isNaN(pattern.target()) ? 0 : pattern.target() - middle(pattern));
    }

    private static double middle(Finding pattern) {
        return pattern.lines().values().stream()
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(Double.NaN);
    }
}
