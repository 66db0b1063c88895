package dev.yardarm.chart.model;

import dev.yardarm.core.plan.TradePlan;

/**
 * Where the bracket of a plan lies: a narrow spine with an arm each for entry, stop and target, and a tick for each R.
 *
 * @param spineX x of the spine
 * @param armEnd x where the arms end
 */
public record BracketLayout(double spineX, double armEnd, double entryY, double stopY, double targetY) {
    /** The arms that can be taken hold of. */
    public enum Arm {
        ENTRY,
        STOP,
        TARGET
    }

    private static final double ARM = 30;
    private static final double LABEL = 112;

    public static BracketLayout of(ChartModel chart, TradePlan plan) {
        double wanted = chart.time().middle(chart.axis().bar(plan.madeAt())) + 12;
        double most = Math.max(24, chart.plotRight() - ARM - LABEL);
        double spine = Math.max(24, Math.min(most, wanted));
        return new BracketLayout(
                spine,
                spine + ARM,
                chart.price().y(plan.entry()),
                chart.price().y(plan.stop()),
                chart.price().y(plan.target()));
    }

    public double y(Arm arm) {
        return switch (arm) {
            case ENTRY -> entryY;
            case STOP -> stopY;
            case TARGET -> targetY;
        };
    }
}
