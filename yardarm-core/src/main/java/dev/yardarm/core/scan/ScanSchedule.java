package dev.yardarm.core.scan;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.bars.Timetable;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Objects;

/**
 * That a saved scan runs by itself, at times of the market.
 *
 * @param scan name of the scan
 * @param since up to when it has run, or when it was scheduled; what came due later has yet to run; microseconds UTC
 */
public record ScanSchedule(String scan, When when, long since) {
    private static final long AFTER_CLOSE = 10 * Times.MINUTE;
    private static final long BEFORE_OPEN = 30 * Times.MINUTE;

    /** The times it runs at. */
    public enum When {
        EVENINGS("each evening", "ten minutes after the close"),
        MORNINGS("mornings before the open", "half an hour before the open"),
        BAR_CLOSES("at each bar close", "at the close of each bar of its timeframe");

        private final String words;
        private final String exactly;

        When(String words, String exactly) {
            this.words = words;
            this.exactly = exactly;
        }

        public String words() {
            return words;
        }

        /** When that is, in words. */
        public String exactly() {
            return exactly;
        }

        /**
         * The moments.
         *
         * @param calendar of the market that is scanned
         * @param timeframe of the scan
         */
        public Timetable timetable(TradingCalendar calendar, Timeframe timeframe) {
            return switch (this) {
                case EVENINGS -> Timetable.atClose(calendar, AFTER_CLOSE);
                case MORNINGS -> Timetable.atOpen(calendar, -BEFORE_OPEN);
                case BAR_CLOSES -> Timetable.atBarClose(new BarGrid(calendar, timeframe));
            };
        }
    }

    public ScanSchedule {
        Objects.requireNonNull(scan);
        Objects.requireNonNull(when);
    }

    /** The same, having run up to a moment. */
    public ScanSchedule upTo(long moment) {
        return new ScanSchedule(scan, when, moment);
    }
}
