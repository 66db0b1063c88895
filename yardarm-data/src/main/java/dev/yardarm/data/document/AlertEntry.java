package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Margin;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.alert.Wait;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.List;
import java.util.Objects;

/**
 * An alert as it is written in a file. What is as usual is left out.
 *
 * @param bars as {@link BarRule} writes them
 * @param hours two times of day with a line between, as in {@code 09:00-11:30}
 * @param price where price stood when it was set; null when that is not known
 * @param stood {@code above} or {@code below} when no more than that is known
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record AlertEntry(
        String id,
        InstrumentId instrument,
        List<WaitEntry> waits,
        String bars,
        Terms.Repeat repeat,
        Long from,
        Long until,
        String hours,
        String note,
        ActsEntry acts,
        long setAt,
        Double price,
        String stood) {
    /**
     * A wait as it is written.
     *
     * @param on what it waits on: price, drawing, value, condition or trade
     * @param text the formula of a value or condition
     * @param together microseconds within which prints are one trade
     * @param early microseconds before the close
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record WaitEntry(
            String on,
            Double price,
            String drawing,
            String line,
            String text,
            Double size,
            Long together,
            Alert.Trigger trigger,
            Integer way,
            Double margin,
            Margin.Unit unit,
            Long early,
            Integer within) {
        static WaitEntry of(Wait wait) {
            Awaited on = wait.on();
            Awaited.Drawn drawn = on instanceof Awaited.Drawn is ? is : null;
            Awaited.Traded traded = on instanceof Awaited.Traded is ? is : null;
            return new WaitEntry(
                    on instanceof Awaited.Price
                            ? "price"
                            : drawn != null
                                    ? "drawing"
                                    : traded != null
                                            ? "trade"
                                            : on instanceof Awaited.Value
                                                    ? "value"
                                                    : on instanceof Awaited.Due
                                                            ? "calendar"
                                                            : on instanceof Awaited.Member ? "scan" : "condition",
                    on instanceof Awaited.Price at ? at.price() : null,
                    drawn == null ? null : drawn.id(),
                    drawn == null || drawn.line().isEmpty() ? null : drawn.line(),
                    on instanceof Awaited.Value value
                            ? value.text()
                            : on instanceof Awaited.Condition condition
                                    ? condition.text()
                                    : on instanceof Awaited.Due due
                                            ? due.words()
                                            : on instanceof Awaited.Member member ? member.scan() : null,
                    traded == null ? null : traded.size(),
                    traded == null ? null : traded.together(),
                    wait.trigger(),
                    wait.way() == 0 ? null : wait.way(),
                    wait.margin().isNone() ? null : wait.margin().amount(),
                    wait.margin().isNone() ? null : wait.margin().unit(),
                    wait.early() == 0 ? null : wait.early(),
                    wait.within() == 0 ? null : wait.within());
        }

        Wait asWait() {
            Awaited awaited =
                    switch (on) {
                        case "price" -> new Awaited.Price(Objects.requireNonNull(price));
                        case "drawing" -> new Awaited.Drawn(drawing, line);
                        case "trade" ->
                            new Awaited.Traded(Objects.requireNonNull(size), together == null ? 0 : together);
                        case "calendar" -> new Awaited.Due(text);
                        case "scan" -> new Awaited.Member(text);
                        case "value" -> new Awaited.Value(text);
                        case "condition" -> new Awaited.Condition(text);
                        default -> throw new IllegalArgumentException("an alert cannot wait on '" + on + "' here");
                    };
            return new Wait(
                    awaited,
                    trigger,
                    way == null ? 0 : way,
                    margin == null ? Margin.NONE : new Margin(margin, unit == null ? Margin.Unit.PRICE : unit),
                    early == null ? 0 : early,
                    within == null ? 0 : within);
        }
    }

    /** What happens besides, as it is written. */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    public record ActsEntry(String sound, boolean system, boolean chart, String stance, String tag, boolean file) {
        static ActsEntry of(Acts acts) {
            return acts.equals(Acts.NONE)
                    ? null
                    : new ActsEntry(acts.sound(), acts.system(), acts.chart(), acts.stance(), acts.tag(), acts.file());
        }

        Acts acts() {
            return new Acts(plain(sound), system, chart, plain(stance), plain(tag), file);
        }

        private static String plain(String word) {
            return word == null ? "" : word;
        }
    }

    public static AlertEntry of(Alert alert) {
        Terms terms = alert.terms();
        return new AlertEntry(
                alert.id(),
                alert.instrument(),
                alert.waits().stream().map(WaitEntry::of).toList(),
                alert.bars().toString(),
                terms.repeat() == Terms.Repeat.ONCE ? null : terms.repeat(),
                terms.from() == Long.MIN_VALUE ? null : terms.from(),
                terms.until() == Long.MAX_VALUE ? null : terms.until(),
                terms.hours() == null
                        ? null
                        : terms.hours().from() + "-" + terms.hours().to(),
                alert.note().isEmpty() ? null : alert.note(),
                ActsEntry.of(alert.acts()),
                alert.setAt(),
                Double.isFinite(alert.price()) ? alert.price() : null,
                Double.isInfinite(alert.price()) ? (alert.price() > 0 ? "above" : "below") : null);
    }

    /** @throws RuntimeException when something is missing */
    public Alert alert() {
        double where = price != null
                ? price
                : stood == null
                        ? Double.NaN
                        : stood.equals("above") ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY;
        return new Alert(
                id,
                instrument,
                waits.stream().map(WaitEntry::asWait).toList(),
                BarRule.parse(bars),
                new Terms(
                        repeat == null ? Terms.Repeat.ONCE : repeat,
                        from == null ? Long.MIN_VALUE : Times.checked("its 'from'", from),
                        until == null ? Long.MAX_VALUE : Times.checked("its 'until'", until),
                        hours == null ? null : hours(hours)),
                note == null ? "" : note,
                acts == null ? Acts.NONE : acts.acts(),
                Times.checked("its 'setAt'", setAt),
                where);
    }

    private static Terms.Hours hours(String text) {
        String[] ends = text.split("-", -1);
        try {
            return new Terms.Hours(LocalTime.parse(ends[0]), LocalTime.parse(ends[ends.length - 1]));
        } catch (DateTimeException bad) {
            throw new IllegalArgumentException("its hours are not two times of day: " + text);
        }
    }
}
