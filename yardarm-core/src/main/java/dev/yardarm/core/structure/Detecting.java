package dev.yardarm.core.structure;

import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;

/**
 * Keeps the findings of a detector up to date with a series that grows. Closed bars are taken once; of the forming bar is worked out
 * what would stand if it closed as it is, in a {@linkplain FindingLog#branch() branch} that is thrown away with the next update.
 *
 * <p>Cost of an update: the new closed bars and the forming one, each by what is still open then. When the epoch of the bars changes,
 * everything is found anew. Used by one thread.
 */
public final class Detecting {
    private final Detector detector;
    private final Settings settings;
    private Detection detection;
    private FindingLog log;
    private FindingLog now;
    private int closed;
    private long epoch = Long.MIN_VALUE;

    public Detecting(Detector detector, Settings settings) {
        this.detector = detector;
        this.settings = settings;
        restart();
    }

    private void restart() {
        detection = detector.begin(settings);
        log = new FindingLog();
        now = log;
        closed = 0;
    }

    /** Takes over a snapshot, which must be of the same series each time and not older. */
    public void update(Bars bars) {
        if (bars.epoch() != epoch || bars.closed() < closed) {
            restart();
            epoch = bars.epoch();
        }
        for (; closed < bars.closed(); closed++) {
            detection.take(bars, closed, log);
        }
        now = log;
        if (bars.hasForming()) {
            now = log.branch();
            detection.copy().take(bars, closed, now);
        }
    }

    /** What is known from closed bars. */
    public FindingLog log() {
        return log;
    }

    /** The same, and what the forming bar brings if it closes as it is. */
    public FindingLog now() {
        return now;
    }
}
