package dev.yardarm.core.alert;

import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.source.Diary;
import java.util.Locale;
import java.util.Objects;

/** What an alert waits on. */
public sealed interface Awaited {
    /**
     * A price, in prices of the day the alert was set; a later split or roll moves it as it moves a drawing.
     *
     * @param price finite
     */
    record Price(double price) implements Awaited {
        public Price {
            if (!Double.isFinite(price)) {
                throw new IllegalArgumentException("an alert waits for a price, not for " + price);
            }
        }
    }

    /**
     * A line of a drawing of the instrument; its price may change with time.
     *
     * @param id of the drawing
     * @param line name of the line; empty for its first
     */
    record Drawn(String id, String line) implements Awaited {
        public Drawn {
            Objects.requireNonNull(id);
            line = line == null ? "" : line;
        }

        /** Its first line. */
        public Drawn(String id) {
            this(id, "");
        }
    }

    /**
     * The value of a formula, as it stood when the last bar closed.
     *
     * @param text in the language of formulas; yields a number
     */
    record Value(String text) implements Awaited {
        public Value {
            if (text.isBlank()) {
                throw new IllegalArgumentException("an alert waits on a formula, a price or a drawing");
            }
        }
    }

    /**
     * A condition.
     *
     * @param text in the language of formulas; yields yes or no
     */
    record Condition(String text) implements Awaited {
        public Condition {
            if (text.isBlank()) {
                throw new IllegalArgumentException("an alert waits on a condition or a drawing");
            }
        }
    }

    /**
     * An entry of the calendar of the instrument's market.
     *
     * @param words what its kind or its title holds, in any case: {@code rate decision}, {@code release}, {@code wages}; {@value #ANY} for any
     */
    record Due(String words) implements Awaited {
        /** Stands for every entry. */
        public static final String ANY = "entry";

        /** The end of each session of the instrument. */
        public static final String CLOSE = "the close";

        /** The beginning of each session. */
        public static final String OPEN = "the open";

        /** True for the beginning or the end of a session, which the calendar of hours knows alone. */
        public boolean isOfSession() {
            return words.equals(CLOSE) || words.equals(OPEN);
        }

        public Due {
            if (words.isBlank()) {
                throw new IllegalArgumentException("say before what, such as 30 min before a rate decision");
            }
        }

        /** True when an entry is one of these. */
        public boolean is(Diary.Entry entry) {
            String wanted = words.toLowerCase(Locale.ROOT);
            return wanted.equals(ANY)
                    || entry.kind()
                            .name()
                            .toLowerCase(Locale.ROOT)
                            .replace('_', ' ')
                            .contains(wanted)
                    || entry.title().toLowerCase(Locale.ROOT).contains(wanted);
        }
    }

    /**
     * A new member of what a saved scan finds, at its next run or a later one.
     *
     * @param scan name of the scan
     */
    record Member(String scan) implements Awaited {
        public Member {
            if (scan.isBlank()) {
                throw new IllegalArgumentException("say which scan, such as scan \"Pullbacks\" finds something new");
            }
        }
    }

    /**
     * A large trade.
     *
     * @param size from which one is large
     * @param together microseconds within which prints of one side are one; 0 for those of one moment
     */
    record Traded(double size, long together) implements Awaited {
        public Traded {
            if (!(size > 0 && size < Double.POSITIVE_INFINITY) || together < 0) {
                throw new IllegalArgumentException("an alert on a large trade waits for a size above zero, not " + size
                        + ", put together within no less than no time, not " + together);
            }
        }

        /** In words: {@code a trade of 200 or more}. */
        public String words() {
            return "a trade of " + Setting.Number.plain(size) + " or more";
        }
    }
}
