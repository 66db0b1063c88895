package dev.yardarm.core.structure.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.drawing.WaveRules;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** The quick rules of wave counts say what the published ones say that drawings are checked by. */
class WaveFormTest {
    private static List<String> broken(WaveForm form, double[] prices) {
        return switch (form) {
            case IMPULSE -> WaveRules.impulse(prices);
            case ZIGZAG -> WaveRules.zigzag(prices);
            case FLAT -> WaveRules.flat(prices);
            case TRIANGLE -> WaveRules.triangle(prices);
            case COMBINATION -> WaveRules.combination(prices);
        };
    }

    @Test
    void whatKeepsTheRulesIsWhatBreaksNone() {
        SplittableRandom chance = new SplittableRandom(11);
        for (WaveForm form : WaveForm.values()) {
            int kept = 0;
            int lost = 0;
            for (int each = 0; each < 20_000; each++) {
                int waves = 2 + chance.nextInt(form.waves().size() - 1);
                double[] prices = new double[waves + 1];
                for (int end = 1; end <= waves; end++) {
                    double leg = chance.nextInt(1, 40) / 4.0;
                    prices[end] = prices[end - 1] + (end % 2 == 1 ? leg : -leg);
                }
                boolean keeps = broken(form, prices).isEmpty();
                assertThat(form.keepsRules(prices))
                        .as(form + " " + java.util.Arrays.toString(prices))
                        .isEqualTo(keeps);
                kept += keeps ? 1 : 0;
                lost += keeps ? 0 : 1;
            }
            assertThat(kept).isPositive();
            assertThat(lost > 0).isEqualTo(form != WaveForm.COMBINATION);
        }
    }
}
