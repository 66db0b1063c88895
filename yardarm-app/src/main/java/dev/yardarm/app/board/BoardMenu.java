package dev.yardarm.app.board;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.room.chart.ChartComparisons;
import dev.yardarm.desk.table.RowColumn;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;

/** The menus of a board: which lists, which columns and order, and what is done with an instrument. Made when they are asked for. */
public final class BoardMenu {
    private final Workbench bench;
    private final Board board;

    public BoardMenu(Workbench bench, Board board) {
        this.bench = bench;
        this.board = board;
    }

    /** A button that chooses the lists, each a group. */
    public MenuButton lists() {
        MenuButton button = button("Lists", "Lists on the board, each as a group");
        button.setId("board-lists");
        button.setOnShowing(event -> button.getItems().setAll(listItems()));
        return button;
    }

    private List<MenuItem> listItems() {
        List<MenuItem> items = new ArrayList<>();
        CheckMenuItem usual =
                new CheckMenuItem("The list gone through (" + bench.room().listName() + ")");
        usual.setSelected(!board.hasOwnLists());
        usual.setOnAction(event -> board.setLists(List.of()));
        items.add(usual);
        items.add(new SeparatorMenuItem());
        for (String name : board.choices()) {
            CheckMenuItem item = new CheckMenuItem(name);
            item.setSelected(board.hasOwnLists() && board.lists().contains(name));
            item.setOnAction(event -> toggle(name, item.isSelected()));
            items.add(item);
        }
        items.add(new SeparatorMenuItem());
        Menu half = new Menu("Members that make up half of");
        for (Instrument each : bench.desk().directory().all()) {
            if (each.kind() == Instrument.Kind.INDEX) {
                half.getItems().add(item(each.code() + "   " + each.name(), () -> bench.desk()
                        .listWork()
                        .byWeight(each.code(), 0.5, made -> board.setLists(List.of(made)))));
            }
        }
        if (!half.getItems().isEmpty()) {
            items.add(half);
        }
        return items;
    }

    private void toggle(String name, boolean on) {
        List<String> lists = new ArrayList<>(board.hasOwnLists() ? board.lists() : List.of());
        lists.remove(name);
        if (on) {
            lists.add(name);
        }
        board.setLists(lists);
    }

    /** A button that chooses columns and order. */
    public MenuButton columns() {
        MenuButton button = button("Columns", "Columns of the board, and its order");
        button.setId("board-columns");
        button.setOnShowing(event -> button.getItems().setAll(columnItems()));
        return button;
    }

    private List<MenuItem> columnItems() {
        List<MenuItem> items = new ArrayList<>();
        board.rows().columns().forEach(column -> {
            CheckMenuItem item = new CheckMenuItem(column.title());
            item.setMnemonicParsing(false);
            item.setSelected(board.rows().isShown(column.id()));
            item.setOnAction(event -> board.rows().show(column.id(), item.isSelected()));
            items.add(item);
        });
        items.add(new SeparatorMenuItem());
        items.add(item("Add a formula ...", () -> bench.prompt("column ")));
        if (!board.formulas().isEmpty()) {
            Menu remove = new Menu("Remove a formula");
            board.formulas().forEach(each -> remove.getItems().add(item(each, () -> board.removeFormula(each))));
            items.add(remove);
        }
        Menu order = new Menu("Sort by");
        ToggleGroup one = new ToggleGroup();
        order.getItems().add(by(one, "as the list is", "", false));
        for (RowColumn<?> column : board.rows().columns()) {
            order.getItems().add(by(one, column.title() + ", from high to low", column.id(), true));
            order.getItems().add(by(one, column.title() + ", from low to high", column.id(), false));
        }
        items.add(order);
        return items;
    }

    private RadioMenuItem by(ToggleGroup one, String text, String id, boolean descending) {
        RadioMenuItem item = new RadioMenuItem(text);
        item.setToggleGroup(one);
        item.setSelected(board.rows().sortedBy().equals(id) && board.rows().isDescending() == descending);
        item.setOnAction(event -> board.rows().sort(id, descending));
        return item;
    }

    private static MenuButton button(String text, String accessible) {
        MenuButton button = new MenuButton(text);
        button.getStyleClass().add("flat");
        button.setAccessibleText(accessible);
        button.setMinWidth(MenuButton.USE_PREF_SIZE);
        // A menu without items does not show.
        button.getItems().add(new MenuItem("..."));
        return button;
    }

    /** What is done with an instrument of the board. */
    ContextMenu ofInstrument(Instrument instrument) {
        ContextMenu menu = new ContextMenu(
                item("Open " + instrument.code(), () -> bench.openChart(instrument)),
                item(
                        "Compare on the chart",
                        () -> bench.room().comparisons().add(List.of(instrument), ChartComparisons.Look.STANDARD)),
                item("Alert on " + instrument.code() + " ...", () -> bench.prompt("alert " + instrument.code() + " ")),
                new SeparatorMenuItem());
        for (Stance.Kind kind : List.of(Stance.Kind.LONG, Stance.Kind.SHORT, Stance.Kind.WAIT, Stance.Kind.NONE)) {
            menu.getItems()
                    .add(item(
                            kind == Stance.Kind.NONE ? "No stance" : "Stance: " + kind.word(),
                            () -> bench.desk().stanceWork().take(instrument.id(), kind, "")));
        }
        return menu;
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setMnemonicParsing(false);
        item.setOnAction(event -> action.run());
        return item;
    }
}
