package dev.yardarm.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Wave rules against the published definitions: legal counts, each broken in one way, both up and down. */
class WaveRulesTest {
    private static Function<double[], List<String>> rules(String pattern) {
        return switch (pattern) {
            case "impulse" -> WaveRules::impulse;
            case "zigzag" -> WaveRules::zigzag;
            case "flat" -> WaveRules::flat;
            case "triangle" -> WaveRules::triangle;
            default -> WaveRules::combination;
        };
    }

    private static double[] prices(String text) {
        return Arrays.stream(text.split(" ")).mapToDouble(Double::parseDouble).toArray();
    }

    private static double[] turned(double[] prices) {
        return Arrays.stream(prices).map(price -> 1000 - price).toArray();
    }

    @ParameterizedTest
    @CsvSource({
        "impulse,100 110 104 125 115 130",
        "impulse,100 110 100 125 110 126",
        "impulse,100 110 104",
        "impulse,100 110",
        "zigzag,100 110 105 118",
        "zigzag,100 110 101 110.5",
        "flat,100 110 101 112",
        "flat,100 110 99 108",
        "triangle,100 120 104 116 107 112",
        "triangle,100 110 95 115 90 120",
        "combination,100 110 102 115"
    })
    void legalCountsBreakNothingUpOrDown(String pattern, String prices) {
        assertThat(rules(pattern).apply(prices(prices))).isEmpty();
        assertThat(rules(pattern).apply(turned(prices(prices)))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "impulse,100 110 99 125 115 130,wave 2 goes beyond the start of wave 1",
        "impulse,100 110 104 109 106 130,wave 3 does not go beyond the end of wave 1",
        "impulse,100 110 104 125 109 130,wave 4 enters the prices of wave 1",
        "impulse,100 120 110 125 121 145,'wave 3 is the shortest of 1, 3 and 5'",
        "impulse,100 110 115 125 115 130,wave 2 does not turn against wave 1",
        "zigzag,100 110 99 118,wave B goes beyond the start of wave A",
        "zigzag,100 110 105 109,wave C does not go beyond the end of wave A",
        "flat,100 110 105 112,wave B gives back less than nine tenths of wave A",
        "triangle,100 120 104 116 103 112,wave D goes beyond the end of wave B",
        "triangle,100 110 95 115 96 120,wave D does not go beyond the end of wave B",
        "combination,100 110 112 115,wave X does not turn against wave W"
    })
    void aBrokenRuleIsNamed(String pattern, String prices, String problem) {
        assertThat(rules(pattern).apply(prices(prices))).contains(problem);
        assertThat(rules(pattern).apply(turned(prices(prices)))).contains(problem);
    }

    @Test
    void anUnfinishedCountIsCheckedAsFarAsItGoes() {
        assertThat(WaveRules.impulse(100, 110, 99)).containsExactly("wave 2 goes beyond the start of wave 1");
        assertThat(WaveRules.triangle(100, 120, 104)).isEmpty();
    }

    @Test
    void degreesHaveTheirNotation() {
        assertThat(List.of(WaveDegree.values()).stream().map(each -> each.label("3") + " " + each.label("B")))
                .containsExactly("(III) (b)", "III b", "[3] [B]", "(3) (B)", "3 B", "[iii] [b]", "(iii) (b)", "iii b");
        assertThat(WaveDegree.of("primary").size())
                .isGreaterThan(WaveDegree.of("minor").size());
    }
}
