package dev.yardarm.app.window;

import dev.yardarm.app.chart.ChartOutput;
import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.book.Overwriting;
import dev.yardarm.desk.line.Hands;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.input.Clipboard;

/** The window as what carries out lines. */
final class WindowHands implements Hands {
    private final WindowParts parts;
    private final Workbench bench;
    private final KeyFile keys;
    private final Consumer<String> scan;
    private final Consumer<Scan> open;
    private final Consumer<Path> export;
    private final Overwriting overwriting;

    /**
     * @param scan scans the list gone through for a condition
     * @param open runs a scan
     * @param export writes the workspace as it is now into a file
     */
    WindowHands(WindowParts parts, KeyFile keys, Consumer<String> scan, Consumer<Scan> open, Consumer<Path> export) {
        this.parts = parts;
        this.keys = keys;
        this.scan = scan;
        this.open = open;
        this.export = export;
        bench = parts.bench();
        overwriting = new Overwriting(System::nanoTime, text -> bench.desk().tell(text));
    }

    @Override
    public Desk desk() {
        return bench.desk();
    }

    @Override
    public Layouts layouts() {
        return bench.layouts();
    }

    @Override
    public Optional<Instrument> instrument() {
        return parts.instrument();
    }

    @Override
    public Timeframe timeframe() {
        return parts.timeframe().orElseGet(Hands.super::timeframe);
    }

    @Override
    public void go(View view) {
        bench.go(view);
    }

    @Override
    public void setTextSize(int percent) {
        bench.setTextSize(percent);
    }

    @Override
    public void scanFor(String condition) {
        scan.accept(condition);
    }

    @Override
    public void openScan(Scan wanted, boolean ships) {
        open.accept(ships ? wanted.over(Universe.of(bench.room().listName())) : wanted);
    }

    @Override
    public void evidenceOf(String condition) {
        bench.evidence(condition);
    }

    @Override
    public void intake(List<Path> files) {
        bench.intake(files);
    }

    @Override
    public void changeKey(String action, String key) {
        keys.change(action, key);
    }

    @Override
    public boolean mayWrite(Path file) {
        return overwriting.mayWrite(file);
    }

    @Override
    public void saveChart(Path file) {
        new ChartOutput(room(), parts.page().chart(), bench).save(file);
    }

    @Override
    public void exportWorkspace(Path file) {
        export.accept(file);
    }

    @Override
    public void board(List<String> lists, boolean wall) {
        parts.watch().board().setLists(lists);
        parts.watch().show(wall ? WatchPages.Page.WALL : WatchPages.Page.BOARD);
        bench.go(View.WATCH);
    }

    @Override
    public void boardColumn(String formula) {
        String problem = parts.watch().board().addFormula(formula);
        if (!problem.isEmpty()) {
            bench.desk().tell("The column was not added: " + problem);
            return;
        }
        parts.watch().show(WatchPages.Page.BOARD);
        bench.go(View.WATCH);
    }

    @Override
    public String clipboard() {
        String text = Clipboard.getSystemClipboard().getString();
        return text == null ? "" : text;
    }

    @Override
    public void pasteList(String text) {
        parts.page().lists().paste(text);
    }
}
