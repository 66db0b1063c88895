package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.FoundText;
import dev.yardarm.core.structure.Reliability;
import dev.yardarm.desk.room.layout.RivalLayout;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What happened at a finding: its points, its lines, what became of it and when; and the button that keeps it. */
final class FindingDetails extends LayerDetails {
    private final Workbench bench;
    private final String id;
    private final Label title = new Label();
    private final GridPane told = new GridPane();
    private final Label rivalsTitle = new Label("Rival readings, and what decides");
    private final VBox rivals = new VBox();
    private final VBox rivalBox = new VBox(6);
    private final Button aside = new Button("Side by side");
    private List<FoundText.Line> shown = List.of();
    private List<FoundText.Line> shownRivals = List.of();

    FindingDetails(Workbench bench, String id) {
        this.bench = bench;
        this.id = id;
        title.getStyleClass().add("strong");
        title.setWrapText(true);
        title.setId("finding-title");
        wide(title);
        Button keep = new Button("Keep as a drawing");
        keep.setId("keep-finding");
        Tips.ofAction(keep, bench.actions(), "detect.keep");
        keep.setOnAction(event -> bench.room().detectors().keepChosen());
        Button layer = new Button("Its detector");
        layer.setId("finding-layer");
        layer.setOnAction(
                event -> found().ifPresent(each -> bench.room().studies().select(new Selection.Layer(each.layer()))));
        Button plan = new Button("Plan it");
        plan.setId("plan-finding");
        Tips.ofAction(plan, bench.actions(), "detect.plan-it");
        plan.setOnAction(event -> bench.room().detectors().planChosen());
        Button call = new Button("Call it");
        call.setId("call-finding");
        Tips.set(call, "A call of its target and of what voids it, judged by its kind in the end");
        call.setOnAction(event -> bench.room().detectors().callChosen());
        wide(new FlowPane(4, 4, keep, plan, call, layer));
        rivalsTitle.getStyleClass().add("strong");
        rivals.setId("finding-rivals");
        aside.setId("rivals-aside");
        Tips.ofAction(aside, bench.actions(), "detect.rivals-side-by-side");
        aside.setOnAction(event -> RivalLayout.show(bench.layouts()));
        rivalBox.getChildren().addAll(rivalsTitle, rivals, aside);
        wide(rivalBox);
        told.setId("finding-history");
        told.getStyleClass().add("details");
        wide(told);
        found().flatMap(each -> chart().indicator(each.layer()))
                .map(IndicatorLayer::indicator)
                .ifPresent(indicator -> {
                    String kind = found().map(each -> each.finding().kind()).orElse("");
                    Label help = new Label(Reliability.wordsOf(kind) + "\n\n"
                            + indicator.help().reading() + "\n\n"
                            + indicator.help().weakness());
                    help.setWrapText(true);
                    help.getStyleClass().addAll("soft", "small");
                    wide(help);
                });
        show();
    }

    private ChartModel chart() {
        return bench.room().chart();
    }

    private Optional<Found> found() {
        return chart().found().find(id);
    }

    @Override
    void show() {
        Found found = found().orElse(null);
        if (found == null) {
            title.setText("This finding came to nothing.");
            told.getChildren().clear();
            shown = List.of();
            return;
        }
        title.setText(FoundText.title(chart(), found));
        List<FoundText.Line> lines = FoundText.lines(chart(), found);
        if (!lines.equals(shown)) {
            shown = lines;
            fill(told, lines);
        }
        List<FoundText.Line> others = FoundText.rivals(chart(), found);
        rivalBox.setVisible(!others.isEmpty());
        rivalBox.setManaged(!others.isEmpty());
        if (!others.equals(shownRivals)) {
            shownRivals = others;
            fillBelow(others);
        }
    }

    /** Each with its words above: they are too long to stand beside. */
    private void fillBelow(List<FoundText.Line> lines) {
        rivals.getChildren().clear();
        for (FoundText.Line each : lines) {
            Label word = new Label(each.word());
            word.getStyleClass().add("small");
            Label text = new Label(each.text());
            text.getStyleClass().addAll("soft", "small");
            text.setWrapText(true);
            rivals.getChildren().addAll(word, text);
        }
    }

    private static void fill(GridPane grid, List<FoundText.Line> lines) {
        grid.getChildren().clear();
        for (int row = 0; row < lines.size(); row++) {
            Label word = new Label(lines.get(row).word());
            word.getStyleClass().addAll("soft", "small");
            word.setMinWidth(Region.USE_PREF_SIZE);
            Label text = new Label(lines.get(row).text());
            text.getStyleClass().add("small");
            text.setWrapText(true);
            grid.addRow(row, word, text);
        }
    }
}
