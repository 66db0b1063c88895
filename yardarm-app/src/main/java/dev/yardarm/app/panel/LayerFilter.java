package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.core.drawing.Drawing;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Which layers the list shows: those a text is found in, of one kind. */
final class LayerFilter extends HBox {
    private enum Kind {
        ALL("all"),
        INDICATORS("indicators"),
        DRAWINGS("drawings"),
        TRACING("this tracing"),
        HIDDEN("hidden"),
        LOCKED("locked");

        private final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    private final Workbench bench;
    private final TextField search = new TextField();
    private final ComboBox<Kind> kind = new ComboBox<>();

    /** @param changed told when other layers are to be shown */
    LayerFilter(Workbench bench, Runnable changed) {
        super(4);
        this.bench = bench;
        search.setId("layers-search");
        search.setPromptText("search");
        search.setAccessibleText("Search in the layers");
        search.textProperty().addListener((observed, before, now) -> changed.run());
        search.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE && !search.getText().isEmpty()) {
                search.clear();
                event.consume();
            }
        });
        HBox.setHgrow(search, Priority.ALWAYS);
        kind.setId("layers-kind");
        kind.setAccessibleText("Which layers");
        kind.getItems().addAll(Kind.values());
        kind.setConverter(new Words<>(each -> each.words));
        kind.setValue(Kind.ALL);
        kind.setOnAction(event -> changed.run());
        getChildren().addAll(search, kind);
    }

    /** The layers the list shows of those there are. */
    List<Selection> found(List<Selection> layers) {
        String words = search.getText().strip().toLowerCase(Locale.ROOT);
        return layers.stream()
                .filter(layer -> fits(layer, kind.getValue())
                        && (words.isEmpty()
                                || text(layer).toLowerCase(Locale.ROOT).contains(words)))
                .toList();
    }

    private boolean fits(Selection chosen, Kind wanted) {
        Optional<Layer> layer = bench.room().chart().layer(chosen);
        Optional<Drawing> drawing = chosen.drawings().stream()
                .findFirst()
                .flatMap(id -> bench.room().chart().drawing(id));
        return switch (wanted) {
            case ALL -> true;
            case INDICATORS ->
                layer.filter(each -> each instanceof IndicatorLayer || each instanceof UnknownLayer)
                        .isPresent();
            case DRAWINGS -> drawing.isPresent();
            case TRACING ->
                drawing.map(each -> bench.room().tracings().isOnCurrent(each)).orElse(false);
            case HIDDEN -> layer.map(each -> !LayerParts.isVisible(each)).orElse(false);
            case LOCKED -> drawing.map(each -> each.place().locked()).orElse(false);
        };
    }

    /** What a layer is found by. */
    private String text(Selection chosen) {
        ChartModel chart = bench.room().chart();
        return chart.layer(chosen).map(layer -> LayerParts.words(chart, layer)).orElse("");
    }
}
