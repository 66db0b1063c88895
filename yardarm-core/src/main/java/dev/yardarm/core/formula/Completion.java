package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.Averages;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import org.antlr.v4.runtime.Token;

/**
 * Proposes what may stand at a place of a definition or formula, the likeliest first: names of the definition before fields, these
 * before indicators, those most used before the rest.
 *
 * @param text what is written
 * @param kind what it is: value, condition, setting, indicator, instrument, timeframe, colour, statement ...
 * @param help in a few words
 * @param from where what it takes the place of begins
 */
public record Completion(String text, String kind, String help, int from) {
    /** Most that are proposed. */
    private static final int MOST = 60;

    private static final List<String> LIKELY = List.of(
            "sma", "ema", "rsi", "atr", "highest", "lowest", "macd", "bollinger", "volume", "stdev", "slope", "adx");

    /**
     * The proposals at a place.
     *
     * @param caret number of characters before the place
     * @param instruments codes that begin with what is typed
     */
    public static List<Completion> at(
            String text, int caret, Language language, Function<String, List<String>> instruments) {
        return new Place(text, caret, language, instruments).proposals();
    }

    private static final class Place {
        private final Language language;
        private final Function<String, List<String>> instruments;
        private final String typed;
        private final int from;
        private final List<Token> statement = new ArrayList<>();
        private final Set<String> names;
        private final List<Completion> found = new ArrayList<>();
        private final boolean beginsLine;

        Place(String text, int caret, Language language, Function<String, List<String>> instruments) {
            this.language = language;
            this.instruments = instruments;
            int start = caret;
            while (start > 0 && isOfWord(text.charAt(start - 1))) {
                start--;
            }
            from = start;
            typed = text.substring(start, caret).toLowerCase(Locale.ROOT);
            beginsLine = DefinitionReader.beginsLine(text, start);
            List<Token> before = FormulaReader.tokens(text.substring(0, start));
            names = Highlight.names(before);
            for (Token token : before) {
                if (token.getType() == Token.EOF) {
                    continue;
                }
                if (Language.STATEMENTS.contains(token.getText().toLowerCase(Locale.ROOT))
                        && DefinitionReader.beginsLine(text, token.getStartIndex())) {
                    statement.clear();
                }
                statement.add(token);
            }
        }

        private static boolean isOfWord(char sign) {
            return Character.isLetterOrDigit(sign) || sign == '_' || sign == '#' || sign == ':';
        }

        private int type(int back) {
            int at = statement.size() - back;
            return at < 0 ? Token.EOF : statement.get(at).getType();
        }

        private String word(int back) {
            int at = statement.size() - back;
            return at < 0 ? "" : statement.get(at).getText().toLowerCase(Locale.ROOT);
        }

        private boolean definition() {
            return !statement.isEmpty()
                    && Language.STATEMENTS.contains(statement.get(0).getText().toLowerCase(Locale.ROOT));
        }

        List<Completion> proposals() {
            if (typed.startsWith("#")) {
                instrument();
            } else if (beginsLine && (statement.isEmpty() || definition())) {
                Language.STATEMENTS.forEach(each -> add(each, "statement", ""));
            } else {
                after(type(1));
            }
            return found.subList(0, Math.min(MOST, found.size()));
        }

        private void after(int before) {
            switch (before) {
                case FormulaParser.OF -> {
                    if (isAmount()) {
                        values();
                    } else {
                        Language.SURROUNDING.forEach(each -> add(each, "instrument", ""));
                        instrument();
                    }
                }
                case FormulaParser.ON, FormulaParser.FORMING -> {
                    add("W", "timeframe", "weeks");
                    add("M", "timeframe", "months");
                    add("D", "timeframe", "days");
                    add("4h", "timeframe", "four hours");
                    add("forming", "word", "the unfinished bar");
                    Language.BAR_KINDS.stream()
                            .filter(each -> !each.equals("time") && !each.equals("ticks"))
                            .forEach(each -> add(each, "kind of bar", ""));
                }
                case FormulaParser.IS ->
                    all("condition", "rising", "falling", "above", "below", "within", "between", "not");
                case FormulaParser.HELD -> add("for", "word", "on each of the last bars");
                case FormulaParser.SEEN -> add("in", "word", "on one of the last bars");
                case FormulaParser.BARS -> add("since", "word", "a condition held");
                case FormulaParser.CROSSES -> {
                    all("condition", "above", "below");
                    values();
                }
                case FormulaParser.FOR, FormulaParser.IN, FormulaParser.BACK -> names.forEach(this::name);
                case FormulaParser.WHEN -> {
                    if (!definition() || statement.size() > 6) {
                        add("last", "word", "the last bar on which a condition held");
                    }
                    conditions();
                }
                default -> byText(word(1), before);
            }
        }

        private void byText(String word, int before) {
            if (word.equals(".")) {
                outputs();
            } else if (before == FormulaParser.STRING && definition()) {
                style();
            } else if (definition() && word(1).equals("=") && type(statement.size()) == FormulaParser.SETTING) {
                for (Field field : Field.values()) {
                    add(field.word(), "setting", "a field of the bar");
                }
                Averages.KINDS.forEach(each -> add(each, "setting", "a kind of average"));
            } else if (isEndOfValue(word, before)) {
                connectives();
            } else if (word.equals("and") || word.equals("or") || word.equals("not") || word.equals("just")) {
                conditions();
            } else {
                arguments();
                values();
            }
        }

        /** True after {@code is within 5% of}. */
        private boolean isAmount() {
            for (int back = 1; back <= statement.size(); back++) {
                if (type(back) == FormulaParser.WITHIN) {
                    return true;
                }
                if (type(back) == FormulaParser.AND || type(back) == FormulaParser.OR) {
                    return false;
                }
            }
            return false;
        }

        private boolean isEndOfValue(String word, int before) {
            return before == FormulaParser.NUMBER
                    || before == FormulaParser.INSTRUMENT
                    || before == FormulaParser.TIMEFRAME
                    || word.equals(")")
                    || word.equals("%")
                    || Field.named(word).isPresent() && !isStatement(word)
                    || names.contains(word)
                    || language.isIndicator(word);
        }

        private boolean isStatement(String word) {
            return statement.size() == 1 && Language.STATEMENTS.contains(word);
        }

        private void connectives() {
            int first = type(statement.size());
            boolean setting = first == FormulaParser.SETTING;
            if (setting) {
                all("word", "from", "to", "among");
                return;
            }
            all("condition", "crosses above", "crosses below", "is rising", "is falling", "is within", "is between");
            all("word", "and", "or", "back", "on", "of", "when last", "else", "held for", "seen in");
            if (first == FormulaParser.LINE || first == FormulaParser.BARS || first == FormulaParser.DOTS) {
                style();
            }
            if (first == FormulaParser.AREA) {
                add("and", "word", "");
            }
        }

        private void style() {
            int first = type(statement.size());
            if (first == FormulaParser.DEFINE) {
                all("word", "in price", "in pane");
                return;
            }
            if (first == FormulaParser.TINT || first == FormulaParser.MARKER || first == FormulaParser.CUE) {
                add("when", "word", "a condition holds");
            }
            if (first == FormulaParser.LINE) {
                all("style", "width", "dashed", "steps", "hidden");
            }
            if (first != FormulaParser.CUE) {
                Indicator.COLOURS.forEach(each -> add(each, "colour", ""));
            }
        }

        /** What may stand within the parentheses of a call: words of its choices, names of its settings. */
        private void arguments() {
            int depth = 0;
            for (int at = statement.size() - 1; at > 0; at--) {
                String sign = statement.get(at).getText();
                depth += sign.equals(")") ? 1 : sign.equals("(") ? -1 : 0;
                if (depth < 0) {
                    String function = statement.get(at - 1).getText().toLowerCase(Locale.ROOT);
                    language.indicator(function).ifPresent(this::settings);
                    if (function.equals(Language.AVERAGE)) {
                        Averages.KINDS.forEach(each -> add(each, "kind of average", ""));
                    }
                    return;
                }
            }
        }

        private void settings(Indicator indicator) {
            for (Setting setting : indicator.settings()) {
                if (setting instanceof Setting.Choice choice) {
                    choice.words().forEach(each -> add(each, "setting", choice.label()));
                }
                if (setting instanceof Setting.Other) {
                    Language.SURROUNDING.forEach(each -> add(each, "instrument", ""));
                }
                add(setting.name() + ":", "setting", setting.label() + ", " + setting.standard() + " unless said");
            }
        }

        private void outputs() {
            int at = statement.size() - 2;
            if (at >= 0 && statement.get(at).getText().equals(")")) {
                int depth = 0;
                for (; at >= 0; at--) {
                    String sign = statement.get(at).getText();
                    depth += sign.equals(")") ? 1 : sign.equals("(") ? -1 : 0;
                    if (depth == 0) {
                        at--;
                        break;
                    }
                }
            }
            if (at >= 0) {
                language.indicator(statement.get(at).getText().toLowerCase(Locale.ROOT))
                        .ifPresent(indicator -> indicator
                                .outputs()
                                .forEach(each -> add(each.name(), each.cue() ? "condition" : "value", each.label())));
            }
        }

        private void conditions() {
            names.forEach(this::name);
            all("condition", "just", "not");
            values();
        }

        private void name(String name) {
            add(name, "name", "of this definition");
        }

        private void values() {
            names.forEach(this::name);
            for (Field field : Field.values()) {
                add(field.word(), "value", "of the bar");
            }
            LIKELY.forEach(each -> language.indicator(each).ifPresent(this::indicator));
            language.catalogue().all().stream()
                    .filter(each -> each.family() == Indicator.Family.OWN)
                    .forEach(this::indicator);
            language.catalogue().all().forEach(this::indicator);
            add("average(", "function", "an average of a kind");
            add("if(", "function", "one of two by a condition");
            add("bars since (", "function", "how long ago a condition held");
            Language.UNARY.keySet().forEach(each -> add(each + "(", "function", ""));
            Language.BINARY.forEach(each -> add(each + "(", "function", ""));
        }

        private void indicator(Indicator indicator) {
            add(indicator.name() + "(", "indicator", indicator.title());
        }

        private void instrument() {
            String start = typed.startsWith("#") ? typed.substring(1) : typed;
            instruments.apply(start).forEach(code -> add(FormulaPrinter.code(code), "instrument", ""));
        }

        private void all(String kind, String... words) {
            for (String word : words) {
                add(word, kind, "");
            }
        }

        private void add(String text, String kind, String help) {
            String wanted = typed.startsWith("#") ? typed : typed.replace("#", "");
            boolean fits = text.toLowerCase(Locale.ROOT).startsWith(wanted)
                    || wanted.length() > 1 && help.toLowerCase(Locale.ROOT).contains(wanted);
            boolean there = found.stream().anyMatch(each -> each.text().equals(text));
            if (fits && !there && !text.equalsIgnoreCase(typed)) {
                found.add(new Completion(text, kind, help, from));
            }
        }
    }

    /** What stands at a place, in words: the indicator or word under it; empty when there is nothing to say. */
    public static String help(String text, int caret, Language language) {
        int start = Math.min(caret, text.length());
        while (start > 0 && Place.isOfWord(text.charAt(start - 1))) {
            start--;
        }
        int end = Math.min(caret, text.length());
        while (end < text.length() && Place.isOfWord(text.charAt(end))) {
            end++;
        }
        String word = text.substring(start, end).toLowerCase(Locale.ROOT);
        Indicator indicator = language.indicator(word).orElse(null);
        if (indicator != null) {
            List<String> settings = indicator.settings().stream()
                    .map(each -> each.name() + " " + each.standard())
                    .toList();
            List<String> outputs =
                    indicator.outputs().stream().map(Indicator.Output::name).toList();
            return indicator.title() + ". " + indicator.help().summary()
                    + (settings.isEmpty() ? "" : " Settings: " + String.join(", ", settings) + ".")
                    + (outputs.size() < 2 ? "" : " Outputs: " + String.join(", ", outputs) + ".");
        }
        return Constructs.meaning(word);
    }
}
