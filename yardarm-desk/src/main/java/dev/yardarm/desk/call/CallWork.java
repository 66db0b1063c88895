package dev.yardarm.desk.call;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.call.CallRecord;
import dev.yardarm.core.call.CallSentence;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.alert.AlertWork;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.plan.PlanWork;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;

/** Makes calls and takes them away; each change is a step of undo. What cannot be done is told. Used by the interface's thread. */
public final class CallWork {
    private final Books books;
    private final Directory directory;
    private final UndoStack undo;
    private final LongSupplier now;
    private final PlanWork plans;
    private final AlertWork alerts;
    private final Supplier<Language> language;
    private final Consumer<String> tell;

    /** @param now what time it is in the market */
    public CallWork(
            Books books,
            Directory directory,
            UndoStack undo,
            LongSupplier now,
            PlanWork plans,
            AlertWork alerts,
            Supplier<Language> language,
            Consumer<String> tell) {
        this.plans = plans;
        this.alerts = alerts;
        this.language = language;
        this.books = books;
        this.directory = directory;
        this.undo = undo;
        this.now = now;
        this.tell = tell;
    }

    /**
     * Makes a call of a sentence; says so, or what is wrong with it.
     *
     * @param bars whose closes count when the sentence names none
     * @return true when it was made
     */
    public boolean make(Instrument instrument, String sentence, BarRule bars) {
        CallSentence read;
        try {
            read = CallSentence.parse(sentence, directory.calendar(instrument), bars, now.getAsLong());
        } catch (IllegalArgumentException bad) {
            tell.accept("A call on " + instrument.code() + " was not made: " + bad.getMessage());
            return false;
        }
        return make(instrument, read.call(newId(), instrument.id(), now.getAsLong()));
    }

    /** Makes a call, such as one of a finding. */
    public boolean make(Instrument instrument, Call call) {
        boolean already = books.calls().stream()
                .anyMatch(each -> each.instrument().equals(call.instrument())
                        && each.main().equals(call.main())
                        && !books.isOver(each));
        if (already) {
            tell.accept("This call is made already. Watch shows all that are open.");
            return false;
        }
        undo.execute(books.callShelf().change("make a call", all -> {
            List<Call> more = new ArrayList<>(all);
            more.add(call);
            return more;
        }));
        tell.accept("Call on " + instrument.code() + ": " + words(call, instrument) + ".");
        return true;
    }

    /** Makes the plan of a call: in at its trigger, out at what proves it wrong or at what is expected. */
    public void plan(Instrument instrument, Call call) {
        Timeframe timeframe = call.bars() instanceof BarRule.Time time ? time.timeframe() : Timeframe.DAY;
        plans.make(
                instrument,
                timeframe,
                call.main().trigger(),
                call.main().wrong(),
                call.main().target());
    }

    /** Sets an alert at the trigger of a call. */
    public void alert(Instrument instrument, Call call) {
        String line = (call.main().triggerAtClose() ? "closes " : "goes ")
                + (call.main().way() > 0 ? "above " : "below ")
                + instrument.format().format(call.main().trigger());
        alerts.set(List.of(instrument), line, call.bars(), language.get(), each -> Double.NaN);
    }

    /** A new id. */
    public static String newId() {
        return UUID.randomUUID().toString().substring(0, 8);
    }

    /** Takes a call away with what became of it; one step of undo. */
    public void remove(String id) {
        undo.together("remove a call", () -> {
            undo.execute(books.callShelf().change("remove a call", all -> all.stream()
                    .filter(each -> !each.id().equals(id))
                    .toList()));
            undo.execute(books.callEventShelf().change("remove a call", all -> all.stream()
                    .filter(each -> !each.call().equals(id))
                    .toList()));
        });
    }

    /** The main reading in words, as it would be typed. */
    public static String words(Call call, Instrument instrument) {
        var format = instrument.format();
        boolean up = call.main().way() > 0;
        String main = (call.main().triggerAtClose() ? "closes " : "") + (up ? "above " : "below ")
                + format.format(call.main().trigger()) + " expect "
                + format.format(call.main().target()) + ", wrong "
                + (call.main().wrongAtClose() ? "if it closes " : "") + (up ? "below " : "above ")
                + format.format(call.main().wrong());
        return call.rival() == null
                ? main
                : main + "; " + (up ? "below " : "above ")
                        + format.format(call.rival().trigger()) + " the other reading: "
                        + format.format(call.rival().target());
    }

    /** A call with what became of it. */
    public CallRecord.Judged judged(Call call) {
        return new CallRecord.Judged(
                call,
                books.callEvents().stream()
                        .filter(each -> each.call().equals(call.id()))
                        .toList());
    }

    /** How good some calls were. */
    public CallRecord record(List<Call> calls) {
        return CallRecord.of(calls.stream().map(this::judged).toList());
    }

    /** What became last of a call, in words; that it waits. */
    public String state(Call call) {
        List<CallEvent> events = judged(call).events();
        return events.isEmpty()
                ? "waiting"
                : events.get(events.size() - 1).kind().words();
    }
}
