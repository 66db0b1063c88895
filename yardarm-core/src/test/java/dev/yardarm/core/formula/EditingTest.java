package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What an editor of definitions shows: kinds of words, proposals, help; and every example of the reference. */
class EditingTest {
    private static final Language LANGUAGE = Language.builtIn();

    private static List<Completion> at(String text) {
        int caret = text.indexOf('|');
        return Completion.at(text.replace("|", ""), caret, LANGUAGE, start -> List.of("KTRL", "KTMR", "MARN").stream()
                .filter(code -> code.startsWith(start.toUpperCase(Locale.ROOT)))
                .toList());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '!',
            value = {
                "se|!setting,seen!setting",
                "define \"A\" in pane;l|!let,line,level!let",
                "close > s|!sma(,stdev(!sma(",
                "close i|!is rising,is within!is rising",
                "close is r|!rising!rising",
                "close held |!for!for",
                "close on |!W,M,D,range!W",
                "close of |!benchmark,sector,#KTRL!benchmark",
                "close of #kt|!#KTRL,#KTMR!#KTRL",
                "macd.|!value,signal,histogram!value",
                "bollinger(20, 2).u|!upper!upper",
                "keltner(e|!exponential,ema(!exponential",
                "average(|!simple,weighted!",
                "rsi(|!length:!",
                "define \"A\" |!in price,in pane!in price",
                "tint \"A\" |!when,rise,teal!when",
                "setting a = 3 |!from,among!from",
                "let mine = 3;line m|!mine!mine",
                "tint \"Strong\" rise when close > 3;cue \"B\" when just s|!strong,sma(!strong",
                "close is within 5% of s|!sma(!sma(",
                "close > 3 a|!and!and",
            })
    void proposesWhatFits(String text, String words, String first) {
        List<String> proposals =
                at(text.replace(';', '\n')).stream().map(Completion::text).toList();
        boolean seen = words.contains("seen");
        assertThat(proposals).as(text).contains(words.replace(",seen", "").split(","));
        if (first != null && !first.isEmpty()) {
            assertThat(proposals.get(0)).as(text).isEqualTo(first);
        }
        assertThat(seen && proposals.contains("seen in")).isFalse();
    }

    @Test
    void proposalsSayTheirKindAndWhereTheyBegin() {
        Completion first = at("close > sm|").get(0);
        assertThat(first).isEqualTo(new Completion("sma(", "indicator", "Simple moving average", 8));
        assertThat(at("close of |").get(0).kind()).isEqualTo("instrument");
        assertThat(Completion.help("close > rsi(14)", 10, LANGUAGE))
                .contains("Relative strength")
                .contains("length 14");
        assertThat(Completion.help("close held for 3", 8, LANGUAGE)).contains("each of the last");
        assertThat(Completion.help("xyz", 1, LANGUAGE)).isEmpty();
    }

    @Test
    void everyWordHasItsKind() {
        String text = "define \"A\" in price // so\nlet mine = sma(close, 3)\ntint \"T\" rise when mine > 5 of #KTRL\n";
        String kinds = Highlight.of(text, LANGUAGE).stream()
                .map(piece -> text.substring(piece.start(), piece.start() + piece.length()) + "=" + piece.kind())
                .collect(Collectors.joining(" "));
        assertThat(kinds)
                .contains("define=STATEMENT", "\"A\"=TEXT", "// so=REMARK", "let=STATEMENT", "mine=NAME")
                .contains("sma=INDICATOR", "close=FIELD", "3=NUMBER", "rise=COLOUR", "when=WORD", "#KTRL=INSTRUMENT");
    }

    @Test
    void everyExampleOfTheReferenceComputes() {
        Bars bars = TestBars.walk(4, 400).snapshot();
        StringBuilder definition = new StringBuilder();
        for (Constructs.Construct each : Constructs.ALL) {
            if (each.group() == Constructs.Group.STATEMENTS) {
                definition.append(each.example()).append('\n');
                continue;
            }
            ColumnGraph graph = new ColumnGraph(new Surroundings(
                            TradingCalendar.ROUND_THE_CLOCK,
                            code -> Optional.of(() -> bars),
                            (from, until) -> Double.NaN)
                    .with((name, line, time, known) -> 1));
            Formula formula = Formula.parse(each.example(), LANGUAGE);
            assertThat(formula.isCondition()).as(each.form()).isEqualTo(each.group() == Constructs.Group.CONDITIONS);
            var column = formula.in(graph).output();
            graph.update(bars);
            assertThat(column.at(bars.size() - 1)).as(each.example()).isNotNaN();
            assertThat(Formula.parse(formula.canonical(), LANGUAGE).canonical()).isEqualTo(formula.canonical());
        }
        Indicator all = Definition.parse(definition.toString(), LANGUAGE).indicator();
        assertThat(all.outputs()).hasSizeGreaterThan(6);
        ColumnGraph graph = new ColumnGraph();
        all.in(graph, Settings.standard(all));
        graph.update(bars);
    }
}
