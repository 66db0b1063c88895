package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.list.ListWork;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Takes instruments from pasted text or spreadsheet cells into the list gone through. */
final class PastePanel extends VBox {
    private static final String EVERY = "every source";
    private final Workbench bench;
    private final TextArea text = new TextArea();
    private final ComboBox<String> source = new ComboBox<>();
    private final TextField prefix = new TextField();
    private final TextField suffix = new TextField();
    private final Label result = new Label();

    PastePanel(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("paste");
        setId("paste-panel");
        setSpacing(4);
        text.setPrefRowCount(4);
        text.setMinHeight(80);
        text.setWrapText(true);
        text.setId("paste-text");
        text.setPromptText("Codes, separated by blanks, commas, tabs or lines");
        text.textProperty().addListener((observed, before, now) -> look());
        source.setId("paste-source");
        source.setAccessibleText("Source");
        source.setMaxWidth(Double.MAX_VALUE);
        source.setOnAction(event -> look());
        prefix.setPromptText("prefix");
        prefix.setId("paste-prefix");
        suffix.setPromptText("suffix");
        suffix.setId("paste-suffix");
        prefix.textProperty().addListener((observed, before, now) -> look());
        suffix.textProperty().addListener((observed, before, now) -> look());
        result.setWrapText(true);
        result.setId("paste-result");
        result.getStyleClass().add("small");
        Button add = new Button("Add to the list");
        add.setId("paste-add");
        add.setOnAction(event -> {
            bench.desk().listWork().paste(bench.room().listName(), read());
            close();
        });
        Button cancel = new Button("Close");
        cancel.setOnAction(event -> close());
        getChildren().addAll(text, source, new HBox(4, prefix, suffix), result, new HBox(4, add, cancel));
    }

    void open(String pasted) {
        source.getItems().setAll(EVERY);
        bench.desk().directory().all().stream()
                .map(each -> each.id().source())
                .distinct()
                .forEach(source.getItems()::add);
        source.setValue(EVERY);
        text.setText(pasted);
        setVisible(true);
        setManaged(true);
        look();
        text.requestFocus();
    }

    private void close() {
        setVisible(false);
        setManaged(false);
    }

    private ListWork.Pasted read() {
        String from = source.getValue() == null || source.getValue().equals(EVERY) ? "" : source.getValue();
        return bench.desk()
                .listWork()
                .read(
                        text.getText(),
                        from,
                        prefix.getText().strip(),
                        suffix.getText().strip());
    }

    private void look() {
        ListWork.Pasted pasted = read();
        result.setText(
                text.getText().isBlank()
                        ? ""
                        : pasted.found().size() + " found"
                                + (pasted.missing().isEmpty()
                                        ? ""
                                        : ", not found: " + String.join(", ", pasted.missing())));
    }
}
