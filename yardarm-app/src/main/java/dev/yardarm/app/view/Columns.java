package dev.yardarm.app.view;

import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;

/** Columns of tables: words at the left, numbers at the right, changes with colour and sign. */
final class Columns {
    private Columns() {}

    static <T> TableColumn<T, String> words(String title, double width, Function<T, String> value) {
        TableColumn<T, String> column = new TableColumn<>(title);
        column.setPrefWidth(width);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(value.apply(row.getValue())));
        return column;
    }

    static <T> TableColumn<T, String> numbers(String title, double width, Function<T, String> value) {
        TableColumn<T, String> column = words(title, width, value);
        column.getStyleClass().add("number");
        return column;
    }

    /** A column whose text is coloured by its sign. */
    static <T> TableColumn<T, String> changes(String title, double width, Function<T, String> value) {
        TableColumn<T, String> column = numbers(title, width, value);
        column.setCellFactory(each -> new TableCell<>() {
            @Override
            protected void updateItem(String text, boolean empty) {
                super.updateItem(text, empty);
                setText(empty ? null : text);
                getStyleClass().removeAll("rise", "fall");
                if (!empty && text != null && !text.isEmpty()) {
                    getStyleClass().add(text.startsWith("+") ? "rise" : "fall");
                }
            }
        });
        return column;
    }

    /** Enter and a double click open the chosen row. */
    static <T> void onOpen(TableView<T> table, Consumer<T> open) {
        Runnable openChosen = () -> {
            T chosen = table.getSelectionModel().getSelectedItem();
            if (chosen != null) {
                open.accept(chosen);
            }
        };
        table.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                openChosen.run();
                event.consume();
            }
        });
        table.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                openChosen.run();
            }
        });
    }

    /** A right click on a row offers these, for that row. */
    static <T> void onMenu(TableView<T> table, Map<String, Consumer<T>> entries) {
        table.setRowFactory(each -> {
            TableRow<T> row = new TableRow<>();
            ContextMenu menu = new ContextMenu();
            entries.forEach((text, action) -> {
                MenuItem item = new MenuItem(text);
                item.setOnAction(event -> action.accept(row.getItem()));
                menu.getItems().add(item);
            });
            row.contextMenuProperty()
                    .bind(Bindings.when(row.emptyProperty())
                            .then((ContextMenu) null)
                            .otherwise(menu));
            return row;
        });
    }

    static Label empty(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("empty");
        label.setWrapText(true);
        return label;
    }
}
