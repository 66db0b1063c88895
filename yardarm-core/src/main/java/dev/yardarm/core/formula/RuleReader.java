package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.Operation;
import java.util.ArrayList;
import java.util.List;

/** Takes a checked condition apart into statements and groups. O(nodes). */
final class RuleReader {
    private RuleReader() {}

    static Rule.Group read(String text, Language language) {
        Formula.parseCondition(text, language);
        Rule rule = rule(FormulaReader.read(text, language));
        return rule instanceof Rule.Group group ? group : Rule.Group.all(List.of(rule));
    }

    private static Rule rule(Expression expression) {
        if (expression instanceof Expression.Logic logic) {
            return new Rule.Group(
                    logic.operation() == Operation.AND ? Rule.Joined.ALL : Rule.Joined.ANY,
                    0,
                    rules(joined(logic, logic.operation())));
        }
        if (expression instanceof Expression.Not not) {
            List<Expression> kept = not.operand() instanceof Expression.Logic logic && logic.operation() == Operation.OR
                    ? joined(logic, Operation.OR)
                    : List.of(not.operand());
            return new Rule.Group(Rule.Joined.NONE, 0, rules(kept));
        }
        if (expression instanceof Expression.Comparison comparison
                && comparison.operation() == Operation.AT_LEAST
                && comparison.right() instanceof Expression.Number least
                && least.value() == Math.rint(least.value())) {
            List<Expression> counted = new ArrayList<>();
            if (counts(comparison.left(), counted) && counted.size() > 1 && least.value() >= 1) {
                return new Rule.Group(Rule.Joined.AT_LEAST, (int) least.value(), rules(counted));
            }
        }
        return statement(expression);
    }

    private static List<Rule> rules(List<Expression> expressions) {
        return expressions.stream().map(RuleReader::rule).toList();
    }

    /** What one operation joins, however it was put in parentheses. */
    private static List<Expression> joined(Expression expression, Operation operation) {
        if (!(expression instanceof Expression.Logic logic) || logic.operation() != operation) {
            return List.of(expression);
        }
        List<Expression> all = new ArrayList<>(joined(logic.left(), operation));
        all.addAll(joined(logic.right(), operation));
        return all;
    }

    /** True for a sum of {@code if(condition, 1, 0)}, whose conditions are gathered. */
    private static boolean counts(Expression expression, List<Expression> counted) {
        if (expression instanceof Expression.Arithmetic sum && sum.operation() == Operation.ADD) {
            return counts(sum.left(), counted) && counts(sum.right(), counted);
        }
        if (expression instanceof Expression.Either either && is(either.yes(), 1) && is(either.no(), 0)) {
            counted.add(either.condition());
            return true;
        }
        return false;
    }

    private static boolean is(Expression expression, double value) {
        return expression instanceof Expression.Number number && number.value() == value;
    }

    private static Rule.Statement statement(Expression expression) {
        if (expression instanceof Expression.Held held
                && held.bars() instanceof Expression.Number bars
                && bars.value() >= 1) {
            Rule.Statement inner = plain(held.operand());
            return new Rule.Statement(
                    inner.what(), inner.how(), inner.against(), held.always() ? Rule.Since.HELD : Rule.Since.SEEN, (int)
                            bars.value());
        }
        if (expression instanceof Expression.Just just) {
            Rule.Statement inner = plain(just.operand());
            return new Rule.Statement(inner.what(), inner.how(), inner.against(), Rule.Since.JUST, 1);
        }
        return plain(expression);
    }

    private static Rule.Statement plain(Expression expression) {
        if (expression instanceof Expression.Comparison comparison
                && comparison.left().type() != Expression.Type.TEXT) {
            return said(expression, comparison.left(), how(comparison.operation()));
        }
        if (expression instanceof Expression.Crossing crossing) {
            return said(
                    expression,
                    crossing.left(),
                    switch (crossing.direction()) {
                        case ABOVE -> Rule.How.CROSSES_ABOVE;
                        case BELOW -> Rule.How.CROSSES_BELOW;
                        case EITHER -> Rule.How.CROSSES;
                    });
        }
        if (expression instanceof Expression.Tendency tendency) {
            return new Rule.Statement(
                    FormulaPrinter.print(tendency.operand()),
                    tendency.rising() ? Rule.How.RISING : Rule.How.FALLING,
                    tendency.bars() == null ? "" : FormulaPrinter.print(tendency.bars()),
                    Rule.Since.NOW,
                    1);
        }
        if (expression instanceof Expression.Nearness nearness) {
            return said(expression, nearness.left(), Rule.How.WITHIN);
        }
        if (expression instanceof Expression.Between between) {
            return said(expression, between.operand(), Rule.How.BETWEEN);
        }
        return Rule.Statement.of(FormulaPrinter.print(expression));
    }

    private static Rule.How how(Operation operation) {
        return switch (operation) {
            case GREATER -> Rule.How.ABOVE;
            case AT_LEAST -> Rule.How.AT_LEAST;
            case LESS -> Rule.How.BELOW;
            case AT_MOST -> Rule.How.AT_MOST;
            case EQUAL -> Rule.How.EQUAL;
            default -> Rule.How.OTHER;
        };
    }

    /** What stands at the left of the sign in the canonical text, and what at its right. */
    private static Rule.Statement said(Expression whole, Expression left, Rule.How how) {
        String text = FormulaPrinter.print(whole);
        String sign = " " + how.sign() + " ";
        int start = FormulaPrinter.print(left).length();
        int at = text.indexOf(sign, start);
        return new Rule.Statement(text.substring(0, at), how, text.substring(at + sign.length()), Rule.Since.NOW, 1);
    }
}
