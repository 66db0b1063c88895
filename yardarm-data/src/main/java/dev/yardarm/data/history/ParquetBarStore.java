package dev.yardarm.data.history;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.series.Times;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.duckdb.DuckDBAppender;
import org.duckdb.DuckDBConnection;

/**
 * Bars in Parquet files (zstd). Daily and longer bars of a source share one file for each timeframe, sorted by code and
 * time, so that a scan reads one file; shorter bars have a file for each instrument and month.
 *
 * <pre>
 * halcyon/D.parquet
 * halcyon/1m/KTRL/2026-06.parquet
 * </pre>
 *
 * <p>Files are written beside their place and moved into it. The embedded database runs in memory only, may use 1 GB,
 * and neither fetches nor loads extensions. Minutes and months are called {@code m} and {@code mo} in file names, since
 * not every file system tells {@code m} from {@code M}.
 */
public final class ParquetBarStore implements BarStore {
    private static final String COLUMNS = "open_time, close_time, open, high, low, close, volume";
    private final Path folder;
    private final DuckDBConnection connection;

    public ParquetBarStore(Path folder) throws IOException {
        this.folder = Files.createDirectories(folder);
        Properties settings = new Properties();
        settings.setProperty("memory_limit", "1GB");
        settings.setProperty("autoinstall_known_extensions", "false");
        settings.setProperty("autoload_known_extensions", "false");
        settings.setProperty("temp_directory", folder.resolve("spill").toString());
        try {
            connection = (DuckDBConnection) DriverManager.getConnection("jdbc:duckdb:", settings);
        } catch (SQLException failed) {
            throw new IOException("the embedded database does not start: " + failed.getMessage(), failed);
        }
    }

    private static String fileName(Timeframe timeframe) {
        return timeframe.unit() == Timeframe.Unit.MONTH ? timeframe.count() + "mo" : timeframe.toString();
    }

    private Path pack(String source, Timeframe timeframe) {
        return folder.resolve(safe(source)).resolve(fileName(timeframe) + ".parquet");
    }

    private Path intraday(InstrumentId id, Timeframe timeframe) {
        return folder.resolve(safe(id.source())).resolve(fileName(timeframe)).resolve(safe(id.code()));
    }

    /** A name as a file name: letters, digits, dot, dash and underscore stay, the rest becomes its number. */
    private static String safe(String name) {
        StringBuilder safe = new StringBuilder();
        for (int at = 0; at < name.length(); at++) {
            char letter = name.charAt(at);
            boolean plain = letter < 128 && Character.isLetterOrDigit(letter)
                    || letter == '-'
                    || letter == '_'
                    || letter == '.' && !safe.isEmpty();
            safe.append(plain ? String.valueOf(letter) : "%" + Integer.toHexString(letter));
        }
        return safe.toString();
    }

    private static String quoted(Object text) {
        return "'" + text.toString().replace("'", "''") + "'";
    }

    @Override
    public List<Timeframe> timeframes(InstrumentId id) {
        List<Timeframe> found = new ArrayList<>();
        Path source = folder.resolve(safe(id.source()));
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

    private boolean packHolds(Path pack, String code) throws IOException {
        try (Connection own = connection.duplicate();
                Statement statement = own.createStatement();
                ResultSet rows = statement.executeQuery(
                        "select 1 from read_parquet(" + quoted(pack) + ") where code = " + quoted(code) + " limit 1")) {
            return rows.next();
        } catch (SQLException failed) {
            throw new IOException("the history file " + pack + " cannot be read: " + failed.getMessage(), failed);
        }
    }

    @Override
    public BarSeries read(InstrumentId id, Timeframe timeframe, long from, long to) throws IOException {
        String span = " open_time >= " + from + " and open_time < " + to;
        if (!timeframe.isIntraday()) {
            Path pack = pack(id.source(), timeframe);
            return Files.exists(pack)
                    ? query(
                            "select " + COLUMNS + " from read_parquet(" + quoted(pack) + ") where code = "
                                    + quoted(id.code()) + " and" + span + " order by open_time",
                            pack)
                    : new BarSeries(0);
        }
        List<String> files = monthFiles(intraday(id, timeframe), from, to).stream()
                .map(ParquetBarStore::quoted)
                .toList();
        return files.isEmpty()
                ? new BarSeries(0)
                : query(
                        "select " + COLUMNS + " from read_parquet([" + String.join(", ", files) + "]) where" + span
                                + " order by open_time",
                        intraday(id, timeframe));
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
        long least = Times.micros(java.time.Instant.parse("0000-01-01T00:00:00Z"));
        long most = Times.micros(java.time.Instant.parse("9999-12-31T00:00:00Z"));
        return Times.date(Math.max(least, Math.min(most, time)), ZoneOffset.UTC)
                .toString()
                .substring(0, 7);
    }

    private BarSeries query(String sql, Path place) throws IOException {
        try (Connection own = connection.duplicate();
                Statement statement = own.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            BarSeries series = new BarSeries(4096);
            while (rows.next()) {
                double volume = rows.getDouble(7);
                series.append(
                        rows.getLong(1),
                        rows.getLong(2),
                        rows.getDouble(3),
                        rows.getDouble(4),
                        rows.getDouble(5),
                        rows.getDouble(6),
                        rows.wasNull() ? Double.NaN : volume);
            }
            return series;
        } catch (SQLException | IllegalArgumentException failed) {
            throw new IOException(
                    "the history in " + place + " cannot be read: " + failed.getMessage()
                            + ". Move the file away to have it made or imported again.",
                    failed);
        }
    }

    @Override
    public synchronized void merge(InstrumentId id, Timeframe timeframe, Bars bars) throws IOException {
        if (!timeframe.isIntraday()) {
            mergeFile(pack(id.source(), timeframe), Map.of(id.code(), bars), 0, bars.closed());
            return;
        }
        int from = 0;
        while (from < bars.closed()) {
            String month = month(bars.openTime(from));
            int to = from;
            while (to < bars.closed() && month(bars.openTime(to)).equals(month)) {
                to++;
            }
            mergeFile(intraday(id, timeframe).resolve(month + ".parquet"), Map.of(id.code(), bars), from, to);
            from = to;
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
        String kept = Files.exists(file)
                ? " union all by name select * from read_parquet(" + quoted(file)
                        + ") old where not exists (select 1 from incoming new where new.code = old.code and new.open_time = "
                        + "old.open_time)"
                : "";
        writeFile(file, bars, from, to, kept);
    }

    private void writeFile(Path file, Map<String, Bars> barsByCode, int from, int to, String kept) throws IOException {
        Files.createDirectories(file.getParent());
        Path temporary = file.resolveSibling(file.getFileName() + ".new");
        try (DuckDBConnection own = connection.duplicate();
                Statement statement = own.createStatement()) {
            statement.execute("create or replace temp table incoming (code varchar, open_time bigint, "
                    + "close_time bigint, open double, high double, low double, close double, volume double)");
            try (DuckDBAppender appender = own.createAppender("temp", "main", "incoming")) {
                for (Map.Entry<String, Bars> entry : barsByCode.entrySet()) {
                    append(appender, entry.getKey(), entry.getValue(), from, to);
                }
            }
            statement.execute("copy (select * from incoming" + kept + " order by code, open_time) to "
                    + quoted(temporary) + " (format parquet, compression zstd, row_group_size 4096)");
            Files.move(temporary, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (SQLException failed) {
            Files.deleteIfExists(temporary);
            throw new IOException(
                    "the history file " + file + " cannot be written: " + failed.getMessage()
                            + ". What was there before is untouched.",
                    failed);
        }
    }

    private static void append(DuckDBAppender appender, String code, Bars bars, int from, int to) throws SQLException {
        double[] open = bars.column(Field.OPEN);
        double[] high = bars.column(Field.HIGH);
        double[] low = bars.column(Field.LOW);
        double[] close = bars.column(Field.CLOSE);
        double[] volume = bars.column(Field.VOLUME);
        for (int bar = from; bar < Math.min(to, bars.closed()); bar++) {
            appender.beginRow();
            appender.append(code);
            appender.append(bars.openTime(bar));
            appender.append(bars.closeTime(bar));
            appender.append(open[bar]);
            appender.append(high[bar]);
            appender.append(low[bar]);
            appender.append(close[bar]);
            appender.append(volume[bar]);
            appender.endRow();
        }
    }

    @Override
    public void close() {
        try {
            connection.close();
        } catch (SQLException failed) {
            throw new IllegalStateException("the embedded database does not close", failed);
        }
    }
}
