package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.alert.Wait;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.Diary;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.Directory;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/** Sets alerts and takes them away; each change is a step of undo. What cannot be done is told. Used by the interface's thread. */
public final class AlertWork {
    private static final long YEAR = 370 * Times.DAY;

    private final Books books;
    private final Directory directory;
    private final UndoStack undo;
    private final LongSupplier now;
    private final Consumer<String> tell;

    /** @param now what time it is in the market */
    public AlertWork(Books books, Directory directory, UndoStack undo, LongSupplier now, Consumer<String> tell) {
        this.books = books;
        this.directory = directory;
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
        set(
                instrument,
                Alert.of(
                        newId(),
                        instrument.id(),
                        new Wait(new Awaited.Drawn(shown.id()), trigger),
                        timeframe,
                        now.getAsLong(),
                        last),
                "when " + trigger.words() + ", at " + instrument.format().format(level));
    }

    /**
     * Sets alerts as a line says, one for each of some instruments, one step of undo; says so, or what is wrong with the line.
     *
     * @param line as {@link AlertSentence} reads it
     * @param bars those whose closes count when the line names none
     * @param last the last price of an instrument; NaN when it is not known
     * @return how many were set
     */
    public int set(
            List<Instrument> instruments,
            String line,
            BarRule bars,
            Language language,
            ToDoubleFunction<Instrument> last) {
        if (instruments.isEmpty()) {
            tell.accept("There is no instrument to set an alert on.");
            return 0;
        }
        List<Alert> made = new ArrayList<>();
        String said = "";
        for (Instrument instrument : instruments.stream().distinct().toList()) {
            Alert alert;
            try {
                alert = AlertSentence.parse(line, context(instrument, bars, language))
                        .alert(newId(), instrument.id(), now.getAsLong(), last.applyAsDouble(instrument));
                check(alert, instrument);
            } catch (IllegalArgumentException bad) {
                tell.accept("An alert on " + instrument.code() + " was not set: " + bad.getMessage());
                continue;
            }
            if (!isSet(alert)) {
                made.add(alert);
                said = AlertNames.line(books, directory, alert);
            }
        }
        if (made.isEmpty()) {
            return 0;
        }
        put(made);
        Alert newest = made.get(made.size() - 1);
        String receipt = AlertNames.words(books, directory, newest.instrument())
                .receipt(newest, made.size() == 1 ? newest.price() : Double.NaN);
        tell.accept(
                (made.size() == 1 ? "Alert set on " + made.get(0).instrument().code() : made.size() + " alerts set")
                        + ": " + said + "." + (receipt.isEmpty() ? "" : " " + receipt));
        return made.size();
    }

    /**
     * Looks whether there is what an alert waits for.
     *
     * @throws IllegalArgumentException when it could never fire, with what there is
     */
    private void check(Alert alert, Instrument instrument) {
        for (Wait wait : alert.waits()) {
            if (wait.on() instanceof Awaited.Member member) {
                List<String> names = books.scans().stream().map(Scan::name).toList();
                if (names.stream().noneMatch(member.scan()::equals)) {
                    throw new IllegalArgumentException("there is no saved scan \"" + member.scan() + "\""
                            + (names.isEmpty() ? "" : "; there are " + String.join(", ", names)));
                }
            } else if (wait.on() instanceof Awaited.Due due && !due.isOfSession()) {
                List<Diary.Entry> coming = directory
                        .source(instrument)
                        .flatMap(source -> source.offers(Diary.class))
                        .map(diary -> diary.entries(instrument.id(), now.getAsLong(), now.getAsLong() + YEAR))
                        .orElse(List.of());
                if (coming.stream().noneMatch(due::is)) {
                    throw new IllegalArgumentException(
                            coming.isEmpty()
                                    ? "there is no calendar for " + instrument.code()
                                    : "the calendar of the next year has no '" + due.words() + "'; it has "
                                            + coming.stream()
                                                    .map(Diary.Entry::title)
                                                    .distinct()
                                                    .limit(6)
                                                    .collect(Collectors.joining(", ")));
                }
            }
        }
        if (alert.terms().until() <= now.getAsLong()) {
            throw new IllegalArgumentException("its time is over before it begins");
        }
    }

    /** What a line about an instrument is read in. */
    public AlertSentence.Context context(Instrument instrument, BarRule bars, Language language) {
        return new AlertSentence.Context(
                language,
                directory.calendar(instrument),
                bars,
                now.getAsLong(),
                name -> books.drawings(instrument.id()).stream()
                        .filter(each -> each.title().equalsIgnoreCase(name))
                        .findFirst()
                        .map(Drawing::id));
    }

    private void set(Instrument instrument, Alert alert, String how) {
        if (isSet(alert)) {
            return;
        }
        put(List.of(alert));
        tell.accept("Alert set on " + instrument.code() + ": " + how + ".");
    }

    private void put(List<Alert> made) {
        undo.execute(books.alertShelf().change(made.size() == 1 ? "set an alert" : "set alerts", all -> {
            List<Alert> more = new ArrayList<>(all);
            more.addAll(made);
            return more;
        }));
    }

    /** True, and told, when one that waits for the same is there. */
    private boolean isSet(Alert alert) {
        boolean already = books.alerts(alert.instrument()).stream()
                .anyMatch(each -> each.waits().equals(alert.waits())
                        && each.bars().equals(alert.bars())
                        && each.terms().repeat() == alert.terms().repeat()
                        && Objects.equals(each.terms().hours(), alert.terms().hours())
                        && each.terms().until() > now.getAsLong()
                        && books.waits(each));
        if (already) {
            tell.accept("This alert is set already. Watch shows all that are set.");
        }
        return already;
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
        put(made);
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
        set(instrument, alert, "at once with " + new Awaited.Traded(size, together).words());
    }

    private boolean waitsOn(InstrumentId instrument, String condition, Timeframe timeframe) {
        return books.alerts(instrument).stream()
                .anyMatch(alert -> alert.condition().equals(condition)
                        && alert.bars().equals(new BarRule.Time(timeframe))
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

    /**
     * Takes a firing out of the record, and its alert when that goes off once and has not been armed again; one step of undo. One that goes off
     * again waits anew from its newest firing, so that what was taken out does not come back.
     */
    public void remove(Firing firing) {
        undo.together("remove a firing", () -> {
            Firing newest = books.alertShelf()
                    .get(firing.alert())
                    .flatMap(books::firing)
                    .orElse(firing);
            undo.execute(books.firingShelf().change("remove a firing", all -> all.stream()
                    .filter(each -> !each.equals(firing))
                    .toList()));
            undo.execute(books.alertShelf().change("remove an alert", all -> all.stream()
                    .filter(each -> !isOf(firing, each) || each.terms().repeat() != Terms.Repeat.ONCE)
                    .map(each -> isOf(firing, each) ? each.armed(newest.at() + 1, newest.price()) : each)
                    .toList()));
        });
    }

    private static boolean isOf(Firing firing, Alert alert) {
        return alert.id().equals(firing.alert()) && alert.setAt() == firing.setAt();
    }

    /** An alert waits again from now on, as when it was set; a step of undo. */
    public void again(String id, double price) {
        undo.execute(books.alertShelf().change("arm an alert again", all -> all.stream()
                .map(each -> each.id().equals(id) ? again(each, price) : each)
                .toList()));
    }

    /** One whose time is over has as much time again. */
    private Alert again(Alert alert, double price) {
        // Firings of the time before are told apart by when it was set, also while the market stands still.
        long moment = Math.max(now.getAsLong(), alert.setAt() + 1);
        Terms terms = alert.terms();
        Alert armed = alert.armed(moment, price);
        return terms.until() > moment
                ? armed
                : armed.with(terms.from(Long.MIN_VALUE).until(moment + (terms.until() - alert.setAt())));
    }

    /** The step that takes the waiting alerts on drawings away with them; nothing to do when there are none. */
    public Command removeWith(InstrumentId instrument, Set<String> drawings) {
        return books.alertShelf().change("remove alerts", all -> all.stream()
                .filter(alert -> !books.waits(alert)
                        || !alert.instrument().equals(instrument)
                        || drawings.stream().noneMatch(alert::isOn))
                .toList());
    }

    /** Waiting alerts on a drawing that was moved wait anew, from where price stands now. */
    public void rearm(InstrumentId instrument, String drawing, double price) {
        for (Alert alert : books.alerts(instrument)) {
            if (alert.isOn(drawing) && books.waits(alert)) {
                books.alertShelf().put(alert.armed(now.getAsLong(), price));
            }
        }
    }

    /** True when an alert waits on a drawing. */
    public boolean waitsOn(InstrumentId instrument, String drawing) {
        return books.alerts(instrument).stream().anyMatch(alert -> alert.isOn(drawing) && books.waits(alert));
    }
}
