package dev.yardarm.core.formula;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.List;
import java.util.Map;

/**
 * The tree of a formula. Each node knows where it stands in the text and whether it yields numbers, yes and no, or a word. What
 * is done with a tree (compiled, printed, worked out as a constant) is a {@link Visitor}.
 */
sealed interface Expression {
    /** Where an expression stands: first character and number of characters. */
    record Span(int start, int length) {}

    /** What an expression yields. */
    enum Type {
        /** Numbers. */
        VALUE,
        /** Yes, no or unknown. */
        CONDITION,
        /** A word, the same at every bar: one of a choice, or an instrument. */
        TEXT,
        /** Nothing: it is at fault, which was told, and fits everywhere so that nothing is told twice. */
        NONE
    }

    Span span();

    /** What it yields. */
    default Type type() {
        return Type.VALUE;
    }

    /** True when it yields yes or no. */
    default boolean isCondition() {
        return type() == Type.CONDITION;
    }

    /** Does what a visitor does with this kind of node. */
    <R> R accept(Visitor<R> visitor);

    /** What is done with each kind of node. */
    interface Visitor<R> {
        /** What is done with a kind of node that has no method of its own. */
        R otherwise(Expression expression);

        default R number(Number number) {
            return otherwise(number);
        }

        default R field(BarField field) {
            return otherwise(field);
        }

        default R word(Word word) {
            return otherwise(word);
        }

        default R setting(SettingValue setting) {
            return otherwise(setting);
        }

        default R named(Named named) {
            return otherwise(named);
        }

        default R instrument(InstrumentField instrument) {
            return otherwise(instrument);
        }

        default R drawing(DrawingValue drawing) {
            return otherwise(drawing);
        }

        default R negative(Negative negative) {
            return otherwise(negative);
        }

        default R arithmetic(Arithmetic arithmetic) {
            return otherwise(arithmetic);
        }

        default R function(FunctionCall call) {
            return otherwise(call);
        }

        default R indicator(IndicatorCall call) {
            return otherwise(call);
        }

        default R back(Back back) {
            return otherwise(back);
        }

        default R higher(Higher higher) {
            return otherwise(higher);
        }

        default R made(Made made) {
            return otherwise(made);
        }

        default R other(Other other) {
            return otherwise(other);
        }

        default R last(WhenLast last) {
            return otherwise(last);
        }

        default R since(BarsSince since) {
            return otherwise(since);
        }

        default R standIn(StandIn standIn) {
            return otherwise(standIn);
        }

        default R either(Either either) {
            return otherwise(either);
        }

        default R comparison(Comparison comparison) {
            return otherwise(comparison);
        }

        default R crossing(Crossing crossing) {
            return otherwise(crossing);
        }

        default R tendency(Tendency tendency) {
            return otherwise(tendency);
        }

        default R nearness(Nearness nearness) {
            return otherwise(nearness);
        }

        default R between(Between between) {
            return otherwise(between);
        }

        default R logic(Logic logic) {
            return otherwise(logic);
        }

        default R not(Not not) {
            return otherwise(not);
        }

        default R shown(Shown shown) {
            return otherwise(shown);
        }

        default R just(Just just) {
            return otherwise(just);
        }

        default R held(Held held) {
            return otherwise(held);
        }

        default R wrong(Wrong wrong) {
            return otherwise(wrong);
        }
    }

    /** @param percent true when it was written with a per cent sign; the value is a share all the same */
    record Number(Span span, double value, boolean percent) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.number(this);
        }
    }

    /** A field of the bar. */
    record BarField(Span span, Field field) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.field(this);
        }
    }

    /** A word as an argument: one of the words of a choice, a moment, or the code of an instrument. */
    record Word(Span span, String text) implements Expression {
        @Override
        public Type type() {
            return Type.TEXT;
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.word(this);
        }
    }

    /** A setting of the definition the expression stands in. */
    record SettingValue(Span span, Setting setting, boolean percent) implements Expression {
        @Override
        public Type type() {
            return setting instanceof Setting.WholeNumber
                            || setting instanceof Setting.Number
                            || setting instanceof Setting.Source
                    ? Type.VALUE
                    : Type.TEXT;
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.setting(this);
        }
    }

    /** Something the definition has a name for: what was said by {@code let}, or a tint or cue before it. */
    record Named(Span span, Meaning meaning) implements Expression {
        @Override
        public Type type() {
            return meaning.expression().type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.named(this);
        }
    }

    /**
     * What a name means. Two are the same only when they are one object: a node for each is found again by it.
     */
    final class Meaning {
        private final String name;
        private final Expression expression;

        Meaning(String name, Expression expression) {
            this.name = name;
            this.expression = expression;
        }

        String name() {
            return name;
        }

        Expression expression() {
            return expression;
        }
    }

    /** What another instrument is worth: in a blend the field of the bar that is worked out, else its close. */
    record InstrumentField(Span span, String code) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.instrument(this);
        }
    }

    /**
     * The value of a drawing.
     *
     * @param line name of one of its lines; empty for the first
     */
    record DrawingValue(Span span, String name, String line) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.drawing(this);
        }
    }

    /** A value with the other sign. */
    record Negative(Span span, Expression operand) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.negative(this);
        }
    }

    /** Two values joined by a sign. */
    record Arithmetic(Span span, Operation operation, Expression left, Expression right) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.arithmetic(this);
        }
    }

    /** A function of values at the same bar, or {@code average(kind, value, length)}. */
    record FunctionCall(Span span, String function, List<Expression> arguments) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.function(this);
        }
    }

    /**
     * An indicator, checked against what it declares.
     *
     * @param word it was called by
     * @param written the arguments as they stand, for printing
     * @param source what it reads instead of the field its settings name; null for that field
     * @param given its settings by name, each a constant
     * @param output number of the output meant
     * @param chosen true when that output was named
     * @param nth which one is meant of those counted from the newest, as written behind the output; null when it was not
     */
    record IndicatorCall(
            Span span,
            String word,
            Indicator indicator,
            List<Argument> written,
            Expression source,
            Map<String, Expression> given,
            int output,
            boolean chosen,
            Expression nth)
            implements Expression {
        @Override
        public Type type() {
            return indicator.outputs().get(output).cue() ? Type.CONDITION : Type.VALUE;
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.indicator(this);
        }
    }

    /**
     * An argument of a call.
     *
     * @param name of the setting, null when it is given by position
     * @param nameSpan where the name stands, null without one
     */
    record Argument(String name, Span nameSpan, Expression value) {}

    /** So many bars earlier. */
    record Back(Span span, Expression operand, Expression bars) implements Expression {
        @Override
        public Type type() {
            return operand.type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.back(this);
        }
    }

    /**
     * Something on a higher timeframe.
     *
     * @param timeframe null when a setting names it
     * @param setting null when it is written out
     * @param forming true for the unfinished bar
     */
    record Higher(Span span, Expression operand, Timeframe timeframe, Expression setting, boolean forming)
            implements Expression {
        @Override
        public Type type() {
            return operand.type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.higher(this);
        }
    }

    /**
     * Something on bars that are not made by time, made from the bars there are.
     *
     * @param forming true for the unfinished bar
     */
    record Made(Span span, Expression operand, BarRule rule, boolean forming) implements Expression {
        @Override
        public Type type() {
            return operand.type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.made(this);
        }
    }

    /** Something of another instrument: a {@link Word} with its code, or a setting. */
    record Other(Span span, Expression operand, Expression instrument) implements Expression {
        @Override
        public Type type() {
            return operand.type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.other(this);
        }
    }

    /** The value at the last bar on which a condition held. */
    record WhenLast(Span span, Expression operand, Expression condition) implements Expression {
        @Override
        public Type type() {
            return operand.type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.last(this);
        }
    }

    /** Bars since a condition held. */
    record BarsSince(Span span, Expression condition) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.since(this);
        }
    }

    /** A value, or another where it is missing. */
    record StandIn(Span span, Expression operand, Expression otherwise) implements Expression {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.standIn(this);
        }
    }

    /** One of two by a condition; unknown counts as no. */
    record Either(Span span, Expression condition, Expression yes, Expression no) implements Expression {
        @Override
        public Type type() {
            return yes.type() == Type.NONE ? no.type() : yes.type();
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.either(this);
        }
    }

    /** Something that yields yes or no. */
    sealed interface Condition extends Expression {
        @Override
        default Type type() {
            return Type.CONDITION;
        }
    }

    /** Two values, or two words, compared. */
    record Comparison(Span span, Operation operation, Expression left, Expression right) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.comparison(this);
        }
    }

    /** A crossing in the given direction. */
    record Crossing(Span span, Direction direction, Expression left, Expression right) implements Condition {
        enum Direction {
            ABOVE,
            BELOW,
            EITHER
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.crossing(this);
        }
    }

    /**
     * Rising or falling.
     *
     * @param bars on each of how many bars; null for this one alone
     */
    record Tendency(Span span, Expression operand, boolean rising, Expression bars) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.tendency(this);
        }
    }

    /**
     * No further apart than an amount.
     *
     * @param measure what the amount is counted in; null when it is in the units of the values
     * @param share true when the amount is a share of what stands at the right
     */
    record Nearness(Span span, Expression left, Expression amount, Expression measure, boolean share, Expression right)
            implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.nearness(this);
        }
    }

    /** Between two values, both allowed. */
    record Between(Span span, Expression operand, Expression low, Expression high) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.between(this);
        }
    }

    /** Two conditions joined. */
    record Logic(Span span, Operation operation, Expression left, Expression right) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.logic(this);
        }
    }

    /** The opposite. */
    record Not(Span span, Expression operand) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.not(this);
        }
    }

    /** True now, not on the bar before. */
    record Just(Span span, Expression operand) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.just(this);
        }
    }

    /**
     * True on each of the last bars, or on one of them.
     *
     * @param always true for each
     */
    record Held(Span span, Expression operand, boolean always, Expression bars) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.held(this);
        }
    }

    /**
     * A colour where it shows: its condition holds, and none of those before it, of which an unknown one does not hold.
     *
     * @param before conditions of the colours that come before it
     */
    record Shown(Span span, Expression condition, List<Expression> before) implements Condition {
        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.shown(this);
        }
    }

    /** What cannot be understood and was told. */
    record Wrong(Span span) implements Expression {
        @Override
        public Type type() {
            return Type.NONE;
        }

        @Override
        public <R> R accept(Visitor<R> visitor) {
            return visitor.wrong(this);
        }
    }
}
