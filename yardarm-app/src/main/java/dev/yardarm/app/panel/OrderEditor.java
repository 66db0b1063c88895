package dev.yardarm.app.panel;

import dev.yardarm.core.indicator.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.VBox;

/**
 * Words in an order: a tick for each, those that are left out last. One is dragged to its place, or moved there with Alt and an arrow
 * key.
 */
final class OrderEditor extends VBox {
    private final Setting.Ordered setting;
    private final Supplier<String> text;
    private final Consumer<String> take;
    private final Map<String, CheckBox> rows = new HashMap<>();
    private boolean dragged;

    OrderEditor(Setting.Ordered setting, Supplier<String> text, Consumer<String> take) {
        this.setting = setting;
        this.text = text;
        this.take = take;
        getStyleClass().add("order-editor");
        setAccessibleText(setting.label());
        setting.words().forEach(word -> rows.put(word, row(word)));
        show();
    }

    /** Shows the words as they are now; the one with the focus keeps it. */
    void show() {
        List<String> order = new ArrayList<>(Setting.Ordered.in(text.get()));
        int shown = order.size();
        setting.words().stream().filter(each -> !order.contains(each)).forEach(order::add);
        List<CheckBox> now = order.stream().map(rows::get).toList();
        if (!getChildren().equals(now)) {
            // The same rows in another order: one that is being dragged, or has the focus, goes on.
            CheckBox focused = now.stream().filter(Node::isFocused).findFirst().orElse(null);
            getChildren().setAll(now);
            if (focused != null) {
                focused.requestFocus();
            }
        }
        for (int at = 0; at < now.size(); at++) {
            now.get(at).setSelected(at < shown);
        }
    }

    private CheckBox row(String word) {
        CheckBox row = new CheckBox(word.replace('_', ' '));
        row.setId("row-" + word);
        row.setAccessibleText(word.replace('_', ' ') + ", Alt and an arrow key move it");
        row.setMaxWidth(Double.MAX_VALUE);
        row.setOnAction(event -> {
            take.accept(Setting.Ordered.toggled(text.get(), word));
            show();
        });
        row.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.isAltDown() && (event.getCode() == KeyCode.UP || event.getCode() == KeyCode.DOWN)) {
                move(word, event.getCode() == KeyCode.UP ? -1 : 1);
                event.consume();
            }
        });
        row.addEventFilter(MouseEvent.MOUSE_DRAGGED, event -> drag(word, event));
        row.addEventFilter(MouseEvent.MOUSE_RELEASED, event -> {
            // What was moved is not ticked by the same press.
            if (dragged) {
                dragged = false;
                event.consume();
                row.disarm();
            }
        });
        return row;
    }

    private void drag(String word, MouseEvent event) {
        double y = sceneToLocal(event.getSceneX(), event.getSceneY()).getY();
        List<String> order = Setting.Ordered.in(text.get());
        int at = order.indexOf(word);
        int over = at;
        for (int row = 0; row < order.size(); row++) {
            Node each = getChildren().get(row);
            if (y >= each.getBoundsInParent().getMinY()
                    && y < each.getBoundsInParent().getMaxY()) {
                over = row;
            }
        }
        if (at >= 0 && over != at) {
            dragged = true;
            move(word, over - at);
        }
    }

    private void move(String word, int places) {
        take.accept(Setting.Ordered.moved(text.get(), word, places));
        show();
    }
}
