package dev.yardarm.cli;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.DrawingEntry;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** A file of drawings that formulas read by name. */
final class DrawingsFile {
    private DrawingsFile() {}

    /**
     * Reads the drawings of a file.
     *
     * @throws IOException when it cannot be read, holds a drawing that is none, or has none of a name a formula reads
     */
    static NamedDrawings read(Path file, List<Formula> formulas, Bars bars, ZoneId zone) throws IOException {
        List<Drawing> drawings = new ArrayList<>();
        for (DrawingEntry entry :
                DocumentStore.readFile(DocumentKind.TRACING, file).drawings()) {
            try {
                drawings.add(entry.drawing());
            } catch (IllegalArgumentException bad) {
                throw new IOException(file + ": drawing " + (drawings.size() + 1) + ": " + bad.getMessage(), bad);
            }
        }
        for (Formula formula : formulas) {
            for (String name : formula.needs().drawings()) {
                if (drawings.stream().noneMatch(each -> each.place().name().equalsIgnoreCase(name))) {
                    throw new IOException(file + " has no drawing named \"" + name + "\"");
                }
            }
        }
        return new NamedDrawings(calendar(bars, zone), drawings);
    }

    /** Days on which there is no bar are no days of trading, so that a line goes straight from bar to bar as on a chart. */
    private static TradingCalendar calendar(Bars bars, ZoneId zone) {
        Set<LocalDate> traded = new TreeSet<>();
        Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
        for (int bar = 0; bar < bars.size(); bar++) {
            LocalDate day = Times.date(bars.openTime(bar), zone);
            traded.add(day);
            days.add(day.getDayOfWeek());
        }
        if (traded.isEmpty()) {
            return TradingCalendar.roundTheClock(zone);
        }
        List<LocalDate> free = traded.iterator()
                .next()
                .datesUntil(Times.date(bars.openTime(bars.size() - 1), zone))
                .filter(day -> !traded.contains(day))
                .toList();
        return new TradingCalendar(zone, LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, days, free);
    }
}
