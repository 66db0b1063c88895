package dev.yardarm.core.evidence;

import dev.yardarm.core.series.Times;
import java.time.Instant;
import java.time.ZoneId;
import java.time.zone.ZoneOffsetTransition;
import java.time.zone.ZoneRules;

/**
 * The number of the day a time falls on in a zone, counted from 1970-01-01. It remembers the offset from one change of the clocks to
 * the next, so times that come in order cost a division each. Belongs to one thread.
 */
final class Days {
    private final ZoneRules rules;
    private long from = Long.MAX_VALUE;
    private long until = Long.MIN_VALUE;
    private long offset;

    Days(ZoneId zone) {
        rules = zone.getRules();
    }

    int of(long time) {
        if (time < from || time >= until) {
            Instant at = Instant.ofEpochSecond(Math.floorDiv(time, Times.SECOND));
            offset = rules.getOffset(at).getTotalSeconds() * Times.SECOND;
            ZoneOffsetTransition before = rules.previousTransition(at.plusNanos(1));
            ZoneOffsetTransition after = rules.nextTransition(at);
            from = before == null ? Long.MIN_VALUE : before.toEpochSecond() * Times.SECOND;
            until = after == null ? Long.MAX_VALUE : after.toEpochSecond() * Times.SECOND;
        }
        return (int) Math.floorDiv(time + offset, Times.DAY);
    }
}
