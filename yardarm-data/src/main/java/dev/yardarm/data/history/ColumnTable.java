package dev.yardarm.data.history;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.series.TickSeries;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.Map;
import org.duckdb.DuckDBAppender;
import org.duckdb.DuckDBConnection;

/**
 * Columns handed to the embedded database as arrays, from which it makes rows again; one by one, rows take about three times as
 * long. A table lives as long as its connection or until the next one of its name.
 */
final class ColumnTable {
    /** The database takes this many values of a column at once; longer arrays would gain nothing. */
    private static final int PIECE = 2048;

    private ColumnTable() {}

    /**
     * Hands bars over, those of each code from one bar to another.
     *
     * @return what to select from: code, open_time, close_time, open, high, low, close, volume, in the order of the bars
     */
    static String ofBars(DuckDBConnection own, Statement statement, Map<String, Bars> barsByCode, int from, int to)
            throws SQLException {
        statement.execute("create or replace temp table bar_columns (code varchar, open_time bigint[], "
                + "close_time bigint[], open double[], high double[], low double[], close double[], volume double[])");
        try (DuckDBAppender appender = own.createAppender("temp", "main", "bar_columns")) {
            for (Map.Entry<String, Bars> entry : barsByCode.entrySet()) {
                Bars bars = entry.getValue();
                int last = Math.min(to, bars.closed());
                for (int first = from; first < last; first += PIECE) {
                    int end = Math.min(last, first + PIECE);
                    appender.beginRow();
                    appender.append(entry.getKey());
                    appender.append(Arrays.copyOfRange(bars.openTimes(), first, end));
                    appender.append(Arrays.copyOfRange(bars.closeTimes(), first, end));
                    appender.append(Arrays.copyOfRange(bars.column(Field.OPEN), first, end));
                    appender.append(Arrays.copyOfRange(bars.column(Field.HIGH), first, end));
                    appender.append(Arrays.copyOfRange(bars.column(Field.LOW), first, end));
                    appender.append(Arrays.copyOfRange(bars.column(Field.CLOSE), first, end));
                    appender.append(Arrays.copyOfRange(bars.column(Field.VOLUME), first, end));
                    appender.endRow();
                }
            }
        }
        return "(select code, unnest(open_time) as open_time, unnest(close_time) as close_time, unnest(open) as open, "
                + "unnest(high) as high, unnest(low) as low, unnest(close) as close, unnest(volume) as volume "
                + "from bar_columns)";
    }

    /**
     * Hands trades over.
     *
     * @return what to select from: time, price, size (null where it is not known), side (-1 bid, 1 ask, 0 not known), in their
     *     order
     */
    static String ofTicks(DuckDBConnection own, Statement statement, TickSeries ticks) throws SQLException {
        statement.execute("create or replace temp table tick_columns "
                + "(time bigint[], price double[], size double[], side tinyint[])");
        try (DuckDBAppender appender = own.createAppender("temp", "main", "tick_columns")) {
            for (int first = 0; first < ticks.size(); first += PIECE) {
                int end = Math.min(ticks.size(), first + PIECE);
                byte[] sides = new byte[end - first];
                for (int tick = first; tick < end; tick++) {
                    sides[tick - first] = ticks.side(tick);
                }
                appender.beginRow();
                appender.append(Arrays.copyOfRange(ticks.times(), first, end));
                appender.append(Arrays.copyOfRange(ticks.prices(), first, end));
                appender.append(Arrays.copyOfRange(ticks.sizes(), first, end));
                appender.appendByteArray(sides);
                appender.endRow();
            }
        }
        return "(select time, price, case when isnan(size) then null else size end as size, side from (select "
                + "unnest(time) as time, unnest(price) as price, unnest(size) as size, unnest(side) as side "
                + "from tick_columns))";
    }
}
