package dev.yardarm.app.window;

import dev.yardarm.app.chart.DrawingClipboard;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Declares what can be drawn, and what is done to selected drawings. */
final class DrawActions {
    private DrawActions() {}

    static void declare(WindowParts parts) {
        Workbench bench = parts.bench();
        ActionGroup group = bench.actions().group('D', "draw", "Draw", View.CHART);
        figures().forEach((letter, figure) -> {
            String title = Figures.shared().get(figure).title();
            group.on(letter, title.toLowerCase(Locale.ROOT), () -> room(bench)
                            .studies()
                            .take(Tool.of(figure)))
                    .means("draw: " + title.toLowerCase(Locale.ROOT));
        });
        group.on('1', "select by a box", () -> room(bench).studies().take(Tool.GATHER))
                .says("select by box", "draw a box around drawings to select them", "choose by box")
                .formerly("draw.choose-by-a-box");
        group.on('2', "group", () -> room(bench).drawings().group())
                .says("group drawings", "select and move the selected drawings together")
                .formerly("draw.group-what-is-chosen");
        group.on('3', "ungroup", () -> room(bench).drawings().ungroup())
                .says("ungroup drawings", "take groups of the selected drawings apart")
                .formerly("draw.take-a-group-apart");
        group.on('4', "to the front", () -> room(bench).drawings().order(true))
                .says("drawing to front", "draw the selected drawings over all others");
        group.on('5', "to the back", () -> room(bench).drawings().order(false))
                .says("drawing to back", "draw the selected drawings under all others");
        group.on('6', "lock, unlock", () -> room(bench).drawings().toggleLocked())
                .says("lock drawing", "the selected drawings cannot be moved by hand, or can again", "unlock drawing")
                .formerly("draw.lock-and-free");
        group.on('7', "duplicate", () -> room(bench).drawings().cloneChosen())
                .says("duplicate drawing", "duplicates the selected drawings beside them", "clone drawing")
                .formerly("draw.clone");
        group.word("copy drawing", "the selected drawings to the clipboard", () -> DrawingClipboard.copy(room(bench)));
        group.word(
                "paste drawing",
                "put drawings of the clipboard on this instrument",
                () -> DrawingClipboard.paste(room(bench)));
        group.word(
                "select all drawings",
                "select all drawings of the chart",
                () -> room(bench).drawings().chooseAll(),
                "choose all drawings");
        group.word(
                "drawing on this chart",
                "keep the selected drawings on this chart alone, or on all again",
                () -> room(bench).drawings().toggleOwn());
        group.word(
                "default drawing",
                "use the selected drawing as the default for new ones of its kind",
                () -> room(bench).drawings().looks().makeUsual(),
                "usual drawing");
    }

    private static ChartRoom room(Workbench bench) {
        return bench.room();
    }

    private static Map<Character, String> figures() {
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
        return figures;
    }
}
