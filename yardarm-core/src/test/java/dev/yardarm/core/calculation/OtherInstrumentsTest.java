package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.junit.jupiter.api.Test;

/** Bars of another instrument beside those computed on: as they were known, with holes, on a higher timeframe. */
class OtherInstrumentsTest {
    private static final Bars OWN = TestBars.walk(3, 120).snapshot();
    private static final Bars OTHER = TestBars.walk(4, 120).snapshot();

    /** Bars of a walk whose times are moved by some hours, without those that are left out. */
    private static Bars moved(Bars bars, long hours, IntPredicate leftOut) {
        BarSeries series = new BarSeries(0);
        for (int bar = 0; bar < bars.closed(); bar++) {
            if (!leftOut.test(bar)) {
                series.append(
                        bars.openTime(bar) + hours * Times.HOUR,
                        bars.closeTime(bar) + hours * Times.HOUR,
                        bars.open(bar),
                        bars.high(bar),
                        bars.low(bar),
                        bars.close(bar),
                        bars.volume(bar));
            }
        }
        return series.snapshot();
    }

    private static ColumnGraph graph(Bars other) {
        return new ColumnGraph(
                new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC), code -> Optional.of(() -> other)));
    }

    private static List<Column> compute(String name, Map<String, String> settings, Bars other) {
        Indicator indicator = Catalogue.builtIn().find(name).orElseThrow();
        ColumnGraph graph = graph(other);
        List<ColumnGraph.Node> nodes = indicator.in(graph, Settings.of(indicator, settings));
        graph.update(OWN);
        return nodes.stream().map(ColumnGraph.Node::output).toList();
    }

    @Test
    void barsOfTheSameTimesStandBesideEachOther() {
        List<Column> columns = compute("compare", Map.of("with", "OTHER"), OTHER);
        for (int bar = 0; bar < 120; bar++) {
            assertThat(columns.get(0).at(bar)).isEqualTo(OTHER.close(bar));
            assertThat(columns.get(1).at(bar)).isEqualTo(OTHER.open(bar));
            assertThat(columns.get(2).at(bar)).isEqualTo(OTHER.high(bar));
            assertThat(columns.get(3).at(bar)).isEqualTo(OTHER.low(bar));
        }
    }

    @Test
    void anExchangeThatClosesLaterCountsFromTheNextBarOn() {
        Column later = compute("compare", Map.of("with", "OTHER"), moved(OTHER, 5, bar -> false))
                .get(0);
        assertThat(later.at(0)).isNaN();
        for (int bar = 1; bar < 120; bar++) {
            assertThat(later.at(bar)).as("known at the close of bar " + bar).isEqualTo(OTHER.close(bar - 1));
        }
    }

    @Test
    void nothingIsCarriedOverABarTheOtherHasNone() {
        Column holed = compute("compare", Map.of("with", "OTHER"), moved(OTHER, 0, bar -> bar == 40 || bar == 41))
                .get(0);
        assertThat(holed.at(39)).isEqualTo(OTHER.close(39));
        assertThat(holed.at(40)).isNaN();
        assertThat(holed.at(41)).isNaN();
        assertThat(holed.at(42)).isEqualTo(OTHER.close(42));
    }

    @Test
    void aCorrelationPassesOverBarsOnlyOneHasAndTellsWhereItsWindowBegins() {
        int length = 8;
        List<Column> columns =
                compute("correlation", Map.of("length", "8", "against", "OTHER"), moved(OTHER, 0, bar -> bar % 9 == 5));
        List<Integer> joint = new ArrayList<>();
        int compared = 0;
        for (int bar = 0; bar < 120; bar++) {
            if (bar % 9 == 5) {
                assertThat(columns.get(0).at(bar)).as("bar " + bar).isNaN();
                assertThat(columns.get(1).at(bar)).isNaN();
                continue;
            }
            joint.add(bar);
            if (joint.size() <= length) {
                assertThat(columns.get(0).at(bar)).isNaN();
                continue;
            }
            List<Integer> window = joint.subList(joint.size() - length - 1, joint.size());
            assertThat(columns.get(0).at(bar)).as("bar " + bar).isEqualTo(pearsonOfChanges(window), within(1e-9));
            assertThat(columns.get(1).at(bar)).isEqualTo(OWN.openTime(window.get(0)));
            compared++;
        }
        assertThat(compared).isGreaterThan(90);
    }

    private static double pearsonOfChanges(List<Integer> window) {
        int count = window.size() - 1;
        double[] x = new double[count];
        double[] y = new double[count];
        double meanX = 0;
        double meanY = 0;
        for (int at = 0; at < count; at++) {
            x[at] = Math.log(OWN.close(window.get(at + 1)) / OWN.close(window.get(at)));
            y[at] = Math.log(OTHER.close(window.get(at + 1)) / OTHER.close(window.get(at)));
            meanX += x[at] / count;
            meanY += y[at] / count;
        }
        double xy = 0;
        double xx = 0;
        double yy = 0;
        for (int at = 0; at < count; at++) {
            xy += (x[at] - meanX) * (y[at] - meanY);
            xx += (x[at] - meanX) * (x[at] - meanX);
            yy += (y[at] - meanY) * (y[at] - meanY);
        }
        return xy / Math.sqrt(xx * yy);
    }

    @Test
    void theFormingBarReadsTheOthersFormingBar() {
        Indicator indicator = Catalogue.builtIn().find("correlation").orElseThrow();
        Settings settings = Settings.of(indicator, Map.of("length", "8", "against", "OTHER"));
        ColumnGraph forming = graph(TestBars.prefix(OTHER, 60, true));
        List<ColumnGraph.Node> nodes = indicator.in(forming, settings);
        forming.update(TestBars.prefix(OWN, 60, true));
        List<Column> closed = compute("correlation", Map.of("length", "8", "against", "OTHER"), OTHER);
        assertThat(nodes.get(0).output().at(59)).isEqualTo(closed.get(0).at(59), within(1e-12));
        assertThat(nodes.get(1).output().at(59)).isEqualTo(closed.get(1).at(59));
    }

    @Test
    void onAHigherTimeframeWeeksOfBothAreCompared() {
        ColumnGraph graph = graph(OTHER);
        ColumnGraph.Node node =
                Formula.parse("compare(#OTHER).high on W", Language.builtIn()).in(graph);
        graph.update(OWN);
        for (int bar = 13; bar < 120; bar++) {
            int monday = (bar + 1) / 7 * 7 - 7;
            double most = 0;
            for (int day = monday; day < monday + 7; day++) {
                most = Math.max(most, OTHER.high(day));
            }
            assertThat(node.output().at(bar)).as("bar " + bar).isEqualTo(most);
        }
    }

    @Test
    void aFormulaTellsWhomItReads() {
        assertThat(Formula.parse("correlation(20, #MARN) > 0.5 and ratio(#TIDQ) > 1", Language.builtIn())
                        .needs()
                        .instruments())
                .containsExactlyInAnyOrder("MARN", "TIDQ");
        assertThat(Formula.parse("relative_strength(20) > 100", Language.builtIn())
                        .needs()
                        .instruments())
                .containsExactly("benchmark");
        assertThat(Formula.parse("close > open", Language.builtIn()).needs().instruments())
                .isEmpty();
    }
}
