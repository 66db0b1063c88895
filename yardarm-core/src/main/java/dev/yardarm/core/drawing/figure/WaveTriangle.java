package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.WaveRules;

/** Five waves that contract, or that all expand. */
public final class WaveTriangle extends Waves {
    public WaveTriangle() {
        super(
                "wave_triangle",
                "Waves: triangle",
                "Five waves that contract, or that all expand.",
                WaveRules::triangle,
                "A",
                "B",
                "C",
                "D",
                "E");
    }
}
