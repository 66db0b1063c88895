package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.function.ToDoubleFunction;

/**
 * The formula of a blend: a value worked out of other instruments at each moment by itself, such as {@code #KTRL / #MARN}. Fields,
 * indicators and earlier bars have no place in it; they go on the blend's own chart. Immutable.
 */
public final class BlendFormula {
    private final String text;
    private final Expression root;
    private final List<String> parts;
    private final Affine affine;

    /** {@code factor * instrument + offset}. */
    private record Affine(double factor, double offset) {}

    private BlendFormula(String text, Expression root) {
        this.text = text;
        this.root = root;
        Set<String> codes = new LinkedHashSet<>();
        collect(root, codes);
        this.parts = List.copyOf(codes);
        this.affine = parts.size() == 1 ? affine(root) : null;
    }

    /**
     * Reads a blend.
     *
     * @throws FormulaException with position, what was expected and the likely word
     */
    public static BlendFormula parse(String text, Language language) {
        Expression root = FormulaReader.read(text, language);
        Faults faults = new Faults(text);
        check(root, faults);
        faults.check();
        BlendFormula blend = new BlendFormula(text, root);
        if (blend.parts.isEmpty()) {
            throw new FormulaException(
                    text,
                    0,
                    text.length(),
                    "a blend is made of instruments; write their codes with a #, such as #KTRL");
        }
        return blend;
    }

    private static void check(Expression node, Faults faults) {
        if (closeOf(node) != null) {
            return;
        }
        if (node instanceof Expression.BarField
                || node instanceof Expression.IndicatorCall
                || node instanceof Expression.Back
                || node instanceof Expression.Other
                || !isOfMoment(node)) {
            faults.add(
                    node.span(),
                    "a blend is worked out of instruments at each moment by itself, with numbers, + - * / ^ and "
                            + "functions; indicators, fields and earlier bars go on its chart");
        } else {
            operands(node).forEach(each -> check(each, faults));
        }
    }

    /** The code in {@code close of #CODE}; null for anything else. */
    private static String closeOf(Expression node) {
        return node instanceof Expression.Other other
                        && other.operand() instanceof Expression.BarField field
                        && field.field() == Field.CLOSE
                        && other.instrument() instanceof Expression.Word word
                ? word.text()
                : null;
    }

    private static boolean isOfMoment(Expression node) {
        return node instanceof Expression.Number
                || node instanceof Expression.InstrumentField
                || node instanceof Expression.Negative
                || node instanceof Expression.Arithmetic
                || node instanceof Expression.FunctionCall call
                        && !call.function().equals(Language.AVERAGE);
    }

    private static List<Expression> operands(Expression node) {
        if (node instanceof Expression.Negative negative) {
            return List.of(negative.operand());
        }
        if (node instanceof Expression.Arithmetic arithmetic) {
            return List.of(arithmetic.left(), arithmetic.right());
        }
        return node instanceof Expression.FunctionCall call ? call.arguments() : List.of();
    }

    private static void collect(Expression node, Set<String> codes) {
        if (node instanceof Expression.InstrumentField instrument) {
            codes.add(instrument.code());
        } else if (closeOf(node) != null) {
            codes.add(closeOf(node));
        }
        operands(node).forEach(each -> collect(each, codes));
    }

    /** As it was written. */
    public String text() {
        return text;
    }

    /** In its canonical form. */
    public String canonical() {
        return FormulaPrinter.print(root);
    }

    /** The codes of its parts, each once, in the order they stand. */
    public List<String> parts() {
        return parts;
    }

    /**
     * True when it is linear in one instrument, so that open, high, low and close follow field by field; otherwise only closes can
     * be combined, as highs and lows of several are not of the same moment.
     */
    public boolean isFieldByField() {
        return affine != null;
    }

    /** True when what rises in its one part falls in the blend, so that highs become lows. */
    public boolean isReversed() {
        return affine != null && affine.factor() < 0;
    }

    /** What it is worth when its parts are worth these, in the order of {@link #parts}; NaN where it has no finite value. */
    public double of(double... values) {
        double value = value(root, instrument -> values[parts.indexOf(instrument)]);
        return Double.isFinite(value) ? value : Double.NaN;
    }

    private static double value(Expression node, ToDoubleFunction<String> values) {
        if (node instanceof Expression.Number number) {
            return number.value();
        }
        if (node instanceof Expression.InstrumentField instrument) {
            return values.applyAsDouble(instrument.code());
        }
        if (closeOf(node) != null) {
            return values.applyAsDouble(closeOf(node));
        }
        if (node instanceof Expression.Negative negative) {
            return -value(negative.operand(), values);
        }
        if (node instanceof Expression.Arithmetic arithmetic) {
            return arithmetic.operation().of(value(arithmetic.left(), values), value(arithmetic.right(), values));
        }
        Expression.FunctionCall call = (Expression.FunctionCall) node;
        DoubleUnaryOperator unary = Language.UNARY.get(call.function());
        double first = value(call.arguments().get(0), values);
        if (unary != null) {
            return unary.applyAsDouble(first);
        }
        double second = value(call.arguments().get(1), values);
        return call.function().equals("min") ? Math.min(first, second) : Math.max(first, second);
    }

    /** Factor and offset of what is linear in its one instrument; null for anything else. */
    private static Affine affine(Expression node) {
        if (node instanceof Expression.Number number) {
            return new Affine(0, number.value());
        }
        if (node instanceof Expression.InstrumentField) {
            return new Affine(1, 0);
        }
        if (node instanceof Expression.Negative negative) {
            Affine inner = affine(negative.operand());
            return inner == null ? null : new Affine(-inner.factor(), -inner.offset());
        }
        if (!(node instanceof Expression.Arithmetic arithmetic)) {
            // Whoever says close of means the close alone.
            return constant(node);
        }
        Affine left = affine(arithmetic.left());
        Affine right = affine(arithmetic.right());
        if (left == null || right == null) {
            return null;
        }
        Operation operation = arithmetic.operation();
        return switch (operation) {
            case ADD -> new Affine(left.factor() + right.factor(), left.offset() + right.offset());
            case SUBTRACT -> new Affine(left.factor() - right.factor(), left.offset() - right.offset());
            case MULTIPLY ->
                left.factor() == 0
                        ? new Affine(left.offset() * right.factor(), left.offset() * right.offset())
                        : right.factor() == 0
                                ? new Affine(left.factor() * right.offset(), left.offset() * right.offset())
                                : null;
            case DIVIDE ->
                right.factor() == 0 ? new Affine(left.factor() / right.offset(), left.offset() / right.offset()) : null;
            default ->
                left.factor() == 0 && right.factor() == 0
                        ? new Affine(0, operation.of(left.offset(), right.offset()))
                        : null;
        };
    }

    private static Affine constant(Expression node) {
        Set<String> codes = new LinkedHashSet<>();
        collect(node, codes);
        return codes.isEmpty() ? new Affine(0, value(node, code -> Double.NaN)) : null;
    }

    /**
     * The blends that a blend rests on, found through those it names, in an order in which each comes after its parts.
     *
     * @param blends by their codes
     * @throws IllegalArgumentException when they go round in a circle, with the way
     */
    public static List<String> inOrder(Map<String, BlendFormula> blends) {
        List<String> order = new ArrayList<>();
        for (String code : blends.keySet()) {
            visit(code, blends, order, new LinkedHashSet<>());
        }
        return order;
    }

    private static void visit(String code, Map<String, BlendFormula> blends, List<String> order, Set<String> way) {
        BlendFormula blend = blends.get(code);
        if (blend == null || order.contains(code)) {
            return;
        }
        if (!way.add(code)) {
            throw new IllegalArgumentException(
                    "blends go round in a circle: " + String.join(", made of ", way) + ", made of " + code);
        }
        blend.parts.forEach(part -> visit(part, blends, order, way));
        way.remove(code);
        order.add(code);
    }

    @Override
    public String toString() {
        return text;
    }
}
