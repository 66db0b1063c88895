package dev.yardarm.app.own;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.own.Examples;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.own.OwnLanguage;
import dev.yardarm.desk.own.OwnDesk;
import dev.yardarm.desk.own.OwnFiles;
import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The trader's own indicators and the examples that ship: searched, read, opened; taken in and out as text files. */
final class OwnLibrary extends VBox {
    private final Workbench bench;
    private final OwnDesk editing;
    private final OwnFiles files;
    private final Consumer<Runnable> instead;
    private final TextField search = new TextField();
    private final ListView<Entry> list = new ListView<>();
    private final Label text = new Label();
    private final Button all = new Button("Export yours\u2026");
    private final Button delete = new Button("Delete");

    /** One of the trader's own, or an example. */
    private record Entry(String title, String summary, String text, String own) {
        /** A line beside its name. */
        String hint() {
            return own.isEmpty() ? summary : summary.isEmpty() ? "yours" : "yours   " + summary;
        }
    }

    /** @param instead puts another text into the editor */
    OwnLibrary(Workbench bench, OwnDesk editing, Consumer<Runnable> instead) {
        super(6);
        this.bench = bench;
        this.editing = editing;
        this.instead = instead;
        files = new OwnFiles(bench.desk());
        search.setId("library-search");
        search.setPromptText("words of a name or of what it is for");
        search.setAccessibleText("Find a definition");
        search.textProperty().addListener((observed, before, now) -> show());
        list.setId("library");
        list.setAccessibleText("Definitions");
        list.setPlaceholder(new Label("Nothing matches. Try another word."));
        list.setCellFactory(Row::new);
        list.getSelectionModel().selectedItemProperty().addListener((observed, before, now) -> describe(now));
        list.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                open();
            }
        });
        list.setPrefHeight(240);
        text.setWrapText(true);
        text.getStyleClass().add("definition-text");
        ScrollPane scroll = new ScrollPane(text);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Button open = new Button("Open");
        open.setId("library-open");
        open.setDefaultButton(false);
        open.setOnAction(event -> open());
        delete.setId("library-delete");
        delete.setOnAction(event -> {
            Entry chosen = list.getSelectionModel().getSelectedItem();
            if (chosen != null && !chosen.own().isEmpty()) {
                bench.desk().ownWork().delete(chosen.own());
                show();
            }
        });
        Button in = new Button("Import\u2026");
        in.setId("library-import");
        Tips.set(in, "Take definitions in from a text file");
        in.setOnAction(event -> takeIn());
        Button out = new Button("Export\u2026");
        out.setId("library-export");
        Tips.set(out, "Write the chosen definition into a text file");
        out.disableProperty()
                .bind(list.getSelectionModel().selectedItemProperty().isNull());
        out.setOnAction(event ->
                giveOut(List.of(list.getSelectionModel().getSelectedItem().text())));
        all.setId("library-export-all");
        Tips.set(all, "Write all definitions of your own into one text file");
        all.setOnAction(event -> giveOut(bench.desk().ownWork().all().stream()
                .map(each -> each.newest().text())
                .toList()));
        getChildren().addAll(search, list, scroll, new FlowPane(6, 6, open, delete, in, out, all));
        show();
    }

    /** One entry of the list. */
    private static final class Row extends ListCell<Entry> {
        private final Label title = new Label();
        private final Label hint = new Label();
        private final VBox lines = new VBox(1, title, hint);

        Row(ListView<Entry> list) {
            setPrefWidth(0);
            hint.getStyleClass().add("soft");
            hint.setWrapText(true);
            hint.prefWidthProperty().bind(list.widthProperty().subtract(36));
            hint.maxWidthProperty().bind(hint.prefWidthProperty());
            hint.setMinHeight(Region.USE_PREF_SIZE);
        }

        @Override
        protected void updateItem(Entry entry, boolean empty) {
            super.updateItem(entry, empty);
            if (empty || entry == null) {
                setGraphic(null);
                return;
            }
            title.setText(entry.title());
            hint.setText(entry.hint());
            hint.setManaged(!entry.hint().isEmpty());
            setGraphic(lines);
        }
    }

    /** Fills the list anew: the trader's own first. */
    void show() {
        String words = search.getText();
        List<Entry> entries = new ArrayList<>();
        for (OwnIndicator own : bench.desk().ownWork().all()) {
            Examples.Example as = new Examples.Example(
                    own.title(), own.newest().note(), own.newest().text());
            if (words.isBlank() || as.fits(words)) {
                entries.add(new Entry(own.title(), summaryOf(own), own.newest().text(), own.name()));
            }
        }
        Examples.find(words).forEach(each -> entries.add(new Entry(each.title(), each.summary(), each.text(), "")));
        Entry chosen = list.getSelectionModel().getSelectedItem();
        all.setDisable(bench.desk().ownWork().all().isEmpty());
        list.getItems().setAll(entries);
        list.getSelectionModel().select(Math.max(0, entries.indexOf(chosen)));
    }

    private String summaryOf(OwnIndicator own) {
        OwnLanguage state = bench.desk().ownWork().state();
        if (state.faults().containsKey(own.name())) {
            return "At fault as it is; its last good version is used, if it has one.";
        }
        Definition definition = state.definitions().get(own.name());
        return definition == null ? "" : definition.indicator().help().summary();
    }

    private void describe(Entry entry) {
        text.setText(entry == null ? "" : (entry.summary().isEmpty() ? "" : entry.summary() + "\n\n") + entry.text());
        delete.setDisable(entry == null || entry.own().isEmpty());
    }

    private void open() {
        Entry chosen = list.getSelectionModel().getSelectedItem();
        if (chosen == null) {
            return;
        }
        instead.accept(chosen.own().isEmpty() ? () -> editing.begin(chosen.text()) : () -> editing.open(chosen.own()));
    }

    private void takeIn() {
        File file = chooser("Import definitions").showOpenDialog(getScene().getWindow());
        if (file != null) {
            files.takeIn(file.toPath());
        }
    }

    private void giveOut(List<String> texts) {
        FileChooser chooser = chooser("Export definitions");
        chooser.setInitialFileName("definitions.txt");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            files.giveOut(texts, file.toPath());
        }
    }

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("Text", "*.txt"),
                        new FileChooser.ExtensionFilter("All files", "*.*"));
        return chooser;
    }

    void focusStart() {
        search.requestFocus();
    }
}
