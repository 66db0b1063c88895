package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class CatalogueTest {
    private static Column compute(Bars bars, String name, Map<String, String> settings) {
        Indicator indicator = Catalogue.shared().find(name).orElseThrow();
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node node = graph.indicator(indicator, Settings.of(indicator, settings));
        graph.update(bars);
        return node.output();
    }

    @Test
    void holdsWhatStandsInItsPackage() {
        assertThat(Catalogue.shared().all()).extracting(Indicator::name)
                .contains("sma", "ema", "rsi", "highest", "lowest");
        assertThat(Catalogue.shared().find("RSI")).isPresent();
    }

    /** The values come from golden.py, which works them out in exact fractions from the published definitions. */
    @Test
    void valuesEqualThoseWorkedOutIndependently() throws IOException {
        List<String[]> rows = new ArrayList<>();
        try (BufferedReader file = new BufferedReader(new InputStreamReader(
                CatalogueTest.class.getResourceAsStream("golden.csv"), StandardCharsets.UTF_8))) {
            file.lines().forEach(line -> rows.add(line.split(",", -1)));
        }
        String[] header = rows.remove(0);
        Bars bars = TestBars.ofCloses(rows.stream().mapToDouble(row -> Double.parseDouble(row[0])).toArray());
        for (int column = 1; column < header.length; column++) {
            String[] words = header[column].split(" ");
            Column values = compute(bars, words[0], Map.of("length", words[1], "source", "close"));
            for (int bar = 0; bar < rows.size(); bar++) {
                String expected = rows.get(bar)[column];
                if (expected.isEmpty()) {
                    assertThat(values.at(bar)).as(header[column] + " bar " + bar).isNaN();
                } else {
                    assertThat(values.at(bar)).as(header[column] + " bar " + bar)
                            .isCloseTo(Double.parseDouble(expected), within(1e-10));
                }
            }
        }
    }

    @Property(tries = 60)
    void computingAPrefixGivesThePrefix(@ForAll @IntRange(min = 1, max = 60) int length,
                                        @ForAll @IntRange(min = 1, max = 150) int cut, @ForAll long seed) {
        Bars whole = TestBars.walk(seed, 150).snapshot();
        for (Indicator indicator : Catalogue.shared().all()) {
            Map<String, String> settings = Map.of("length", String.valueOf(length));
            Column all = compute(whole, indicator.name(), settings);
            Column part = compute(TestBars.prefix(whole, cut, false), indicator.name(), settings);
            for (int bar = 0; bar < cut; bar++) {
                assertThat(part.at(bar)).as(indicator.name() + " bar " + bar).isEqualTo(Double.valueOf(all.at(bar)));
            }
        }
    }

    @Property(tries = 40)
    void theFormingValueIsTheOneTheClosedBarWouldHave(@ForAll @IntRange(min = 1, max = 40) int length,
                                                      @ForAll @IntRange(min = 1, max = 120) int count,
                                                      @ForAll long seed) {
        Bars whole = TestBars.walk(seed, 120).snapshot();
        for (Indicator indicator : Catalogue.shared().all()) {
            Map<String, String> settings = Map.of("length", String.valueOf(length));
            Column closed = compute(TestBars.prefix(whole, count, false), indicator.name(), settings);
            Column forming = compute(TestBars.prefix(whole, count, true), indicator.name(), settings);
            assertThat(forming.at(count - 1)).as(indicator.name()).isEqualTo(Double.valueOf(closed.at(count - 1)));
        }
    }

    @Test
    void growingBarByBarGivesTheSameAsAllAtOnce() {
        Bars whole = TestBars.walk(7, 300).snapshot();
        for (Indicator indicator : Catalogue.shared().all()) {
            ColumnGraph graph = new ColumnGraph();
            Column grown = graph.indicator(indicator, Settings.standard(indicator)).output();
            BarSeries series = new BarSeries(0);
            for (int bar = 0; bar < whole.closed(); bar++) {
                series.form(whole.openTime(bar), whole.closeTime(bar), whole.open(bar), whole.high(bar),
                        whole.low(bar), whole.close(bar), whole.volume(bar));
                graph.update(series.snapshot());
                series.closeForming();
                graph.update(series.snapshot());
            }
            Column once = compute(whole, indicator.name(), Map.of());
            for (int bar = 0; bar < whole.closed(); bar++) {
                assertThat(grown.at(bar)).as(indicator.name() + " bar " + bar).isEqualTo(Double.valueOf(once.at(bar)));
            }
        }
    }

    @Test
    void warmUpIsAsLongAsDeclared() {
        Bars bars = TestBars.walk(3, 200).snapshot();
        for (Indicator indicator : Catalogue.shared().all()) {
            Settings settings = Settings.standard(indicator);
            Column values = compute(bars, indicator.name(), Map.of());
            int warmUp = indicator.warmUp(settings);
            assertThat(values.at(warmUp - 1)).as(indicator.name()).isNaN();
            assertThat(values.at(warmUp)).as(indicator.name()).isNotNaN();
        }
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
        assertThat(ema.at(25)).isCloseTo((closes[21] + closes[22] + closes[23] + closes[24] + closes[25]) / 5,
                within(1e-12));
        Column rsi = compute(bars, "rsi", Map.of("length", "5"));
        assertThat(rsi.at(25)).isNaN();
        assertThat(rsi.at(26)).isNotNaN();
    }

    @Test
    void strengthIndexAtItsEnds() {
        assertThat(compute(TestBars.ofCloses(1, 2, 3, 4, 5), "rsi", Map.of("length", "3")).at(4)).isEqualTo(100);
        assertThat(compute(TestBars.ofCloses(5, 4, 3, 2, 1), "rsi", Map.of("length", "3")).at(4)).isEqualTo(0);
        assertThat(compute(TestBars.ofCloses(5, 5, 5, 5, 5), "rsi", Map.of("length", "3")).at(4)).isEqualTo(50);
    }

    @Test
    void badSettingsSayWhatWouldBeGood() {
        Indicator sma = Catalogue.shared().find("sma").orElseThrow();
        assertThatThrownBy(() -> Settings.of(sma, Map.of("length", "0"))).hasMessageContaining("from 1 to 5000");
        assertThatThrownBy(() -> Settings.of(sma, Map.of("length", "x"))).hasMessageContaining("whole number");
        assertThatThrownBy(() -> Settings.of(sma, Map.of("source", "clsoe"))).hasMessageContaining("field");
        assertThatThrownBy(() -> Settings.of(sma, Map.of("speed", "1"))).hasMessageContaining("length, source");
    }

    @Test
    void theSameIndicatorIsComputedOnceForAGraph() {
        ColumnGraph graph = new ColumnGraph();
        Indicator sma = Catalogue.shared().find("sma").orElseThrow();
        ColumnGraph.Node one = graph.indicator(sma, Settings.standard(sma));
        assertThat(graph.indicator(sma, Settings.standard(sma))).isSameAs(one);
        assertThat(graph.size()).isEqualTo(2);
    }

    @Test
    void everyIndicatorExplainsItself() {
        for (Indicator indicator : Catalogue.shared().all()) {
            assertThat(indicator.title()).isNotBlank();
            assertThat(indicator.help().summary()).endsWith(".");
            assertThat(indicator.help().formula()).isNotBlank();
            assertThat(indicator.help().reading()).isNotBlank();
            assertThat(indicator.help().origin()).isNotBlank();
        }
    }
}
