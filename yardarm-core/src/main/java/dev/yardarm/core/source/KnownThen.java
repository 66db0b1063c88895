package dev.yardarm.core.source;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;

/** What of a complete history was known at a moment, for sources that keep finished bars only. */
public final class KnownThen {
    private KnownThen() {}

    /**
     * The bars that opened from one moment on as they were known at another: those that had closed, and of the one that was open
     * then no more than its opening price, because how it went on was not known yet. The newest bar of all may be unfinished in
     * the history itself; then it is given as it stands there.
     *
     * @param whole all there is; its forming bar is the unfinished one
     */
    public static BarSeries of(Bars whole, long from, long upTo) {
        int end = whole.closedBy(upTo);
        int begin = from == Long.MIN_VALUE ? 0 : Math.max(0, whole.barAt(from - 1) + 1);
        BarSeries known = new BarSeries(Math.max(0, end - begin) + 8);
        if (begin == 0) {
            known.appendAll(whole.first(end));
        } else {
            for (int bar = begin; bar < end; bar++) {
                known.append(whole, bar);
            }
        }
        if (end >= begin && end < whole.size() && whole.openTime(end) <= upTo && whole.openTime(end) >= from) {
            double open = whole.open(end);
            boolean asItStands = end == whole.closed();
            known.form(
                    whole.openTime(end),
                    whole.closeTime(end),
                    open,
                    asItStands ? whole.high(end) : open,
                    asItStands ? whole.low(end) : open,
                    asItStands ? whole.close(end) : open,
                    asItStands ? whole.volume(end) : 0);
        }
        return known;
    }
}
