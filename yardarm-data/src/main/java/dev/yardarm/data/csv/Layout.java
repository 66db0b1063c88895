package dev.yardarm.data.csv;

import dev.yardarm.data.csv.ReadingOptions.DateOrder;
import dev.yardarm.data.csv.ReadingOptions.EpochUnit;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * How a file is laid out, as it was found or told.
 *
 * @param separator between fields
 * @param skipped records before the first row of data
 * @param names of the columns as they stand; by their number when there is no header
 * @param columns which column holds what
 * @param numbers how numbers are written
 * @param form how times are written
 * @param order of the parts of dates
 * @param unit of numbers since 1970
 * @param zone of times without an offset; null when there must be none
 * @param notes what was taken for what, where it is not as this application writes it
 */
record Layout(
        char separator,
        int skipped,
        List<String> names,
        Map<ColumnRole, Integer> columns,
        NumberForm numbers,
        TimeReader.Form form,
        DateOrder order,
        EpochUnit unit,
        ZoneId zone,
        List<String> notes) {
    Layout {
        names = List.copyOf(names);
        columns = new EnumMap<>(columns);
        notes = List.copyOf(notes);
    }

    /** The column of a role; -1 when there is none. */
    int column(ColumnRole role) {
        return columns.getOrDefault(role, -1);
    }

    boolean has(ColumnRole role) {
        return columns.containsKey(role);
    }

    /** Name of a column for messages; empty for the row as a whole. */
    String name(int column) {
        return column >= 0 && column < names.size() ? names.get(column).strip() : "";
    }

    TimeReader times() {
        return new TimeReader(form, order, unit, zone);
    }
}
