package dev.yardarm.cli;

import dev.yardarm.core.session.TradingCalendar;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.Set;
import picocli.CommandLine.Option;

/** The trading hours of what a file holds, for commands that begin anew with each session. */
final class SessionOption {
    @Option(
            names = "--session",
            paramLabel = "HH:MM-HH:MM",
            description = "trading hours on weekdays, in the zone of the file; round the clock unless given")
    private String session;

    /** True when hours were given. */
    boolean isGiven() {
        return session != null;
    }

    /** Sessions of these hours on weekdays, or round the clock. */
    TradingCalendar calendar(ZoneId zone) throws WrongUsageException {
        if (session == null) {
            return TradingCalendar.roundTheClock(zone);
        }
        try {
            String[] ends = session.split("-", -1);
            if (ends.length == 2) {
                return new TradingCalendar(
                        zone,
                        LocalTime.parse(ends[0].strip()),
                        LocalTime.parse(ends[1].strip()),
                        EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                        Set.of());
            }
        } catch (DateTimeException | IllegalArgumentException wrong) {
            throw new WrongUsageException("--session: " + wrong.getMessage());
        }
        throw new WrongUsageException("--session is two times, as in 08:00-16:30, not '" + session + "'");
    }
}
