package dev.yardarm.data.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import dev.yardarm.core.series.TickSeries;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Reads trades from CSV: a header with {@code time, price} and, if there are any, {@code size} and {@code side}, in any
 * order among other columns; side is {@code bid}, {@code ask} or empty. The rows must stand in the order of their time:
 * trades of one time have no other order than that of the file. A row that is the same in all columns as the one before
 * is taken for a trade that was written twice.
 */
public final class TickFile {
    private TickFile() {}

    /**
     * What was read.
     *
     * @param badRows the rows that cannot be used, in the order of the file
     * @param hasSizes false when the file has no sizes; they are NaN then
     */
    public record Result(TickSeries ticks, List<BadRow> badRows, boolean hasSizes) {}

    /** True when the header of a file names a price, so that it holds trades and not bars. */
    public static boolean holdsTicks(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new BarFileException("there is no file " + file);
        }
        try (CsvReader<CsvRecord> reader = CsvReader.builder().ofCsvRecord(file)) {
            var records = reader.iterator();
            return records.hasNext() && Fields.names(records.next().getFields()).contains("price");
        } catch (CsvParseException | java.io.UncheckedIOException broken) {
            throw new BarFileException(file + " cannot be read as CSV: " + broken.getMessage());
        }
    }

    /**
     * Reads a file, collecting bad rows.
     *
     * @param zone zone of times without an offset, or null when there must be none
     * @param keepRepeated true when rows that are the same as the one before are trades of their own
     * @throws IOException when the file is missing, unreadable or no tick file at all
     */
    public static Result read(Path file, ZoneId zone, boolean keepRepeated) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new BarFileException("there is no file " + file);
        }
        String name = file.toString();
        List<BadRow> bad = new ArrayList<>();
        BarTimes times = new BarTimes(zone);
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(file)) {
            var records = reader.iterator();
            if (!records.hasNext()) {
                throw new BarFileException(name + " is empty; expected a header with time, price, size, side");
            }
            List<String> header = records.next().getFields();
            Rows rows = new Rows(name, header, keepRepeated);
            while (records.hasNext()) {
                CsvRecord record = records.next();
                if (record.getFieldCount() == 1 && record.getField(0).isBlank()) {
                    continue;
                }
                try {
                    rows.add(record, times);
                } catch (Fields.BadField field) {
                    bad.add(Fields.badRow(name, header, record, field));
                }
            }
            return new Result(rows.ticks, bad, rows.size >= 0);
        } catch (CsvParseException | java.io.UncheckedIOException broken) {
            throw new BarFileException(name + " cannot be read as CSV: " + broken.getMessage());
        }
    }

    /** The columns of a file, and the trades of its good rows. */
    private static final class Rows {
        private final int time;
        private final int price;
        private final int size;
        private final int side;
        private final boolean keepRepeated;
        private final TickSeries ticks = new TickSeries(1024);
        private long lastLine;

        Rows(String file, List<String> header, boolean keepRepeated) throws BarFileException {
            this.keepRepeated = keepRepeated;
            List<String> names = Fields.names(header);
            for (String known : List.of("time", "price", "size", "side")) {
                if (names.indexOf(known) != names.lastIndexOf(known)) {
                    throw new BarFileException(file + ", line 1: the column '" + known + "' stands twice");
                }
            }
            time = names.indexOf("time");
            price = names.indexOf("price");
            size = names.indexOf("size");
            side = names.indexOf("side");
            if (time < 0 || price < 0) {
                throw new BarFileException(file + ", line 1: the header must name time and price (size and side if "
                        + "there are any); found " + String.join(", ", names));
            }
        }

        void add(CsvRecord record, BarTimes times) throws Fields.BadField {
            long at = Fields.time(record, time, times);
            double traded = Fields.number(record, price);
            double amount = size < 0 ? Double.NaN : Fields.number(record, size);
            if (amount < 0) {
                throw new Fields.BadField(size, "the size " + Fields.plain(amount) + " is below zero");
            }
            byte struck = Fields.isBlank(record, side) ? TickSeries.UNKNOWN : side(record.getField(side));
            int last = ticks.size() - 1;
            if (last >= 0 && at < ticks.time(last)) {
                throw new Fields.BadField(
                        time,
                        "the trade is earlier than the one in line " + lastLine
                                + "; trades must stand in the order of their time");
            }
            boolean same = last >= 0
                    && at == ticks.time(last)
                    && traded == ticks.price(last)
                    && struck == ticks.side(last)
                    && Double.compare(amount, ticks.size(last)) == 0;
            if (same && !keepRepeated) {
                throw new Fields.BadField(
                        -1,
                        "the trade is the same as the one in line " + lastLine
                                + "; it was written twice, or say that it is one of its own with --repeated keep");
            }
            ticks.append(at, traded, amount, struck);
            lastLine = record.getStartingLineNumber();
        }

        private byte side(String text) throws Fields.BadField {
            return switch (text.strip().toLowerCase(Locale.ROOT)) {
                case "bid" -> TickSeries.BID;
                case "ask" -> TickSeries.ASK;
                default -> throw new Fields.BadField(side, "'" + text + "' is no side; expected bid, ask or nothing");
            };
        }
    }
}
