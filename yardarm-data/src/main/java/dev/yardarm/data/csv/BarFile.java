package dev.yardarm.data.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import dev.yardarm.core.series.BarSeries;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Reads bars from CSV: a header with {@code time, open, high, low, close, volume} in any order and any case among other
 * columns, or {@code time, value} for a series with one value per date. Rows may come in any order of time; two rows of
 * the same time are an error. Volume may be left out or empty, it is NaN then.
 *
 * <p>The bars' closing times are not in the file: {@link Result#series} gives them up to the next bar's open; whoever
 * knows the timeframe puts the bars on its grid.
 */
public final class BarFile {
    private static final String[] BAR_COLUMNS = {"open", "high", "low", "close"};

    private BarFile() {}

    /**
     * What was read.
     *
     * @param series the good rows, in the order of their time
     * @param badRows the rows that cannot be used, in the order of the file
     * @param datesOnly true when no row had a time of day
     */
    public record Result(BarSeries series, List<BadRow> badRows, boolean datesOnly, List<String> header) {}

    /** A bar with the line it came from. */
    private record Row(long time, double open, double high, double low, double close, double volume, CsvRecord from) {}

    /**
     * Reads a file, collecting bad rows.
     *
     * @param zone zone of times without an offset, or null when there must be none
     * @throws IOException when the file is missing, unreadable or no bar file at all
     */
    public static Result read(Path file, ZoneId zone) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new BarFileException("there is no file " + file);
        }
        String name = file.toString();
        List<Row> rows = new ArrayList<>();
        List<BadRow> bad = new ArrayList<>();
        BarTimes times = new BarTimes(zone);
        List<String> header;
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(file)) {
            var records = reader.iterator();
            if (!records.hasNext()) {
                throw new BarFileException(
                        name + " is empty; expected a header with time, open, high, low, close, " + "volume");
            }
            header = records.next().getFields();
            Mapping mapping = Mapping.of(name, header);
            while (records.hasNext()) {
                CsvRecord record = records.next();
                if (record.getFieldCount() == 1 && record.getField(0).isBlank()) {
                    continue;
                }
                try {
                    rows.add(mapping.row(record, times));
                } catch (Fields.BadField field) {
                    bad.add(Fields.badRow(name, header, record, field));
                }
            }
        } catch (CsvParseException | java.io.UncheckedIOException broken) {
            throw new BarFileException(name + " cannot be read as CSV: " + broken.getMessage());
        }
        return new Result(series(name, rows, bad), bad, times.allDates() && !rows.isEmpty(), header);
    }

    /** Reads a file in which every row must be good. */
    public static Result readStrictly(Path file, ZoneId zone) throws IOException {
        Result result = read(file, zone);
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

    private static BarSeries series(String name, List<Row> rows, List<BadRow> bad) {
        rows.sort(Comparator.comparingLong(Row::time));
        List<Row> good = new ArrayList<>(rows.size());
        for (Row row : rows) {
            if (!good.isEmpty() && good.get(good.size() - 1).time() == row.time()) {
                bad.add(new BadRow(
                        name,
                        row.from().getStartingLineNumber(),
                        0,
                        "",
                        "the time is the same as in line "
                                + good.get(good.size() - 1).from().getStartingLineNumber(),
                        row.from().getFields()));
            } else {
                good.add(row);
            }
        }
        bad.sort(Comparator.comparingLong(BadRow::line));
        BarSeries series = new BarSeries(good.size());
        long span = usualSpan(good);
        for (int at = 0; at < good.size(); at++) {
            Row row = good.get(at);
            long next = at + 1 < good.size() ? good.get(at + 1).time() : Long.MAX_VALUE;
            series.append(
                    row.time(),
                    Math.min(next, row.time() + span),
                    row.open(),
                    row.high(),
                    row.low(),
                    row.close(),
                    row.volume());
        }
        return series;
    }

    /** The median distance between neighbouring rows; one day when there is only one row. */
    private static long usualSpan(List<Row> rows) {
        long[] spans = new long[Math.max(0, rows.size() - 1)];
        for (int at = 0; at < spans.length; at++) {
            spans[at] = rows.get(at + 1).time() - rows.get(at).time();
        }
        Arrays.sort(spans);
        return spans.length == 0 ? dev.yardarm.core.series.Times.DAY : spans[(spans.length - 1) / 2];
    }

    /** Which column holds what. */
    private record Mapping(int time, int[] prices, int volume, int value) {
        static Mapping of(String file, List<String> header) throws BarFileException {
            List<String> names = Fields.names(header);
            for (String name : names) {
                boolean known = name.equals("time")
                        || name.equals("value")
                        || name.equals("volume")
                        || Arrays.asList(BAR_COLUMNS).contains(name);
                if (known && names.indexOf(name) != names.lastIndexOf(name)) {
                    throw new BarFileException(file + ", line 1: the column '" + name + "' stands twice");
                }
            }
            int[] prices = Arrays.stream(BAR_COLUMNS).mapToInt(names::indexOf).toArray();
            boolean hasBars = Arrays.stream(prices).allMatch(column -> column >= 0);
            int value = names.indexOf("value");
            if (names.indexOf("time") < 0 || !hasBars && value < 0) {
                throw new BarFileException(file + ", line 1: the header must name time, open, high, low and close "
                        + "(volume if there is any), or time and value; found " + String.join(", ", names));
            }
            return new Mapping(
                    names.indexOf("time"), hasBars ? prices : null, names.indexOf("volume"), hasBars ? -1 : value);
        }

        Row row(CsvRecord record, BarTimes times) throws Fields.BadField {
            long at = Fields.time(record, time, times);
            if (value >= 0) {
                double price = Fields.number(record, value);
                return new Row(at, price, price, price, price, Double.NaN, record);
            }
            double open = Fields.number(record, prices[0]);
            double high = Fields.number(record, prices[1]);
            double low = Fields.number(record, prices[2]);
            double close = Fields.number(record, prices[3]);
            if (high < low) {
                throw new Fields.BadField(
                        prices[1], "the high " + Fields.plain(high) + " is below the low " + Fields.plain(low));
            }
            if (high < open || high < close) {
                throw new Fields.BadField(
                        prices[1],
                        "the high " + Fields.plain(high) + " is below the "
                                + (high < open ? "open " + Fields.plain(open) : "close " + Fields.plain(close)));
            }
            if (low > open || low > close) {
                throw new Fields.BadField(
                        prices[2],
                        "the low " + Fields.plain(low) + " is above the "
                                + (low > open ? "open " + Fields.plain(open) : "close " + Fields.plain(close)));
            }
            return new Row(at, open, high, low, close, volume(record), record);
        }

        private double volume(CsvRecord record) throws Fields.BadField {
            if (Fields.isBlank(record, volume)) {
                return Double.NaN;
            }
            double number = Fields.number(record, volume);
            if (number < 0) {
                throw new Fields.BadField(volume, "the volume " + Fields.plain(number) + " is below zero");
            }
            return number;
        }
    }
}
