package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scenario.Scenario;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.scenario.Scenarios;
import dev.yardarm.desk.scenario.ScenarioWork;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The scenarios of an instrument side by side: share, targets, what proves each wrong; struck out and taken back; what would decide between them
 * as ready-made alerts; how their shares came about.
 */
final class ScenarioDetails extends LayerDetails {
    private static final int HISTORY = 6;
    private static final double INDENT = 12;

    private final Workbench bench;
    private final VBox readings = new VBox(8);
    private final VBox decisions = new VBox(4);
    private final VBox history = new VBox(2);
    private List<ScenarioStep> shown;
    private double shownLast = Double.NaN;

    ScenarioDetails(Workbench bench) {
        this.bench = bench;
        heading("Scenarios");
        readings.setId("scenarios");
        wide(readings);
        Button more = new Button("Add a scenario");
        more.setOnAction(event -> bench.prompt("scenario "));
        wide(more);
        heading("What would decide");
        decisions.setId("scenario-decisions");
        wide(decisions);
        heading("How the shares came about");
        history.setId("scenario-history");
        wide(history);
        show();
    }

    private ScenarioWork work() {
        return bench.desk().scenarioWork();
    }

    @Override
    void show() {
        Instrument instrument = bench.room().instrument().orElse(null);
        ChartModel chart = bench.room().chart();
        if (instrument == null || chart.bars().isEmpty()) {
            return;
        }
        List<ScenarioStep> steps = bench.desk().books().scenarioSteps(instrument.id());
        Scenarios all = work().of(instrument.id());
        if (!steps.equals(shown)) {
            shown = steps;
            readings.getChildren().clear();
            add(instrument, all, "", 0);
            showHistory(instrument, all);
            shownLast = Double.NaN;
        }
        double last = chart.data().last();
        // The order of what decides follows price; that it is read anew with each tick would take it away under the
        // pointer.
        if (Double.isNaN(shownLast)) {
            shownLast = last;
            showDecisions(instrument, all, last);
        }
    }

    private void add(Instrument instrument, Scenarios all, String parent, int depth) {
        Map<String, Integer> rounded = all.rounded(parent);
        for (Scenario each : all.within(parent)) {
            VBox box = reading(instrument, all, each, rounded.get(each.id()));
            box.setTranslateX(depth * INDENT);
            box.setMaxWidth(220 - depth * INDENT);
            readings.getChildren().add(box);
            add(instrument, all, each.id(), depth + 1);
        }
    }

    private VBox reading(Instrument instrument, Scenarios all, Scenario of, int percent) {
        Scenarios.Strike strike = all.struck(of.id()).orElse(null);
        Label title = new Label(of.title());
        title.getStyleClass().add("code");
        title.setWrapText(true);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        NumberField share = new NumberField(
                "share of " + of.title(), value -> work().share(instrument.id(), of.id(), value), bench.desk()::tell);
        share.setId("share-" + slug(of.title()));
        share.setValue(percent, 0);
        share.setPrefWidth(52);
        share.setMinWidth(52);
        share.setDisable(strike != null);
        Label unit = new Label("%");
        HBox head = new HBox(4, title, gap, share, unit);
        head.setStyle("-fx-alignment: center-left;");
        String to = of.targets().stream()
                .map(target -> instrument.format().format(target.price())
                        + (target.at() == 0 ? "" : " by " + day(target.at(), instrument)))
                .collect(Collectors.joining(", "));
        Label leads = small("to " + to + ", wrong " + (of.way() > 0 ? "below " : "above ")
                + instrument.format().format(of.invalidation())
                + (of.parent().isEmpty() ? "" : "; " + Math.round(all.total(of.id())) + " % of all"));
        FlowPane buttons = new FlowPane(4, 4);
        if (strike == null) {
            buttons.getChildren().add(button("Strike out", "strike-" + slug(of.title()), () -> work().strike(
                            instrument.id(), of.title())));
        } else {
            buttons.getChildren().add(button("Take back", "back-" + slug(of.title()), () -> work().takeBack(
                            instrument.id(), of.title())));
        }
        if (!of.tracing().isEmpty()) {
            Button tracing = button("Its tracing", "tracing-" + slug(of.title()), () -> showTracing(all, of));
            Tips.set(tracing, "Shows the tracing '" + of.tracing() + "' and hides those of the other scenarios");
            buttons.getChildren().add(tracing);
        }
        buttons.getChildren()
                .add(button("Remove", "remove-" + slug(of.title()), () -> work().remove(instrument.id(), of.title())));
        VBox box = new VBox(2, head, leads);
        if (strike != null) {
            box.getChildren()
                    .add(small("struck out " + day(strike.at(), instrument)
                            + (Double.isNaN(strike.price())
                                    ? ""
                                    : " at " + instrument.format().format(strike.price()))));
        }
        box.getChildren().add(buttons);
        box.getStyleClass().add("scenario");
        return box;
    }

    private void showTracing(Scenarios all, Scenario of) {
        all.all().stream()
                .map(Scenario::tracing)
                .filter(name -> !name.isEmpty() && !name.equals(of.tracing()))
                .distinct()
                .forEach(name -> bench.room().tracings().show(name, false));
        bench.room().tracings().use(of.tracing());
        bench.room().tracings().show(of.tracing(), true);
    }

    private void showDecisions(Instrument instrument, Scenarios all, double last) {
        decisions.getChildren().clear();
        BarRule bars = bench.room()
                .chart()
                .request()
                .byRule()
                .orElseGet(() -> new BarRule.Time(bench.room().chart().timeframe()));
        for (Scenarios.Decision each : all.decisions(last)) {
            String price = instrument.format().format(each.price());
            String what = (each.strikes().isEmpty() ? "" : "strikes out " + String.join(", ", each.strikes()))
                    + (each.strikes().isEmpty() || each.reaches().isEmpty() ? "" : "; ")
                    + (each.reaches().isEmpty() ? "" : "target of " + String.join(", ", each.reaches()));
            Label words = small(String.format(each.line(), price) + ": " + what);
            HBox.setHgrow(words, Priority.ALWAYS);
            words.setMaxWidth(160);
            Button alert =
                    button("Alert", "alert-" + price.replace('.', '-'), () -> work().alert(instrument, each, bars));
            alert.setAccessibleText("Alert: " + words.getText());
            HBox row = new HBox(4, words, alert);
            row.setStyle("-fx-alignment: center-left;");
            decisions.getChildren().add(row);
        }
        if (decisions.getChildren().isEmpty()) {
            decisions.getChildren().add(small("Nothing: no two of them stand."));
        }
    }

    private void showHistory(Instrument instrument, Scenarios all) {
        history.getChildren().clear();
        List<Scenarios.Change> changes = all.history();
        for (int at = changes.size() - 1; at >= Math.max(0, changes.size() - HISTORY); at--) {
            Scenarios.Change change = changes.get(at);
            String shares = all.within("").stream()
                    .filter(each -> change.shares().containsKey(each.id()))
                    .map(each -> each.title() + " " + Math.round(change.shares().get(each.id())) + " %")
                    .collect(Collectors.joining(", "));
            history.getChildren().add(small(day(change.at(), instrument) + "  " + change.why() + ": " + shares));
        }
    }

    private String day(long moment, Instrument instrument) {
        ZoneId zone = bench.desk().calendar(instrument).zone();
        return Readout.time(moment, Timeframe.DAY, zone);
    }

    private static Label small(String text) {
        Label label = new Label(text);
        label.getStyleClass().addAll("soft", "small");
        label.setWrapText(true);
        return label;
    }

    private static Button button(String text, String id, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.getStyleClass().add("small-button");
        button.setOnAction(event -> action.run());
        return button;
    }

    private static String slug(String title) {
        return title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    }
}
