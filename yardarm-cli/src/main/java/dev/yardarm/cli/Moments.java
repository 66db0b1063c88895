package dev.yardarm.cli;

import dev.yardarm.core.series.Times;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;

/** Moments as they are written in options. */
final class Moments {
    private Moments() {}

    /**
     * A date (its start), a date and time in the zone, or one with its offset, as microseconds UTC.
     *
     * @param option whose value it is, for the message
     * @throws WrongUsageException when it is none of these
     */
    static long read(String option, String text, ZoneId zone) throws WrongUsageException {
        String plain = text.strip().replace(' ', 'T');
        try {
            if (plain.length() <= 10) {
                return Times.micros(LocalDate.parse(plain).atStartOfDay(zone));
            }
            if (plain.endsWith("Z") || plain.substring(10).matches(".*[+-]\\d\\d:?\\d\\d")) {
                return Times.micros(OffsetDateTime.parse(plain).toZonedDateTime());
            }
            return Times.micros(LocalDateTime.parse(plain).atZone(zone));
        } catch (DateTimeException | ArithmeticException bad) {
            throw new WrongUsageException(option + ": '" + text + "' is no time; write 2026-03-02, 2026-03-02T14:30 or "
                    + "2026-03-02T14:30:00+01:00");
        }
    }
}
