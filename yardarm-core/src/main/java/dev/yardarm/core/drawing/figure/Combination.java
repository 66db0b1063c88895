package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.WaveRules;

/** Two corrections joined by a wave against both. */
public final class Combination extends Waves {
    public Combination() {
        super(
                "combination",
                "Waves: combination",
                "Two corrections joined by a wave against both.",
                WaveRules::combination,
                "W",
                "X",
                "Y");
    }
}
