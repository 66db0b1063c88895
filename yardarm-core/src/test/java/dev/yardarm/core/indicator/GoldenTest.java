package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Values of every indicator against those that golden.py works out from the published definitions. */
class GoldenTest {
    private static final int BAR_COLUMNS = 7;
    private static final List<String[]> ROWS = new ArrayList<>();
    private static String[] header;
    private static Bars bars;
    private static Bars other;

    @BeforeAll
    static void read() throws IOException {
        if (header != null) {
            return;
        }
        try (BufferedReader file = new BufferedReader(
                new InputStreamReader(GoldenTest.class.getResourceAsStream("golden.tsv"), StandardCharsets.UTF_8))) {
            file.lines().forEach(line -> ROWS.add(line.split("\t", -1)));
        }
        header = ROWS.remove(0);
        BarSeries own = new BarSeries(0);
        BarSeries another = new BarSeries(0);
        for (String[] row : ROWS) {
            long open = Long.parseLong(row[0]) * Times.MINUTE;
            long close = open + 360 * Times.MINUTE;
            own.append(open, close, number(row[1]), number(row[2]), number(row[3]), number(row[4]), number(row[5]));
            another.append(open, close, number(row[6]) - 1, number(row[6]) + 2, number(row[6]) - 3, number(row[6]), 1);
        }
        bars = own.snapshot();
        other = another.snapshot();
    }

    private static double number(String text) {
        return text.isEmpty() ? Double.NaN : Double.parseDouble(text);
    }

    static Stream<Integer> columns() throws IOException {
        read();
        return Stream.iterate(BAR_COLUMNS, column -> column + 1).limit(header.length - BAR_COLUMNS);
    }

    @ParameterizedTest
    @MethodSource("columns")
    void equalsWhatWasWorkedOutIndependently(int column) {
        Column values = evaluate(header[column]);
        for (int bar = 0; bar < bars.closed(); bar++) {
            double expected = number(ROWS.get(bar)[column]);
            String what = header[column] + " at bar " + bar;
            if (Double.isNaN(expected)) {
                assertThat(values.at(bar)).as(what).isNaN();
            } else {
                assertThat(Math.abs(values.at(bar) - expected))
                        .as(what + ": " + values.at(bar) + ", not " + expected)
                        .isLessThanOrEqualTo(1e-9 * Math.max(1, Math.abs(expected)));
            }
        }
    }

    private static Column evaluate(String formula) {
        ColumnGraph graph = new ColumnGraph(
                new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC), code -> Optional.of(() -> other)));
        ColumnGraph.Node node = Formula.parse(formula, Language.builtIn()).in(graph);
        graph.update(bars);
        return node.output();
    }

    /** What is not in the table is tested below or elsewhere by hand; candle patterns have a table of their own. */
    private static final Set<String> BY_HAND = Set.of("anchored_vwap", "exhaustion");

    @Test
    void everyIndicatorHasGoldenValues() {
        Set<String> covered = new LinkedHashSet<>();
        for (int column = BAR_COLUMNS; column < header.length; column++) {
            covered.add(header[column].split("[(.]")[0]);
        }
        for (Indicator indicator : Catalogue.builtIn().all()) {
            assertThat(covered.contains(indicator.name())
                            || BY_HAND.contains(indicator.name())
                            || indicator.family() == Indicator.Family.CANDLES)
                    .as(indicator.name())
                    .isTrue();
        }
    }

    @Test
    void everyOutputIsReachedByItsFormulaName() {
        for (Indicator indicator : Catalogue.builtIn().all()) {
            for (Indicator.Output output : indicator.outputs()) {
                Formula formula = Formula.parse(indicator.name() + "()." + output.name(), Language.builtIn());
                assertThat(formula.isCondition()).as(formula.text()).isEqualTo(output.cue());
                assertThat(Formula.parse(
                                        indicator.name() + "." + output.name().toUpperCase(java.util.Locale.ROOT),
                                        Language.builtIn())
                                .isCondition())
                        .isEqualTo(output.cue());
            }
        }
    }

    /** Four bars of 10, 20, 30, 40 with volumes 1, 1, 2, 4 from the anchor on: 10, 15, 90 / 4, 250 / 8. */
    @Test
    void anAnchoredAveragePriceBeginsAtItsAnchor() {
        BarSeries series = new BarSeries(0);
        double[] prices = {99, 98, 10, 20, 30, 40};
        double[] volumes = {5, 5, 1, 1, 2, 4};
        for (int bar = 0; bar < prices.length; bar++) {
            series.append(
                    TestBars.day(bar),
                    TestBars.day(bar + 1),
                    prices[bar],
                    prices[bar],
                    prices[bar],
                    prices[bar],
                    volumes[bar]);
        }
        Bars few = series.snapshot();
        for (String anchor : List.of("anchor: 2024-01-03", "2024-01-03")) {
            Column value = Formula.parse("anchored_vwap(" + anchor + ")", Language.builtIn())
                    .evaluate(few);
            assertThat(value.at(1)).isNaN();
            assertThat(List.of(value.at(2), value.at(3), value.at(4), value.at(5)))
                    .containsExactly(10.0, 15.0, 22.5, 31.25);
        }
        // At the third bar: prices 10, 20, 30 with volumes 1, 1, 2 around 22.5: (156.25 + 6.25 + 112.5) / 4 = 68.75.
        assertThat(Formula.parse("anchored_vwap(2024-01-03, 1, 2).upper1", Language.builtIn())
                        .evaluate(few)
                        .at(4))
                .isEqualTo(22.5 + Math.sqrt(68.75), org.assertj.core.api.Assertions.within(1e-12));
        assertThat(Formula.parse("anchored_vwap", Language.builtIn())
                        .evaluate(few)
                        .at(0))
                .isEqualTo(99);
    }

    private static double[] count(String output, double... closes) {
        Column column =
                Formula.parse("exhaustion(" + output, Language.builtIn()).evaluate(TestBars.ofCloses(closes));
        double[] values = new double[closes.length];
        for (int bar = 0; bar < closes.length; bar++) {
            values[bar] = column.at(bar);
        }
        return values;
    }

    /** Rising to 20, then falling by 1: the first close below the one four bars before is the third of the fall. */
    private static double[] fall(int bars) {
        double[] closes = new double[bars];
        for (int bar = 0; bar < bars; bar++) {
            closes[bar] = bar <= 10 ? 90 + bar : 110 - bar;
        }
        return closes;
    }

    @Test
    void anExhaustionSetupCountsNineBarsFromAPriceFlip() {
        double[] setup = count(").setup_down", fall(30));
        // Bar 10 is the top (100); bar 12 (98) equals bar 8, bar 13 (97) is below bar 9 (99): the first of the setup.
        assertThat(setup[12]).isEqualTo(0);
        assertThat(setup[13]).isEqualTo(-1);
        assertThat(setup[20]).isEqualTo(-8);
        assertThat(setup[21]).isEqualTo(-9);
        assertThat(setup[25]).as("it stays complete while it goes on").isEqualTo(-9);
        double[] done = count(").setup_low", fall(30));
        for (int bar = 10; bar < 30; bar++) {
            assertThat(done[bar]).as("bar " + bar).isEqualTo(bar == 21 ? 1 : 0);
        }
        assertThat(count(").perfect_low", fall(30))[21]).isEqualTo(1);
        assertThat(count(").setup_high", fall(30))[21]).isEqualTo(0);
    }

    @Test
    void withoutAFlipASetupBeginsOnlyWhenItIsNotNeeded() {
        double[] onlyDown = new double[20];
        for (int bar = 0; bar < 20; bar++) {
            onlyDown[bar] = 100 - bar;
        }
        assertThat(count(").setup_down", onlyDown)[19]).isEqualTo(0);
        assertThat(count("flip: free).setup_down", onlyDown)[12]).isEqualTo(-9);
    }

    @Test
    void aCountdownFollowsTheSetupAndEndsWithItsThirteenth() {
        double[] countdown = count(").count_down", fall(40));
        // The completing bar 21 counts itself: its close is below the low two bars before. The 13th is bar 33.
        assertThat(countdown[20]).isEqualTo(0);
        assertThat(countdown[21]).isEqualTo(-1);
        assertThat(countdown[32]).isEqualTo(-12);
        assertThat(countdown[33]).isEqualTo(-13);
        assertThat(countdown[34]).as("a countdown that is complete is over").isEqualTo(0);
        assertThat(count(").countdown_low", fall(40))[33]).isEqualTo(1);
        assertThat(count(").countdown_high", fall(40))[33]).isEqualTo(0);
    }

    @Test
    void aSetupTheOtherWayEndsACountdown() {
        double[] closes = new double[60];
        for (int bar = 0; bar < 60; bar++) {
            closes[bar] = bar <= 10 ? 90 + bar : bar <= 26 ? 110 - bar : 58 + bar;
        }
        double[] countdown = count(").count_down", closes);
        assertThat(countdown[26]).isEqualTo(-6);
        // Rising from bar 27: bar 29 (87) is above bar 25 (85), the first of the setup up; the ninth is bar 37.
        assertThat(count(").setup_high", closes)[37]).isEqualTo(1);
        assertThat(countdown[27]).as("85 is at the low of bar 25").isEqualTo(-7);
        assertThat(countdown[36]).isEqualTo(-7);
        assertThat(countdown[37]).isEqualTo(0);
    }

    @Test
    void priceAboveTheSetupEndsACountdownWhenThatIsAskedFor() {
        double[] closes = fall(28);
        // The setup reached from 97 at its first bar down to 89.
        closes[27] = 97.5;
        assertThat(count(").count_down", closes)[27]).isEqualTo(-6);
        assertThat(count("cancel: opposite_or_range).count_down", closes)[27]).isEqualTo(0);
        closes[27] = 97;
        assertThat(count("cancel: opposite_or_range).count_down", closes)[27]).isEqualTo(-6);
    }

    @Test
    void settingsByWordAndByCodeAreReadInFormulas() {
        assertThat(evaluate("correlation(9, #OTHER)").at(60))
                .isEqualTo(evaluate("correlation(close, 9)").at(60));
        assertThat(evaluate("keltner(simple, 8, 6).middle").at(40))
                .isEqualTo(evaluate("sma(8)").at(40));
        assertThat(evaluate("mean(close, 5)").at(40))
                .isEqualTo(evaluate("sma(close, 5)").at(40));
        assertThat(evaluate("macd.cross_up and not macd.cross_down").at(60)).isIn(0.0, 1.0);
        assertThat(Settings.of(Catalogue.builtIn().find("correlation").orElseThrow(), Map.of("against", "ktrl"))
                        .word("against"))
                .isEqualTo("KTRL");
    }
}
