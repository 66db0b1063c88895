package dev.yardarm.desk.scan;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.data.text.Cells;
import dev.yardarm.data.text.TextFile;
import dev.yardarm.desk.Desk;
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
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/**
 * The state of the view Scan: the scan being written, what it found last, and what is done with that. Follows scans, lists, stances and
 * past runs until it is closed. Used by the interface's thread.
 */
public final class ScanDesk implements AutoCloseable {
    /** The column that is a small chart; whoever shows the table draws it. */
    public static final String CHART = "chart";

    private static final String GROUPING = "scan-grouping";

    private final Desk desk;
    private final ScanDraft draft;
    private final Rows<ScanRunner.Found> found;
    private final ScanColumns columns;
    private final Listening heard;
    private LocalDate day;
    private String summary = "";
    private Timeframe shownTimeframe = Timeframe.DAY;
    private ScanRunner.Result result;
    private Indicator lines;
    /** What was found now and not by the run before. */
    private Set<InstrumentId> fresh = Set.of();

    public ScanDesk(Desk desk) {
        this.desk = desk;
        draft = new ScanDraft(desk);
        columns = new ScanColumns(desk, () -> result, id -> fresh.contains(id));
        found = new Rows<>(
                columns.all(),
                List.of("code", "last", "change", "bar", "by", "decided"),
                row -> row.instrument().id(),
                desk.habits().table("scan"),
                line -> desk.habits().setTable("scan", line));
        if (desk.habits().table(GROUPING).equals("sector")) {
            found.group(row -> row.instrument().sector());
        }
        heard = desk.books().listen(subject -> {
            switch (subject) {
                case SCANS, LISTS, SCAN_SCHEDULES -> draft.tell(ScanDraft.Change.SAVED);
                case SCAN_RUNS -> draft.tell(ScanDraft.Change.WORDS);
                case STANCES -> found.setColumns(columns.all());
                default -> {}
            }
        });
    }

    /** The scan being written. */
    public ScanDraft draft() {
        return draft;
    }

    /** What a universe is put together from. */
    public ScanChoices choices() {
        return new ScanChoices(desk);
    }

    /** Tells what has changed, besides the rows of the table. */
    public Listening listen(Consumer<ScanDraft.Change> listener) {
        return draft.listen(listener);
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

    /** Puts a condition in place of the one there and runs it over a list, on the timeframe of a chart. */
    public void scanFor(String condition, String list, Timeframe timeframe) {
        draft.open(Scan.of("", list, timeframe, List.of(condition)));
        run();
    }

    /** Opens a scan and runs it. */
    public void runScan(Scan scan) {
        draft.open(scan);
        run();
    }

    /** Runs the scan being written. */
    public void run() {
        run(day == null ? 0 : before());
    }

    /** Looks once more at what a run found: the scan as it was then, from its moment, over the universe as it is now. */
    public void look(ScanRun run) {
        draft.open(draft.scan().named(run.scan()).with(run.condition()));
        run(run.at());
    }

    private void run(long before) {
        if (!draft.good()) {
            return;
        }
        if (draft.scan().condition().isBlank()) {
            draft.complain("Write at least one condition, such as close > sma(close, 50).");
            return;
        }
        summary = "Scanning ...";
        draft.tell(ScanDraft.Change.WORDS);
        desk.scan(draft.scan(), before, came -> show(came, before), failed -> {
            summary = "";
            draft.complain(
                    "The scan failed: " + failed.getMessage() + ". Nothing was lost; change it or run it again.");
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

    private void show(ScanRunner.Result came, long before) {
        result = came;
        if (came.looked() == 0) {
            summary = "";
            draft.complain("There is nothing to look at"
                    + (came.missing().isEmpty() ? "" : ": " + String.join("; ", came.missing())) + ".");
            return;
        }
        shownTimeframe = came.scan().timeframe();
        lines = linesOf(came);
        String since = before == 0 ? compare(came) : "";
        boolean misses = came.found().isEmpty() && !came.nearest().isEmpty();
        String skipped = came.missing().isEmpty() ? "" : "  Skipped: " + String.join("; ", came.missing());
        summary = came.found().size() + " of " + came.looked() + " match, "
                + came.scan().universe().words() + ", "
                + came.scan().timeframe() + ", as of "
                + (day == null ? time(came.asOf(), zone(came)) : "the end of " + day)
                + "." + since + (misses ? "  The nearest misses:" : "") + skipped;
        found.setColumns(columns.all());
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
        draft.tell(ScanDraft.Change.WORDS);
    }

    /** Keeps what a saved scan found now, and says what is new and what is gone since the run before. */
    private String compare(ScanRunner.Result came) {
        fresh = Set.of();
        String name = came.scan().name();
        if (draft.saved().stream().noneMatch(each -> each.name().equals(name))) {
            return "";
        }
        ScanRun now = desk.scanWork().keep(came);
        ScanRun before = desk.scanWork().before(now).orElse(null);
        if (before == null) {
            return "";
        }
        fresh = Set.copyOf(now.newSince(before));
        List<InstrumentId> gone = now.goneSince(before);
        return "  Since " + time(before.at(), marketZone()) + ": " + fresh.size() + " new"
                + (gone.isEmpty() ? "" : ", gone " + codes(gone)) + ".";
    }

    private static String codes(List<InstrumentId> ids) {
        return ids.stream().map(InstrumentId::code).collect(Collectors.joining(", "));
    }

    private static String time(long moment, ZoneId zone) {
        return Readout.time(moment, Timeframe.MINUTE, zone);
    }

    private ZoneId zone(ScanRunner.Result of) {
        return of.found().stream()
                .map(each -> desk.calendar(each.instrument()).zone())
                .findFirst()
                .orElseGet(this::marketZone);
    }

    /** What the saved scan of the name being written found at earlier times, the newest first. */
    public List<ScanRun> runs() {
        return desk.scanWork().runs(draft.scan().name());
    }

    /** A run in words: when, how many, and what is new and gone since the one before. */
    public String words(ScanRun run) {
        ScanRun before = desk.scanWork().before(run).orElse(null);
        List<InstrumentId> fresh = before == null ? List.of() : run.newSince(before);
        List<InstrumentId> gone = before == null ? List.of() : run.goneSince(before);
        return time(run.at(), marketZone()) + ": " + run.found().size() + " of " + run.looked()
                + (fresh.isEmpty() ? "" : ", new " + codes(fresh))
                + (gone.isEmpty() ? "" : ", gone " + codes(gone));
    }

    /** True while results are put together by sector. */
    public boolean isBySector() {
        return found.isGrouped();
    }

    /** Puts results together by sector, or leaves them as they are sorted; kept. */
    public void setBySector(boolean on) {
        found.group(on ? row -> row.instrument().sector() : null);
        desk.habits().setTable(GROUPING, on ? "sector" : "");
    }

    /** Makes a list of what was found, in the order of the table; a step of undo. */
    public void saveAsList() {
        if (result == null || result.found().isEmpty()) {
            desk.tell("There is nothing to make a list of: run a scan that finds something.");
            return;
        }
        String name = result.scan().name().isEmpty() ? "Found" : result.scan().name();
        desk.tell("The list '"
                + desk.listWork()
                        .make(name, instruments().stream().map(Instrument::id).toList()) + "' has what was found.");
    }

    private List<Instrument> instruments() {
        return found.rows().stream().map(ScanRunner.Found::instrument).toList();
    }

    /** Sets an alert on each row of the table, for when a bar closes on which the condition begins to hold; a step of undo. */
    public void setAlerts() {
        if (result == null || found.rows().isEmpty()) {
            desk.tell("There is nothing to set alerts on: run a scan first.");
            return;
        }
        setAlerts(instruments());
    }

    /** Sets such an alert on one of what was found. */
    public void setAlert(Instrument on) {
        if (result != null) {
            setAlerts(List.of(on));
        }
    }

    private void setAlerts(List<Instrument> on) {
        desk.alertWork()
                .setOn(
                        on,
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
        return cells.stream().map(Cells::of).collect(Collectors.joining(",")) + "\n";
    }

    /** What the scan speaks of that can be drawn over the bars of a chart, and a mark where it fits; null before it found anything. */
    public Indicator lines() {
        return lines;
    }

    private Indicator linesOf(ScanRunner.Result came) {
        StringBuilder text = new StringBuilder("define \"The scan\" in price\n");
        for (String line : came.terms().lines()) {
            text.append("line ")
                    .append(line)
                    .append(" \"")
                    .append(line.replace("\"", "'"))
                    .append("\"\n");
        }
        text.append("marker up \"fits\" when ").append(came.scan().condition()).append('\n');
        try {
            return Definition.parse(text.toString(), desk.language().now()).indicator();
        } catch (FormulaException unread) {
            // The scan is longer than a definition may be, or speaks of what has gone meanwhile.
            return null;
        }
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
