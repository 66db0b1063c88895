package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.board.BoardPicture;
import dev.yardarm.chart.board.Cell;
import dev.yardarm.chart.board.WallPicture;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.board.BoardRow;
import dev.yardarm.desk.board.BoardWeights;
import dev.yardarm.desk.feed.Quotes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The quote board at a market that is moved by hand. */
class BoardTest extends AtADesk {
    private static final long SECOND = 1_000_000_000L;

    private final AtomicLong real = new AtomicLong(100 * SECOND);
    private Board board;

    @BeforeEach
    void open() {
        front.run(() -> {
            board = new Board(desk, Board.Place.PAGE, real::get);
            board.setLists(List.of("Large companies"));
            board.wake();
        });
        quoted();
    }

    @AfterEach
    void close() {
        front.run(board::close);
    }

    private void quoted() {
        front.await("quotes", () -> board.instruments().stream()
                .allMatch(each -> board.quote(each.id()).isPresent()));
    }

    private void beat(long minutes) {
        desk.hub().beatAt(desk.clock().now() + minutes * Times.MINUTE);
        front.run(() -> {});
    }

    private List<String> codes() {
        return front.get(() ->
                board.rows().rows().stream().map(row -> row.instrument().code()).toList());
    }

    private BoardRow row(String code) {
        return board.rows().rows().stream()
                .filter(each -> each.instrument().code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private String text(String code, String column) {
        return front.get(() -> board.rows().columns().stream()
                .filter(each -> each.id().equals(column))
                .findFirst()
                .orElseThrow()
                .text()
                .apply(row(code)));
    }

    @Test
    void quotesAreThoseOfTheDailyBarsAndOfEveryTradeSince() throws Exception {
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        beat(3);
        beat(7);
        long now = desk.clock().now() + 7 * Times.MINUTE;
        var days = desk.histories().load(ktrl, Timeframe.DAY, now).series().snapshot();
        int last = days.size() - 1;
        Quotes.Quote quote = front.get(() -> board.quote(ktrl.id()).orElseThrow());
        assertThat(quote.last()).isEqualTo(days.close(last));
        assertThat(quote.open()).isEqualTo(days.open(last));
        assertThat(quote.high()).isEqualTo(days.high(last));
        assertThat(quote.low()).isEqualTo(days.low(last));
        assertThat(quote.volume()).isCloseTo(days.volume(last), within(1e-6));
        assertThat(quote.before()).isEqualTo(days.close(last - 1));
        assertThat(quote.tick()).isNotZero();
        double sum = 0;
        for (int bar = last - 20; bar < last; bar++) {
            sum += days.volume(bar);
        }
        assertThat(quote.volumeOfUsual()).isCloseTo(quote.volume() / (sum / 20), within(1e-9));
        assertThat(quote.course()).hasSize(Quotes.COURSE);
        assertThat(quote.course()[Quotes.COURSE - 1]).isEqualTo(days.close(last - 1));
        assertThat(text("KTRL", "last")).isEqualTo(ktrl.format().format(quote.last()));
        assertThat(text("KTRL", "percent")).startsWith(quote.change() < 0 ? "−" : "+");
    }

    @Test
    void aNewSessionBeginsADayOfItsOwn() {
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        long close = desk.calendar(ktrl)
                .close(desk.calendar(ktrl).sessionAt(desk.clock().now()));
        desk.hub().beatAt(close);
        double closed = front.get(() -> board.quote(ktrl.id()).orElseThrow().last());
        var next = desk.calendar(ktrl).next(desk.calendar(ktrl).sessionAt(close - 1));
        desk.hub().beatAt(desk.calendar(ktrl).open(next) + 5 * Times.MINUTE);
        Quotes.Quote quote = front.get(() -> board.quote(ktrl.id()).orElseThrow());
        assertThat(quote.before()).isEqualTo(closed);
        front.await("the days before are read again", () -> {
            double[] course = board.quote(ktrl.id()).orElseThrow().course();
            return course[course.length - 1] == closed;
        });
        assertThat(front.get(() -> board.quote(ktrl.id()).orElseThrow()).volume())
                .isLessThan(1e6);
    }

    @Test
    void rowsStayUnderTheHandAndAreOrderedAnewAtRest() {
        front.run(() -> board.sortBy("last"));
        List<String> first = codes();
        assertThat(front.get(() -> board.rows().rows().stream()
                        .map(row ->
                                board.quote(row.instrument().id()).orElseThrow().last())
                        .toList()))
                .isSortedAccordingTo(Comparator.reverseOrder());
        front.run(() -> {
            board.sortBy("percent");
            board.touch();
        });
        List<String> sorted = codes();
        // A day on everything has another change, and somebody points at the board all the while.
        boolean differs = false;
        for (int step = 1; step <= 12; step++) {
            real.addAndGet(SECOND);
            front.run(board::touch);
            desk.hub().beatAt(desk.clock().now() + step * 2L * Times.MINUTE);
            front.run(() -> {});
            assertThat(codes()).isEqualTo(sorted);
            differs |= !front.get(this::byPercent).equals(sorted);
        }
        assertThat(differs).isTrue();
        String inHand =
                front.get(() -> board.rows().inHand().orElseThrow().instrument().code());
        real.addAndGet(4 * SECOND);
        desk.hub().beatAt(desk.clock().now() + 27 * Times.MINUTE);
        front.await("the order is taken anew", () -> !codesHere().equals(sorted));
        assertThat(codes()).isEqualTo(front.get(this::byPercent)).isNotEqualTo(first);
        assertThat(front.get(
                        () -> board.rows().inHand().orElseThrow().instrument().code()))
                .as("the same one is in hand")
                .isEqualTo(inHand);
    }

    private List<String> codesHere() {
        return board.rows().rows().stream().map(row -> row.instrument().code()).toList();
    }

    private List<String> byPercent() {
        List<BoardRow> rows = new ArrayList<>(board.rows().rows());
        rows.sort(Comparator.comparingDouble(
                row -> -board.quote(row.instrument().id()).orElseThrow().change()));
        return rows.stream().map(row -> row.instrument().code()).toList();
    }

    @Test
    void aHeadSortsFromItsHigherEndThenTheOtherWayThenNot() {
        List<String> given = codes();
        front.run(() -> board.sortBy("code"));
        assertThat(codes()).isSorted();
        front.run(() -> board.sortBy("code"));
        assertThat(front.get(() -> board.rows().isDescending())).isTrue();
        front.run(() -> board.sortBy("code"));
        assertThat(codes()).isEqualTo(given);
    }

    @Test
    void severalListsStandAsGroupsInTheirOrderAndEachIsSortedByItself() {
        front.run(() -> {
            board.setLists(List.of("Indices", "Evening round", "gone meanwhile"));
            board.sortBy("code");
        });
        quoted();
        front.run(() -> {
            BoardPicture picture = board.picture(0, 100, -1, true, 700);
            List<String> headings = picture.lines().stream()
                    .filter(BoardPicture.Heading.class::isInstance)
                    .map(line -> ((BoardPicture.Heading) line).text())
                    .toList();
            assertThat(headings).hasSize(2);
            assertThat(headings.get(0)).startsWith("Indices (");
            assertThat(headings.get(1)).startsWith("Evening round (");
            assertThat(board.rowAt(0)).isEmpty();
            assertThat(board.rowAt(1)).contains(0);
            assertThat(board.lineOf(0)).isEqualTo(1);
            assertThat(board.lists()).containsExactly("Indices", "Evening round");
            assertThat(picture.columns().stream()
                            .mapToDouble(BoardPicture.Column::width)
                            .sum())
                    .isCloseTo(700, within(1.0));
        });
        // What is kept comes back with the next board.
        front.run(() -> {
            Board again = new Board(desk, Board.Place.PAGE, real::get);
            assertThat(again.lists()).containsExactly("Indices", "Evening round");
            assertThat(again.rows().sortedBy()).isEqualTo("code");
            again.close();
        });
    }

    @Test
    void aFormulaIsAColumnAndOneThatIsNoGoodSaysWhy() throws Exception {
        assertThat(front.get(() -> board.addFormula("rsii(close, 14)"))).contains("rsii");
        assertThat(front.get(() -> board.addFormula(" "))).contains("needs a formula");
        assertThat(front.get(() -> board.addFormula("close / sma(close, 5)"))).isEmpty();
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        String id = front.get(
                () -> board.rows().shown().get(board.rows().shown().size() - 1).id());
        front.await("its values", () -> !textHere("KTRL", id).isEmpty());
        var days = desk.histories()
                .load(ktrl, Timeframe.DAY, desk.clock().now())
                .series()
                .snapshot();
        double sum = 0;
        for (int bar = days.size() - 5; bar < days.size(); bar++) {
            sum += days.close(bar);
        }
        double wanted = days.close(days.size() - 1) / (sum / 5);
        assertThat(Double.parseDouble(text("KTRL", id))).isCloseTo(wanted, within(0.006));
        front.run(() -> {
            board.removeFormula("close / sma(close, 5)");
            assertThat(board.formulas()).isEmpty();
            assertThat(board.rows().shown()).noneMatch(column -> column.id().equals(id));
        });
    }

    private String textHere(String code, String column) {
        return board.rows().columns().stream()
                .filter(each -> each.id().equals(column))
                .findFirst()
                .orElseThrow()
                .text()
                .apply(row(code));
    }

    @Test
    void theNearestLevelIsThatOfAnAlertWhenItIsNearer() {
        front.await("levels that were found", () -> !textHere("KTRL", "level").isEmpty());
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        double last = front.get(() -> board.quote(ktrl.id()).orElseThrow().last());
        // One that the trader drew, a little above; it is read with the next working out.
        front.run(() -> desk.books()
                .setDrawings(
                        ktrl.id(),
                        List.of(new Drawing(
                                "mine",
                                Drawing.LEVEL,
                                Timeframe.DAY,
                                List.of(new Anchor(desk.clock().now(), last * 1.0012)),
                                0))));
        real.addAndGet(21 * SECOND);
        beat(0);
        desk.hub().beatAt(desk.clock().now() + 1);
        front.await("the drawn one", () -> textHere("KTRL", "level").matches("\\+0\\.1[0-9] %"));
        front.run(() -> {
            desk.stanceWork().take(ktrl.id(), Stance.Kind.LONG, "");
            desk.alertWork()
                    .set(
                            List.of(ktrl),
                            "reaches " + ktrl.format().format(last * 1.0005),
                            new dev.yardarm.core.bars.BarRule.Time(Timeframe.DAY),
                            desk.language().now(),
                            each -> last);
        });
        front.await("it is watched", () -> textHere("KTRL", "level").matches("\\+0\\.0[0-9] %"));
        assertThat(text("KTRL", "alerts")).isEqualTo("1");
        assertThat(text("KTRL", "stance")).isEqualTo("long");
        assertThat(text("EBSP", "alerts")).isEmpty();
    }

    @Test
    void whatRestsCostsNothingAndGoesOnWhenItWakes() {
        int before = desk.hub().subscriptions();
        assertThat(before).isEqualTo(20);
        front.run(board::rest);
        assertThat(desk.hub().subscriptions()).isZero();
        beat(5);
        front.run(board::wake);
        front.await("it goes on", () -> desk.hub().subscriptions() == 20);
        front.run(() -> {
            BoardPicture.Row first = (BoardPicture.Row)
                    board.picture(0, 1, 0, false, 900).lines().get(0);
            assertThat(first.pointed()).isTrue();
            assertThat(first.chosen()).isTrue();
            assertThat(first.cells()).anyMatch(Cell.Range.class::isInstance);
            assertThat(board.words(board.rows().rows().get(0))).contains("Last", "Change %");
        });
    }

    @Test
    void tilesAreWeighedInAnIndexElseByTurnover() {
        BoardWeights weights = front.get(() -> new BoardWeights(desk, board, () -> {}));
        front.run(weights::follow);
        front.await("weights", () -> weights.words().contains("weight in"));
        front.run(() -> {
            List<WallPicture.Item> items = weights.items();
            assertThat(items).hasSize(20);
            assertThat(items.stream().mapToDouble(WallPicture.Item::weight).sum())
                    .isBetween(0.3, 1.0);
            assertThat(items).allMatch(each -> !each.group().isEmpty());
            board.setLists(List.of("Large companies", "Indices"));
        });
        quoted();
        front.run(weights::follow);
        front.await(
                "no index holds indices",
                () -> weights.words().contains("turnover") || weights.words().contains("the same"));
        assertThat(front.get(() -> weights.items().size())).isEqualTo(32);
        front.run(weights::close);
    }
}
