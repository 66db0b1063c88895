package dev.yardarm.desk.call;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.call.CallRecord;
import dev.yardarm.core.call.Reading;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/**
 * The calls as rows: what is expected, where each stands, how far it is from its decision, and how good calls were. Used by the interface's
 * thread.
 */
public final class CallRows {
    private final Desk desk;
    private final ToDoubleFunction<InstrumentId> last;
    private final Rows<Call> rows;

    /** @param last the last price seen of an instrument; NaN for none */
    public CallRows(Desk desk, ToDoubleFunction<InstrumentId> last) {
        this.desk = desk;
        this.last = last;
        rows = new Rows<>(
                List.of(
                        RowColumn.words(
                                "code", "Code", 66, call -> call.instrument().code()),
                        RowColumn.words("name", "Name", 150, call -> instrument(call)
                                .map(Instrument::name)
                                .orElse("not there now")),
                        RowColumn.words("call", "Call", 300, this::words),
                        RowColumn.words("state", "State", 92, desk.callWork()::state),
                        number("away", "To decision %", 92, this::away),
                        RowColumn.number(
                                "odds",
                                "Odds %",
                                54,
                                call -> Double.isNaN(odds(call)) ? "" : String.valueOf(Math.round(100 * odds(call))),
                                this::odds),
                        RowColumn.words("until", "Until", 118, this::until),
                        RowColumn.words("note", "Note", 120, Call::note),
                        RowColumn.words(
                                "origin", "From", 80, call -> call.origin().isEmpty() ? "typed" : call.origin()),
                        new RowColumn<>(
                                "made",
                                "Made",
                                RowColumn.Kind.WORDS,
                                118,
                                call -> time(call, call.setAt()),
                                Comparator.comparingLong(Call::setAt),
                                call -> false)),
                List.of("code", "call", "state", "away", "odds"),
                Call::id,
                desk.habits().table("calls"),
                line -> desk.habits().setTable("calls", line));
    }

    private static RowColumn<Call> number(String id, String title, double width, ToDoubleFunction<Call> value) {
        return RowColumn.number(
                id,
                title,
                width,
                call -> Double.isNaN(value.applyAsDouble(call))
                        ? ""
                        : Readout.percent(value.applyAsDouble(call) / 100)
                                .replace(" %", "")
                                .replace("+", ""),
                value);
    }

    /** The rows: calls that are open first, in the order they were made. */
    public Rows<Call> rows() {
        return rows;
    }

    /** Takes over the calls as they are now. */
    public void read() {
        rows.set(desk.books().calls().stream()
                .sorted(Comparator.comparing((Call call) -> desk.books().isOver(call))
                        .thenComparing(Comparator.comparingLong(Call::setAt).reversed()))
                .toList());
    }

    private Optional<Instrument> instrument(Call call) {
        return desk.directory().find(call.instrument());
    }

    private String words(Call call) {
        return instrument(call).map(each -> CallWork.words(call, each)).orElse("");
    }

    private String until(Call call) {
        return call.until() == Long.MAX_VALUE ? "open" : time(call, call.until());
    }

    private String time(Call call, long moment) {
        return instrument(call)
                .map(each -> Readout.time(
                        moment, Timeframe.MINUTE, desk.calendar(each).zone()))
                .orElse("");
    }

    /** The reading that counts now; none when all is decided. */
    private Optional<Reading> reading(Call call) {
        if (desk.books().isOver(call)) {
            return Optional.empty();
        }
        boolean rival =
                desk.callWork().judged(call).event(CallEvent.Kind.PROVED_WRONG).isPresent();
        return Optional.of(rival ? call.rival() : call.main());
    }

    private boolean isTriggered(Call call) {
        CallRecord.Judged judged = desk.callWork().judged(call);
        boolean rival = judged.event(CallEvent.Kind.PROVED_WRONG).isPresent();
        return judged.event(rival ? CallEvent.Kind.RIVAL_TRIGGERED : CallEvent.Kind.TRIGGERED)
                .isPresent();
    }

    /** How far price has to go until something is decided, in per cent of it: to the trigger, or to what is expected or proves it wrong. */
    private double away(Call call) {
        double price = last.applyAsDouble(call.instrument());
        Reading reading = reading(call).orElse(null);
        if (reading == null || Double.isNaN(price)) {
            return Double.NaN;
        }
        double to = Math.abs(reading.wrong() - price);
        to = Math.min(to, Math.abs((isTriggered(call) ? reading.target() : reading.trigger()) - price));
        return 100 * to / price;
    }

    /** What the distances imply, from where price stands when it is triggered, else from its trigger. */
    private double odds(Call call) {
        Reading reading = reading(call).orElse(null);
        double price = last.applyAsDouble(call.instrument());
        if (reading == null) {
            return Double.NaN;
        }
        return reading.odds(isTriggered(call) && !Double.isNaN(price) ? price : reading.trigger());
    }

    /** How good the calls were, in words: all, then by kind and by instrument. */
    public List<String> record() {
        List<Call> all = desk.books().calls();
        List<String> lines = new java.util.ArrayList<>();
        lines.add(line("All calls", desk.callWork().record(all)));
        groups(all, call -> call.origin().isEmpty() ? "typed" : call.origin()).forEach((kind, calls) -> {
            if (calls.size() < all.size()) {
                lines.add(line(kind, desk.callWork().record(calls)));
            }
        });
        groups(all, call -> call.instrument().code())
                .forEach((code, calls) -> lines.add(line(code, desk.callWork().record(calls))));
        return lines;
    }

    private static Map<String, List<Call>> groups(List<Call> all, java.util.function.Function<Call, String> by) {
        return all.stream().collect(Collectors.groupingBy(by, TreeMap::new, Collectors.toList()));
    }

    private static String line(String what, CallRecord record) {
        if (record.triggered() == 0) {
            return what + ": none decided yet"
                    + (record.open() > 0 ? ", " + record.open() + " open" : "")
                    + (record.never() > 0 ? ", " + record.never() + " over before their trigger" : "");
        }
        return what + ": " + record.cameTrue() + " of " + record.triggered() + " came true ("
                + Math.round(100 * record.share()) + " %; their distances implied "
                + Math.round(100 * record.impliedShare()) + " %)"
                + (record.open() > 0 ? ", " + record.open() + " open" : "")
                + (record.never() > 0 ? ", " + record.never() + " over before their trigger" : "");
    }
}
