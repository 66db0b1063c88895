package dev.yardarm.desk.watch;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWords;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.alert.AlertNames;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.call.CallRows;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import dev.yardarm.desk.work.Paced;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.function.ToLongFunction;
import java.util.stream.Stream;

/**
 * The state of the view Watch: the alerts that wait, the calls, the record of what fired, and which of them is in hand. Follows all
 * until it is closed. Used by the interface's thread.
 */
public final class WatchDesk implements AutoCloseable {
    private static final long PAUSE = 250;

    private final Desk desk;
    private final Rows<Alert> waiting;
    private final Rows<Firing> fired;
    private final Quotes quotes;
    /** Firings, and alerts that have been set up: they can come by the hundred. */
    private final Paced soon;

    private final Listening heard;
    private final CallRows calls;
    private Part inHand = Part.WAITING;

    /** What of the view is worked in. */
    public enum Part {
        WAITING,
        CALLS,
        FIRED
    }

    public WatchDesk(Desk desk) {
        this.desk = desk;
        quotes = new Quotes(desk.feedServices(), this::read);
        waiting = new Rows<>(
                List.of(
                        code(Alert::instrument),
                        name(Alert::instrument),
                        RowColumn.words("on", "Waits for", 220, this::waits),
                        bars(Alert::bars),
                        RowColumn.words("when", "How often, until", 150, this::terms),
                        RowColumn.words("note", "Note", 120, Alert::note),
                        moment("set", "Set", Alert::instrument, Alert::setAt),
                        price("level", "Level now", Alert::instrument, alert -> desk.alertRunner()
                                .level(alert)),
                        price("last", "Last", Alert::instrument, this::last),
                        away()),
                List.of("code", "on", "bars", "when", "last", "away"),
                Alert::id,
                desk.habits().table("waiting"),
                line -> desk.habits().setTable("waiting", line));
        fired = new Rows<>(
                List.of(
                        code(Firing::instrument),
                        name(Firing::instrument),
                        RowColumn.words("on", "Waited for", 220, this::on),
                        bars(Firing::bars),
                        RowColumn.words("note", "Note", 120, Firing::note),
                        moment("fired", "Fired", Firing::instrument, Firing::at),
                        price("price", "At price", Firing::instrument, Firing::price)),
                List.of("code", "on", "fired", "price"),
                firing -> firing.alert() + "@" + firing.at(),
                desk.habits().table("fired"),
                line -> desk.habits().setTable("fired", line));
        calls = new CallRows(desk, this::last);
        soon = new Paced(desk.feedServices().front(), PAUSE, () -> {
            read();
            watch();
        });
        heard = Listening.all(
                desk.books().listen(subject -> {
                    if (subject == Books.Subject.FIRINGS) {
                        soon.ask();
                    } else if (subject == Books.Subject.ALERTS
                            || subject == Books.Subject.CALLS
                            || subject == Books.Subject.DRAWINGS) {
                        read();
                        watch();
                    }
                }),
                desk.alertRunner().listen(alert -> soon.ask()),
                desk.directory().listen(source -> desk.feedServices().front().execute(soon::ask)));
        read();
        watch();
    }

    /** Follows the prices of what is waited for. */
    private void watch() {
        quotes.watch(Stream.concat(
                        waiting.rows().stream().map(Alert::instrument),
                        calls.rows().rows().stream().map(Call::instrument))
                .distinct()
                .map(this::instrument)
                .flatMap(Optional::stream)
                .toList());
    }

    private static <R> RowColumn<R> code(Function<R, InstrumentId> of) {
        return RowColumn.words("code", "Code", 66, row -> of.apply(row).code());
    }

    private <R> RowColumn<R> name(Function<R, InstrumentId> of) {
        return RowColumn.words("name", "Name", 150, row -> instrument(of.apply(row))
                .map(Instrument::name)
                .orElse("not there now"));
    }

    private static <R> RowColumn<R> bars(Function<R, BarRule> of) {
        return RowColumn.words(
                "bars",
                "Bars",
                52,
                row -> of.apply(row) instanceof BarRule.Time time
                        ? time.timeframe().toString()
                        : of.apply(row).toString().replace(':', ' '));
    }

    private AlertWords words(InstrumentId instrument) {
        return AlertNames.words(desk.books(), desk.directory(), instrument);
    }

    /** What it waits for; from which side, once that is known. */
    private String waits(Alert alert) {
        double level = desk.alertRunner().level(alert);
        boolean known = alert.first().way() == 0 && !Double.isNaN(level) && !Double.isNaN(alert.price());
        return words(alert.instrument())
                .waits(known && alert.price() != level ? alert.going(alert.price() < level ? 1 : -1) : alert);
    }

    /** How often and until when; that its time is over. */
    private String terms(Alert alert) {
        String terms = words(alert.instrument()).terms(alert.terms());
        return isOver(alert) ? "over, was " + terms : terms.isEmpty() ? "once" : terms;
    }

    private boolean isOver(Alert alert) {
        return alert.terms().until() <= desk.feedServices().now().getAsLong();
    }

    private <R> RowColumn<R> moment(String id, String title, Function<R, InstrumentId> of, ToLongFunction<R> time) {
        return new RowColumn<>(
                id,
                title,
                RowColumn.Kind.WORDS,
                142,
                row -> instrument(of.apply(row))
                        .map(each -> Readout.time(
                                time.applyAsLong(row),
                                Timeframe.MINUTE,
                                desk.calendar(each).zone()))
                        .orElse(""),
                Comparator.comparingLong(time),
                row -> false);
    }

    private <R> RowColumn<R> price(String id, String title, Function<R, InstrumentId> of, ToDoubleFunction<R> value) {
        return RowColumn.number(
                id,
                title,
                78,
                row -> Double.isNaN(value.applyAsDouble(row))
                        ? ""
                        : instrument(of.apply(row))
                                .map(each -> each.format().format(value.applyAsDouble(row)))
                                .orElse(""),
                value);
    }

    /** How far the level is from the price seen last. */
    private RowColumn<Alert> away() {
        return RowColumn.number(
                "away",
                "Away %",
                62,
                alert -> Double.isNaN(away(alert))
                        ? ""
                        : Readout.percent(away(alert)).replace(" %", ""),
                alert -> Math.abs(away(alert)));
    }

    /** The part of its price that an instrument has to go to reach the level; missing without either. */
    private double away(Alert alert) {
        return desk.alertRunner().level(alert) / last(alert) - 1;
    }

    private double last(Alert alert) {
        return last(alert.instrument());
    }

    private double last(InstrumentId instrument) {
        return quotes.quote(instrument).map(Quotes.Quote::last).orElse(Double.NaN);
    }

    private Optional<Instrument> instrument(InstrumentId id) {
        return desk.directory().find(id);
    }

    private String on(Firing firing) {
        if (!firing.on().isEmpty()) {
            return firing.on();
        }
        // One that went off before its words were kept.
        return desk.books().drawings(firing.instrument()).stream()
                .filter(each -> each.id().equals(firing.drawing()))
                .findFirst()
                .map(each -> each.title() + " (" + each.origin() + ")")
                .orElse("deleted drawing");
    }

    private void read() {
        calls.read();
        Books books = desk.books();
        waiting.set(books.alerts().stream().filter(books::waits).toList());
        fired.set(books.firings().stream()
                .sorted(Comparator.comparingLong(Firing::at).reversed())
                .toList());
    }

    /** The alerts that are set. */
    public Rows<Alert> waiting() {
        return waiting;
    }

    /** What fired, newest first unless sorted otherwise. */
    public Rows<Firing> fired() {
        return fired;
    }

    /** The calls, open ones first. */
    public CallRows calls() {
        return calls;
    }

    /** Says which of the tables is worked in. */
    public void take(Part part) {
        inHand = part;
    }

    /** Which table the row in hand is of: the one worked in, unless it is empty. */
    public Part inHand() {
        boolean there = rows(inHand).inHand().isPresent();
        if (there) {
            return inHand;
        }
        for (Part each : Part.values()) {
            if (rows(each).inHand().isPresent()) {
                return each;
            }
        }
        return Part.WAITING;
    }

    /** The rows of a table. */
    public Rows<?> rows(Part part) {
        return switch (part) {
            case WAITING -> waiting;
            case CALLS -> calls.rows();
            case FIRED -> fired;
        };
    }

    /** The chart of the row in hand, with the drawing it is about; of what fired as it was then. */
    public Optional<Subject> subject() {
        return switch (inHand()) {
            case WAITING -> waiting.inHand().flatMap(row -> subject(row.instrument(), row.request(), row.drawing(), 0));
            case CALLS ->
                calls.rows()
                        .inHand()
                        .flatMap(row -> subject(
                                row.instrument(),
                                row.bars() instanceof BarRule.Time time
                                        ? BarRequest.of(time.timeframe())
                                        : BarRequest.of(Timeframe.DAY).withRule(row.bars()),
                                "",
                                0));
            case FIRED ->
                fired.inHand().flatMap(row -> subject(row.instrument(), row.request(), row.drawing(), row.at()));
        };
    }

    /** @param until the moment at the right edge; 0 for now */
    private Optional<Subject> subject(InstrumentId id, BarRequest request, String drawing, long until) {
        return instrument(id).map(each -> new Subject(each, request, drawing, until));
    }

    /** Removes the row in hand: takes an alert or a call back, or forgets a firing; a step of undo. */
    public void removeInHand() {
        switch (inHand()) {
            case WAITING -> waiting.inHand().ifPresent(alert -> desk.alertWork().remove(alert.id()));
            case CALLS ->
                calls.rows().inHand().ifPresent(call -> desk.callWork().remove(call.id()));
            case FIRED -> fired.inHand().ifPresent(desk.alertWork()::remove);
        }
    }

    /** An alert as it would be typed, to be written again. */
    public String line(Alert alert) {
        return words(alert.instrument()).line(alert);
    }

    /** Lets an alert wait again from now on; a step of undo. */
    public void again(Alert alert) {
        desk.alertWork().again(alert.id(), last(alert));
    }

    /** Lets the alert of a firing wait again; tells when it was taken away. */
    public void again(Firing firing) {
        desk.books()
                .alertShelf()
                .get(firing.alert())
                .ifPresentOrElse(
                        this::again,
                        () -> desk.tell("This alert was removed; undo brings it back, or write it again."));
    }

    @Override
    public void close() {
        soon.close();
        quotes.close();
        heard.close();
    }
}
