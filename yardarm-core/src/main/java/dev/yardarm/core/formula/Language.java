package dev.yardarm.core.formula;

import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.profile.OrderFlowTerms;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;

/**
 * What formulas are written in: the words of the language, the indicators they may name, and how large they may be. A value
 * that does not change; a trader's own indicators make another one.
 *
 * <pre>{@code
 * Language language = Language.of(Catalogue.builtIn().with(own));
 * Formula formula = Formula.parse("trend_stage(30) > 0", language);
 * }</pre>
 *
 * @param catalogue the indicators formulas may name
 * @param limits how large they may be
 */
public record Language(Catalogue catalogue, Limits limits) {
    /**
     * How large formulas may be.
     *
     * @param characters longest text
     * @param depth deepest nesting
     * @param steps most computations, each counted once however often it is used
     * @param lookback most bars that {@code back} goes back
     * @param valuesABar most values looked at for each bar by what cannot be carried along (ranks, medians, mean deviations)
     */
    public record Limits(int characters, int depth, int steps, int lookback, int valuesABar) {
        /** The usual ones. */
        public static final Limits STANDARD = new Limits(4000, 100, 5000, 5000, 40_000);
    }

    /** Made when it is first asked for. */
    private static final class BuiltIn {
        static final Language LANGUAGE =
                of(Catalogue.builtIn().with(Detectors.terms()).with(OrderFlowTerms.all()));
    }

    /** The language with the indicators and detectors that ship with the application. */
    public static Language builtIn() {
        return BuiltIn.LANGUAGE;
    }

    /** The language with these indicators and the usual limits. */
    public static Language of(Catalogue catalogue) {
        return new Language(catalogue, Limits.STANDARD);
    }

    private static final List<String> KEYWORDS = List.of(
            "and",
            "or",
            "not",
            "just",
            "crosses",
            "above",
            "below",
            "back",
            "on",
            "forming",
            "of",
            "when",
            "last",
            "bars",
            "since",
            "else",
            "if",
            "is",
            "rising",
            "falling",
            "for",
            "within",
            "between",
            "held",
            "seen",
            "in",
            "drawing",
            "provisional");

    /** Words that begin the statements of a definition. */
    public static final List<String> STATEMENTS = List.of(
            "define", "setting", "let", "line", "area", "bars", "dots", "marker", "tint", "cue", "level", "note");

    /** Instruments that are meant by their part in the market. */
    public static final List<String> SURROUNDING = List.of("benchmark", "sector");

    /** Kinds of bars that can be made from others. */
    static final List<String> BAR_KINDS = List.of(
            "range", "reversal", "brick", "volume", "ticks", "time", "line-break", "point-figure", "heikin-ashi");

    /** Signs that are written in several ways, by their number in the grammar. */
    static final Map<Integer, String> SIGNS = Map.of(
            FormulaParser.AT_LEAST, ">=",
            FormulaParser.AT_MOST, "<=",
            FormulaParser.UNEQUAL, "<>",
            FormulaParser.GREATER, ">",
            FormulaParser.LESS, "<",
            FormulaParser.EQUAL, "=",
            FormulaParser.MINUS, "-",
            FormulaParser.TIMES, "*",
            FormulaParser.DIVIDED, "/");

    /** {@code average(kind, value, length)}: an average whose kind is one of several words. */
    static final String AVERAGE = "average";

    /** Functions of one value; a result that is no finite number is missing. */
    static final Map<String, DoubleUnaryOperator> UNARY = new TreeMap<>(Map.of(
            "abs",
            Math::abs,
            "log",
            value -> value > 0 ? Math.log(value) : Double.NaN,
            "sqrt",
            value -> value >= 0 ? Math.sqrt(value) : Double.NaN,
            "round",
            Math::rint));

    /** Functions of two values. */
    static final List<String> BINARY = List.of("min", "max");

    /** Stands before structure that may still be taken back, and begins the names of such outputs. */
    static final String PROVISIONAL = "provisional";

    /** Nth of those counted from the newest: the setting that a number behind an output gives. */
    static final String NTH = "nth";

    /** The indicator a word means in a formula. */
    Optional<Indicator> indicator(String word) {
        return catalogue.find(word.equals("mean") ? "sma" : word);
    }

    /** Names that other indicators have now: formulas written before mean those that have what they ask for. */
    private static final Map<String, String> FORMERLY = Map.of("pivots", "floor_pivots");

    /**
     * The indicator a word means, with what is asked of it.
     *
     * @param output that is named; null for none
     * @param arguments as they are written
     */
    public Optional<Indicator> indicator(String word, String output, List<String> arguments) {
        Indicator former =
                Optional.ofNullable(FORMERLY.get(word)).flatMap(catalogue::find).orElse(null);
        boolean meant = former != null
                && (output != null && former.output(output) >= 0
                        || former.settings().stream()
                                .anyMatch(setting -> setting instanceof Setting.Choice choice
                                        && arguments.stream().anyMatch(given -> choice.words().stream()
                                                .anyMatch(given.replaceFirst("^\\w+:", "")::equalsIgnoreCase))));
        return meant ? Optional.of(former) : indicator(word);
    }

    /** The word an indicator is written by where one was written that means it. */
    static String word(String written, Indicator meant) {
        return FORMERLY.containsKey(written) ? meant.name() : written;
    }

    boolean isIndicator(String word) {
        return indicator(word).isPresent();
    }

    boolean isFunction(String word) {
        return isIndicator(word) || UNARY.containsKey(word) || BINARY.contains(word) || word.equals(AVERAGE);
    }

    /** True for a word that some indicator takes as a setting. */
    boolean isChoice(String word) {
        return SURROUNDING.contains(word)
                || catalogue.all().stream()
                        .flatMap(each -> each.settings().stream())
                        .anyMatch(each -> each instanceof Setting.Choice choice
                                && choice.words().contains(word));
    }

    /** All words, for completion. */
    public List<String> words() {
        List<String> words = new ArrayList<>(KEYWORDS);
        for (Field field : Field.values()) {
            words.add(field.word());
        }
        for (Indicator indicator : catalogue.all()) {
            words.add(indicator.name());
        }
        words.addAll(UNARY.keySet());
        words.addAll(BINARY);
        words.add(AVERAGE);
        words.addAll(SURROUNDING);
        return words;
    }

    /** What people write elsewhere for words of this language. */
    private static final Map<String, String> ELSEWHERE = Map.ofEntries(
            Map.entry("cross", "crosses"),
            Map.entry("over", "above"),
            Map.entry("under", "below"),
            Map.entry("avg", "sma"),
            Map.entry("ma", "sma"),
            Map.entry("std", "stdev"),
            Map.entry("ago", "back"),
            Map.entry("prev", "back"),
            Map.entry("hl2", "midprice"),
            Map.entry("hlc3", "typical"),
            Map.entry("stoch", "stochastic"),
            Map.entry("vol", "volume"),
            Map.entry("last", "close"),
            Map.entry("price", "close"),
            Map.entry("ln", "log"),
            Map.entry("sqr", "sqrt"),
            Map.entry("maximum", "max"),
            Map.entry("minimum", "min"));

    /** {@code "; did you mean 'close'?"} when a word of the language is near, else nothing. */
    String suggestion(String word) {
        return suggestion(word, List.of());
    }

    /**
     * The same among further words that would do at the place.
     *
     * @param more come first where they are as near
     */
    String suggestion(String word, List<String> more) {
        String meant = near(word, more);
        return meant == null || meant.equals(word) ? "" : "; did you mean '" + meant + "'?";
    }

    private String near(String word, List<String> more) {
        String elsewhere = ELSEWHERE.get(word);
        if (elsewhere != null) {
            return elsewhere;
        }
        for (Indicator indicator : catalogue.all()) {
            if (indicator.synonyms().contains(word)) {
                return indicator.name();
            }
        }
        List<String> candidates = new ArrayList<>(more);
        candidates.addAll(words());
        String nearest = nearest(word, candidates);
        if (nearest != null) {
            return nearest;
        }
        return candidates.stream()
                .filter(candidate -> word.length() > 2 && candidate.startsWith(word))
                .findFirst()
                .orElse(null);
    }

    /** The candidate fewest letters away, if that is few; null when none is near. */
    static String nearest(String word, List<String> candidates) {
        String nearest = null;
        int least = Math.max(1, word.length() / 3) + 1;
        for (String candidate : candidates) {
            int distance = distance(word, candidate);
            if (distance < least) {
                least = distance;
                nearest = candidate;
            }
        }
        return nearest;
    }

    /** Number of letters to insert, delete, replace or swap with their neighbour (Damerau, 1964). */
    static int distance(String first, String second) {
        int[][] cost = new int[first.length() + 1][second.length() + 1];
        for (int row = 0; row <= first.length(); row++) {
            for (int column = 0; column <= second.length(); column++) {
                if (row == 0 || column == 0) {
                    cost[row][column] = row + column;
                    continue;
                }
                int same = first.charAt(row - 1) == second.charAt(column - 1) ? 0 : 1;
                int best = Math.min(
                        cost[row - 1][column - 1] + same, Math.min(cost[row - 1][column], cost[row][column - 1]) + 1);
                if (row > 1
                        && column > 1
                        && first.charAt(row - 1) == second.charAt(column - 2)
                        && first.charAt(row - 2) == second.charAt(column - 1)) {
                    best = Math.min(best, cost[row - 2][column - 2] + 1);
                }
                cost[row][column] = best;
            }
        }
        return cost[first.length()][second.length()];
    }
}
