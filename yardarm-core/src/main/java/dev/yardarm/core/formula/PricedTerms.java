package dev.yardarm.core.formula;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.series.Field;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Finds in a formula the values that are prices of the instrument and made by an indicator: what can be drawn over its bars to show
 * what the formula speaks of. Of {@code close > sma(close, 50) and rsi(14) < 30} that is {@code sma(close, 50)}.
 */
final class PricedTerms implements Expression.Visitor<Void> {
    private static final Set<Field> PRICES =
            Set.of(Field.OPEN, Field.HIGH, Field.LOW, Field.CLOSE, Field.TYPICAL, Field.MIDPRICE);

    private final Set<String> found = new LinkedHashSet<>();

    private PricedTerms() {}

    /** Their canonical texts, each once, in the order of the formula. */
    static List<String> of(Expression root) {
        PricedTerms terms = new PricedTerms();
        root.accept(terms);
        return List.copyOf(terms.found);
    }

    /** Whether a value is a price of the instrument, on whatever bars. */
    private static boolean isPrice(Expression value) {
        if (value instanceof Expression.BarField field) {
            return PRICES.contains(field.field());
        }
        if (value instanceof Expression.IndicatorCall call) {
            Indicator.Output output = call.indicator().outputs().get(call.output());
            boolean drawn = !output.cue() && output.form() != Indicator.Form.NONE;
            return call.indicator().place().withPrice() && drawn && (call.source() == null || isPrice(call.source()));
        }
        if (value instanceof Expression.Back back) {
            return isPrice(back.operand());
        }
        if (value instanceof Expression.Higher higher) {
            return isPrice(higher.operand());
        }
        if (value instanceof Expression.Made made) {
            return isPrice(made.operand());
        }
        if (value instanceof Expression.WhenLast last) {
            return isPrice(last.operand());
        }
        if (value instanceof Expression.StandIn standIn) {
            return isPrice(standIn.operand());
        }
        return value instanceof Expression.FunctionCall call
                && Set.of("min", "max").contains(call.function())
                && call.arguments().stream().allMatch(PricedTerms::isPrice);
    }

    /** Whether an indicator has a part in a price: fields alone are the bars themselves. */
    private static boolean isMade(Expression price) {
        return price instanceof Expression.IndicatorCall
                || price instanceof Expression.FunctionCall
                || price instanceof Expression.Back back && isMade(back.operand())
                || price instanceof Expression.Higher higher && isMade(higher.operand())
                || price instanceof Expression.Made made && isMade(made.operand())
                || price instanceof Expression.WhenLast
                || price instanceof Expression.StandIn standIn && isMade(standIn.operand());
    }

    /** A value: a term by itself, or one that holds terms. */
    private void value(Expression value) {
        if (value == null) {
            return;
        }
        if (isPrice(value)) {
            if (isMade(value)) {
                found.add(FormulaPrinter.print(value));
            }
        } else {
            value.accept(this);
        }
    }

    @Override
    public Void otherwise(Expression expression) {
        return null;
    }

    @Override
    public Void negative(Expression.Negative negative) {
        value(negative.operand());
        return null;
    }

    @Override
    public Void arithmetic(Expression.Arithmetic arithmetic) {
        value(arithmetic.left());
        value(arithmetic.right());
        return null;
    }

    @Override
    public Void function(Expression.FunctionCall call) {
        call.arguments().forEach(this::value);
        return null;
    }

    @Override
    public Void either(Expression.Either either) {
        either.condition().accept(this);
        value(either.yes());
        value(either.no());
        return null;
    }

    @Override
    public Void comparison(Expression.Comparison comparison) {
        value(comparison.left());
        value(comparison.right());
        return null;
    }

    @Override
    public Void crossing(Expression.Crossing crossing) {
        value(crossing.left());
        value(crossing.right());
        return null;
    }

    @Override
    public Void tendency(Expression.Tendency tendency) {
        value(tendency.operand());
        return null;
    }

    @Override
    public Void nearness(Expression.Nearness nearness) {
        value(nearness.left());
        value(nearness.right());
        return null;
    }

    @Override
    public Void between(Expression.Between between) {
        value(between.operand());
        value(between.low());
        value(between.high());
        return null;
    }

    @Override
    public Void logic(Expression.Logic logic) {
        logic.left().accept(this);
        logic.right().accept(this);
        return null;
    }

    @Override
    public Void not(Expression.Not not) {
        return not.operand().accept(this);
    }

    @Override
    public Void shown(Expression.Shown shown) {
        shown.before().forEach(each -> each.accept(this));
        return shown.condition().accept(this);
    }

    @Override
    public Void just(Expression.Just just) {
        return just.operand().accept(this);
    }

    @Override
    public Void held(Expression.Held held) {
        return held.operand().accept(this);
    }

    @Override
    public Void back(Expression.Back back) {
        value(back.operand());
        return null;
    }
}
