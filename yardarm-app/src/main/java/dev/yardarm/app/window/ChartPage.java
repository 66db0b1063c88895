package dev.yardarm.app.window;

import dev.yardarm.app.board.BoardPanel;
import dev.yardarm.app.board.BoardStrip;
import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.layout.LayoutPane;
import dev.yardarm.app.layout.LayoutTabs;
import dev.yardarm.app.layout.LayoutWindows;
import dev.yardarm.app.own.OwnPanel;
import dev.yardarm.app.panel.CardPanel;
import dev.yardarm.app.panel.LayersPanel;
import dev.yardarm.app.panel.ListPanel;
import dev.yardarm.app.panel.TimeframeStrip;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.view.WorkView;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.Optional;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The view Chart: lists at the left, the chart with its tools and strip in the middle, layers at the right. */
final class ChartPage extends BorderPane implements WorkView {
    private static final double TOOLS_HEIGHT = 36;

    private final Workbench bench;
    private final LayoutPane charts;
    private LayoutWindows windows;
    private final StackPane listSide = side(216, -1);
    private final StackPane ownSide = side(456, -1);
    private final StackPane boardSide = side(268, -1);
    private final StackPane quoteSide = side(-1, 26);
    private final HBox leftSides = new HBox(listSide, ownSide, boardSide);
    private final StackPane layersSide = side(248, -1);
    private final StackPane stripSide = side(-1, 104);
    private ListPanel lists;
    private LayersPanel layers;
    private CardPanel card;
    private BoardPanel board;
    private BoardStrip quotes;
    private Board quoted;
    private OwnPanel own;
    private boolean listsBefore;
    private boolean listsBehind;
    private String draft = "";
    private Runnable drafted = () -> {};
    private boolean cardShown;
    private boolean front;
    private TimeframeStrip strip;
    /** In a narrow window they go on in a second row. */
    private final FlowPane tools = new FlowPane();

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
        middle.setMinWidth(0);
        tools.setMinWidth(0);
        show(ownSide, false);
        show(boardSide, false);
        show(quoteSide, false);
        setTop(quoteSide);
        setLeft(leftSides);
        bench.onWrite(this::write);
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
        if (quotes != null && (aspect == Aspect.LIST || aspect == Aspect.CHART)) {
            quoted.setUsualList(room().listName());
            quotes.redraw();
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
        stance.setText(taken.words());
        change.getStyleClass().removeAll("rise", "fall");
        int bar = bars.size() - 1;
        last.setText(
                bar < 0 ? "" : instrument.format().format(room().chart().data().last()));
        double part = Readout.partOfBars(room().chart());
        change.setText(Readout.changeOfBars(room().chart()));
        if (!Double.isNaN(part)) {
            change.getStyleClass().add(part >= 0 ? "rise" : "fall");
            Tips.set(change, "Change from the close of the bar before, on the bars of this chart");
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

    /** Opens the editor of one's own indicators, in the place of the lists. */
    private void write(Writing wanted) {
        if (own == null) {
            own = new OwnPanel(bench, () -> drafted.run());
            own.resume(draft);
            ownSide.getChildren().add(own);
        }
        listsBefore |= !ownSide.isVisible() && listSide.isVisible();
        show(listSide, false);
        show(ownSide, true);
        ownSide.applyCss();
        own.open(wanted, this::leaveOwn, this::focusStart);
    }

    /** Closes the editor; the lists come back where they were. */
    private void leaveOwn() {
        own.close();
        show(ownSide, false);
        show(listSide, listsBefore);
        listsBefore = false;
        focusStart();
    }

    /** The editor of one's own indicators; null before it was first opened. */
    OwnPanel own() {
        return own;
    }

    /** True when the lists are to be seen, or will be once the editor that stands in their place is closed. */
    boolean areListsWanted() {
        return listSide.isVisible() || listsBefore || listsBehind;
    }

    /** A definition that was written and not saved; empty for none. */
    String draft() {
        return own == null ? draft : own.draft();
    }

    /** The definition that was written and not saved when the application ended; the editor begins with it. */
    void setDraft(String written) {
        draft = written;
        if (!written.isBlank()) {
            bench.desk().tell("A definition you had not saved waits in the editor (Space I O).");
        }
    }

    /** @param listener told when the draft changes */
    void onDraft(Runnable listener) {
        drafted = listener;
    }

    boolean isWriting() {
        return ownSide.isVisible();
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

    /** Shows the quote board beside the chart, in the place of the lists, which come back when it is folded away. */
    void showBoard(boolean shown) {
        if (shown) {
            board();
            listsBehind |= !boardSide.isVisible() && listSide.isVisible();
            show(listSide, false);
        } else if (listsBehind) {
            listsBehind = false;
            show(listSide, !isWriting());
            listsBefore |= isWriting();
        }
        show(boardSide, shown);
        if (board != null) {
            board.setAwake(shown && front);
        }
    }

    boolean isBoardShown() {
        return boardSide.isVisible();
    }

    /** The board beside the chart, made when it is first looked at. */
    BoardPanel board() {
        if (board == null) {
            board = new BoardPanel(bench);
            boardSide.getChildren().add(board);
        }
        return board;
    }

    /** Shows or folds away the strip of quotes over the chart. */
    void showQuotes(boolean shown) {
        if (shown) {
            quotes();
        }
        show(quoteSide, shown);
        wakeQuotes();
    }

    boolean areQuotesShown() {
        return quoteSide.isVisible();
    }

    /** The strip of quotes, made when it is first looked at. */
    BoardStrip quotes() {
        if (quotes == null) {
            quoted = new Board(bench.desk(), Board.Place.STRIP, System::nanoTime);
            quoted.setUsualList(room().listName());
            quotes = new BoardStrip(bench, quoted);
            quoteSide.getChildren().add(quotes);
        }
        return quotes;
    }

    private void wakeQuotes() {
        if (quoted != null && front && quoteSide.isVisible()) {
            quoted.wake();
        } else if (quoted != null) {
            quoted.rest();
        }
    }

    StackPane boardSide() {
        return boardSide;
    }

    StackPane quoteSide() {
        return quoteSide;
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

    @Override
    public void close() {
        if (lists != null) {
            lists.close();
            strip.close();
        }
        if (own != null) {
            own.close();
        }
        if (board != null) {
            board.close();
        }
        if (quotes != null) {
            quotes.close();
            quoted.close();
        }
    }

    @Override
    public Optional<Instrument> instrument() {
        return room().instrument();
    }

    @Override
    public View which() {
        return View.CHART;
    }

    @Override
    public Parent node() {
        return this;
    }

    @Override
    public void comesToFront() {
        front = true;
        if (board != null) {
            board.setAwake(boardSide.isVisible());
        }
        wakeQuotes();
        focusStart();
    }

    @Override
    public void focusStart() {
        if (chart() != null) {
            chart().requestFocus();
        }
    }

    /** The charts go on: they are what alerts and windows of their own look at too. */
    @Override
    public void leaves() {
        front = false;
        if (board != null) {
            board.setAwake(false);
        }
        wakeQuotes();
        if (chart() != null) {
            chart().setMeasuring(false);
        }
    }

    @Override
    public void search() {
        show(listSide, true);
        lists().focusFilter();
    }

    @Override
    public boolean key(KeyEvent event) {
        KeyCode code = event.getCode();
        if (code == KeyCode.PAGE_DOWN || code == KeyCode.PAGE_UP) {
            // The next or the previous instrument of the list; also from the list itself.
            room().step(code == KeyCode.PAGE_DOWN ? 1 : -1);
            return true;
        }
        ChartView chart = chart();
        if (chart == null) {
            return false;
        }
        if (code == KeyCode.F2) {
            chart.setMeasuring(true);
            return true;
        }
        return chart.isFocused() && (chart.key(code, event.isShiftDown()) || onChart(code));
    }

    private boolean onChart(KeyCode code) {
        switch (code) {
            case DELETE -> room().studies().deleteChosen();
            case HOME -> {
                TimeScale time = room().chart().time();
                double width = (time.right() - time.left()) / time.barWidth();
                room().chart().setTime(new TimeScale(time.left(), time.right(), time.barWidth(), width));
                room().tell(Aspect.VIEW);
            }
            case END -> {
                room().chart().follow();
                room().tell(Aspect.VIEW);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    @Override
    public boolean typed(char sign) {
        boolean closer = sign == '+' || sign == '=';
        if (!closer && sign != '-' && sign != '\u2212') {
            return false;
        }
        room().gestures().zoom(closer ? 1 : -1);
        room().tell(Aspect.VIEW);
        return true;
    }

    /** Gesture, tool, crosshair, pane, selection, and last where the keys are: in this order. */
    @Override
    public boolean escape() {
        ChartView chart = chart();
        if (chart == null) {
            return false;
        }
        if (chart.isMeasuring()) {
            chart.setMeasuring(false);
        } else if (room().gestures().cancel()) {
            room().tell(Aspect.VIEW);
        } else if (chart.isCrosshairOut()) {
            chart.toggleCrosshair();
        } else if (room().panes().isChosen()) {
            room().panes().leave();
        } else if (room().chart().selection() != Selection.NONE) {
            room().studies().select(Selection.NONE);
        } else if (!chart.isFocused()) {
            // Nothing to leave but where the keys are: from a button or a list back to the chart.
            chart.requestFocus();
        } else {
            return false;
        }
        return true;
    }

    private ChartRoom room() {
        return bench.room();
    }
}
