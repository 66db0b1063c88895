package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.FoundText;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.WhyNothing;
import dev.yardarm.desk.room.chart.Aspect;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;

/** What a detector has found, the newest first: searched by kind and state, and taken to with a click or Enter. */
final class FindingList extends VBox {
    private static final double HIGH = 156;
    private static final double ROW = 24;

    private final Workbench bench;
    private final String layer;
    private final TextField search = new TextField();
    private final ListView<Found> list = new ListView<>();
    private final Label why = new Label();
    private List<Found> all = List.of();

    FindingList(Workbench bench, String layer) {
        super(4);
        this.bench = bench;
        this.layer = layer;
        search.setId("finding-search");
        search.setPromptText("kind or state");
        search.setAccessibleText("Search what was found");
        search.textProperty().addListener((observed, before, now) -> fill());
        list.setId("findings");
        list.setAccessibleText("What was found");
        list.setFixedCellSize(ROW);
        list.setPrefHeight(HIGH);
        list.setMinHeight(HIGH);
        why.setWrapText(true);
        why.setId("nothing-found");
        list.setPlaceholder(why);
        list.setCellFactory(view -> new Row());
        list.setOnMouseClicked(event -> take());
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                take();
                event.consume();
            }
        });
        getChildren().addAll(search, list);
    }

    /** Shows what there is now. */
    void show() {
        List<Found> now =
                chart().indicator(layer).map(each -> chart().data().found(each)).orElse(List.of());
        if (now != all || now.isEmpty()) {
            all = now;
            fill();
        }
    }

    /** Why there is nothing; empty while the bars are still to come. */
    private String reason() {
        return chart().bars().isEmpty()
                ? ""
                : chart().indicator(layer)
                        .map(IndicatorLayer::indicator)
                        .filter(DetectorTerm.class::isInstance)
                        .map(term -> WhyNothing.of(((DetectorTerm) term).detector(), chart().bars()))
                        .orElse("");
    }

    private ChartModel chart() {
        return bench.room().chart();
    }

    private void fill() {
        why.setText(all.isEmpty() ? reason() : "None of the " + all.size() + " that were found is called so.");
        String wanted = search.getText().strip().toLowerCase(Locale.ROOT);
        List<Found> shown = new ArrayList<>(all.stream()
                .filter(each -> (each.words() + " " + FoundText.state(each.state())).contains(wanted))
                .toList());
        Collections.reverse(shown);
        Found chosen = list.getSelectionModel().getSelectedItem();
        list.getItems().setAll(shown);
        if (chosen != null && shown.contains(chosen)) {
            list.getSelectionModel().select(chosen);
        }
    }

    /** Brings it into view and chooses it. */
    private void take() {
        Found found = list.getSelectionModel().getSelectedItem();
        if (found == null) {
            return;
        }
        if (chart().bringIntoView(chart().axis().bar(found.finding().to()))) {
            bench.room().tell(Aspect.VIEW);
        }
        bench.room().studies().select(new Selection.Finding(found.id()));
    }

    /** One finding. */
    private final class Row extends ListCell<Found> {
        Row() {
            setPrefWidth(0);
            getStyleClass().add("small");
        }

        @Override
        protected void updateItem(Found found, boolean empty) {
            super.updateItem(found, empty);
            if (empty || found == null) {
                setText(null);
                Tips.clear(this);
                return;
            }
            String time = Readout.time(chart(), found.finding().to());
            // The day of the week gives way, so that all of it is read.
            setText(time.substring(time.indexOf(' ') + 1) + "  " + found.words() + ", "
                    + FoundText.state(found.state()));
            Tips.set(this, FoundText.title(chart(), found));
        }
    }
}
