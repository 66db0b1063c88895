package dev.yardarm.core.formula;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.series.Field;
import java.util.List;

/** The tree of a formula. Each node knows where it stands in the text. */
sealed interface Expression {
    /** Where an expression stands: first character and number of characters. */
    record Span(int start, int length) {}

    Span span();

    /** True when it yields yes or no, false when it yields a number. */
    boolean isCondition();

    /** What it is put together from. */
    default List<Expression> parts() {
        if (this instanceof Call call) {
            return call.arguments().stream().map(Argument::value).toList();
        }
        if (this instanceof Negative negative) {
            return List.of(negative.operand());
        }
        if (this instanceof Arithmetic arithmetic) {
            return List.of(arithmetic.left(), arithmetic.right());
        }
        if (this instanceof Back back) {
            return List.of(back.operand());
        }
        if (this instanceof Higher higher) {
            return List.of(higher.operand());
        }
        if (this instanceof Comparison comparison) {
            return List.of(comparison.left(), comparison.right());
        }
        if (this instanceof Crossing crossing) {
            return List.of(crossing.left(), crossing.right());
        }
        if (this instanceof Logic logic) {
            return List.of(logic.left(), logic.right());
        }
        return this instanceof Not not ? List.of(not.operand()) : List.of();
    }

    record Number(Span span, double value) implements Expression {
        @Override
        public boolean isCondition() {
            return false;
        }
    }

    record BarField(Span span, Field field) implements Expression {
        @Override
        public boolean isCondition() {
            return false;
        }
    }

    /**
     * A call with arguments, each with its name or null.
     *
     * @param output number of the output meant
     * @param isCondition true when that output is a cue
     */
    record Call(Span span, String function, List<Argument> arguments, int output, boolean isCondition)
            implements Expression {}

    /** A word as an argument: one of the words of a choice, or the code of an instrument. */
    record Word(Span span, String text) implements Expression {
        @Override
        public boolean isCondition() {
            return false;
        }
    }

    /**
     * The value of a drawing.
     *
     * @param line name of one of its lines; empty for the first
     */
    record DrawingValue(Span span, String name, String line) implements Expression {
        @Override
        public boolean isCondition() {
            return false;
        }
    }

    /**
     * An argument of a call.
     *
     * @param name of the setting, null when it is given by position
     * @param nameSpan where the name stands, null without one
     */
    record Argument(String name, Span nameSpan, Expression value) {}

    record Negative(Span span, Expression operand) implements Expression {
        @Override
        public boolean isCondition() {
            return false;
        }
    }

    record Arithmetic(Span span, Operation operation, Expression left, Expression right) implements Expression {
        @Override
        public boolean isCondition() {
            return false;
        }
    }

    record Back(Span span, Expression operand, int bars) implements Expression {
        @Override
        public boolean isCondition() {
            return operand.isCondition();
        }
    }

    /**
     * Something on a higher timeframe.
     *
     * @param forming true for the unfinished bar
     */
    record Higher(Span span, Expression operand, Timeframe timeframe, boolean forming) implements Expression {
        @Override
        public boolean isCondition() {
            return operand.isCondition();
        }
    }

    record Comparison(Span span, Operation operation, Expression left, Expression right) implements Expression {
        @Override
        public boolean isCondition() {
            return true;
        }
    }

    /** A crossing in the given direction. */
    record Crossing(Span span, Direction direction, Expression left, Expression right) implements Expression {
        enum Direction {
            ABOVE,
            BELOW,
            EITHER
        }

        @Override
        public boolean isCondition() {
            return true;
        }
    }

    record Logic(Span span, Operation operation, Expression left, Expression right) implements Expression {
        @Override
        public boolean isCondition() {
            return true;
        }
    }

    record Not(Span span, Expression operand) implements Expression {
        @Override
        public boolean isCondition() {
            return true;
        }
    }
}
