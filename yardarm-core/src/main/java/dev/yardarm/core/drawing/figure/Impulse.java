package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.WaveRules;

/** Five waves with the trend: 2 keeps within 1, 3 goes beyond 1 and is not the shortest of 1, 3 and 5, 4 keeps out of the prices of 1. */
public final class Impulse extends Waves {
    public Impulse() {
        super(
                "impulse",
                "Waves: impulse",
                "Five waves with the trend: 2 keeps within 1, 3 goes beyond 1 and is not the shortest of "
                        + "1, 3 and 5, 4 keeps out of the prices of 1.",
                WaveRules::impulse,
                "1",
                "2",
                "3",
                "4",
                "5");
    }
}
