package dev.yardarm.desk.scan;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The state of the view Scan: the saved scans, the one being written, what is wrong with it, and what it found last. Follows
 * lists and scans until it is closed. Used by the interface's thread.
 */
public final class ScanDesk implements AutoCloseable {
    /** The column that is a small chart; whoever shows the table draws it. */
    public static final String CHART = "chart";

    /** What has changed. */
    public enum Change {
        /** The saved scans or the lists. */
        SAVED,
        /** The scan being written was replaced. */
        DRAFT,
        /** The problem or the summary. */
        WORDS
    }

    private final Desk desk;
    private final Rows<ScanRunner.Found> found;
    private final Listeners<Change> listeners = new Listeners<>();
    private final Listening heard;
    private Scan draft;
    private String problem = "";
    private String summary = "";
    private Timeframe shownTimeframe = Timeframe.DAY;
    private boolean hasRun;

    public ScanDesk(Desk desk) {
        this.desk = desk;
        found = new Rows<>(
                columns(),
                List.of("code", "name", "last", "change", "bar"),
                row -> row.instrument().id(),
                desk.habits().table("scan"),
                line -> desk.habits().setTable("scan", line));
        draft = saved().isEmpty() ? new Scan("", "", Timeframe.DAY, List.of("")) : saved().get(0);
        heard = desk.books().listen(subject -> {
            if (subject == Books.Subject.SCANS || subject == Books.Subject.LISTS) {
                listeners.tell(Change.SAVED);
            }
        });
    }

    private static List<RowColumn<ScanRunner.Found>> columns() {
        return List.of(
                RowColumn.words("code", "Code", 64, row -> row.instrument().code()),
                RowColumn.words("name", "Name", 128, row -> row.instrument().name()),
                RowColumn.words("sector", "Sector", 120, row -> row.instrument().sector()),
                RowColumn.number(
                        "last",
                        "Last",
                        72,
                        row -> row.instrument().format().format(last(row.bars())),
                        row -> last(row.bars())),
                RowColumn.change(
                        "change",
                        "Change",
                        70,
                        row -> Double.isNaN(change(row.bars())) ? "" : Readout.percent(change(row.bars())),
                        row -> change(row.bars())),
                RowColumn.number(
                        "volume",
                        "Volume",
                        76,
                        row -> Readout.quantity(row.bars().volume(row.bars().size() - 1)),
                        row -> row.bars().volume(row.bars().size() - 1)),
                RowColumn.words("bar", "Bar", 62, row -> row.match() == ScanMatch.PROVISIONAL ? "forming" : "closed"),
                RowColumn.words(CHART, "Last 90 bars", 200, row -> ""));
    }

    private static double last(Bars bars) {
        return bars.close(bars.size() - 1);
    }

    private static double change(Bars bars) {
        int last = bars.size() - 1;
        return last < 1 ? Double.NaN : bars.close(last) / bars.close(last - 1) - 1;
    }

    /** Tells what has changed, besides the rows. */
    public Listening listen(Consumer<Change> listener) {
        return listeners.add(listener);
    }

    /** The saved scans. */
    public List<Scan> saved() {
        return desk.books().scans();
    }

    /** Names of the lists that can be scanned. */
    public List<String> lists() {
        return desk.books().lists().stream().map(NamedList::name).toList();
    }

    /** The scan being written. */
    public Scan draft() {
        return draft;
    }

    /** Opens a scan to be changed and run. */
    public void open(Scan scan) {
        draft = scan;
        problem = "";
        listeners.tell(Change.DRAFT);
        listeners.tell(Change.WORDS);
    }

    /** Takes over what was written. */
    public void write(Scan scan) {
        draft = scan;
    }

    /** What is wrong with the scan being written; empty when nothing is. */
    public String problem() {
        return problem;
    }

    /** What the last run came to, in words. */
    public String summary() {
        return summary;
    }

    /** What the last run found. */
    public Rows<ScanRunner.Found> found() {
        return found;
    }

    /** What an empty table says. */
    public String empty() {
        return hasRun
                ? "Nothing in " + draft.list() + " fits. Loosen a condition or select another list."
                : "Select a scan or write conditions, then Run.\nThe chart of each result shows beside it;\n"
                        + "Enter opens it in the view Chart.";
    }

    /** The timeframe of what was found. */
    public Timeframe timeframe() {
        return shownTimeframe;
    }

    private void complain(String text) {
        problem = text;
        listeners.tell(Change.WORDS);
    }

    /** Says which condition is at fault; true when all are good. */
    public boolean check() {
        int number = 0;
        for (String condition : draft.conditions()) {
            number++;
            if (condition.isBlank()) {
                continue;
            }
            try {
                Formula.parseCondition(condition, desk.language().now());
            } catch (FormulaException bad) {
                complain("Condition " + number + ", " + bad.getMessage());
                return false;
            }
        }
        complain("");
        return true;
    }

    /** The scan being written, without empty conditions. */
    private Scan clean() {
        return new Scan(
                draft.name(),
                draft.list(),
                draft.timeframe(),
                draft.conditions().stream().filter(each -> !each.isBlank()).toList());
    }

    /** Puts a condition in place of the ones there and runs it over a list, on the timeframe of a chart. */
    public void scanFor(String condition, String list, Timeframe timeframe) {
        open(new Scan("", list, timeframe, List.of(condition)));
        run();
    }

    /** Runs the scan being written. */
    public void run() {
        if (!check()) {
            return;
        }
        Scan scan = clean();
        if (scan.conditions().isEmpty()) {
            complain("Write at least one condition, such as close > sma(close, 50).");
            return;
        }
        if (!lists().contains(scan.list())) {
            complain("Select the list to scan.");
            return;
        }
        summary = "Scanning ...";
        listeners.tell(Change.WORDS);
        desk.scan(scan, this::show, failed -> {
            summary = "";
            complain("The scan failed: " + failed.getMessage() + ". Nothing was lost; change it or run it again.");
        });
    }

    private void show(ScanRunner.Result result) {
        hasRun = true;
        shownTimeframe = result.scan().timeframe();
        String missing = result.missing().isEmpty() ? "" : "  Skipped: " + String.join("; ", result.missing());
        summary = result.found().size() + " of " + result.looked() + " match, "
                + result.scan().list() + ", "
                + result.scan().timeframe() + ", as of "
                + Readout.time(result.asOf(), Timeframe.MINUTE, zone(result))
                + "." + missing;
        found.set(result.found());
        found.take(0);
        listeners.tell(Change.WORDS);
    }

    private ZoneId zone(ScanRunner.Result result) {
        return result.found().stream()
                .findFirst()
                .map(ScanRunner.Found::instrument)
                .or(() -> desk.members(result.scan().list()).stream().findFirst())
                .map(each -> desk.calendar(each).zone())
                .orElse(ZoneOffset.UTC);
    }

    /** Saves the scan being written; says what is missing. True when it is saved. */
    public boolean save() {
        Scan scan = clean();
        if (scan.name().isEmpty()) {
            complain("Give the scan a name to save it.");
            return false;
        }
        if (!check()) {
            return false;
        }
        if (scan.conditions().isEmpty()) {
            complain("Write at least one condition to save it.");
            return false;
        }
        desk.scanWork().save(scan);
        desk.tell("The scan '" + scan.name() + "' is saved.");
        return true;
    }

    /** Deletes a saved scan; a step of undo. */
    public void delete(Scan scan) {
        desk.scanWork().delete(scan.name());
    }

    /** The chart of the result in hand. */
    public Optional<Subject> subject() {
        return found.inHand().map(row -> new Subject(row.instrument(), BarRequest.of(shownTimeframe), ""));
    }

    @Override
    public void close() {
        heard.close();
    }
}
