package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Volume oscillator. 100 * (sma(volume, fast) - sma(volume, slow)) / sma(volume, slow); missing where nothing was
 * traded. O(1) a bar.
 */
public final class VolumeOscillator extends Declared {
    public VolumeOscillator() {
        super(Family.VOLUME, "volume_oscillator", "Volume oscillator");
        also("volume trend");
        length("fast", "Fast period", 14);
        length("slow", "Slow period", 28);
        fitted(0.0);
        line();
        help(
                "The distance between a fast and a slow average of volume, in per cent of the slow one.",
                "100 * (sma(volume, fast) - sma(volume, slow)) / sma(volume, slow); missing where nothing was "
                        + "traded.",
                "Above zero the market gets busier; a breakout without it is suspect.",
                "Holidays and expiries move it.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.zip(
                "value",
                r.mean(r.volume(), r.whole("fast")),
                r.mean(r.volume(), r.whole("slow")),
                (fast, slow) -> slow == 0 ? Double.NaN : 100 * (fast - slow) / slow));
    }
}
