package dev.yardarm.data.csv;

import de.siegmar.fastcsv.reader.CsvRecord;

/** Reads the fields of a row, telling what is wrong with one and in which column it stands. */
final class Fields {
    private Fields() {}

    /** A field that cannot be used; column counted from 0, -1 for the whole row. */
    static final class BadField extends Exception {
        private static final long serialVersionUID = 1L;
        final int column;

        BadField(int column, String problem) {
            super(problem);
            this.column = column;
        }
    }

    static String text(CsvRecord record, int column) throws BadField {
        if (column >= record.getFieldCount()) {
            throw new BadField(column, "the row ends before this column");
        }
        return record.getField(column);
    }

    static boolean isBlank(CsvRecord record, int column) {
        return column < 0
                || column >= record.getFieldCount()
                || record.getField(column).isBlank();
    }

    static double number(CsvRecord record, int column) throws BadField {
        String text = text(record, column).strip();
        try {
            double number = Double.parseDouble(text);
            char last = text.charAt(text.length() - 1);
            if (Double.isFinite(number) && (Character.isDigit(last) || last == '.')) {
                return number;
            }
        } catch (NumberFormatException notANumber) {
            // told below, like infinities
        }
        throw new BadField(column, text.isEmpty() ? "a number is missing" : "'" + text + "' is no number");
    }

    static long time(CsvRecord record, int column, BarTimes times) throws BadField {
        try {
            return times.read(text(record, column).strip());
        } catch (IllegalArgumentException bad) {
            throw new BadField(column, bad.getMessage());
        }
    }

    static BadRow badRow(String file, java.util.List<String> header, CsvRecord record, BadField field) {
        return new BadRow(
                file,
                record.getStartingLineNumber(),
                field.column + 1,
                field.column >= 0 && field.column < header.size() ? header.get(field.column) : "",
                field.getMessage(),
                record.getFields());
    }

    static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** The column names of a header, bare and in lower case. */
    static java.util.List<String> names(java.util.List<String> header) {
        return header.stream()
                .map(name -> name.strip().replace("\uFEFF", "").toLowerCase(java.util.Locale.ROOT))
                .toList();
    }
}
