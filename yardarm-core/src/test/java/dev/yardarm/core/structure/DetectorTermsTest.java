package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Found structure as formulas reach it: what was known at each bar, and nothing else. */
class DetectorTermsTest {
    private static final Double NONE = Double.NaN;

    static Stream<Indicator> terms() {
        return Detectors.terms().stream();
    }

    private static List<ColumnGraph.Node> nodes(Indicator term, ColumnGraph graph) {
        return term.in(graph, Settings.standard(term));
    }

    private static double[] values(Column column, int bars) {
        double[] values = new double[bars];
        for (int bar = 0; bar < bars; bar++) {
            values[bar] = column.at(bar);
        }
        return values;
    }

    private static Column column(String formula, Bars bars) {
        return Formula.parse(formula, Language.builtIn()).evaluate(bars);
    }

    @ParameterizedTest
    @MethodSource("terms")
    void whatAColumnSaysOfAPrefixIsThePrefixOfWhatItSays(Indicator term) {
        Bars bars = StructureBars.walk(3, 400);
        ColumnGraph whole = new ColumnGraph();
        List<ColumnGraph.Node> all = nodes(term, whole);
        whole.update(bars);
        for (int count = 1; count <= bars.closed(); count += 7) {
            ColumnGraph part = new ColumnGraph();
            List<ColumnGraph.Node> some = nodes(term, part);
            part.update(bars.first(count));
            for (int output = 0; output < some.size(); output++) {
                assertThat(values(some.get(output).output(), count))
                        .as(term.outputs().get(output).name())
                        .isEqualTo(values(all.get(output).output(), count));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("terms")
    void everyColumnSaysSomethingAndEveryCueSaysYesAndNo(Indicator term) {
        Bars bars = StructureBars.walk(5, 3000);
        ColumnGraph graph = new ColumnGraph();
        List<ColumnGraph.Node> all = nodes(term, graph);
        graph.update(bars);
        for (int output = 0; output < all.size(); output++) {
            assertThat(Arrays.stream(values(all.get(output).output(), bars.closed()))
                            .filter(value -> value == value)
                            .distinct()
                            .count())
                    .as(term.name() + "." + term.outputs().get(output).name())
                    .isGreaterThan(1);
        }
    }

    /** Bar after bar, each forming for a while and closing elsewhere: the value is that of a bar that closes there. */
    @ParameterizedTest
    @MethodSource("terms")
    void theFormingBarSaysWhatItWouldSayIfItClosed(Indicator term) {
        Bars bars = StructureBars.walk(4, 160);
        ColumnGraph live = new ColumnGraph();
        List<ColumnGraph.Node> nodes = nodes(term, live);
        for (int count = 1; count < bars.closed(); count++) {
            for (int tick = 0; tick < 2; tick++) {
                live.update(TestBars.prefix(bars, count + 1, true));
                ColumnGraph asIfClosed = new ColumnGraph();
                List<ColumnGraph.Node> wanted = nodes(term, asIfClosed);
                asIfClosed.update(bars.first(count + 1));
                for (int output = 0; output < nodes.size(); output++) {
                    assertThat(nodes.get(output).output().forming())
                            .as(term.outputs().get(output).name() + " at " + count)
                            .isEqualTo(
                                    Double.valueOf(wanted.get(output).output().at(count)));
                }
            }
        }
    }

    @Test
    void theNthSwingIsTheNthThatWasSettledAndTheRunningOneComesFirstWhereItIsAskedFor() {
        Bars bars = StructureBars.walk(8, 500);
        Detector swings = Detectors.named("pivots").orElseThrow();
        Detecting detecting = new Detecting(swings, swings.settings(Map.of("reversal", "5%")));
        detecting.update(bars);
        Column first = column("pivots(5%).price", bars);
        Column third = column("pivots(5%).price(3)", bars);
        Column running = column("provisional pivots(5%).price(1)", bars);
        Column highs = column("pivots(reversal: 5%).high(2)", bars);
        for (int bar = 0; bar < bars.closed(); bar++) {
            List<Double> settled = new ArrayList<>();
            List<Double> settledHighs = new ArrayList<>();
            double open = Double.NaN;
            for (FindingLog.Standing each : detecting.log().asOf(bar)) {
                Finding swing = each.finding();
                if (!swing.kind().startsWith("swing_")) {
                    continue;
                }
                if (each.state() == Finding.State.PROVISIONAL) {
                    open = swing.points().get(0).price();
                } else {
                    settled.add(0, swing.points().get(0).price());
                    if (swing.kind().equals("swing_high")) {
                        settledHighs.add(0, swing.points().get(0).price());
                    }
                }
            }
            assertThat(first.at(bar)).isEqualTo(settled.isEmpty() ? NONE : settled.get(0));
            assertThat(third.at(bar)).isEqualTo(settled.size() < 3 ? NONE : settled.get(2));
            assertThat(highs.at(bar)).isEqualTo(settledHighs.size() < 2 ? NONE : settledHighs.get(1));
            assertThat(running.at(bar)).isEqualTo(Double.valueOf(open == open ? open : first.at(bar)));
        }
    }

    @Test
    void theNearestLevelIsTheNearestOfThoseThatStand() {
        Bars bars = StructureBars.walk(12, 600);
        Detector levels = Detectors.named("levels").orElseThrow();
        Detecting detecting = new Detecting(levels, levels.settings(Map.of("touches", "2")));
        detecting.update(bars);
        Column above = column("levels(2).above", bars);
        Column below = column("provisional levels(2).below", bars);
        Column strength = column("levels(2).strength_above", bars);
        int seen = 0;
        for (int bar = 0; bar < bars.closed(); bar++) {
            double nearest = Double.NaN;
            double score = Double.NaN;
            double under = Double.NaN;
            for (FindingLog.Standing each : detecting.log().asOf(bar)) {
                for (double price : each.finding().lines().values()) {
                    boolean stands = !each.state().isEnd();
                    if (stands && price < bars.close(bar)) {
                        under = under >= price ? under : price;
                    }
                    if (stands && each.state() != Finding.State.PROVISIONAL && price > bars.close(bar)) {
                        score = nearest < price
                                        || nearest == price
                                                && score > each.finding().score()
                                ? score
                                : each.finding().score();
                        nearest = nearest < price ? nearest : price;
                    }
                }
            }
            seen += nearest == nearest ? 1 : 0;
            assertThat(above.at(bar)).isEqualTo(Double.valueOf(nearest));
            assertThat(strength.at(bar)).isEqualTo(Double.valueOf(score));
            assertThat(below.at(bar)).isEqualTo(Double.valueOf(under));
        }
        assertThat(seen).isGreaterThan(100);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "pivots(3%).price(1)|pivots(3%).price(1)",
                "Provisional Pivots(3%).Price(2) back 3|provisional pivots(3%).price(2) back 3",
                "pivots|pivots",
                "provisional pivots|provisional pivots",
                "levels(2).retest_from_above|levels(2).retest_from_above",
                "pivots.r1|floor_pivots.r1",
                "pivots(woodie, week)|floor_pivots(woodie, week)",
                "pivots(method: camarilla).s4|floor_pivots(method: camarilla).s4",
                "close > pivots(bars: 5).high and order_blocks.bullish|close > pivots(bars: 5).high and order_blocks.bullish",
            })
    void formulasAreReadAndWrittenAlike(String written, String canonical) {
        Formula formula = Formula.parse(written, Language.builtIn());
        assertThat(formula.canonical()).isEqualTo(canonical);
        assertThat(Formula.parse(canonical, Language.builtIn()).canonical()).isEqualTo(canonical);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "provisional rsi(14)|nothing of 'rsi' is provisional",
                "provisional levels(2).broken|nothing of 'levels.broken' is provisional",
                "pivots(3%).prize|did you mean 'price'",
                "rsi(14).value(2)|stands without a number",
                "pivots(3%).price(0)|1",
                "pivots(3%).price(51)|nth must be from 1 to 50",
                "levels(2).above(2)|stands without a number",
                "pivots(3%, atr: 2).price|swings turn by reversal",
                "provisional close|nothing of 'close' is provisional",
            })
    void whatIsWrongIsToldWithWhatWouldBeRight(String written) {
        String[] parts = written.split("\\|");
        assertThatThrownBy(() -> Formula.parse(parts[0], Language.builtIn()))
                .isInstanceOf(FormulaException.class)
                .hasMessageContaining(parts[1]);
    }
}
