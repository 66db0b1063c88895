package dev.yardarm.app.window;

import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.action.View;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * Shows what can be typed after the leader: first the groups, then the actions of one. Each can be clicked, all are said to a
 * screen reader. It stays until a key or a click ends it.
 */
final class HintPanel extends VBox {
    private final Actions actions;
    private final Consumer<Action> run;
    private View front = View.CHART;
    private boolean open;
    private ActionGroup group;

    HintPanel(Actions actions, Consumer<Action> run) {
        this.actions = actions;
        this.run = run;
        getStyleClass().add("hint-panel");
        setId("hint-panel");
        setVisible(false);
        setManaged(false);
        setAccessibleRole(AccessibleRole.MENU);
    }

    boolean isOpen() {
        return open;
    }

    /** The group whose actions are shown; empty while it is closed or shows all groups. */
    Optional<ActionGroup> group() {
        return Optional.ofNullable(group);
    }

    /** Shows the groups in which something can be done while a view is in front. */
    void open(View inFront) {
        front = inFront;
        group = null;
        FlowPane entries = entries();
        StringBuilder spoken = new StringBuilder("Keys");
        for (ActionGroup each : actions.groups(front)) {
            entries.getChildren().add(entry(each.letter(), each.title(), () -> open(each)));
            spoken.append(", ").append(each.letter()).append(' ').append(each.title());
        }
        show("Space", "a letter, then another", entries, spoken.toString());
    }

    private void open(ActionGroup opened) {
        group = opened;
        FlowPane entries = entries();
        StringBuilder spoken = new StringBuilder(opened.title());
        for (Map.Entry<Character, Action> each : opened.actions(front).entrySet()) {
            Action action = each.getValue();
            entries.getChildren().add(entry(each.getKey(), action.label(), () -> {
                close();
                run.accept(action);
            }));
            spoken.append(", ").append(each.getKey()).append(' ').append(action.label());
        }
        show("Space " + opened.letter(), opened.title(), entries, spoken.toString());
    }

    /** Takes a typed letter; one that leads nowhere closes the panel, which is the answer {@code false}. */
    boolean typed(char letter) {
        if (group == null) {
            Optional<ActionGroup> found =
                    actions.group(letter).filter(each -> !each.actions(front).isEmpty());
            found.ifPresentOrElse(this::open, this::close);
            return found.isPresent();
        }
        Optional<Action> action = group.find(letter, front);
        close();
        action.ifPresent(run);
        return action.isPresent();
    }

    private static FlowPane entries() {
        FlowPane entries = new FlowPane(6, 4);
        entries.setPrefWrapLength(560);
        return entries;
    }

    private static Button entry(char letter, String label, Runnable work) {
        Label key = new Label(String.valueOf(letter));
        key.getStyleClass().add("hint-key");
        Button button = new Button(label, key);
        button.getStyleClass().add("flat");
        button.setFocusTraversable(false);
        button.setOnAction(event -> work.run());
        return button;
    }

    private void show(String keys, String words, FlowPane entries, String spoken) {
        Label title = new Label(keys + "   " + words);
        title.getStyleClass().add("strong");
        Label leave = new Label("Esc leaves");
        leave.getStyleClass().addAll("soft", "small");
        getChildren().setAll(new HBox(16, title, leave), entries);
        open = true;
        setAccessibleText(spoken);
        setVisible(true);
        autosize();
        toFront();
        notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
    }

    void close() {
        open = false;
        group = null;
        setVisible(false);
    }
}
