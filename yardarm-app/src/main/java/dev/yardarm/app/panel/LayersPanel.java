package dev.yardarm.app.panel;

import dev.yardarm.app.chart.DrawingMenus;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
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
import javafx.scene.input.ContextMenuEvent;
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
        view.setAccessibleText("Layers of the chart");
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
            } else if (event.getCode() == KeyCode.ENTER) {
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
        Tips.ofAction(add, bench.actions(), "indicator.catalogue");
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
            chart.layers().forEach(layer -> layers.add(layer.selection()));
        }
        List<Selection> shownLayers = filter.found(layers);
        following = true;
        if (!shownLayers.equals(view.getItems())) {
            view.getItems().setAll(shownLayers);
        } else {
            view.refresh();
        }
        Set<String> drawings = new HashSet<>(chart.selection().drawings());
        int[] chosen = IntStream.range(0, shownLayers.size())
                .filter(at -> shownLayers.get(at).equals(chart.selection())
                        || !shownLayers.get(at).drawings().isEmpty()
                                && drawings.containsAll(shownLayers.get(at).drawings()))
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
                        ? "All drawings are hidden (" + ActionItems.keys(bench, "hide-and-show.all-drawings") + ")."
                        : shownLayers.size() < layers.size()
                                ? shownLayers.size() + " of " + layers.size() + " layers"
                                : "");
        none.setVisible(!none.getText().isEmpty());
        showDetails(chart.selection());
    }

    private void showDetails(Selection selection) {
        // Another indicator put in the place of one has other settings to edit.
        Object what = selection instanceof Selection.Layer of
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
            // The menu is made when it is asked for: rows are shown anew with every key in the editor.
            addEventFilter(
                    ContextMenuEvent.CONTEXT_MENU_REQUESTED,
                    event -> setContextMenu(isEmpty() ? null : menu(getItem())));
        }

        @Override
        protected void updateItem(Selection layer, boolean empty) {
            super.updateItem(layer, empty);
            if (empty || layer == null) {
                setGraphic(null);
                return;
            }
            ChartModel chart = room().chart();
            visible.setVisible(false);
            swatch.setStyle("");
            value.setText("");
            chart.layer(layer).ifPresent(each -> fill(chart, each));
            setGraphic(row);
        }

        private void fill(ChartModel chart, Layer layer) {
            visible.setVisible(LayerParts.canHide(layer));
            visible.setSelected(LayerParts.isVisible(layer));
            if (LayerParts.colour(layer) != LayerParts.NO_COLOUR) {
                colour(LayerParts.colour(layer));
            }
            title.setText(LayerParts.title(chart, layer));
            Tips.set(title, title.getText());
            visible.setAccessibleText("Show " + title.getText());
            value.setText(LayerParts.value(chart, layer));
        }

        private void colour(int number) {
            swatch.setStyle(
                    "-fx-background-color: " + Themes.web(bench.palette().drawn(number)) + ";");
        }

        private ContextMenu menu(Selection layer) {
            if (layer.equals(Selection.PRICE)) {
                return null;
            }
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
            ContextMenu menu = new ContextMenu();
            if (!layer.drawings().isEmpty()) {
                menu.getItems().addAll(new DrawingMenus(bench).arranging());
                menu.getItems().add(new SeparatorMenuItem());
            }
            menu.getItems().add(delete);
            return menu;
        }
    }

    /** Hides or shows all selected layers, after the first of them. */
    public void toggleShown() {
        ChartModel chart = room().chart();
        List<Selection> rows = List.copyOf(view.getSelectionModel().getSelectedItems());
        List<Drawing> drawings = chart.chosenDrawings();
        if (rows.size() > 1 && !drawings.isEmpty()) {
            boolean on = !drawings.get(0).visible();
            room().drawings().changeChosen(on ? "show" : "hide", each -> each.withVisible(on));
            return;
        }
        chart.layer(view.getSelectionModel().getSelectedItem())
                .filter(LayerParts::canHide)
                .ifPresent(layer -> room().layers().show(layer, !LayerParts.isVisible(layer)));
    }

    private void setShown(Selection chosen, boolean on) {
        room().chart().layer(chosen).ifPresent(layer -> room().layers().show(layer, on));
    }

    private ChartRoom room() {
        return bench.room();
    }
}
