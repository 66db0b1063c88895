package dev.yardarm.data.history;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Properties;
import java.util.regex.Pattern;
import org.duckdb.DuckDBConnection;

/**
 * The embedded database that reads and writes Parquet files. It runs in memory only, may use 1 GB, and neither fetches nor loads
 * extensions. Each piece of work takes a connection of its own, so that several threads may read and write at once.
 */
final class EmbeddedDatabase implements AutoCloseable {
    /** Failures that say nothing about the file: no memory, no room, no right to read. */
    private static final Pattern PASSING = Pattern.compile(
            "(?i).*(out of memory|permission denied|no space|too many open files|interrupt|no such file|cannot open file).*",
            Pattern.DOTALL);

    private final DuckDBConnection connection;

    /** @param spill folder for what does not fit into memory */
    EmbeddedDatabase(Path spill) throws IOException {
        Properties settings = new Properties();
        settings.setProperty("memory_limit", "1GB");
        settings.setProperty("autoinstall_known_extensions", "false");
        settings.setProperty("autoload_known_extensions", "false");
        settings.setProperty("preserve_insertion_order", "true");
        settings.setProperty("temp_directory", spill.toString());
        try {
            connection = (DuckDBConnection) DriverManager.getConnection("jdbc:duckdb:", settings);
        } catch (SQLException failed) {
            throw new IOException("the embedded database does not start: " + failed.getMessage(), failed);
        }
    }

    /** A connection of one's own, to be closed. */
    DuckDBConnection connect() throws SQLException {
        return connection.duplicate();
    }

    /**
     * True when a file is there, can be opened, and is no Parquet file that holds these columns from the first row to the last.
     * Reads the whole of it.
     */
    boolean isDamaged(Path file, List<String> columns) {
        String all = String.join(
                " + ", columns.stream().map(each -> "count(" + each + ")").toList());
        String sums = String.join(
                ", ",
                columns.stream()
                        .filter(each -> !each.equals("code"))
                        .map(each -> "sum(" + each + "::double)")
                        .toList());
        try (DuckDBConnection own = connect();
                Statement statement = own.createStatement()) {
            String from = " from read_parquet(" + quoted(file) + ")";
            try (ResultSet rows = statement.executeQuery("select " + all + ", " + sums + from)) {
                rows.next();
            }
            return columns.contains("open_time") && holdsNoBars(statement, from, columns.contains("code"));
        } catch (SQLException failed) {
            return failed.getMessage() == null
                    || !PASSING.matcher(failed.getMessage()).matches();
        }
    }

    /** True when rows can be read but are no bars, as after damage that hit values alone. */
    private static boolean holdsNoBars(Statement statement, String from, boolean several) throws SQLException {
        String window = several ? "partition by code order by open_time" : "order by open_time";
        try (ResultSet rows = statement.executeQuery("select count(*) from (select *, lag(open_time) over (" + window
                + ") as before" + from + ") where open_time <= before or close_time <= open_time or not (high >= low) "
                + "or open is null or close is null or isnan(open) or isnan(close)")) {
            return rows.next() && rows.getLong(1) > 0;
        }
    }

    /** A text as a literal of SQL. */
    static String quoted(Object text) {
        return "'" + text.toString().replace("'", "''") + "'";
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
