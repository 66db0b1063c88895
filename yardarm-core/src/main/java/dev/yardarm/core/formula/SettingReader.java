package dev.yardarm.core.formula;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads the settings of a definition: numbers with bounds, words of a choice, a field, an instrument, a moment. */
final class SettingReader {
    private static final double FAR = 1_000_000_000;

    private final Language language;
    private final Scope scope;
    private final Faults faults;

    /** A setting, whether its numbers are per cents, and how it is written. */
    record Read(Setting setting, boolean percent, String canonical) {}

    SettingReader(Language language, Scope scope, Faults faults) {
        this.language = language;
        this.scope = scope;
        this.faults = faults;
    }

    /** The setting; null when it is at fault, which is told. */
    Read read(FormulaParser.SettingOfContext context) {
        String name = context.word().getText().toLowerCase(Locale.ROOT);
        if (scope.has(name) || Field.named(name).isPresent()) {
            faults.add(
                    ExpressionReader.span(context.word()),
                    "'" + name + "' " + (scope.has(name) ? "is a setting already" : "is a field of the bar")
                            + "; choose another name");
            return null;
        }
        String label = context.STRING() == null
                ? label(name)
                : ExpressionReader.unquoted(context.STRING().getSymbol());
        FormulaParser.StandardContext standard = context.standard();
        Read read = standard.literal() != null
                ? number(context, name, label)
                : !context.entry().isEmpty() ? choice(context, name, label) : other(context, name, label);
        return read == null || context.STRING() == null
                ? read
                : new Read(read.setting(), read.percent(), read.canonical() + " \"" + label + "\"");
    }

    /** The name for people: {@code slope_span} is "Slope span". */
    static String label(String name) {
        String words = name.replace('_', ' ').strip();
        return words.isEmpty() ? name : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    static double number(FormulaParser.LiteralContext literal) {
        String text = literal.NUMBER().getText();
        double value = Double.parseDouble(text) / (literal.getText().endsWith("%") ? 100 : 1);
        return literal.MINUS() == null ? value : -value;
    }

    private static boolean isWhole(FormulaParser.LiteralContext literal) {
        return literal == null
                || !literal.getText().contains(".") && !literal.getText().contains("%");
    }

    private Read number(FormulaParser.SettingOfContext context, String name, String label) {
        if (!context.entry().isEmpty()) {
            faults.add(
                    ExpressionReader.span(context.standard()),
                    "a number lies between two others: setting " + name + " = "
                            + context.standard().getText() + " from 1 to 100");
            return null;
        }
        double value = number(context.standard().literal());
        boolean percent = context.standard().getText().endsWith("%");
        boolean bounded = context.least != null;
        boolean whole = isWhole(context.standard().literal()) && isWhole(context.least) && isWhole(context.most);
        double least = bounded ? number(context.least) : whole && value >= 1 ? 1 : -FAR;
        double most = bounded
                ? number(context.most)
                : whole && value >= 1 ? language.limits().lookback() : FAR;
        if (!(least <= value && value <= most)) {
            faults.add(
                    ExpressionReader.span(context.standard()),
                    least > most
                            ? "the lower bound comes first"
                            : "the value at first must lie between the bounds, from " + plain(least) + " to "
                                    + plain(most));
            return null;
        }
        if (Math.abs(value) > FAR || Math.abs(least) > FAR || Math.abs(most) > FAR) {
            faults.add(ExpressionReader.span(context.standard()), "a setting is at most " + plain(FAR));
            return null;
        }
        String text = "setting " + name + " = " + written(value, percent)
                + (bounded ? " from " + written(least, percent) + " to " + written(most, percent) : "");
        return new Read(
                whole
                        ? new Setting.WholeNumber(name, label, (int) value, (int) least, (int) most)
                        : new Setting.Number(name, label, value, least, most),
                percent,
                text);
    }

    private static String written(double value, boolean percent) {
        return percent
                ? plain(new java.math.BigDecimal(plain(value)).movePointRight(2).doubleValue()) + "%"
                : plain(value);
    }

    private static String plain(double value) {
        return Setting.Number.plain(value);
    }

    private Read choice(FormulaParser.SettingOfContext context, String name, String label) {
        List<String> words = new ArrayList<>();
        for (FormulaParser.EntryContext entry : context.entry()) {
            String word = word(entry.getText());
            if (words.contains(word)) {
                faults.add(ExpressionReader.span(entry), "'" + entry.getText() + "' is given twice");
                return null;
            }
            words.add(word);
        }
        String standard = word(context.standard().getText());
        if (!words.contains(standard)) {
            faults.add(
                    ExpressionReader.span(context.standard()),
                    "'" + context.standard().getText() + "' is not among " + String.join(", ", words));
            return null;
        }
        String text = "setting " + name + " = " + standard + " among " + String.join(", ", words);
        words.remove(standard);
        words.add(0, standard);
        return new Read(new Setting.Choice(name, label, List.copyOf(words)), false, text);
    }

    /** Timeframes keep their case, m minutes and M months; other words do not matter. */
    private static String word(String written) {
        return Timeframe.parse(written).isPresent() ? written : written.toLowerCase(Locale.ROOT);
    }

    private Read other(FormulaParser.SettingOfContext context, String name, String label) {
        String text = context.standard().getText();
        String word = text.toLowerCase(Locale.ROOT);
        if (Field.named(word).isPresent()) {
            return new Read(
                    new Setting.Source(name, label, Field.named(word).orElseThrow()),
                    false,
                    "setting " + name + " = " + word);
        }
        if (text.startsWith("#") || Language.SURROUNDING.contains(word)) {
            String code = text.startsWith("#") ? ExpressionReader.code(text) : word;
            return new Read(
                    new Setting.Other(name, label, code), false, "setting " + name + " = " + FormulaPrinter.code(code));
        }
        faults.add(
                ExpressionReader.span(context.standard()),
                "a setting is a number from ... to ..., a word among several, a field of the bar or an instrument; for "
                        + "a choice write setting " + name + " = " + word + " among " + word + ", other");
        return null;
    }
}
