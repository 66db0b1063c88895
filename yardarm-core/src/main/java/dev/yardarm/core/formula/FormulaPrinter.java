package dev.yardarm.core.formula;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.indicator.Setting;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * Writes a tree as canonical text: lower case, single blanks, no parentheses that change nothing. Reading the text gives the same
 * tree. O(nodes).
 */
final class FormulaPrinter implements Expression.Visitor<String> {
    /** How tightly each kind of node binds; what binds looser than its place needs parentheses. */
    private static final int OR = 0;

    private static final int AND = 1;
    private static final int PREFIX = 2;
    private static final int HELD = 3;
    private static final int COMPARED = 4;
    private static final int CHOICE = 5;
    private static final int SUM = 6;
    private static final int PRODUCT = 7;
    private static final int SIGNED = 8;
    private static final int POWER = 9;
    private static final int SHIFTED = 10;
    private static final int PRIMARY = 11;

    static String print(Expression expression) {
        return expression.accept(new FormulaPrinter());
    }

    private String at(int level, Expression expression) {
        String text = expression.accept(this);
        return level(expression) < level ? "(" + text + ")" : text;
    }

    private static int level(Expression expression) {
        if (expression instanceof Expression.Logic logic) {
            return logic.operation() == dev.yardarm.core.calculation.Operation.OR ? OR : AND;
        }
        if (expression instanceof Expression.Not || expression instanceof Expression.Just) {
            return PREFIX;
        }
        if (expression instanceof Expression.Held) {
            return HELD;
        }
        if (expression instanceof Expression.Condition) {
            return COMPARED;
        }
        if (expression instanceof Expression.StandIn) {
            return CHOICE;
        }
        if (expression instanceof Expression.Arithmetic arithmetic) {
            return switch (arithmetic.operation()) {
                case ADD, SUBTRACT -> SUM;
                case POWER -> POWER;
                default -> PRODUCT;
            };
        }
        if (expression instanceof Expression.Negative) {
            return SIGNED;
        }
        boolean shifted = expression instanceof Expression.Back
                || expression instanceof Expression.Higher
                || expression instanceof Expression.Made
                || expression instanceof Expression.Other
                || expression instanceof Expression.WhenLast;
        return shifted ? SHIFTED : PRIMARY;
    }

    @Override
    public String number(Expression.Number number) {
        return number.percent()
                ? Setting.Number.plain(new java.math.BigDecimal(Setting.Number.plain(number.value()))
                                .movePointRight(2)
                                .doubleValue())
                        + "%"
                : Setting.Number.plain(number.value());
    }

    @Override
    public String field(Expression.BarField field) {
        return field.field().word();
    }

    @Override
    public String word(Expression.Word word) {
        return word.text();
    }

    @Override
    public String setting(Expression.SettingValue setting) {
        return setting.setting().name();
    }

    @Override
    public String named(Expression.Named named) {
        return named.meaning().name();
    }

    @Override
    public String instrument(Expression.InstrumentField instrument) {
        return code(instrument.code());
    }

    /** An instrument as formulas name it. */
    static String code(String code) {
        if (Language.SURROUNDING.contains(code)) {
            return code;
        }
        return code.matches("[A-Za-z0-9_]+([.:][A-Za-z0-9_]+|-[A-Za-z][A-Za-z0-9_]*)*")
                ? "#" + code
                : "#\"" + code + "\"";
    }

    @Override
    public String drawing(Expression.DrawingValue drawing) {
        return "drawing \"" + drawing.name() + "\"" + (drawing.line().isEmpty() ? "" : "." + drawing.line());
    }

    @Override
    public String negative(Expression.Negative negative) {
        return "-" + at(SIGNED, negative.operand());
    }

    @Override
    public String arithmetic(Expression.Arithmetic arithmetic) {
        String sign = arithmetic.operation().sign();
        return switch (arithmetic.operation()) {
            case ADD, SUBTRACT -> at(SUM, arithmetic.left()) + " " + sign + " " + at(PRODUCT, arithmetic.right());
            case POWER -> at(SHIFTED, arithmetic.left()) + " ^ " + at(SIGNED, arithmetic.right());
            default -> at(PRODUCT, arithmetic.left()) + " " + sign + " " + at(SIGNED, arithmetic.right());
        };
    }

    @Override
    public String function(Expression.FunctionCall call) {
        return call.function() + "(" + list(call.arguments()) + ")";
    }

    private String list(List<Expression> expressions) {
        return expressions.stream().map(each -> each.accept(this)).collect(Collectors.joining(", "));
    }

    @Override
    public String indicator(Expression.IndicatorCall call) {
        StringBuilder text = new StringBuilder(call.word());
        if (!call.written().isEmpty()) {
            text.append(call.written().stream().map(this::argument).collect(Collectors.joining(", ", "(", ")")));
        }
        String output = call.indicator().outputs().get(call.output()).name();
        boolean provisional = output.startsWith(Language.PROVISIONAL + "_");
        if (call.chosen()) {
            text.append('.').append(provisional ? output.substring(Language.PROVISIONAL.length() + 1) : output);
        }
        if (call.nth() != null) {
            text.append('(').append(call.nth().accept(this)).append(')');
        }
        return provisional ? Language.PROVISIONAL + " " + text : text.toString();
    }

    private String argument(Expression.Argument argument) {
        Expression value = argument.value();
        String text = value instanceof Expression.Word word && isInstrument(argument, word)
                ? code(word.text())
                : value.accept(this);
        return argument.name() == null ? text : argument.name() + ": " + text;
    }

    private static boolean isInstrument(Expression.Argument argument, Expression.Word word) {
        return word.text().equals(word.text().toUpperCase(Locale.ROOT))
                && !word.text().matches("\\d{4}-.*")
                && !"start".equals(argument.name());
    }

    @Override
    public String back(Expression.Back back) {
        return at(SHIFTED, back.operand()) + " back " + at(PRIMARY, back.bars());
    }

    @Override
    public String higher(Expression.Higher higher) {
        return at(SHIFTED, higher.operand())
                + (higher.forming() ? " on forming " : " on ")
                + (higher.timeframe() != null
                        ? higher.timeframe().toString()
                        : higher.setting().accept(this));
    }

    @Override
    public String made(Expression.Made made) {
        return at(SHIFTED, made.operand()) + (made.forming() ? " on forming " : " on ") + kind(made.rule());
    }

    private static String kind(BarRule rule) {
        return rule.toString().replace(':', ' ');
    }

    @Override
    public String other(Expression.Other other) {
        return at(SHIFTED, other.operand()) + " of "
                + (other.instrument() instanceof Expression.Word word
                        ? code(word.text())
                        : other.instrument().accept(this));
    }

    @Override
    public String last(Expression.WhenLast last) {
        return at(SHIFTED, last.operand()) + " when last " + condition(last.condition());
    }

    @Override
    public String since(Expression.BarsSince since) {
        return "bars since " + condition(since.condition());
    }

    private String condition(Expression expression) {
        return at(PRIMARY, expression);
    }

    @Override
    public String standIn(Expression.StandIn standIn) {
        return at(CHOICE, standIn.operand()) + " else " + at(SUM, standIn.otherwise());
    }

    @Override
    public String either(Expression.Either either) {
        return "if(" + list(List.of(either.condition(), either.yes(), either.no())) + ")";
    }

    @Override
    public String comparison(Expression.Comparison comparison) {
        return at(CHOICE, comparison.left()) + " " + comparison.operation().sign() + " "
                + at(CHOICE, comparison.right());
    }

    @Override
    public String crossing(Expression.Crossing crossing) {
        String direction =
                switch (crossing.direction()) {
                    case ABOVE -> " crosses above ";
                    case BELOW -> " crosses below ";
                    case EITHER -> " crosses ";
                };
        return at(CHOICE, crossing.left()) + direction + at(CHOICE, crossing.right());
    }

    @Override
    public String tendency(Expression.Tendency tendency) {
        return at(CHOICE, tendency.operand())
                + (tendency.rising() ? " is rising" : " is falling")
                + (tendency.bars() == null ? "" : " for " + tendency.bars().accept(this));
    }

    @Override
    public String nearness(Expression.Nearness nearness) {
        return at(CHOICE, nearness.left()) + " is within " + unit(nearness.amount())
                + (nearness.measure() == null ? "" : " " + unit(nearness.measure()))
                + " of " + at(CHOICE, nearness.right());
    }

    /** What an amount is counted in stands without a step to another instrument or moment. */
    private String unit(Expression measure) {
        return measure instanceof Expression.Other || measure instanceof Expression.WhenLast
                ? "(" + measure.accept(this) + ")"
                : at(SHIFTED, measure);
    }

    @Override
    public String between(Expression.Between between) {
        return at(CHOICE, between.operand()) + " is between " + at(CHOICE, between.low()) + " and "
                + at(CHOICE, between.high());
    }

    @Override
    public String logic(Expression.Logic logic) {
        boolean or = level(logic) == OR;
        return at(or ? OR : AND, logic.left()) + " " + logic.operation().sign() + " "
                + at(or ? AND : PREFIX, logic.right());
    }

    @Override
    public String not(Expression.Not not) {
        return "not " + at(PREFIX, not.operand());
    }

    @Override
    public String shown(Expression.Shown shown) {
        return shown.condition().accept(this);
    }

    @Override
    public String just(Expression.Just just) {
        return "just " + at(PREFIX, just.operand());
    }

    @Override
    public String held(Expression.Held held) {
        return at(HELD, held.operand())
                + (held.always() ? " held for " : " seen in ")
                + held.bars().accept(this);
    }

    @Override
    public String wrong(Expression.Wrong wrong) {
        return "?";
    }

    @Override
    public String otherwise(Expression expression) {
        throw new IllegalStateException("not printed: " + expression);
    }
}
