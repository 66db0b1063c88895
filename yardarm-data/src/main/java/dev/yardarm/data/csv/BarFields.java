package dev.yardarm.data.csv;

import java.math.BigDecimal;

/** Reads the fields of a row, telling what is wrong with one and in which column it stands. */
final class BarFields {
    private BarFields() {}

    static double number(CsvScanner record, int column, NumberForm form) throws BadField {
        if (column >= record.count()) {
            throw new BadField(column, "the row ends before this column");
        }
        double number = form.read(record.bytes(), record.start(column), record.end(column));
        if (number != number) {
            throw noNumber(record, column, form);
        }
        return number;
    }

    private static BadField noNumber(CsvScanner record, int column, NumberForm form) {
        String text = record.text(column);
        if (text.isBlank()) {
            return new BadField(column, "a number is missing");
        }
        String hint = "";
        if (form.decimal() == '.' && text.indexOf(',') >= 0) {
            hint = "; this file has a decimal point, say otherwise with --decimal comma";
        } else if (form.decimal() == ',' && text.indexOf('.') >= 0) {
            hint = "; this file has a decimal comma, say otherwise with --decimal point";
        }
        return new BadField(column, "'" + shown(text) + "' is not a number" + hint);
    }

    /** A volume, which may carry K, M or B for thousands, millions and thousand millions; NaN where it is empty. */
    static double volume(CsvScanner record, int column, NumberForm form) throws BadField {
        if (record.isBlank(column)) {
            return Double.NaN;
        }
        int end = record.end(column) - 1;
        int power =
                switch (record.bytes()[end] | 32) {
                    case 'k' -> 3;
                    case 'm' -> 6;
                    case 'b' -> 9;
                    default -> 0;
                };
        double number = power == 0
                ? number(record, column, form)
                : scaled(form.read(record.bytes(), record.start(column), end), power);
        if (number != number) {
            throw noNumber(record, column, form);
        }
        if (number < 0) {
            throw new BadField(column, "the volume " + plain(number) + " is below zero");
        }
        return number;
    }

    private static double scaled(double number, int power) {
        return number == number && Double.isFinite(number)
                ? BigDecimal.valueOf(number).scaleByPowerOfTen(power).doubleValue()
                : Double.NaN;
    }

    static BadRow badRow(String file, Layout layout, CsvScanner record, BadField field) {
        return new BadRow(
                file, record.line(), field.column + 1, layout.name(field.column), field.getMessage(), record.fields());
    }

    /** A row that breaks the rules of the format, or has more fields than the header; null when it does neither. */
    static BadField misshapen(CsvScanner record, Layout layout) {
        if (record.fault() != null) {
            return new BadField(-1, record.fault());
        }
        for (int column = layout.names().size(); column < record.count(); column++) {
            if (!record.isBlank(column)) {
                return new BadField(
                        -1,
                        "the row has " + record.count() + " fields where there are "
                                + layout.names().size() + " columns");
            }
        }
        return null;
    }

    static String plain(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** Text for messages: control characters by their number, long text cut. */
    static String shown(String text) {
        StringBuilder shown = new StringBuilder();
        for (int at = 0; at < text.length() && shown.length() < 60; at++) {
            char each = text.charAt(at);
            if (each < ' ' || each == 127) {
                shown.append(String.format("\\x%02x", (int) each));
            } else {
                shown.append(each);
            }
        }
        return shown.length() >= 60 ? shown + " ..." : shown.toString();
    }
}
