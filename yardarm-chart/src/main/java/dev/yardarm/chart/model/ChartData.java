package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;
import java.util.Map;

/**
 * All computed values of a chart at one moment, as they come from the thread that computes them. Does not change, except
 * that the pyramids keep their last answer, so one thread draws it.
 *
 * @param last the last price, which need not be a bar's close
 * @param indicators by layer id: the outputs of each indicator with their extremes
 * @param found by layer id: what each detector has found
 * @param surveys by layer id: what a map of agreement takes in
 * @param flow profiles, footprints and large trades
 * @param tints by the names {@link #tintName} gives: where the rule for another colour holds
 */
public record ChartData(
        Bars bars,
        ExtremePyramid.View ranges,
        ExtremePyramid.View closes,
        ExtremePyramid.View volumes,
        double last,
        Map<String, List<Line>> indicators,
        Map<String, Column> tints,
        Map<String, List<Found>> found,
        Map<String, List<Survey.Seen>> surveys,
        OrderFlow flow) {
    public static final ChartData EMPTY = of(Bars.EMPTY);

    /** One output column. */
    public record Line(Column column, ExtremePyramid.View extremes) {}

    /**
     * The outputs of an indicator on the chart; none while they are still to be computed, as right after another indicator
     * was put in its place.
     */
    public List<Line> of(IndicatorLayer layer) {
        List<Line> lines = indicators.getOrDefault(layer.id(), List.of());
        return lines.size() == layer.indicator().outputs().size() ? lines : List.of();
    }

    /** What a detector layer has found, in the order it was found; nothing of an indicator, and while it is still to be computed. */
    public List<Found> found(IndicatorLayer layer) {
        return found.getOrDefault(layer.id(), List.of());
    }

    /** Where the rule for another colour of an output holds: 1 there; null without a rule. */
    public Column tint(IndicatorLayer layer, int output) {
        return layer.outputStyle(output).tint() == null ? null : tints.get(tintName(layer, output));
    }

    static String tintName(IndicatorLayer layer, int output) {
        return layer.id() + "." + layer.indicator().outputs().get(output).name() + " when "
                + layer.outputStyle(output).tint().condition();
    }

    /** The same with another last price. */
    public ChartData withLast(double price) {
        return new ChartData(bars, ranges, closes, volumes, price, indicators, tints, found, surveys, flow);
    }

    /** The data of bars alone. */
    public static ChartData of(Bars bars) {
        ChartDataBuilder builder = new ChartDataBuilder(List.of());
        return builder.update(bars);
    }
}
