package dev.yardarm.data.csv;

import dev.yardarm.data.csv.ReadingOptions.DateOrder;
import dev.yardarm.data.csv.ReadingOptions.EpochUnit;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Finds out how a file of bars or trades is laid out: what separates fields, which row names the columns and in whose words, how
 * times and numbers are written. It looks at the first rows; only where days and months cannot be told apart there it looks
 * through the whole column. What stays open is an error that names the option which decides, never a guess.
 */
final class LayoutFinder {
    private static final int HEAD = 256 << 10;
    private static final int ROWS = 400;
    private static final int PREAMBLE = 20;

    private final Path file;
    private final ReadingOptions options;
    private final boolean trades;
    private final byte[] head;
    private final boolean whole;
    private final List<String> notes = new ArrayList<>();

    private LayoutFinder(Path file, ReadingOptions options, boolean trades) throws IOException {
        this.file = file;
        this.options = options;
        this.trades = trades;
        head = CsvBytes.head(file, HEAD);
        whole = head.length < HEAD;
    }

    /** @param trades true for a file of trades, false for one of bars or values */
    static Layout find(Path file, ReadingOptions options, boolean trades) throws IOException {
        return new LayoutFinder(file, options, trades).find();
    }

    /** True when the header of a file, or the columns told, name the price of trades rather than bars. */
    static boolean holdsTrades(Path file, ReadingOptions options) throws IOException {
        if (!options.columns().isEmpty()) {
            return isTrades(bare(options.columns()));
        }
        byte[] head = CsvBytes.head(file, HEAD);
        for (char separator : separators(options)) {
            List<List<String>> rows = rows(head, separator, PREAMBLE, head.length < HEAD);
            for (List<String> row : rows) {
                if (row.size() > 1 && isTrades(bare(row))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean isTrades(List<String> names) {
        return ColumnRole.PRICE.in(names) >= 0
                && ColumnRole.HIGH.in(names) < 0
                && (names.contains("price")
                        || ColumnRole.SIDE.in(names) >= 0
                        || ColumnRole.SIZE.in(names) >= 0 && ColumnRole.OPEN.in(names) < 0);
    }

    private static boolean hasTime(List<String> names) {
        return ColumnRole.TIME.in(names) >= 0 || ColumnRole.DATE.in(names) >= 0;
    }

    private static char[] separators(ReadingOptions options) {
        return options.separator() != 0 ? new char[] {options.separator()} : new char[] {'\t', ';', '|', ','};
    }

    private static List<String> bare(List<String> names) {
        return names.stream().map(ColumnRole::bare).toList();
    }

    private static List<List<String>> rows(byte[] bytes, char separator, int most, boolean whole) throws IOException {
        List<List<String>> rows = new ArrayList<>();
        try (CsvScanner scanner = new CsvScanner(new ByteArrayInputStream(bytes), separator)) {
            while (rows.size() < most && scanner.next()) {
                rows.add(scanner.fields());
            }
        }
        if (!whole && rows.size() < most && rows.size() > 1) {
            // The last record ends where the head ends, not where the file ends it.
            rows.remove(rows.size() - 1);
        }
        return rows;
    }

    /** A separator that fits, the row that names the columns and what they hold. */
    private record Columns(char separator, int skipped, List<String> names, Map<ColumnRole, Integer> roles) {}

    private Layout find() throws IOException {
        if (head.length == 0) {
            throw new BarFileException(file + " is empty; expected a header with "
                    + (trades ? "time, price, size, side" : "time, open, high, low, close, volume"));
        }
        for (char separator : separators(options)) {
            List<List<String>> rows = rows(head, separator, ROWS, whole);
            Columns columns = columns(rows, separator);
            if (columns != null) {
                return layout(columns, rows.subList(Math.min(columns.skipped(), rows.size()), rows.size()));
            }
        }
        throw noHeader();
    }

    private Layout layout(Columns columns, List<List<String>> data) throws IOException {
        if (columns.separator() != ',') {
            notes.add(
                    switch (columns.separator()) {
                        case '\t' -> "fields are separated by tabs";
                        case ';' -> "fields are separated by semicolons";
                        default -> "fields are separated by " + columns.separator();
                    });
        }
        TimeColumns times = new TimeColumns(file, options, columns.roles(), data);
        Map<ColumnRole, Integer> roles = new EnumMap<>(columns.roles());
        tellNames(columns, roles);
        TimeColumns.Found time = times.find(
                columns.separator(),
                columns.skipped(),
                name -> columns.names().get(name).strip(),
                notes);
        roles.clear();
        roles.putAll(time.roles());
        NumberForm numbers = numbers(roles, data, columns);
        boolean utc = options.zone() == null && namesUtc(columns.names(), roles);
        if (utc) {
            notes.add("times are UTC, as the name of their column says");
        }
        return new Layout(
                columns.separator(),
                columns.skipped(),
                columns.names(),
                roles,
                numbers,
                time.form(),
                time.order(),
                time.unit(),
                utc ? ZoneOffset.UTC : options.zone(),
                notes);
    }

    private static boolean namesUtc(List<String> names, Map<ColumnRole, Integer> roles) {
        for (ColumnRole role : List.of(ColumnRole.TIME, ColumnRole.CLOCK)) {
            if (roles.containsKey(role)
                    && names.get(roles.get(role))
                            .toLowerCase(java.util.Locale.ROOT)
                            .matches(".*\\b(utc|gmt)\\b\\)?.*")) {
                return true;
            }
        }
        return false;
    }

    private Columns columns(List<List<String>> rows, char separator) throws BarFileException {
        if (rows.isEmpty()
                || rows.get(0).size() < 2 && (rows.size() < 2 || rows.get(1).size() < 2)) {
            return null;
        }
        if (!options.columns().isEmpty()) {
            return told(rows, separator);
        }
        for (int row = 0; row < Math.min(PREAMBLE, rows.size()); row++) {
            Map<ColumnRole, Integer> roles = roles(rows.get(row));
            if (roles != null && areCut(roles.size(), rows.subList(row + 1, rows.size()))) {
                checkTwice(rows.get(row), roles, row);
                if (row > 0) {
                    notes.add(row + (row == 1 ? " line" : " lines") + " before the header left out");
                }
                return new Columns(separator, row + 1, rows.get(row), roles);
            }
        }
        return bareColumns(rows, separator);
    }

    /** A separator that cuts the header in two and hardly any row is none. */
    private static boolean areCut(int columns, List<List<String>> data) {
        return columns > 3 || 2 * data.stream().filter(row -> row.size() > 1).count() >= data.size();
    }

    /** Columns named by an option, in place of a header or where there is none. */
    private Columns told(List<List<String>> rows, char separator) throws BarFileException {
        Map<ColumnRole, Integer> roles = roles(options.columns());
        if (roles == null) {
            throw new BarFileException(
                    "--columns must name " + wanted() + "; found " + String.join(", ", options.columns()));
        }
        boolean header = !Samples.isData(rows.get(0));
        if (header) {
            notes.add("the header is not read, the columns are those of --columns");
        }
        List<String> names = new ArrayList<>(options.columns());
        for (int more = names.size(); more < rows.get(rows.size() - 1).size(); more++) {
            names.add("column " + (more + 1));
        }
        return new Columns(separator, header ? 1 : 0, names, roles);
    }

    /** Columns of a file without a header, by what stands in them; null when that is no time and numbers. */
    private Columns bareColumns(List<List<String>> rows, char separator) throws BarFileException {
        List<String> first = rows.get(0);
        if (!Samples.isData(first)) {
            return null;
        }
        // Digits alone may be a price; that dates repeat shows that a time of day stands beside them.
        boolean apart = first.size() > 1
                && Samples.isDate(first.get(0))
                && Samples.isClock(first.get(1), first.get(0))
                && (first.get(1).contains(":") || repeats(rows));
        int from = apart ? 2 : 1;
        int numbers = 0;
        while (from + numbers < first.size() && Samples.isNumber(first.get(from + numbers))) {
            numbers++;
        }
        Map<ColumnRole, Integer> roles = new EnumMap<>(ColumnRole.class);
        roles.put(apart ? ColumnRole.DATE : ColumnRole.TIME, 0);
        if (apart) {
            roles.put(ColumnRole.CLOCK, 1);
        }
        List<ColumnRole> order;
        if (trades) {
            order = List.of(ColumnRole.PRICE, ColumnRole.SIZE);
        } else if (numbers == 1) {
            order = List.of(ColumnRole.VALUE);
        } else if (numbers >= 4) {
            order = List.of(ColumnRole.OPEN, ColumnRole.HIGH, ColumnRole.LOW, ColumnRole.CLOSE, ColumnRole.VOLUME);
        } else {
            throw new BarFileException(file + ", line 1: there is no header, and " + numbers
                    + " numbers behind the time may be anything; name the columns with --columns, such as "
                    + "--columns time,open,high,low,close,volume");
        }
        for (int place = 0; place < Math.min(numbers, order.size()); place++) {
            roles.put(order.get(place), from + place);
        }
        List<String> names = new ArrayList<>();
        for (int column = 0; column < first.size(); column++) {
            String name = "column " + (column + 1);
            for (Map.Entry<ColumnRole, Integer> role : roles.entrySet()) {
                name = role.getValue() == column ? role.getKey().name().toLowerCase(java.util.Locale.ROOT) : name;
            }
            names.add(name);
        }
        notes.add("there is no header; columns were taken as "
                + String.join(", ", names.subList(0, Math.min(names.size(), from + Math.min(numbers, order.size())))));
        return new Columns(separator, 0, names, roles);
    }

    private static boolean repeats(List<List<String>> rows) {
        return rows.stream().map(row -> row.get(0)).distinct().count() < rows.size();
    }

    /** What a row of names names; null when it does not name a time and what goes with it. */
    private Map<ColumnRole, Integer> roles(List<String> header) {
        List<String> names = bare(header);
        if (!hasTime(names)) {
            return null;
        }
        Map<ColumnRole, Integer> roles = new EnumMap<>(ColumnRole.class);
        for (ColumnRole role : List.of(ColumnRole.TIME, ColumnRole.DATE, ColumnRole.CLOCK)) {
            put(roles, role, names);
        }
        if (trades) {
            for (ColumnRole role : List.of(ColumnRole.PRICE, ColumnRole.SIZE, ColumnRole.SIDE)) {
                put(roles, role, names);
            }
            return roles.containsKey(ColumnRole.PRICE) ? roles : null;
        }
        List<ColumnRole> prices = List.of(ColumnRole.OPEN, ColumnRole.HIGH, ColumnRole.LOW, ColumnRole.CLOSE);
        prices.forEach(role -> put(roles, role, names));
        if (prices.stream().allMatch(roles::containsKey)) {
            put(roles, ColumnRole.VOLUME, names);
            put(roles, ColumnRole.ADJUSTED, names);
            return roles;
        }
        if (prices.subList(0, 3).stream().anyMatch(roles::containsKey) || names.contains("price")) {
            return null;
        }
        put(roles, ColumnRole.VALUE, names);
        if (!roles.containsKey(ColumnRole.VALUE) && roles.containsKey(ColumnRole.CLOSE)) {
            roles.put(ColumnRole.VALUE, roles.get(ColumnRole.CLOSE));
        }
        if (!roles.containsKey(ColumnRole.VALUE) && names.size() == 2 && !Samples.isData(header)) {
            roles.put(ColumnRole.VALUE, names.indexOf(names.get(0)) == time(roles) ? 1 : 0);
        }
        roles.remove(ColumnRole.CLOSE);
        return roles.containsKey(ColumnRole.VALUE) ? roles : null;
    }

    private static int time(Map<ColumnRole, Integer> roles) {
        return roles.getOrDefault(ColumnRole.TIME, roles.getOrDefault(ColumnRole.DATE, 0));
    }

    private static void put(Map<ColumnRole, Integer> roles, ColumnRole role, List<String> names) {
        int column = role.in(names);
        if (column >= 0) {
            roles.put(role, column);
        }
    }

    private void checkTwice(List<String> header, Map<ColumnRole, Integer> roles, int row) throws BarFileException {
        List<String> names = bare(header);
        for (int column : new TreeSet<>(roles.values())) {
            if (names.indexOf(names.get(column)) != names.lastIndexOf(names.get(column))) {
                throw new BarFileException(
                        file + ", line " + (row + 1) + ": the column '" + names.get(column) + "' occurs twice");
            }
        }
    }

    private String wanted() {
        return trades
                ? "time and price (size and side if there are any)"
                : "time, open, high, low and close (volume if there is any), or time and value";
    }

    private BarFileException noHeader() throws IOException {
        char separator = ',';
        List<String> first = List.of();
        for (char candidate : separators(options)) {
            List<List<String>> rows = rows(head, candidate, 1, whole);
            if (!rows.isEmpty() && rows.get(0).size() >= Math.max(2, first.size())) {
                first = rows.get(0);
                separator = candidate;
            }
        }
        List<String> names = bare(first);
        String price = !trades && names.contains("price") && hasTime(names)
                ? "; a file of trades is for 'bars', and a series of values is read with --columns time,value"
                : "";
        String found = first.isEmpty()
                ? "found "
                        + BarFields.shown(
                                new String(head, 0, Math.min(head.length, 60), java.nio.charset.StandardCharsets.UTF_8)
                                        .lines()
                                        .findFirst()
                                        .orElse(""))
                : "found "
                        + String.join(
                                ", ",
                                first.stream()
                                        .map(String::strip)
                                        .map(BarFields::shown)
                                        .toList());
        return new BarFileException(file + ", line 1: the header must name " + wanted() + "; " + found
                + (separator == ',' ? "" : " separated by '" + (separator == '\t' ? "tabs" : separator) + "'") + price
                + "; columns of other names are told with --columns");
    }

    /** Says which names were taken for what, where they are not the ones this application writes. */
    private void tellNames(Columns columns, Map<ColumnRole, Integer> roles) {
        if (!options.columns().isEmpty() || columns.skipped() == 0) {
            return;
        }
        List<String> told = new ArrayList<>();
        for (Map.Entry<ColumnRole, Integer> role : roles.entrySet()) {
            String name = columns.names().get(role.getValue()).strip();
            String own = role.getKey().name().toLowerCase(java.util.Locale.ROOT);
            boolean time = role.getKey() == ColumnRole.TIME
                    || role.getKey() == ColumnRole.DATE
                    || role.getKey() == ColumnRole.CLOCK;
            if (role.getKey() != ColumnRole.ADJUSTED && !time && !name.equalsIgnoreCase(own)) {
                told.add("'" + name + "' as " + own);
            }
        }
        if (!told.isEmpty()) {
            notes.add("columns taken: " + String.join(", ", told));
        }
        if (roles.containsKey(ColumnRole.ADJUSTED)) {
            notes.add("'" + columns.names().get(roles.get(ColumnRole.ADJUSTED)).strip()
                    + "' is left out: prices are kept as traded");
        }
    }

    private NumberForm numbers(Map<ColumnRole, Integer> roles, List<List<String>> data, Columns columns)
            throws BarFileException {
        NumberEvidence evidence = new NumberEvidence();
        for (List<String> row : data) {
            for (Map.Entry<ColumnRole, Integer> role : roles.entrySet()) {
                boolean number =
                        role.getKey().ordinal() >= ColumnRole.OPEN.ordinal() && role.getKey() != ColumnRole.SIDE;
                if (number && role.getValue() < row.size()) {
                    evidence.see(
                            row.get(role.getValue()).strip(),
                            columns.names().get(role.getValue()).strip());
                }
            }
        }
        NumberForm form = evidence.form(file.toString(), options.decimal());
        if (!form.equals(NumberForm.PLAIN)) {
            notes.add("numbers with " + form.words());
        }
        return form;
    }

    static EpochUnit unit(long number) {
        long size = Math.abs(number);
        return size < 100_000_000_000L
                ? EpochUnit.S
                : size < 100_000_000_000_000L
                        ? EpochUnit.MS
                        : size < 100_000_000_000_000_000L ? EpochUnit.US : EpochUnit.NS;
    }

    /** In what order the parts of a date with separators may stand. */
    static List<DateOrder> orders(int first, int firstWidth, int second) {
        List<DateOrder> orders = new ArrayList<>();
        if (firstWidth == 4) {
            orders.add(DateOrder.YMD);
            return orders;
        }
        if (first >= 1 && first <= 31 && second >= 1 && second <= 12) {
            orders.add(DateOrder.DMY);
        }
        if (first >= 1 && first <= 12 && second >= 1 && second <= 31) {
            orders.add(DateOrder.MDY);
        }
        return orders;
    }
}
