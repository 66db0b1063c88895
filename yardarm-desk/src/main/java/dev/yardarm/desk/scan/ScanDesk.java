package dev.yardarm.desk.scan;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanText;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.text.TextFile;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import dev.yardarm.desk.work.Lane;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The state of the view Scan: the saved scans, the one being written, what is wrong with it, and what it found last. The condition is
 * there twice, as rows and as the text of a formula; a change of one is at once a change of the other, and while the text cannot be read
 * the rows stay as they were. Follows lists and scans until it is closed. Used by the interface's thread.
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
        /** The rows of the condition, by a change of its text. */
        RULE,
        /** The text of the condition, by a change of its rows. */
        TEXT,
        /** The problem or the summary. */
        WORDS
    }

    private static final Rule.Group NO_RULE = Rule.Group.all(List.of(Rule.Statement.of("")));

    private final Desk desk;
    private final Rows<ScanRunner.Found> found;
    private final Listeners<Change> listeners = new Listeners<>();
    private final Listening heard;
    private Scan draft;
    private Rule.Group rule = NO_RULE;
    private LocalDate day;
    private String problem = "";
    private String summary = "";
    private Timeframe shownTimeframe = Timeframe.DAY;
    private ScanRunner.Result result;
    /** What was found now and not by the run before. */
    private Set<InstrumentId> fresh = Set.of();

    public ScanDesk(Desk desk) {
        this.desk = desk;
        found = new Rows<>(
                columns(),
                List.of("code", "last", "change", "bar", "by", "decided"),
                row -> row.instrument().id(),
                desk.habits().table("scan"),
                line -> desk.habits().setTable("scan", line));
        take(saved().isEmpty() ? Scan.of("", "", Timeframe.DAY, List.of()) : saved().get(0));
        heard = desk.books().listen(subject -> {
            if (subject == Books.Subject.SCANS || subject == Books.Subject.LISTS) {
                listeners.tell(Change.SAVED);
            }
        });
    }

    private List<RowColumn<ScanRunner.Found>> columns() {
        List<RowColumn<ScanRunner.Found>> columns = new ArrayList<>(List.of(
                RowColumn.words("code", "Code", 64, row -> row.instrument().code()),
                RowColumn.words("name", "Name", 128, row -> row.instrument().name()),
                RowColumn.words("sector", "Sector", 120, row -> row.instrument().sector()),
                RowColumn.words("stance", "Stance", 64, row -> stance(row.instrument())),
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
                RowColumn.words("bar", "Bar", 62, row -> switch (row.match()) {
                    case YES -> "closed";
                    case PROVISIONAL -> "forming";
                    case NO -> "misses";
                }),
                RowColumn.words(
                        "new", "New", 44, row -> fresh.contains(row.instrument().id()) ? "new" : ""),
                RowColumn.number(
                        "rank", "Order", 70, row -> Reasons.number(row.outcome().rank()), row -> row.outcome()
                                .rank()),
                RowColumn.number("by", "By", 60, row -> Reasons.byHowMuch(row.outcome()), row -> row.outcome()
                        .score()),
                RowColumn.words(
                        "decided",
                        "Decided by",
                        170,
                        row -> result == null ? "" : Reasons.decided(result.terms(), row.outcome())),
                RowColumn.words(CHART, "Last 90 bars", 200, row -> "")));
        List<String> formulas = result == null ? List.of() : result.scan().columns();
        for (int number = 0; number < formulas.size(); number++) {
            int at = number;
            columns.add(RowColumn.number(
                    "formula-" + (at + 1),
                    formulas.get(at),
                    90,
                    row -> Reasons.number(row.outcome().columns()[at]),
                    row -> row.outcome().columns()[at]));
        }
        return columns;
    }

    private String stance(Instrument of) {
        Stance taken = desk.books().stance(of.id());
        return taken.kind() == Stance.Kind.NONE ? "" : taken.kind().word();
    }

    private static double last(Bars bars) {
        return bars.close(bars.size() - 1);
    }

    private static double change(Bars bars) {
        int last = bars.size() - 1;
        return last < 1 ? Double.NaN : bars.close(last) / bars.close(last - 1) - 1;
    }

    /** Tells what has changed, besides the rows of the table. */
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

    /** Names of the sectors there are. */
    public List<String> sectors() {
        return words(Instrument::sector);
    }

    /** Names of the tiers there are. */
    public List<String> tiers() {
        return words(Instrument::tier);
    }

    private List<String> words(Function<Instrument, String> of) {
        return desk.directory().all().stream()
                .map(of)
                .filter(each -> !each.isEmpty())
                .distinct()
                .sorted()
                .toList();
    }

    /** Codes of the indices there are. */
    public List<String> indices() {
        return desk.directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.INDEX)
                .map(Instrument::code)
                .toList();
    }

    /** What fits in a formula at a place, the likeliest first. */
    public List<Completion> proposals(String text, int caret) {
        // A formula stands behind a word of a definition: at the start of a line such words are proposed.
        String before = "line ";
        return Completion.at(
                        before + text,
                        caret + before.length(),
                        desk.language().now(),
                        start -> desk.directory().search(start, 20).stream()
                                .map(Instrument::code)
                                .toList())
                .stream()
                .map(each -> new Completion(each.text(), each.kind(), each.help(), each.from() - before.length()))
                .toList();
    }

    /** The scan being written. */
    public Scan draft() {
        return draft;
    }

    /** The condition being written, as rows. */
    public Rule.Group rule() {
        return rule;
    }

    private void take(Scan scan) {
        draft = scan;
        rule = NO_RULE;
        if (!scan.condition().isBlank()) {
            try {
                rule = Rule.read(scan.condition(), desk.language().now());
                draft = scan.with(text(rule));
            } catch (FormulaException unread) {
                rule = Rule.Group.all(List.of(Rule.Statement.of(scan.condition())));
            }
        }
    }

    /** Opens a scan to be changed and run. */
    public void open(Scan scan) {
        take(scan);
        problem = "";
        listeners.tell(Change.DRAFT);
        listeners.tell(Change.WORDS);
    }

    /** Takes over everything but the condition. */
    public void write(String name, Universe universe, Timeframe timeframe, String rank, List<String> columns) {
        draft = new Scan(name, draft.purpose(), draft.note(), universe, timeframe, draft.condition(), rank, columns);
    }

    /** Takes over the rows of the condition; its text follows. */
    public void setRule(Rule.Group rows) {
        rule = rows;
        draft = draft.with(text(rows));
        check();
        listeners.tell(Change.TEXT);
    }

    /** What a text says when it is a condition by itself: its statements. Empty when it cannot be read. */
    public Optional<Rule.Group> ruleOf(String text) {
        try {
            return Optional.of(Rule.read(text, desk.language().now()));
        } catch (FormulaException unread) {
            return Optional.empty();
        }
    }

    /** The canonical text of rows; as it is while it cannot be read. */
    private String text(Rule.Group rows) {
        String text = rows.text();
        try {
            return text.isBlank()
                    ? ""
                    : Formula.parse(text, desk.language().now()).canonical();
        } catch (FormulaException unfinished) {
            return text;
        }
    }

    /** Takes over the text of the condition; its rows follow when it can be read. */
    public void setText(String text) {
        if (text.strip().equals(draft.condition().strip())) {
            return;
        }
        draft = draft.with(text.strip());
        try {
            rule = text.isBlank()
                    ? NO_RULE
                    : Rule.read(draft.condition(), desk.language().now());
            listeners.tell(Change.RULE);
            check();
        } catch (FormulaException unread) {
            complain(unread.getMessage());
        }
    }

    /** What is wrong with the scan being written; empty when nothing is. */
    public String problem() {
        return problem;
    }

    /** What the last run came to, in words. */
    public String summary() {
        return summary;
    }

    /** What the last run found; the nearest misses when it found nothing. */
    public Rows<ScanRunner.Found> found() {
        return found;
    }

    /** Why the row in hand is there: a line for each statement. */
    public List<String> reasons() {
        return result == null
                ? List.of()
                : found.inHand()
                        .map(row -> Reasons.all(result.terms(), row.outcome()))
                        .orElse(List.of());
    }

    /** What an empty table says. */
    public String empty() {
        return result != null
                ? "Nothing in " + result.scan().universe().words() + " could be looked at."
                : "Select a scan or say what to look for, then Run.\nThe chart of each result shows beside it;\n"
                        + "Enter opens it in the view Chart.";
    }

    /** The timeframe of what was found. */
    public Timeframe timeframe() {
        return shownTimeframe;
    }

    /** The past day that is scanned; empty for now. */
    public Optional<LocalDate> day() {
        return Optional.ofNullable(day);
    }

    /** Scans as of the end of a day from now on; null for the present. */
    public void setDay(LocalDate past) {
        day = past;
    }

    private void complain(String text) {
        problem = text;
        listeners.tell(Change.WORDS);
    }

    /** Says what of the scan is at fault; true when all is good. */
    public boolean check() {
        complain(fault());
        return problem.isEmpty();
    }

    /** True when rows and text are good; they differ while the text cannot be read. */
    private boolean good() {
        if (!draft.condition().isBlank()
                && ruleOf(draft.condition()).isEmpty()
                && !text(rule).equals(draft.condition())) {
            try {
                Rule.read(draft.condition(), desk.language().now());
            } catch (FormulaException bad) {
                complain(bad.getMessage());
            }
            return false;
        }
        return check();
    }

    private String fault() {
        int number = 0;
        for (Rule.Statement each : rule.statements()) {
            number++;
            if (each.what().isBlank()) {
                continue;
            }
            if (!each.how().isComplete() && each.against().isBlank()) {
                return "Row " + number + " says that " + each.what() + " "
                        + each.how().words() + "; say against what.";
            }
            try {
                Formula.parseCondition(each.text(), desk.language().now());
            } catch (FormulaException bad) {
                return "Row " + number + ", " + bad.getMessage();
            }
        }
        try {
            if (!draft.condition().isBlank()) {
                draft.read(desk.language().now());
            }
            return "";
        } catch (IllegalArgumentException bad) {
            return bad.getMessage();
        }
    }

    /** Puts a condition in place of the one there and runs it over a list, on the timeframe of a chart. */
    public void scanFor(String condition, String list, Timeframe timeframe) {
        open(Scan.of("", list, timeframe, List.of(condition)));
        run();
    }

    /** Runs the scan being written. */
    public void run() {
        if (!good()) {
            return;
        }
        if (draft.condition().isBlank()) {
            complain("Write at least one condition, such as close > sma(close, 50).");
            return;
        }
        summary = "Scanning ...";
        listeners.tell(Change.WORDS);
        desk.scan(draft, day == null ? 0 : before(), this::show, failed -> {
            summary = "";
            complain("The scan failed: " + failed.getMessage() + ". Nothing was lost; change it or run it again.");
        });
    }

    /** The end of the past day. */
    private long before() {
        return Times.micros(day.plusDays(1).atStartOfDay(marketZone()).toInstant());
    }

    private ZoneId marketZone() {
        return desk.directory().all().stream()
                .findFirst()
                .map(each -> desk.calendar(each).zone())
                .orElse(ZoneOffset.UTC);
    }

    private void show(ScanRunner.Result came) {
        result = came;
        if (came.looked() == 0) {
            summary = "";
            complain("There is nothing to look at"
                    + (came.missing().isEmpty() ? "" : ": " + String.join("; ", came.missing())) + ".");
            return;
        }
        shownTimeframe = came.scan().timeframe();
        String since = compare(came);
        boolean misses = came.found().isEmpty() && !came.nearest().isEmpty();
        String skipped = came.missing().isEmpty() ? "" : "  Skipped: " + String.join("; ", came.missing());
        summary = came.found().size() + " of " + came.looked() + " match, "
                + came.scan().universe().words() + ", "
                + came.scan().timeframe() + ", as of "
                + (day == null ? Readout.time(came.asOf(), Timeframe.MINUTE, zone(came)) : "the end of " + day)
                + "." + since + (misses ? "  The nearest misses:" : "") + skipped;
        found.setColumns(columns());
        List<String> extra = found.columns().stream()
                .map(RowColumn::id)
                .filter(id -> id.startsWith("formula-") && !found.isShown(id))
                .toList();
        extra.forEach(id -> found.show(id, true));
        if (!fresh.isEmpty()) {
            found.show("new", true);
        }
        found.set(misses ? came.nearest() : came.found());
        found.take(0);
        listeners.tell(Change.WORDS);
    }

    /** Keeps what a saved scan found now, and says what is new and what is gone since the run before. */
    private String compare(ScanRunner.Result came) {
        fresh = Set.of();
        String name = came.scan().name();
        boolean saved = saved().stream().anyMatch(each -> each.name().equals(name));
        if (day != null || !saved) {
            return "";
        }
        List<InstrumentId> found =
                came.found().stream().map(each -> each.instrument().id()).toList();
        ScanRun before = desk.scanWork()
                .keep(new ScanRun(name, came.asOf(), came.scan().condition(), came.looked(), found))
                .orElse(null);
        if (before == null) {
            return "";
        }
        Set<InstrumentId> more = new HashSet<>(found);
        before.found().forEach(more::remove);
        fresh = more;
        List<String> gone = before.found().stream()
                .filter(each -> !found.contains(each))
                .map(InstrumentId::code)
                .toList();
        return "  Since " + Readout.time(before.at(), Timeframe.MINUTE, marketZone()) + ": " + more.size() + " new"
                + (gone.isEmpty() ? "" : ", gone " + String.join(", ", gone)) + ".";
    }

    private ZoneId zone(ScanRunner.Result of) {
        return of.found().stream()
                .map(each -> desk.calendar(each.instrument()).zone())
                .findFirst()
                .orElseGet(this::marketZone);
    }

    /** Saves the scan being written; says what is missing. True when it is saved. */
    public boolean save() {
        if (draft.name().isEmpty()) {
            complain("Give the scan a name to save it.");
            return false;
        }
        if (!good()) {
            return false;
        }
        if (draft.condition().isBlank()) {
            complain("Write at least one condition to save it.");
            return false;
        }
        desk.scanWork().save(draft);
        desk.tell("The scan '" + draft.name() + "' is saved.");
        return true;
    }

    /** The scan being written, as text. */
    public String text() {
        return ScanText.write(draft);
    }

    /** Makes a list of what was found, in the order of the table; a step of undo. */
    public void saveAsList() {
        List<InstrumentId> found =
                this.found.rows().stream().map(row -> row.instrument().id()).toList();
        if (result == null || result.found().isEmpty()) {
            desk.tell("There is nothing to make a list of: run a scan that finds something.");
            return;
        }
        String name = result.scan().name().isEmpty() ? "Found" : result.scan().name();
        desk.tell("The list '" + desk.listWork().make(name, found) + "' has what was found.");
    }

    /** Sets an alert on each row of the table, for when a bar closes on which the condition begins to hold; a step of undo. */
    public void setAlerts() {
        if (result == null || found.rows().isEmpty()) {
            desk.tell("There is nothing to set alerts on: run a scan first.");
            return;
        }
        desk.alertWork()
                .setOn(
                        found.rows().stream().map(ScanRunner.Found::instrument).toList(),
                        result.scan().condition(),
                        result.scan().timeframe(),
                        desk.language().now());
    }

    /** Writes the table as CSV, with the columns that are shown; behind, whole or not at all, and told. */
    public void export(Path file) {
        StringBuilder csv = new StringBuilder();
        List<RowColumn<ScanRunner.Found>> shown = found.shown().stream()
                .filter(column -> !column.id().equals(CHART))
                .toList();
        csv.append(line(shown.stream().map(RowColumn::title).toList()));
        for (ScanRunner.Found row : found.rows()) {
            csv.append(
                    line(shown.stream().map(column -> column.text().apply(row)).toList()));
        }
        byte[] content = csv.toString().getBytes(StandardCharsets.UTF_8);
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "save " + file,
                        "",
                        job -> {
                            TextFile.write(file, content);
                            return file;
                        },
                        done -> desk.tell("Saved: " + file),
                        failed -> desk.tell(file + " cannot be written: " + failed.getMessage()));
    }

    private static String line(List<String> cells) {
        return cells.stream()
                        .map(each -> each.matches("[^\",\\r\\n]*") ? each : '"' + each.replace("\"", "\"\"") + '"')
                        .collect(Collectors.joining(","))
                + "\n";
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
