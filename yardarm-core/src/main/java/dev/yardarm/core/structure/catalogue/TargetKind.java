package dev.yardarm.core.structure.catalogue;

import java.util.Locale;

/** By what method a target was found. Those that stand at once; the range of a period stands when it is reached. */
enum TargetKind {
    PATTERN_TARGET,
    RANGE_TARGET,
    CHANNEL_TARGET,
    MEASURED_LEG,
    PROJECTION,
    HORIZONTAL_COUNT,
    VERTICAL_COUNT;

    private final String word = name().toLowerCase(Locale.ROOT);

    /** As findings name it. */
    String word() {
        return word;
    }

    /** A channel slopes: its own detector says when it is left. */
    boolean slopes() {
        return this == CHANNEL_TARGET;
    }
}
