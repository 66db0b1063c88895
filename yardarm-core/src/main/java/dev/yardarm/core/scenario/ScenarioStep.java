package dev.yardarm.core.scenario;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.Objects;

/**
 * One thing that happened to the scenarios of an instrument. They are kept as the steps that made them, so that each can be taken back without
 * those that came after it: {@link Scenarios#of} gives what the steps that stand amount to.
 *
 * @param id unique
 * @param at when, microseconds UTC
 * @param scenario id of the scenario it is about
 * @param made what was added; null for every other kind
 * @param percent the share given, with {@link Kind#ADDED} and {@link Kind#SHARE}
 * @param price that struck it out; NaN when the trader did, and for every other kind
 * @param backAt when a strike was taken back, microseconds UTC; 0 while it stands
 */
public record ScenarioStep(
        String id,
        InstrumentId instrument,
        long at,
        Kind kind,
        String scenario,
        Scenario made,
        double percent,
        double price,
        long backAt) {
    /** What happened. */
    public enum Kind {
        ADDED,
        REMOVED,
        SHARE,
        STRUCK
    }

    public ScenarioStep {
        Objects.requireNonNull(id);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(kind);
        Objects.requireNonNull(scenario);
        if (scenario.isBlank()) {
            throw new IllegalArgumentException("it is about no scenario");
        }
        if ((kind == Kind.ADDED) != (made != null)) {
            throw new IllegalArgumentException("a scenario is given when it is added, and only then");
        }
        if (made != null && !(made.id().equals(scenario) && made.instrument().equals(instrument))) {
            throw new IllegalArgumentException("what is added is another scenario than the step is about");
        }
        if (!(percent >= 0 && percent <= 100)) {
            throw new IllegalArgumentException("a probability is from 0 to 100 per cent, not " + percent);
        }
    }

    /** One was added, with the share that it is given. */
    public static ScenarioStep added(String id, Scenario made, double percent) {
        return new ScenarioStep(
                id, made.instrument(), made.madeAt(), Kind.ADDED, made.id(), made, percent, Double.NaN, 0);
    }

    /** One was removed with all within it. */
    public static ScenarioStep removed(String id, Scenario of, long at) {
        return new ScenarioStep(id, of.instrument(), at, Kind.REMOVED, of.id(), null, 0, Double.NaN, 0);
    }

    /** One was given another share. */
    public static ScenarioStep share(String id, Scenario of, double percent, long at) {
        return new ScenarioStep(id, of.instrument(), at, Kind.SHARE, of.id(), null, percent, Double.NaN, 0);
    }

    /** One was struck out; NaN for the price when the trader did it. */
    public static ScenarioStep struck(String id, Scenario of, double price, long at) {
        return new ScenarioStep(id, of.instrument(), at, Kind.STRUCK, of.id(), null, 0, price, 0);
    }

    /** The same strike taken back at a moment; 0 when it stands again. */
    public ScenarioStep back(long moment) {
        return new ScenarioStep(id, instrument, at, kind, scenario, made, percent, price, moment);
    }

    /** The same under another id. */
    public ScenarioStep withId(String other) {
        return new ScenarioStep(other, instrument, at, kind, scenario, made, percent, price, backAt);
    }
}
