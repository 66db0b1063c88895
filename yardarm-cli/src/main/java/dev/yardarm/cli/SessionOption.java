package dev.yardarm.cli;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.io.PrintWriter;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
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

    /**
     * The trades in the hours that were given, from the opening to before the close; how many lie outside is told. Outside is outside: they are in no
     * bar, no profile, and no alert hears of them.
     */
    TickSeries within(TradingCalendar calendar, TickSeries all, PrintWriter err) {
        if (session == null) {
            return all;
        }
        TickSeries inside = new TickSeries(all.size());
        for (int at = 0; at < all.size(); at++) {
            if (isIn(calendar, all.time(at))) {
                inside.append(all.time(at), all.price(at), all.size(at), all.side(at));
            }
        }
        tell(all.size() - inside.size(), "trades", err);
        return inside;
    }

    /** The bars that open in the hours that were given; those of whole days are all there. */
    Bars within(TradingCalendar calendar, Bars all, boolean datesOnly, PrintWriter err) {
        if (session == null || datesOnly) {
            return all;
        }
        BarSeries inside = new BarSeries(all.size());
        for (int bar = 0; bar < all.size(); bar++) {
            if (isIn(calendar, all.openTime(bar))) {
                inside.append(
                        all.openTime(bar),
                        all.closeTime(bar),
                        all.open(bar),
                        all.high(bar),
                        all.low(bar),
                        all.close(bar),
                        all.volume(bar));
            }
        }
        tell(all.size() - inside.closed(), "bars", err);
        return inside.snapshot();
    }

    private static boolean isIn(TradingCalendar calendar, long time) {
        LocalDate day = calendar.sessionAt(time);
        return time >= calendar.open(day) && time < calendar.close(day);
    }

    private void tell(int left, String what, PrintWriter err) {
        if (left > 0) {
            err.println(left + " " + what + " outside the session " + session + " are left out");
        }
    }

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
