package dev.yardarm.core.plain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.formula.Language;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PlainTermsTest {
    private static final Language LANGUAGE = Language.builtIn();

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // said | as a level on days | as a level within the day
                "20 day moving average | sma(close, 20) | (sma(close, 20) on D)",
                "the 50 bar exponential average | ema(close, 50) | ema(close, 50)",
                "yesterday's high | high | high on D",
                "the low of the day before | low | low on D",
                "the high of the previous bar | high | high",
                "the previous close | close | close on D",
                "the low of the bar before | low | low",
                "the close of last week | close on W | close on W",
                "this month's high | high on forming M | high on forming M",
                "the highest high of the last 10 bars | highest(high, 10) | highest(high, 10)",
                "twice the atr 14 | 2 * atr(14) | 2 * atr(14)",
            })
    void levelsAreThoseOfWhatHasClosed(String said, String onDays, String within) {
        assertThat(PlainTerms.value(said, LANGUAGE, false)).contains(onDays);
        assertThat(PlainTerms.value(said, LANGUAGE, true)).contains(within);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "close is above yesterday's high | close > high back 1 | close > (high on D) back 1",
                "close is above the high of the previous bar | close > high back 1 | close > high back 1",
                "open is above the previous close | open > close back 1 | open > (close on D) back 1",
                "the high is over the high of the day | high > high | high > high on forming D",
                "the 10 bar average crosses above the 30 bar average | sma(close, 10) crosses above sma(close, 30) | sma(close, 10) crosses above sma(close, 30)",
                "close is below last week's low | close < (low on W) back 1 | close < (low on W) back 1",
                "new 20 day high | high > highest(high, 20) back 1 | high > (highest(high, 20) on D) back 1",
                "new high of the day | ? | high > (high on forming D) back 1",
                "makes a new low this week | low < (low on forming W) back 1 | low < (low on forming W) back 1",
                "gaps up 2% | open >= 1.02 * close back 1 | open >= 1.02 * close back 1",
                "opens with a gap down of more than 1.5 per cent | open < 0.985 * close back 1 | open < 0.985 * close back 1",
                "gap up by at least 1% | open >= 1.01 * close back 1 | open >= 1.01 * close back 1",
                "three down days in a row | close is falling for 3 | (close is falling for 3) on D",
                "four straight higher closes | close is rising for 4 | close is rising for 4",
                "macd turns positive | macd crosses above 0 | macd crosses above 0",
                "the macd histogram is negative | macd.histogram < 0 | macd.histogram < 0",
                "golden cross | sma(close, 50) crosses above sma(close, 200) | sma(close, 50) crosses above sma(close, 200)",
                "volume is twice the usual over 20 bars | volume >= 2 * sma(volume, 20) | volume >= 2 * sma(volume, 20)",
                "volume is above its usual of the last 10 bars | volume > sma(volume, 10) | volume > sma(volume, 10)",
                "three straight closes above 104 | close > 104 held for 3 | close > 104 held for 3",
            })
    void conditionsAreThoseOfTheBarTheyAreTrueAt(String said, String onDays, String within) {
        is(said, false, onDays);
        is(said, true, within);
    }

    /** A question mark where something is asked for, a dash where it is not understood. */
    private static void is(String said, boolean within, String expected) {
        if (expected.equals("?")) {
            assertThatThrownBy(() -> PlainTerms.condition(said, LANGUAGE, within))
                    .isInstanceOf(IllegalArgumentException.class);
        } else {
            assertThat(PlainTerms.condition(said, LANGUAGE, within))
                    .isEqualTo(expected.equals("-") ? Optional.empty() : Optional.of(expected));
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "something",
                "overbought",
                "usual",
                "new high of something",
                "two things below 100",
                "5 below 7",
                "close above"
            })
    void whatIsNotUnderstoodToItsLastWordIsNotRead(String said) {
        assertThat(PlainTerms.condition(said, LANGUAGE, true)).isEqualTo(Optional.empty());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "volume is twice usual | What is usual, of how many bars?",
                "volume is above the usual | What is usual, of how many bars?",
                "rsi 14 is overbought | What is overbought? Say for example: is above 70.",
                "rsi 2 is oversold | What is oversold? Say for example: is below 30.",
                "price makes a new high | A new high of how many bars?",
                "new all time low | A new low of how many bars?",
            })
    void whatLeavesAFigureOpenAsksForIt(String said, String question) {
        assertThatThrownBy(() -> PlainTerms.condition(said, LANGUAGE, true))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith(question);
    }

    @Test
    void asksForFiguresAndForShorterBars() {
        assertThatThrownBy(() -> PlainTerms.value("its moving average", LANGUAGE, true))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("how many bars");
        assertThatThrownBy(() -> PlainTerms.value("today's high", LANGUAGE, false))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("shorter bars");
    }
}
