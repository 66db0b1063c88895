package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Candle patterns against those that candles.py finds by the published rules, and against some that were drawn by hand. */
class CandlePatternsTest {
    /** The bar from which the table asks every rule. */
    private static final int FIRST = 14;

    private static final Map<String, List<Integer>> FOUND = new LinkedHashMap<>();
    private static Bars bars;

    static Stream<String> cues() throws IOException {
        if (FOUND.isEmpty()) {
            read();
        }
        return FOUND.keySet().stream();
    }

    private static void read() throws IOException {
        BarSeries series = new BarSeries(0);
        try (BufferedReader file = new BufferedReader(new InputStreamReader(
                CandlePatternsTest.class.getResourceAsStream("candles.tsv"), StandardCharsets.UTF_8))) {
            for (String line = file.readLine(); !line.isEmpty(); line = file.readLine()) {
                append(series, line.split("\t"));
            }
            for (String line = file.readLine(); line != null; line = file.readLine()) {
                String[] parts = line.split("[\t ]");
                List<Integer> at = new ArrayList<>();
                for (int part = 1; part < parts.length; part++) {
                    at.add(Integer.parseInt(parts[part]));
                }
                FOUND.put(parts[0], at);
            }
        }
        bars = series.snapshot();
    }

    private static void append(BarSeries series, String[] prices) {
        long open = series.snapshot().size() * Times.DAY;
        series.append(
                open,
                open + Times.DAY,
                Double.parseDouble(prices[0]),
                Double.parseDouble(prices[1]),
                Double.parseDouble(prices[2]),
                Double.parseDouble(prices[3]),
                1000);
    }

    private static Column evaluate(String formula, Bars over) {
        ColumnGraph graph = new ColumnGraph(Surroundings.NONE);
        Column column = Formula.parse(formula, Language.builtIn()).in(graph).output();
        graph.update(over);
        return column;
    }

    @ParameterizedTest
    @MethodSource("cues")
    void holdsWhereTheRuleWasFoundIndependently(String cue) {
        Column holds = evaluate(cue, bars);
        List<Integer> at = new ArrayList<>();
        for (int bar = FIRST; bar < bars.closed(); bar++) {
            assertThat(holds.at(bar)).as("%s at bar %d", cue, bar).isNotNaN();
            if (holds.at(bar) == 1) {
                at.add(bar);
            }
        }
        assertThat(FOUND.get(cue)).isNotEmpty();
        assertThat(at).isEqualTo(FOUND.get(cue));
    }

    @Test
    void everyPatternIsInTheTable() throws IOException {
        List<String> all = Catalogue.builtIn().all().stream()
                .filter(each -> each.family() == Indicator.Family.CANDLES)
                .flatMap(each -> each.outputs().stream().map(output -> each.name() + "." + output.name()))
                .toList();
        assertThat(all).hasSizeGreaterThanOrEqualTo(30).containsExactlyInAnyOrderElementsOf(cues().toList());
    }

    /**
     * Behind a decline from 130 to 110, or a rise to 130, of bodies of 2: open, high, low and close of the bars of the pattern, and
     * whether it holds on the last.
     */
    @ParameterizedTest
    @CsvSource({
        "hammer.hammer, decline, '108 109 100 108.8', true",
        "hammer.hammer, rise, '132 133 124 132.8', false",
        "hammer.hanging_man, rise, '132 133 124 132.8', true",
        // The wick above is too long.
        "hammer.hammer, decline, '108 112 100 108.8', false",
        "shooting_star.shooting_star, rise, '132 140 131.9 132.8', true",
        "engulfing.bullish, decline, '109 110 106 107 | 106.5 112 106 110', true",
        // The second body does not reach the open of the first.
        "engulfing.bullish, decline, '109 110 106 107 | 106.5 109 106 108.9', false",
        // The same bars behind a rise are none.
        "engulfing.bullish, rise, '131 132 128 129 | 128.5 134 128 132', false",
        "harami.bullish_cross, decline, '110 110 103 104 | 106 108 105 106', true",
        "piercing.piercing_line, decline, '110 110 105 106 | 104 109 103 108.5', true",
        // It opens at the low and not below it.
        "piercing.piercing_line, decline, '110 110 105 106 | 105 109 103 108.5', false",
        "star.morning, decline, '110 110 105 105.5 | 104 104.5 103 104.4 | 105 109 104 108.5', true",
        // The third closes below the middle of the first.
        "star.morning, decline, '110 110 105 105.5 | 104 104.5 103 104.4 | 105 109 104 107.5', false",
        "abandoned_baby.bullish, decline, '110 110 105 105.5 | 103 104 102 103 | 105 109 104.5 108.5', true",
        "three_soldiers.white_soldiers, decline, '107 110.2 106 110 | 109 112.2 108 112 | 111 114.2 110 114', true",
        "three_methods.rising, rise, '130 136 129 135 | 134 135 132 133 | 133 134 131 132 | 132 133 130 131 | 132 138 131 137', true"
    })
    void drawnByHand(String cue, String before, String drawn, boolean expected) {
        BarSeries series = new BarSeries(0);
        for (int bar = 0; bar < 20; bar++) {
            double open = before.equals("decline") ? 130 - bar : 110 + bar;
            double close = before.equals("decline") ? open - 2 : open + 2;
            String[] prices = {"" + open, "" + (Math.max(open, close) + 1), "" + (Math.min(open, close) - 1), "" + close
            };
            append(series, prices);
        }
        for (String bar : drawn.split("\\|")) {
            append(series, bar.strip().split(" "));
        }
        Bars shown = series.snapshot();
        assertThat(evaluate(cue, shown).at(shown.size() - 1)).isEqualTo(expected ? 1 : 0);
    }
}
