package dev.yardarm.desk.table;

import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The state of a table: its rows, which of its columns are shown, what it is sorted by, and the row in hand. The row in hand
 * is known by its key, so it stays in hand when the rows are read anew or sorted otherwise; when it is gone, the one that took
 * its place is. Columns and order are written as one line ({@code "code last change; -change"}) and kept by whoever made the
 * table. Used by the interface's thread.
 *
 * @param <R> a row
 */
public final class Rows<R> {
    private List<RowColumn<R>> columns;
    private final Function<R, Object> key;
    private final Consumer<String> keep;
    private final Listeners<Rows<R>> listeners = new Listeners<>();
    private List<String> shown;
    private String sortedBy = "";
    private boolean descending;
    private List<R> rows = List.of();
    private List<R> given = List.of();
    private Function<R, String> group;
    private Comparator<String> groups = Comparator.naturalOrder();
    private Object inHand;
    private int place;

    /**
     * @param columns all there are, in their usual order
     * @param usual ids of those shown when nothing was chosen
     * @param key what tells a row from the others, the same when it is read anew
     * @param kept what was written before; empty for nothing
     * @param keep is told what to write
     */
    public Rows(
            List<RowColumn<R>> columns,
            List<String> usual,
            Function<R, Object> key,
            String kept,
            Consumer<String> keep) {
        this.columns = List.copyOf(columns);
        this.key = key;
        this.keep = keep;
        shown = new ArrayList<>(usual);
        read(kept);
    }

    private void read(String kept) {
        String[] halves = kept.split(";", 2);
        List<String> known = Arrays.stream(halves[0].strip().split(" "))
                .filter(id -> column(id).isPresent())
                .distinct()
                .toList();
        if (!known.isEmpty()) {
            shown = new ArrayList<>(known);
        }
        String order = halves.length < 2 ? "" : halves[1].strip();
        String id = order.startsWith("-") ? order.substring(1) : order;
        if (column(id).isPresent()) {
            sortedBy = id;
            descending = order.startsWith("-");
        }
    }

    private void written() {
        keep.accept(String.join(" ", shown) + (sortedBy.isEmpty() ? "" : "; " + (descending ? "-" : "") + sortedBy));
    }

    /** Is told whenever anything of it changed. */
    public Listening listen(Consumer<Rows<R>> listener) {
        return listeners.add(listener);
    }

    /** Puts other rows in, in their own order. */
    public void set(List<R> newRows) {
        given = List.copyOf(newRows);
        arrange();
    }

    /** Puts rows of the same group together, groups by their names, rows in a group as they are sorted; null for no groups. */
    public void group(Function<R, String> by) {
        group(by, Comparator.naturalOrder());
    }

    /** The same with groups in an order of their own. */
    public void group(Function<R, String> by, Comparator<String> order) {
        group = by;
        groups = order;
        arrange();
    }

    /** Sorts the rows anew, by the values they have now. */
    public void sortAgain() {
        arrange();
    }

    /** True while rows are put together in groups. */
    public boolean isGrouped() {
        return group != null;
    }

    /** The group that a row is the first of, with how many it has; empty for the rows below it, and without groups. */
    public String begins(R row) {
        if (group == null) {
            return "";
        }
        String name = group.apply(row);
        List<R> members =
                rows.stream().filter(each -> group.apply(each).equals(name)).toList();
        boolean first = !members.isEmpty() && key.apply(members.get(0)).equals(key.apply(row));
        return first ? (name.isEmpty() ? "none" : name) + " (" + members.size() + ")" : "";
    }

    private void arrange() {
        List<R> sorted = new ArrayList<>(given);
        column(sortedBy).ifPresent(column -> {
            Comparator<R> order = descending ? column.order().reversed() : column.order();
            sorted.sort(Comparator.<R>comparingInt(row -> column.missing().test(row) ? 1 : 0)
                    .thenComparing(order));
        });
        if (group != null) {
            sorted.sort(Comparator.comparing(group, groups));
        }
        rows = List.copyOf(sorted);
        int found = indexOf(inHand);
        place = found >= 0 ? found : Math.max(0, Math.min(place, rows.size() - 1));
        inHand = rows.isEmpty() ? null : key.apply(rows.get(place));
        listeners.tell(this);
    }

    private int indexOf(Object wanted) {
        for (int row = 0; row < rows.size(); row++) {
            if (Objects.equals(key.apply(rows.get(row)), wanted)) {
                return row;
            }
        }
        return -1;
    }

    /** The rows as they are sorted. */
    public List<R> rows() {
        return rows;
    }

    /** The row in hand; empty only when there are no rows. */
    public Optional<R> inHand() {
        return rows.isEmpty() ? Optional.empty() : Optional.of(rows.get(place));
    }

    /** Number of the row in hand. */
    public int place() {
        return place;
    }

    /** Takes a row in hand. */
    public void take(int row) {
        if (row >= 0 && row < rows.size() && (row != place || !Objects.equals(inHand, key.apply(rows.get(row))))) {
            place = row;
            inHand = key.apply(rows.get(row));
            listeners.tell(this);
        }
    }

    /** Goes on by so many rows; at an end it stays. */
    public void step(int by) {
        take(Math.max(0, Math.min(rows.size() - 1, place + by)));
    }

    /** All columns, in their usual order. */
    public List<RowColumn<R>> columns() {
        return columns;
    }

    /** Has other columns from now on; those that were shown and are still there stay shown. */
    public void setColumns(List<RowColumn<R>> others) {
        columns = List.copyOf(others);
        List<String> known = shown.stream().filter(id -> column(id).isPresent()).toList();
        shown = new ArrayList<>(known.isEmpty() ? List.of(columns.get(0).id()) : known);
        if (column(sortedBy).isEmpty()) {
            sortedBy = "";
        }
        arrange();
    }

    private Optional<RowColumn<R>> column(String id) {
        return columns.stream().filter(each -> each.id().equals(id)).findFirst();
    }

    /** The columns that are shown, from left to right. */
    public List<RowColumn<R>> shown() {
        return shown.stream().map(this::column).flatMap(Optional::stream).toList();
    }

    /** True while a column is shown. */
    public boolean isShown(String id) {
        return shown.contains(id);
    }

    /** Shows a column, where it usually stands, or takes it away; the last one stays. */
    public void show(String id, boolean on) {
        if (on == isShown(id) || !on && shown.size() == 1 || column(id).isEmpty()) {
            return;
        }
        if (on) {
            List<String> usual = columns.stream().map(RowColumn::id).collect(Collectors.toList());
            int at = 0;
            while (at < shown.size() && usual.indexOf(shown.get(at)) < usual.indexOf(id)) {
                at++;
            }
            shown.add(at, id);
        } else {
            shown.remove(id);
        }
        written();
        listeners.tell(this);
    }

    /** Puts the shown columns in another order. */
    public void order(List<String> ids) {
        if (!ids.equals(shown) && ids.size() == shown.size() && ids.containsAll(shown)) {
            shown = new ArrayList<>(ids);
            written();
            listeners.tell(this);
        }
    }

    /** Sorts by a column; by none for an empty id: then the rows stand as they were given. */
    public void sort(String id, boolean fromHighToLow) {
        if (!id.equals(sortedBy) || fromHighToLow != descending) {
            sortedBy = column(id).isPresent() ? id : "";
            descending = fromHighToLow && !sortedBy.isEmpty();
            written();
            arrange();
        }
    }

    /** Id of the column it is sorted by; empty for none. */
    public String sortedBy() {
        return sortedBy;
    }

    public boolean isDescending() {
        return descending;
    }
}
