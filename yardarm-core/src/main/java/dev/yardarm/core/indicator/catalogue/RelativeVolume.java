package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Relative volume. Bars of a day and longer: volume / sma of the volume of the n bars before. Intraday: volume / mean
 * volume of the bars that began at the same minute of the session in the n sessions before; missing until there are n
 * of them, or where the mean is 0. Minutes of a session are elapsed ones. Missing while one of the volumes it rests on
 * is missing. O(1) a bar.
 */
public final class RelativeVolume extends Declared {
    public RelativeVolume() {
        super(Family.VOLUME, "relative_volume", "Relative volume");
        also("unusual volume", "volume against usual", "time of day");
        whole("length", "Bars, or sessions for intraday bars", 20, 1, 250);
        fitted(1.0, 2.0);
        output("value", "Volume against the usual", Form.COLUMNS);
        help(
                "The volume of a bar against the usual one: for intraday bars the usual one at the same time "
                        + "of day.",
                "Bars of a day and longer: volume / sma of the volume of the n bars before. Intraday: volume "
                        + "/ mean volume of the bars that began at the same minute of the session in the n sessions "
                        + "before; missing until there are n of them, or where the mean is 0. "
                        + "Minutes of a session are elapsed ones. Missing while one of the volumes it rests on is "
                        + "missing.",
                "Above 2 something happens; a breakout should show it.",
                "Half days and expiries spoil the usual.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        int length = r.whole("length");
        r.out(r.computed("value", length, () -> new UsualVolume(length), r.volume(), r.minuteOfSession(), r.span()));
    }
}
