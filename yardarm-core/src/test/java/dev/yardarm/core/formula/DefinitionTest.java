package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Indicator.Form;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DefinitionTest {
    private static final String STAGE =
            """
            // Where a trend stands.
            define "Trend stage" in price
            note "Tells a climb from a rest."
            setting length  = 30      from 2 to 400
            setting average = simple  among simple, exponential, weighted
            setting reach   = 1.5     from 0.2 to 6
            let middle = average(average, close, length)
            let climb  = slope(middle, 5) / atr(14)
            line middle "Average" width 2
            tint "Climbing"  rise  when climb > 0.05 and close > middle
            tint "Sinking"   fall  when climb < -0.05
                 and close < middle
            tint "Resting"   soft  when abs(close - middle) < reach * atr(14)
            cue  "Fresh climb" when just Climbing and volume > 1.5 * sma(volume, 20)
            """;

    private static final Bars BARS = TestBars.walk(3, 300).snapshot();

    private static Definition parse(String text) {
        return Definition.parse(text, Language.builtIn());
    }

    private static Column values(String formula, String... definitions) {
        Definitions own = Definitions.of(List.of(definitions), Language.builtIn());
        assertThat(own.bad()).isEmpty();
        return Formula.parse(formula, own.language()).evaluate(BARS);
    }

    private static void same(String one, String other, String... definitions) {
        Column left = values(one, definitions);
        Column right = values(other, definitions);
        int known = 0;
        for (int bar = 0; bar < BARS.size(); bar++) {
            if (!Double.isNaN(right.at(bar))) {
                known++;
            }
            assertThat(left.at(bar)).as(one + " at " + bar).isEqualTo(Double.valueOf(right.at(bar)));
        }
        assertThat(known).isPositive();
    }

    @Test
    void declaresWhatItSays() {
        Indicator stage = parse(STAGE).indicator();
        assertThat(stage.name()).isEqualTo("trend_stage");
        assertThat(stage.title()).isEqualTo("Trend stage");
        assertThat(stage.place().withPrice()).isTrue();
        assertThat(stage.help().summary()).isEqualTo("Tells a climb from a rest.");
        assertThat(stage.settings())
                .containsExactly(
                        new Setting.WholeNumber("length", "Length", 30, 2, 400),
                        new Setting.Choice("average", "Average", List.of("simple", "exponential", "weighted")),
                        new Setting.Number("reach", "Reach", 1.5, 0.2, 6));
        assertThat(stage.outputs())
                .containsExactly(
                        new Indicator.Output("average", "Average", Form.LINE, false, new Indicator.Look("", 2)),
                        new Indicator.Output("climbing", "Climbing", Form.TINT, true, new Indicator.Look("rise", 0)),
                        new Indicator.Output("sinking", "Sinking", Form.TINT, true, new Indicator.Look("fall", 0)),
                        new Indicator.Output("resting", "Resting", Form.TINT, true, new Indicator.Look("soft", 0)),
                        new Indicator.Output("fresh_climb", "Fresh climb", Form.NONE, true));
    }

    @Test
    void isComputedAsTheFormulasItStandsFor() {
        same("trend_stage", "sma(close, 30)", STAGE);
        same("trend_stage(12)", "sma(close, 12)", STAGE);
        same("trend_stage(exponential, 12).average", "ema(close, 12)", STAGE);
        same("trend_stage(average: weighted, length: 9)", "wma(close, 9)", STAGE);
        same("trend_stage(20).climbing", "slope(sma(close, 20), 5) / atr(14) > 0.05 and close > sma(close, 20)", STAGE);
        same(
                "trend_stage(20).fresh_climb",
                "just (slope(sma(close, 20), 5) / atr(14) > 0.05 and close > sma(close, 20)) "
                        + "and volume > 1.5 * sma(volume, 20)",
                STAGE);
        same("trend_stage(5) on W", "sma(close, 5) on W", STAGE);
    }

    @Test
    void printsItselfAndReadsThatAgain() {
        Definition stage = parse(STAGE);
        String canonical = stage.canonical();
        assertThat(canonical)
                .contains("define \"Trend stage\" in price\n")
                .contains("setting reach = 1.5 from 0.2 to 6\n")
                .contains("let climb = slope(middle, 5) / atr(14)\n")
                .contains("line middle \"Average\" width 2\n")
                .contains("cue \"Fresh climb\" when just climbing and volume > 1.5 * sma(volume, 20)\n");
        assertThat(parse(canonical).canonical()).isEqualTo(canonical);
    }

    @Test
    void everyStatementOnce() {
        Definition all = parse(
                """
                define "All of it" in pane from 0 to 100
                setting source = close
                setting frame = W among D, W, M
                setting share = 5% from 1% to 20%
                setting against = #ktrl
                setting kind = simple among simple, exponential "Kind of average"
                level 30, 70
                let strength = rsi(source, 14)
                let far = sma(close, 3) on frame
                line strength dashed teal
                line far hidden
                area between strength and 50 "Strength" plum
                bars strength - 50 "Excess" soft
                dots highest(strength, 5) "Most"
                marker up "Buy" rise when strength crosses above 30
                marker down when strength crosses below 70
                tint "Near" slate when close is within share of far
                cue "Simple" when kind = simple
                cue "Other" when close of against > 0
                """);
        Indicator indicator = all.indicator();
        assertThat(indicator.outputs().stream().map(Indicator.Output::name).toList())
                .containsExactly(
                        "strength", "far", "strength_high", "excess", "most", "buy", "down", "near", "simple", "other");
        assertThat(indicator.outputs().stream().map(Indicator.Output::form).toList())
                .containsExactly(
                        Form.DASHED,
                        Form.NONE,
                        Form.NONE,
                        Form.COLUMNS,
                        Form.DOTS,
                        Form.UP,
                        Form.DOWN,
                        Form.TINT,
                        Form.NONE,
                        Form.NONE);
        assertThat(indicator.fills()).containsExactly(new Indicator.Fill(0, 2));
        assertThat(indicator.place()).isEqualTo(Indicator.Place.bounded(0, 100, 30.0, 70.0));
        assertThat(all.canonical()).isEqualTo(parse(all.canonical()).canonical());
        same("all_of_it(source: high).strength", "rsi(high, 14)", all.text());
        same("all_of_it(high + low)", "rsi(high + low, 14)", all.text());
        same("all_of_it(D).far", "sma(close, 3) on D", all.text());
        same("all_of_it(share: 10%).near", "close is within 10% of (sma(close, 3) on W)", all.text());
        same("all_of_it(kind: exponential).simple", "close < 0", all.text());
        ColumnGraph graph = new ColumnGraph();
        indicator.in(graph, Settings.standard(indicator));
        assertThat(graph.needs().instruments()).containsExactly("KTRL");
        assertThat(graph.needs().timeframes()).hasSize(1);
    }

    @Test
    void aNameUsedManyTimesIsComputedOnce() {
        StringBuilder text = new StringBuilder("define \"Doubling\" in pane\nlet a0 = close + 1\n");
        for (int step = 1; step <= 60; step++) {
            String before = "a" + (step - 1);
            text.append("let a" + step + " = " + before + " + " + before + " on W + " + before + "\n");
        }
        text.append("line a60\n");
        // Each name stands in the one after it three times, once on another timeframe: written out it would be 3^60
        // nodes.
        parse(text.toString());
        String plain = text.toString().replace(" on W", "");
        Indicator indicator = parse(plain).indicator();
        ColumnGraph graph = new ColumnGraph();
        indicator.in(graph, Settings.standard(indicator));
        assertThat(graph.size()).isLessThan(140);
    }

    @Test
    void definitionsUseEachOtherInAnyOrderAndCirclesAreTold() {
        String outer = "define \"Outer\" in pane\nline inner(5) + inner(7)\n";
        String inner = "define \"Inner\" in pane\nsetting length = 3 from 1 to 50\nline sma(close, length)\n";
        same("outer", "sma(close, 5) + sma(close, 7)", outer, inner);
        String one = "define \"One\" in pane\nline two + 1\n";
        String two = "define \"Two\" in pane\nline one + 1\n";
        Definitions circle = Definitions.of(List.of(one, two, inner), Language.builtIn());
        assertThat(circle.good()).containsOnlyKeys(2);
        assertThat(circle.bad().values().stream().map(Throwable::getMessage))
                .anyMatch(message -> message.contains("circle: One, which uses Two, which uses One"));
        Definitions twice = Definitions.of(List.of(inner, inner), Language.builtIn());
        assertThat(twice.good()).containsOnlyKeys(0);
        assertThat(twice.bad().get(1)).hasMessageContaining("called 'Inner' already");
    }

    @Test
    void doublingAcrossDefinitionsStaysWithinTheLimits() {
        String[] texts = new String[40];
        texts[0] = "define \"D0\" in pane\nsetting n = 1 from 1 to 4000\nline close * n\n";
        for (int at = 1; at < texts.length; at++) {
            texts[at] = "define \"D%d\" in pane\nsetting n = 1 from 1 to 4000\nline d%d(n) + d%d(n * 2)\n"
                    .formatted(at, at - 1, at - 1);
        }
        Definitions own = Definitions.of(List.of(texts), Language.builtIn());
        assertThat(own.good().size()).isBetween(5, 20);
        assertThat(own.bad().get(30)).isNotNull();
    }

    @Test
    void settingsThatDoNotGoTogetherAreRefusedWhereTheyAreSet() {
        Indicator slow = parse("define \"Slow\" in price\nsetting n = 10 from 1 to 4000\nline sma(close, n * 2)\n")
                .indicator();
        Settings.of(slow, Map.of("n", "2500"));
        assertThatThrownBy(() -> Settings.of(slow, Map.of("n", "2501"))).hasMessageContaining("5000");
        Indicator half = parse("define \"Half\" in price\nsetting n = 10 from 1 to 40\nline sma(close, n / 2)\n")
                .indicator();
        assertThatThrownBy(() -> Settings.of(half, Map.of("n", "7"))).hasMessageContaining("whole number");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "line close | 1 | begins with define",
                "define 'X' in price;line close | 1 | quot",
                "define \"X\" in price | 1 | yields nothing",
                "define \"X\" in nowhere;line close | 1 | in price or in pane",
                "define \"RSI\" in pane;line close | 1 | already",
                "define \"X\" in price;lien close | 2 | did you mean 'line'",
                "define \"X\" in price;line clos | 2 | did you mean 'close'",
                "define \"X\" in price;let close = 3;line close | 2 | field of the bar",
                "define \"X\" in price;let a = 1;let a = 2;line a | 3 | already",
                "define \"X\" in price;setting n = 5 from 6 to 9;line n | 2 | between the bounds",
                "define \"X\" in price;setting n = a among b, c;line close | 2 | not among",
                "define \"X\" in price;line close > 1 | 2 | works on values",
                "define \"X\" in price;cue \"A\" when close | 2 | conditions",
                "define \"X\" in price;cue \"A\" when close > 1;cue \"a\" when close > 2 | 3 | output called a already",
                "define \"X\" in price;line close purpel | 2 | no colour",
                "define \"X\" in price;level 30;line close | 2 | pane of its own",
                "define \"X\" in price;tint \"A\" rise close > 1 | 2 | expected",
                "define \"X\" in price;line sma(close, b) | 2 | no field",
                "define \"X\" in price;define \"Y\" in price;line close | 2 | second",
            })
    void faultsAreToldWithLineAndWord(String text, int line, String words) {
        String lines = text.replace(';', '\n');
        FormulaException bad = catchThrowableOfType(FormulaException.class, () -> parse(lines));
        assertThat(bad).as(text).isNotNull();
        assertThat(bad.getMessage()).contains(words);
        if (lines.contains("\n")) {
            assertThat(bad.getMessage()).contains("line " + line + ",");
        }
    }

    @Test
    void faultsOfAllStatementsAreToldAtOnce() {
        FormulaException bad = catchThrowableOfType(
                FormulaException.class,
                () -> parse(
                        """
                        define "X" in price
                        setting n = 5 from 6 to 9
                        let a = sma(clsoe, 3)
                        lien a
                        line a + b
                        cue "A" when close >
                        """));
        assertThat(bad.faults()).hasSize(5);
        assertThat(bad.getMessage().lines().map(each -> each.substring(0, 7)))
                .containsExactly("line 2,", "line 3,", "line 4,", "line 5,", "line 6,");
        assertThat(bad.marked().lines()).hasSize(10);
    }

    @Test
    void severalDefinitionsOfOneTextArePutApart() {
        String text =
                "// first\ndefine \"A\" in price\nline close\n\n// second\n// of two\ndefine \"B\" in price\nline open\n";
        List<String> parts = Definition.parts(text).stream()
                .map(part -> text.substring(part.from(), part.to()))
                .toList();
        assertThat(parts).hasSize(2);
        assertThat(parts.get(0)).startsWith("// first").endsWith("line close\n\n");
        assertThat(parts.get(1)).startsWith("// second\n// of two\ndefine \"B\"");
        assertThat(Definition.titleOf(parts.get(1))).isEqualTo("B");
    }

    @Test
    void ownIndicatorsAreInTheCatalogue() {
        Catalogue all = Catalogue.builtIn().with(parse(STAGE).indicator());
        assertThat(all.find("Trend_Stage")).isPresent();
        assertThat(Definition.word("Über-Käufe 200 ß")).isEqualTo("uber_kaufe_200_ss");
        assertThat(Definition.word("200 day")).isEqualTo("_200_day");
        assertThat(values("trend_stage(30)", STAGE).at(40)).isCloseTo(mean(40), within(1e-9));
    }

    private static double mean(int bar) {
        double sum = 0;
        for (int back = 0; back < 30; back++) {
            sum += BARS.close(bar - back);
        }
        return sum / 30;
    }
}
