package dev.yardarm.data.csv;

import dev.yardarm.data.csv.ReadingOptions.DateOrder;
import dev.yardarm.data.csv.ReadingOptions.EpochUnit;
import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;

/** Finds which columns hold the times of a file and how they are written. */
final class TimeColumns {
    private final Path file;
    private final ReadingOptions options;
    private final Map<ColumnRole, Integer> roles;
    private final List<List<String>> data;

    TimeColumns(Path file, ReadingOptions options, Map<ColumnRole, Integer> roles, List<List<String>> data) {
        this.file = file;
        this.options = options;
        this.roles = new EnumMap<>(roles);
        this.data = data;
    }

    /** What was found: the columns that count, and how they are written. */
    record Found(Map<ColumnRole, Integer> roles, TimeReader.Form form, DateOrder order, EpochUnit unit) {}

    /** @param notes takes what was taken for what */
    Found find(char separator, int skipped, IntFunction<String> names, List<String> notes) throws IOException {
        choose(names, notes);
        boolean apart = roles.containsKey(ColumnRole.CLOCK);
        int column = roles.get(apart ? ColumnRole.DATE : ColumnRole.TIME);
        String sample = first(column);
        String name = names.apply(column);
        if (options.epoch() != null) {
            return found(TimeReader.Form.EPOCH, DateOrder.YMD, options.epoch());
        }
        if (Samples.isParts(sample)) {
            DateOrder order = order(separator, skipped, column, sample);
            if (order != DateOrder.YMD) {
                notes.add("dates have the " + order.words());
            }
            return found(TimeReader.Form.PARTS, order, EpochUnit.S);
        }
        if (Samples.isCompact(sample)) {
            notes.add("'" + name + "' holds dates without separators");
            return found(TimeReader.Form.COMPACT, DateOrder.YMD, EpochUnit.S);
        }
        if (Samples.isEpoch(sample)) {
            EpochUnit unit = LayoutFinder.unit(Long.parseLong(sample.strip().replaceFirst("\\..*", "")));
            notes.add("'" + name + "' counts " + unit.words() + " since 1970");
            return found(TimeReader.Form.EPOCH, DateOrder.YMD, unit);
        }
        if (Samples.isNamed(sample)) {
            return found(TimeReader.Form.NAMED, DateOrder.DMY, EpochUnit.S);
        }
        // Each row will be told as one that has no time.
        return found(TimeReader.Form.PARTS, DateOrder.YMD, EpochUnit.S);
    }

    private Found found(TimeReader.Form form, DateOrder order, EpochUnit unit) {
        return new Found(roles, form, order, unit);
    }

    /** One column with the whole time, or a date and a time of day; the other columns of times are left out. */
    private void choose(IntFunction<String> names, List<String> notes) {
        Integer time = roles.get(ColumnRole.TIME);
        Integer date = roles.get(ColumnRole.DATE);
        if (time == null) {
            Integer clock = roles.get(ColumnRole.CLOCK);
            if (clock != null && Samples.isClock(first(clock), first(date))) {
                notes.add("times are '" + names.apply(date) + "' and '" + names.apply(clock) + "' together");
                return;
            }
            roles.remove(ColumnRole.CLOCK);
            roles.remove(ColumnRole.DATE);
            roles.put(ColumnRole.TIME, date);
            tellTime(names.apply(date), notes);
            return;
        }
        roles.remove(ColumnRole.CLOCK);
        if (date != null && !date.equals(time)) {
            if (Samples.isClock(first(time), first(date)) && !Samples.isTime(first(time))) {
                roles.remove(ColumnRole.TIME);
                roles.put(ColumnRole.CLOCK, time);
                notes.add("times are '" + names.apply(date) + "' and '" + names.apply(time) + "' together");
                return;
            }
            // 093000 reads as six digits of a time of day, and as nothing else.
            if (Samples.isDate(first(date)) && first(time).strip().matches("\\d{3,6}")) {
                roles.remove(ColumnRole.TIME);
                roles.put(ColumnRole.CLOCK, time);
                notes.add("times are '" + names.apply(date) + "' and '" + names.apply(time) + "' together");
                return;
            }
        }
        roles.remove(ColumnRole.DATE);
        tellTime(names.apply(time), notes);
    }

    private static void tellTime(String name, List<String> notes) {
        if (!name.equalsIgnoreCase("time") && !name.equalsIgnoreCase("date")) {
            notes.add("'" + name + "' is the time");
        }
    }

    /** The first field of a column that is not blank. */
    private String first(int column) {
        for (List<String> row : data) {
            if (column < row.size() && !row.get(column).isBlank()) {
                return row.get(column).strip();
            }
        }
        return "";
    }

    private DateOrder order(char separator, int skipped, int column, String sample) throws IOException {
        if (options.dates() != null) {
            return options.dates();
        }
        if (sample.matches("\\d{4}.*")) {
            return DateOrder.YMD;
        }
        if (sample.indexOf('.') > 0 && sample.indexOf('.') <= 2) {
            // Points stand between day, month and year, in that order, wherever they are used.
            return DateOrder.DMY;
        }
        Set<DateOrder> possible = EnumSet.of(DateOrder.DMY, DateOrder.MDY);
        try (CsvScanner scanner = new CsvScanner(CsvBytes.open(file), separator)) {
            scanner.skip(skipped);
            while (possible.size() > 1 && scanner.next()) {
                if (column < scanner.count()) {
                    narrow(possible, scanner.text(column).strip());
                }
            }
        }
        if (possible.size() > 1) {
            throw new BarFileException(
                    file + ": '" + sample
                            + "' may have the day or the month first, and no row decides; say which with --dates dmy or --dates mdy");
        }
        return possible.iterator().next();
    }

    private static void narrow(Set<DateOrder> possible, String text) {
        String[] parts = text.split("[-/]", 3);
        if (parts.length == 3 && parts[0].matches("\\d{1,2}") && parts[1].matches("\\d{1,2}")) {
            List<DateOrder> fit =
                    LayoutFinder.orders(Integer.parseInt(parts[0]), parts[0].length(), Integer.parseInt(parts[1]));
            if (!fit.isEmpty()) {
                possible.retainAll(fit);
            }
        }
    }
}
