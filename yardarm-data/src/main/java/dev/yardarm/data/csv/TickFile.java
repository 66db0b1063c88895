package dev.yardarm.data.csv;

import dev.yardarm.core.series.TickSeries;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Reads trades from CSV: a time, a {@code price} and, if there are any, {@code size} and {@code side}, in any order among
 * other columns and in the layouts that {@link LayoutFinder} understands; side is {@code bid}, {@code ask} or empty, or who
 * began the trade: {@code buy} struck at the ask, {@code sell} at the bid. The rows must stand in the order of their time:
 * trades of one time have no other order than that of the file. A row that is the same in all columns as the one before is
 * taken for a trade that was written twice.
 */
public final class TickFile {
    private TickFile() {}

    /**
     * What was read.
     *
     * @param badRows the rows that cannot be used, in the order of the file
     * @param hasSizes false when the file has no sizes; they are NaN then
     * @param notes what was taken for what, where the file is not as this application writes it
     */
    public record Result(TickSeries ticks, List<BadRow> badRows, boolean hasSizes, List<String> notes) {}

    /** True when the header of a file names a price, so that it holds trades and not bars. */
    public static boolean holdsTicks(Path file) throws IOException {
        return holdsTicks(file, ReadingOptions.NONE);
    }

    /** The same, with columns that may be told. */
    public static boolean holdsTicks(Path file, ReadingOptions options) throws IOException {
        return LayoutFinder.holdsTrades(file, options);
    }

    /**
     * Reads a file, collecting bad rows.
     *
     * @param keepRepeated true when rows that are the same as the one before are trades of their own
     * @throws IOException when the file is missing, unreadable or no tick file at all
     */
    public static Result read(Path file, ReadingOptions options, boolean keepRepeated) throws IOException {
        Layout layout = LayoutFinder.find(file, options, /* trades= */ true);
        String name = file.toString();
        List<BadRow> bad = new ArrayList<>();
        Rows rows = new Rows(layout, keepRepeated);
        try (CsvScanner scanner = new CsvScanner(CsvBytes.open(file), layout.separator())) {
            scanner.skip(layout.skipped());
            while (scanner.next()) {
                try {
                    rows.add(scanner);
                } catch (BadField field) {
                    bad.add(BarFields.badRow(name, layout, scanner, field));
                }
            }
        } catch (BarFileException broken) {
            throw new BarFileException(file + ", " + broken.getMessage());
        }
        return new Result(rows.ticks, bad, rows.size >= 0, layout.notes());
    }

    /** The columns of a file, and the trades of its good rows. */
    private static final class Rows {
        private final Layout layout;
        private final TimeReader times;
        private final int time;
        private final int clock;
        private final int price;
        private final int size;
        private final int side;
        private final boolean keepRepeated;
        private final TickSeries ticks = new TickSeries(1024);
        private long lastLine;

        Rows(Layout layout, boolean keepRepeated) {
            this.layout = layout;
            this.keepRepeated = keepRepeated;
            times = layout.times();
            clock = layout.column(ColumnRole.CLOCK);
            time = clock < 0 ? layout.column(ColumnRole.TIME) : layout.column(ColumnRole.DATE);
            price = layout.column(ColumnRole.PRICE);
            size = layout.column(ColumnRole.SIZE);
            side = layout.column(ColumnRole.SIDE);
        }

        void add(CsvScanner record) throws BadField {
            BadField misshapen = BarFields.misshapen(record, layout);
            if (misshapen != null) {
                throw misshapen;
            }
            long at = times.read(record, time, clock);
            double traded = BarFields.number(record, price, layout.numbers());
            double amount = size < 0 ? Double.NaN : BarFields.number(record, size, layout.numbers());
            if (amount < 0) {
                throw new BadField(size, "the size " + BarFields.plain(amount) + " is below zero");
            }
            byte struck = record.isBlank(side) ? TickSeries.UNKNOWN : side(record.text(side));
            int last = ticks.size() - 1;
            if (last >= 0 && at < ticks.time(last)) {
                throw new BadField(
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
                throw new BadField(
                        -1,
                        "the trade is the same as the one in line " + lastLine
                                + "; it was written twice, or say that it is one of its own with --repeated keep");
            }
            ticks.append(at, traded, amount, struck);
            lastLine = record.line();
        }

        private byte side(String text) throws BadField {
            return switch (text.strip().toLowerCase(Locale.ROOT)) {
                case "bid", "sell", "s", "sold" -> TickSeries.BID;
                case "ask", "buy", "b", "bought" -> TickSeries.ASK;
                default ->
                    throw new BadField(
                            side,
                            "'" + BarFields.shown(text) + "' is not a side; expected bid, ask, buy, sell or nothing");
            };
        }
    }
}
