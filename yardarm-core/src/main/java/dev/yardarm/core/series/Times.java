package dev.yardarm.core.series;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;

/** Microseconds since 1970-01-01T00:00Z, to and from the types of java.time. */
public final class Times {
    public static final long SECOND = 1_000_000L;
    public static final long MINUTE = 60 * SECOND;
    public static final long HOUR = 60 * MINUTE;
    public static final long DAY = 24 * HOUR;

    /** The first and the last moment that calendars and people write: the years 1 to 9999. */
    private static final long FIRST = -62_135_596_800L * SECOND;

    private static final long LAST = 253_402_300_800L * SECOND;

    private Times() {}

    /**
     * The moment itself when it lies in the years 1 to 9999.
     *
     * @param what it is, for the message
     * @throws IllegalArgumentException when it does not
     */
    public static long checked(String what, long micros) {
        if (micros < FIRST || micros >= LAST) {
            throw new IllegalArgumentException(what + " is no moment of the years 1 to 9999: " + micros);
        }
        return micros;
    }

    public static long micros(Instant instant) {
        return Math.addExact(Math.multiplyExact(instant.getEpochSecond(), SECOND), instant.getNano() / 1000);
    }

    public static long micros(ZonedDateTime time) {
        return micros(time.toInstant());
    }

    public static Instant instant(long micros) {
        return Instant.EPOCH.plus(micros, ChronoUnit.MICROS);
    }

    public static ZonedDateTime at(long micros, ZoneId zone) {
        return instant(micros).atZone(zone);
    }

    public static LocalDate date(long micros, ZoneId zone) {
        return at(micros, zone).toLocalDate();
    }
}
