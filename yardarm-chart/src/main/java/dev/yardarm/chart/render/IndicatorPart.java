package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;

/** What lists and legends say of one kind of indicator beside its name and the values of its lines. */
interface IndicatorPart {
    /** What a list of layers says of one now; empty for nothing. */
    default String value(ChartModel chart, IndicatorLayer layer) {
        return Readout.value(chart, layer, chart.bars().size() - 1);
    }

    /** What a legend says of what is in view; empty for nothing. */
    default String note(ChartModel chart, IndicatorLayer layer) {
        return "";
    }

    /** True when a legend says something of each bar beside the values of lines. */
    default boolean saysOfBars(ChartModel chart, IndicatorLayer layer) {
        return false;
    }

    /** What it says of a bar; empty where it is not known. */
    default String at(ChartModel chart, IndicatorLayer layer, int bar) {
        return "";
    }
}
