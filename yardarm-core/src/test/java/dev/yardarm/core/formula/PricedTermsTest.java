package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What of a condition can be drawn over the bars. */
class PricedTermsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "close > sma(close, 50) and rsi(14) < 30 | sma(close, 50)",
                "close crosses above highest(high, 20) back 1 | highest(high, 20) back 1",
                "low is within 5% of sma(close, 30) on W | sma(close, 30) on W",
                "close < bollinger(20, 2).lower or close > bollinger(20, 2).upper | bollinger(20, 2).lower, bollinger(20, 2).upper",
                "close > close back 250 | ''",
                "close / sma(close, 50) > 1.1 | sma(close, 50)",
                "volume > 2 * sma(volume, 20) | ''",
                "sma(volume, 20) is rising | ''",
                "close > close of #MARN | ''",
                "close > sma(close, 20) of #MARN | ''",
                "not (close < ema(close, 9) held for 3) | ema(close, 9)",
                "rsi(sma(close, 5), 14) > 50 | ''",
                "engulfing.bullish | ''",
                "sma(close, 20) > sma(close, 50) | sma(close, 20), sma(close, 50)",
                "just (close > max(high back 1, sma(close, 5))) | 'max(high back 1, sma(close, 5))'",
                "macd.value > 0 | ''"
            })
    void areThoseOfIndicatorsDrawnWithThePrice(String condition, String expected) {
        List<String> terms =
                Formula.parseCondition(condition, Language.builtIn()).pricedTerms();
        assertThat(String.join(", ", terms)).isEqualTo(expected);
        terms.forEach(each -> Formula.parse(each, Language.builtIn()));
    }
}
