package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values put on other bars and instruments as text, each of which is read as a formula. */
class OnBarsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "rsi(14) | on W | rsi(14) on W",
                "rsi(14) on W | on M | rsi(14) on M",
                "rsi(14) on W | '' | rsi(14)",
                "close - low | on W | (close - low) on W",
                "(close - low) on W | on range 10 | (close - low) on range 10",
                "(close - low) on W | '' | close - low",
                "(close) / (low) | of benchmark | ((close) / (low)) of benchmark",
                "macd(12, 26).signal | of #MARN | macd(12, 26).signal of #MARN",
                "close of #MARN | of sector | close of sector",
                "high on forming W | on D | high on D",
                "close on brick 20 | on line-break 3 | close on line-break 3",
                "sma(close on W, 5) | on M | sma(close on W, 5) on M",
                "close | on volume 100000 | close on volume 100000",
                "close | on heikin-ashi | close on heikin-ashi",
                "close | on point-figure 10x3 | close on point-figure 10x3",
                "close | on reversal 10 | close on reversal 10",
                "back | on W | back on W"
            })
    void theLastOneCounts(String value, String where, String expected) {
        assertThat(OnBars.put(value, where)).isEqualTo(expected);
        assertThat(OnBars.of(expected)).isEqualTo(where);
        if (!value.equals("back")) {
            Formula.parse(expected, Language.builtIn());
        }
    }

    @Test
    void nothingStaysNothing() {
        assertThat(OnBars.put(" ", "on W")).isEmpty();
        assertThat(OnBars.of("sma(close on W, 5)")).isEmpty();
    }
}
