package dev.yardarm.app.window;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.ChartPanes;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.ExecutionLayout;
import dev.yardarm.desk.room.layout.Layouts;
import java.util.function.BiConsumer;

/** Declares what is done with layouts, and with the panes of a chart. */
final class LayoutActions {
    private final Workbench bench;

    private LayoutActions(Workbench bench) {
        this.bench = bench;
    }

    static void declare(WindowParts parts) {
        LayoutActions table = new LayoutActions(parts.bench());
        table.layouts();
        table.panes();
    }

    private void layouts() {
        ActionGroup group = bench.actions().group('L', "layout", "Layout", View.CHART);
        group.on('1', "one chart", () -> arranged().arrange(Arrangement.grid(1, 1)))
                .means("a layout of one chart");
        group.on('2', "two charts", () -> arranged().arrange(Arrangement.grid(1, 2)))
                .means("two charts side by side")
                .formerly("layout.two");
        group.on('3', "three charts", () -> arranged().arrange(Arrangement.grid(1, 3)))
                .means("three charts side by side")
                .formerly("layout.three");
        group.on('4', "four charts", () -> arranged().arrange(Arrangement.grid(2, 2)))
                .means("four charts, two by two")
                .formerly("layout.four");
        group.on('S', "split right", () -> arranged().split(true))
                .says("split right", "a copy of the chart to its right")
                .formerly("layout.split-beside");
        group.on('D', "split below", () -> arranged().split(false)).says("split below", "a copy of the chart below it");
        group.on('C', "close chart", () -> arranged().closeChart(room()))
                .says("close chart", "remove the chart from its layout");
        group.on('M', "maximise, restore", () -> arranged().maximise())
                .says("maximise", "the chart has its layout to itself, or shares it again", "restore")
                .formerly("layout.whole-layout-and-back");
        group.on('J', "next chart", () -> arranged().stepChart(1))
                .says("next chart", "make the next chart of the layout the active one");
        group.on('K', "previous chart", () -> arranged().stepChart(-1))
                .says("previous chart", "make the previous chart of the layout the active one");
        group.on('T', "new layout", () -> arranged().add("", Arrangement.grid(1, 1)))
                .means("a new layout in a tab")
                .formerly("layout.new-tab");
        group.on('N', "next layout", () -> arranged().stepLayout(1))
                .says("next layout", "the next tab")
                .formerly("layout.next-tab");
        group.on('B', "previous layout", () -> arranged().stepLayout(-1))
                .says("previous layout", "the previous tab")
                .formerly("layout.previous-tab");
        group.on('W', "own window", () -> arranged().toOwnWindow())
                .says("own window", "the layout gets a window of its own");
        group.on('R', "reverse order", () -> arranged().reverse())
                .says("reverse", "the charts of the layout in the opposite order")
                .formerly("layout.reverse");
        group.on('X', "step-down", () -> bench.prompt("step-down W D 1h"))
                .means("the instrument in two or three timeframes side by side");
        group.on('E', "execution layout", () -> ExecutionLayout.show(arranged()))
                .says(
                        "execution",
                        "range bars, footprints, minutes with large trades and profiles of the instrument, linked",
                        "execution layout");
        group.on('L', "link colour", () -> bench.prompt("link "))
                .means("charts of the same link colour share what you select");
        group.on('P', "preset", () -> bench.prompt("preset ")).means("put a saved chart set-up on the chart");
        group.word("remove layout", "remove the layout in front", () -> arranged()
                .remove(arranged().focused()));
    }

    private void panes() {
        ActionGroup group = bench.actions().group('O', "panes", "Panes", View.CHART);
        group.on('N', "next pane", () -> room().panes().chooseNext())
                .says("next pane", "select the next pane")
                .formerly("focus.next-pane");
        pane(group, 'U', "pane up", "move the selected pane up", "layout.pane-up", (panes, id) -> panes.move(id, -1));
        pane(
                group,
                'O',
                "pane down",
                "move the selected pane down",
                "layout.pane-down",
                (panes, id) -> panes.move(id, 1));
        pane(
                group,
                'F',
                "pane fold",
                "fold the selected pane to its name, or open it again",
                "layout.fold-the-pane",
                ChartPanes::fold);
        pane(group, 'G', "pane taller", "a taller pane", "layout.higher-pane", (panes, id) -> panes.resize(id, 1));
        pane(group, 'H', "pane shorter", "a shorter pane", "layout.lower-pane", (panes, id) -> panes.resize(id, -1));
        pane(
                group,
                'M',
                "pane maximise",
                "the selected pane has the chart to itself, or shares it again",
                "layout.whole-pane-and-back",
                ChartPanes::maximise);
    }

    private void pane(
            ActionGroup group,
            char key,
            String words,
            String meaning,
            String former,
            BiConsumer<ChartPanes, String> work) {
        group.on(
                        key,
                        words,
                        () -> work.accept(
                                room().panes(), room().panes().inHand().id()))
                .says(words, meaning, words.equals("pane shorter") ? new String[] {"pane lower"} : new String[0])
                .formerly(former);
    }

    private Layouts arranged() {
        return bench.layouts();
    }

    private ChartRoom room() {
        return bench.room();
    }
}
