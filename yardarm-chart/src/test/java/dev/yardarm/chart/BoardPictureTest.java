package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.board.BoardPainter;
import dev.yardarm.chart.board.BoardPicture;
import dev.yardarm.chart.board.Cell;
import dev.yardarm.chart.board.StripPainter;
import dev.yardarm.chart.board.TileLayout;
import dev.yardarm.chart.board.TileLayout.Tile;
import dev.yardarm.chart.board.WallPainter;
import dev.yardarm.chart.board.WallPicture;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The quote board as it is laid out and painted. */
class BoardPictureTest {
    private static final Palette PALETTE = Palette.of(Palette.Theme.DAYLIGHT);

    @Test
    void tilesAreThoseOfThePaperOnSquarifiedTreemaps() {
        // The example of the paper: a rectangle of 6 by 4 and the areas 6, 6, 4, 3, 2, 2, 1.
        List<Tile> tiles = TileLayout.of(new double[] {6, 6, 4, 3, 2, 2, 1}, new Tile(0, 0, 6, 4));
        assertThat(tiles.get(0)).isEqualTo(new Tile(0, 0, 3, 2));
        assertThat(tiles.get(1)).isEqualTo(new Tile(0, 2, 3, 2));
        // 4 and 3 lie beside each other in the rest of 3 by 4.
        assertThat(tiles.get(2).x()).isEqualTo(3);
        assertThat(tiles.get(2).width()).isCloseTo(12 / 7.0, within(1e-12));
        assertThat(tiles.get(2).height()).isCloseTo(7 / 3.0, within(1e-12));
        assertThat(tiles.get(3).x()).isCloseTo(3 + 12 / 7.0, within(1e-12));
    }

    @Test
    void tilesFillTheirRoomByWeightAndNeverLieOverEachOther() {
        Random dice = new Random(7);
        for (int round = 0; round < 200; round++) {
            double[] weights = new double[1 + dice.nextInt(40)];
            double sum = 0;
            for (int at = 0; at < weights.length; at++) {
                weights[at] = dice.nextInt(5) == 0 ? 0 : Math.exp(4 * dice.nextDouble());
                sum += weights[at];
            }
            Tile room = new Tile(10, 20, 50 + dice.nextInt(900), 50 + dice.nextInt(600));
            List<Tile> tiles = TileLayout.of(weights, room);
            for (int at = 0; at < weights.length; at++) {
                Tile tile = tiles.get(at);
                double area = sum == 0 ? 0 : room.width() * room.height() * weights[at] / sum;
                assertThat(tile.width() * tile.height()).isCloseTo(area, within(1e-6));
                assertThat(tile.x()).isBetween(room.x() - 1e-9, room.x() + room.width() + 1e-9);
                assertThat(tile.x() + tile.width()).isLessThanOrEqualTo(room.x() + room.width() + 1e-6);
                assertThat(tile.y() + tile.height()).isLessThanOrEqualTo(room.y() + room.height() + 1e-6);
                for (int other = 0; other < at; other++) {
                    assertThat(shared(tile, tiles.get(other))).isLessThan(1e-6);
                }
            }
        }
        assertThatThrownBy(() -> TileLayout.of(new double[] {1, -1}, new Tile(0, 0, 1, 1)))
                .hasMessageContaining("-1");
        assertThat(TileLayout.of(new double[0], new Tile(0, 0, 1, 1))).isEmpty();
        assertThat(TileLayout.of(new double[] {0, 0}, new Tile(0, 0, 1, 1))).hasSize(2);
    }

    private static double shared(Tile one, Tile other) {
        double width = Math.min(one.x() + one.width(), other.x() + other.width()) - Math.max(one.x(), other.x());
        double height = Math.min(one.y() + one.height(), other.y() + other.height()) - Math.max(one.y(), other.y());
        return Math.max(0, width) * Math.max(0, height);
    }

    private static BoardPicture board() {
        List<BoardPicture.Column> columns = List.of(
                new BoardPicture.Column("Code", 60, false, 0),
                new BoardPicture.Column("Tick", 40, false, 0),
                new BoardPicture.Column("Change %", 80, true, -1),
                new BoardPicture.Column("Day's range", 112, false, 0),
                new BoardPicture.Column("30 sessions", 100, false, 0));
        return new BoardPicture(
                columns,
                List.of(
                        new BoardPicture.Heading("Large companies (2)"),
                        row("KTRL", 1, "+1.20 %", Role.RISE, new Cell.Range(100, 110, 102, 108), true),
                        row("EBSP", -1, "−0.70 %", Role.FALL_TEXT, new Cell.Range(100, 110, 108, 102), false)),
                true);
    }

    private static BoardPicture.Row row(
            String code, int tick, String change, Role role, Cell.Range range, boolean chosen) {
        return new BoardPicture.Row(
                List.of(
                        new Cell.Words(code, Role.INK, false),
                        new Cell.Tick(tick),
                        new Cell.Words(change, role, true),
                        range,
                        new Cell.Course(new double[] {1, 2, 3}, 4)),
                chosen,
                false);
    }

    @ParameterizedTest
    @EnumSource(Palette.Theme.class)
    void whatRisesIsHollowAndWhatFallsIsFilled(Palette.Theme theme) {
        Palette palette = Palette.of(theme);
        RecordingSurface surface = new RecordingSurface(1);
        new BoardPainter().paint(board(), 400, 200, palette, surface);
        assertThat(surface.texts).contains("Large companies (2)", "KTRL", "+1.20 %", "EBSP", "−0.70 %", "Change %");
        // The wedge of a fall is the one that is filled.
        assertThat(surface.polygons).hasSize(1);
        assertThat(surface.lines.stream()
                        .filter(line -> line.colour() == palette.of(Role.RISE) && line.points()[0] < 100))
                .hasSize(1);
        // Bodies of the day: the rising one has paper inside, on the line of its row.
        double rising = BoardPicture.HEAD + 1.5 * BoardPicture.LINE;
        double falling = BoardPicture.HEAD + 2.5 * BoardPicture.LINE;
        assertThat(inside(surface, palette.of(Role.PAPER), rising)).isTrue();
        assertThat(inside(surface, palette.of(Role.PAPER), falling)).isFalse();
        assertThat(inside(surface, palette.of(Role.FALL), falling)).isTrue();
    }

    private static boolean inside(RecordingSurface surface, int colour, double y) {
        return surface.rectangles.stream()
                .anyMatch(each -> each.colour() == colour
                        && each.x() > 180
                        && each.width() < 112
                        && each.y() < y
                        && each.y() + each.height() > y);
    }

    @Test
    void theBodyOfADayLiesWhereItsPricesDo() {
        RecordingSurface surface = new RecordingSurface(1);
        new BoardPainter().paint(board(), 400, 200, PALETTE, surface);
        // From 102 to 108 of a range from 100 to 110 that is 100 pixels long and begins at 186.
        assertThat(surface.rectangles)
                .anyMatch(each -> each.colour() == PALETTE.of(Role.RISE) && each.x() == 206 && each.width() == 60);
    }

    @Test
    void onlyWhatLooksOtherwiseIsPaintedAnewAndSmallMovesAddUp() {
        BoardPainter painter = new BoardPainter();
        List<BoardPicture.Column> columns = List.of(
                new BoardPicture.Column("Code", 60, false, 0),
                new BoardPicture.Column("Day's range", 112, false, 0),
                new BoardPicture.Column("Last", 60, true, 0));
        painter.paint(one(columns, 105, "1.00"), 300, 100, PALETTE, new RecordingSurface(1));
        RecordingSurface again = new RecordingSurface(1);
        painter.paint(one(columns, 105, "1.00"), 300, 100, PALETTE, again);
        assertThat(again.texts).isEmpty();
        assertThat(again.rectangles).isEmpty();
        RecordingSurface other = new RecordingSurface(1);
        painter.paint(one(columns, 105.01, "1.01"), 300, 100, PALETTE, other);
        assertThat(other.texts).as("the price alone").containsExactly("1.01");
        int moved = 0;
        for (int step = 2; step <= 100; step++) {
            RecordingSurface surface = new RecordingSurface(1);
            painter.paint(one(columns, 105 + 0.01 * step, "1.01"), 300, 100, PALETTE, surface);
            moved += surface.rectangles.isEmpty() ? 0 : 1;
        }
        // A tenth of the range is eleven pixels.
        assertThat(moved).isBetween(10, 26);
        painter.forget();
        RecordingSurface whole = new RecordingSurface(1);
        painter.paint(one(columns, 106, "1.01"), 300, 100, PALETTE, whole);
        assertThat(whole.texts).contains("Code", "KTRL", "1.01");
    }

    private static BoardPicture one(List<BoardPicture.Column> columns, double last, String price) {
        return new BoardPicture(
                columns,
                List.of(new BoardPicture.Row(
                        List.of(
                                new Cell.Words("KTRL", Role.INK, false),
                                new Cell.Range(100, 110, 102, last),
                                new Cell.Words(price, Role.INK, true)),
                        false,
                        false)),
                false);
    }

    @Test
    void noTextOfATableIsWiderThanItsColumnAndNoneLiesOverAnother() {
        RecordingSurface surface = new RecordingSurface(1);
        BoardPicture narrow = new BoardPicture(
                List.of(
                        new BoardPicture.Column("A title that is far too long", 70, false, 1),
                        new BoardPicture.Column("Another long title", 70, true, 0)),
                List.of(new BoardPicture.Row(
                        List.of(
                                new Cell.Words("a very long name of a company", Role.INK, false),
                                new Cell.Words("1,234,567.890123", Role.INK, true)),
                        false,
                        true)),
                false);
        new BoardPainter().paint(narrow, 140, 100, PALETTE, surface);
        for (RecordingSurface.Written each : surface.written) {
            assertThat(each.right() - each.left()).isLessThanOrEqualTo(70);
            assertThat(surface.written.stream().filter(other -> other != each && other.meets(each)))
                    .isEmpty();
        }
        assertThat(narrow.columnAt(69)).isZero();
        assertThat(narrow.columnAt(71)).isEqualTo(1);
        assertThat(narrow.columnAt(141)).isEqualTo(-1);
        assertThat(BoardPicture.lineAt(3)).isEqualTo(-1);
        assertThat(BoardPicture.lineAt(BoardPicture.HEAD + BoardPicture.LINE + 1))
                .isEqualTo(1);
    }

    @Test
    void aWallHasItsGroupsAndSaysFiguresWhereTheyFit() {
        List<WallPicture.Item> items = new ArrayList<>();
        items.add(new WallPicture.Item("a", "Timber", "DRFT", -0.05, 40));
        items.add(new WallPicture.Item("b", "Timber", "CDRJ", 0.025, 30));
        items.add(new WallPicture.Item("c", "Fisheries", "HRRN", Double.NaN, 20));
        items.add(new WallPicture.Item("d", "Fisheries", "TINY", 0.01, 0.01));
        WallPicture wall = WallPicture.of(items, 600, 400);
        RecordingSurface surface = new RecordingSurface(1);
        new WallPainter().paint(wall, "a", "", 600, 400, PALETTE, surface);
        assertThat(surface.texts)
                .contains("Timber", "Fisheries", "DRFT", "−5.0 %", "CDRJ", "+2.5 %", "HRRN")
                .doesNotContain("TINY");
        for (RecordingSurface.Written each : surface.written) {
            assertThat(surface.written.stream().filter(other -> other != each && other.meets(each)))
                    .isEmpty();
        }
        // A fall of five per cent or more fills its tile below its words.
        Tile drift = wall.tiles().get(0).place();
        int fall = Palette.fade(PALETTE.of(Role.FALL), 0.5);
        assertThat(surface.rectangles)
                .anyMatch(each -> each.colour() == fall && Math.abs(each.height() - (drift.height() - 32)) < 2);
        assertThat(wall.at(drift.x() + 1, drift.y() + 1).orElseThrow().item().code())
                .isEqualTo("DRFT");
        assertThat(wall.at(-5, 0)).isEmpty();
    }

    @Test
    void aStripCutsNoQuote() {
        RecordingSurface surface = new RecordingSurface(1);
        double width = 1000;
        List<StripPainter.Quote> quotes = new ArrayList<>();
        for (int at = 0; at < StripPainter.places(width); at++) {
            quotes.add(new StripPainter.Quote(
                    "CODE" + at, "1234.56", at % 2 == 0 ? "+1.2 %" : "−0.4 %", 1, 1, at == 0, false));
        }
        assertThat(quotes).hasSize(6);
        new StripPainter().paint(quotes, width, PALETTE, surface);
        for (RecordingSurface.Written each : surface.written) {
            assertThat(each.right()).isLessThanOrEqualTo(width);
            assertThat(surface.written.stream().filter(other -> other != each && other.meets(each)))
                    .as(each.text())
                    .isEmpty();
        }
        assertThat(StripPainter.placeAt(170, width)).isEqualTo(1);
    }
}
