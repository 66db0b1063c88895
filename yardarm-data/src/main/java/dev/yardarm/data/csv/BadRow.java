package dev.yardarm.data.csv;

import java.util.List;

/**
 * A row of a CSV file that cannot be used.
 *
 * @param line line of the file, from 1
 * @param column number of the column, from 1; 0 when the row as a whole is at fault
 * @param columnName name of the column in the header, empty when the row as a whole is at fault
 * @param fields the row as it stands
 */
public record BadRow(String file, long line, int column, String columnName, String problem, List<String> fields) {
    /** File, line, column and what is wrong. */
    public String message() {
        return file + ", line " + line + (column > 0 ? ", column " + column + " (" + columnName + ")" : "") + ": "
                + problem;
    }
}
