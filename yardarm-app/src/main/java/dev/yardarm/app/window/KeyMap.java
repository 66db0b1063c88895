package dev.yardarm.app.window;

import dev.yardarm.app.workbench.View;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Spans;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layouts;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Which leader keys there are and what they do, before the user changes them. */
final class KeyMap {
    private final Workbench bench;
    private final ChartPage page;
    private final Actions actions;

    KeyMap(Workbench bench, ChartPage page, Actions actions) {
        this.bench = bench;
        this.page = page;
        this.actions = actions;
    }

    private void indicator(String name) {
        bench.desk().language().catalogue().find(name).ifPresent(found -> room().indicators()
                .add(found));
    }

    /** The leader keys there are. */
    LeaderKeys leaderKeys() {
        LeaderKeys keys = new LeaderKeys();
        LeaderKeys.Group go = keys.group('G', "Go to");
        for (View view : View.values()) {
            go.add(view.letter(), view.title(), () -> bench.go(view));
        }
        LeaderKeys.Group timeframes = keys.group('T', "Timeframe");
        String letters = "MWD4HQ51";
        for (int at = 0; at < Timeframe.STANDARD.size(); at++) {
            Timeframe timeframe = Timeframe.STANDARD.get(at);
            timeframes.add(letters.charAt(at), timeframe.toString(), () -> room().setTimeframe(timeframe));
        }
        timeframes.add('S', "seconds, other", () -> bench.prompt(""));
        keys.group('B', "Bars")
                .add('C', "candles", () -> form(BarForm.CANDLES))
                .add('B', "bars", () -> form(BarForm.BARS))
                .add('O', "bars without open", () -> form(BarForm.BARS_WITHOUT_OPEN))
                .add('L', "line through closes", () -> form(BarForm.LINE))
                .add('S', "step line", () -> form(BarForm.STEPS))
                .add('A', "area", () -> form(BarForm.AREA))
                .add('Z', "baseline", () -> form(BarForm.BASELINE))
                .add('H', "high-low columns", () -> form(BarForm.COLUMNS))
                .add('V', "averaged candles", () -> form(BarForm.AVERAGED))
                .add('T', "of ticks", () -> bench.prompt("ticks "))
                .add('U', "of volume", () -> bench.prompt("volume "))
                .add('R', "of range", () -> bench.prompt("range "))
                .add('E', "of reversal", () -> bench.prompt("reversal "))
                .add('K', "bricks", () -> bench.prompt("brick "))
                .add('N', "line break", () -> bench.prompt("line-break 3"))
                .add('P', "point and figure", () -> bench.prompt("point-figure "));
        keys.group('I', "Indicator")
                .add('I', "catalogue", () -> actions.run(LineCommand.Word.PICK_INDICATOR))
                .add('W', "with another instrument", () -> actions.run(LineCommand.Word.PICK_COMPARISON))
                .add('C', "copy all", () -> actions.run(LineCommand.Word.COPY_INDICATORS))
                .add('V', "put copied ones here", () -> actions.run(LineCommand.Word.PASTE_INDICATORS))
                .add('M', "macd", () -> indicator("macd"))
                .add('B', "bollinger", () -> indicator("bollinger"))
                .add('A', "atr 14", () -> indicator("atr"))
                .add('S', "sma 50", () -> indicator("sma"))
                .add('E', "ema 20", () -> indicator("ema"))
                .add('R', "rsi 14", () -> indicator("rsi"))
                .add('H', "highest 20", () -> indicator("highest"))
                .add('L', "lowest 20", () -> indicator("lowest"));
        LeaderKeys.Group draw = keys.group('D', "Draw");
        Map<Character, String> figures = new LinkedHashMap<>();
        figures.put('H', Drawing.LEVEL);
        figures.put('L', Drawing.LINE);
        figures.put('J', "level_ray");
        figures.put('V', "upright");
        figures.put('A', "arrow");
        figures.put('C', "channel");
        figures.put('P', "pitchfork");
        figures.put('G', "regression");
        figures.put('Z', "zone");
        figures.put('B', "box");
        figures.put('E', "ellipse");
        figures.put('I', "gap");
        figures.put('O', "order_block");
        figures.put('R', "retracement");
        figures.put('X', "extension");
        figures.put('F', "fan");
        figures.put('U', "time_ratios");
        figures.put('M', "measured_move");
        figures.put('Y', "cycles");
        figures.put('S', "head_shoulders");
        figures.put('W', "polyline");
        figures.put('D', "freehand");
        figures.put('T', "text");
        figures.put('K', "callout");
        figures.put('N', "price_note");
        figures.put('Q', "measure");
        figures.forEach((letter, figure) ->
                draw.add(letter, Figures.shared().get(figure).title().toLowerCase(Locale.ROOT), () -> room().studies()
                        .take(Tool.of(figure))));
        draw.add('1', "choose by a box", () -> actions.run(LineCommand.Word.GATHER))
                .add('2', "group what is chosen", () -> actions.run(LineCommand.Word.GROUP))
                .add('3', "take a group apart", () -> actions.run(LineCommand.Word.UNGROUP))
                .add('4', "to the front", () -> actions.run(LineCommand.Word.TO_FRONT))
                .add('5', "to the back", () -> actions.run(LineCommand.Word.TO_BACK))
                .add('6', "lock, and free", () -> actions.run(LineCommand.Word.LOCK))
                .add('7', "clone", () -> actions.run(LineCommand.Word.CLONE_DRAWING));
        keys.group('S', "Scale")
                .add('L', "logarithmic", () -> mode(ScaleChoice.Mode.LOGARITHMIC))
                .add('N', "straight", () -> mode(ScaleChoice.Mode.LINEAR))
                .add('P', "per cent", () -> mode(ScaleChoice.Mode.PERCENT))
                .add('I', "index 100", () -> mode(ScaleChoice.Mode.INDEXED))
                .add('U', "upside down", () -> room().setScale(
                                "inverted scale",
                                room().chart()
                                        .scale()
                                        .withInverted(!room().chart().scale().inverted())))
                .add('E', "fit price and indicators", () -> room().setScale(
                                "fit all", room().chart().scale().withFit(ScaleChoice.Fit.ALL)))
                .add('H', "fixed height", () -> room().setScale(
                                "fixed height",
                                room().chart()
                                        .scale()
                                        .held(
                                                room().chart().price().low(),
                                                room().chart().price().high())))
                .add('S', "session", () -> bench.prompt("session "))
                .add('G', "go to a date", () -> bench.prompt("go to "))
                .add('1', "1 day", () -> actions.view(chart -> Spans.show(chart, "1 day")))
                .add('5', "5 days", () -> actions.view(chart -> Spans.show(chart, "5 days")))
                .add('M', "1 month", () -> actions.view(chart -> Spans.show(chart, "1 month")))
                .add('6', "6 months", () -> actions.view(chart -> Spans.show(chart, "6 months")))
                .add('Y', "1 year", () -> actions.view(chart -> Spans.show(chart, "1 year")))
                .add('F', "fit the price", () -> actions.view(ChartModel::fitPrice))
                .add(
                        'A',
                        "all bars",
                        () -> actions.view(chart -> chart.showLast(chart.bars().size())));
        layoutKeys(keys);
        marks(keys);
        keys.group('P', "Plan")
                .add('P', "draw a plan", () -> room().studies().take(Tool.PLAN))
                .add('X', "remove the plan", () -> room().studies().removePlan());
        keys.group('H', "Hide and show")
                .add('V', "volume", () -> room().setVolumeShown(!room().chart().isVolumeShown()))
                .add('A', "all indicators, and back", () -> actions.run(LineCommand.Word.HIDE_INDICATORS))
                .add('Z', "all drawings, and back", () -> actions.run(LineCommand.Word.HIDE_DRAWINGS))
                .add(
                        'L',
                        "lists",
                        () -> page.show(page.listSide(), !page.listSide().isVisible()))
                .add(
                        'K',
                        "layers",
                        () -> page.show(page.layersSide(), !page.layersSide().isVisible()))
                .add(
                        'S',
                        "timeframe strip",
                        () -> page.show(page.stripSide(), !page.stripSide().isVisible()))
                .add('O', "overview strip", () -> actions.run(LineCommand.Word.OVERVIEW))
                .add('I', "instrument's card", () -> actions.run(LineCommand.Word.CARD))
                .add('B', "session lines", () -> actions.run(LineCommand.Word.BREAKS))
                .add('D', "data as a table", page::toggleTable)
                .add('Q', "measure, and stop", () -> actions.run(LineCommand.Word.MEASURE))
                .add('T', "theme", () -> bench.themeProperty()
                        .set(bench.themeProperty().get().other()));
        keys.group('X', "Clear")
                .add('X', "what is chosen", () -> room().studies().deleteChosen())
                .add('I', "all indicators", () -> room().indicators().clear())
                .add('D', "all drawings", () -> room().drawings().clear())
                .add('A', "indicators and drawings", () -> actions.run(LineCommand.Word.CLEAR_ANALYSIS));
        keys.group('W', "Focus")
                .add('C', "chart", () -> page.chart().requestFocus())
                .add('P', "next pane", () -> actions.run(LineCommand.Word.NEXT_PANE))
                .add('L', "list", () -> page.lists().focusList())
                .add('K', "layers", () -> page.layers().focusLayers())
                .add('B', "command line", () -> bench.prompt(""));
        return keys;
    }

    private void form(BarForm form) {
        actions.run(new LineCommand.SetForm(form));
    }

    private void mode(ScaleChoice.Mode mode) {
        room().setScale(mode.word() + " scale", room().chart().scale().withMode(mode));
    }

    private void layoutKeys(LeaderKeys keys) {
        keys.group('L', "Layout")
                .add('1', "one chart", () -> layouts().arrange(Arrangement.grid(1, 1)))
                .add('2', "two", () -> layouts().arrange(Arrangement.grid(1, 2)))
                .add('3', "three", () -> layouts().arrange(Arrangement.grid(1, 3)))
                .add('4', "four", () -> layouts().arrange(Arrangement.grid(2, 2)))
                .add('S', "split beside", () -> layouts().split(true))
                .add('D', "split below", () -> layouts().split(false))
                .add('C', "close chart", () -> layouts().closeChart(room()))
                .add('M', "whole layout, and back", () -> layouts().maximise())
                .add('J', "next chart", () -> layouts().stepChart(1))
                .add('K', "previous chart", () -> layouts().stepChart(-1))
                .add('T', "new tab", () -> layouts().add("", Arrangement.grid(1, 1)))
                .add('N', "next tab", () -> layouts().stepLayout(1))
                .add('B', "previous tab", () -> layouts().stepLayout(-1))
                .add('W', "own window", () -> layouts().toOwnWindow())
                .add('U', "pane up", () -> actions.run(LineCommand.Word.PANE_UP))
                .add('O', "pane down", () -> actions.run(LineCommand.Word.PANE_DOWN))
                .add('F', "fold the pane", () -> actions.run(LineCommand.Word.PANE_FOLD))
                .add('G', "higher pane", () -> actions.run(LineCommand.Word.PANE_TALLER))
                .add('H', "lower pane", () -> actions.run(LineCommand.Word.PANE_LOWER))
                .add('Y', "whole pane, and back", () -> actions.run(LineCommand.Word.PANE_WHOLE))
                .add('R', "reverse", () -> layouts().reverse())
                .add('X', "step-down", () -> bench.prompt("step-down W D 1h"))
                .add('L', "link colour", () -> bench.prompt("link "))
                .add('P', "preset", () -> bench.prompt("preset "));
    }

    private void marks(LeaderKeys keys) {
        keys.group('M', "Mark")
                .add('L', "long", () -> room().studies().takeStance(Stance.Kind.LONG, ""))
                .add('S', "short", () -> room().studies().takeStance(Stance.Kind.SHORT, ""))
                .add('W', "wait", () -> room().studies().takeStance(Stance.Kind.WAIT, ""))
                .add('K', "skip, with reason", () -> bench.prompt("skip "))
                .add('O', "no stance", () -> room().studies().takeStance(Stance.Kind.NONE, ""))
                .add(
                        'N',
                        "note",
                        () -> bench.prompt("note "
                                + room().instrument()
                                        .map(each -> bench.desk()
                                                .books()
                                                .stance(each.id())
                                                .note())
                                        .orElse("")))
                .add('A', "alert: reached", () -> room().studies().setAlert(Alert.Trigger.REACHES))
                .add('B', "alert: close beyond", () -> room().studies().setAlert(Alert.Trigger.CLOSES_BEYOND));
    }

    private Layouts layouts() {
        return bench.layouts();
    }

    private ChartRoom room() {
        return bench.room();
    }
}
