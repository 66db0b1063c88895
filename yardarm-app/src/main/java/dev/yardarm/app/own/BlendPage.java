package dev.yardarm.app.own;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.desk.own.BlendWork;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Blends: made, changed and opened; while a formula is typed it is drawn in a pane below the chart in hand. */
final class BlendPage extends VBox {
    private final Workbench bench;
    private final ListView<Blend> list = new ListView<>();
    private final TextField code = new TextField();
    private final TextField name = new TextField();
    private final TextField formula = new TextField();
    private final Label state = new Label();
    private final Button delete = new Button("Delete");
    private Blend chosen;
    /** The chart the formula is drawn below; null while it is drawn nowhere. */
    private ChartRoom previewed;

    BlendPage(Workbench bench) {
        super(6);
        this.bench = bench;
        list.setId("blends");
        list.setAccessibleText("Blends");
        list.setPlaceholder(new Label("No blends yet. Write a formula below, such as #KTRL / #MARN."));
        list.setCellFactory(view -> new Row());
        list.setPrefHeight(200);
        VBox.setVgrow(list, Priority.SOMETIMES);
        list.getSelectionModel().selectedItemProperty().addListener((observed, before, now) -> edit(now));
        list.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                open();
            }
        });
        formula.setId("blend-formula");
        formula.setPromptText("#KTRL / #MARN, #GY30 - 0.8 * #GY05, (#TIDQ + #SLTQ) / 2");
        formula.setAccessibleText("Formula of the blend");
        formula.textProperty().addListener((observed, before, now) -> preview());
        formula.setOnAction(event -> save());
        code.setId("blend-code");
        code.setPromptText("code of its own");
        code.setAccessibleText("Code of the blend");
        name.setId("blend-name");
        name.setPromptText("name");
        name.setAccessibleText("Name of the blend");
        state.setId("blend-state");
        state.setWrapText(true);
        Button fresh = new Button("New");
        fresh.setId("blend-new");
        fresh.setOnAction(event -> {
            list.getSelectionModel().clearSelection();
            edit(null);
            formula.requestFocus();
        });
        Button save = new Button("Save");
        save.setId("blend-save");
        save.setOnAction(event -> save());
        Button open = new Button("Open chart");
        open.setId("blend-open");
        Tips.set(open, "Save what was changed and show the blend on the chart in hand");
        open.setOnAction(event -> open());
        delete.setId("blend-delete");
        delete.setDisable(true);
        delete.setOnAction(event -> {
            if (chosen != null) {
                bench.desk().blendWork().delete(chosen);
                show();
            }
        });
        getChildren()
                .addAll(
                        list,
                        label("Formula"),
                        formula,
                        label("Code"),
                        code,
                        label("Name"),
                        name,
                        state,
                        new FlowPane(6, 6, fresh, save, open, delete));
    }

    private static Label label(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("soft");
        return label;
    }

    /** Code and formula of a blend. */
    private static final class Row extends ListCell<Blend> {
        Row() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Blend blend, boolean empty) {
            super.updateItem(blend, empty);
            setText(
                    empty || blend == null
                            ? null
                            : blend.code() + "   " + blend.name()
                                    + (blend.name().equals(blend.formula()) ? "" : "   " + blend.formula()));
        }
    }

    private BlendWork work() {
        return bench.desk().blendWork();
    }

    /** Fills the list anew. */
    void show() {
        Blend before = chosen;
        list.getItems().setAll(work().all());
        if (before != null) {
            list.getItems().stream()
                    .filter(each -> each.key().equals(before.key()))
                    .findFirst()
                    .ifPresentOrElse(list.getSelectionModel()::select, () -> edit(null));
        }
        preview();
    }

    /** Begins a new blend with a formula; what it is to be called comes next. */
    void begin(String text) {
        list.getSelectionModel().clearSelection();
        edit(null);
        formula.setText(text);
        code.requestFocus();
    }

    private void edit(Blend blend) {
        chosen = blend;
        delete.setDisable(blend == null);
        code.setText(blend == null ? "" : blend.code());
        name.setText(blend == null || blend.name().equals(blend.formula()) ? "" : blend.name());
        formula.setText(blend == null ? "" : blend.formula());
        preview();
    }

    /** Draws the formula below the chart while it is typed, and says what will come of it. */
    void preview() {
        state.getStyleClass().remove("problem");
        String text = formula.getText();
        if (text.isBlank()) {
            state.setText("Its parts are instruments, with a # before the code.");
            stop();
            return;
        }
        try {
            BlendFormula read = BlendFormula.parse(text, Language.builtIn());
            state.setText(
                    read.isFieldByField()
                            ? "Open, high, low and close follow from "
                                    + read.parts().get(0) + "."
                            : "Of several instruments only closes are of the same moment: it is drawn from closes.");
            if (previewed != null && previewed != bench.room()) {
                stop();
            }
            previewed = bench.room();
            previewed.tryOut(
                    Definition.parse("define \"Blend preview\" in pane\nline " + text + "\n", Language.builtIn())
                            .indicator());
        } catch (FormulaException bad) {
            state.getStyleClass().add("problem");
            state.setText(bad.getMessage().lines().findFirst().orElse(""));
        }
    }

    /** Takes the preview off the chart. */
    void stop() {
        if (previewed != null) {
            previewed.tryOut(null);
            previewed = null;
        }
    }

    private Blend save() {
        try {
            chosen = chosen == null
                    ? work().make(code.getText(), name.getText(), formula.getText())
                    : work().change(chosen, code.getText(), name.getText(), formula.getText());
            show();
            bench.desk().tell(chosen.code() + " is saved: " + chosen.formula() + ".");
            return chosen;
        } catch (IllegalArgumentException refused) {
            state.getStyleClass().add("problem");
            state.setText(refused.getMessage().lines().findFirst().orElse(""));
            return null;
        }
    }

    private void open() {
        boolean same = chosen != null
                && chosen.formula().equals(formula.getText())
                && chosen.code().equals(code.getText())
                && (name.getText().isBlank() || chosen.name().equals(name.getText()));
        Blend shown = same ? chosen : save();
        if (shown != null) {
            stop();
            bench.openChart(work().instrument(shown));
        }
    }

    void focusStart() {
        formula.requestFocus();
    }
}
