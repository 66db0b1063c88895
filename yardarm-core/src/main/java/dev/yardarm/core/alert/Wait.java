package dev.yardarm.core.alert;

import java.util.Objects;

/**
 * One thing waited for: on what, and how.
 *
 * @param on what it waits on
 * @param trigger how
 * @param way 1 to be met on the way up, -1 on the way down, 0 from where price stands when the waiting begins; means nothing for a
 *     condition and a trade
 * @param margin by how much, for triggers that take one
 * @param early microseconds before the close of a bar, or before what is on the calendar; else 0
 * @param within so many bars after the one on which the wait before was met; 0 for any number
 */
public record Wait(Awaited on, Alert.Trigger trigger, int way, Margin margin, long early, int within) {
    public Wait {
        Objects.requireNonNull(on);
        Objects.requireNonNull(trigger);
        Objects.requireNonNull(margin);
        way = Integer.signum(way);
        if (on instanceof Awaited.Condition != trigger.isOfConditions()) {
            throw new IllegalArgumentException("an alert on a condition waits for it to hold, no other does");
        }
        if (on instanceof Awaited.Traded != (trigger == Alert.Trigger.TRADED)) {
            throw new IllegalArgumentException("an alert on a large trade waits for it to be struck, no other does");
        }
        if (trigger == Alert.Trigger.TURNS_BACK && margin.isNone()) {
            throw new IllegalArgumentException("say by how much it turns back, such as by 5 ticks");
        }
        if (trigger == Alert.Trigger.COMES_WITHIN && margin.isNone()) {
            throw new IllegalArgumentException("say how near it comes, such as within 5 ticks of 104.20");
        }
        if (on instanceof Awaited.Due != (trigger == Alert.Trigger.COMES_UP)) {
            throw new IllegalArgumentException("only what is on the calendar comes up");
        }
        if (on instanceof Awaited.Member != (trigger == Alert.Trigger.FOUND)) {
            throw new IllegalArgumentException("only a scan finds something new");
        }
        boolean ahead = trigger == Alert.Trigger.ABOUT_TO_CLOSE || trigger == Alert.Trigger.COMES_UP;
        if (ahead ? early <= 0 : early != 0) {
            throw new IllegalArgumentException("an alert before the close says how long before, no other does");
        }
        if (within < 0) {
            throw new IllegalArgumentException("a number of bars is not below zero: " + within);
        }
    }

    /** Without margin, from where price stands. */
    public Wait(Awaited on, Alert.Trigger trigger) {
        this(on, trigger, 0, Margin.NONE, 0, 0);
    }

    /** The same that is met one way. */
    public Wait going(int other) {
        return new Wait(on, trigger, other, margin, early, within);
    }

    /** The same with another margin. */
    public Wait by(Margin other) {
        return new Wait(on, trigger, way, other, early, within);
    }

    /** The same on something else. */
    Wait on(Awaited other) {
        return new Wait(other, trigger, way, margin, early, within);
    }

    /** The same that must be met so many bars after the wait before. */
    public Wait within(int bars) {
        return new Wait(on, trigger, way, margin, early, bars);
    }

    /** True when its price or condition is read from bars. */
    boolean readsBars() {
        return on instanceof Awaited.Value
                || on instanceof Awaited.Condition
                || margin.unit() == Margin.Unit.RANGE && !margin.isNone();
    }
}
