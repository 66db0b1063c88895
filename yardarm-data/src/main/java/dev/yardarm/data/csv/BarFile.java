package dev.yardarm.data.csv;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * Reads bars from CSV: a time, {@code open, high, low, close} and {@code volume} if there is any, or a time and a value for a
 * series with one value per date; see {@link LayoutFinder} for the layouts that are understood. Rows may come in any order of
 * time; two rows of the same time are an error. Volume may be left out or empty, it is NaN then.
 *
 * <p>The bars' closing times are not in the file: a bar ends where the next one begins, and never later than the usual
 * (median) distance after its start; a bar of dates with the day, week ... by the clock of the zone. Whoever knows the
 * timeframe puts the bars on its grid.
 *
 * <p>One pass over the bytes, about 100 ns a row; 56 bytes of memory a row. Rows that cannot be used are told with file, line
 * and column.
 */
public final class BarFile {
    /** Bytes from which on a file is read in two halves. */
    private static final long LARGE = 4 << 20;

    private BarFile() {}

    /**
     * What was read.
     *
     * @param series the good rows, in the order of their time
     * @param badRows the rows that cannot be used, in the order of the file
     * @param datesOnly true when no row had a time of day
     * @param notes what was taken for what, where the file is not as this application writes it
     * @param decimals most decimals that a price of the file is written with
     */
    public record Result(
            BarSeries series,
            List<BadRow> badRows,
            boolean datesOnly,
            List<String> header,
            List<String> notes,
            int decimals) {}

    /**
     * Reads a file, collecting bad rows.
     *
     * @throws IOException when the file is missing, unreadable or no bar file at all
     */
    public static Result read(Path file, ReadingOptions options) throws IOException {
        Layout layout = LayoutFinder.find(file, options, /* trades= */ false);
        Rows rows = rows(file, layout);
        Result result = rows.result();
        if (!rows.repeated.isEmpty()) {
            addRepeated(file, layout, rows.repeated, result.badRows());
        }
        return result;
    }

    /**
     * The rows of a file. A large one is cut in the middle and both halves are read side by side; where anything is in quotes,
     * a line end need not end a row, and it is read again in one piece.
     */
    private static Rows rows(Path file, Layout layout) throws IOException {
        long middle = CsvBytes.middle(file, LARGE);
        if (middle > 0) {
            Rows first = new Rows(file.toString(), layout, middle);
            Rows second = new Rows(file.toString(), layout, Files.size(file) - middle);
            boolean plain = IntStream.range(0, 2)
                    .parallel()
                    .allMatch(half -> half == 0
                            ? readQuietly(() -> CsvBytes.until(file, middle), layout.skipped(), first)
                            : readQuietly(() -> CsvBytes.from(file, middle), 0, second));
            if (plain) {
                first.add(second);
                return first;
            }
        }
        Rows rows = new Rows(file.toString(), layout, Files.size(file));
        read(() -> CsvBytes.open(file), layout.skipped(), rows);
        return rows;
    }

    private static boolean readQuietly(Opening opening, int skipped, Rows rows) {
        try {
            return read(opening, skipped, rows);
        } catch (IOException failed) {
            return false;
        }
    }

    private interface Opening {
        InputStream open() throws IOException;
    }

    /** Reads all rows; true when none had anything in quotes. */
    private static boolean read(Opening opening, int skipped, Rows rows) throws IOException {
        try (CsvScanner scanner = new CsvScanner(opening.open(), rows.layout.separator())) {
            scanner.skip(skipped);
            while (scanner.next()) {
                rows.take(scanner);
            }
            rows.linesRead = scanner.linesRead();
            return !scanner.sawQuotes();
        } catch (BarFileException broken) {
            throw new BarFileException(rows.name + ", " + broken.getMessage());
        }
    }

    /** Adds the rows whose time stands in a line before, as they stand in the file, which is read again for them. */
    private static void addRepeated(Path file, Layout layout, Map<Long, Long> repeated, List<BadRow> bad)
            throws IOException {
        try (CsvScanner scanner = new CsvScanner(CsvBytes.open(file), layout.separator())) {
            while (scanner.next()) {
                Long before = repeated.get(scanner.line());
                if (before != null) {
                    BadField field = new BadField(-1, "the time is the same as in line " + before);
                    bad.add(BarFields.badRow(file.toString(), layout, scanner, field));
                }
            }
        }
        bad.sort(Comparator.comparingLong(BadRow::line));
    }

    /** Reads a file in which every row must be good. */
    public static Result readStrictly(Path file, ReadingOptions options) throws IOException {
        Result result = read(file, options);
        if (!result.badRows().isEmpty()) {
            throw firstOf(result.badRows());
        }
        return result;
    }

    /** The error of a file with bad rows: the first one and how many more there are. */
    public static BarFileException firstOf(List<BadRow> badRows) {
        int more = badRows.size() - 1;
        return new BarFileException(badRows.get(0).message()
                + (more == 0 ? "" : " (and " + more + " more bad " + (more == 1 ? "row" : "rows") + ")"));
    }

    /** The rows of a file as they come in. */
    private static final class Rows {
        private static final int LIKELY_ROW = 48;

        private final String name;
        private final Layout layout;
        private final NumberForm form;
        private final TimeReader times;
        private final int time;
        private final int clock;
        private final int[] prices;
        private final int volume;
        private final List<BadRow> bad = new ArrayList<>();
        /** Lines of rows whose time stands in a line before, and that line. */
        private final Map<Long, Long> repeated = new HashMap<>();

        private final double[] bar = new double[5];

        private long[] opened;
        private long[] lines;
        private double[] values;
        private int count;
        private int decimals;
        private long linesRead;
        private boolean allDates = true;

        /** @param bytes of the file, from which the number of rows is guessed so that little is copied while they come in */
        Rows(String name, Layout layout, long bytes) {
            int guess = (int) Math.min(1 << 26, bytes / LIKELY_ROW + 1024);
            opened = new long[guess];
            lines = new long[guess];
            values = new double[5 * guess];
            this.name = name;
            this.layout = layout;
            form = layout.numbers();
            times = layout.times();
            clock = layout.column(ColumnRole.CLOCK);
            time = clock < 0 ? layout.column(ColumnRole.TIME) : layout.column(ColumnRole.DATE);
            volume = layout.column(ColumnRole.VOLUME);
            int value = layout.column(ColumnRole.VALUE);
            prices = layout.has(ColumnRole.OPEN)
                    ? new int[] {
                        layout.column(ColumnRole.OPEN),
                        layout.column(ColumnRole.HIGH),
                        layout.column(ColumnRole.LOW),
                        layout.column(ColumnRole.CLOSE)
                    }
                    : new int[] {value};
        }

        void take(CsvScanner record) {
            try {
                BadField misshapen = BarFields.misshapen(record, layout);
                if (misshapen != null) {
                    throw misshapen;
                }
                long at = times.read(record, time, clock);
                read(record);
                add(at, record.line());
            } catch (BadField field) {
                bad.add(BarFields.badRow(name, layout, record, field));
            }
        }

        private void read(CsvScanner record) throws BadField {
            for (int price = 0; price < prices.length; price++) {
                bar[price] = BarFields.number(record, prices[price], form);
            }
            decimals = Math.max(decimals, decimals(record, prices[prices.length - 1]));
            if (prices.length == 1) {
                Arrays.fill(bar, 1, 4, bar[0]);
                bar[4] = Double.NaN;
                return;
            }
            check();
            bar[4] = volume < 0 ? Double.NaN : BarFields.volume(record, volume, form);
        }

        private int decimals(CsvScanner record, int column) {
            byte[] bytes = record.bytes();
            int start = record.start(column);
            int end = record.end(column);
            // As many as the rows before, which is the usual case.
            int usual = end - 1 - decimals;
            if (decimals > 0 && usual >= start && bytes[usual] == form.decimal()) {
                return decimals;
            }
            int at = end - 1;
            while (at >= start && bytes[at] != form.decimal()) {
                at--;
            }
            return at < start ? 0 : end - at - 1;
        }

        private void check() throws BadField {
            double open = bar[0];
            double high = bar[1];
            double low = bar[2];
            double close = bar[3];
            if (high < low) {
                throw new BadField(
                        prices[1], "the high " + BarFields.plain(high) + " is below the low " + BarFields.plain(low));
            }
            if (high < open || high < close) {
                throw new BadField(
                        prices[1],
                        "the high " + BarFields.plain(high) + " is below the "
                                + (high < open ? "open " + BarFields.plain(open) : "close " + BarFields.plain(close)));
            }
            if (low > open || low > close) {
                throw new BadField(
                        prices[2],
                        "the low " + BarFields.plain(low) + " is above the "
                                + (low > open ? "open " + BarFields.plain(open) : "close " + BarFields.plain(close)));
            }
        }

        private void add(long at, long line) {
            if (count == opened.length) {
                int more = count + (count >> 1);
                opened = Arrays.copyOf(opened, more);
                lines = Arrays.copyOf(lines, more);
                values = Arrays.copyOf(values, 5 * more);
            }
            opened[count] = at;
            lines[count] = line;
            System.arraycopy(bar, 0, values, 5 * count, 5);
            count++;
        }

        /** Adds the rows of the second half of the file, whose lines were counted from its beginning. */
        void add(Rows second) {
            int all = count + second.count;
            opened = Arrays.copyOf(opened, all);
            lines = Arrays.copyOf(lines, all);
            values = Arrays.copyOf(values, 5 * all);
            System.arraycopy(second.opened, 0, opened, count, second.count);
            System.arraycopy(second.values, 0, values, 5 * count, 5 * second.count);
            for (int row = 0; row < second.count; row++) {
                lines[count + row] = second.lines[row] + linesRead;
            }
            for (BadRow each : second.bad) {
                bad.add(new BadRow(
                        each.file(),
                        each.line() + linesRead,
                        each.column(),
                        each.columnName(),
                        each.problem(),
                        each.fields()));
            }
            count = all;
            decimals = Math.max(decimals, second.decimals);
            allDates = allDates() && second.allDates();
        }

        private boolean allDates() {
            return allDates && times.allDates();
        }

        Result result() {
            int[] order = order();
            int good = 0;
            for (int place = 0; place < count; place++) {
                int row = order == null ? place : order[place];
                int before = good == 0 ? -1 : order == null ? good - 1 : order[good - 1];
                if (before >= 0 && opened[before] == opened[row]) {
                    repeated.put(lines[row], lines[before]);
                } else if (order == null) {
                    move(row, good++);
                } else {
                    order[good++] = row;
                }
            }
            boolean datesOnly = allDates() && count > 0;
            return new Result(series(order, good, datesOnly), bad, datesOnly, layout.names(), layout.notes(), decimals);
        }

        /** The rows by time, then by line; null when they stand that way. */
        private int[] order() {
            boolean sorted = true;
            boolean falling = true;
            for (int row = 1; row < count && (sorted || falling); row++) {
                sorted &= opened[row] >= opened[row - 1];
                falling &= opened[row] < opened[row - 1];
            }
            if (sorted) {
                return null;
            }
            if (falling) {
                int[] order = new int[count];
                for (int place = 0; place < count; place++) {
                    order[place] = count - 1 - place;
                }
                return order;
            }
            Integer[] boxed = new Integer[count];
            Arrays.setAll(boxed, row -> row);
            Arrays.sort(boxed, Comparator.comparingLong((Integer row) -> opened[row]));
            return Arrays.stream(boxed).mapToInt(Integer::intValue).toArray();
        }

        private void move(int from, int to) {
            if (from != to) {
                opened[to] = opened[from];
                lines[to] = lines[from];
                System.arraycopy(values, 5 * from, values, 5 * to, 5);
            }
        }

        private BarSeries series(int[] order, int good, boolean datesOnly) {
            BarSeries series = new BarSeries(good);
            long span = usualSpan(order, good);
            int days = (int) Math.min(Math.round(span / (double) Times.DAY), 366_000);
            boolean wholeDays = days > 0 && (datesOnly || startWithDays(order, good));
            for (int place = 0; place < good; place++) {
                int row = order == null ? place : order[place];
                long open = opened[row];
                long next = place + 1 < good ? opened[order == null ? place + 1 : order[place + 1]] : Long.MAX_VALUE;
                long end = wholeDays ? times.daysAfter(open, days) : open + span;
                int at = 5 * row;
                series.append(
                        open,
                        Math.min(next, end),
                        values[at],
                        values[at + 1],
                        values[at + 2],
                        values[at + 3],
                        values[at + 4]);
            }
            return series;
        }

        private boolean startWithDays(int[] order, int good) {
            for (int place = 0; place < good; place++) {
                long open = opened[order == null ? place : order[place]];
                if (times.daysAfter(open, 0) != open) {
                    return false;
                }
            }
            return true;
        }

        /** The median distance between neighbouring rows; one day when there is only one row. */
        private long usualSpan(int[] order, int good) {
            long[] spans = new long[Math.max(0, good - 1)];
            for (int at = 0; at < spans.length; at++) {
                spans[at] = opened[order == null ? at + 1 : order[at + 1]] - opened[order == null ? at : order[at]];
            }
            Arrays.sort(spans);
            return spans.length == 0 ? Times.DAY : spans[(spans.length - 1) / 2];
        }
    }
}
