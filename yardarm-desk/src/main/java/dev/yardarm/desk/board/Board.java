package dev.yardarm.desk.board;

import dev.yardarm.chart.board.BoardPicture;
import dev.yardarm.chart.board.Cell;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;

/**
 * The state of a quote board: one list or several as groups, the columns chosen, the order, the row in hand. Quotes come as they are traded and
 * are read when a line is painted; no row changes its place for that. The order is taken anew <b>at rest</b>: when nobody has touched the board
 * for {@value #REST_SECONDS} seconds, and then once in as long, so that what a hand or an eye is on stays where it is.
 *
 * <p>Lists, columns, formulas and order are kept. A board watches its quotes from {@link #wake} until {@link #rest}; while it rests it costs
 * nothing. Used by the interface's thread.
 */
public final class Board implements AutoCloseable {
    private static final long REST_SECONDS = 3;
    private static final double NARROWEST = 0.75;
    private static final long REST = REST_SECONDS * 1_000_000_000L;

    /** Where a board stands: under which name it is kept, and which columns it has at first. */
    public enum Place {
        PAGE("board", BoardColumns.USUAL),
        SIDE("board-side", BoardColumns.NARROW),
        STRIP("board-strip", BoardColumns.NARROW);

        private final String key;
        private final List<String> usual;

        Place(String key, List<String> usual) {
            this.key = key;
            this.usual = usual;
        }
    }

    private final Desk desk;
    private final Place place;
    private final LongSupplier clock;
    private final Quotes quotes;
    private final BoardValues values;
    private final BoardColumns columns;
    private final Rows<BoardRow> rows;
    private final Listeners<Board> listeners = new Listeners<>();
    private final Listening heard;
    private List<String> lists;
    private String usualList = "";
    private List<String> formulas;
    private List<BoardPicture.Line> headings = List.of();
    private List<Integer> lines = List.of();
    private boolean awake;
    private long touched;
    private long ordered;
    private long worked;

    /** @param clock nanoseconds from any start */
    public Board(Desk desk, Place place, LongSupplier clock) {
        this.desk = desk;
        this.place = place;
        this.clock = clock;
        quotes = new Quotes(desk.feedServices(), this::beat, 0);
        values = new BoardValues(desk, this::tell);
        columns = new BoardColumns(desk, quotes, values);
        formulas = split(desk.habits().table(place.key + "-formulas"));
        lists = split(desk.habits().table(place.key + "-lists"));
        rows = new Rows<>(
                columns.all(formulas),
                place.usual,
                row -> row.list() + "\n" + row.instrument().id(),
                desk.habits().table(place.key),
                line -> desk.habits().setTable(place.key, line));
        heard = Listening.all(
                desk.books().listen(subject -> {
                    if (subject == Books.Subject.LISTS) {
                        read();
                    } else if (subject == Books.Subject.ALERTS || subject == Books.Subject.FIRINGS) {
                        values.alertsChanged();
                        tell();
                    } else if (subject == Books.Subject.STANCES) {
                        tell();
                    }
                }),
                desk.directory().listen(source -> desk.feedServices().front().execute(this::read)),
                rows.listen(changed -> arranged()));
        wantValues();
        read();
    }

    private static List<String> split(String kept) {
        return Arrays.stream(kept.split("\n")).filter(each -> !each.isBlank()).toList();
    }

    /** Is told whenever it has to be drawn anew. */
    public Listening listen(Consumer<Board> listener) {
        return listeners.add(listener);
    }

    private void tell() {
        listeners.tell(this);
    }

    // --- what is on it ---

    /** The lists on it, in the order of its groups; those that are gone are left out. */
    public List<String> lists() {
        List<String> there = lists.stream()
                .filter(name -> desk.books().list(name).isPresent())
                .toList();
        return there.isEmpty() ? List.of(usualList) : there;
    }

    /** Shows these lists, each as a group; none for the one gone through. Kept. */
    public void setLists(List<String> names) {
        lists = names.stream().distinct().toList();
        desk.habits().setTable(place.key + "-lists", String.join("\n", lists));
        read();
    }

    /** The list it shows when none was chosen: the one gone through. */
    public void setUsualList(String name) {
        if (!name.equals(usualList)) {
            usualList = name;
            read();
        }
    }

    /** True when lists were chosen for it. */
    public boolean hasOwnLists() {
        return lists.stream().anyMatch(name -> desk.books().list(name).isPresent());
    }

    /** The names of all lists there are. */
    public List<String> choices() {
        return desk.books().lists().stream().map(NamedList::name).toList();
    }

    private void read() {
        List<BoardRow> all = new ArrayList<>();
        List<String> shown = lists();
        for (String list : shown) {
            desk.books().list(list).ifPresent(named -> named.instruments().stream()
                    .map(desk.directory()::find)
                    .flatMap(Optional::stream)
                    .forEach(each -> all.add(new BoardRow(each, list))));
        }
        rows.group(
                shown.size() > 1 ? BoardRow::list : null,
                Comparator.comparingInt((String list) -> shown.indexOf(list)));
        rows.set(all);
        watch();
    }

    private void watch() {
        if (awake && quotes.watch(instruments())) {
            worked = 0;
        }
    }

    /** The instruments on it, each once. */
    public List<Instrument> instruments() {
        return rows.rows().stream().map(BoardRow::instrument).distinct().toList();
    }

    /** The quote of an instrument; empty until it is loaded. */
    public Optional<Quotes.Quote> quote(InstrumentId id) {
        return quotes.quote(id);
    }

    // --- columns ---

    /** Rows, columns and order. */
    public Rows<BoardRow> rows() {
        return rows;
    }

    /** The formulas that have a column. */
    public List<String> formulas() {
        return formulas;
    }

    /** Adds a column for a formula and shows it; tells what is wrong with it, or nothing. Kept. */
    public String addFormula(String text) {
        String formula = text.strip();
        String problem =
                formula.isEmpty() ? "a column needs a formula, such as rsi(close, 14)" : values.problem(formula);
        if (!problem.isEmpty()) {
            return problem;
        }
        if (!formulas.contains(formula)) {
            List<String> more = new ArrayList<>(formulas);
            more.add(formula);
            setFormulas(more);
        }
        rows.show(BoardColumns.id(formula), true);
        return "";
    }

    /** Takes the column of a formula away. */
    public void removeFormula(String formula) {
        setFormulas(formulas.stream().filter(each -> !each.equals(formula)).toList());
    }

    private void setFormulas(List<String> changed) {
        formulas = List.copyOf(changed);
        desk.habits().setTable(place.key + "-formulas", String.join("\n", formulas));
        rows.setColumns(columns.all(formulas));
    }

    private void wantValues() {
        boolean other = values.want(
                formulas.stream()
                        .filter(each -> rows.isShown(BoardColumns.id(each)))
                        .toList(),
                rows.isShown("level"));
        if (other) {
            worked = 0;
        }
    }

    // --- time ---

    /** It comes into view: quotes are followed from now on. */
    public void wake() {
        if (!awake) {
            awake = true;
            watch();
            beat();
        }
    }

    /** It goes out of view. */
    public void rest() {
        awake = false;
        quotes.close();
        values.close();
    }

    /** A hand or a key is on it: nothing changes its place for a while. */
    public void touch() {
        touched = clock.getAsLong();
    }

    /** True while the order may be taken anew. */
    private boolean isAtRest(long now) {
        return now - touched >= REST && now - ordered >= REST;
    }

    /** With each beat of the market: orders anew at rest, works values out again when they are old. */
    void beat() {
        long now = clock.getAsLong();
        if (!awake) {
            return;
        }
        workOut(now);
        if (!rows.sortedBy().isEmpty() && isAtRest(now)) {
            ordered = now;
            rows.sortAgain();
        }
        tell();
    }

    private void workOut(long now) {
        if (worked == 0 || now - worked > BoardValues.STAND) {
            worked = now;
            values.workOut(instruments());
        }
    }

    /** Sorts by a column from its higher end, or the other way when it is sorted by it already; a third time as the lists are. */
    public void sortBy(String column) {
        boolean words = rows.columns().stream()
                .anyMatch(each -> each.id().equals(column)
                        && each.kind() == RowColumn.Kind.WORDS
                        && !List.of(BoardColumns.TICK, BoardColumns.RANGE, BoardColumns.COURSE)
                                .contains(column));
        ordered = clock.getAsLong();
        if (!rows.sortedBy().equals(column)) {
            rows.sort(column, !words);
        } else if (rows.isDescending() != words) {
            rows.sort(column, words);
        } else {
            rows.sort("", false);
        }
    }

    // --- lines ---

    private void arranged() {
        List<BoardPicture.Line> names = new ArrayList<>();
        List<Integer> all = new ArrayList<>();
        String group = null;
        Set<String> begun = new HashSet<>();
        for (int row = 0; row < rows.rows().size(); row++) {
            String list = rows.rows().get(row).list();
            if (rows.isGrouped() && !list.equals(group) && begun.add(list)) {
                group = list;
                long count = rows.rows().stream()
                        .filter(each -> each.list().equals(list))
                        .count();
                names.add(new BoardPicture.Heading(list + " (" + count + ")"));
                all.add(-names.size());
            }
            all.add(row);
        }
        headings = names;
        lines = all;
        wantValues();
        if (awake) {
            workOut(clock.getAsLong());
        }
        tell();
    }

    /** How many lines it has: its rows, and the names of its groups. */
    public int lines() {
        return lines.size();
    }

    /** The number of the row on a line; empty on the name of a group and beyond the last. */
    public Optional<Integer> rowAt(int line) {
        return line < 0 || line >= lines.size() || lines.get(line) < 0
                ? Optional.empty()
                : Optional.of(lines.get(line));
    }

    /** The line of a row. */
    public int lineOf(int row) {
        return Math.max(0, lines.indexOf(row));
    }

    /**
     * The board as it is to be painted.
     *
     * @param first the first line that can be seen
     * @param count how many can be seen
     * @param pointed number of the line under the pointer; -1 for none
     * @param focused true while keys act on it
     * @param width in pixels; where columns are wider together they become narrower, by a quarter at most
     */
    public BoardPicture picture(int first, int count, int pointed, boolean focused, double width) {
        List<RowColumn<BoardRow>> shown = rows.shown();
        double whole = shown.stream().mapToDouble(RowColumn::width).sum();
        double factor = Math.max(NARROWEST, Math.min(1, width / whole));
        List<BoardPicture.Column> heads = shown.stream()
                .map(each -> new BoardPicture.Column(
                        each.title(),
                        each.width() * factor,
                        each.kind() != RowColumn.Kind.WORDS,
                        !rows.sortedBy().equals(each.id()) ? 0 : rows.isDescending() ? -1 : 1))
                .toList();
        List<BoardPicture.Line> seen = new ArrayList<>();
        for (int line = Math.max(0, first); line < Math.min(lines.size(), first + count); line++) {
            int row = lines.get(line);
            seen.add(row < 0 ? headings.get(-row - 1) : row(row, shown, line == pointed));
        }
        return new BoardPicture(heads, seen, focused);
    }

    private BoardPicture.Row row(int number, List<RowColumn<BoardRow>> shown, boolean pointed) {
        BoardRow row = rows.rows().get(number);
        List<Cell> cells = new ArrayList<>(shown.size());
        Quotes.Quote quote = quotes.quote(row.instrument().id()).orElse(null);
        for (RowColumn<BoardRow> column : shown) {
            cells.add(quote == null ? written(column, row) : cell(column, row, quote));
        }
        return new BoardPicture.Row(cells, number == rows.place(), pointed);
    }

    private static Cell cell(RowColumn<BoardRow> column, BoardRow row, Quotes.Quote quote) {
        return switch (column.id()) {
            case BoardColumns.TICK -> new Cell.Tick(quote.tick());
            case BoardColumns.RANGE -> new Cell.Range(quote.low(), quote.high(), quote.open(), quote.last());
            case BoardColumns.COURSE -> new Cell.Course(quote.course(), quote.last());
            default -> written(column, row);
        };
    }

    private static Cell written(RowColumn<BoardRow> column, BoardRow row) {
        String text = column.text().apply(row);
        Role role = Role.INK;
        if (column.kind() == RowColumn.Kind.CHANGE && !text.isEmpty()) {
            role = text.startsWith("+") ? Role.RISE : Role.FALL_TEXT;
        }
        return new Cell.Words(text, role, column.kind() != RowColumn.Kind.WORDS);
    }

    /** What a row says in words, for those who cannot see it and under the pointer. */
    public String words(BoardRow row) {
        String values = rows.shown().stream()
                .map(column -> {
                    String text = column.text().apply(row);
                    return text.isEmpty() || column.id().equals("code") ? "" : column.title() + " " + text;
                })
                .filter(each -> !each.isEmpty())
                .collect(Collectors.joining(", "));
        return row.instrument().code() + " " + row.instrument().name() + (values.isEmpty() ? "" : ": " + values);
    }

    @Override
    public void close() {
        rest();
        heard.close();
    }
}
