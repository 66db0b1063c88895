package dev.yardarm.desk.alert;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.feed.QuoteBoard;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.function.ToLongFunction;

/**
 * The state of the view Watch: the alerts that wait, the record of what fired, and which of the two is in hand. Follows both
 * until it is closed. Used by the interface's thread.
 */
public final class WatchDesk implements AutoCloseable {
    private final Desk desk;
    private final Rows<Alert> waiting;
    private final Rows<Firing> fired;
    private final QuoteBoard quotes;
    private final Listening heard;
    private boolean firedInHand;

    public WatchDesk(Desk desk) {
        this.desk = desk;
        quotes = new QuoteBoard(desk.feedServices(), this::read);
        waiting = new Rows<>(
                with(
                        columns(Alert::instrument, this::on, Alert::trigger, Alert::timeframe, Alert::above),
                        List.of(
                                moment("set", "Set", Alert::instrument, Alert::setAt),
                                price("level", "Level now", Alert::instrument, alert -> desk.alertRunner()
                                        .level(alert)),
                                price("last", "Last", Alert::instrument, this::last),
                                away())),
                List.of("code", "on", "when", "level", "last", "away"),
                Alert::id,
                desk.habits().table("waiting"),
                line -> desk.habits().setTable("waiting", line));
        fired = new Rows<>(
                with(
                        columns(Firing::instrument, this::on, Firing::trigger, Firing::timeframe, Firing::above),
                        List.of(
                                moment("fired", "Fired", Firing::instrument, Firing::at),
                                price("price", "At price", Firing::instrument, Firing::price))),
                List.of("code", "on", "fired", "price"),
                firing -> firing.alert() + "@" + firing.at(),
                desk.habits().table("fired"),
                line -> desk.habits().setTable("fired", line));
        heard = Listening.all(
                desk.books().listen(subject -> {
                    if (subject == Books.Subject.ALERTS
                            || subject == Books.Subject.FIRINGS
                            || subject == Books.Subject.DRAWINGS) {
                        read();
                        watch();
                    }
                }),
                desk.alertRunner().listen(alert -> read()));
        read();
        watch();
    }

    /** Follows the prices of what is waited for. */
    private void watch() {
        quotes.watch(waiting.rows().stream()
                .map(Alert::instrument)
                .distinct()
                .map(this::instrument)
                .flatMap(Optional::stream)
                .toList());
    }

    private static <R> List<RowColumn<R>> with(List<RowColumn<R>> all, List<RowColumn<R>> more) {
        List<RowColumn<R>> both = new ArrayList<>(all);
        both.addAll(more);
        return both;
    }

    private <R> List<RowColumn<R>> columns(
            Function<R, InstrumentId> of,
            Function<R, String> on,
            Function<R, Alert.Trigger> trigger,
            Function<R, Timeframe> timeframe,
            Predicate<R> above) {
        return List.of(
                RowColumn.words("code", "Code", 66, row -> of.apply(row).code()),
                RowColumn.words("name", "Name", 150, row -> instrument(of.apply(row))
                        .map(Instrument::name)
                        .orElse("not there now")),
                RowColumn.words("on", "On", 140, on),
                RowColumn.words(
                        "when", "When", 146, row -> when(trigger.apply(row), timeframe.apply(row), above.test(row))));
    }

    private static String when(Alert.Trigger trigger, Timeframe timeframe, boolean above) {
        return switch (trigger) {
            case REACHES -> "price " + (above ? "falls to it" : "rises to it");
            case CLOSES_BEYOND -> "a bar of " + timeframe + " closes " + (above ? "below it" : "above it");
            case HOLDS -> "it begins to hold, " + timeframe;
            case TRADED -> "at once";
        };
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
        return quotes.quote(alert.instrument()).map(QuoteBoard.Quote::last).orElse(Double.NaN);
    }

    private Optional<Instrument> instrument(InstrumentId id) {
        return desk.directory().find(id);
    }

    private Optional<Drawing> found(InstrumentId instrument, String drawing) {
        return desk.books().drawings(instrument).stream()
                .filter(each -> each.id().equals(drawing))
                .findFirst();
    }

    private String on(Alert alert) {
        if (alert.on() instanceof Alert.On.Traded traded) {
            return traded.words();
        }
        if (!alert.condition().isEmpty()) {
            return alert.condition();
        }
        return found(alert.instrument(), alert.drawing())
                .map(each -> each.title() + " (" + each.origin() + ")")
                .orElse("deleted drawing");
    }

    private String on(Firing firing) {
        return found(firing.instrument(), firing.drawing())
                .map(each -> each.title() + " (" + each.origin() + ")")
                .orElse(firing.on().isEmpty() ? "deleted drawing" : firing.on());
    }

    private void read() {
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

    /** Says which of the two tables is worked in. */
    public void takeFired(boolean inFired) {
        firedInHand = inFired;
    }

    /** Whether the row in hand is of what fired. */
    public boolean isFiredInHand() {
        return firedInHand && fired.inHand().isPresent() || waiting.inHand().isEmpty();
    }

    /** The chart of the row in hand, with the drawing it is about. */
    public Optional<Subject> subject() {
        return isFiredInHand()
                ? fired.inHand().flatMap(row -> subject(row.instrument(), row.timeframe(), row.drawing()))
                : waiting.inHand().flatMap(row -> subject(row.instrument(), row.timeframe(), row.drawing()));
    }

    private Optional<Subject> subject(InstrumentId id, Timeframe timeframe, String drawing) {
        return instrument(id).map(each -> new Subject(each, BarRequest.of(timeframe), drawing));
    }

    /** Removes the row in hand: takes an alert back, or forgets a firing; a step of undo. */
    public void removeInHand() {
        if (isFiredInHand()) {
            fired.inHand().ifPresent(desk.alertWork()::remove);
        } else {
            waiting.inHand().ifPresent(alert -> desk.alertWork().remove(alert.id()));
        }
    }

    @Override
    public void close() {
        quotes.close();
        heard.close();
    }
}
