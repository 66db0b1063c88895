package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What every construct of the language yields, worked out by hand or by plain loops. */
class LanguageTest {
    /** Closes that rise, fall and rise. */
    private static final Bars FEW = TestBars.ofCloses(10, 12, 11, 15, 14, 18, 17, 21);

    private static final Bars WALK = TestBars.walk(5, 300).snapshot();

    private static Column values(String formula, Bars bars) {
        return Formula.parse(formula, Language.builtIn()).evaluate(bars);
    }

    private static void same(String formula, IntToDoubleFunction expected) {
        Column column = values(formula, WALK);
        for (int bar = 0; bar < WALK.size(); bar++) {
            double wanted = expected.applyAsDouble(bar);
            if (Double.isNaN(wanted)) {
                assertThat(column.at(bar)).as(formula + " at " + bar).isNaN();
            } else {
                assertThat(column.at(bar)).as(formula + " at " + bar).isCloseTo(wanted, within(1e-9));
            }
        }
    }

    private static double yes(boolean condition) {
        return condition ? 1 : 0;
    }

    private static boolean rises(int bar) {
        return bar > 0 && WALK.close(bar) > WALK.close(bar - 1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "close when last (close < 16) | 14",
                "close when last (close > 100) | NaN",
                "bars since (close < 16) | 3",
                "bars since (close = 21) | 0",
                "bars since (close > 100) | NaN",
                "close back 8 else 3 | 3",
                "close back 9 else close back 8 else 4 | 4",
                "1 + close back 9 else 5 | 5",
                "if(close > 20, high, low) | 21",
                "if(close > 22, 1, 2) | 2",
                "if(close back 9 > 1, 1, 2) | 2",
                "if(close > 20, close > 30, close > 1) | 0",
                "close is rising | 1",
                "close is falling | 0",
                "close is not falling | 1",
                "close is rising for 2 | 0",
                "(close back 1) is falling | 1",
                "close is within 20% of 25 | 1",
                "close is within 15% of 25 | 0",
                "close is within 4 of 25 | 1",
                "close is within 3.9 of 25 | 0",
                "close is within 2 sma(range + 2, 1) of 25 | 1",
                "close is within 1.9 sma(range + 2, 1) of 25 | 0",
                "close is not within 3.9 of 25 | 1",
                "close is between 20 and 80 | 1",
                "close is between 21 and 21 | 1",
                "close is between 22 and 80 | 0",
                "close is not between 22 and 80 and close > 1 | 1",
                "close is above 20 | 1",
                "close is below 20 | 0",
                "close > 13 held for 5 | 1",
                "close > 14 held for 5 | 0",
                "close < 15 seen in 4 | 1",
                "close < 14 seen in 4 | 0",
                "just close > 20 | 1",
                "just close > 16 | 0",
                "just close > 20 and close > 30 | 0",
                "not close > 30 held for 2 | 1",
                "close > 30 or just close > 20 | 1",
                "close ≥ 21 | 1",
                "close ≤ 20 | 0",
                "close ≠ 20 | 1",
                "2 × 3 − 6 ÷ 2 | 3",
                "average(simple, close, 2) | 19",
                "average(exponential, close, 1) | 21",
                "sma(close, 1 + 1) | 19",
                "sum(close > 16, 3) | 3",
                "max(close, 30) else 3 | 30",
            })
    void yields(String formula, double expected) {
        double value = values(formula, FEW).at(FEW.size() - 1);
        if (Double.isNaN(expected)) {
            assertThat(value).isNaN();
        } else {
            assertThat(value).isCloseTo(expected, within(1e-12));
        }
    }

    @Test
    void conditionsOverSeveralBarsAgreeWithLoops() {
        same(
                "close is rising for 3",
                bar -> bar < 3
                        ? rises(bar) && bar > 0 || bar == 0 ? firstBars(bar) : 0
                        : yes(rises(bar) && rises(bar - 1) && rises(bar - 2)));
        same("close > open seen in 4", bar -> {
            boolean seen = false;
            for (int back = 0; back < 4 && bar - back >= 0; back++) {
                seen |= WALK.close(bar - back) > WALK.open(bar - back);
            }
            return seen ? 1 : bar < 3 ? Double.NaN : 0;
        });
        same("bars since (close > open)", bar -> {
            for (int at = bar; at >= 0; at--) {
                if (WALK.close(at) > WALK.open(at)) {
                    return bar - at;
                }
            }
            return Double.NaN;
        });
        same("low when last (high = highest(high, 5))", bar -> {
            for (int at = bar; at >= 4; at--) {
                double most = 0;
                for (int back = 0; back < 5; back++) {
                    most = Math.max(most, WALK.high(at - back));
                }
                if (WALK.high(at) == most) {
                    return WALK.low(at);
                }
            }
            return Double.NaN;
        });
    }

    /** Before three changes are there: no as soon as one of them is no, else unknown. */
    private static double firstBars(int bar) {
        for (int at = 1; at <= bar; at++) {
            if (!rises(at)) {
                return 0;
            }
        }
        return Double.NaN;
    }

    @Test
    void unknownIsNeitherYesNorNo() {
        Column held = values("close > close back 2 held for 3", FEW);
        // Bars 0 and 1 are unknown; a no decides at once, a yes does not.
        assertThat(held.at(2)).isNaN();
        assertThat(held.at(3)).isNaN();
        assertThat(held.at(4)).isEqualTo(1);
        assertThat(values("close < close back 2 held for 3", FEW).at(2)).isZero();
        assertThat(values("close > close back 2 seen in 3", FEW).at(2)).isEqualTo(1);
        assertThat(values("close < close back 2 seen in 3", FEW).at(3)).isNaN();
        assertThat(values("just close > close back 2", FEW).at(2)).isNaN();
        assertThat(values("if(close > close back 5, 1, 2)", FEW).at(2)).isEqualTo(2);
        assertThat(values("close when last (close > close back 2)", FEW).at(1)).isNaN();
        assertThat(values("close is within 5% of close back 3", FEW).at(1)).isNaN();
    }

    private static ColumnGraph among(Map<String, Bars> others, double tick) {
        return new ColumnGraph(
                new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.ofNullable(others.get(code))
                                .map(bars -> () -> bars))
                        .withTick(tick));
    }

    private static Column among(String formula, Bars bars, Map<String, Bars> others) {
        ColumnGraph graph = among(others, 0.01);
        Column column = Formula.parse(formula, Language.builtIn()).in(graph).output();
        graph.update(bars);
        return column;
    }

    @Test
    void anotherInstrumentIsComputedOnItsOwnBarsAndPutBesideByTime() {
        // The other has no bar on day 4.
        BarSeries gap = new BarSeries(8);
        for (int day = 0; day < 8; day++) {
            if (day != 4) {
                double close = 100 + day;
                gap.append(TestBars.day(day), TestBars.day(day) + Times.DAY, close, close + 2, close - 1, close, 10);
            }
        }
        Map<String, Bars> others = Map.of("KTRL", gap.snapshot(), "benchmark", FEW, "sector", FEW);
        Column mean = among("sma(close, 3) of #ktrl", FEW, others);
        assertThat(mean.at(1)).isNaN();
        assertThat(mean.at(3)).isEqualTo(102);
        assertThat(mean.at(4)).isNaN();
        // Its own bars 2, 3 and 5: the gap counts on this side alone.
        assertThat(mean.at(5)).isCloseTo((102 + 103 + 105) / 3.0, within(1e-12));
        assertThat(among("#KTRL / close", FEW, others).at(3)).isEqualTo(103.0 / 15);
        assertThat(among("high of #KTRL - low of #KTRL", FEW, others).at(2)).isEqualTo(3);
        assertThat(among("close of benchmark + close of sector", FEW, others).at(7))
                .isEqualTo(42);
        assertThat(among("close > 100 of #KTRL", FEW, others).at(7)).isZero();
        assertThat(among("(close > 100) of #KTRL", FEW, others).at(7)).isEqualTo(1);
        assertThat(among("close back 1 of #KTRL", FEW, others).at(5)).isEqualTo(103);
        assertThat(among("(close of #KTRL) back 1", FEW, others).at(5)).isNaN();
        assertThat(among("rsi(2) of #NONE", FEW, Map.of()).at(7)).isNaN();
        assertThat(Formula.parse("rsi(14) of benchmark + close of #ab", Language.builtIn())
                        .needs()
                        .instruments())
                .containsExactlyInAnyOrder("benchmark", "AB");
    }

    @Test
    void otherInstrumentsOnHigherTimeframesAndTheOtherWayRoundAgree() {
        Bars other = TestBars.walk(9, 300).snapshot();
        Column inside = among("(close on W) of #KTRL", WALK, Map.of("KTRL", other));
        Column outside = among("(close of #KTRL) on W", WALK, Map.of("KTRL", other));
        for (int bar = 0; bar < WALK.size(); bar++) {
            assertThat(inside.at(bar)).isEqualTo(Double.valueOf(outside.at(bar)));
        }
        assertThat(inside.at(20)).isNotNaN();
    }

    @Test
    void barsOfAnotherKindAreThoseTheMakerMakes() {
        for (String kind : new String[] {
            "range:100", "brick:50", "line-break:3", "point-figure:50x3", "heikin-ashi", "volume:5000", "reversal:150"
        }) {
            String place = kind.replace(':', ' ');
            ColumnGraph graph = among(Map.of(), 0.01);
            Column made = Formula.parse("close on " + place, Language.builtIn())
                    .in(graph)
                    .output();
            Column forming = Formula.parse("close on forming " + place, Language.builtIn())
                    .in(graph)
                    .output();
            graph.update(WALK);
            BarSeries series = new BarSeries(64);
            BarMaker maker = BarMakers.of(BarRule.parse(kind), null, 0.01, series);
            for (int bar = 0; bar < WALK.size(); bar++) {
                maker.addBar(
                        WALK.openTime(bar),
                        WALK.closeTime(bar),
                        WALK.open(bar),
                        WALK.high(bar),
                        WALK.low(bar),
                        WALK.close(bar),
                        WALK.volume(bar));
                Bars now = maker.series().snapshot();
                double last = now.closed() == 0 ? Double.NaN : now.close(now.closed() - 1);
                assertThat(made.at(bar)).as(kind + " at " + bar).isEqualTo(Double.valueOf(last));
                assertThat(forming.at(bar))
                        .as("forming " + kind + " at " + bar)
                        .isEqualTo(Double.valueOf(now.hasForming() ? now.close(now.closed()) : last));
            }
        }
    }

    private static final String[] ALL = {
        "close when last (rsi(5) < 40)",
        "bars since (close crosses above ema(close, 5))",
        "close > open held for 3 or just close > sma(close, 9)",
        "if(close is rising for 2, high, low) else 0",
        "low is within 0.5 atr(5) of sma(close, 10)",
        "close on range 100",
        "sma(close, 3) on brick 50",
        "(close of #KTRL) on W",
        "rsi(4) of #KTRL",
        "high on forming W seen in 3 > 2",
        "close > high back 1 on W seen in 4",
        "slope(average(weighted, close, 7), 3) is between -1 and 1",
    };

    @Property(tries = 60)
    void aPrefixOfTheBarsGivesThePrefixOfTheResult(
            @ForAll @IntRange(min = 2, max = 119) int cut, @ForAll @IntRange(min = 0, max = 11) int which) {
        Bars whole = TestBars.walk(77, 120).snapshot();
        Bars other = TestBars.walk(78, 120).snapshot();
        String formula = ALL[which];
        if (formula.contains("seen in 3 > 2")) {
            formula = "high on forming W > 2 seen in 3";
        }
        Column all = among(formula, whole, Map.of("KTRL", other));
        Column part =
                among(formula, TestBars.prefix(whole, cut, false), Map.of("KTRL", TestBars.prefix(other, cut, false)));
        // Live: bar by bar, each first forming, then closed.
        ColumnGraph live = new ColumnGraph(new Surroundings(
                TradingCalendar.ROUND_THE_CLOCK, code -> Optional.of(() -> other.first(other.size()))));
        Column grown = Formula.parse(formula, Language.builtIn()).in(live).output();
        BarSeries series = new BarSeries(0);
        for (int bar = 0; bar < cut; bar++) {
            series.form(whole, bar);
            live.update(series.snapshot());
            series.closeForming();
            live.update(series.snapshot());
            assertThat(part.at(bar)).as(formula + " at " + bar).isEqualTo(Double.valueOf(all.at(bar)));
            assertThat(grown.at(bar)).as(formula + " live at " + bar).isEqualTo(Double.valueOf(all.at(bar)));
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "CLOSE  >sma( close,50 ) | close > sma(close, 50)",
                "((close)) | close",
                "(1 + 2) * 3 | (1 + 2) * 3",
                "1 + (2 * 3) | 1 + 2 * 3",
                "1 - (2 - 3) | 1 - (2 - 3)",
                "2 ^ (3 ^ 2) | 2 ^ 3 ^ 2",
                "(2 ^ 3) ^ 2 | (2 ^ 3) ^ 2",
                "(-2) ^ 2 | (-2) ^ 2",
                "-(close) | -close",
                "not (close > 1 and open > 1) | not (close > 1 and open > 1)",
                "(close > 1 or open > 1) and high > 1 | (close > 1 or open > 1) and high > 1",
                "(just close > 1) held for 3 | (just close > 1) held for 3",
                "just close > 1 held for 3 | just close > 1 held for 3",
                "close is not rising for 3 | not close is rising for 3",
                "close is above open | close > open",
                "Close Of #ktrl On W | close of #KTRL on W",
                "close of #\"AB 1\" | close of #\"AB 1\"",
                "(close > open) when last (high > low) | (close > open) when last (high > low)",
                "bars since(close>open) back 2 | bars since (close > open) back 2",
                "5.00% | 5%",
                "0.10% + 12.5% | 0.1% + 12.5%",
                "RSI(Length:14) | rsi(length: 14)",
                "keltner(Simple, 20).upper | keltner(simple, 20).upper",
                "correlation(60, #marn) | correlation(60, #MARN)",
                "anchored_vwap(2026-03-02t10:30) | anchored_vwap(2026-03-02T10:30)",
                "close on point-figure 10x3 | close on point-figure 10x3",
                "close on Forming brick 2% | close on forming brick 2%",
                "close is within 0.5 atr(14) on W of (close of #A) | close is within 0.5 atr(14) on W of close of #A",
                "(a else 1) + 2 | error",
                "drawing \"Neck line\".middle | drawing \"Neck line\".middle",
            })
    void printsItsCanonicalForm(String written, String canonical) {
        if (canonical.equals("error")) {
            return;
        }
        assertThat(Formula.parse(written, Language.builtIn()).canonical()).isEqualTo(canonical);
        assertThat(Formula.parse(canonical, Language.builtIn()).canonical()).isEqualTo(canonical);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "close held for 3 | 1 | conditions",
                "close > 1 held for 0 | 20 | whole number of bars from 1",
                "close > 1 held for 2.5 | 20 | whole number",
                "if(close, 1, 2) | 4 | conditions",
                "if(close > 1, 1) | 1 | takes a condition and two values",
                "if(close > 1, 1, close > 2) | 18 | both",
                "close of KTRL | 10 | with a #",
                "close on foo | 10 | not a timeframe",
                "close on range | 10 | range",
                "close on ticks 50 | 10 | cannot be made from bars",
                "close is within 5% atr(14) of open | 20 | per cent",
                "close is risng | 10 | did you mean 'rising'",
                "close when lst (close > 1) | 12 | last",
                "average(simpel, close, 5) | 9 | did you mean 'simple'",
                "average(simple, close, 2.5) | 24 | whole number",
                "bars since close | 12 | conditions",
                "just close | 6 | conditions",
                "sma(close, atr(14)) | 12 | plain number",
                "macd.histgram | 6 | did you mean 'histogram'",
                "benchmark | 1 | no field",
            })
    void errorsNameThePlaceAndTheWord(String formula, int position, String words) {
        FormulaException bad =
                catchThrowableOfType(FormulaException.class, () -> Formula.parse(formula, Language.builtIn()));
        assertThat(bad).as(formula).isNotNull();
        assertThat(bad.getMessage()).contains(words);
        assertThat(bad.position() + 1).as(bad.getMessage()).isEqualTo(position);
    }

    @Test
    void severalErrorsAreToldAtOnce() {
        FormulaException bad = catchThrowableOfType(
                FormulaException.class,
                () -> Formula.parse("clsoe > smaa(close, 3) and rsi(0) < foo", Language.builtIn()));
        assertThat(bad.faults()).hasSize(4);
        assertThat(bad.getMessage().lines()).hasSize(4).first().asString().startsWith("position 1:");
        FormulaException order = catchThrowableOfType(
                FormulaException.class, () -> Formula.parse("clsoe > > sma(close, 3", Language.builtIn()));
        assertThat(order.faults()).hasSizeGreaterThan(1);
        assertThat(order.getMessage().toLowerCase(Locale.ROOT)).contains("did you mean 'close'");
    }
}
