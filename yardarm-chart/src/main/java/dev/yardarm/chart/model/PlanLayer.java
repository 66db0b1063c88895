package dev.yardarm.chart.model;

import dev.yardarm.core.plan.TradePlan;

/** The plan of the instrument that stands, as a bracket. */
public record PlanLayer(TradePlan plan) implements Layer {
    public static final String ID = "plan";

    @Override
    public String id() {
        return ID;
    }
}
