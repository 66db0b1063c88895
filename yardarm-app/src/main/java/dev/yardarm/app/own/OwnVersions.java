package dev.yardarm.app.own;

import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.own.OwnDesk;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The versions an indicator was saved in, each beside the text as it stands, to be brought back. */
final class OwnVersions extends VBox {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("d MMM uuuu HH:mm:ss", Locale.ROOT);

    private final OwnDesk editing;
    private final ListView<OwnIndicator.Version> list = new ListView<>();
    private final DifferenceList difference = new DifferenceList("version-difference");
    private final Button back = new Button("Bring back");

    /** @param instead puts another text into the editor */
    OwnVersions(OwnDesk editing, Consumer<Runnable> instead) {
        super(6);
        this.editing = editing;
        list.setId("versions");
        list.setAccessibleText("Versions");
        list.setPlaceholder(new Label("Nothing is saved yet. Save it in Write with Ctrl+S."));
        list.setPrefHeight(170);
        list.setCellFactory(view -> new Row());
        list.getSelectionModel().selectedItemProperty().addListener((observed, before, now) -> compare(now));
        ScrollPane scroll = new ScrollPane(difference);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        back.setId("bring-back");
        back.setOnAction(event -> {
            OwnIndicator.Version chosen = list.getSelectionModel().getSelectedItem();
            if (chosen != null) {
                instead.accept(() -> editing.bringBack(chosen));
            }
        });
        Label how = new Label("It comes into the editor; saved, it is the newest version.");
        how.getStyleClass().add("soft");
        how.setWrapText(true);
        HBox row = new HBox(8, back, how);
        row.getStyleClass().add("middle-left");
        getChildren().addAll(list, scroll, row);
    }

    /** When and why it was saved. */
    private static final class Row extends ListCell<OwnIndicator.Version> {
        Row() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(OwnIndicator.Version version, boolean empty) {
            super.updateItem(version, empty);
            setText(
                    empty || version == null
                            ? null
                            : TIME.format(Times.at(version.at(), ZoneId.systemDefault()))
                                    + (version.note().isEmpty() ? "" : "   " + version.note()));
        }
    }

    private void compare(OwnIndicator.Version version) {
        back.setDisable(version == null);
        if (version == null) {
            difference.getChildren().clear();
        } else {
            difference.show(editing.beside(version), "this version", "the text as it stands", /* changedOnly= */ false);
        }
    }

    /** Fills the list anew. */
    void show() {
        list.getItems().setAll(editing.versions());
        list.getSelectionModel().selectFirst();
        compare(list.getSelectionModel().getSelectedItem());
    }

    void focusStart() {
        list.requestFocus();
    }
}
