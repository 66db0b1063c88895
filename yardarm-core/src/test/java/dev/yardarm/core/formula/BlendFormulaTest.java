package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BlendFormulaTest {
    private static BlendFormula parse(String text) {
        return BlendFormula.parse(text, Language.builtIn());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "(#TIDQ + #SLTQ) / 2 | TIDQ,SLTQ | false | 3",
                "log(#KTRL) - log(#MARN) | KTRL,MARN | false | -0.6931471805599453",
                "#GY30-0.5*#GY05 | GY30,GY05 | false | 0",
                "#KTRL-#MARN | KTRL,MARN | false | -2",
                "2 * #a + 1 | A | true | 5",
                "-#a / 4 | A | true | -0.5",
                "#a * #a | A | false | 4",
                "1 / #a | A | false | 0.5",
                "#a + #a - 3 * (1 - #a) | A | true | 7",
                "#a ^ 1 | A | false | 2",
                "max(#a, 3) | A | false | 3",
                "#a * log(1) + sqrt(4) | A | true | 2",
                "#a / 0 | A | true | NaN",
                "close of #a * 2 + 1 | A | false | 5",
                "#\"AB 1\" / #b | AB 1,B | false | 0.5",
            })
    void isWorkedOutOfItsParts(String text, String parts, boolean fieldByField, double value) {
        BlendFormula blend = parse(text);
        assertThat(String.join(",", blend.parts())).isEqualTo(parts);
        assertThat(blend.isFieldByField()).isEqualTo(fieldByField);
        assertThat(blend.of(blend.parts().size() == 1 ? new double[] {2} : new double[] {2, 4}))
                .isEqualTo(Double.valueOf(value));
        assertThat(parse(blend.canonical()).canonical()).isEqualTo(blend.canonical());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3 + 4 | made of instruments",
                "close / #a | indicators, fields and earlier bars",
                "sma(#a, 5) | indicators, fields",
                "#a back 1 | earlier bars",
                "high of #a / 2 | indicators, fields",
                "#a > 2 | indicators",
                "#a / | value was expected",
            })
    void whatIsNoBlendIsTold(String text, String words) {
        assertThatThrownBy(() -> parse(text))
                .isInstanceOf(FormulaException.class)
                .hasMessageContaining(words);
    }

    @Test
    void blendsComeAfterTheirPartsAndCirclesAreTold() {
        Map<String, BlendFormula> blends = new LinkedHashMap<>();
        blends.put("OUTER", parse("#INNER * 2"));
        blends.put("INNER", parse("#A / #B"));
        assertThat(BlendFormula.inOrder(blends)).containsExactly("INNER", "OUTER");
        blends.put("INNER", parse("#OUTER / 2"));
        assertThatThrownBy(() -> BlendFormula.inOrder(blends))
                .hasMessageContaining("circle: OUTER, made of INNER, made of OUTER");
    }
}
