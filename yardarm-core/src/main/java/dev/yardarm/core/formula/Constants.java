package dev.yardarm.core.formula;

import dev.yardarm.core.formula.Expression.Meaning;
import dev.yardarm.core.indicator.Settings;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * Works out what is the same at every bar: numbers, settings, and arithmetic of them, such as {@code length * 2}. NaN for what is
 * not. What a name means is worked out once. O(nodes).
 */
final class Constants implements Expression.Visitor<Double> {
    private final Settings settings;
    private final Map<Meaning, Double> known = new IdentityHashMap<>();

    /** @param settings of the definition; null when there is none */
    Constants(Settings settings) {
        this.settings = settings;
    }

    /** The number; NaN when it is not the same at every bar. */
    double of(Expression expression) {
        return expression.accept(this);
    }

    /** The word of a text. */
    String text(Expression expression) {
        return expression instanceof Expression.SettingValue setting
                ? settings.word(setting.setting().name())
                : ((Expression.Word) expression).text();
    }

    @Override
    public Double number(Expression.Number number) {
        return number.value();
    }

    @Override
    public Double setting(Expression.SettingValue setting) {
        return setting.type() == Expression.Type.VALUE
                        && !(setting.setting() instanceof dev.yardarm.core.indicator.Setting.Source)
                ? settings.number(setting.setting().name())
                : Double.NaN;
    }

    @Override
    public Double named(Expression.Named named) {
        Double value = known.get(named.meaning());
        if (value == null) {
            value = of(named.meaning().expression());
            known.put(named.meaning(), value);
        }
        return value;
    }

    @Override
    public Double negative(Expression.Negative negative) {
        return -of(negative.operand());
    }

    @Override
    public Double arithmetic(Expression.Arithmetic arithmetic) {
        return arithmetic.operation().of(of(arithmetic.left()), of(arithmetic.right()));
    }

    @Override
    public Double function(Expression.FunctionCall call) {
        DoubleUnaryOperator unary = Language.UNARY.get(call.function());
        List<Expression> arguments = call.arguments();
        if (unary != null) {
            return unary.applyAsDouble(of(arguments.get(0)));
        }
        if (!Language.BINARY.contains(call.function())) {
            return Double.NaN;
        }
        double first = of(arguments.get(0));
        double second = of(arguments.get(1));
        return call.function().equals("min") ? Math.min(first, second) : Math.max(first, second);
    }

    @Override
    public Double otherwise(Expression expression) {
        return Double.NaN;
    }
}
