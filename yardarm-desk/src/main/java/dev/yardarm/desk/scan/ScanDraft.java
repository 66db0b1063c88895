package dev.yardarm.desk.scan;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scan.ScanText;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The scan being written, and what is wrong with it. The condition is there twice, as rows and as the text of a formula; a change of
 * one is at once a change of the other, and while the text cannot be read the rows stay as they were. Used by the interface's
 * thread.
 */
public final class ScanDraft {

    /** What has changed. */
    public enum Change {
        /** The saved scans or the lists. */
        SAVED,
        /** It was replaced. */
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
    private final Listeners<Change> listeners = new Listeners<>();
    private Scan draft;
    private Rule.Group rule = NO_RULE;
    private String problem = "";

    ScanDraft(Desk desk) {
        this.desk = desk;
        take(saved().isEmpty() ? Scan.of("", "", Timeframe.DAY, List.of()) : saved().get(0));
    }

    /** Tells what has changed. */
    public Listening listen(Consumer<Change> listener) {
        return listeners.add(listener);
    }

    void tell(Change change) {
        listeners.tell(change);
    }

    /** The saved scans. */
    public List<Scan> saved() {
        return desk.books().scans();
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
    public Scan scan() {
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

    /** Says what of the scan is at fault; true when all is good. */
    public boolean check() {
        complain(fault());
        return problem.isEmpty();
    }

    /** True when rows and text are good; they differ while the text cannot be read. */
    boolean good() {
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

    /** When the saved scan of the name being written runs by itself; empty for only when asked. */
    public Optional<ScanSchedule.When> schedule() {
        return desk.scanWork().schedule(draft.name()).map(ScanSchedule::when);
    }

    /** Lets the saved scan of the name being written run by itself, or only when asked for null; a step of undo. */
    public void setSchedule(ScanSchedule.When when) {
        if (saved().stream().noneMatch(each -> each.name().equals(draft.name()))) {
            if (when != null) {
                complain("Save the scan first; then it can run by itself.");
            }
            return;
        }
        desk.schedule(draft.name(), when);
        desk.tell(
                when == null
                        ? "'" + draft.name() + "' runs only when asked."
                        : "'" + draft.name() + "' runs " + when.words() + ", " + when.exactly() + ".");
    }

    /** The scan being written, as text. */
    public String text() {
        return ScanText.write(draft);
    }

    /** Deletes a saved scan, and that it runs by itself; a step of undo. */
    public void delete(Scan scan) {
        desk.scanWork().delete(scan.name());
    }

    /** Says what is wrong. */
    void complain(String text) {
        problem = text;
        listeners.tell(Change.WORDS);
    }
}
