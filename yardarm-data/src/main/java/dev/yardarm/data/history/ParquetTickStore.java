package dev.yardarm.data.history;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.home.FileNames;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.Stream;

/**
 * Trades in Parquet files (zstd), one for each instrument and day of UTC, in the order they were traded:
 *
 * <pre>
 * own/ticks/KTRL/2026-06-19.parquet      time, price, size, side (-1 bid, 1 ask, 0 not known)
 * </pre>
 */
final class ParquetTickStore implements TickStore {
    private static final List<String> COLUMNS = List.of("time", "price", "size", "side");
    private final Path folder;
    private final HistoryFiles files;

    ParquetTickStore(Path folder, HistoryFiles files) {
        this.folder = folder;
        this.files = files;
    }

    private Path of(InstrumentId id) {
        return folder.resolve(FileNames.safe(id.source())).resolve("ticks").resolve(FileNames.safe(id.code()));
    }

    private static String day(long time) {
        return Times.date(time, ZoneOffset.UTC).toString();
    }

    private List<Path> days(InstrumentId id) throws IOException {
        Path place = of(id);
        if (!Files.isDirectory(place)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(place)) {
            return all.filter(file -> file.toString().endsWith(".parquet"))
                    .sorted()
                    .toList();
        }
    }

    @Override
    public long firstTick(InstrumentId id) throws IOException {
        List<Path> days = days(id);
        if (days.isEmpty()) {
            return Long.MAX_VALUE;
        }
        TickSeries first = read(List.of(days.get(0)), Long.MIN_VALUE, Long.MAX_VALUE, 1);
        return first.size() == 0 ? Long.MAX_VALUE : first.time(0);
    }

    @Override
    public long lastTick(InstrumentId id) throws IOException {
        List<Path> days = days(id);
        if (days.isEmpty()) {
            return Long.MIN_VALUE;
        }
        TickSeries last =
                read(days.subList(days.size() - 1, days.size()), Long.MIN_VALUE, Long.MAX_VALUE, Long.MAX_VALUE);
        return last.size() == 0 ? Long.MIN_VALUE : last.time(last.size() - 1);
    }

    @Override
    public TickSeries ticks(InstrumentId id, long from, long to) throws IOException {
        long least = Math.max(from, -62_135_596_800_000_000L);
        long most = Math.min(to, 253_402_300_799_000_000L);
        String first = day(least) + ".parquet";
        String last = day(most) + ".parquet";
        List<Path> wanted = days(id).stream()
                .filter(file -> file.getFileName().toString().compareTo(first) >= 0
                        && file.getFileName().toString().compareTo(last) <= 0)
                .toList();
        return read(wanted, from, to, Long.MAX_VALUE);
    }

    private TickSeries read(List<Path> days, long from, long to, long most) throws IOException {
        TickSeries ticks = new TickSeries(1024);
        for (Path day : days) {
            TickSeries of = files.reading(
                    List.of(day),
                    COLUMNS,
                    day,
                    (own, statement) -> rows(statement, day, from, to, most),
                    (own, statement) -> TickSeries.EMPTY);
            ticks.append(of, 0, of.size());
        }
        return ticks;
    }

    private static TickSeries rows(Statement statement, Path day, long from, long to, long most) throws SQLException {
        TickSeries ticks = new TickSeries(1024);
        String limit = most == Long.MAX_VALUE ? "" : " limit " + most;
        try (ResultSet rows = statement.executeQuery("select time, price, size, side from read_parquet("
                + EmbeddedDatabase.quoted(day) + ") where time >= " + from + " and time < " + to + limit)) {
            while (rows.next()) {
                double size = rows.getDouble(3);
                ticks.append(rows.getLong(1), rows.getDouble(2), rows.wasNull() ? Double.NaN : size, rows.getByte(4));
            }
        }
        return ticks;
    }

    @Override
    public synchronized void mergeTicks(InstrumentId id, TickSeries ticks) throws IOException {
        int from = 0;
        while (from < ticks.size()) {
            String day = day(ticks.time(from));
            int to = from;
            while (to < ticks.size() && day(ticks.time(to)).equals(day)) {
                to++;
            }
            Path file = of(id).resolve(day + ".parquet");
            TickSeries kept = Files.exists(file)
                    ? read(List.of(file), Long.MIN_VALUE, Long.MAX_VALUE, Long.MAX_VALUE)
                    : TickSeries.EMPTY;
            write(file, joined(kept, ticks, from, to));
            from = to;
        }
    }

    private static TickSeries joined(TickSeries kept, TickSeries ticks, int from, int to) {
        TickSeries joined = new TickSeries(kept.size() + to - from);
        int at = 0;
        for (; at < kept.size() && kept.time(at) < ticks.time(from); at++) {
            joined.append(kept.time(at), kept.price(at), kept.size(at), kept.side(at));
        }
        joined.append(ticks, from, to);
        for (; at < kept.size(); at++) {
            if (kept.time(at) > ticks.time(to - 1)) {
                joined.append(kept.time(at), kept.price(at), kept.size(at), kept.side(at));
            }
        }
        return joined;
    }

    private void write(Path file, TickSeries ticks) throws IOException {
        files.write(file, (own, statement) -> {
            String traded = ColumnTable.ofTicks(own, statement, ticks);
            statement.execute("copy (select * from " + traded + ") to "
                    + EmbeddedDatabase.quoted(HistoryFiles.beside(file)) + " (format parquet, compression zstd)");
            return null;
        });
    }
}
