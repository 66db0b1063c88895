package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.WaveRules;

/** Three waves sideways: B gives back nine tenths of A at least. */
public final class Flat extends Waves {
    public Flat() {
        super(
                "flat",
                "Waves: flat",
                "Three waves sideways: B gives back nine tenths of A at least.",
                WaveRules::flat,
                "A",
                "B",
                "C");
    }
}
