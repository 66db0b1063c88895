package dev.yardarm.core.formula;

import dev.yardarm.core.formula.Expression.Meaning;
import dev.yardarm.core.formula.Expression.Type;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Indicator.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads the statements of a definition that show something, and gathers the outputs they make. */
final class DrawnOutputs {
    private final ExpressionReader reader;
    private final Scope scope;
    private final Faults faults;
    private final List<Indicator.Output> outputs = new ArrayList<>();
    private final List<Expression> values = new ArrayList<>();
    private final List<Indicator.Fill> fills = new ArrayList<>();
    private final List<Expression> tints = new ArrayList<>();

    DrawnOutputs(ExpressionReader reader, Scope scope, Faults faults) {
        this.reader = reader;
        this.scope = scope;
        this.faults = faults;
    }

    List<Indicator.Output> outputs() {
        return outputs;
    }

    List<Expression> values() {
        return values;
    }

    List<Indicator.Fill> fills() {
        return fills;
    }

    /** Takes a statement; its canonical form, or null when it is at fault. */
    String take(FormulaParser.SaidContext said) {
        if (said instanceof FormulaParser.DrawnContext drawn) {
            return drawn(drawn);
        }
        if (said instanceof FormulaParser.AreaContext area) {
            return area(area);
        }
        if (said instanceof FormulaParser.MarkerContext marker) {
            boolean up = marker.direction.getType() == FormulaParser.UP;
            String word = up ? "up" : "down";
            return when(
                    "marker " + word,
                    marker.STRING() == null
                            ? null
                            : ExpressionReader.unquoted(marker.STRING().getSymbol()),
                    word,
                    up ? Form.UP : Form.DOWN,
                    marker.style(),
                    marker.expression());
        }
        if (said instanceof FormulaParser.TintContext tint) {
            return when(
                    "tint",
                    ExpressionReader.unquoted(tint.STRING().getSymbol()),
                    "tint",
                    Form.TINT,
                    tint.style(),
                    tint.expression());
        }
        FormulaParser.CueContext cue = (FormulaParser.CueContext) said;
        return when(
                "cue",
                ExpressionReader.unquoted(cue.STRING().getSymbol()),
                "cue",
                Form.NONE,
                List.of(),
                cue.expression());
    }

    private String drawn(FormulaParser.DrawnContext drawn) {
        String form = drawn.form.getText().toLowerCase(Locale.ROOT);
        Expression value = reader.value(reader.read(drawn.expression()), form);
        Style style = new Style(faults, drawn.style());
        String label = drawn.STRING() == null
                ? null
                : ExpressionReader.unquoted(drawn.STRING().getSymbol());
        Form drawnAs = drawn.form.getType() == FormulaParser.BARS
                ? Form.COLUMNS
                : drawn.form.getType() == FormulaParser.DOTS ? Form.DOTS : style.line();
        String own = value instanceof Expression.Named named
                ? named.meaning().name()
                : value instanceof Expression.BarField field ? field.field().word() : "value";
        String name = name(drawn, label, own);
        if (name == null || value.type() == Type.NONE || style.isWrong()) {
            return null;
        }
        outputs.add(new Indicator.Output(
                name, label == null ? SettingReader.label(name) : label, drawnAs, false, style.look()));
        values.add(value);
        return form + " " + FormulaPrinter.print(value) + quoted(label) + style.words();
    }

    private String area(FormulaParser.AreaContext area) {
        Expression low = reader.value(reader.choice(area.low), "area");
        Expression high = reader.value(reader.choice(area.high), "area");
        Style style = new Style(faults, area.style());
        String label = area.STRING() == null
                ? null
                : ExpressionReader.unquoted(area.STRING().getSymbol());
        if (low.type() == Type.NONE || high.type() == Type.NONE || style.isWrong()) {
            return null;
        }
        String own = label == null ? "area" : Definition.word(label);
        fills.add(new Indicator.Fill(
                border(area, low, own + "_low", style.look()), border(area, high, own + "_high", style.look())));
        return "area between " + FormulaPrinter.print(low) + " and " + FormulaPrinter.print(high) + quoted(label)
                + style.words();
    }

    /** The output an area ends at: one that is drawn already, else one that is not drawn. */
    private int border(FormulaParser.AreaContext area, Expression value, String own, Indicator.Look look) {
        for (int output = 0; output < values.size(); output++) {
            if (value instanceof Expression.Named named
                    && values.get(output) instanceof Expression.Named other
                    && named.meaning() == other.meaning()) {
                return output;
            }
        }
        String name = name(area, null, own);
        outputs.add(new Indicator.Output(name, SettingReader.label(name), Form.NONE, false, look));
        values.add(value);
        return outputs.size() - 1;
    }

    private String when(
            String word,
            String label,
            String own,
            Form form,
            List<FormulaParser.StyleContext> styles,
            FormulaParser.ExpressionContext context) {
        Expression condition = reader.condition(reader.read(context), word + " when");
        Style style = new Style(faults, styles);
        String name = name(context, label, own);
        if (name == null || condition.type() == Type.NONE || style.isWrong()) {
            return null;
        }
        Expression holds = form == Form.TINT ? shown(condition) : condition;
        outputs.add(new Indicator.Output(
                name, label == null ? SettingReader.label(name) : label, form, true, style.look()));
        values.add(holds);
        if (label != null && !scope.has(name)) {
            scope.add(new Meaning(name, holds));
        }
        return word + quoted(label) + style.words() + " when " + FormulaPrinter.print(condition);
    }

    /** The first tint that holds has the bar: one that is named is true just on the bars of its colour. */
    private Expression shown(Expression condition) {
        Expression shown =
                tints.isEmpty() ? condition : new Expression.Shown(condition.span(), condition, List.copyOf(tints));
        tints.add(condition);
        return shown;
    }

    private static String quoted(String label) {
        return label == null ? "" : " \"" + label + "\"";
    }

    /** A name no output has yet; null, and told, when the trader gave one twice. */
    private String name(org.antlr.v4.runtime.ParserRuleContext at, String label, String own) {
        String wanted = label == null ? own : Definition.word(label);
        if (wanted.isEmpty()) {
            wanted = own;
        }
        String name = wanted;
        for (int number = 2; isTaken(name); number++) {
            if (label != null) {
                faults.add(
                        ExpressionReader.span(at),
                        "there is an output called " + wanted + " already; give this one another name");
                return null;
            }
            name = wanted + "_" + number;
        }
        return name;
    }

    private boolean isTaken(String name) {
        return outputs.stream().anyMatch(each -> each.name().equals(name));
    }

    /** Width, dash and colour as a statement gives them. */
    private static final class Style {
        private Form line = Form.LINE;
        private String colour = "";
        private double width;
        private boolean wrong;
        private final StringBuilder words = new StringBuilder();

        Style(Faults faults, List<FormulaParser.StyleContext> styles) {
            for (FormulaParser.StyleContext style : styles) {
                if (style.WIDTH() != null) {
                    width = Double.parseDouble(style.NUMBER().getText());
                    if (width <= 0 || width > 10) {
                        faults.add(ExpressionReader.span(style), "a line is above 0 and at most 10 wide");
                        wrong = true;
                    }
                } else if (style.DASHED() != null) {
                    line = Form.DASHED;
                } else if (style.STEPS() != null) {
                    line = Form.STEPS;
                } else if (style.INVISIBLE() != null) {
                    line = Form.NONE;
                } else {
                    colour(faults, style);
                }
                words.append(' ')
                        .append(style.getText().toLowerCase(Locale.ROOT).replace("width", "width "));
            }
        }

        private void colour(Faults faults, FormulaParser.StyleContext style) {
            colour = style.colour.getText().toLowerCase(Locale.ROOT);
            if (!Indicator.COLOURS.contains(colour) || style.NUMBER() != null) {
                String near = Language.nearest(colour, Indicator.COLOURS);
                faults.add(
                        ExpressionReader.span(style),
                        "'" + style.getText() + "' is no colour; there are " + String.join(", ", Indicator.COLOURS)
                                + (near == null ? "" : "; did you mean '" + near + "'?"));
                wrong = true;
            }
        }

        Form line() {
            return line;
        }

        Indicator.Look look() {
            return new Indicator.Look(colour, width);
        }

        boolean isWrong() {
            return wrong;
        }

        String words() {
            return words.toString();
        }
    }
}
