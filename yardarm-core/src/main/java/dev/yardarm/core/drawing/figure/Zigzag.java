package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.WaveRules;

/** Three waves against the trend: B keeps within A, C goes beyond A. */
public final class Zigzag extends Waves {
    public Zigzag() {
        super(
                "zigzag",
                "Waves: zigzag",
                "Three waves against the trend: B keeps within A, C goes beyond A.",
                WaveRules::zigzag,
                "A",
                "B",
                "C");
    }
}
