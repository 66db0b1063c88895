package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.series.Column;
import java.util.function.IntToDoubleFunction;

/**
 * A condition together with how far it is from turning: a margin above 0 where it holds, below 0 where it does not, in the units of
 * what is compared, and what such a margin usually changes by from one bar to the next. It tells why an instrument fits a scan, and
 * which of those that do not are nearest.
 *
 * <pre>{@code
 * Measured measured = Measured.in(graph, Formula.parseCondition("close > sma(close, 50)", language));
 * graph.update(bars);
 * measured.margin(last);          // close less its average
 * measured.margin(last) / measured.usual(last);     // the same in usual changes
 * }</pre>
 *
 * <p>Margins: of a comparison the difference of its sides; of a crossing the nearer of where it comes from and where it goes;
 * of {@code is rising} the change; of {@code is within} and {@code is between} the distance to the nearer edge; of {@code and} the
 * smallest, of {@code or} the largest, of {@code not} the opposite, of {@code held for} the smallest and of {@code seen in} the largest of
 * the bars looked at. A cue has none: NaN. Where a value is missing so is the margin.
 *
 * <p>Cost: nothing beyond the columns of the values that are compared, which are kept; a margin is worked out at the bar it is asked
 * for. Read after the graph was updated, by the thread that updates it.
 */
public final class Measured {
    /** Over how many bars the usual change is taken. */
    private static final int USUAL = 50;

    private final Column holds;
    private final Column value;
    private final Column against;
    private final IntToDoubleFunction margin;

    private Measured(Column holds, Column value, Column against, IntToDoubleFunction margin) {
        this.holds = holds;
        this.value = value;
        this.against = against;
        this.margin = margin;
    }

    /** Adds a condition to a graph. */
    public static Measured in(ColumnGraph graph, Formula condition) {
        Reader reader = new Reader(graph);
        Expression root = condition.root();
        Column holds = condition.in(graph).output();
        IntToDoubleFunction margin = root.accept(reader);
        Expression compared = inner(root);
        Expression left = compared instanceof Expression.Comparison comparison
                ? comparison.left()
                : compared instanceof Expression.Crossing crossing
                        ? crossing.left()
                        : compared instanceof Expression.Tendency tendency
                                ? tendency.operand()
                                : compared instanceof Expression.Nearness nearness
                                        ? nearness.left()
                                        : compared instanceof Expression.Between between ? between.operand() : null;
        Expression right = compared instanceof Expression.Comparison comparison
                ? comparison.right()
                : compared instanceof Expression.Crossing crossing
                        ? crossing.right()
                        : compared instanceof Expression.Nearness nearness ? nearness.right() : null;
        return new Measured(
                holds,
                left == null || left.type() == Expression.Type.TEXT ? null : reader.column(left),
                right == null || right.type() == Expression.Type.TEXT ? null : reader.column(right),
                margin);
    }

    private static Expression inner(Expression expression) {
        return expression instanceof Expression.Held held
                ? held.operand()
                : expression instanceof Expression.Just just ? just.operand() : expression;
    }

    /** 1 where it holds, 0 where not, NaN where that cannot be told. */
    public double holds(int bar) {
        return holds.at(bar);
    }

    /** What is compared; NaN when it is missing, or when the condition compares nothing. */
    public double value(int bar) {
        return value == null ? Double.NaN : value.at(bar);
    }

    /** What it is compared with; NaN when it is missing, or when there is none. */
    public double against(int bar) {
        return against == null ? Double.NaN : against.at(bar);
    }

    /** How far it is from turning; NaN when that cannot be told. */
    public double margin(int bar) {
        return margin.applyAsDouble(bar);
    }

    /** The mean change of the margin from bar to bar over the last fifty; NaN when there is none. O(50). */
    public double usual(int bar) {
        double sum = 0;
        int count = 0;
        double after = margin(bar);
        for (int at = bar - 1; at >= Math.max(0, bar - USUAL); at--) {
            double before = margin(at);
            double change = Math.abs(after - before);
            if (change < Double.POSITIVE_INFINITY) {
                sum += change;
                count++;
            }
            after = before;
        }
        return count == 0 ? Double.NaN : sum / count;
    }

    /** Makes a margin of each kind of condition. */
    private static final class Reader implements Expression.Visitor<IntToDoubleFunction> {
        private final FormulaCompiler compiler;
        private final Constants constants = new Constants(null);

        Reader(ColumnGraph graph) {
            this.compiler = new FormulaCompiler(graph, null);
        }

        Column column(Expression value) {
            return compiler.node(value).keep().output();
        }

        @Override
        public IntToDoubleFunction otherwise(Expression expression) {
            return bar -> Double.NaN;
        }

        @Override
        public IntToDoubleFunction comparison(Expression.Comparison comparison) {
            if (comparison.left().type() == Expression.Type.TEXT) {
                return otherwise(comparison);
            }
            Column left = column(comparison.left());
            Column right = column(comparison.right());
            return switch (comparison.operation()) {
                case GREATER, AT_LEAST -> bar -> left.at(bar) - right.at(bar);
                case LESS, AT_MOST -> bar -> right.at(bar) - left.at(bar);
                case EQUAL -> bar -> -Math.abs(left.at(bar) - right.at(bar));
                default -> bar -> Math.abs(left.at(bar) - right.at(bar));
            };
        }

        @Override
        public IntToDoubleFunction crossing(Expression.Crossing crossing) {
            Column left = column(crossing.left());
            Column right = column(crossing.right());
            IntToDoubleFunction apart = bar -> bar < 0 ? Double.NaN : left.at(bar) - right.at(bar);
            IntToDoubleFunction up = bar -> Math.min(apart.applyAsDouble(bar), -apart.applyAsDouble(bar - 1));
            IntToDoubleFunction down = bar -> Math.min(-apart.applyAsDouble(bar), apart.applyAsDouble(bar - 1));
            return switch (crossing.direction()) {
                case ABOVE -> up;
                case BELOW -> down;
                case EITHER -> bar -> Math.max(up.applyAsDouble(bar), down.applyAsDouble(bar));
            };
        }

        @Override
        public IntToDoubleFunction tendency(Expression.Tendency tendency) {
            Column value = column(tendency.operand());
            int sign = tendency.rising() ? 1 : -1;
            IntToDoubleFunction change = bar -> bar < 1 ? Double.NaN : sign * (value.at(bar) - value.at(bar - 1));
            return tendency.bars() == null ? change : over(change, (int) constants.of(tendency.bars()), true);
        }

        @Override
        public IntToDoubleFunction nearness(Expression.Nearness nearness) {
            Column left = column(nearness.left());
            Column right = column(nearness.right());
            Column amount = column(nearness.amount());
            Column measure = nearness.measure() == null ? null : column(nearness.measure());
            boolean share = nearness.share();
            return bar -> amount.at(bar) * (share ? Math.abs(right.at(bar)) : measure == null ? 1 : measure.at(bar))
                    - Math.abs(left.at(bar) - right.at(bar));
        }

        @Override
        public IntToDoubleFunction between(Expression.Between between) {
            Column value = column(between.operand());
            Column low = column(between.low());
            Column high = column(between.high());
            return bar -> Math.min(value.at(bar) - low.at(bar), high.at(bar) - value.at(bar));
        }

        @Override
        public IntToDoubleFunction logic(Expression.Logic logic) {
            IntToDoubleFunction left = logic.left().accept(this);
            IntToDoubleFunction right = logic.right().accept(this);
            return logic.operation() == Operation.AND
                    ? bar -> Math.min(left.applyAsDouble(bar), right.applyAsDouble(bar))
                    : bar -> Math.max(left.applyAsDouble(bar), right.applyAsDouble(bar));
        }

        @Override
        public IntToDoubleFunction not(Expression.Not not) {
            IntToDoubleFunction margin = not.operand().accept(this);
            return bar -> -margin.applyAsDouble(bar);
        }

        @Override
        public IntToDoubleFunction shown(Expression.Shown shown) {
            return shown.condition().accept(this);
        }

        @Override
        public IntToDoubleFunction just(Expression.Just just) {
            IntToDoubleFunction margin = just.operand().accept(this);
            return bar -> bar < 1 ? Double.NaN : Math.min(margin.applyAsDouble(bar), -margin.applyAsDouble(bar - 1));
        }

        @Override
        public IntToDoubleFunction held(Expression.Held held) {
            return over(held.operand().accept(this), (int) constants.of(held.bars()), held.always());
        }

        @Override
        public IntToDoubleFunction back(Expression.Back back) {
            IntToDoubleFunction margin = back.operand().accept(this);
            int bars = (int) constants.of(back.bars());
            return bar -> bar < bars ? Double.NaN : margin.applyAsDouble(bar - bars);
        }

        private static IntToDoubleFunction over(IntToDoubleFunction margin, int bars, boolean smallest) {
            return bar -> {
                double found = margin.applyAsDouble(bar);
                for (int at = bar - 1; at > bar - bars; at--) {
                    double one = at < 0 ? Double.NaN : margin.applyAsDouble(at);
                    found = smallest ? Math.min(found, one) : Math.max(found, one);
                }
                return found;
            };
        }
    }
}
