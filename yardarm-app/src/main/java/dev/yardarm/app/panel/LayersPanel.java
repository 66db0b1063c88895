package dev.yardarm.app.panel;

import dev.yardarm.app.chart.DrawingMenus;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.desk.room.Aspect;
import dev.yardarm.desk.room.ChartRoom;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** All layers of the chart, and below them the details of the chosen one, edited in place. */
public final class LayersPanel extends VBox {
    private final Workbench bench;
    private final ListView<Selection> view = new ListView<>();
    private final VBox details = new VBox();
    private final TracingMenu tracings;
    private final LayerFilter filter;
    private final Label none = new Label();
    private LayerDetails shown;
    private Object shownFor = Selection.NONE;
    private boolean following;

    public LayersPanel(Workbench bench) {
        this.bench = bench;
        getStyleClass().addAll("side", "side-right");
        setId("layers-panel");
        setPrefWidth(248);
        setMinWidth(248);
        Label title = new Label("Layers");
        title.getStyleClass().add("panel-title");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        view.setId("layers");
        view.setFixedCellSize(26);
        view.setPrefHeight(200);
        view.setMinHeight(120);
        view.setCellFactory(list -> new Row());
        view.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        view.getSelectionModel().getSelectedItems().addListener((ListChangeListener<Selection>) change -> {
            // The list may tell of an empty selection in between; only what it settles on counts.
            if (!following) {
                Platform.runLater(this::choose);
            }
        });
        view.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.DELETE) {
                room().studies().deleteChosen();
                event.consume();
            } else if (event.getCode() == KeyCode.SPACE) {
                toggleShown();
                event.consume();
            }
        });
        ScrollPane scroll = new ScrollPane(details);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        tracings = new TracingMenu(bench);
        HBox head = new HBox(6, title, gap, tracings, addButton());
        head.setStyle("-fx-alignment: center-left;");
        none.getStyleClass().addAll("soft", "small");
        none.setWrapText(true);
        none.managedProperty().bind(none.visibleProperty());
        none.setVisible(false);
        filter = new LayerFilter(bench, () -> changed(Aspect.LAYERS));
        getChildren().addAll(head, filter, view, none, scroll);
        bench.listen(this::changed);
        bench.paletteProperty().addListener((observed, before, now) -> {
            shownFor = null;
            changed(Aspect.LAYERS);
        });
        changed(Aspect.LAYERS);
    }

    /** Chooses on the chart what is chosen in the list: one layer, or any number of drawings. */
    private void choose() {
        List<Selection> rows = List.copyOf(view.getSelectionModel().getSelectedItems().stream()
                .filter(Objects::nonNull)
                .toList());
        List<String> drawings =
                rows.stream().flatMap(row -> row.drawings().stream()).toList();
        if (!following && !rows.isEmpty()) {
            room().studies()
                    .select(
                            drawings.size() > 1 || rows.size() > 1 && !drawings.isEmpty()
                                    ? Selection.ofDrawings(drawings)
                                    : rows.get(rows.size() - 1));
        }
    }

    private Button addButton() {
        Button add = new Button("Add");
        add.setId("add-indicator");
        Tips.set(add, "Put an indicator on the chart (keys: I I)");
        add.setOnAction(event -> bench.pick(chosen -> room().indicators().add(chosen)));
        return add;
    }

    public void focusLayers() {
        view.requestFocus();
    }

    private void changed(Aspect aspect) {
        if (aspect == Aspect.DATA) {
            view.refresh();
            if (shown != null) {
                shown.show();
            }
            return;
        }
        if (aspect == Aspect.LIST || aspect == Aspect.TOOL) {
            return;
        }
        tracings.showCurrent();
        ChartModel chart = room().chart();
        List<Selection> layers = new ArrayList<>();
        if (chart.instrument().isPresent()) {
            layers.add(new Selection.Price());
            chart.indicators().forEach(layer -> layers.add(new Selection.Indicator(layer.id())));
            chart.drawings().forEach(drawing -> layers.add(new Selection.Drawing(drawing.id())));
            chart.plan().ifPresent(plan -> layers.add(new Selection.Plan()));
        }
        List<Selection> shownLayers = filter.found(layers);
        following = true;
        if (!shownLayers.equals(view.getItems())) {
            view.getItems().setAll(shownLayers);
        } else {
            view.refresh();
        }
        int[] chosen = shownLayers.stream()
                .filter(layer -> layer.equals(chart.selection())
                        || !layer.drawings().isEmpty()
                                && chart.selection().drawings().containsAll(layer.drawings()))
                .mapToInt(shownLayers::indexOf)
                .toArray();
        view.getSelectionModel().clearSelection();
        if (chosen.length > 0) {
            view.getSelectionModel().selectIndices(chosen[0], chosen);
            if (view.getSelectionModel().getSelectedIndices().isEmpty()) {
                view.getSelectionModel().select(chosen[0]);
            }
        }
        following = false;
        boolean hidden = !chart.areDrawingsShown() && !chart.drawings().isEmpty();
        none.setText(
                hidden
                        ? "All drawings are hidden (H Z)."
                        : shownLayers.size() < layers.size()
                                ? shownLayers.size() + " of " + layers.size() + " layers"
                                : "");
        none.setVisible(!none.getText().isEmpty());
        showDetails(chart.selection());
    }

    private void showDetails(Selection selection) {
        Object what = selection instanceof Selection.Indicator of
                ? List.of(
                        selection,
                        room().chart()
                                .indicator(of.id())
                                .map(layer -> layer.indicator().name())
                                .orElse(""))
                : selection;
        if (!what.equals(shownFor)) {
            shownFor = what;
            shown = LayerDetails.of(bench, selection);
            if (shown != null) {
                details.getChildren().setAll((Node) shown.node());
            } else {
                Label empty = new Label("Click a layer here or on the chart to edit it. Right click one for more.");
                empty.setWrapText(true);
                empty.getStyleClass().add("soft");
                details.getChildren().setAll(empty);
            }
        } else if (shown != null) {
            shown.show();
        }
    }

    private final class Row extends ListCell<Selection> {
        private final CheckBox visible = new CheckBox();
        private final Region swatch = new Region();
        private final Label title = new Label();
        private final Label value = new Label();
        private final Region gap = new Region();
        private final HBox row = new HBox(visible, swatch, title, gap, value);

        Row() {
            row.getStyleClass().add("layer-row");
            swatch.getStyleClass().add("swatch");
            value.getStyleClass().add("small");
            value.setMinWidth(Region.USE_PREF_SIZE);
            HBox.setHgrow(gap, Priority.ALWAYS);
            visible.setFocusTraversable(false);
            visible.setOnAction(event -> setShown(getItem(), visible.isSelected()));
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Selection layer, boolean empty) {
            super.updateItem(layer, empty);
            if (empty || layer == null) {
                setGraphic(null);
                setContextMenu(null);
                return;
            }
            ChartModel chart = room().chart();
            visible.setVisible(false);
            swatch.setStyle("");
            value.setText("");
            if (layer instanceof Selection.Indicator of) {
                chart.indicator(of.id()).ifPresent(this::fill);
            } else if (layer instanceof Selection.Drawing of) {
                chart.drawing(of.id()).ifPresent(this::fill);
            } else if (layer instanceof Selection.Plan) {
                title.setText("plan");
                chart.plan().ifPresent(plan -> value.setText(plan.isLong() ? "long" : "short"));
            } else {
                title.setText("price, "
                        + (chart.request().isTime()
                                ? chart.form().title()
                                : chart.request().rule().words()));
                if (!chart.bars().isEmpty()) {
                    value.setText(chart.instrument()
                            .orElseThrow()
                            .format()
                            .format(chart.data().last()));
                }
            }
            setContextMenu(menu(layer));
            setGraphic(row);
        }

        private void fill(IndicatorLayer layer) {
            visible.setVisible(true);
            visible.setSelected(layer.style().visible());
            colour(layer.style().colour());
            title.setText(bench.room().chart().titleOf(layer));
            value.setText(
                    Readout.value(room().chart(), layer, room().chart().bars().size() - 1));
        }

        private void fill(Drawing drawing) {
            visible.setVisible(true);
            visible.setSelected(drawing.visible());
            colour(drawing.colour());
            ChartModel chart = room().chart();
            title.setText(LayerFilter.title(chart, drawing));
            double now = chart.bars().isEmpty()
                    ? Double.NaN
                    : chart.places()
                            .valueOf(drawing, chart.bars().openTime(chart.bars().size() - 1));
            value.setText(
                    Double.isNaN(now)
                            ? ""
                            : chart.instrument().orElseThrow().format().format(now));
        }

        private void colour(int number) {
            swatch.setStyle(
                    "-fx-background-color: " + StyleEditor.web(bench.palette().series(number)) + ";");
        }

        private ContextMenu menu(Selection layer) {
            if (layer instanceof Selection.Price) {
                return null;
            }
            ContextMenu menu = new ContextMenu();
            // Filled when it is opened, about what is chosen then; an empty one would not open.
            menu.getItems().add(new SeparatorMenuItem());
            menu.setOnShowing(event -> {
                if (!layer.drawings().isEmpty()
                        && !room().chart().selection().drawings().containsAll(layer.drawings())) {
                    room().studies().select(layer);
                }
                MenuItem delete = new MenuItem("Remove");
                delete.setOnAction(chosen -> {
                    if (layer.drawings().isEmpty()) {
                        room().studies().select(layer);
                    }
                    room().studies().deleteChosen();
                });
                menu.getItems().clear();
                if (!layer.drawings().isEmpty()) {
                    menu.getItems().addAll(new DrawingMenus(bench).arranging());
                    menu.getItems().add(new SeparatorMenuItem());
                }
                menu.getItems().add(delete);
            });
            return menu;
        }
    }

    /** Hides or shows all chosen layers, after the first of them. */
    private void toggleShown() {
        ChartModel chart = room().chart();
        List<Selection> rows = List.copyOf(view.getSelectionModel().getSelectedItems());
        List<Drawing> drawings = chart.chosenDrawings();
        if (rows.size() > 1 && !drawings.isEmpty()) {
            boolean on = !drawings.get(0).visible();
            room().drawings().changeChosen(on ? "show" : "hide", each -> each.withVisible(on));
            return;
        }
        Selection layer = view.getSelectionModel().getSelectedItem();
        if (layer instanceof Selection.Indicator of) {
            chart.indicator(of.id())
                    .ifPresent(each -> setShown(layer, !each.style().visible()));
        } else if (layer instanceof Selection.Drawing of) {
            chart.drawing(of.id()).ifPresent(each -> setShown(layer, !each.visible()));
        }
    }

    private void setShown(Selection layer, boolean on) {
        ChartModel chart = room().chart();
        if (layer instanceof Selection.Indicator of) {
            chart.indicator(of.id()).ifPresent(each -> room().indicators()
                    .change(each.withStyle(each.style().withVisible(on))));
        } else if (layer instanceof Selection.Drawing of) {
            chart.drawing(of.id()).ifPresent(each -> room().drawings().change(each.withVisible(on)));
        }
    }

    private ChartRoom room() {
        return bench.room();
    }
}
