package dev.yardarm.app.own;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.core.plain.Reading;
import dev.yardarm.desk.own.OwnDesk;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A plain sentence, what it was understood as, and the change it would make, to be taken or left. */
final class SentenceBox extends VBox {
    private final OwnDesk editing;
    private final TextField sentence = new TextField();
    private final Label said = new Label();
    private final Label unclear = new Label();
    private final DifferenceList difference = new DifferenceList("proposed");
    private final Button take = new Button("Take");
    private final Button leave = new Button("Leave");
    private final VBox answer;

    SentenceBox(OwnDesk editing, Runnable changed) {
        super(4);
        this.editing = editing;
        sentence.setId("sentence");
        sentence.setPromptText("In words: colour bars whose low is over a 40-bar average");
        sentence.setAccessibleText("Say in words what it shows");
        sentence.setOnAction(event -> read());
        HBox.setHgrow(sentence, Priority.ALWAYS);
        Button read = new Button("Read");
        read.setId("read-sentence");
        read.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(read, "Show what the sentence would change (Enter)");
        read.setOnAction(event -> read());
        said.setWrapText(true);
        said.setId("understood");
        unclear.setWrapText(true);
        unclear.setId("unclear");
        unclear.getStyleClass().add("problem");
        take.setId("take-proposal");
        take.setOnAction(event -> {
            editing.take();
            sentence.clear();
            show();
            changed.run();
            sentence.requestFocus();
        });
        leave.setId("leave-proposal");
        leave.setOnAction(event -> {
            editing.leave();
            show();
            sentence.requestFocus();
        });
        ScrollPane scroll = new ScrollPane(difference);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setMaxHeight(150);
        scroll.setPrefHeight(110);
        scroll.visibleProperty().bind(difference.visibleProperty());
        scroll.managedProperty().bind(difference.visibleProperty());
        answer = new VBox(4, said, unclear, scroll, new HBox(6, take, leave));
        answer.getStyleClass().add("answer");
        getChildren().addAll(new HBox(6, sentence, read), answer);
        show();
    }

    private void read() {
        if (!sentence.getText().isBlank()) {
            editing.say(sentence.getText());
            show();
            if (take.isVisible()) {
                take.requestFocus();
            }
        }
    }

    /** Shows what the last sentence was understood as. */
    void show() {
        Reading reading = editing.reading();
        answer.setVisible(reading != null);
        answer.setManaged(reading != null);
        if (reading == null) {
            return;
        }
        boolean changes = reading.changes(editing.text());
        said.setText(
                reading.understood().isEmpty() ? "" : "Understood: " + String.join("; ", reading.understood()) + ".");
        shown(said, !reading.understood().isEmpty());
        StringBuilder open = new StringBuilder(String.join(" ", reading.asked()));
        if (!reading.unclear().isEmpty()) {
            open.append(open.isEmpty() ? "" : " ")
                    .append("Not understood: ")
                    .append(String.join("; ", reading.unclear()))
                    .append('.');
        }
        unclear.setText(open.toString());
        shown(unclear, !open.isEmpty());
        difference.setVisible(changes);
        if (changes) {
            difference.show(
                    editing.proposed(),
                    editing.text().isBlank() ? "nothing yet" : "as it is",
                    "as it would be",
                    !editing.text().isBlank());
        }
        shown(take, changes);
    }

    private static void shown(Region node, boolean shown) {
        node.setVisible(shown);
        node.setManaged(shown);
    }

    TextField field() {
        return sentence;
    }
}
