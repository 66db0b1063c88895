package dev.yardarm.core.bars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.junit.jupiter.api.Test;

/**
 * Each kind of bar against a sequence worked out by hand from its rule. Bars are written open high low close volume; the
 * one still forming ends with a star. A tick is 1 unless told otherwise.
 */
class BarMakersTest {
    private static final long START = Times.micros(Instant.parse("2026-06-19T08:00:00Z"));
    private static final TradingCalendar SESSIONS = new TradingCalendar(
            ZoneOffset.UTC,
            LocalTime.of(8, 0),
            LocalTime.of(16, 30),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            Set.of());

    private static BarMaker maker(String rule, TradingCalendar calendar) {
        return BarMakers.of(BarRule.parse(rule), calendar, 1, new BarSeries(4));
    }

    /** Feeds one trade of size 1 a second. */
    private static List<String> ticks(String rule, double... prices) {
        BarMaker maker = maker(rule, null);
        for (int tick = 0; tick < prices.length; tick++) {
            maker.addTick(START + tick * Times.SECOND, prices[tick], 1);
        }
        return written(maker);
    }

    private static List<String> written(BarMaker maker) {
        Bars bars = maker.series().snapshot();
        List<String> lines = new ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            lines.add(String.join(
                            " ",
                            plain(bars.open(bar)),
                            plain(bars.high(bar)),
                            plain(bars.low(bar)),
                            plain(bars.close(bar)),
                            plain(bars.volume(bar)))
                    + (bar < bars.closed() ? "" : " *"));
        }
        return lines;
    }

    private static String plain(double value) {
        return value == Math.rint(value)
                ? String.valueOf((long) value)
                : String.format(Locale.ROOT, "%.4f", value).replaceAll("0+$", "");
    }

    @Test
    void ticksCountTrades() {
        assertThat(ticks("ticks:3", 10, 12, 11, 9, 9, 8, 7))
                .containsExactly("10 12 10 11 3", "9 9 8 8 3", "7 7 7 7 1 *");
    }

    @Test
    void volumeClosesWithTheTradeThatReachesItAndNeverCutsOne() {
        BarMaker maker = maker("volume:10", null);
        double[][] trades = {{10, 4}, {11, 5}, {12, 1}, {13, 25}, {14, 9}};
        for (int tick = 0; tick < trades.length; tick++) {
            maker.addTick(START + tick, trades[tick][0], trades[tick][1]);
        }
        assertThat(written(maker)).containsExactly("10 12 10 12 10", "13 13 13 13 25", "14 14 14 14 9 *");
    }

    @Test
    void rangeBarsStayOpenUntilATradeDoesNotFitIn() {
        assertThat(ticks("range:3", 10, 11, 12, 13, 14, 13, 12, 11, 10))
                .containsExactly("10 13 10 13 4", "14 14 11 11 4", "10 10 10 10 1 *");
    }

    @Test
    void turningInsideTheRangeDoesNotEndARangeBar() {
        assertThat(ticks("range:3", 10, 12, 11, 13, 10, 12, 9)).containsExactly("10 13 10 12 6", "9 9 9 9 1 *");
    }

    @Test
    void aGapLargerThanTheRangeInventsNoBars() {
        assertThat(ticks("range:3", 10, 11, 20, 21, 5))
                .containsExactly("10 11 10 11 2", "20 21 20 21 2", "5 5 5 5 1 *");
    }

    @Test
    void rangesInTicksOfACentAreExactThoughCentsAreNot() {
        BarMaker maker = BarMakers.of(BarRule.parse("range:3"), null, 0.01, new BarSeries(4));
        double[] prices = {0.10, 0.11, 0.12, 0.13, 0.14};
        for (int tick = 0; tick < prices.length; tick++) {
            maker.addTick(START + tick, prices[tick], 1);
        }
        assertThat(written(maker)).containsExactly("0.1 0.13 0.1 0.13 4", "0.14 0.14 0.14 0.14 1 *");
    }

    @Test
    void aSessionBreakEndsBarsOfTrades() {
        for (String rule : List.of("range:3", "reversal:3", "ticks:5", "volume:5")) {
            BarMaker maker = maker(rule, SESSIONS);
            long close = SESSIONS.close(Times.date(START, ZoneOffset.UTC));
            maker.addTick(close - 1, 10, 1);
            maker.addTick(close, 11, 1);
            maker.addTick(close + 63 * Times.HOUR + Times.HOUR / 2 + 1, 12, 1);
            assertThat(written(maker)).as(rule).containsExactly("10 11 10 11 2", "12 12 12 12 1 *");
            assertThat(maker.series().snapshot().closeTime(0)).as(rule).isEqualTo(close);
            maker.advanceTo(close + 73 * Times.HOUR);
            assertThat(maker.series().snapshot().hasForming()).as(rule).isFalse();
        }
    }

    @Test
    void reversalBarsRunUntilPriceHasComeBack() {
        assertThat(ticks("reversal:3", 10, 12, 11, 14, 13, 11, 10, 9, 11, 12, 13))
                .containsExactly("10 14 10 11 6", "10 12 9 12 4", "13 13 13 13 1 *");
    }

    @Test
    void aGapPastTheReversalEndsTheBarAtItsPrice() {
        assertThat(ticks("reversal:3", 10, 14, 5, 6)).containsExactly("10 14 5 5 3", "6 6 6 6 1 *");
    }

    @Test
    void bricksNeedTwoSizesToTurnAndSeveralComeFromOneGap() {
        assertThat(ticks("brick:10", 100, 104, 112, 131, 118, 110, 109))
                .containsExactly(
                        "100 110 100 110 3",
                        "110 120 110 120 1",
                        "120 130 120 130 0",
                        "120 131 110 110 2",
                        "110 110 109 109 1 *");
    }

    @Test
    void bricksOfOnePieceOpenAMicrosecondApart() {
        BarMaker maker = maker("brick:10", null);
        maker.addTick(START, 100, 1);
        maker.addTick(START + Times.SECOND, 135, 1);
        Bars bars = maker.series().snapshot();
        assertThat(bars.closed()).isEqualTo(3);
        assertThat(bars.openTime(1)).isEqualTo(START + Times.SECOND);
        assertThat(bars.openTime(2)).isEqualTo(START + Times.SECOND + 1);
    }

    @Test
    void bricksOfClosesKeepWhatBarsReachedAsHighAndLow() {
        BarMaker maker = maker("brick:10", null);
        maker.addBar(START, START + Times.DAY, 100, 103, 96, 100, 5);
        maker.addBar(START + Times.DAY, START + 2 * Times.DAY, 101, 118, 95, 111, 7);
        assertThat(written(maker)).containsExactly("100 110 95 110 12", "110 118 110 111 0 *");
    }

    @Test
    void bricksInPerCentGrowWithThePrice() {
        assertThat(ticks("brick:10%", 100, 110, 121, 133, 134))
                .containsExactly(
                        "100 110 100 110 2", "110 121 110 121 1", "121 133.1 121 133.1 2", "133.1 134 133.1 134 0 *");
    }

    @Test
    void bricksByAverageRangeWaitForItAndKeepTheSizeTheyBeganWith() {
        BarMaker maker = maker("brick:atr2", null);
        double[][] bars = {{100, 104, 100, 102}, {102, 106, 102, 104}, {104, 109, 103, 109}, {109, 115, 109, 115}};
        for (int bar = 0; bar < bars.length; bar++) {
            maker.addBar(
                    START + bar * Times.DAY,
                    START + (bar + 1) * Times.DAY,
                    bars[bar][0],
                    bars[bar][1],
                    bars[bar][2],
                    bars[bar][3],
                    1);
        }
        // ranges 4 and 4 make 4 after the second bar, base 104; 109 makes 104..108; the third range 6 makes 5 after it:
        // the brick begun at 108 was sized 4 by what was known when it began, the one after 112 is sized 5
        assertThat(written(maker)).containsExactly("104 108 100 108 3", "108 112 108 112 1", "112 115 112 115 0 *");
    }

    @Test
    void lineBreakGoesOnAboveTheLastLineAndTurnsBelowTheLastThree() {
        assertThat(ticks("line-break:3", 10, 11, 12, 13, 11, 12, 14, 9, 12, 8, 15))
                .containsExactly(
                        "10 11 10 11 2",
                        "11 12 11 12 1",
                        "12 13 12 13 1",
                        "13 14 11 14 3",
                        "13 14 9 9 1",
                        "9 12 8 8 2",
                        "9 15 8 15 1",
                        "15 15 15 15 0 *");
    }

    @Test
    void pointAndFigureTurnsAfterThreeBoxes() {
        assertThat(ticks("point-figure:1x3", 10.2, 11.5, 14.1, 12.3, 11, 9.9, 12.9, 13))
                .containsExactly("11 14 11 14 4", "13 13 10 10 3", "11 13 11 13 1 *");
    }

    @Test
    void pointAndFigureOfOneBoxKeepsTurningInAColumnOfOneBox() {
        assertThat(ticks("point-figure:1x1", 10, 11, 12, 11, 12, 13, 12, 11))
                .containsExactly("10 12 10 12 3", "11 13 11 13 3", "12 12 11 11 2 *");
    }

    @Test
    void pointAndFigureByHighAndLowLooksTheOtherWayOnlyWhenItDoesNotGoOn() {
        BarMaker maker = maker("point-figure:1x3:hl", null);
        double[][] bars = {{10, 12.5, 10, 12}, {12, 13, 8, 9}, {9, 12.9, 9.5, 12}, {12, 12, 7.2, 8}};
        for (int bar = 0; bar < bars.length; bar++) {
            maker.addBar(
                    START + bar * Times.DAY,
                    START + (bar + 1) * Times.DAY,
                    bars[bar][0],
                    bars[bar][1],
                    bars[bar][2],
                    bars[bar][3],
                    1);
        }
        // the first bar begins at its close 12 and has reached neither 13 nor 11 by then but 10 with its low: falling
        // bars begin below; its close is not below its open, so of both ways it rises only when it can
        assertThat(written(maker)).containsExactly("12 12 8 8 2", "9 12 9 12 1", "11 11 8 8 1 *");
    }

    @Test
    void pointAndFigureBoxesInPerCentLieOnPowers() {
        List<String> columns = ticks("point-figure:10%x1", 100, 122, 134);
        assertThat(columns).containsExactly("106.719 129.13 106.719 129.13 3 *");
    }

    @Test
    void averagedCandlesMeanTheBarAndTheAveragedOneBefore() {
        BarMaker maker = maker("heikin-ashi", null);
        maker.addBar(START, START + 1, 10, 14, 8, 12, 3);
        maker.addBar(START + 1, START + 2, 12, 13, 11, 12, 4);
        assertThat(written(maker)).containsExactly("11 14 8 11 3", "11 13 11 12 4");
    }

    @Test
    void finerBarsAreReadAsFourTrades() {
        BarMaker maker = maker("range:3", null);
        maker.addBar(START, START + Times.MINUTE, 10, 14, 9, 13, 8);
        // rising: 10, 9, 14, 13 of two each
        assertThat(written(maker)).containsExactly("10 10 9 9 4", "14 14 13 13 4 *");
        assertThat(maker.series().snapshot().closeTime(0)).isEqualTo(START + Times.MINUTE);
    }

    @Test
    void whatCannotBeBuiltIsRefusedWithTheReason() {
        BarMaker ticks = maker("ticks:3", null);
        assertThatThrownBy(() -> ticks.addBar(START, START + 1, 1, 1, 1, 1, 1))
                .hasMessageContaining("only be made " + "from ticks");
        BarMaker volume = maker("volume:3", null);
        assertThatThrownBy(() -> volume.addTick(START, 1, Double.NaN)).hasMessageContaining("volume of every trade");
        assertThatThrownBy(() -> BarRule.parse("bricks:3")).hasMessageContaining("no kind of bar 'bricks'");
        assertThatThrownBy(() -> BarRule.parse("range:x")).hasMessageContaining("range:10");
        assertThatThrownBy(() -> BarRule.parse("range:0")).hasMessageContaining("above zero");
        assertThatThrownBy(() -> BarRule.parse("range:10@D")).hasMessageContaining("leave out '@D'");
        assertThatThrownBy(() -> BarRule.parse("brick:0.5x")).hasMessageContaining("per cent");
        assertThatThrownBy(() -> BarRule.parse("time:abc")).hasMessageContaining("not a timeframe");
        assertThatThrownBy(() -> BarRule.parse("point-figure:10x0")).hasMessageContaining("1 to 20 boxes");
    }

    @Test
    void rulesAreWrittenAsTheyAreRead() {
        for (String text : List.of(
                "time:5m",
                "ticks:500",
                "volume:1000",
                "range:10",
                "reversal:2.5",
                "brick:20",
                "brick:0.5%@D",
                "brick:atr14@1h",
                "line-break:3",
                "point-figure:10x3",
                "point-figure:1%x1:hl@D",
                "heikin-ashi@15m",
                "heikin-ashi")) {
            assertThat(BarRule.parse(text)).hasToString(text);
        }
    }

    @Test
    void barsWithoutEndAreRefusedWithWhatWouldDo() {
        for (String rule : List.of("brick:20", "brick:0.001", "point-figure:10x3")) {
            BarMaker maker = maker(rule, null);
            assertThatThrownBy(() -> {
                        maker.addTick(START, 100, 1);
                        maker.addTick(START + 1, 1e9, 1);
                        maker.addTick(START + 2, 1e308, 1);
                    })
                    .as(rule)
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("too small");
        }
        for (String rule : List.of("brick:0.5%", "point-figure:0.5%x3")) {
            assertThatThrownBy(() -> ticks(rule, 1, -1, -2))
                    .as(rule)
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("above zero");
        }
        assertThatThrownBy(() -> ticks("brick:0.0000001%", 100, 200)).hasMessageContaining("too small");
        for (double tick : new double[] {1e-300, 1e9}) {
            BarMaker maker = BarMakers.of(BarRule.parse("brick:10"), null, tick, new BarSeries(4));
            assertThatThrownBy(() -> {
                        maker.addTick(START, 100, 1);
                        maker.addTick(START + 1, 101, 1);
                        for (int piece = 2; piece < 200_000; piece++) {
                            maker.addTick(START + piece, piece % 2 == 0 ? 1e12 : 100, 1);
                        }
                    })
                    .as("tick " + tick)
                    .hasMessageContaining("too small");
        }
    }

    @Test
    void aFewHundredBricksOutOfOnePriceAreAsTheyEverWere() {
        assertThat(ticks("brick:1", 100, 1100)).hasSize(1001);
    }
}
