package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CatalogueTest {
    private static Column compute(Bars bars, String name, Map<String, String> settings) {
        Indicator indicator = Catalogue.builtIn().find(name).orElseThrow();
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node node =
                indicator.in(graph, Settings.of(indicator, settings)).get(0);
        graph.update(bars);
        return node.output();
    }

    @Test
    void holdsWhatStandsInItsPackage() {
        assertThat(Catalogue.builtIn().all())
                .extracting(Indicator::name)
                .contains("sma", "ichimoku", "floor_pivots", "macd", "yang_zhang", "klinger", "correlation")
                .hasSizeGreaterThan(95);
        for (Indicator.Family family : Indicator.Family.values()) {
            assertThat(Catalogue.builtIn().all().stream().anyMatch(each -> each.family() == family))
                    .as(family.title())
                    .isEqualTo(family != Indicator.Family.OWN
                            && family != Indicator.Family.STRUCTURE
                            && family != Indicator.Family.ORDER_FLOW);
        }
        assertThat(Catalogue.builtIn().find("RSI")).isPresent();
    }

    @Test
    void aCatalogueWithOnesOwnIsAnotherValue() {
        Indicator own = new Declared(Indicator.Family.TREND, "twice_close", "Twice the close") {
            {
                line();
                help("s", "f", "r", "w", "o");
            }

            @Override
            public void build(Recipe recipe) {
                recipe.out(recipe.times(recipe.close(), 2));
            }
        };
        Catalogue more = Catalogue.builtIn().with(own);
        assertThat(more.find("twice_close")).contains(own);
        assertThat(Catalogue.builtIn().find("twice_close")).isEmpty();
        assertThatThrownBy(() -> more.with(own)).hasMessageContaining("two indicators called 'twice_close'");
        Bars bars = TestBars.ofCloses(1, 2, 3);
        assertThat(Formula.parse("twice_close + 1", Language.of(more))
                        .evaluate(bars)
                        .at(2))
                .isEqualTo(7);
        assertThatThrownBy(() -> Formula.parse("twice_close + 1", Language.builtIn()))
                .hasMessageContaining("no field or indicator");
        assertThat(IndicatorSearch.find("twice", more)).startsWith(own);
    }

    @Test
    void oneAbsurdPriceSpoilsOnlyTheWindowsThatHoldIt() {
        double[] closes = new double[80];
        java.util.Arrays.fill(closes, 100);
        closes[30] = 1e300;
        Column sma = compute(TestBars.ofCloses(closes), "sma", Map.of("length", "10"));
        assertThat(sma.at(29)).isEqualTo(100);
        assertThat(sma.at(39)).isGreaterThan(1e200);
        for (int bar = 40; bar < 80; bar++) {
            assertThat(sma.at(bar)).isEqualTo(100);
        }
    }

    @Test
    void aMissingValueMakesItsWindowsMissingAndNothingElse() {
        double[] closes = new double[60];
        for (int bar = 0; bar < 60; bar++) {
            closes[bar] = 50 + bar % 7;
        }
        closes[20] = Double.NaN;
        Bars bars = TestBars.ofCloses(closes);
        for (String name : List.of("sma", "highest", "lowest")) {
            Column values = compute(bars, name, Map.of("length", "5", "source", "close"));
            for (int bar = 4; bar < 60; bar++) {
                assertThat(Double.isNaN(values.at(bar))).as(name + " " + bar).isEqualTo(bar >= 20 && bar < 25);
            }
        }
        Column ema = compute(bars, "ema", Map.of("length", "5"));
        assertThat(ema.at(24)).isNaN();
        assertThat(ema.at(25))
                .isCloseTo((closes[21] + closes[22] + closes[23] + closes[24] + closes[25]) / 5, within(1e-12));
        Column rsi = compute(bars, "rsi", Map.of("length", "5"));
        assertThat(rsi.at(25)).isNaN();
        assertThat(rsi.at(26)).isNotNaN();
    }

    @Test
    void strengthIndexAtItsEnds() {
        assertThat(compute(TestBars.ofCloses(1, 2, 3, 4, 5), "rsi", Map.of("length", "3"))
                        .at(4))
                .isEqualTo(100);
        assertThat(compute(TestBars.ofCloses(5, 4, 3, 2, 1), "rsi", Map.of("length", "3"))
                        .at(4))
                .isEqualTo(0);
        assertThat(compute(TestBars.ofCloses(5, 5, 5, 5, 5), "rsi", Map.of("length", "3"))
                        .at(4))
                .isEqualTo(50);
    }

    @Test
    void badSettingsSayWhatWouldBeGood() {
        Indicator sma = Catalogue.builtIn().find("sma").orElseThrow();
        assertThatThrownBy(() -> Settings.of(sma, Map.of("length", "0"))).hasMessageContaining("from 1 to 5000");
        assertThatThrownBy(() -> Settings.of(sma, Map.of("length", "x"))).hasMessageContaining("whole number");
        assertThatThrownBy(() -> Settings.of(sma, Map.of("source", "clsoe"))).hasMessageContaining("field");
        assertThatThrownBy(() -> Settings.of(sma, Map.of("speed", "1"))).hasMessageContaining("length, source");
    }

    @Test
    void theSameIndicatorIsComputedOnceForAGraph() {
        ColumnGraph graph = new ColumnGraph();
        Indicator sma = Catalogue.builtIn().find("sma").orElseThrow();
        ColumnGraph.Node one = sma.in(graph, Settings.standard(sma)).get(0);
        assertThat(sma.in(graph, Settings.standard(sma)).get(0)).isSameAs(one);
        assertThat(graph.size()).isEqualTo(2);
    }

    @Test
    void everyIndicatorExplainsItself() {
        for (Indicator indicator : Catalogue.builtIn().all()) {
            assertThat(indicator.title()).isNotBlank();
            assertThat(indicator.help().summary()).endsWith(".");
            assertThat(indicator.help().formula()).isNotBlank();
            assertThat(indicator.help().reading()).isNotBlank();
            assertThat(indicator.help().weakness()).isNotBlank();
            assertThat(indicator.help().origin()).isNotBlank();
            assertThat(indicator.name()).matches("[a-z][a-z0-9_]*");
            assertThat(indicator.outputs())
                    .extracting(Indicator.Output::name)
                    .doesNotHaveDuplicates()
                    .allMatch(name -> name.matches("[a-z][a-z0-9_]*"));
            assertThat(indicator.settings()).extracting(Setting::name).doesNotHaveDuplicates();
        }
    }
}
