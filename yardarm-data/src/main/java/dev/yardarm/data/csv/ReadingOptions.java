package dev.yardarm.data.csv;

import java.time.ZoneId;
import java.util.List;

/**
 * What the reader of a file knows beforehand; everything else is found out from the file. What a file leaves open is an error
 * that names the option which decides.
 *
 * @param zone of times without an offset, null when there must be none
 * @param dates order of day, month and year where they are numbers with separators, null to find out
 * @param decimal {@code '.'} or {@code ','} before decimals, 0 to find out
 * @param separator between fields, 0 to find out
 * @param epoch unit of times that are plain numbers, null to find out
 * @param columns names of the columns of a file without a header, or in place of its own; empty to find out
 */
public record ReadingOptions(
        ZoneId zone, DateOrder dates, char decimal, char separator, EpochUnit epoch, List<String> columns) {
    /** Nothing known. */
    public static final ReadingOptions NONE = new ReadingOptions(null, null, (char) 0, (char) 0, null, List.of());

    /** Order of the parts of a date. */
    public enum DateOrder {
        DMY("day first"),
        MDY("month first"),
        YMD("year first");

        private final String words;

        DateOrder(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What a time counts that is a number of something since 1970. */
    public enum EpochUnit {
        S(1_000_000, "seconds"),
        MS(1_000, "milliseconds"),
        US(1, "microseconds"),
        NS(0, "nanoseconds");

        /** Microseconds of one; 0 when it is shorter than that. */
        final long micros;

        private final String words;

        EpochUnit(long micros, String words) {
            this.micros = micros;
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public ReadingOptions {
        columns = List.copyOf(columns);
    }

    /** Only the zone of times without an offset. */
    public static ReadingOptions in(ZoneId zone) {
        return NONE.withZone(zone);
    }

    /** The same with another zone. */
    public ReadingOptions withZone(ZoneId other) {
        return new ReadingOptions(other, dates, decimal, separator, epoch, columns);
    }
}
