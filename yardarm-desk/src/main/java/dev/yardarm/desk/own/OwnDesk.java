package dev.yardarm.desk.own;

import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Fault;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Highlight;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.own.TextDifference;
import dev.yardarm.core.plain.Interpreter;
import dev.yardarm.core.plain.Reading;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Supplier;

/**
 * What an editor of definitions shows, without a window: the text, what is at fault, the draft tried out on the chart in hand,
 * versions, and what a plain sentence would change. Used by the interface's thread alone.
 *
 * <pre>{@code
 * OwnDesk editing = new OwnDesk(desk, layouts::active, new PlainInterpreter());
 * editing.setText(text);             // tried out on the chart while it is typed
 * editing.save("a note");
 * editing.close();
 * }</pre>
 */
public final class OwnDesk implements AutoCloseable {
    private final Desk desk;
    private final Supplier<ChartRoom> chart;
    private final Interpreter interpreter;
    private ChartRoom triedOn;
    private String text = "";
    private String name = "";
    private String saved = "";
    private List<Fault> faults = List.of();
    private Definition good;
    private String sentence = "";
    private Reading reading;

    /**
     * @param chart the chart in hand
     * @param interpreter reads plain sentences
     */
    public OwnDesk(Desk desk, Supplier<ChartRoom> chart, Interpreter interpreter) {
        this.desk = desk;
        this.chart = chart;
        this.interpreter = interpreter;
    }

    /** The text as it stands. */
    public String text() {
        return text;
    }

    /** The name of the indicator that is edited; empty for a new one. */
    public String name() {
        return name;
    }

    /** True when the text is not what was saved. */
    public boolean isChanged() {
        return !text.equals(saved);
    }

    /** What is at fault, in the order of the text. */
    public List<Fault> faults() {
        return faults;
    }

    /** Where a fault stands, and what it is, in words. */
    public String told(Fault fault) {
        return fault.told(text.indexOf('\n') < 0 ? text + "\n" : text);
    }

    /** Begins a new one with a text, such as an example. */
    public void begin(String first) {
        name = "";
        saved = "";
        reading = null;
        setText(first);
    }

    /** What was written and not saved; empty when all is saved. */
    public String unsaved() {
        return isChanged() ? text : "";
    }

    /** Goes on with what was written and not saved, such as before the application ended. */
    public void resume(String written) {
        OwnIndicator known = desk.ownWork().named(written).orElse(null);
        name = known == null ? "" : known.name();
        saved = known == null ? "" : known.newest().text();
        reading = null;
        setText(written);
    }

    /** Opens the newest text of an indicator of one's own. */
    public void open(String own) {
        desk.ownWork().find(own).ifPresent(found -> {
            name = own;
            saved = found.newest().text();
            reading = null;
            setText(saved);
        });
    }

    /** Takes the text as it is typed, and tries it out; one at fault leaves the last good one on the chart. */
    public void setText(String typed) {
        text = typed;
        read();
    }

    private void read() {
        if (text.isBlank()) {
            faults = List.of();
            good = null;
            tryOut();
            return;
        }
        try {
            good = desk.ownWork().read(text, name);
            faults = List.of();
            tryOut();
        } catch (FormulaException bad) {
            faults = bad.faults();
        }
    }

    /** Tries the draft out on the chart that has come to hand. */
    public void tryOut() {
        ChartRoom now = chart.get();
        if (triedOn != null && triedOn != now) {
            triedOn.tryOut(null);
        }
        triedOn = now;
        now.tryOut(good == null ? null : good.indicator());
    }

    /** The draft as it is tried out; null while there is no good one. */
    public Indicator draft() {
        return good == null ? null : good.indicator();
    }

    /**
     * Saves the text as a version.
     *
     * @throws IllegalArgumentException when it has no name, or one that is not free
     */
    public void save(String note) {
        name = desk.ownWork().save(text, note);
        saved = text;
        read();
    }

    /** Saves the text and puts the indicator on the chart in hand, unless it is there. */
    public void putOnChart(String note) {
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException("it has " + faults.size() + (faults.size() == 1 ? " fault" : " faults")
                    + "; mend the text first, then put it on the chart");
        }
        if (isChanged() || name.isEmpty()) {
            save(note);
        }
        ChartRoom room = chart.get();
        desk.language().catalogue().find(name).ifPresent(made -> {
            if (room.chart().indicators().stream()
                    .noneMatch(each -> each.indicator().name().equals(name))) {
                room.indicators().add(made, Settings.standard(made));
            }
        });
    }

    /** The versions of what is edited, the newest first. */
    public List<OwnIndicator.Version> versions() {
        return desk.ownWork()
                .find(name)
                .map(own -> {
                    List<OwnIndicator.Version> all = new ArrayList<>(own.versions());
                    Collections.reverse(all);
                    return all;
                })
                .orElse(List.of());
    }

    /** A version beside the text as it stands. */
    public List<TextDifference.Row> beside(OwnIndicator.Version version) {
        return TextDifference.of(version.text(), text);
    }

    /** Takes a version's text back into the editor; saved, it is a further version. */
    public void bringBack(OwnIndicator.Version version) {
        setText(version.text());
    }

    // --- plain sentences ---

    /** Reads a sentence; what it would change is shown before it is taken. */
    public Reading say(String said) {
        sentence = said;
        reading = interpreter.read(said, text, desk.ownWork().state().language());
        return reading;
    }

    /** What the last sentence was understood as; null when none waits. */
    public Reading reading() {
        return reading;
    }

    /** The change the last sentence would make, line by line. */
    public List<TextDifference.Row> proposed() {
        return reading == null ? List.of() : TextDifference.of(text, reading.text());
    }

    /** Takes the change of the last sentence. */
    public void take() {
        if (reading != null && reading.changes(text)) {
            String taken = reading.text();
            reading = null;
            setText(taken);
        }
    }

    /** Lets the last sentence be. */
    public void leave() {
        reading = null;
    }

    /** The last sentence. */
    public String sentence() {
        return sentence;
    }

    // --- help while typing ---

    /** The kinds of the words of the text. */
    public List<Highlight.Piece> pieces() {
        return Highlight.of(text, desk.ownWork().state().language());
    }

    /** What may stand at a place, the likeliest first. */
    public List<Completion> completions(int caret) {
        return Completion.at(
                text, caret, desk.ownWork().state().language(), start -> desk.directory().search(start, 20).stream()
                        .map(each -> each.code())
                        .toList());
    }

    /** What stands at a place, in words. */
    public String help(int caret) {
        return Completion.help(text, caret, desk.ownWork().state().language());
    }

    /** Takes the draft off the chart. */
    @Override
    public void close() {
        if (triedOn != null) {
            triedOn.tryOut(null);
            triedOn = null;
        }
    }
}
