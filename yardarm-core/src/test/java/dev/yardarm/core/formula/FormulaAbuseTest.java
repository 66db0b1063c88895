package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.own.Examples;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** A hundred thousand generated and mutated texts: none hangs, overflows or costs more than it may; every fault has its place. */
class FormulaAbuseTest {
    private static final Bars BARS = TestBars.walk(1, 40).snapshot();
    private static final Language LANGUAGE = Language.builtIn();
    /** Of generated formulas and of mutated ones; all of a hundred thousand texts are tried with {@code -Dabuse.rounds=45000}. */
    private static final int ROUNDS = Integer.getInteger("abuse.rounds", 3000);

    private static final String[] WORDS = {
        "close",
        "open",
        "high",
        "volume",
        "sma(",
        "rsi(",
        "macd",
        ".signal",
        "bollinger(20, 2)",
        ".upper",
        "(",
        ")",
        ",",
        "+",
        "-",
        "*",
        "/",
        "^",
        ">",
        "<=",
        "=",
        "<>",
        "and",
        "or",
        "not",
        "just",
        "crosses above",
        "crosses",
        "is rising",
        "is within",
        "%",
        "of",
        "is between",
        "held for",
        "seen in",
        "back",
        "on",
        "W",
        "forming",
        "range",
        "when last",
        "bars since",
        "else",
        "if(",
        "5",
        "20",
        "0",
        "0.5",
        "99999",
        "#KTRL",
        "benchmark",
        "drawing",
        "\"a\"",
        "2026-01-05",
        "let",
        "x",
        "define",
        "\n",
        "line",
        "tint",
        "cue",
        "setting",
        "from",
        "to",
        "among",
        "//",
        "\u2265",
        "\u201c",
        ";",
        "{",
        "\u0000",
        "average(",
        "weighted",
        "length:",
        "atr(14)",
        "1e9",
        "\t",
        "--",
        "((((",
        "))))",
        "brick 10",
        "point-figure 10x3",
        "M"
    };

    private static String generated(Random random) {
        StringBuilder text = new StringBuilder();
        for (int word = 1 + random.nextInt(18); word > 0; word--) {
            text.append(WORDS[random.nextInt(WORDS.length)]).append(random.nextInt(4) == 0 ? "" : " ");
        }
        return text.toString();
    }

    private static String mutated(String text, Random random) {
        StringBuilder changed = new StringBuilder(text);
        for (int change = 1 + random.nextInt(4); change > 0 && changed.length() > 0; change--) {
            int at = random.nextInt(changed.length());
            switch (random.nextInt(4)) {
                case 0 -> changed.deleteCharAt(at);
                case 1 -> changed.insert(at, (char) (32 + random.nextInt(95)));
                case 2 -> changed.insert(at, ' ' + WORDS[random.nextInt(WORDS.length)] + ' ');
                default -> {
                    int end = Math.min(changed.length(), at + random.nextInt(12));
                    changed.insert(random.nextInt(changed.length()), changed.substring(at, end));
                }
            }
        }
        return changed.toString();
    }

    private static void faultsHavePlaces(FormulaException refused, String text) {
        assertThat(refused.faults()).isNotEmpty();
        for (Fault fault : refused.faults()) {
            assertThat(fault.position()).as(text).isBetween(0, Math.max(text.length(), 1));
            assertThat(fault.length()).as(text).isPositive();
            assertThat(fault.problem()).as(text).isNotBlank();
        }
        assertThat(refused.marked()).contains("^");
    }

    private static void formula(String text) {
        Formula formula;
        try {
            formula = Formula.parse(text, LANGUAGE);
        } catch (FormulaException refused) {
            faultsHavePlaces(refused, text);
            return;
        }
        ColumnGraph graph = new ColumnGraph();
        formula.in(graph);
        assertThat(graph.size()).isLessThanOrEqualTo(LANGUAGE.limits().steps());
        graph.update(BARS);
        String canonical = formula.canonical();
        assertThat(Formula.parse(canonical, LANGUAGE).canonical()).as(text).isEqualTo(canonical);
    }

    private static void definition(String text) {
        try {
            Definition read = Definition.parse(text, LANGUAGE);
            String canonical = read.canonical();
            assertThat(Definition.parse(canonical, LANGUAGE).canonical())
                    .as(text)
                    .isEqualTo(canonical);
        } catch (FormulaException refused) {
            faultsHavePlaces(refused, text);
        }
    }

    @Test
    @Timeout(value = 600, unit = TimeUnit.SECONDS)
    void textsOfAllSortsBreakNothing() {
        Random random = new Random(2026);
        List<String> formulas = new ArrayList<>();
        Constructs.ALL.stream()
                .filter(each -> each.group() != Constructs.Group.STATEMENTS)
                .forEach(each -> formulas.add(each.example()));
        List<String> definitions =
                Examples.all().stream().map(Examples.Example::text).toList();
        for (int round = 0; round < ROUNDS; round++) {
            formula(generated(random));
            formula(mutated(formulas.get(random.nextInt(formulas.size())), random));
        }
        for (int round = 0; round < ROUNDS / 11; round++) {
            definition(mutated(definitions.get(random.nextInt(definitions.size())), random));
        }
        for (int round = 0; round < ROUNDS / 7; round++) {
            definition("define \"A\" in pane\nlet x = close\n" + generated(random) + "\nline x\n");
        }
    }

    @Test
    void extremesStayWithinTheLimits() {
        for (String text : List.of(
                "(".repeat(5000),
                "not ".repeat(900) + "close > 1",
                "close" + " back 5000".repeat(300),
                "close" + " on W".repeat(300),
                "bars since (".repeat(90) + "close > 1" + ")".repeat(90),
                "1" + "^1".repeat(99),
                "close when last (close > 1) ".repeat(100),
                "if(".repeat(99) + "close > 1",
                "close of #A".repeat(300),
                "sma(".repeat(95) + "close" + ", 2)".repeat(95),
                "\u0000\uFFFF\uD800",
                "close > 1 held for 5000 held for 5000 seen in 5000",
                "highest(high, 5000) - highest(high, 4999) on M")) {
            formula(text);
        }
        definition("define \"A\" in pane\n" + "line close\n".repeat(500));
        definition("define \"A\" in pane\n" + "note \"" + "x".repeat(39_000) + "\"\nline close\n");
        definition("x".repeat(50_000));
    }
}
