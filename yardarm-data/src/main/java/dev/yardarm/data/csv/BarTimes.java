package dev.yardarm.data.csv;

import dev.yardarm.core.series.Times;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;

/**
 * Reads the time column: ISO-8601 with an offset, local time of a given zone, or a date alone, which stands for the
 * start of that day in the zone (UTC when none is given). A blank may stand for the T between date and time.
 */
final class BarTimes {
    private final ZoneId zone;
    private boolean allDates = true;

    /** @param zone zone of local times, null when the file must carry offsets */
    BarTimes(ZoneId zone) {
        this.zone = zone;
    }

    /** True while every time read was a date alone. */
    boolean allDates() {
        return allDates;
    }

    /** @throws IllegalArgumentException with what was expected */
    long read(String text) {
        try {
            if (text.length() == 10) {
                LocalDate date = LocalDate.parse(text);
                return Times.micros(date.atStartOfDay(zone == null ? java.time.ZoneOffset.UTC : zone));
            }
            allDates = false;
            String iso = text.length() > 10 && text.charAt(10) == ' '
                    ? text.substring(0, 10) + "T" + text.substring(11)
                    : text;
            if (hasOffset(iso)) {
                return Times.micros(OffsetDateTime.parse(iso).toInstant());
            }
            LocalDateTime local = LocalDateTime.parse(iso);
            if (zone == null) {
                throw new IllegalArgumentException("the time '" + text + "' has no offset from UTC; write it as " + text
                        + "+00:00 or name the zone of the file with --zone");
            }
            return Times.micros(local.atZone(zone));
        } catch (DateTimeException bad) {
            throw new IllegalArgumentException("'" + text + "' is no time; expected a date such as 2026-06-19 or a "
                    + "time such as 2026-06-19T15:42:00+00:00");
        }
    }

    private static boolean hasOffset(String iso) {
        return iso.endsWith("Z") || iso.endsWith("z") || iso.indexOf('+', 10) > 0 || iso.indexOf('-', 10) > 0;
    }
}
