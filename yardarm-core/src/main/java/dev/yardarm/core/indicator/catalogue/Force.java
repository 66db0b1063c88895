package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/** Force index. ema((close - close[1]) * volume, n). O(1) a bar. */
public final class Force extends Declared {
    public Force() {
        super(Family.VOLUME, "force", "Force index");
        also("price times volume", "elder");
        length(13);
        fitted(0.0);
        line();
        help(
                "The change of the close times the volume behind it, smoothed.",
                "ema((close - close[1]) * volume, n).",
                "Its sign is who has the upper hand; with a short period its dips in an advance are entries.",
                "A single bar of high volume rules it.",
                "Alexander Elder, Trading for a Living (1993).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.ema(r.times(r.change(r.close(), 1), r.volume()), r.length()));
    }
}
