package dev.yardarm.data.csv;

import dev.yardarm.core.series.Times;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.zone.ZoneOffsetTransition;
import java.util.List;

/**
 * Puts local times of a zone on the time line. A day is looked up once in the rules of the zone and most have one offset
 * throughout; on the others a time that does not exist, or stands twice, is refused.
 */
final class LocalClock {
    private final ZoneId zone;
    private long day = Long.MIN_VALUE;
    private boolean changes;
    private long offset;

    LocalClock(ZoneId zone) {
        this.zone = zone;
    }

    /**
     * The moment of a local time, in microseconds.
     *
     * @param epochDay the local day
     * @param micros since its midnight
     * @throws IllegalArgumentException when the clock never showed that time, or showed it twice
     */
    long moment(long epochDay, long micros) {
        if (epochDay != day) {
            lookUp(epochDay);
        }
        if (!changes) {
            return epochDay * Times.DAY + micros - offset;
        }
        LocalDateTime local = LocalDate.ofEpochDay(epochDay).atStartOfDay().plusNanos(micros * 1000);
        List<ZoneOffset> valid = zone.getRules().getValidOffsets(local);
        if (valid.isEmpty()) {
            ZoneOffsetTransition gap = zone.getRules().getTransition(local);
            throw new IllegalArgumentException(
                    "the time " + local + " does not exist in " + zone + ": clocks went from "
                            + gap.getDateTimeBefore().toLocalTime() + " to "
                            + gap.getDateTimeAfter().toLocalTime());
        }
        if (valid.size() > 1) {
            throw new IllegalArgumentException("the time " + local + " occurs twice in " + zone
                    + ", when clocks were put back; write its offset, " + local + valid.get(0) + " or " + valid.get(1));
        }
        return epochDay * Times.DAY + micros - valid.get(0).getTotalSeconds() * Times.SECOND;
    }

    /** The first moment of a local day. */
    long start(long epochDay) {
        if (epochDay != day) {
            lookUp(epochDay);
        }
        return changes
                ? Times.micros(LocalDate.ofEpochDay(epochDay).atStartOfDay(zone))
                : epochDay * Times.DAY - offset;
    }

    private void lookUp(long epochDay) {
        LocalDate date = LocalDate.ofEpochDay(epochDay);
        List<ZoneOffset> first = zone.getRules().getValidOffsets(date.atStartOfDay());
        List<ZoneOffset> last = zone.getRules().getValidOffsets(date.plusDays(1).atStartOfDay());
        day = epochDay;
        changes = first.size() != 1 || last.size() != 1 || !first.equals(last);
        offset = changes ? 0 : first.get(0).getTotalSeconds() * Times.SECOND;
    }
}
