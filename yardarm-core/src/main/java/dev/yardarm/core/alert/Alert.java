package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.PriceBasis;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * An alert: one thing waited for or several in order, and on what terms. That it fired is not part of it: a {@link Firing} says so.
 *
 * <p>Each wait begins when the one before was met; the alert fires when the last one is. What it fires on follows from what was traded
 * since it was set and nothing else, so it says the same live, after a restart and over recorded trades.
 *
 * @param waits what is waited for, in this order; at least one
 * @param bars the bars whose closes count, and whose formulas are read
 * @param terms how often and when
 * @param note the trader's words, with values in braces; empty for none
 * @param acts what happens besides the notice
 * @param setAt when it was set or armed again, microseconds UTC
 * @param price where price stood then, in prices of that day; NaN when that is not known, so that the first trade decides
 */
public record Alert(
        String id,
        InstrumentId instrument,
        List<Wait> waits,
        BarRule bars,
        Terms terms,
        String note,
        Acts acts,
        long setAt,
        double price) {
    /** Most waits in order. */
    public static final int MOST_WAITS = 8;

    /** What makes it fire. Beyond is above on the way up and below on the way down. */
    public enum Trigger {
        /** A trade that is no further from the price than the margin, or past it. */
        COMES_WITHIN("price comes near it"),
        /** A trade at the price or past it. */
        REACHES("price reaches it"),
        /** A trade beyond the price, by the margin or more. */
        GOES_THROUGH("price goes through it"),
        /** A bar that closes beyond the price, by the margin or more, where the close before, or price when it was set, did not. */
        CLOSES_BEYOND("a bar closes beyond it"),
        /** A bar in which price goes through by the margin or more, and which closes back. */
        OVERSHOOTS("a bar goes through it and closes back"),
        /** Price reaches it and then leaves it by the margin on the side it came from, before it has gone as far beyond. */
        TURNS_BACK("price reaches it and turns back"),
        /** Price stands beyond, by the margin or more, for the first time in the last minutes of a bar. */
        ABOUT_TO_CLOSE("a bar is about to close beyond it"),
        /** A bar that closes with the condition true, where it was not on the bar before. */
        HOLDS("a bar closes on which it begins to hold"),
        /** A trade with which the condition becomes true, while the bar forms. */
        HOLDS_NOW("it begins to hold while a bar forms"),
        /** So long before an entry of the calendar. */
        COMES_UP("it comes up on the calendar"),
        /** A run of a scan finds what the run before did not. */
        FOUND("a scan finds something new"),
        /** A trade that is large, or becomes it with a print more; at once. */
        TRADED("a trade as large is struck");

        private final String words;

        Trigger(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** True when it waits for a condition. */
        public boolean isOfConditions() {
            return this == HOLDS || this == HOLDS_NOW;
        }

        /** True when only the close of a bar can make it fire. */
        public boolean isAtClose() {
            return this == CLOSES_BEYOND || this == OVERSHOOTS || this == HOLDS;
        }
    }

    public Alert {
        Objects.requireNonNull(id);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(bars);
        Objects.requireNonNull(terms);
        Objects.requireNonNull(note);
        Objects.requireNonNull(acts);
        waits = List.copyOf(waits);
        if (waits.isEmpty() || waits.size() > MOST_WAITS) {
            throw new IllegalArgumentException(
                    "an alert waits for one thing to " + MOST_WAITS + " in order, not " + waits.size());
        }
        if (waits.size() > 1
                && waits.stream()
                        .anyMatch(wait -> wait.trigger() == Trigger.COMES_UP || wait.trigger() == Trigger.FOUND)) {
            throw new IllegalArgumentException("an alert on the calendar or on a scan waits for nothing else");
        }
        for (Wait wait : waits) {
            if (wait.trigger() == Trigger.ABOUT_TO_CLOSE && !bars.isTime()) {
                throw new IllegalArgumentException("when a bar of " + bars.words()
                        + " will close is not known; an alert before it needs bars of time");
            }
        }
    }

    /** Alerts are compared often, and mostly with themselves. */
    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof Alert that
                        && id.equals(that.id)
                        && setAt == that.setAt
                        && Double.compare(price, that.price) == 0
                        && instrument.equals(that.instrument)
                        && waits.equals(that.waits)
                        && bars.equals(that.bars)
                        && terms.equals(that.terms)
                        && note.equals(that.note)
                        && acts.equals(that.acts);
    }

    @Override
    public int hashCode() {
        return id.hashCode();
    }

    /** One wait, on the standard terms. */
    public static Alert of(
            String id, InstrumentId instrument, Wait wait, Timeframe timeframe, long setAt, double price) {
        return new Alert(
                id,
                instrument,
                List.of(wait),
                new BarRule.Time(timeframe),
                Terms.STANDARD,
                "",
                Acts.NONE,
                setAt,
                price);
    }

    /**
     * An alert on a drawing, of which no more is known than on which side price stood.
     *
     * @param above whether price stood above the drawing when it was set
     */
    public static Alert onDrawing(
            String id,
            InstrumentId instrument,
            String drawing,
            Trigger trigger,
            Timeframe timeframe,
            boolean above,
            long setAt) {
        double stood = above ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY;
        return of(id, instrument, new Wait(new Awaited.Drawn(drawing), trigger), timeframe, setAt, stood);
    }

    /** An alert on a condition. */
    public static Alert onCondition(
            String id, InstrumentId instrument, String condition, Timeframe timeframe, long setAt) {
        return of(
                id,
                instrument,
                new Wait(new Awaited.Condition(condition), Trigger.HOLDS),
                timeframe,
                setAt,
                Double.NaN);
    }

    /** An alert on a large trade. */
    public static Alert onTrade(
            String id, InstrumentId instrument, double size, long together, Timeframe timeframe, long setAt) {
        Wait wait = new Wait(new Awaited.Traded(size, together), Trigger.TRADED);
        return of(id, instrument, wait, timeframe, setAt, Double.NaN);
    }

    /** What it waits for first. */
    public Wait first() {
        return waits.get(0);
    }

    /** The id of the first drawing it waits on; empty when it waits on none. */
    public String drawing() {
        return waits.stream()
                .filter(wait -> wait.on() instanceof Awaited.Drawn)
                .map(wait -> ((Awaited.Drawn) wait.on()).id())
                .findFirst()
                .orElse("");
    }

    /** True when one of its waits is on a drawing. */
    public boolean isOn(String drawing) {
        return waits.stream()
                .anyMatch(
                        wait -> wait.on() instanceof Awaited.Drawn on && on.id().equals(drawing));
    }

    /** The condition it waits on when it waits on nothing else; empty otherwise. */
    public String condition() {
        return waits.size() == 1 && waits.get(0).on() instanceof Awaited.Condition condition ? condition.text() : "";
    }

    /** The bars it looks at, as a chart asks for them. */
    public BarRequest request() {
        return bars instanceof BarRule.Time time
                ? BarRequest.of(time.timeframe())
                : BarRequest.of(bars.basis().orElse(Timeframe.DAY)).withRule(bars);
    }

    /** True when formulas, usual ranges or bars that are not of time are read, for which there must be bars. */
    public boolean readsBars() {
        return !bars.isTime() || waits.stream().anyMatch(Wait::readsBars);
    }

    /** True when it waits for nothing that is traded: for the calendar, or for a scan. */
    public boolean isElsewhere() {
        return first().on() instanceof Awaited.Due || first().on() instanceof Awaited.Member;
    }

    /** Microseconds before it was set from which on it is handed what was traded: a large trade may have begun then. */
    public long lookBack() {
        return waits.stream()
                .mapToLong(wait -> wait.on() instanceof Awaited.Traded traded ? traded.together() : 0)
                .max()
                .orElse(0);
    }

    /** The same alert under another id. */
    public Alert withId(String other) {
        return new Alert(other, instrument, waits, bars, terms, note, acts, setAt, price);
    }

    /** The same alert on other terms. */
    public Alert with(Terms other) {
        return new Alert(id, instrument, waits, bars, other, note, acts, setAt, price);
    }

    /** The same alert, its first wait met one way. */
    public Alert going(int way) {
        List<Wait> changed = new ArrayList<>(waits);
        changed.set(0, first().going(way));
        return new Alert(id, instrument, changed, bars, terms, note, acts, setAt, price);
    }

    /** The same alert with other words. */
    public Alert withNote(String words) {
        return new Alert(id, instrument, waits, bars, terms, words, acts, setAt, price);
    }

    /** The same alert with something else happening. */
    public Alert with(Acts other) {
        return new Alert(id, instrument, waits, bars, terms, note, other, setAt, price);
    }

    /** The same alert in the prices of a chart, where it is kept in prices of the day it was set. */
    public Alert in(PriceBasis basis) {
        if (basis.isAsTraded()) {
            return this;
        }
        double nothing = basis.shown(0, setAt);
        List<Wait> moved = waits.stream()
                .map(wait -> {
                    Wait by = wait.margin().unit() == Margin.Unit.PRICE
                            ? wait.by(
                                    new Margin(basis.shown(wait.margin().amount(), setAt) - nothing, Margin.Unit.PRICE))
                            : wait;
                    return by.on() instanceof Awaited.Price at
                            ? by.on(new Awaited.Price(basis.shown(at.price(), setAt)))
                            : by;
                })
                .toList();
        double stands = Double.isInfinite(price) ? price : basis.shown(price, setAt);
        return new Alert(id, instrument, moved, bars, terms, note, acts, setAt, stands);
    }

    /** The same alert waiting again from a moment on, with price where it stands. */
    public Alert armed(long time, double stands) {
        return new Alert(id, instrument, waits, bars, terms, note, acts, time, stands);
    }
}
