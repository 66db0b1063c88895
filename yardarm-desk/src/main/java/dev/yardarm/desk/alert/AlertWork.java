package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.command.UndoStack;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.LongSupplier;

/** Sets alerts and takes them away; each change is a step of undo. What cannot be done is told. Used by the interface's thread. */
public final class AlertWork {
    private final Books books;
    private final UndoStack undo;
    private final LongSupplier now;
    private final Consumer<String> tell;

    /** @param now what time it is in the market */
    public AlertWork(Books books, UndoStack undo, LongSupplier now, Consumer<String> tell) {
        this.books = books;
        this.undo = undo;
        this.now = now;
        this.tell = tell;
    }

    /**
     * Sets an alert on a drawing; says so, or what is missing.
     *
     * @param shown the drawing in prices of now
     * @param level its price now; NaN when it has none
     * @param last the last price
     */
    public void set(
            Instrument instrument,
            Drawing shown,
            Alert.Trigger trigger,
            Timeframe timeframe,
            double level,
            double last) {
        if (Double.isNaN(level)) {
            tell.accept(shown.title() + " has no price an alert could wait for; select a level, a line or a zone.");
            return;
        }
        boolean already = books.alerts().stream()
                .anyMatch(alert -> books.waits(alert)
                        && alert.instrument().equals(instrument.id())
                        && alert.drawing().equals(shown.id())
                        && alert.trigger() == trigger);
        if (already) {
            tell.accept("This alert is set already. Watch shows all that are set.");
            return;
        }
        Alert alert =
                new Alert(newId(), instrument.id(), shown.id(), trigger, timeframe, last > level, now.getAsLong());
        undo.execute(books.alertShelf().change("set an alert", all -> {
            List<Alert> more = new ArrayList<>(all);
            more.add(alert);
            return more;
        }));
        tell.accept("Alert set on " + instrument.code() + ": when " + trigger.words() + ", at "
                + instrument.format().format(level) + ".");
    }

    /**
     * Sets an alert on a condition for each of some instruments, one step of undo; says so, or what is missing.
     *
     * @param timeframe of the bars at whose close it is looked at
     * @return how many were set
     */
    public int setOn(List<Instrument> instruments, String condition, Timeframe timeframe, Language language) {
        String text;
        try {
            text = Formula.parseCondition(condition, language).canonical();
        } catch (FormulaException bad) {
            tell.accept("An alert needs a condition: " + bad.getMessage());
            return 0;
        }
        List<Alert> made = instruments.stream()
                .map(Instrument::id)
                .distinct()
                .filter(id -> !waitsOn(id, text, timeframe))
                .map(id -> Alert.onCondition(newId(), id, text, timeframe, now.getAsLong()))
                .toList();
        if (made.isEmpty()) {
            tell.accept(
                    instruments.isEmpty()
                            ? "There is no instrument to set an alert on."
                            : "This alert is set already. Watch shows all that are set.");
            return 0;
        }
        undo.execute(books.alertShelf().change(made.size() == 1 ? "set an alert" : "set alerts", all -> {
            List<Alert> more = new ArrayList<>(all);
            more.addAll(made);
            return more;
        }));
        String on =
                made.size() == 1 ? "Alert set on " + made.get(0).instrument().code() : made.size() + " alerts set";
        tell.accept(on + ": when a bar of " + timeframe + " closes on which " + text + " begins to hold.");
        return made.size();
    }

    /**
     * Sets an alert on the next large trade; a step of undo. Says so.
     *
     * @param together microseconds within which prints of one side are one
     */
    public void setOnTrade(Instrument instrument, double size, long together, Timeframe timeframe) {
        if (!(size > 0)) {
            tell.accept("An alert on a large trade needs a size above zero: every trade is as large as 0.");
            return;
        }
        Alert alert = Alert.onTrade(newId(), instrument.id(), size, together, timeframe, now.getAsLong());
        boolean already = books.alerts(instrument.id()).stream()
                .anyMatch(each -> each.on().equals(alert.on()) && books.waits(each));
        if (already) {
            tell.accept("This alert is set already. Watch shows all that are set.");
            return;
        }
        undo.execute(books.alertShelf().change("set an alert", all -> {
            List<Alert> more = new ArrayList<>(all);
            more.add(alert);
            return more;
        }));
        tell.accept(
                "Alert set on " + instrument.code() + ": at once with " + ((Alert.On.Traded) alert.on()).words() + ".");
    }

    private boolean waitsOn(InstrumentId instrument, String condition, Timeframe timeframe) {
        return books.alerts(instrument).stream()
                .anyMatch(alert -> alert.condition().equals(condition)
                        && alert.timeframe().equals(timeframe)
                        && books.waits(alert));
    }

    private static String newId() {
        return UUID.randomUUID().toString().substring(0, 8);
    }

    /** Takes an alert away, waiting or fired; the record of its firings stays. */
    public void remove(String id) {
        undo.execute(books.alertShelf().change("remove an alert", all -> all.stream()
                .filter(each -> !each.id().equals(id))
                .toList()));
    }

    /** Takes a firing out of the record, and its alert when it has not been armed again; one step of undo. */
    public void remove(Firing firing) {
        undo.together("remove a firing", () -> {
            undo.execute(books.firingShelf().change("remove a firing", all -> all.stream()
                    .filter(each -> !each.equals(firing))
                    .toList()));
            undo.execute(books.alertShelf().change("remove an alert", all -> all.stream()
                    .filter(each -> !each.id().equals(firing.alert()) || each.setAt() != firing.setAt())
                    .toList()));
        });
    }

    /** The step that takes the waiting alerts on drawings away with them; nothing to do when there are none. */
    public Command removeWith(InstrumentId instrument, Set<String> drawings) {
        return books.alertShelf().change("remove alerts", all -> all.stream()
                .filter(alert -> !books.waits(alert)
                        || !alert.instrument().equals(instrument)
                        || !drawings.contains(alert.drawing()))
                .toList());
    }

    /**
     * Waiting alerts on a drawing that was moved wait anew, from where price stands now.
     *
     * @param level price of the drawing now
     */
    public void rearm(InstrumentId instrument, String drawing, double level, double price) {
        for (Alert alert : books.alerts(instrument)) {
            if (alert.drawing().equals(drawing) && books.waits(alert)) {
                books.alertShelf().put(alert.armed(now.getAsLong(), price > level));
            }
        }
    }

    /** True when an alert waits on a drawing. */
    public boolean waitsOn(InstrumentId instrument, String drawing) {
        return books.alerts(instrument).stream()
                .anyMatch(alert -> alert.drawing().equals(drawing) && books.waits(alert));
    }
}
