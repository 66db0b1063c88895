package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.series.Bars;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FormulaTest {
    private static final Bars BARS = TestBars.ofCloses(10, 12, 11, 15, 14, 18, 17, 21);

    private static double at(String formula, int bar) {
        return Formula.parse(formula, Language.builtIn()).evaluate(BARS).at(bar);
    }

    private static double last(String formula) {
        return at(formula, BARS.size() - 1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1 + 2 * 3 | 7",
                "(1 + 2) * 3 | 9",
                "2 ^ 3 ^ 2 | 512",
                "-2 ^ 2 | -4",
                "10 - 4 - 3 | 3",
                "8 / 4 / 2 | 1",
                "5% | 0.05",
                "close | 21",
                "CLOSE back 2 | 18",
                "close - close back 1 | 4",
                "min(3, 4) | 3",
                "max(close, 30) | 30",
                "abs(-3) | 3",
                "sqrt(16) | 4",
                "log(1) | 0",
                "round(2.6) | 3",
                "2 * -3 | -6",
                "highest(close, 3) | 21",
                "lowest(close, 3) | 17",
                "sma(close, 2) | 19",
                "sma(2) | 19",
                "sma(length: 2) | 19",
                "sma(2, source: close * 2) | 38",
                "sma(close * 2, 2) | 38",
                "(close back 1) back 1 | 18",
                "close back 1 back 1 | 18",
                "typical | 21",
                "range | 0",
                "volume | 107",
                "close > 20 | 1",
                "close < 20 | 0",
                "close >= 21 | 1",
                "close <= 21 | 1",
                "close = 21 | 1",
                "close <> 21 | 0",
                "close > 20 and close < 22 | 1",
                "close > 22 or close < 22 | 1",
                "not close > 22 | 1",
                "not close > 22 and close > 30 | 0",
                "close > 30 and close > 1 or close > 2 | 1",
                "close crosses above 20 | 1",
                "close crosses below 20 | 0",
                "close crosses 20 | 1"
            })
    void computes(String formula, double expected) {
        assertThat(last(formula)).isCloseTo(expected, within(1e-12));
    }

    @Test
    void crossingTellsEndlessValuesAndMissingOnes() {
        double endless = Double.POSITIVE_INFINITY;
        double[] closes = {1, endless, -endless, endless, Double.NaN, 2, 3};
        double[] expected = {Double.NaN, 1, 0, 1, Double.NaN, Double.NaN, 0};
        for (int bar = 0; bar < closes.length; bar++) {
            assertThat(Formula.parse("close crosses above 1.5", Language.builtIn())
                            .evaluate(TestBars.ofCloses(closes))
                            .at(bar))
                    .as("bar %d", bar)
                    .isEqualTo(Double.valueOf(expected[bar]));
        }
    }

    @Test
    void crossingNeedsTheBarBefore() {
        assertThat(at("close crosses above 9", 0)).isNaN();
        assertThat(at("close crosses above 11", 1)).isEqualTo(1);
        assertThat(at("close crosses above 11", 2)).isZero();
        assertThat(at("close crosses below 12", 2)).isEqualTo(1);
        assertThat(Formula.parse("close crosses above 11", Language.builtIn())
                        .evaluate(TestBars.ofCloses(10, 11, 12))
                        .at(2))
                .isEqualTo(1);
    }

    @Test
    void unknownStaysUnknownUnderNotAndYieldsToWhatIsCertain() {
        assertThat(at("close > sma(close, 5)", 2)).isNaN();
        assertThat(at("not close > sma(close, 5)", 2)).isNaN();
        assertThat(at("close > sma(close, 5) or close > 1", 2)).isEqualTo(1);
        assertThat(at("close > sma(close, 5) and close < 1", 2)).isZero();
        assertThat(at("close > sma(close, 5) and close > 1", 2)).isNaN();
        assertThat(at("close + sma(close, 5)", 2)).isNaN();
        assertThat(at("close / 0", 2)).isNaN();
        assertThat(at("log(0 - close)", 2)).isNaN();
        assertThat(at("close back 3", 2)).isNaN();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "clsoe > 3 | 1 | did you mean 'close'",
                "sma(close, 50 | 14 | closing parenthesis",
                "close > | 8 | value was expected",
                "close and 5 | 1 | joins conditions",
                "sma(close, 0) | 12 | from 1 to 5000",
                "sma(close, 2, 3) | 15 | one too many",
                "foo(close) | 1 | no function",
                "close + (close > 3) | 10 | condition",
                "close ? 3 | 7 | expected",
                "close back 2.5 | 12 | whole number",
                "sma(close, close) | 12 | plain number",
                "abs(1, 2) | 1 | takes 1 value",
                "close crosse above 3 | 7 | did you mean 'crosses'",
                "rsi(lenght: 3) | 5 | no setting",
                "close 3 | 7 | expected",
                "abs | 1 | parentheses",
                "(close > 3) > 2 | 2 | condition",
                "close > 3 > 2 | 11 | expected"
            })
    void errorsNameThePlaceAndWhatWouldBeRight(String formula, int position, String words) {
        FormulaException bad =
                catchThrowableOfType(FormulaException.class, () -> Formula.parse(formula, Language.builtIn()));
        assertThat(bad).as(formula).isNotNull();
        assertThat(bad.getMessage()).startsWith("position " + position + ":").contains(words);
        assertThat(bad.marked()).contains("^");
    }

    @Test
    void limitsAreToldWhenHit() {
        assertThatThrownBy(() -> Formula.parse(" ", Language.builtIn())).hasMessageContaining("empty");
        assertThatThrownBy(() -> Formula.parse("1" + "+1".repeat(3000), Language.builtIn()))
                .hasMessageContaining("4000");
        assertThatThrownBy(() -> Formula.parse("(".repeat(200) + "1" + ")".repeat(200), Language.builtIn()))
                .hasMessageContaining("100");
        assertThatThrownBy(() -> Formula.parse("not ".repeat(300) + "close > 1", Language.builtIn()))
                .hasMessageContaining("100");
        assertThatThrownBy(() -> Formula.parse("close back 6000", Language.builtIn()))
                .hasMessageContaining("5000");
        assertThat(last("1" + "+1".repeat(1500))).isEqualTo(1501);
    }

    @Test
    void aConditionIsAskedForWhereOneIsNeeded() {
        assertThatThrownBy(() -> Formula.parseCondition("close", Language.builtIn()))
                .hasMessageContaining("condition is needed");
        assertThat(Formula.parseCondition("close > 3", Language.builtIn()).isCondition())
                .isTrue();
        assertThat(Formula.parse("close", Language.builtIn()).isCondition()).isFalse();
    }

    @Property(tries = 80)
    void aPrefixOfTheBarsGivesThePrefixOfTheResult(@ForAll @IntRange(min = 1, max = 100) int cut, @ForAll long seed) {
        Bars whole = TestBars.walk(seed, 100).snapshot();
        String[] formulas = {
            "close crosses above sma(close, 7)",
            "rsi(5) < 40 or high > highest(high, 9) back 1",
            "ema(close - open, 4) / range",
            "not (close > close back 3)"
        };
        String formula = formulas[new Random(seed).nextInt(formulas.length)];
        var all = Formula.parse(formula, Language.builtIn()).evaluate(whole);
        var part = Formula.parse(formula, Language.builtIn()).evaluate(TestBars.prefix(whole, cut, false));
        var forming = Formula.parse(formula, Language.builtIn()).evaluate(TestBars.prefix(whole, cut, true));
        for (int bar = 0; bar < cut; bar++) {
            assertThat(part.at(bar)).isEqualTo(Double.valueOf(all.at(bar)));
            assertThat(forming.at(bar)).isEqualTo(Double.valueOf(all.at(bar)));
        }
    }

    @Property(tries = 200)
    void nonsenseIsRefusedAndNeverBreaksAnything(@ForAll String text) {
        try {
            Formula.parse(text, Language.builtIn());
        } catch (FormulaException refused) {
            assertThat(refused.position()).isBetween(0, Math.max(text.length(), 1));
        }
    }

    @Test
    void whatABarCostsHasABound() {
        StringBuilder text = new StringBuilder("close");
        for (int length = 4600; length < 4998; length++) {
            text.append("+cci(").append(length).append(')');
        }
        assertThat(text.length()).isLessThan(4001);
        assertThatThrownBy(() -> Formula.parse(text.toString(), Language.builtIn()))
                .isInstanceOf(FormulaException.class)
                .hasMessageContaining("values for each bar; at most 40000");
        Formula.parse("cci(5000) + cci(4000) + cci(5000)", Language.builtIn());
        assertThatThrownBy(
                        () -> Formula.parse(text.toString().replace("cci(4600)", "cci(4600) on W"), Language.builtIn()))
                .hasMessageContaining("values for each bar");
    }

    /** Hours, weekdays and months stand for themselves, by the session a bar belongs to. */
    @Test
    void whenABarIsCanBeAsked() {
        Bars bars = dev.yardarm.core.TestBars.walk(1, 400).snapshot();
        for (String[] each : new String[][] {
            {"weekday", "clock.weekday"},
            {"hour", "clock.hour"},
            {"month = 12 and day_of_month > 20", "clock.month = 12 and clock.day > 20"},
            {"session_minute", "clock.session_minute"}
        }) {
            dev.yardarm.core.series.Column said =
                    Formula.parse(each[0], Language.builtIn()).evaluate(bars);
            dev.yardarm.core.series.Column meant =
                    Formula.parse(each[1], Language.builtIn()).evaluate(bars);
            for (int bar = 0; bar < bars.closed(); bar++) {
                assertThat(said.at(bar)).isEqualTo(meant.at(bar));
            }
            assertThat(Formula.parse(each[0], Language.builtIn()).canonical()).isEqualTo(each[1]);
        }
    }
}
