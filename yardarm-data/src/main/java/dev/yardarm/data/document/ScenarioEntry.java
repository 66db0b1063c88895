package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scenario.Scenario;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.series.Times;
import java.util.List;

/**
 * A step of the scenarios of an instrument as it is written in a file.
 *
 * @param made what was added; null for every other kind
 * @param percent null when the kind has none
 * @param price null when the trader did it, or the kind has none
 * @param backAt null while it stands
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ScenarioEntry(
        String id,
        InstrumentId instrument,
        long at,
        ScenarioStep.Kind kind,
        String scenario,
        Made made,
        Double percent,
        Double price,
        Long backAt) {
    /** A scenario as it was added. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Made(String title, String tracing, String parent, double invalidation, List<Aim> targets) {}

    /** A target; {@code at} is null when it is open. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Aim(double price, Long at) {}

    public static ScenarioEntry of(ScenarioStep step) {
        boolean shared = step.kind() == ScenarioStep.Kind.ADDED || step.kind() == ScenarioStep.Kind.SHARE;
        return new ScenarioEntry(
                step.id(),
                step.instrument(),
                step.at(),
                step.kind(),
                step.scenario(),
                step.made() == null ? null : made(step.made()),
                shared ? step.percent() : null,
                Double.isNaN(step.price()) ? null : step.price(),
                step.backAt() == 0 ? null : step.backAt());
    }

    private static Made made(Scenario of) {
        return new Made(
                of.title(),
                of.tracing().isEmpty() ? null : of.tracing(),
                of.parent().isEmpty() ? null : of.parent(),
                of.invalidation(),
                of.targets().stream()
                        .map(each -> new Aim(each.price(), each.at() == 0 ? null : each.at()))
                        .toList());
    }

    /** @throws RuntimeException when something is missing */
    public ScenarioStep step() {
        Times.checked("its 'at'", at);
        Scenario added = made == null
                ? null
                : new Scenario(
                        scenario,
                        instrument,
                        made.title(),
                        made.tracing() == null ? "" : made.tracing(),
                        made.parent() == null ? "" : made.parent(),
                        made.invalidation(),
                        made.targets().stream()
                                .map(each -> new Scenario.Target(
                                        each.price(),
                                        each.at() == null ? 0 : Times.checked("a target's 'at'", each.at())))
                                .toList(),
                        at);
        return new ScenarioStep(
                id,
                instrument,
                at,
                kind,
                scenario,
                added,
                percent == null ? 0 : percent,
                price == null ? Double.NaN : price,
                backAt == null ? 0 : Times.checked("its 'backAt'", backAt));
    }
}
