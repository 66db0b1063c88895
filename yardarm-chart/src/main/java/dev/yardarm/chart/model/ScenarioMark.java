package dev.yardarm.chart.model;

import dev.yardarm.core.scenario.Scenario;
import java.util.Objects;

/**
 * A scenario as a chart shows it.
 *
 * @param scenario in the prices of the chart
 * @param share among all, in per cent
 * @param struck true when it was struck out
 * @param smaller true when there are others within it, whose paths stand for it
 */
public record ScenarioMark(Scenario scenario, double share, boolean struck, boolean smaller) {
    public ScenarioMark {
        Objects.requireNonNull(scenario);
    }
}
