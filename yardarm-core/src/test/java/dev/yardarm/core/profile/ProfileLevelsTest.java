package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** Levels of profiles of spans that are over, what closes say against them, spans of other kinds, and time at price. */
class ProfileLevelsTest {
    /** 4 October 2024, a Friday. */
    private static final long START = 20_000 * Times.DAY;

    /** Four bars a day, six hours each, from lows, highs and closes. */
    private static Bars bars(double[]... lowHighClose) {
        BarSeries series = new BarSeries(lowHighClose.length);
        for (int bar = 0; bar < lowHighClose.length; bar++) {
            double[] of = lowHighClose[bar];
            long open = START + bar * 6L * Times.HOUR;
            series.append(open, open + 6 * Times.HOUR, of[0], of[1], of[0], of[2], 100);
        }
        return series.snapshot();
    }

    private static double[] bar(double low, double high, double close) {
        return new double[] {low, high, close};
    }

    private static Surroundings around(Surroundings.Sides sides) {
        return new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.empty(), sides).withTick(1);
    }

    private static ColumnGraph graph() {
        return new ColumnGraph(around((from, until) -> Double.NaN));
    }

    private static List<Integer> holds(String cue, Bars bars) {
        ColumnGraph graph = graph();
        Column column =
                Formula.parseCondition(cue, Language.builtIn()).in(graph).output();
        graph.update(bars);
        List<Integer> holding = new ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            if (column.at(bar) == 1) {
                holding.add(bar);
            }
        }
        return holding;
    }

    private static Column column(String formula, Bars bars) {
        ColumnGraph graph = graph();
        Column column = Formula.parse(formula, Language.builtIn()).in(graph).output();
        graph.update(bars);
        return column;
    }

    /** A first day around 100 whose value area is 100 to 102 (of as much above and below the upper rows are taken), then another day. */
    private static Bars after(double[]... second) {
        double[][] all = new double[4 + second.length][];
        all[0] = bar(98, 102, 100);
        all[1] = bar(99, 101, 100);
        all[2] = bar(100, 100, 100);
        all[3] = bar(99, 101, 100);
        System.arraycopy(second, 0, all, 4, second.length);
        return bars(all);
    }

    @Test
    void theEdgesOfTheDayBefore() {
        Bars bars = after(bar(99, 101, 100));
        assertThat(column("profile(session back 1).value_high", bars).at(4)).isEqualTo(102);
        assertThat(column("profile(session back 1).value_low", bars).at(4)).isEqualTo(100);
    }

    @Test
    void closesInsideThreeOnEndAndNotTheFourth() {
        Bars bars = after(bar(100, 101, 100), bar(100, 103, 101), bar(98, 101, 100), bar(100, 101, 100));
        assertThat(holds("profile(session).inside", bars)).containsExactly(4, 5, 6, 7);
        assertThat(holds("profile(session).three_inside", bars)).containsExactly(6);
        assertThat(holds("profile(session).opened_inside", bars)).containsExactly(4, 5, 6, 7);
        assertThat(holds("profile(session).rejected_above", bars)).containsExactly(5);
        assertThat(holds("profile(session).rejected_below", bars)).containsExactly(6);
    }

    @Test
    void acceptedOutsideAndBackAtTheEdge() {
        Bars bars = after(bar(103, 106, 105), bar(104, 107, 106), bar(101, 105, 104), bar(103, 104, 103));
        assertThat(holds("profile(session).opened_above", bars)).containsExactly(4, 5, 6, 7);
        assertThat(holds("profile(session).accepted_above", bars)).containsExactly(6);
        assertThat(holds("profile(session).retest_high", bars)).containsExactly(6);
        Bars down = after(bar(94, 97, 95), bar(94, 97, 96), bar(95, 100, 96), bar(90, 96, 91));
        assertThat(holds("profile(session).opened_below", down)).containsExactly(4, 5, 6, 7);
        assertThat(holds("profile(session).accepted_below", down)).containsExactly(6);
        assertThat(holds("profile(session).retest_low", down)).containsExactly(6);
    }

    @Test
    void aPointOfControlIsUntouchedUntilABarCoversIt() {
        Bars bars = after(
                bar(103, 106, 105),
                bar(104, 107, 106),
                bar(103, 105, 104),
                bar(102, 104, 103),
                bar(101, 104, 103),
                bar(99, 101, 101));
        Column below = column("profile(session).untouched_below", bars);
        assertThat(below.at(3)).isNaN();
        assertThat(below.at(4)).isEqualTo(100);
        assertThat(below.at(8)).isEqualTo(100);
        assertThat(below.at(9)).isNaN();
        // The point of control of the second day, 104, was left above.
        assertThat(column("profile(session).untouched_above", bars).at(9)).isNaN();
        Column formingTells = column("profile(session).untouched_below", withForming(bars.first(9), 99, 101, 101));
        assertThat(formingTells.at(9)).isNaN();
    }

    private static Bars withForming(Bars closed, double low, double high, double close) {
        BarSeries series = new BarSeries(closed.size() + 1);
        series.appendAll(closed);
        long open = closed.closeTime(closed.size() - 1);
        series.form(open, open + 6 * Times.HOUR, low, high, low, close, 100);
        return series.snapshot();
    }

    /** Where trades are known, a bar that jumps over the row does not touch it. */
    @Test
    void jumpingOverARowIsNotTouchingItWhereTradesAreKnown() {
        TickSeries ticks = new TickSeries(16);
        for (int print = 0; print < 6; print++) {
            ticks.append(START + print, 100, 5, TickSeries.ASK);
        }
        ticks.append(START + Times.DAY, 105, 1, TickSeries.ASK);
        ticks.append(START + Times.DAY + 1, 95, 1, TickSeries.BID);
        ticks.append(START + 2 * Times.DAY, 95, 1, TickSeries.BID);
        ticks.append(START + 2 * Times.DAY + 1, 100, 1, TickSeries.BID);
        TradedSides sides = new TradedSides(START, Long.MAX_VALUE);
        sides.take(ticks);
        BarSeries series = new BarSeries(4);
        for (int day = 0; day < 3; day++) {
            long open = START + day * Times.DAY;
            double low = day == 0 ? 100 : 95;
            double high = day == 1 ? 105 : 100;
            series.append(open, open + Times.DAY, high, high, low, low, 10);
        }
        ColumnGraph graph = new ColumnGraph(around(sides));
        Column above = Formula.parse("profile(session).untouched_above", Language.builtIn())
                .in(graph)
                .output();
        DevelopingProfile profile =
                ProfileTerm.profile(graph, Settings.of(new ProfileTerm(), Map.of("span", "session")));
        graph.update(series.snapshot());
        assertThat(above.at(1)).isEqualTo(100);
        assertThat(above.at(2)).isNaN();
        assertThat(profile.untouched()).noneMatch(each -> each.price() == 100);
        assertThat(profile.untouched()).anyMatch(each -> each.price() == 105);
    }

    /** All that was said of untouched levels on the way, against a plain loop over the bars. */
    @Test
    void untouchedLevelsAgainstAPlainLoop() {
        SplittableRandom random = new SplittableRandom(3);
        double[][] all = new double[400][];
        double price = 500;
        for (int bar = 0; bar < all.length; bar++) {
            price += random.nextInt(-6, 7);
            all[bar] = bar(price - random.nextInt(5), price + random.nextInt(5), price);
        }
        Bars bars = bars(all);
        ColumnGraph graph = graph();
        Column above = Formula.parse("profile(session).untouched_above", Language.builtIn())
                .in(graph)
                .output();
        Column poc = Formula.parse("profile(session).poc", Language.builtIn())
                .in(graph)
                .output();
        graph.update(bars);
        for (int bar = 4; bar < bars.size(); bar++) {
            double nearest = Double.NaN;
            for (int last = 3; last < bar; last += 4) {
                double level = poc.at(last);
                boolean isReached = false;
                for (int later = last + 1; later <= bar; later++) {
                    isReached |= bars.low(later) < level + 1 && bars.high(later) >= level;
                }
                if (!isReached && level > bars.close(bar) && !(nearest <= level)) {
                    nearest = level;
                }
            }
            assertThat(above.at(bar)).as("bar " + bar).isEqualTo(Double.valueOf(nearest));
        }
    }

    @Test
    void fromAMomentBetweenTwoMomentsAndOverChosenSessions() {
        Bars bars = after(bar(110, 110, 110), bar(110, 110, 110), bar(110, 110, 110), bar(120, 120, 120));
        assertThat(column("profile(span: all).poc", bars).at(7)).isEqualTo(110);
        assertThat(column("profile(span: all, since: 2024-10-05).low", bars).at(7))
                .isEqualTo(110);
        assertThat(column("profile(span: all, since: 2024-10-05).low", bars).at(3))
                .isNaN();
        Column drawn = column("profile(span: all, since: 2024-10-04T06:00, until: 2024-10-04T18:00).high", bars);
        assertThat(drawn.at(0)).isNaN();
        assertThat(drawn.at(2)).isEqualTo(101);
        assertThat(drawn.at(7)).isEqualTo(101);
        ColumnGraph graph = graph();
        DevelopingProfile composite = ProfileTerm.profile(
                graph, Settings.of(new ProfileTerm(), Map.of("sessions", "2024-10-05, 2024-10-04")));
        composite.column(0);
        graph.update(bars);
        assertThat(composite.spans()).hasSize(1);
        assertThat(composite.spans().get(0).rows().total()).isEqualTo(800);
        assertThatThrownBy(() -> Settings.of(new ProfileTerm(), Map.of("sessions", "yesterday")))
                .hasMessageContaining("must be dates such as");
        assertThatThrownBy(() -> Settings.of(new ProfileTerm(), Map.of("until", "start")))
                .hasMessageContaining("or end");
    }

    @Test
    void volumeOfRisingAndFallingBarsIsToldApart() {
        Bars bars = bars(bar(100, 104, 104), bar(100, 104, 100), bar(100, 104, 103));
        ColumnGraph graph = graph();
        DevelopingProfile profile = ProfileTerm.profile(
                graph, Settings.of(new ProfileTerm(), Map.of("span", "all", "split", "rising and falling bars")));
        profile.column(0);
        graph.update(bars);
        PriceRows rows = profile.spans().get(0).rows();
        assertThat(rows.total()).isEqualTo(300);
        // Both that close above their open count as bought, the one that closes where it opened on neither side.
        assertThat(rows.delta()).isEqualTo(200);
    }

    /** Two heaps with next to nothing between them, and thin ends that are no areas. */
    @Test
    void highAndThinAreasByHand() {
        PriceRows rows = new PriceRows(new PriceSteps(1), 1);
        double[] volumes = {1, 2, 60, 90, 100, 80, 4, 3, 2, 3, 5, 85, 90, 80, 40, 1};
        for (int row = 0; row < volumes.length; row++) {
            rows.add(200 + row, volumes[row], TickSeries.ASK);
        }
        // Smoothed over three rows: 1.5 21 51 83 90 61 29 3 3 3 31 60 85 70 40 20; two thirds of 90 are 60, a quarter
        // is 22.5.
        assertThat(VolumeAreas.of(rows))
                .containsExactly(
                        new VolumeAreas.Area(true, 203, 205),
                        new VolumeAreas.Area(false, 207, 209),
                        new VolumeAreas.Area(true, 211, 213));
        PriceRows few = new PriceRows(new PriceSteps(1), 1);
        few.add(1, 1, TickSeries.ASK);
        assertThat(VolumeAreas.of(few)).isEmpty();
    }

    @Test
    void timeAtPriceByHand() {
        TimeSpan span = new TimeSpan(
                0,
                1,
                new PriceRows(new PriceSteps(1), 1),
                List.of(
                        new TimeSpan.Block(0, 100, 104),
                        new TimeSpan.Block(1, 103, 106),
                        new TimeSpan.Block(2, 106, 110),
                        new TimeSpan.Block(4, 109, 111)));
        assertThat(span.count(103)).isEqualTo(2);
        assertThat(span.count(105)).isEqualTo(1);
        assertThat(span.opening(2)).containsExactly(100, 106);
        assertThat(span.opening(1)).containsExactly(100, 104);
        // 105, 107 and 108 were gone through once between others; the ends are ends.
        List<Long> singles = new ArrayList<>();
        for (long row = 100; row <= 111; row++) {
            if (span.isSingle(row)) {
                singles.add(row);
            }
        }
        assertThat(singles).containsExactly(105L, 107L, 108L);
        // Of the rows in two blocks, 106 is nearest to the middle.
        assertThat(span.area(0.7).control()).isEqualTo(106);
    }

    @Test
    void openingRangeAndWhatGoesBeyondIt() {
        Bars bars = after(bar(103, 106, 105), bar(102, 107, 106), bar(103, 108, 107.5), bar(101, 104, 101));
        String name = "time_profile(minutes: 360, opening: 2)";
        assertThat(column(name + ".open_high", bars).at(4)).isEqualTo(106);
        assertThat(column(name + ".open_high", bars).at(6)).isEqualTo(107);
        assertThat(column(name + ".open_low", bars).at(7)).isEqualTo(102);
        assertThat(holds(name + ".extends_up", bars)).containsExactly(6);
        assertThat(holds(name + ".extends_down", bars)).containsExactly(7);
    }

    /** Every column says of a prefix what it said then, and of the forming bar what it says when it closes so. */
    @Test
    void whatWasSaidThenIsWhatIsSaidOfAPrefix() {
        SplittableRandom random = new SplittableRandom(11);
        double[][] all = new double[120][];
        double price = 500;
        for (int bar = 0; bar < all.length; bar++) {
            price += random.nextInt(-6, 7);
            all[bar] = bar(price - random.nextInt(5), price + random.nextInt(5), price);
        }
        Bars bars = bars(all);
        for (String each : List.of(
                "profile(session).untouched_below",
                "profile(week).untouched_above",
                "time_profile(minutes: 720).poc",
                "time_profile(minutes: 720).value_low",
                "view_profile.poc")) {
            Column whole = column(each, bars);
            for (int size = 1; size < bars.size(); size += 7) {
                assertThat(column(each, bars.first(size)).at(size - 1))
                        .as(each + " at " + size)
                        .isEqualTo(Double.valueOf(whole.at(size - 1)));
                Bars forming = withForming(bars.first(size), bars.low(size), bars.high(size), bars.close(size));
                assertThat(column(each, forming).at(size))
                        .as(each + " forming at " + size)
                        .isEqualTo(Double.valueOf(whole.at(size)));
            }
        }
    }
}
