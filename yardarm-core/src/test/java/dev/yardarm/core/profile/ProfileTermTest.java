package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** The profile of a period in formulas: as it stood at each bar, exact where trades are known, an estimate elsewhere. */
class ProfileTermTest {
    private static final List<String> FORMULAS = List.of(
            "profile(session).poc",
            "profile(session).value_high",
            "profile(session).value_low",
            "profile(week, 1).poc",
            "profile(session, back: 2).value_low",
            "profile(span: week, row: 4).high",
            "profile(session).estimated");

    private static TickSeries trades(int count) {
        SplittableRandom random = new SplittableRandom(12);
        TickSeries ticks = new TickSeries(count);
        long price = 400;
        long time = 20_000 * Times.DAY;
        for (int tick = 0; tick < count; tick++) {
            price += random.nextInt(-2, 3);
            time += random.nextLong(20 * Times.MINUTE);
            ticks.append(time, price / 4.0, 1 + random.nextInt(40), (byte) (random.nextBoolean() ? 1 : -1));
        }
        return ticks;
    }

    private static Bars hours(TickSeries ticks) {
        BarBuilder builder =
                new BarBuilder(new BarGrid(TradingCalendar.ROUND_THE_CLOCK, Timeframe.HOUR), new BarSeries(64));
        builder.addTicks(ticks, 0, ticks.size());
        return builder.series().snapshot();
    }

    private static Surroundings knowing(TickSeries ticks) {
        TradedSides sides = new TradedSides(Long.MIN_VALUE, Long.MAX_VALUE);
        sides.take(ticks);
        return new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.empty(), sides).withTick(0.25);
    }

    private static List<Column> columns(Surroundings surroundings, Bars bars) {
        ColumnGraph graph = new ColumnGraph(surroundings);
        List<ColumnGraph.Node> nodes = new ArrayList<>();
        for (String each : FORMULAS) {
            nodes.add(
                    each.endsWith("estimated")
                            ? Formula.parseCondition(each, Language.builtIn()).in(graph)
                            : Formula.parse(each, Language.builtIn()).in(graph));
        }
        graph.update(bars);
        return nodes.stream().map(ColumnGraph.Node::output).toList();
    }

    /** At the last bar of each day, and at every bar, it is the profile of the trades up to then. */
    @Test
    void withTradesItIsThatOfTheTradesUpToEachBar() {
        TickSeries ticks = trades(2500);
        Bars bars = hours(ticks);
        List<Column> columns = columns(knowing(ticks), bars);
        for (int bar = 0; bar < bars.closed(); bar++) {
            ProfileMaker maker = new ProfileMaker(
                    new ProfileSpan.Day(),
                    TradingCalendar.ROUND_THE_CLOCK,
                    new PriceSteps(0.25),
                    1,
                    Times.HOUR,
                    ValueArea.USUAL);
            int end = 0;
            while (end < ticks.size() && ticks.time(end) < bars.closeTime(bar)) {
                end++;
            }
            maker.add(ticks, 0, end);
            Profile now = maker.made().get(maker.made().size() - 1);
            assertThat(columns.get(0).at(bar)).as("bar " + bar).isEqualTo(now.control());
            assertThat(columns.get(1).at(bar))
                    .isEqualTo(now.rows().price(now.area().high()));
            assertThat(columns.get(2).at(bar))
                    .isEqualTo(now.rows().price(now.area().low()));
            assertThat(columns.get(6).at(bar)).isZero();
        }
    }

    @Test
    void aSpanBeforeStandsWhileTheNextOneGoesOn() {
        TickSeries ticks = trades(2500);
        Bars bars = hours(ticks);
        Surroundings known = knowing(ticks);
        List<Column> columns = columns(known, bars);
        Column own = columns.get(2);
        Column twoBack = columns.get(4);
        long day = Long.MIN_VALUE;
        List<Double> whole = new ArrayList<>();
        for (int bar = 0; bar < bars.closed(); bar++) {
            long its = Math.floorDiv(bars.openTime(bar), Times.DAY);
            if (its != day && bar > 0) {
                whole.add(own.at(bar - 1));
            }
            day = its;
            assertThat(twoBack.at(bar))
                    .isEqualTo(whole.size() < 2 ? Double.valueOf(Double.NaN) : whole.get(whole.size() - 2));
        }
        assertThat(whole).hasSizeGreaterThan(10);
    }

    @Test
    void whatIsSaidOfAPrefixIsThePrefixAndTheFormingBarSaysWhatItWouldIfItClosed() {
        TickSeries ticks = trades(900);
        Bars bars = hours(ticks);
        for (Surroundings surroundings : List.of(Surroundings.NONE.withTick(0.25), knowing(ticks))) {
            List<Column> whole = columns(surroundings, bars);
            for (int count = 1; count < bars.closed(); count += 5) {
                List<Column> part = columns(surroundings, bars.first(count));
                List<Column> live = columns(surroundings, TestBars.prefix(bars, count, true));
                for (int column = 0; column < FORMULAS.size(); column++) {
                    assertThat(part.get(column).at(count - 1))
                            .isEqualTo(Double.valueOf(whole.get(column).at(count - 1)));
                    assertThat(live.get(column).forming())
                            .as(FORMULAS.get(column) + " at " + count)
                            .isEqualTo(Double.valueOf(whole.get(column).at(count - 1)));
                }
            }
        }
    }

    @Test
    void withoutTradesItIsAnEstimateAndSaysSo() {
        TickSeries ticks = trades(500);
        Bars bars = hours(ticks);
        List<Column> columns = columns(Surroundings.NONE.withTick(0.25), bars);
        assertThat(columns.get(6).at(20)).isEqualTo(1);
        assertThat(columns.get(0).at(20))
                .isBetween(columns.get(2).at(20), columns.get(1).at(20));
        double high = Double.NEGATIVE_INFINITY;
        for (int bar = 0; bar <= 20; bar++) {
            high = Math.max(high, bars.high(bar));
        }
        assertThat(columns.get(5).at(20)).isEqualTo(high);
        // Bars without a price say what was said before.
        BarSeries holed = new BarSeries(3);
        holed.append(0, Times.HOUR, 10, 10.5, 10, 10.25, 8);
        holed.append(Times.HOUR, 2 * Times.HOUR, Double.NaN, Double.NaN, Double.NaN, Double.NaN, 8);
        List<Column> some = columns(Surroundings.NONE.withTick(0.25), holed.snapshot());
        assertThat(some.get(0).at(1)).isEqualTo(some.get(0).at(0));
    }

    @Test
    void aSpanBeforeIsWrittenAsItIsSaid() {
        Bars bars = hours(trades(2500));
        Column said = Formula.parse("profile(week back 1).value_high", Language.builtIn())
                .evaluate(bars);
        Column named = Formula.parse("profile(week, back: 1).value_high", Language.builtIn())
                .evaluate(bars);
        int last = bars.closed() - 1;
        assertThat(said.at(last)).isNotNaN().isEqualTo(named.at(last));
        assertThatThrownBy(() -> Formula.parse("profile(fortnight back 1).poc", Language.builtIn()))
                .hasMessageContaining("fortnight");
        assertThatThrownBy(() -> Formula.parse("profile(week back 99).poc", Language.builtIn()))
                .hasMessageContaining("50");
        assertThatThrownBy(() -> Formula.parse("rsi(close back 1 back)", Language.builtIn()))
                .isNotNull();
    }

    /** By a loop over the trades of each bar. */
    @Test
    void largeTradesOfABarAreSummedBySideAndMissingWithoutTrades() {
        TickSeries ticks = trades(1500);
        Bars bars = hours(ticks);
        ColumnGraph graph = new ColumnGraph(knowing(ticks));
        List<ColumnGraph.Node> nodes = new ArrayList<>();
        for (String each : List.of("big_trades(30).bought", "big_trades(30, 0).sold", "big_trades(size: 30).count")) {
            nodes.add(Formula.parse(each, Language.builtIn()).in(graph));
        }
        ColumnGraph.Node buying = Formula.parseCondition("big_trades(30).buying", Language.builtIn())
                .in(graph);
        graph.update(bars);
        for (int bar = 0; bar < bars.closed(); bar++) {
            double bought = 0;
            double sold = 0;
            int count = 0;
            for (int tick = 0; tick < ticks.size(); tick++) {
                boolean its = ticks.time(tick) >= bars.openTime(bar) && ticks.time(tick) < bars.closeTime(bar);
                if (its && ticks.size(tick) >= 30) {
                    bought += ticks.side(tick) > 0 ? ticks.size(tick) : 0;
                    sold -= ticks.side(tick) < 0 ? ticks.size(tick) : 0;
                    count++;
                }
            }
            assertThat(nodes.get(0).output().at(bar)).isEqualTo(bought);
            assertThat(nodes.get(1).output().at(bar)).isEqualTo(sold);
            assertThat(nodes.get(2).output().at(bar)).isEqualTo(count);
            assertThat(buying.output().at(bar)).isEqualTo(bought > 0 ? 1 : 0);
        }
        assertThat(Formula.parse("big_trades(30).bought", Language.builtIn())
                        .evaluate(bars)
                        .at(3))
                .isNaN();
    }
}
