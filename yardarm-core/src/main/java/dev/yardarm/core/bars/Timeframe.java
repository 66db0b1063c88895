package dev.yardarm.core.bars;

import dev.yardarm.core.series.Times;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The period of a bar: so many seconds, minutes, hours, days, weeks, months, quarters or years. */
public record Timeframe(int count, Unit unit) implements Comparable<Timeframe> {
    /** Units from short to long; {@code m} is minutes and {@code M} months. */
    public enum Unit {
        SECOND("s", Times.SECOND),
        MINUTE("m", Times.MINUTE),
        HOUR("h", Times.HOUR),
        DAY("D", Times.DAY),
        WEEK("W", 7 * Times.DAY),
        MONTH("M", 30 * Times.DAY),
        QUARTER("Q", 91 * Times.DAY),
        YEAR("Y", 365 * Times.DAY);

        private final String letter;
        private final long span;

        Unit(String letter, long span) {
            this.letter = letter;
            this.span = span;
        }

        public String letter() {
            return letter;
        }
    }

    public static final Timeframe MINUTE = new Timeframe(1, Unit.MINUTE);
    public static final Timeframe MINUTES_5 = new Timeframe(5, Unit.MINUTE);
    public static final Timeframe MINUTES_15 = new Timeframe(15, Unit.MINUTE);
    public static final Timeframe HOUR = new Timeframe(1, Unit.HOUR);
    public static final Timeframe HOURS_4 = new Timeframe(4, Unit.HOUR);
    public static final Timeframe DAY = new Timeframe(1, Unit.DAY);
    public static final Timeframe WEEK = new Timeframe(1, Unit.WEEK);
    public static final Timeframe MONTH = new Timeframe(1, Unit.MONTH);

    /** The timeframes offered without asking, long to short. */
    public static final List<Timeframe> STANDARD =
            List.of(MONTH, WEEK, DAY, HOURS_4, HOUR, MINUTES_15, MINUTES_5, MINUTE);

    private static final Pattern FORM = Pattern.compile("(\\d{0,4})([smhDdWwMQqYy])");

    public Timeframe {
        if (count < 1) {
            throw new IllegalArgumentException("a timeframe needs a count of at least 1, not " + count);
        }
    }

    /** Reads {@code 15m}, {@code 4h}, {@code D}, {@code 3D}, {@code W}, {@code M}; empty when it is none. */
    public static Optional<Timeframe> parse(String text) {
        Matcher form = FORM.matcher(text.trim());
        if (!form.matches() || "0".equals(form.group(1))) {
            return Optional.empty();
        }
        String letter = form.group(2);
        if (form.group(1).isEmpty() && "smh".contains(letter)) {
            return Optional.empty();
        }
        int count = form.group(1).isEmpty() ? 1 : Integer.parseInt(form.group(1));
        for (Unit unit : Unit.values()) {
            boolean exact = unit.letter.equals(letter);
            boolean anyCase = "dwqy".contains(letter) && unit.letter.equalsIgnoreCase(letter);
            if ((exact || anyCase) && count >= 1) {
                return Optional.of(new Timeframe(count, unit));
            }
        }
        return Optional.empty();
    }

    /** True for timeframes made of parts of a session. */
    public boolean isIntraday() {
        return unit.ordinal() < Unit.DAY.ordinal();
    }

    /** Its usual length in microseconds; for days and longer an estimate that serves only for comparing. */
    public long span() {
        return count * unit.span;
    }

    /** True when both make the same bars: 60 minutes and an hour. */
    public boolean isSameAs(Timeframe other) {
        return equals(other) || isIntraday() && other.isIntraday() && span() == other.span();
    }

    public boolean isHigherThan(Timeframe other) {
        return compareTo(other) > 0;
    }

    @Override
    public int compareTo(Timeframe other) {
        return Long.compare(span(), other.span());
    }

    /** The form people type: {@code 15m}, {@code 4h}, {@code D}, {@code 3D}. */
    @Override
    public String toString() {
        return (count == 1 && !isIntraday() ? "" : String.valueOf(count)) + unit.letter;
    }

    /** The form for titles: {@code 15 minutes}, {@code day}, {@code week}. */
    public String words() {
        String word = unit.name().toLowerCase(java.util.Locale.ROOT);
        return count == 1 ? word : count + " " + word + "s";
    }

    /** As it stands before the word bars: {@code daily}, {@code 4-hour}. */
    public String adjective() {
        if (count > 1) {
            return count + "-" + unit.name().toLowerCase(java.util.Locale.ROOT);
        }
        return switch (unit) {
            case SECOND -> "one-second";
            case MINUTE -> "one-minute";
            case HOUR -> "hourly";
            case DAY -> "daily";
            case WEEK -> "weekly";
            case MONTH -> "monthly";
            case QUARTER -> "quarterly";
            case YEAR -> "yearly";
        };
    }
}
