package dev.yardarm.cli;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import java.io.IOException;
import java.io.Writer;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Writes columns beside the times of bars as CSV. Rows are put into words in pieces, as many at a time as there are processors,
 * and written in their order: nothing but a few pieces of text is held.
 */
final class TableText {
    private static final int PIECE = 8192;
    private static final int AT_ONCE = 8;

    private final Bars bars;
    private final List<Column> columns;
    private final ZoneId zone;
    private final boolean datesOnly;

    /** @param zone null for UTC */
    TableText(Bars bars, List<Column> columns, ZoneId zone, boolean datesOnly) {
        this.bars = bars;
        this.columns = columns;
        this.zone = zone == null ? ZoneOffset.UTC : zone;
        this.datesOnly = datesOnly;
    }

    void write(Writer to) throws IOException {
        int all = bars.closed();
        for (int from = 0; from < all; from += PIECE * AT_ONCE) {
            int first = from;
            int pieces = Math.min(AT_ONCE, (all - from + PIECE - 1) / PIECE);
            StringBuilder[] texts = IntStream.range(0, pieces)
                    .parallel()
                    .mapToObj(piece -> piece(first + piece * PIECE, Math.min(all, first + (piece + 1) * PIECE)))
                    .toArray(StringBuilder[]::new);
            for (StringBuilder text : texts) {
                to.append(text);
            }
        }
    }

    private StringBuilder piece(int from, int to) {
        StringBuilder text = new StringBuilder((to - from) * (26 + 19 * columns.size()));
        TimeText times = new TimeText();
        for (int bar = from; bar < to; bar++) {
            times.append(bars.openTime(bar), text);
            for (Column column : columns) {
                text.append(',');
                Output.number(column.at(bar), text);
            }
            text.append('\n');
        }
        return text;
    }

    /** Writes times as the file wrote them, looking the offset up once for each hour: none changes within one. */
    private final class TimeText {
        private long hour = Long.MIN_VALUE;
        private String before = "";
        private String behind = "";

        void append(long micros, StringBuilder text) {
            if (datesOnly || micros % Times.SECOND != 0) {
                text.append(ComputeCommand.time(micros, zone, datesOnly));
                return;
            }
            long of = Math.floorDiv(micros, Times.HOUR);
            if (of != hour) {
                hour = of;
                ZonedDateTime at = Times.at(of * Times.HOUR, zone);
                if (at.getMinute() != 0 || at.getOffset().getTotalSeconds() % 3600 != 0) {
                    // Zones off the full hour are rare; they are written one by one.
                    hour = Long.MIN_VALUE;
                    text.append(ComputeCommand.time(micros, zone, false));
                    return;
                }
                before = at.toLocalDateTime().format(HOUR);
                behind = at.getOffset().getId();
            }
            int second = (int) (micros / Times.SECOND - of * 3600);
            two(second / 60, text.append(before).append(':'));
            two(second % 60, text.append(':'));
            text.append(behind);
        }
    }

    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH");

    private static void two(int number, StringBuilder text) {
        text.append((char) ('0' + number / 10)).append((char) ('0' + number % 10));
    }
}
