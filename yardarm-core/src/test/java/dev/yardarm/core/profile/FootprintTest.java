package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.SidesThen;
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
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The trades of bars by price in a graph, on bars of every kind, against values worked out by hand and by plain loops. */
class FootprintTest {
    private static final long START = 20_000 * Times.DAY;
    private static final List<String> COLUMNS = List.of(
            "footprint.poc",
            "footprint.delta",
            "footprint.delta_high",
            "footprint.delta_low",
            "footprint.volume",
            "footprint.trades",
            "footprint.bought_run",
            "footprint.sold_run",
            "big_trades(60).bought",
            "big_trades(share: 2).sold",
            "big_trades(share: 2).largest",
            "delta");

    private static TickSeries walk(long seed, int count) {
        SplittableRandom random = new SplittableRandom(seed);
        TickSeries ticks = new TickSeries(count);
        long price = 400;
        long time = START;
        for (int tick = 0; tick < count; tick++) {
            price += random.nextInt(-2, 3);
            time += random.nextLong(6 * Times.SECOND);
            ticks.append(time, price / 4.0, 1 + random.nextInt(90), (byte) (random.nextBoolean() ? 1 : -1));
        }
        return ticks;
    }

    private static RecordedTrades recorded(String kind) {
        return new RecordedTrades(BarMakers.of(BarRule.parse(kind), null, 0.25, new BarSeries(64)));
    }

    private static Surroundings knowing(Surroundings.Sides sides) {
        return new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.empty(), sides).withTick(0.25);
    }

    private static List<Column> columns(ColumnGraph graph) {
        List<Column> columns = new ArrayList<>();
        for (String each : COLUMNS) {
            columns.add(Formula.parse(each, Language.builtIn()).in(graph).output());
        }
        return columns;
    }

    private static Footprint footprint(ColumnGraph graph, Map<String, String> settings) {
        return FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), settings))
                .footprint();
    }

    /** Four trades at three prices, by hand. */
    @Test
    void aBarByHand() {
        TickSeries ticks = new TickSeries(8);
        ticks.append(START, 100.00, 10, TickSeries.ASK);
        ticks.append(START + 1, 100.25, 40, TickSeries.ASK);
        ticks.append(START + 2, 100.25, 5, TickSeries.BID);
        ticks.append(START + 3, 100.50, 30, TickSeries.ASK);
        ticks.append(START + 4, 100.00, 12, TickSeries.BID);
        ticks.append(START + 5, 100.25, 50, TickSeries.BID);
        ticks.append(START + 2 * Times.MINUTE, 101.00, 1, TickSeries.BID);
        TradedSides sides = new TradedSides(START, Long.MAX_VALUE);
        sides.take(ticks);
        BarMaker maker =
                BarMakers.of(BarRule.parse("time:1m"), TradingCalendar.ROUND_THE_CLOCK, 0.25, new BarSeries(8));
        maker.addTicks(ticks, 0, ticks.size());
        ColumnGraph graph = new ColumnGraph(knowing(sides));
        List<Column> columns = columns(graph);
        DevelopingFootprint developing =
                FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of("ratio", "3", "least", "10")));
        developing.column(0);
        ColumnGraph.Node low = Formula.parseCondition("footprint.unfinished_low", Language.builtIn())
                .in(graph);
        ColumnGraph.Node high = Formula.parseCondition("footprint.unfinished_high", Language.builtIn())
                .in(graph);
        graph.update(maker.series().snapshot());
        Footprint footprint = developing.footprint();
        BarLevels levels = footprint.levels(0);
        assertThat(footprint.end(0) - footprint.start(0)).isEqualTo(3);
        assertThat(new double[] {
                    levels.bid(0), levels.ask(0), levels.bid(1), levels.ask(1), levels.bid(2), levels.ask(2)
                })
                .containsExactly(12, 10, 55, 40, 0, 30);
        assertThat(levels.price(footprint.control(0))).isEqualTo(100.25);
        assertThat(levels.bottom(0)).isEqualTo(99.875);
        assertThat(levels.top(0)).isEqualTo(100.125);
        // Delta on the way: 10, 50, 45, 75, 63, 13.
        assertThat(columns.stream().mapToDouble(each -> each.at(0)).toArray()).startsWith(100.25, 13, 75, 0, 147, 6);
        Imbalance imbalance = footprint.imbalance();
        // 40 at the ask of 100.25 against 12 at the bid of 100.00: three times; 30 against 55: not.
        assertThat(imbalance.isBought(levels, 0, 1)).isTrue();
        assertThat(imbalance.isBought(levels, 0, 2)).isFalse();
        // Nobody is across the ends.
        assertThat(imbalance.isBought(levels, 0, 0)).isFalse();
        assertThat(imbalance.isSold(levels, 3, 2)).isFalse();
        // 55 at the bid against 30 at the ask above, 12 against 40: not.
        assertThat(imbalance.isSold(levels, 3, 1)).isFalse();
        assertThat(new Imbalance(1.8, 10, 2).isSold(levels, 3, 1)).isTrue();
        assertThat(new Imbalance(3, 41, 2).isBought(levels, 0, 1)).isFalse();
        // Both sides traded at the low, buyers alone at the high.
        assertThat(low.output().at(0)).isEqualTo(1);
        assertThat(high.output().at(0)).isZero();
    }

    @Test
    void aRunEndsWhereARowIsMissing() {
        BarLevels.Maker made = new BarLevels.Maker(new dev.yardarm.core.bars.PriceSteps(1), 1);
        for (double price : new double[] {10, 11, 12, 13, 16, 17}) {
            made.add(price, 1, TickSeries.BID);
            made.add(price, 20, TickSeries.ASK);
        }
        made.next();
        BarLevels levels = made.view();
        // 11, 12, 13; then 16 stands alone above rows without trades, and 17 goes on from it.
        assertThat(new Imbalance(3, 2, 3).run(levels, 0, 6, true)).isEqualTo(3);
        assertThat(new Imbalance(3, 2, 3).run(levels, 0, 6, false)).isZero();
        // The one sold at 13 meets nobody at the ask of 14: with so little needed it is an imbalance of its own.
        assertThat(new Imbalance(3, 1, 3).run(levels, 0, 6, false)).isEqualTo(1);
    }

    /** To the last contract: what is in a bar's rows is what was counted in the bar, whatever ends it. */
    @ParameterizedTest
    @ValueSource(strings = {"ticks:50", "volume:1000", "range:10", "reversal:10", "brick:8", "line-break:3"})
    void rowsOfBarsThatAreNotOfTimeAddUpToThem(String kind) {
        TickSeries ticks = walk(3, 4000);
        RecordedTrades maker = recorded(kind);
        maker.addTicks(ticks, 0, ticks.size());
        Bars bars = maker.series().snapshot();
        ColumnGraph graph = new ColumnGraph(knowing(maker));
        DevelopingFootprint developing = FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of()));
        List<Column> columns = columns(graph);
        graph.update(bars);
        Footprint footprint = developing.footprint();
        assertThat(footprint.bars()).isEqualTo(bars.size()).isGreaterThan(20);
        double delta = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            double sum = 0;
            for (int row = footprint.start(bar); row < footprint.end(bar); row++) {
                sum += footprint.levels(bar).volume(row);
            }
            assertThat(sum).as("bar " + bar).isCloseTo(bars.volume(bar), within(1e-9));
            assertThat(columns.get(4).at(bar)).isCloseTo(bars.volume(bar), within(1e-9));
            delta += columns.get(1).at(bar);
        }
        double traded = 0;
        for (int tick = 0; tick < ticks.size(); tick++) {
            traded += ticks.side(tick) * ticks.size(tick);
        }
        if (Arrays.stream(ticks.sizes(), 0, ticks.size()).sum()
                == java.util.stream.IntStream.range(0, bars.size())
                        .mapToDouble(bars::volume)
                        .sum()) {
            assertThat(delta).isCloseTo(traded, within(1e-6));
        }
    }

    /** Fed trade by trade it says what it says of all at once, and of every prefix what was said then. */
    @ParameterizedTest
    @ValueSource(strings = {"time:1m", "range:10", "volume:900"})
    void liveEqualsRebuiltAndAPrefixIsThePrefix(String kind) {
        TickSeries ticks = walk(8, 3000);
        RecordedTrades maker = BarRule.parse(kind).isTime()
                ? new RecordedTrades(
                        BarMakers.of(BarRule.parse(kind), TradingCalendar.ROUND_THE_CLOCK, 0.25, new BarSeries(64)))
                : recorded(kind);
        ColumnGraph live = new ColumnGraph(knowing(maker));
        DevelopingFootprint of = FootprintTerm.footprint(live, Settings.of(new FootprintTerm(), Map.of()));
        List<Column> columns = columns(live);
        List<double[]> then = new ArrayList<>();
        for (int tick = 0; tick < ticks.size(); tick += 1 + tick % 7) {
            int end = Math.min(ticks.size(), tick + 1 + tick % 7);
            maker.addTicks(ticks, tick, end);
            live.update(maker.series().snapshot());
            if (tick % 50 == 0) {
                int bar = maker.series().snapshot().size() - 1;
                then.add(columns.stream().mapToDouble(each -> each.at(bar)).toArray());
                assertThat(rebuilt(kind, ticks, end)).isEqualTo(then.get(then.size() - 1));
            }
        }
        Footprint grown = of.footprint();
        ColumnGraph anew = new ColumnGraph(knowing(maker));
        columns(anew);
        anew.update(maker.series().snapshot());
        Footprint whole = footprint(anew, Map.of());
        for (int bar = 0; bar < grown.bars(); bar++) {
            assertThat(grown.end(bar) - grown.start(bar)).isEqualTo(whole.end(bar) - whole.start(bar));
            for (int row = 0; row < grown.end(bar) - grown.start(bar); row++) {
                assertThat(grown.levels(bar).bid(grown.start(bar) + row))
                        .isEqualTo(whole.levels(bar).bid(whole.start(bar) + row));
            }
        }
        assertThat(then).hasSizeGreaterThan(5);
    }

    private static double[] rebuilt(String kind, TickSeries ticks, int end) {
        RecordedTrades maker = BarRule.parse(kind).isTime()
                ? new RecordedTrades(
                        BarMakers.of(BarRule.parse(kind), TradingCalendar.ROUND_THE_CLOCK, 0.25, new BarSeries(64)))
                : recorded(kind);
        maker.addTicks(ticks, 0, end);
        ColumnGraph graph = new ColumnGraph(knowing(maker));
        List<Column> columns = columns(graph);
        Bars bars = maker.series().snapshot();
        graph.update(bars);
        return columns.stream().mapToDouble(each -> each.at(bars.size() - 1)).toArray();
    }

    @Test
    void smallerTradesCountAsZero() {
        TickSeries ticks = walk(5, 2000);
        RecordedTrades maker = recorded("range:10");
        maker.addTicks(ticks, 0, ticks.size());
        ColumnGraph graph = new ColumnGraph(knowing(maker));
        DevelopingFootprint developing =
                FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of("size", "80")));
        developing.column(0);
        Bars bars = maker.series().snapshot();
        graph.update(bars);
        Footprint footprint = developing.footprint();
        double shown = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            for (int row = footprint.start(bar); row < footprint.end(bar); row++) {
                shown += footprint.levels(bar).volume(row);
            }
        }
        double large = Arrays.stream(ticks.sizes(), 0, ticks.size())
                .filter(size -> size >= 80)
                .sum();
        assertThat(shown).isEqualTo(large).isPositive();
        assertThat(footprint.least()).isEqualTo(80);
    }

    @Test
    void withoutTradesThereIsNothingAndASpanBeforeTheirFirstIsNotKnown() {
        TickSeries ticks = walk(5, 2000);
        BarMaker maker =
                BarMakers.of(BarRule.parse("time:5m"), TradingCalendar.ROUND_THE_CLOCK, 0.25, new BarSeries(64));
        maker.addTicks(ticks, 0, ticks.size());
        Bars bars = maker.series().snapshot();
        long from = bars.openTime(3);
        TradedSides sides = new TradedSides(from, Long.MAX_VALUE);
        for (int tick = 0; tick < ticks.size(); tick++) {
            if (ticks.time(tick) >= from) {
                sides.take(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
            }
        }
        ColumnGraph graph = new ColumnGraph(knowing(sides));
        List<Column> columns = columns(graph);
        graph.update(bars);
        Footprint footprint = footprint(graph, Map.of());
        for (int bar = 0; bar < bars.size(); bar++) {
            assertThat(Double.isNaN(columns.get(4).at(bar))).isEqualTo(bar < 3);
            assertThat(footprint.start(bar) == footprint.end(bar)).isEqualTo(bar < 3);
        }
    }

    /** From a moment on the way only what was traded until then is known, in bars of time and in others. */
    @Test
    void sidesThenKnowNothingLater() {
        TickSeries ticks = walk(9, 1500);
        RecordedTrades maker = recorded("volume:2000");
        maker.addTicks(ticks, 0, ticks.size());
        Bars bars = maker.series().snapshot();
        long moment = ticks.time(700);
        SidesThen then = new SidesThen(maker, () -> moment);
        double known = 0;
        for (int tick = 0; tick < ticks.size() && ticks.time(tick) <= moment; tick++) {
            known += ticks.side(tick) * ticks.size(tick);
        }
        double counted = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            counted += then.delta(bars, bar);
        }
        assertThat(counted).isCloseTo(known, within(1e-6));
        assertThat(then.delta(START, Long.MAX_VALUE)).isCloseTo(known, within(1e-6));
        double[] handed = {0};
        assertThat(then.trades(START, Long.MAX_VALUE, (time, price, size, side) -> handed[0] += side * size))
                .isTrue();
        assertThat(handed[0]).isCloseTo(known, within(1e-6));
        assertThat(then.bySpan().delta(START, Long.MAX_VALUE)).isCloseTo(known, within(1e-6));
    }

    /** What is made of bars is not known by trades, though it came through the same door. */
    @Test
    void whatWasMadeOfBarsHasNoTrades() {
        RecordedTrades maker = recorded("range:10");
        maker.addBar(START, START + Times.MINUTE, 100, 104, 99, 103, 50);
        Bars bars = maker.series().snapshot();
        assertThat(maker.delta(bars, 0)).isNaN();
        assertThat(maker.trades(bars, 0, (time, price, size, side) -> {})).isFalse();
        assertThat(maker.bySpan().delta(START, START + Times.DAY)).isNaN();
    }

    /** Of a thousand and more sizes known before, the largest two per cent, as a plain sort says it. */
    @Test
    void theLargestShareFollowsFromTheTradesSoFar() {
        SplittableRandom random = new SplittableRandom(2);
        SizeRanks ranks = new SizeRanks();
        List<Double> sizes = new ArrayList<>();
        for (int trade = 0; trade < 5000; trade++) {
            double size = Math.exp(3 * random.nextDouble()) * 10;
            ranks.add(size);
            sizes.add(size);
            if (trade < 998) {
                assertThat(ranks.atLeast(0.02)).isNaN();
            }
        }
        sizes.sort((one, other) -> Double.compare(other, one));
        assertThat(ranks.atLeast(0.02)).isCloseTo(sizes.get(99), within(sizes.get(99) * 0.011));
        assertThat(ranks.atLeast(0.5)).isCloseTo(sizes.get(2499), within(sizes.get(2499) * 0.011));
    }
}
