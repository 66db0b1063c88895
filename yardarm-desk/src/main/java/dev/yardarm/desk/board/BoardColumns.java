package dev.yardarm.desk.board;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.table.RowColumn;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/** The columns a board can have. What they say and sort by is that of the moment it is asked. */
final class BoardColumns {
    /** Those that are drawn and not written. */
    static final String TICK = "tick";

    static final String RANGE = "range";
    static final String COURSE = "course";

    /** Shown when nothing was chosen. */
    static final List<String> USUAL = List.of(
            "code", TICK, "last", "change", "percent", RANGE, "volume-of-usual", "level", "alerts", "stance", COURSE);

    /** Beside a chart there is less room. */
    static final List<String> NARROW = List.of("code", TICK, "last", "percent");

    private final Desk desk;
    private final Quotes quotes;
    private final BoardValues values;

    BoardColumns(Desk desk, Quotes quotes, BoardValues values) {
        this.desk = desk;
        this.quotes = quotes;
        this.values = values;
    }

    /** All there are, and one for each formula. */
    List<RowColumn<BoardRow>> all(List<String> formulas) {
        List<RowColumn<BoardRow>> columns = new ArrayList<>(List.of(
                RowColumn.words("code", "Code", 66, row -> row.instrument().code()),
                RowColumn.words("name", "Name", 150, row -> row.instrument().name()),
                drawn(TICK, "Tick", 40, row -> of(row, Quotes.Quote::tick)),
                price("last", "Last", Quotes.Quote::last),
                change("change", "Change", 70, row -> of(row, quote -> quote.last() - quote.before())),
                RowColumn.change(
                        "percent",
                        "Change %",
                        88,
                        row -> percent(of(row, Quotes.Quote::change)),
                        row -> of(row, Quotes.Quote::change)),
                RowColumn.words("side", "Side", 48, this::side),
                drawn(RANGE, "Day's range", 116, BoardColumns.this::placeInRange),
                price("open", "Open", Quotes.Quote::open),
                price("high", "High", Quotes.Quote::high),
                price("low", "Low", Quotes.Quote::low),
                price("before", "Day before", Quotes.Quote::before),
                RowColumn.number(
                        "volume",
                        "Volume",
                        72,
                        row -> text(of(row, Quotes.Quote::volume), Readout::quantity),
                        row -> of(row, Quotes.Quote::volume)),
                RowColumn.number(
                        "volume-of-usual",
                        "Usual vol. %",
                        84,
                        row -> text(
                                of(row, Quotes.Quote::volumeOfUsual), part -> String.valueOf(Math.round(100 * part))),
                        row -> of(row, Quotes.Quote::volumeOfUsual)),
                RowColumn.number(
                        "level", "To level %", 76, row -> percent(toLevel(row)), row -> Math.abs(toLevel(row))),
                RowColumn.number(
                        "alerts",
                        "Alerts",
                        50,
                        row -> alerts(row) == 0 ? "" : String.valueOf(alerts(row)),
                        row -> alerts(row)),
                RowColumn.words("stance", "Stance", 58, this::stance),
                drawn(COURSE, "30 sessions", 104, row -> of(row, BoardColumns::overCourse))));
        for (String formula : formulas) {
            columns.add(RowColumn.number(
                    id(formula),
                    formula,
                    92,
                    row -> text(values.value(row.instrument().id(), formula), Readout::plain),
                    row -> values.value(row.instrument().id(), formula)));
        }
        return columns;
    }

    /** The id of the column of a formula. */
    static String id(String formula) {
        return "formula:" + formula.strip().replaceAll("[\\s;]+", "_");
    }

    private RowColumn<BoardRow> price(String id, String title, ToDoubleFunction<Quotes.Quote> value) {
        return RowColumn.number(
                id, title, 78, row -> text(of(row, value), row.instrument().format()::format), row -> of(row, value));
    }

    private RowColumn<BoardRow> change(String id, String title, double width, ToDoubleFunction<BoardRow> value) {
        return RowColumn.change(
                id,
                title,
                width,
                row -> {
                    double by = value.applyAsDouble(row);
                    return text(
                            by,
                            number -> (number < 0 ? "−" : "+")
                                    + row.instrument().format().format(Math.abs(number)));
                },
                value);
    }

    /** A column that is drawn; its text is empty. */
    private static RowColumn<BoardRow> drawn(String id, String title, double width, ToDoubleFunction<BoardRow> order) {
        return new RowColumn<>(
                id,
                title,
                RowColumn.Kind.WORDS,
                width,
                row -> "",
                Comparator.comparingDouble(order),
                row -> Double.isNaN(order.applyAsDouble(row)));
    }

    private double of(BoardRow row, ToDoubleFunction<Quotes.Quote> value) {
        return quotes.quote(row.instrument().id()).map(value::applyAsDouble).orElse(Double.NaN);
    }

    private static String text(double value, Function<Double, String> words) {
        return Double.isNaN(value) ? "" : words.apply(value);
    }

    private static String percent(double part) {
        return Double.isNaN(part) ? "" : Readout.percent(part);
    }

    private String side(BoardRow row) {
        double side = of(row, Quotes.Quote::side);
        return side == TickSeries.BID ? "bid" : side == TickSeries.ASK ? "ask" : "";
    }

    /** Where the last price lies in the day's range, from 0 at the low to 1. */
    private double placeInRange(BoardRow row) {
        return of(
                row,
                quote -> quote.high() > quote.low()
                        ? (quote.last() - quote.low()) / (quote.high() - quote.low())
                        : Double.NaN);
    }

    private static double overCourse(Quotes.Quote quote) {
        return quote.course().length == 0 ? Double.NaN : quote.last() / quote.course()[0] - 1;
    }

    /** The part of its price that an instrument has to go to its nearest level. */
    private double toLevel(BoardRow row) {
        double last = of(row, Quotes.Quote::last);
        return values.nearestLevel(row.instrument().id(), last) / last - 1;
    }

    private int alerts(BoardRow row) {
        return values.waiting(row.instrument().id()).size();
    }

    private String stance(BoardRow row) {
        Instrument instrument = row.instrument();
        Stance taken = desk.books().stance(instrument.id());
        return taken.kind() == Stance.Kind.NONE ? "" : taken.kind().word();
    }
}
