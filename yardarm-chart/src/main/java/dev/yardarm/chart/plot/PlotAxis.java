package dev.yardarm.chart.plot;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.series.Times;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

/**
 * One axis of a plot.
 *
 * @param title what it measures, with its unit: {@code change, %}
 * @param kind of its values
 * @param names of the places of an axis of names, the first at value 0
 * @param zone of an axis of moments
 * @param least the range begins at or below it; NaN for none
 * @param most the range ends at or above it; NaN for none
 */
public record PlotAxis(String title, Kind kind, List<String> names, ZoneId zone, double least, double most) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);

    /** What its values are. */
    public enum Kind {
        NUMBERS,
        /** Microseconds UTC. */
        MOMENTS,
        /** Places with names; the value of the first is 0, of the next 1. */
        NAMES
    }

    public PlotAxis {
        names = List.copyOf(names);
    }

    /** An axis of numbers that shows whatever is on it. */
    public static PlotAxis numbers(String title) {
        return new PlotAxis(title, Kind.NUMBERS, List.of(), null, Double.NaN, Double.NaN);
    }

    /** An axis of moments in a zone. */
    public static PlotAxis moments(String title, ZoneId zone) {
        return new PlotAxis(title, Kind.MOMENTS, List.of(), zone, Double.NaN, Double.NaN);
    }

    /** An axis of places with names. */
    public static PlotAxis names(String title, List<String> names) {
        return new PlotAxis(title, Kind.NAMES, names, null, Double.NaN, Double.NaN);
    }

    /** The same axis that reaches at least from one value to another. */
    public PlotAxis reaching(double from, double to) {
        return new PlotAxis(title, kind, names, zone, from, to);
    }

    /** A value in the words of the axis; a dash for what is missing. */
    public String text(double value) {
        if (Double.isNaN(value)) {
            return "–";
        }
        return switch (kind) {
            case NUMBERS -> Math.abs(value) >= 100_000 ? Readout.quantity(value) : Readout.plain(value);
            case MOMENTS -> {
                ZonedDateTime at = Times.at((long) value, zone);
                yield at.format(at.getHour() == 0 && at.getMinute() == 0 ? DAY : MINUTE);
            }
            case NAMES -> {
                int place = (int) Math.rint(value);
                yield place >= 0 && place < names.size() ? names.get(place) : "";
            }
        };
    }
}
