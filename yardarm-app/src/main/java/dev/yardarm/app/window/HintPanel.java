package dev.yardarm.app.window;

import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Shows what the second key may be; each entry can be clicked. It stays until a key or click ends it. */
final class HintPanel extends VBox {
    private LeaderKeys.Group group;

    HintPanel() {
        getStyleClass().add("hint-panel");
        setId("hint-panel");
        setVisible(false);
        setManaged(false);
        setAccessibleRole(AccessibleRole.MENU);
    }

    LeaderKeys.Group group() {
        return group;
    }

    boolean isOpen() {
        return group != null;
    }

    void open(LeaderKeys.Group opened) {
        group = opened;
        FlowPane entries = new FlowPane(6, 4);
        entries.setPrefWrapLength(520);
        StringBuilder spoken = new StringBuilder(opened.title());
        for (LeaderKeys.Entry entry : opened.entries()) {
            Label key = new Label(String.valueOf(entry.key()));
            key.getStyleClass().add("hint-key");
            Button button = new Button(entry.label(), key);
            button.getStyleClass().add("flat");
            button.setFocusTraversable(false);
            button.setOnAction(event -> {
                close();
                entry.action().run();
            });
            entries.getChildren().add(button);
            spoken.append(", ").append(entry.key()).append(' ').append(entry.label());
        }
        Label title = new Label(opened.letter() + "   " + opened.title());
        title.getStyleClass().add("strong");
        Label leave = new Label("Esc leaves");
        leave.getStyleClass().addAll("soft", "small");
        getChildren().setAll(new HBox(16, title, leave), entries);
        setAccessibleText(spoken.toString());
        setVisible(true);
        autosize();
        toFront();
    }

    void close() {
        group = null;
        setVisible(false);
    }
}
