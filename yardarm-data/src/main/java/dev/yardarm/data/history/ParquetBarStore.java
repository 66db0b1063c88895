package dev.yardarm.data.history;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.home.FileNames;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Bars in Parquet files (zstd). Daily and longer bars of a source share one file for each timeframe, sorted by code and
 * time, so that a scan reads one file; shorter bars have a file for each instrument and month.
 *
 * <pre>
 * halcyon/D.parquet
 * halcyon/1m/KTRL/2026-06.parquet
 * </pre>
 *
 * <p>Files are written beside their place and moved into it. A damaged one is set aside and told once: bars that were made are
 * made again, bars of the user's own are imported again, and the rest is read as ever. Minutes and months are called {@code m}
 * and {@code mo} in file names, since not every file system tells {@code m} from {@code M}.
 *
 * <p>Cost: a million bars are written in about half a second, two months of them at a time.
 */
public final class ParquetBarStore implements BarStore, TickStore {
    private static final List<String> COLUMNS =
            List.of("open_time", "close_time", "open", "high", "low", "close", "volume");
    private static final List<String> PACKED =
            Stream.concat(Stream.of("code"), COLUMNS.stream()).toList();

    private static final long FIRST = Times.micros(Instant.parse("0000-01-01T00:00:00Z"));
    private static final long LAST = Times.micros(Instant.parse("9999-12-31T00:00:00Z"));

    private final Path folder;
    private final EmbeddedDatabase database;
    private final HistoryFiles files;
    private final TickStore ticks;
    private final Map<Path, Held> packs = new ConcurrentHashMap<>();

    /** A store that tells nobody of damaged files. */
    public ParquetBarStore(Path folder) throws IOException {
        this(folder, told -> {});
    }

    /** @param tell takes a sentence for the user when a damaged file was set aside; may be called by any thread */
    public ParquetBarStore(Path folder, Consumer<String> tell) throws IOException {
        this.folder = Files.createDirectories(folder);
        database = new EmbeddedDatabase(folder.resolve("spill"));
        files = new HistoryFiles(database, folder.resolve("set-aside"), tell);
        ticks = new ParquetTickStore(folder, files);
    }

    private static String fileName(Timeframe timeframe) {
        return timeframe.unit() == Timeframe.Unit.MONTH ? timeframe.count() + "mo" : timeframe.toString();
    }

    private Path pack(String source, Timeframe timeframe) {
        return folder.resolve(FileNames.safe(source)).resolve(fileName(timeframe) + ".parquet");
    }

    private Path intraday(InstrumentId id, Timeframe timeframe) {
        return folder.resolve(FileNames.safe(id.source()))
                .resolve(fileName(timeframe))
                .resolve(FileNames.safe(id.code()));
    }

    @Override
    public List<Timeframe> timeframes(InstrumentId id) {
        List<Timeframe> found = new ArrayList<>();
        Path source = folder.resolve(FileNames.safe(id.source()));
        if (!Files.isDirectory(source)) {
            return found;
        }
        try (Stream<Path> entries = Files.list(source)) {
            for (Path entry : (Iterable<Path>) entries::iterator) {
                String name = entry.getFileName().toString();
                boolean packed = name.endsWith(".parquet");
                String word = (packed ? name.substring(0, name.length() - 8) : name).replace("mo", "M");
                Timeframe timeframe = Timeframe.parse(word).orElse(null);
                if (timeframe != null
                        && (packed ? packHolds(entry, id.code()) : Files.isDirectory(intraday(id, timeframe)))) {
                    found.add(timeframe);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException("the history in " + source + " cannot be listed", failed);
        }
        found.sort(null);
        return found;
    }

    /** Which codes a pack holds; read anew when the file has changed. */
    private record Held(FileTime changed, long size, Set<String> codes) {}

    private boolean packHolds(Path pack, String code) throws IOException {
        FileTime changed = Files.getLastModifiedTime(pack);
        long size = Files.size(pack);
        Held held = packs.get(pack);
        if (held == null || !held.changed().equals(changed) || held.size() != size) {
            held = new Held(changed, size, codesOf(pack));
            packs.put(pack, held);
        }
        return held.codes().contains(code);
    }

    private Set<String> codesOf(Path pack) throws IOException {
        return files.reading(
                List.of(pack),
                PACKED,
                pack,
                (own, statement) -> {
                    Set<String> codes = new HashSet<>();
                    try (ResultSet rows = statement.executeQuery(
                            "select distinct code from read_parquet(" + EmbeddedDatabase.quoted(pack) + ")")) {
                        while (rows.next()) {
                            codes.add(rows.getString(1));
                        }
                    }
                    return codes;
                },
                (own, statement) -> Set.of());
    }

    @Override
    public Map<String, BarSeries> readAll(String source, Timeframe timeframe, Set<String> codes, long from, long to)
            throws IOException {
        if (timeframe.isIntraday()) {
            Map<String, BarSeries> each = new LinkedHashMap<>();
            for (String code : codes) {
                BarSeries series = read(new InstrumentId(source, code), timeframe, from, to);
                if (series.snapshot().closed() > 0) {
                    each.put(code, series);
                }
            }
            return each;
        }
        Path pack = pack(source, timeframe);
        return !codes.isEmpty() && Files.exists(pack)
                ? files.reading(
                        List.of(pack),
                        PACKED,
                        pack,
                        (own, statement) -> allOf(statement, pack, codes, from, to),
                        (own, statement) -> Map.of())
                : Map.of();
    }

    /** A pack is sorted by code and time: the rows of an instrument come one after the other. */
    private static Map<String, BarSeries> allOf(Statement statement, Path pack, Set<String> codes, long from, long to)
            throws SQLException {
        Map<String, BarSeries> all = new LinkedHashMap<>();
        String wanted = codes.stream().map(EmbeddedDatabase::quoted).sorted().collect(Collectors.joining(", "));
        String sql = "select code, " + String.join(", ", COLUMNS) + " from read_parquet("
                + EmbeddedDatabase.quoted(pack) + ") where code in (" + wanted + ") and open_time >= " + from
                + " and open_time < " + to + " order by code, open_time";
        try (ResultSet rows = statement.executeQuery(sql)) {
            String code = null;
            BarSeries series = null;
            while (rows.next()) {
                String now = rows.getString(1);
                if (!now.equals(code)) {
                    code = now;
                    series = new BarSeries(from == Long.MIN_VALUE ? 2560 : 64);
                    all.put(code, series);
                }
                append(rows, 2, series);
            }
        }
        return all;
    }

    private static void append(ResultSet rows, int first, BarSeries series) throws SQLException {
        double volume = rows.getDouble(first + 6);
        boolean missing = rows.wasNull();
        series.append(
                rows.getLong(first),
                rows.getLong(first + 1),
                rows.getDouble(first + 2),
                rows.getDouble(first + 3),
                rows.getDouble(first + 4),
                rows.getDouble(first + 5),
                missing ? Double.NaN : volume);
    }

    @Override
    public BarSeries read(InstrumentId id, Timeframe timeframe, long from, long to) throws IOException {
        if (!timeframe.isIntraday()) {
            Path pack = pack(id.source(), timeframe);
            return Files.exists(pack)
                    ? query(() -> Files.exists(pack) ? List.of(pack) : List.of(), PACKED, pack, id.code(), from, to)
                    : new BarSeries(0);
        }
        Path place = intraday(id, timeframe);
        return query(() -> monthFiles(place, from, to), COLUMNS, place, null, from, to);
    }

    /** Files that are there when they are asked for. */
    private interface Listing {
        List<Path> list() throws IOException;
    }

    private BarSeries query(Listing listing, List<String> columns, Path place, String code, long from, long to)
            throws IOException {
        List<Path> read = listing.list();
        return read.isEmpty()
                ? new BarSeries(0)
                : files.reading(
                        read,
                        columns,
                        place,
                        (own, statement) -> rows(statement, read, code, from, to),
                        (own, statement) -> rows(statement, listing.list(), code, from, to));
    }

    private static BarSeries rows(Statement statement, List<Path> read, String code, long from, long to)
            throws SQLException {
        BarSeries series = new BarSeries(4096);
        if (read.isEmpty()) {
            return series;
        }
        String sql = "select " + String.join(", ", COLUMNS) + " from read_parquet(["
                + String.join(", ", read.stream().map(EmbeddedDatabase::quoted).toList()) + "]) where open_time >= "
                + from
                + " and open_time < " + to + (code == null ? "" : " and code = " + EmbeddedDatabase.quoted(code))
                + " order by open_time";
        try (ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                append(rows, 1, series);
            }
        }
        return series;
    }

    private static List<Path> monthFiles(Path folder, long from, long to) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        String first = month(from);
        String last = month(to);
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".parquet"))
                    .filter(file -> {
                        String name = file.getFileName().toString().replace(".parquet", "");
                        return name.compareTo(first) >= 0 && name.compareTo(last) <= 0;
                    })
                    .sorted()
                    .toList();
        }
    }

    /** The UTC month of a time as {@code 2026-06}; times beyond the years 0 to 9999 are held to these. */
    private static String month(long time) {
        return Times.date(Math.max(FIRST, Math.min(LAST, time)), ZoneOffset.UTC)
                .toString()
                .substring(0, 7);
    }

    /** The first moment behind the UTC month of a time. */
    private static long monthEnd(long time) {
        LocalDate next = Times.date(Math.max(FIRST, Math.min(LAST, time)), ZoneOffset.UTC)
                .withDayOfMonth(1)
                .plusMonths(1);
        return Times.micros(next.atStartOfDay(ZoneOffset.UTC));
    }

    @Override
    public synchronized void merge(InstrumentId id, Timeframe timeframe, Bars bars) throws IOException {
        if (!timeframe.isIntraday()) {
            mergeFile(pack(id.source(), timeframe), Map.of(id.code(), bars), 0, bars.closed());
            return;
        }
        List<Callable<Void>> months = new ArrayList<>();
        int from = 0;
        while (from < bars.closed()) {
            String month = month(bars.openTime(from));
            long end = monthEnd(bars.openTime(from));
            int to = from;
            while (to < bars.closed() && bars.openTime(to) < end) {
                to++;
            }
            Path file = intraday(id, timeframe).resolve(month + ".parquet");
            int first = from;
            int last = to;
            months.add(() -> {
                mergeFile(file, Map.of(id.code(), bars), first, last);
                return null;
            });
            from = to;
        }
        sideBySide(months);
    }

    /** Months are files of their own: several are written at once, as many as there are processors. */
    private static void sideBySide(List<Callable<Void>> work) throws IOException {
        try {
            work.parallelStream().forEach(each -> {
                try {
                    each.call();
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                } catch (Exception failed) {
                    throw new IllegalStateException(failed);
                }
            });
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    @Override
    public synchronized void replaceAll(String source, Timeframe timeframe, Map<String, Bars> barsByCode)
            throws IOException {
        if (timeframe.isIntraday()) {
            throw new IllegalArgumentException("only daily and longer bars are kept together");
        }
        writeFile(pack(source, timeframe), new TreeMap<>(barsByCode), 0, Integer.MAX_VALUE, "");
    }

    private void mergeFile(Path file, Map<String, Bars> bars, int from, int to) throws IOException {
        if (Files.exists(file)) {
            files.setAsideDamaged(List.of(file), PACKED);
        }
        String kept = Files.exists(file)
                ? " union all by name select * from read_parquet(" + EmbeddedDatabase.quoted(file)
                        + ") old where not exists (select 1 from incoming new where new.code = old.code and new.open_time = "
                        + "old.open_time)"
                : "";
        writeFile(file, bars, from, to, kept);
    }

    private void writeFile(Path file, Map<String, Bars> barsByCode, int from, int to, String kept) throws IOException {
        boolean alone = barsByCode.size() == 1;
        // Bars of one instrument come in the order of time: only what is joined with what is kept must be sorted.
        String order = kept.isEmpty() && alone ? "" : " order by code, open_time";
        files.write(file, (own, statement) -> {
            String incoming = ColumnTable.ofBars(own, statement, barsByCode, from, to);
            statement.execute("copy (with incoming as " + incoming + " select * from incoming" + kept + order + ") to "
                    + EmbeddedDatabase.quoted(HistoryFiles.beside(file))
                    + " (format parquet, parquet_version v2, compression zstd, row_group_size " + (alone ? 32768 : 4096)
                    + ")");
            return null;
        });
    }

    @Override
    public long firstTick(InstrumentId id) throws IOException {
        return ticks.firstTick(id);
    }

    @Override
    public long lastTick(InstrumentId id) throws IOException {
        return ticks.lastTick(id);
    }

    @Override
    public TickSeries ticks(InstrumentId id, long from, long to) throws IOException {
        return ticks.ticks(id, from, to);
    }

    @Override
    public void mergeTicks(InstrumentId id, TickSeries struck) throws IOException {
        ticks.mergeTicks(id, struck);
    }

    /** Writes bars to a Parquet file anywhere: {@code time} as a moment of UTC, prices and volume. */
    public void export(Bars bars, Path file) throws IOException {
        files.write(file, (own, statement) -> {
            String incoming = ColumnTable.ofBars(own, statement, Map.of("", bars), 0, bars.closed());
            statement.execute("copy (select make_timestamptz(open_time) as time, open, high, low, close, "
                    + "case when isnan(volume) then null else volume end as volume from " + incoming + ") to "
                    + EmbeddedDatabase.quoted(HistoryFiles.beside(file)) + " (format parquet, compression zstd)");
            return null;
        });
    }

    /** Writes trades to a Parquet file anywhere: {@code time} as a moment of UTC, price, size and side in words. */
    public void export(TickSeries struck, Path file) throws IOException {
        files.write(file, (own, statement) -> {
            String traded = ColumnTable.ofTicks(own, statement, struck);
            statement.execute("copy (select make_timestamptz(time) as time, price, "
                    + "size, case side when 1 then 'ask' when -1 then 'bid' else '' end as side from " + traded
                    + ") to "
                    + EmbeddedDatabase.quoted(HistoryFiles.beside(file)) + " (format parquet, compression zstd)");
            return null;
        });
    }

    /**
     * Turns a Parquet file into the CSV that the readers of files understand: moments become microseconds since 1970.
     *
     * @throws IOException when it is no Parquet file
     */
    public void toCsv(Path parquet, Path csv) throws IOException {
        try (var own = database.connect();
                Statement statement = own.createStatement()) {
            List<String> columns = new ArrayList<>();
            try (ResultSet rows = statement.executeQuery(
                    "describe select * from read_parquet(" + EmbeddedDatabase.quoted(parquet) + ")")) {
                while (rows.next()) {
                    String name = "\"" + rows.getString(1).replace("\"", "\"\"") + "\"";
                    columns.add(rows.getString(2).startsWith("TIMESTAMP") ? "epoch_us(" + name + ") as " + name : name);
                }
            }
            statement.execute("copy (select " + String.join(", ", columns) + " from read_parquet("
                    + EmbeddedDatabase.quoted(parquet) + ")) to " + EmbeddedDatabase.quoted(csv)
                    + " (format csv, header)");
        } catch (SQLException failed) {
            throw new IOException(parquet + " cannot be read as Parquet: " + failed.getMessage(), failed);
        }
    }

    @Override
    public void close() {
        database.close();
    }
}
