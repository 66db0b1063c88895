package dev.yardarm.app.window;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.layout.LayoutPane;
import dev.yardarm.app.layout.LayoutTabs;
import dev.yardarm.app.layout.LayoutWindows;
import dev.yardarm.app.panel.CardPanel;
import dev.yardarm.app.panel.LayersPanel;
import dev.yardarm.app.panel.ListPanel;
import dev.yardarm.app.panel.TimeframeStrip;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The view Chart: lists at the left, the chart with its tools and strip in the middle, layers at the right. */
final class ChartPage extends BorderPane {
    private static final double TOOLS_HEIGHT = 36;

    private final Workbench bench;
    private final LayoutPane charts;
    private LayoutWindows windows;
    private final StackPane listSide = side(216, -1);
    private final StackPane layersSide = side(248, -1);
    private final StackPane stripSide = side(-1, 104);
    private ListPanel lists;
    private LayersPanel layers;
    private CardPanel card;
    private boolean cardShown;
    private TimeframeStrip strip;
    private final HBox tools = new HBox();
    private final Label code = new Label();
    private final Label name = new Label();
    private final Label make = new Label();
    private final Label last = new Label();
    private final Label change = new Label();
    private final Label stance = new Label();
    private final ToggleButton level = tool("Level", Tool.LEVEL);
    private final ToggleButton line = tool("Trend line", Tool.LINE);
    private final ToggleButton plan = tool("Plan", Tool.PLAN);

    ChartPage(Workbench bench) {
        this.bench = bench;
        charts = new LayoutPane(bench, () -> bench.layouts().front());
        setId("chart-page");
        code.getStyleClass().add("code");
        last.getStyleClass().add("last");
        make.getStyleClass().add("soft");
        stance.setId("stance");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox title = new HBox(code, name, make, stance, gap, last, change);
        title.getStyleClass().add("chart-title");
        title.setId("chart-title");
        code.setMinWidth(Region.USE_PREF_SIZE);
        last.setMinWidth(Region.USE_PREF_SIZE);
        change.setMinWidth(Region.USE_PREF_SIZE);
        tools.getStyleClass().add("tool-row");
        tools.setId("tools");
        tools.setMinHeight(TOOLS_HEIGHT);
        VBox middle = new VBox(new LayoutTabs(bench), title, charts, tools, stripSide);
        VBox.setVgrow(charts, Priority.ALWAYS);
        setLeft(listSide);
        setCenter(middle);
        setRight(layersSide);
        bench.listen(this::changed);
        showTitle();
    }

    /** The place of a panel, as large as the panel will be; a size below 0 is left open. */
    private static StackPane side(double width, double height) {
        StackPane side = new StackPane();
        side.setMinSize(width, height);
        side.setPrefSize(width, height);
        return side;
    }

    /**
     * Fills the panels around the chart. At the start the chart comes first and these a moment later, so that it does
     * not wait for them.
     */
    void complete() {
        if (lists == null) {
            Tips.ofAction(level, bench.actions(), "draw.level");
            Tips.ofAction(line, bench.actions(), "draw.trend-line");
            Tips.ofAction(plan, bench.actions(), "plan.draw-a-plan");
            tools.getChildren()
                    .addAll(
                            level,
                            line,
                            plan,
                            new FigureMenu(bench),
                            separator(),
                            button("Note", "mark.note"),
                            button("Long", "mark.long"),
                            button("Short", "mark.short"),
                            button("Wait", "mark.wait"),
                            button("Skip", "mark.skip-with-its-reason"),
                            separator(),
                            button("Previous", "focus.previous-instrument"),
                            button("Next", "focus.next-instrument"),
                            separator(),
                            new LayoutMenu(bench),
                            new PresetMenu(bench));
            lists = new ListPanel(bench);
            card = new CardPanel(bench);
            showCard(cardShown);
            layers = new LayersPanel(bench);
            strip = new TimeframeStrip(bench);
            listSide.getChildren().add(lists);
            VBox.setVgrow(layers, Priority.ALWAYS);
            VBox.setVgrow(card, Priority.ALWAYS);
            layersSide.getChildren().add(new VBox(card, layers));
            stripSide.getChildren().add(strip);
            strip.visibleProperty().bind(stripSide.visibleProperty());
        }
    }

    private static Region separator() {
        Region line = new Region();
        line.setMinWidth(12);
        return line;
    }

    private ToggleButton tool(String text, Tool tool) {
        ToggleButton button = new ToggleButton(text);
        button.setId("tool-" + tool.word());
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(event -> {
            bench.room().studies().take(button.isSelected() ? tool : Tool.NONE);
            chart().requestFocus();
        });
        return button;
    }

    private Button button(String text, String action) {
        Button button = new Button(text);
        button.setId("button-" + text.toLowerCase(java.util.Locale.ROOT));
        button.setMinWidth(Region.USE_PREF_SIZE);
        Tips.ofAction(button, bench.actions(), action);
        button.setOnAction(event -> bench.act(action));
        return button;
    }

    private void changed(Aspect aspect) {
        if (aspect == Aspect.TOOL) {
            Tool tool = room().gestures().tool();
            level.setSelected(tool == Tool.LEVEL);
            line.setSelected(tool == Tool.LINE);
            plan.setSelected(tool == Tool.PLAN);
        }
        showTitle();
    }

    private void showTitle() {
        Instrument instrument = room().instrument().orElse(null);
        if (instrument == null) {
            code.setText("");
            name.setText("No chart");
            return;
        }
        Bars bars = room().chart().bars();
        code.setText(instrument.code());
        name.setText(instrument.name());
        make.setText(MakeText.of(room()));
        Stance taken = bench.desk().books().stance(instrument.id());
        stance.setText((taken.kind() == Stance.Kind.NONE
                        ? ""
                        : taken.kind().word() + (taken.reason().isEmpty() ? "" : ": " + taken.reason()))
                + (taken.note().isEmpty() ? "" : "  “" + taken.note() + "”"));
        change.getStyleClass().removeAll("rise", "fall");
        int bar = bars.size() - 1;
        last.setText(
                bar < 0 ? "" : instrument.format().format(room().chart().data().last()));
        if (bar > 0 && bars.close(bar - 1) != 0) {
            double part = room().chart().data().last() / bars.close(bar - 1) - 1;
            // Of a day it is the change everyone means; of other bars it says so.
            String of = room().chart().request().shortText();
            change.setText((of.equals("D") ? "" : of + "  ") + Readout.percent(part));
            change.getStyleClass().add(part >= 0 ? "rise" : "fall");
            Tips.set(change, "Change from the close of the bar before, on the bars of this chart");
        } else {
            change.setText("");
        }
    }

    /** The view of the chart in hand, in this window or one of its own. */
    ChartView chart() {
        ChartView here = charts.view(room());
        LayoutPane other = here != null || windows == null
                ? null
                : windows.pane(bench.layouts().focused());
        return here != null ? here : other == null ? null : other.view(room());
    }

    /** Shows the time left to the close on every intraday chart of the layout in front. */
    void runClocks() {
        for (ChartRoom each : bench.layouts().front().charts()) {
            boolean runs =
                    each.chart().request().isTime() && each.chart().timeframe().isIntraday();
            ChartView view = runs ? charts.view(each) : null;
            if (view != null && view.getScene() != null) {
                view.canvas().redraw();
            }
        }
    }

    /** Where the windows of layouts are found. */
    void setWindows(LayoutWindows layoutWindows) {
        windows = layoutWindows;
    }

    void toggleTable() {
        LayoutPane other = windows == null ? null : windows.pane(bench.layouts().focused());
        (other == null ? charts : other).toggleTable();
    }

    ListPanel lists() {
        complete();
        return lists;
    }

    LayersPanel layers() {
        complete();
        return layers;
    }

    /** Shows or folds away the instrument's card above the layers. */
    void showCard(boolean shown) {
        cardShown = shown;
        if (card != null) {
            card.setManaged(shown);
            card.setVisible(shown);
        }
    }

    boolean isCardShown() {
        return cardShown;
    }

    StackPane listSide() {
        return listSide;
    }

    StackPane layersSide() {
        return layersSide;
    }

    StackPane stripSide() {
        return stripSide;
    }

    void show(Region panel, boolean shown) {
        panel.setVisible(shown);
        panel.setManaged(shown);
    }

    void close() {
        if (lists != null) {
            lists.close();
            strip.close();
        }
    }

    private ChartRoom room() {
        return bench.room();
    }
}
