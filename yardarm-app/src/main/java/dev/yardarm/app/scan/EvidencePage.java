package dev.yardarm.app.scan;

import dev.yardarm.app.chart.PlotView;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.plot.Plot;
import dev.yardarm.core.evidence.Figures;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.desk.evidence.EvidenceDesk;
import dev.yardarm.desk.listening.Listening;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What came after a condition: figures for each horizon, pictures, parts, and beside them, made by whoever shows it, the cases. */
public final class EvidencePage extends VBox {
    private final EvidenceDesk desk;
    private final Label condition = new Label();
    private final Label summary = new Label();
    private final Label problem = new Label();
    private final Label excursion = new Label();
    private final GridPane figures = new GridPane();
    private final ListView<String> parts = new ListView<>();
    private final HBox plots = new HBox(6);
    private final List<PlotView> views = List.of(new PlotView(), new PlotView(), new PlotView());
    private final Button held = new Button("Open what is held back");
    private final ComboBox<String> horizon = new ComboBox<>();
    private final TextField cost = new TextField();
    private final TextField slippage = new TextField();
    private final CheckBox overlapping = new CheckBox("count overlapping ones");
    private final Listening heard;
    private boolean filling;

    /** @param cases what stands below: the table of cases and the chart of the one in hand */
    public EvidencePage(Workbench bench, EvidenceDesk desk, Node cases) {
        super(6);
        this.desk = desk;
        setId("evidence-page");
        condition.setId("evidence-condition");
        condition.getStyleClass().add("decisive");
        condition.setWrapText(true);
        condition.setMinHeight(Region.USE_PREF_SIZE);
        summary.setId("evidence-summary");
        summary.setWrapText(true);
        summary.setMinHeight(Region.USE_PREF_SIZE);
        summary.getStyleClass().add("soft");
        problem.setId("evidence-problem");
        problem.getStyleClass().add("problem");
        problem.setWrapText(true);
        problem.managedProperty().bind(problem.textProperty().isNotEmpty());
        excursion.setWrapText(true);
        excursion.setMinHeight(Region.USE_PREF_SIZE);
        excursion.managedProperty().bind(excursion.textProperty().isNotEmpty());
        figures.setId("evidence-figures");
        figures.setHgap(14);
        figures.setVgap(2);
        held.setId("evidence-held");
        held.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(
                held, "Look at the newest fifth of the history too. It can be looked at for the first time only once.");
        held.setOnAction(event -> desk.openHeldBack());
        for (int each : Question.USUAL.horizons()) {
            horizon.getItems().add("after " + each + (each == 1 ? " bar" : " bars"));
        }
        horizon.setId("evidence-horizon");
        horizon.setAccessibleText("Which horizon the pictures and cases show");
        horizon.setOnAction(event -> {
            if (!filling) {
                desk.setHorizon(horizon.getSelectionModel().getSelectedIndex());
            }
        });
        figure(cost, "evidence-cost", "0.05", "Cost taken off every return, in per cent");
        Tips.set(cost, "Fees of a trade, in and out together, taken off every return");
        figure(slippage, "evidence-slippage", "0.1", "Slippage taken off every return, in average true ranges");
        Tips.set(
                slippage,
                "How much worse the fills are than open and close, in and out together, in average true ranges");
        overlapping.setId("evidence-overlapping");
        overlapping.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(overlapping, "Else an occurrence counts for a horizon only when the last that counted is over");
        overlapping.setOnAction(event -> count());
        HBox options =
                new HBox(8, horizon, label("cost, %"), cost, label("slippage, ATR"), slippage, overlapping, held);
        options.getStyleClass().add("middle-left");
        for (PlotView each : views) {
            HBox.setHgrow(each, Priority.ALWAYS);
            each.setPrefWidth(200);
            each.setPrefHeight(186);
            each.setMinHeight(186);
            plots.getChildren().add(each);
        }
        VBox.setVgrow(cases, Priority.ALWAYS);
        parts.setId("evidence-parts");
        parts.setAccessibleText("Figures by market and sector");
        parts.setFixedCellSize(20);
        parts.setPrefHeight(122);
        parts.setMinHeight(122);
        parts.setMaxHeight(122);
        parts.setPrefWidth(240);
        HBox.setHgrow(parts, Priority.ALWAYS);
        figures.setMinWidth(Region.USE_PREF_SIZE);
        HBox told = new HBox(16, figures, parts);
        VBox head = new VBox(5, condition, summary, problem, options, told, excursion);
        getChildren().addAll(head, plots, cases);
        heard = Listening.all(
                desk.listen(changed -> show()),
                Observing.of(bench.paletteProperty(), palette -> views.forEach(each -> each.setPalette(palette))));
        views.forEach(each -> each.setPalette(bench.palette()));
        show();
    }

    private static Label label(String text) {
        Label label = new Label(text);
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    private void count() {
        if (filling) {
            return;
        }
        desk.count(Math.min(0.5, written(cost) / 100), Math.min(10, written(slippage)), !overlapping.isSelected());
    }

    /** The figure in a field; what is none is taken away. */
    private static double written(TextField field) {
        String text = field.getText().strip().replace("%", "").replace(',', '.');
        try {
            double figure = text.isEmpty() ? 0 : Double.parseDouble(text);
            // Words such as NaN are read as numbers and are none.
            return figure > 0 ? figure : 0;
        } catch (NumberFormatException bad) {
            field.setText("");
            return 0;
        }
    }

    /** Shows a figure as it is in what was asked, unless it is being typed. */
    private static void write(TextField field, double figure) {
        if (!field.isFocused()) {
            field.setText(
                    figure == 0
                            ? ""
                            : BigDecimal.valueOf(figure)
                                    .round(new MathContext(8))
                                    .stripTrailingZeros()
                                    .toPlainString());
        }
    }

    private void figure(TextField field, String id, String example, String name) {
        field.setId(id);
        field.setPromptText(example);
        field.setAccessibleText(name);
        field.setPrefColumnCount(4);
        field.setMinWidth(56);
        field.setOnAction(event -> count());
        field.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                count();
            }
        });
    }

    private void show() {
        filling = true;
        condition.setText(
                desk.condition().isEmpty() ? "What came after? Run a scan, then Evidence." : desk.condition());
        summary.setText(desk.summary());
        problem.setText(desk.problem());
        excursion.setText(desk.excursion());
        held.setVisible(desk.isHeldBack());
        horizon.getSelectionModel().select(desk.horizonAt());
        overlapping.setSelected(!desk.isApart());
        write(cost, 100 * desk.cost());
        write(slippage, desk.slippage());
        figures.getChildren().clear();
        parts.getItems().setAll(desk.parts());
        parts.setVisible(!parts.getItems().isEmpty());
        List<Figures> all =
                desk.result().map(result -> result.evidence().figures()).orElse(List.of());
        if (!all.isEmpty()) {
            row(0, EvidenceDesk.heads(), "soft");
            tip(
                    7,
                    "Nine times in ten the true difference lies between these: whole runs of days are drawn anew a thousand times");
            tip(
                    8,
                    "Of 200 draws of as many bars of the same instruments and the same market, so many had a smaller mean");
            for (int at = 0; at < all.size(); at++) {
                row(at + 1, desk.line(all.get(at)), at == desk.horizonAt() ? "decisive" : "label");
            }
        }
        List<Plot> pictures = desk.plots();
        plots.setVisible(!pictures.isEmpty());
        plots.setManaged(!pictures.isEmpty());
        for (int at = 0; at < pictures.size(); at++) {
            views.get(at).show(pictures.get(at));
        }
        filling = false;
    }

    private void tip(int column, String text) {
        Tips.set(figures.getChildren().get(column), text);
    }

    private void row(int row, List<String> texts, String style) {
        for (int column = 0; column < texts.size(); column++) {
            Label label = new Label(texts.get(column));
            label.getStyleClass().add(style);
            GridPane.setHalignment(label, column == 0 ? HPos.LEFT : HPos.RIGHT);
            label.setMinWidth(Region.USE_PREF_SIZE);
            figures.add(label, column, row);
        }
    }

    /** Lets go of what it listens to. */
    public void close() {
        heard.close();
    }
}
