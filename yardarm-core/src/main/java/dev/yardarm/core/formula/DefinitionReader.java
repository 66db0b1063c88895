package dev.yardarm.core.formula;

import dev.yardarm.core.formula.Expression.Meaning;
import dev.yardarm.core.formula.Expression.Span;
import dev.yardarm.core.formula.Expression.Type;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.antlr.v4.runtime.CommonToken;
import org.antlr.v4.runtime.Token;

/**
 * Reads a definition statement by statement, each by itself, so that a fault in one does not hide those of the others. Each
 * statement knows the names of those before it.
 */
final class DefinitionReader {
    private static final Set<Integer> BEGINNINGS = Set.of(
            FormulaParser.DEFINE,
            FormulaParser.SETTING,
            FormulaParser.LET,
            FormulaParser.LINE,
            FormulaParser.AREA,
            FormulaParser.BARS,
            FormulaParser.DOTS,
            FormulaParser.MARKER,
            FormulaParser.TINT,
            FormulaParser.CUE,
            FormulaParser.LEVEL,
            FormulaParser.NOTE);
    /** Longest text of a definition. */
    static final int MOST_CHARACTERS = 40_000;
    /** Most statements of a definition. */
    static final int MOST_STATEMENTS = 400;

    private final String text;
    private final Language language;
    private final Faults faults;
    private final Scope scope = new Scope();
    private final ExpressionReader reader;
    private final DrawnOutputs drawn;
    private final List<String> canonical = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final List<Double> levels = new ArrayList<>();
    private Indicator.Place place;
    private String title;

    private DefinitionReader(String text, Language language) {
        this.text = text;
        this.language = language;
        this.faults = new Faults(text);
        this.reader = new ExpressionReader(language, scope, faults);
        this.drawn = new DrawnOutputs(reader, scope, faults);
    }

    /** @throws FormulaException with all that is at fault */
    static Definition read(String text, Language language) {
        DefinitionReader reader = new DefinitionReader(text, language);
        Definition definition = reader.read();
        reader.faults.check();
        return definition;
    }

    private Definition read() {
        if (text.length() > MOST_CHARACTERS) {
            faults.add(
                    new Span(MOST_CHARACTERS, 1),
                    "a definition may have at most " + MOST_CHARACTERS + " characters; this one has " + text.length());
            return null;
        }
        List<List<Token>> statements = statements(FormulaReader.tokens(text));
        if (statements.isEmpty()) {
            faults.add(new Span(0, 1), "the definition is empty; it begins with define \"A name\" in price");
            return null;
        }
        if (statements.size() > MOST_STATEMENTS) {
            faults.add(
                    statements.get(MOST_STATEMENTS).get(0),
                    "a definition may have at most " + MOST_STATEMENTS + " statements");
            return null;
        }
        for (List<Token> statement : statements) {
            read(statement);
        }
        if (title == null && faults.isEmpty()) {
            faults.add(statements.get(0).get(0), "a definition begins with define \"A name\" in price, or in pane");
        }
        if (faults.isEmpty() && drawn.outputs().isEmpty()) {
            faults.add(
                    statements.get(0).get(0),
                    "the definition yields nothing; say what it shows with line, area, bars, dots, marker, tint or cue");
        }
        if (!faults.isEmpty()) {
            return null;
        }
        return new Definition(text, checked(indicator()), canonical);
    }

    private DefinedIndicator indicator() {
        return new DefinedIndicator(
                title,
                scope.settings(),
                drawn.outputs(),
                drawn.values(),
                drawn.fills(),
                placed(),
                new Indicator.Help(
                        notes.isEmpty() ? "Your own indicator." : notes.get(0),
                        String.join("\n", canonical),
                        String.join(" ", notes.subList(Math.min(1, notes.size()), notes.size())),
                        "",
                        "Your own definition."),
                language.limits());
    }

    private Indicator.Place placed() {
        if (place == null || place.withPrice()) {
            return Indicator.Place.PRICE;
        }
        return new Indicator.Place(false, place.least(), place.most(), List.copyOf(levels));
    }

    /** Compiles with the settings as they are at first. */
    private DefinedIndicator checked(DefinedIndicator indicator) {
        try {
            dev.yardarm.core.indicator.Settings.standard(indicator);
        } catch (IllegalArgumentException impossible) {
            faults.add(new Span(0, Math.max(1, text.length())), impossible.getMessage());
        }
        return indicator;
    }

    /** True when nothing but blanks stands before a place on its line. */
    static boolean beginsLine(String text, int place) {
        int start = text.lastIndexOf('\n', place - 1) + 1;
        return text.substring(start, place).isBlank();
    }

    private List<List<Token>> statements(List<Token> tokens) {
        List<List<Token>> statements = new ArrayList<>();
        for (int at = 0; at < tokens.size() - 1; at++) {
            Token token = tokens.get(at);
            boolean begins = BEGINNINGS.contains(token.getType())
                    && beginsLine(text, token.getStartIndex())
                    && tokens.get(at + 1).getType() != FormulaParser.SINCE;
            if (begins || statements.isEmpty() || isStray(token, statements)) {
                statements.add(new ArrayList<>());
            }
            statements.get(statements.size() - 1).add(token);
        }
        return statements;
    }

    /** A word at the begin of a line that no statement begins with, where the line before could end: told by itself. */
    private boolean isStray(Token token, List<List<Token>> statements) {
        List<Token> open = statements.get(statements.size() - 1);
        Token last = open.get(open.size() - 1);
        return token.getType() == FormulaParser.WORD
                && beginsLine(text, token.getStartIndex())
                && !scope.has(token.getText())
                && Field.named(token.getText()).isEmpty()
                && (last.getType() == FormulaParser.NUMBER
                        || last.getType() == FormulaParser.STRING
                        || last.getType() == FormulaParser.WORD
                        || last.getText().equals(")"))
                && open.stream().filter(each -> each.getText().equals("(")).count()
                        == open.stream()
                                .filter(each -> each.getText().equals(")"))
                                .count();
    }

    private void read(List<Token> statement) {
        Token first = statement.get(0);
        Token last = statement.get(statement.size() - 1);
        if (!BEGINNINGS.contains(first.getType())) {
            String near = Language.nearest(first.getText().toLowerCase(Locale.ROOT), Language.STATEMENTS);
            faults.add(
                    first,
                    "found '" + first.getText() + "' but a statement begins with one of "
                            + String.join(", ", Language.STATEMENTS)
                            + (near == null ? "" : "; did you mean '" + near + "'?"));
            return;
        }
        int length = last.getStopIndex() - first.getStartIndex() + 1;
        if (length > language.limits().characters()) {
            faults.add(
                    first, "a statement may have at most " + language.limits().characters() + " characters");
            return;
        }
        if (!FormulaReader.isShallow(statement, language, faults)) {
            return;
        }
        List<Token> tokens = new ArrayList<>();
        for (Token token : statement) {
            CommonToken copy = new CommonToken(token);
            copy.setTokenIndex(tokens.size());
            tokens.add(copy);
        }
        CommonToken end = new CommonToken(Token.EOF, "<EOF>");
        end.setStartIndex(last.getStopIndex() + 1);
        end.setStopIndex(last.getStopIndex());
        end.setTokenIndex(tokens.size());
        tokens.add(end);
        SyntaxFaults complaints = new SyntaxFaults(faults, language, "statement");
        FormulaParser parser = FormulaReader.parser(tokens, complaints);
        FormulaParser.StatementContext context = parser.statement();
        if (complaints.any()) {
            FormulaReader.unknownWords(tokens.subList(0, tokens.size() - 1), language, scope, faults);
            return;
        }
        take(context.said());
    }

    private void take(FormulaParser.SaidContext said) {
        if (said instanceof FormulaParser.DefineContext define) {
            define(define);
        } else if (said instanceof FormulaParser.SettingOfContext setting) {
            SettingReader.Read read = new SettingReader(language, scope, faults).read(setting);
            if (read != null) {
                scope.add(read.setting(), read.percent());
                canonical.add(read.canonical());
            }
        } else if (said instanceof FormulaParser.MeaningContext meaning) {
            String name = meaning.word().getText().toLowerCase(Locale.ROOT);
            Expression value = reader.read(meaning.expression());
            if (isFree(meaning.word(), name)) {
                scope.add(new Meaning(name, value));
                say("let " + name + " = ", value);
            }
        } else if (said instanceof FormulaParser.LevelContext level) {
            List<String> numbers = new ArrayList<>();
            for (FormulaParser.LiteralContext literal : level.literal()) {
                levels.add(SettingReader.number(literal));
                numbers.add(Setting.Number.plain(SettingReader.number(literal)));
            }
            canonical.add("level " + String.join(", ", numbers));
            if (place == null || place.withPrice()) {
                faults.add(
                        level.getStart(), "levels belong to a pane of its own; define it in pane instead of in price");
            }
        } else if (said instanceof FormulaParser.NoteContext note) {
            notes.add(ExpressionReader.unquoted(note.STRING().getSymbol()));
            canonical.add("note \"" + notes.get(notes.size() - 1) + "\"");
        } else {
            String printed = drawn.take(said);
            if (printed != null) {
                canonical.add(printed);
            }
        }
    }

    private void say(String before, Expression value) {
        if (value.type() != Type.NONE && faults.isEmpty()) {
            canonical.add(before + FormulaPrinter.print(value));
        }
    }

    /** False, and told, for a name that means something already. */
    private boolean isFree(FormulaParser.WordContext at, String name) {
        if (scope.has(name) || Field.named(name).isPresent()) {
            faults.add(
                    ExpressionReader.span(at),
                    "'" + name + "' "
                            + (scope.has(name) ? "is a name of this definition already" : "is a field of the bar")
                            + "; choose another one");
            return false;
        }
        return true;
    }

    private void define(FormulaParser.DefineContext define) {
        if (title != null) {
            faults.add(define.getStart(), "there is one define in a definition; this is a second one");
            return;
        }
        title = ExpressionReader.unquoted(define.STRING().getSymbol());
        String name = Definition.word(title);
        if (name.isEmpty()) {
            faults.add(define.STRING().getSymbol(), "the name needs at least one letter from a to z");
        } else if (language.isFunction(name) || Field.named(name).isPresent() || Language.STATEMENTS.contains(name)) {
            faults.add(
                    define.STRING().getSymbol(),
                    "'" + name + "' is " + (language.isIndicator(name) ? "an indicator" : "a word of the language")
                            + " already; choose another name");
        }
        String where = define.place == null ? "price" : define.place.getText().toLowerCase(Locale.ROOT);
        if (!where.equals("price") && !where.equals("pane")) {
            faults.add(ExpressionReader.span(define.place), "it is drawn in price or in pane, not in " + where);
        }
        boolean bounded = define.least != null;
        double least = bounded ? SettingReader.number(define.least) : Double.NaN;
        double most = bounded ? SettingReader.number(define.most) : Double.NaN;
        if (bounded && (where.equals("price") || !(least < most))) {
            faults.add(
                    ExpressionReader.span(define.least),
                    where.equals("price")
                            ? "only a pane of its own has bounds: in pane from 0 to 100"
                            : "the lower bound comes first and lies below the upper one");
        }
        place = where.equals("price") ? Indicator.Place.PRICE : new Indicator.Place(false, least, most, List.of());
        canonical.add("define \"" + title + "\" in " + where
                + (bounded ? " from " + Setting.Number.plain(least) + " to " + Setting.Number.plain(most) : ""));
    }
}
