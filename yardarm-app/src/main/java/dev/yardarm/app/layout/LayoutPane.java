package dev.yardarm.app.layout;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.Layouts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.SplitPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The charts of a layout in their arrangement, with dividers to drag; of a maximised one the others as tabs. */
public final class LayoutPane extends StackPane implements AutoCloseable {
    private final Workbench bench;
    private final Layouts layouts;
    private final Supplier<Layout> layout;
    private final Map<ChartRoom, ChartCell> cells = new HashMap<>();
    private final Listening heard;
    private String built = "";

    /** @param layout the layout to show; asked again whenever layouts change */
    public LayoutPane(Workbench bench, Supplier<Layout> layout) {
        this.bench = bench;
        this.layouts = bench.layouts();
        this.layout = layout;
        getStyleClass().add("layout-pane");
        heard = Listening.all(
                layouts.listen(aspect -> {
                    if (aspect == Aspect.LAYOUT || aspect == Aspect.CHART) {
                        show();
                    }
                }),
                layouts.listenToAll((room, aspect) -> {
                    if (aspect == Aspect.VIEW && cells.containsKey(room)) {
                        showTabTitles();
                    }
                }));
        show();
    }

    /** Lets go of all charts; the pane is not shown any more. */
    @Override
    public void close() {
        heard.close();
        cells.values().forEach(ChartCell::close);
        cells.clear();
    }

    /** The view of a chart of this layout; null when it is of another. */
    public ChartView view(ChartRoom room) {
        ChartCell cell = cells.get(room);
        boolean here = layout.get() != null && layout.get().charts().contains(room);
        return cell == null || !here ? null : cell.view();
    }

    /** Shows the data of the chart in hand as a table, or the chart again. */
    public void toggleTable() {
        ChartCell cell = cells.get(layout.get().active());
        if (cell != null) {
            cell.toggleTable();
        }
    }

    private ChartCell cell(ChartRoom room) {
        return cells.computeIfAbsent(room, missing -> new ChartCell(bench, missing));
    }

    private void show() {
        Layout shown = layout.get();
        if (shown == null) {
            return;
        }
        String wanted = System.identityHashCode(shown) + " " + shape(shown.arrangement()) + " "
                + shown.maximised().map(System::identityHashCode).orElse(0)
                + (shown.maximised().isPresent() ? " " + System.identityHashCode(shown.active()) : "");
        if (!wanted.equals(built)) {
            built = wanted;
            rebuild(shown);
        }
        boolean several = shown.charts().size() > 1;
        shown.charts().forEach(room -> cell(room).showPlace(several, room == shown.active()));
    }

    /** The arrangement without its weights: dragging a divider builds nothing anew. */
    private static String shape(Arrangement arrangement) {
        return arrangement.toString().replaceAll("\\*[0-9.]+", "");
    }

    private void rebuild(Layout shown) {
        cells.entrySet().removeIf(entry -> {
            boolean gone = !layouts.holds(entry.getKey());
            if (gone) {
                entry.getValue().close();
            }
            return gone;
        });
        getChildren().clear();
        if (shown.maximised().isPresent()) {
            HBox tabs = new HBox();
            tabs.getStyleClass().add("chart-tabs");
            for (ChartRoom room : shown.charts()) {
                ToggleButton tab = new ToggleButton(tabTitle(room));
                tab.getStyleClass().setAll("chart-tab");
                tab.setUserData(room);
                tab.setSelected(room == shown.active());
                tab.setFocusTraversable(false);
                tab.setOnAction(event -> {
                    tab.setSelected(true);
                    layouts.maximise(room);
                });
                tabs.getChildren().add(tab);
            }
            ChartCell cell = cell(shown.active());
            VBox.setVgrow(cell, Priority.ALWAYS);
            getChildren().add(new VBox(tabs, cell));
        } else {
            getChildren().add(build(shown, shown.arrangement(), List.of()));
        }
        if (shown == layouts.focused()) {
            javafx.application.Platform.runLater(() -> {
                ChartView view = view(shown.active());
                if (view != null
                        && view.getScene() != null
                        && !(view.getScene().getFocusOwner() instanceof javafx.scene.control.TextInputControl)
                        && !(view.getScene().getFocusOwner() instanceof org.fxmisc.richtext.CodeArea)) {
                    view.requestFocus();
                }
            });
        }
    }

    private static String tabTitle(ChartRoom room) {
        return room.instrument().map(each -> each.code() + " ").orElse("")
                + room.chart().request().shortText()
                + (room.title().isEmpty() ? "" : "  " + room.title());
    }

    private void showTabTitles() {
        lookupAll(".chart-tab").forEach(node -> {
            if (node instanceof ToggleButton tab && tab.getUserData() instanceof ChartRoom room) {
                tab.setText(tabTitle(room));
            }
        });
    }

    private Node build(Layout shown, Arrangement arrangement, List<Integer> path) {
        if (arrangement instanceof Arrangement.Single single) {
            return cell(shown.chart(single.chart()));
        }
        Arrangement.Parts parts = (Arrangement.Parts) arrangement;
        SplitPane split = new SplitPane();
        split.getStyleClass().add("layout-split");
        split.setOrientation(parts.sideBySide() ? Orientation.HORIZONTAL : Orientation.VERTICAL);
        double[] positions = new double[parts.parts().size() - 1];
        double sum = 0;
        for (int at = 0; at < parts.parts().size(); at++) {
            List<Integer> own = new ArrayList<>(path);
            own.add(at);
            split.getItems().add(build(shown, parts.parts().get(at), own));
            sum += parts.weights().get(at);
            if (at < positions.length) {
                positions[at] = sum;
            }
        }
        split.setDividerPositions(positions);
        split.getDividers().forEach(divider -> divider.positionProperty().addListener((observed, before, now) -> {
            if (split.isPressed()
                    || split.lookupAll(".split-pane-divider").stream().anyMatch(Node::isPressed)) {
                keepWeights(shown, split, path);
            }
        }));
        return split;
    }

    private void keepWeights(Layout shown, SplitPane split, List<Integer> path) {
        List<Double> weights = new ArrayList<>();
        double before = 0;
        for (double position : split.getDividerPositions()) {
            weights.add(Math.max(0.02, position - before));
            before = position;
        }
        weights.add(Math.max(0.02, 1 - before));
        layouts.setWeights(shown, path, weights);
    }
}
