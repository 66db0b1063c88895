package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A condition as rows and as text. */
class RuleTest {
    private static Rule.Group read(String text) {
        return Rule.read(text, Language.builtIn());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "close > 10",
                "close crosses above sma(close, 50)",
                "rsi(14) < 30 and close > sma(close, 200) or volume > 2 * sma(volume, 20)",
                "(rsi(14) < 30 or rsi(2) < 5) and close > sma(close, 200)",
                "not (close > 10 or close < 5)",
                "not macd.cross_up",
                "if(close > 10, 1, 0) + if(volume > 5, 1, 0) + if(macd.cross_up, 1, 0) >= 2",
                "sma(close, 50) is rising for 4 and low is within 0.5 atr(14) of sma(close, 50)",
                "low is within 5% of sma(close, 30) seen in 10",
                "rsi(14) is between 20 and 80 held for 3",
                "just (close > sma(close, 20)) and macd.cross_up seen in 5",
                "(close > 1 and close > open) held for 3",
                "close on W > sma(close, 30) on W and close of #TIDQ is falling",
                "close > if(open > 1, 2, 3)",
                "not (close > 1 and open > 1)"
            })
    void rowsAndTextSayTheSame(String text) {
        String canonical = Formula.parse(text, Language.builtIn()).canonical();
        Rule.Group rule = read(text);
        assertThat(Formula.parse(rule.text(), Language.builtIn()).canonical()).isEqualTo(canonical);
        assertThat(read(rule.text())).isEqualTo(rule);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "close > sma(close, 50) | close | ABOVE | sma(close, 50) | NOW | 1",
                "ema(close, 5) crosses below 3 held for 2 | ema(close, 5) | CROSSES_BELOW | 3 | HELD | 2",
                "sma(close, 9) is falling for 4 | sma(close, 9) | FALLING | 4 | NOW | 1",
                "low is within 1.5 atr(14) of ema(close, 20) | low | WITHIN | 1.5 atr(14) of ema(close, 20) | NOW | 1",
                "rsi(14) is between 20 and 80 | rsi(14) | BETWEEN | 20 and 80 | NOW | 1",
                "just (close >= 4) | close | AT_LEAST | 4 | JUST | 1",
                "macd.cross_up seen in 5 | macd.cross_up | HOLDS | '' | SEEN | 5",
            })
    void aStatementHasItsParts(String text, String what, Rule.How how, String against, Rule.Since since, int bars) {
        assertThat(read(text).rules()).containsExactly(new Rule.Statement(what, how, against, since, bars));
    }

    @Test
    void groupsAreReadAsTheyAreJoined() {
        Rule.Group rule = read("close > 1 and (open > 2 or high > 3) and not (low > 4 or volume > 5)");
        assertThat(rule.joined()).isEqualTo(Rule.Joined.ALL);
        assertThat(rule.rules()).hasSize(3);
        assertThat(((Rule.Group) rule.rules().get(1)).joined()).isEqualTo(Rule.Joined.ANY);
        assertThat(((Rule.Group) rule.rules().get(2)).joined()).isEqualTo(Rule.Joined.NONE);
        assertThat(rule.statements())
                .extracting(Rule.Statement::what)
                .containsExactly("close", "open", "high", "low", "volume");
        Rule.Group counted = read("if(close > 1, 1, 0) + if(open > 1, 1, 0) >= 1");
        assertThat(counted.joined()).isEqualTo(Rule.Joined.AT_LEAST);
        assertThat(counted.least()).isEqualTo(1);
    }

    @Test
    void rowsThatAreNotFinishedLeaveTheirTextOut() {
        Rule.Statement empty = Rule.Statement.of("");
        Rule.Statement good = new Rule.Statement("close", Rule.How.ABOVE, "10", Rule.Since.NOW, 1);
        assertThat(Rule.Group.all(List.of(empty)).text()).isEmpty();
        assertThat(Rule.Group.all(List.of(empty, good)).text()).isEqualTo("close > 10");
        assertThat(new Rule.Group(Rule.Joined.NONE, 0, List.of(empty)).text()).isEmpty();
        assertThat(new Rule.Group(Rule.Joined.AT_LEAST, 2, List.of(empty)).text())
                .isEmpty();
    }

    @Test
    void whatIsNoConditionIsRefused() {
        assertThatThrownBy(() -> read("close"))
                .isInstanceOf(FormulaException.class)
                .hasMessageContaining("condition");
        assertThatThrownBy(() -> read("clsoe > 1")).hasMessageContaining("close");
    }
}
