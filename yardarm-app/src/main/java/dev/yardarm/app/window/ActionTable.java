package dev.yardarm.app.window;

import dev.yardarm.app.chart.ChartOutput;
import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.evidence.Cues;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Spans;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.layout.Region;

/** Declares what can be done with the window and its charts; drawing, layouts and marks have tables of their own. */
final class ActionTable {
    private final WindowParts parts;
    private final Workbench bench;
    private final Actions all;
    private ChartRoom copied;

    private ActionTable(WindowParts parts) {
        this.parts = parts;
        bench = parts.bench();
        all = bench.actions();
    }

    /** Declares all actions there are. */
    static void declare(WindowParts parts) {
        ActionTable table = new ActionTable(parts);
        table.views();
        table.timeframes();
        table.bars();
        table.indicators();
        DrawActions.declare(parts);
        DetectActions.declare(parts);
        table.scale();
        table.time();
        LayoutActions.declare(parts);
        MarkActions.declare(parts);
        table.hide();
        table.clear();
        table.focus();
    }

    private void views() {
        ActionGroup group = all.group('G', "go-to", "Go to");
        for (View view : View.values()) {
            String word = view.title().toLowerCase(Locale.ROOT);
            group.on(view.letter(), word, () -> bench.go(view))
                    .says(view == View.PLAN ? "plans" : word, "go to " + view.title());
        }
        group.on('L', "alerts and calls", () -> watch(WatchPages.Page.ALERTS))
                .says("alerts and calls", "what waits, what is expected, what fired", "alerts", "calls");
        group.on('Q', "quote board", () -> watch(WatchPages.Page.BOARD))
                .says("quote board", "the quote board as a page", "board", "quotes");
        group.on('T', "wall of tiles", () -> watch(WatchPages.Page.WALL))
                .says("wall of tiles", "the quote board as a wall of tiles, areas by weight", "wall", "tiles");
        group.on('N', "last notices", parts::showNotices).says("notices", "the last 50 notices", "messages");
        group.on('A', "newest alert", parts::openNewestAlert)
                .says("newest alert", "the chart of the newest alert that was not looked at");
        group.on('H', "help and keys", parts::toggleHelp).says("help", "keys and commands", "keys", "shortcuts");
        group.word("larger text", "the text of the interface larger by 10 %   Ctrl +", () -> text(10), "zoom in");
        group.word("smaller text", "the text of the interface smaller by 10 %   Ctrl −", () -> text(-10), "zoom out");
        group.word("usual text", "the text of the interface in its usual size   Ctrl+0", () -> bench.setTextSize(100));
        group.word("undo", "take back the last change", () -> room().undo());
        group.word("redo", "do again what was taken back", () -> room().redo());
        group.word(
                "pause",
                "pause or resume the simulated market",
                () -> parts.status().toggle(),
                "resume");
    }

    private void watch(WatchPages.Page page) {
        parts.watch().show(page);
        bench.go(View.WATCH);
    }

    private void text(int by) {
        bench.setTextSize(bench.textSizeProperty().get() + by);
    }

    private void timeframes() {
        ActionGroup group = all.group('T', "timeframe", "Timeframe", View.CHART);
        String letters = "MWD4HF51";
        List<Timeframe> standard = Timeframe.STANDARD;
        for (int at = 0; at < standard.size(); at++) {
            Timeframe timeframe = standard.get(at);
            group.on(letters.charAt(at), timeframe.toString(), () -> room().setTimeframe(timeframe))
                    .means(timeframe.adjective() + " bars");
        }
        group.on('O', "another timeframe", () -> bench.prompt("timeframe "))
                .means("bars of another timeframe, such as 3D, 45m or 30s")
                .formerly("timeframe.seconds-other");
    }

    private void bars() {
        ActionGroup group = all.group('B', "bars", "Bars", View.CHART);
        form(group, 'C', "candles", BarForm.CANDLES);
        form(group, 'B', "bars", BarForm.BARS);
        form(group, 'O', "bars without open", BarForm.BARS_WITHOUT_OPEN);
        form(group, 'H', "high-low bars", BarForm.COLUMNS, "bars.high-low-columns");
        form(group, 'L', "closes", BarForm.LINE, "bars.line-through-closes");
        form(group, 'S', "stairs", BarForm.STEPS, "bars.step-line");
        form(group, 'A', "filled closes", BarForm.AREA, "bars.area");
        form(group, 'Z', "two-sided", BarForm.BASELINE, "bars.baseline");
        form(group, 'V', "averaged candles", BarForm.AVERAGED);
        group.on('T', "of ticks", () -> bench.prompt("ticks ")).means("a bar for every so many trades");
        group.on('U', "of volume", () -> bench.prompt("volume ")).means("a bar for every so much volume");
        group.on('R', "of range", () -> bench.prompt("range ")).means("bars of the same height");
        group.on('E', "of reversal", () -> bench.prompt("reversal ")).means("a bar for each turn of a size");
        group.on('K', "bricks", () -> bench.prompt("brick ")).means("renko bricks of a size");
        group.on('N', "line break", () -> bench.prompt("line-break 3")).means("line-break bars");
        group.on('P', "point and figure", () -> bench.prompt("point-figure "))
                .means("columns of a box size and a reversal");
    }

    private void form(ActionGroup group, char key, String label, BarForm form, String... former) {
        group.on(key, label, () -> {
                    if (!room().chart().request().isTime()) {
                        room().setRule(new BarRule.Time(room().chart().timeframe()));
                    }
                    room().setForm(form);
                })
                .means(form.title())
                .formerly(former);
    }

    private void indicators() {
        ActionGroup group = all.group('I', "indicator", "Indicator", View.CHART);
        group.on('I', "catalogue", () -> bench.pick(taken -> room().indicators().add(taken)))
                .says("indicators", "pick an indicator from the catalogue", "studies");
        group.on('O', "own indicators", () -> bench.write(new Writing.Indicator("")))
                .says("own indicators", "write, change and keep indicators of your own", "define", "formula", "editor");
        group.on('N', "blends", () -> bench.write(new Writing.Blends("")))
                .says("blends", "instruments made of others: ratios, spreads, baskets", "basket", "blend");
        group.on('W', "compare", bench::compare)
                .says("compare", "other instruments on the chart, picked from a list")
                .formerly("indicator.with-another-instrument");
        group.on('C', "copy indicators", () -> copied = room())
                .says("copy indicators", "remember the indicators of the chart")
                .formerly("indicator.copy-all");
        group.on('V', "paste indicators", this::paste)
                .says("paste indicators", "put the remembered indicators on this chart")
                .formerly("indicator.put-copied-ones-here");
        group.on('D', "evidence", this::evidence)
                .says(
                        "evidence",
                        "what came after earlier times a cue of the chosen indicator held, or the scan being written",
                        "backtest",
                        "statistics")
                .everywhere();
        indicator(group, 'M', "macd", "macd");
        indicator(group, 'B', "bollinger", "bollinger");
        indicator(group, 'A', "atr 14", "atr");
        indicator(group, 'S', "sma 50", "sma");
        indicator(group, 'E', "ema 20", "ema");
        indicator(group, 'R', "rsi 14", "rsi");
        indicator(group, 'H', "highest 20", "highest");
        indicator(group, 'L', "lowest 20", "lowest");
    }

    private void indicator(ActionGroup group, char key, String label, String name) {
        group.on(
                        key,
                        label,
                        () -> bench.desk().language().catalogue().find(name).ifPresent(found -> room().indicators()
                                .add(found)))
                .means("add " + label);
    }

    /** Of the scan being written while scans are in front, else of the cue of an indicator. */
    private void evidence() {
        if (bench.viewProperty().get() == View.SCAN) {
            parts.gatherEvidence();
            return;
        }
        List<String> cues = Cues.of(room().chart());
        if (cues.isEmpty()) {
            bench.desk().tell("Choose an indicator that has cues, or write the condition: evidence rsi(14) < 30.");
        } else {
            bench.evidence(cues.get(0));
        }
    }

    private void paste() {
        if (copied == null) {
            bench.desk().tell("No indicators were copied. Copy those of another chart first: copy indicators.");
        } else {
            room().indicators().copyFrom(copied);
        }
    }

    private void scale() {
        ActionGroup group = all.group('S', "scale", "Scale", View.CHART);
        group.on('L', "logarithmic", () -> mode(ScaleChoice.Mode.LOGARITHMIC))
                .says("log", "logarithmic price scale", "logarithmic");
        group.on('N', "linear", () -> mode(ScaleChoice.Mode.LINEAR))
                .says("linear", "linear price scale", "arithmetic")
                .formerly("scale.straight");
        group.on('P', "per cent", () -> mode(ScaleChoice.Mode.PERCENT)).means("per cent from a bar");
        group.on('I', "index 100", () -> mode(ScaleChoice.Mode.INDEXED)).means("an index, 100 at a bar");
        group.on('U', "inverted", () -> room().setScale(
                                "inverted scale",
                                room().chart()
                                        .scale()
                                        .withInverted(!room().chart().scale().inverted())))
                .means("inverted scale, or upright again")
                .formerly("scale.upside-down");
        group.on('F', "fit the price", () -> view(ChartModel::fitPrice))
                .says("fit", "fit the price scale to what is shown", "autoscale");
        group.on('E', "fit price and indicators", () -> room().setScale(
                                "fit all", room().chart().scale().withFit(ScaleChoice.Fit.ALL)))
                .means("fit the scale to the price and the indicators on it");
        group.on('H', "lock the height", () -> room().setScale(
                                "fixed height",
                                room().chart()
                                        .scale()
                                        .held(
                                                room().chart().price().low(),
                                                room().chart().price().high())))
                .means("keep the prices the scale shows now")
                .formerly("scale.fixed-height");
    }

    private void time() {
        ActionGroup group = all.group('V', "time", "View through time", View.CHART);
        span(group, 'D', "this session", "scale.1-day");
        span(group, 'W', "this week", "scale.5-days");
        span(group, 'M', "this month", "scale.1-month");
        span(group, 'Q', "this quarter");
        span(group, 'Y', "this year");
        span(group, '1', "60 sessions");
        span(group, '2', "120 sessions", "scale.6-months");
        span(group, '3', "250 sessions", "scale.1-year");
        span(group, '5', "500 sessions");
        group.on(
                        'A',
                        "all bars",
                        () -> view(chart -> chart.showLast(chart.bars().size())))
                .says("all", "show all bars")
                .formerly("scale.all-bars");
        group.on('N', "newest bars", () -> view(ChartModel::follow)).says("newest", "show the newest bars");
        group.on('G', "go to a date", () -> bench.prompt("go to "))
                .means("bring a day or an event into view")
                .formerly("scale.go-to-a-date");
        group.on('S', "session", () -> bench.prompt("session "))
                .means("day, evening or whole session, or hours of your own")
                .formerly("scale.session");
        group.on('B', "session breaks", () -> view(chart -> chart.setBreaksShown(!chart.areBreaksShown())))
                .says("session breaks", "show or hide lines between sessions", "session lines")
                .formerly("hide-and-show.session-lines");
        group.on('C', "crosshair", () -> parts.page().chart().toggleCrosshair())
                .says("crosshair", "crosshair on or off; the arrows move it");
        group.on('U', "measure on, off", () -> parts.page()
                        .chart()
                        .setMeasuring(!parts.page().chart().isMeasuring()))
                .says("measure", "measure from the crosshair, on or off")
                .formerly("hide-and-show.measure-and-stop");
    }

    private void span(ActionGroup group, char key, String span, String... former) {
        group.on(key, span, () -> view(chart -> Spans.show(chart, span)))
                .means("show " + Spans.words(span))
                .formerly(former);
    }

    private void hide() {
        ActionGroup group = all.group('H', "hide-and-show", "Hide and show", View.CHART);
        group.on('V', "volume", () -> room().setVolumeShown(!room().chart().isVolumeShown()))
                .says("volume", "show or hide volume");
        group.on('A', "all indicators", () -> room().indicators().toggleAll())
                .says("hide indicators", "hide or show all indicators of the chart")
                .formerly("hide-and-show.all-indicators-and-back");
        group.on('Z', "all drawings", () -> room().drawings().toggleAll())
                .says("hide drawings", "hide or show all drawings of the instrument")
                .formerly("hide-and-show.all-drawings-and-back");
        group.on('L', "lists", () -> fold(parts.page().listSide())).means("show or fold away the lists");
        group.on('K', "layers", () -> fold(parts.page().layersSide())).means("show or fold away the layers");
        group.on('S', "timeframe strip", () -> fold(parts.page().stripSide()))
                .means("show or fold away the timeframe strip");
        group.on('Q', "board beside the chart", () -> parts.page()
                        .showBoard(!parts.page().isBoardShown()))
                .says("board beside", "show or fold away the quote board beside the chart", "side board");
        group.on('R', "strip of quotes", () -> parts.page()
                        .showQuotes(!parts.page().areQuotesShown()))
                .says("strip of quotes", "show or fold away the strip of quotes over the chart", "quote strip");
        group.on('O', "overview strip", () -> bench.overviewShownProperty()
                        .set(!bench.overviewShownProperty().get()))
                .says("overview", "show or hide the overview strip");
        group.on('I', "instrument at a glance", () -> parts.page()
                        .showCard(!parts.page().isCardShown()))
                .says("card", "show or hide the instrument at a glance")
                .formerly("hide-and-show.instrument-s-card");
        group.on('D', "data as a table", () -> parts.page().toggleTable())
                .says("table", "the data as a table, or the chart again");
        group.on('X', "what is selected", () -> parts.page().layers().toggleShown())
                .means("hide or show the selected layers");
        group.on('T', "theme", () -> bench.themeProperty()
                        .set(bench.themeProperty().get().other()))
                .means("the other theme")
                .everywhere();
        group.word("daylight", "theme Daylight", () -> bench.themeProperty().set(Palette.Theme.DAYLIGHT))
                .everywhere();
        group.word("night watch", "theme Night watch", () -> bench.themeProperty()
                        .set(Palette.Theme.NIGHT_WATCH))
                .everywhere();
        group.word("copy chart", "the picture of the chart to the clipboard", () -> output().copy());
        group.word("print", "the chart to a printer", () -> output().print());
    }

    private ChartOutput output() {
        return new ChartOutput(room(), parts.page().chart(), bench);
    }

    private void fold(Region side) {
        parts.page().show(side, !side.isVisible());
    }

    private void clear() {
        ActionGroup group = all.group('X', "clear", "Clear", View.CHART);
        group.on('X', "what is selected", () -> room().studies().deleteChosen())
                .says("delete", "delete what is selected")
                .formerly("clear.what-is-chosen");
        group.on('I', "all indicators", () -> room().indicators().clear())
                .says("clear indicators", "remove all indicators from the chart");
        group.on('D', "all drawings", () -> room().drawings().clear())
                .says("clear drawings", "delete all drawings of the instrument");
        group.on('A', "indicators and drawings", () -> bench.desk().undo().together("remove the analysis", () -> {
                    room().indicators().clear();
                    room().drawings().clear();
                }))
                .says("clear analysis", "remove all indicators and drawings");
    }

    private void focus() {
        ActionGroup group = all.group('W', "focus", "Focus");
        group.on('C', "chart", () -> {
                    bench.go(View.CHART);
                    parts.page().chart().requestFocus();
                })
                .means("keys go to the chart");
        group.on('L', "list", () -> {
                    bench.go(View.CHART);
                    parts.page().show(parts.page().listSide(), true);
                    parts.page().lists().focusList();
                })
                .means("keys go to the list");
        group.on('K', "layers", () -> {
                    bench.go(View.CHART);
                    parts.page().show(parts.page().layersSide(), true);
                    parts.page().layers().focusLayers();
                })
                .means("keys go to the layers");
        group.on('Q', "board beside the chart", () -> {
                    bench.go(View.CHART);
                    parts.page().showBoard(true);
                    parts.page().board().focusBoard();
                })
                .means("keys go to the board beside the chart");
        group.on('R', "strip of quotes", () -> {
                    bench.go(View.CHART);
                    parts.page().showQuotes(true);
                    parts.page().quotes().requestFocus();
                })
                .means("keys go to the strip of quotes");
        group.on('B', "command line", () -> bench.prompt("")).means("keys go to the command line");
        group.word("next instrument", "next instrument of the list (Page Down)", () -> room().step(1), "next");
        group.word("previous instrument", "previous instrument of the list (Page Up)", () -> room().step(-1));
    }

    private void mode(ScaleChoice.Mode mode) {
        room().setScale(mode.word() + " scale", room().chart().scale().withMode(mode));
    }

    private void view(Consumer<ChartModel> change) {
        change.accept(room().chart());
        room().tell(Aspect.VIEW);
    }

    private ChartRoom room() {
        return bench.room();
    }
}
