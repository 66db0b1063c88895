package dev.yardarm.core.plain;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sayings of the trade and what they mean. */
class SayingsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "three down days in a row | close is falling for 3",
                "4 consecutive higher closes | ",
                "five straight up days | close is rising for 5",
                "two consecutive closes under the 50 day line | close < sma(close, 50) held for 2",
                "close is up 5% over the last 10 days | close / close back 10 - 1 > 5%",
                "close is down 2.5 percent in 3 sessions | close / close back 3 - 1 < -2.5%",
                "the narrowest range in seven days | range = lowest(range, 7)",
                "NR7 | range = lowest(range, 7)",
                "low undercuts yesterday's low but close is above it | low < low back 1 and close > low back 1",
                "price above VWAP and volume above average | close > vwap and volume > sma(volume, 20)",
                "ADX above 25 and +DI above -DI | adx(14) > 25 and adx(14).plus > adx(14).minus",
                "not more than 3% above the 50 day average | close <= (1 + 3%) * sma(close, 50)",
                "first close above the 20 day average in at least 10 days | close > sma(close, 20) and (close <= sma(close, 20) held for 10) back 1",
                "highest close of the last 20 days | close = highest(close, 20)",
                "outside day closing near its low | high > high back 1 and low < low back 1 and close < low + 0.25 * range",
                "gap down that gets filled the same day | open < low back 1 and high >= low back 1",
                "close below open for 4 of the last 5 days | sum(if(close < open, 1, 0), 5) >= 4",
                "Bollinger band width at a 6 month low | band_width(20, 2) = lowest(band_width(20, 2), 126)",
                "turnover above 10 million dollars | turnover > 10000000",
                "parabolic SAR flips to bullish | psar.turned_up",
                "sar turns down | psar.turned_down",
                "price bounces off the 50 day average | low <= sma(close, 50) and close > sma(close, 50)",
                "no new low in the last 10 days | not (low < lowest(low, 20) back 1 seen in 10)",
                "relative strength versus PV60 at a new 50 day high | close / (close of #PV60) = highest(close / (close of #PV60), 50)",
            })
    void isReadAsAWhole(String said, String formula) {
        assertThat(Sayings.read(said, false).orElse(null)).isEqualTo(formula);
        if (formula != null) {
            assertThat(Formula.parseCondition(formula, Language.builtIn()).isCondition())
                    .isTrue();
            assertThat(PlainTerms.condition(said, Language.builtIn(), false)).contains(formula);
        }
    }

    @Test
    void daysAreDaysOnAnyBars() {
        assertThat(Sayings.read("three down days in a row", true)).contains("(close is falling for 3) on D");
        assertThat(Sayings.read("three down bars in a row", true)).contains("close is falling for 3");
        assertThat(Sayings.read("sar flips to bearish", true)).contains("psar.turned_down");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "three",
                "down days",
                "three down days in a row and more",
                "highest close",
                "close above open",
                "close above the 20 day average in 10 days"
            })
    void whatIsNoneIsLeftAlone(String said) {
        assertThat(Sayings.read(said, false)).isEmpty();
    }
}
