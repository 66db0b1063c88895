package dev.yardarm.app.view;

import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;

/**
 * A table that shows {@link Rows}: what is selected in it is the row in hand, a click on a head sorts, heads can be dragged,
 * and a menu chooses columns and order by key. It holds no state of its own.
 *
 * @param <R> a row
 */
final class RowTable<R> extends TableView<R> {
    private static final double ROW = 28;

    private final Rows<R> rows;
    private final Map<String, TableColumn<R, R>> made = new LinkedHashMap<>();
    private final Map<String, Supplier<TableCell<R, R>>> cells = new LinkedHashMap<>();
    private final TableColumn<R, R> groups = new TableColumn<>("Group");
    private final MenuButton menu = new MenuButton("Columns");
    private final Label empty = new Label();
    private final Listening heard;
    private Consumer<R> opens = row -> {};
    private List<R> read = List.of();
    private boolean filling;

    /**
     * @param id of the node
     * @param name for those who cannot see it
     */
    RowTable(Rows<R> rows, String id, String name) {
        this.rows = rows;
        setId(id);
        setAccessibleText(name);
        setFixedCellSize(ROW);
        empty.getStyleClass().add("empty");
        empty.setWrapText(true);
        setPlaceholder(empty);
        menu.getStyleClass().add("flat");
        menu.setId(id + "-columns");
        menu.setAccessibleText("Columns of: " + name);
        menu.setOnShowing(event -> fillMenu());
        // A menu without items does not show.
        menu.getItems().add(new MenuItem("..."));
        setSortPolicy(table -> {
            sorted();
            return true;
        });
        getColumns().addListener((ListChangeListener<TableColumn<R, ?>>) change -> {
            if (!filling) {
                rows.order(getColumns().stream()
                        .filter(each -> each != groups)
                        .map(TableColumn::getId)
                        .toList());
            }
        });
        getSelectionModel().selectedIndexProperty().addListener((observed, before, now) -> {
            if (!filling && now.intValue() >= 0) {
                rows.take(now.intValue());
            }
        });
        groups.setId("groups");
        groups.setPrefWidth(184);
        groups.setSortable(false);
        groups.setReorderable(false);
        groups.getStyleClass().add("groups");
        groups.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
        groups.setCellFactory(column -> new GroupCell());
        // On the table, not on a row: a row that is read anew between press and release takes no click. Two clicks on a
        // head sort.
        setOnMouseClicked(event -> {
            if (event.getButton() == MouseButton.PRIMARY && event.getClickCount() == 2) {
                rowAt(event.getPickResult().getIntersectedNode()).ifPresent(opens);
            }
        });
        heard = rows.listen(changed -> show());
    }

    /** The name of a group at its first row. */
    private final class GroupCell extends TableCell<R, R> {
        @Override
        protected void updateItem(R row, boolean none) {
            super.updateItem(row, none);
            setText(none || row == null ? "" : rows.begins(row));
        }
    }

    /** Says what an empty table says. */
    void setEmpty(String text) {
        empty.setText(text);
    }

    /** Draws the cells of a column another way. */
    void setCells(String column, Supplier<TableCell<R, R>> cell) {
        cells.put(column, cell);
    }

    /** The menu of columns and order, to stand above the table. */
    MenuButton columnsMenu() {
        return menu;
    }

    /** Enter and a double click open the row in hand; Delete removes it, where that is possible. */
    void onOpen(Consumer<R> open, Consumer<R> remove) {
        addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ENTER) {
                rows.inHand().ifPresent(open);
                event.consume();
            } else if (event.getCode() == KeyCode.DELETE && remove != null) {
                rows.inHand().ifPresent(remove);
                event.consume();
            }
        });
        opens = open;
    }

    private Optional<R> rowAt(Node pointed) {
        for (Node node = pointed; node != null && node != this; node = node.getParent()) {
            if (node instanceof TableRow<?> row && row.getTableView() == this && !row.isEmpty()) {
                return Optional.of(getItems().get(row.getIndex()));
            }
        }
        return Optional.empty();
    }

    /** A right click on a row offers what is made for that row then. */
    void onMenu(Function<R, List<MenuItem>> items) {
        setRowFactory(each -> {
            TableRow<R> row = new TableRow<>();
            row.addEventFilter(ContextMenuEvent.CONTEXT_MENU_REQUESTED, event -> {
                ContextMenu menu = new ContextMenu();
                if (!row.isEmpty()) {
                    menu.getItems().setAll(items.apply(row.getItem()));
                }
                row.setContextMenu(row.isEmpty() ? null : menu);
            });
            return row;
        });
    }

    /** One thing that can be done. */
    static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }

    /** Takes over what the rows have become. */
    void show() {
        filling = true;
        List<TableColumn<R, R>> wanted = new ArrayList<>();
        if (rows.isGrouped()) {
            wanted.add(groups);
        }
        for (RowColumn<R> column : rows.shown()) {
            wanted.add(made.compute(
                    column.id(),
                    (id, before) -> before != null && before.getUserData() == column ? before : column(column)));
        }
        if (!wanted.equals(getColumns())) {
            getColumns().setAll(wanted);
        }
        List<TableColumn<R, ?>> order = new ArrayList<>();
        TableColumn<R, R> by = made.get(rows.sortedBy());
        if (by != null && rows.isShown(rows.sortedBy())) {
            by.setSortType(rows.isDescending() ? TableColumn.SortType.DESCENDING : TableColumn.SortType.ASCENDING);
            order.add(by);
        }
        if (!order.equals(getSortOrder())) {
            getSortOrder().setAll(order);
        }
        if (!rows.rows().equals(getItems())) {
            getItems().setAll(rows.rows());
        } else if (rows.rows() != read) {
            // Not when another row was taken in hand alone: cells change places, under a pointer that is held down too.
            refresh();
        }
        read = rows.rows();
        if (rows.inHand().isPresent() && getSelectionModel().getSelectedIndex() != rows.place()) {
            getSelectionModel().clearAndSelect(rows.place());
            scrollTo(Math.max(0, rows.place() - 3));
        }
        filling = false;
    }

    private void sorted() {
        if (filling) {
            return;
        }
        TableColumn<R, ?> by = getSortOrder().isEmpty() ? null : getSortOrder().get(0);
        rows.sort(by == null ? "" : by.getId(), by != null && by.getSortType() == TableColumn.SortType.DESCENDING);
    }

    private TableColumn<R, R> column(RowColumn<R> of) {
        TableColumn<R, R> column = new TableColumn<>(of.title());
        column.setId(of.id());
        column.setUserData(of);
        column.setPrefWidth(of.width());
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
        if (of.kind() != RowColumn.Kind.WORDS) {
            column.getStyleClass().add("number");
        }
        Supplier<TableCell<R, R>> own = cells.get(of.id());
        column.setSortable(own == null);
        column.setCellFactory(each -> own != null ? own.get() : new TextCell<>(of));
        return column;
    }

    /** The text of a column, coloured by its sign where it is a change. */
    private static final class TextCell<R> extends TableCell<R, R> {
        private final RowColumn<R> column;

        TextCell(RowColumn<R> column) {
            this.column = column;
        }

        @Override
        protected void updateItem(R row, boolean none) {
            super.updateItem(row, none);
            String text = none || row == null ? "" : column.text().apply(row);
            setText(text);
            if (column.kind() == RowColumn.Kind.CHANGE) {
                getStyleClass().removeAll("rise", "fall");
                if (!text.isEmpty()) {
                    getStyleClass().add(text.startsWith("+") ? "rise" : "fall");
                }
                // Another style class sets a cell back to no style at all until the next time styles are applied.
                applyCss();
            }
        }
    }

    private void fillMenu() {
        menu.getItems().clear();
        for (RowColumn<R> column : rows.columns()) {
            CheckMenuItem item = new CheckMenuItem(column.title());
            item.setSelected(rows.isShown(column.id()));
            item.setOnAction(event -> rows.show(column.id(), item.isSelected()));
            menu.getItems().add(item);
        }
        Menu order = new Menu("Sort by");
        ToggleGroup group = new ToggleGroup();
        order.getItems().add(by(group, "as they come", "", false));
        for (RowColumn<R> column : rows.columns()) {
            if (!cells.containsKey(column.id())) {
                order.getItems().add(by(group, column.title() + ", from low to high", column.id(), false));
                order.getItems().add(by(group, column.title() + ", from high to low", column.id(), true));
            }
        }
        menu.getItems().add(order);
    }

    private RadioMenuItem by(ToggleGroup group, String text, String id, boolean descending) {
        RadioMenuItem item = new RadioMenuItem(text);
        item.setToggleGroup(group);
        item.setSelected(rows.sortedBy().equals(id) && rows.isDescending() == descending);
        item.setOnAction(event -> rows.sort(id, descending));
        return item;
    }

    /** Puts the focus on it, with a row in hand. */
    void focus() {
        if (getScene() == null) {
            // A split pane takes its parts in only when it gets its skin.
            Platform.runLater(() -> {
                if (getScene() != null) {
                    focus();
                }
            });
            return;
        }
        requestFocus();
        if (!rows.rows().isEmpty()) {
            getFocusModel().focus(rows.place());
        }
    }

    void close() {
        heard.close();
    }
}
