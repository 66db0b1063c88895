package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OrderFlow;
import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.series.Times;
import java.util.List;

/** What legends and lists say of layers that read trades: what they rest on, and what is left out. */
final class FlowWords {
    private FlowWords() {}

    /** Of the bars in view; empty when nothing is to be said. */
    static String of(ChartModel chart, IndicatorLayer layer) {
        OrderFlow flow = chart.data().flow();
        Footprint footprint = flow.footprints().get(layer.id());
        if (footprint != null) {
            String missing = missing(chart, layer);
            String small = footprint.least() > 0
                    ? "smaller trades than " + FootprintRenderer.figure(footprint.least()) + " left out"
                    : "";
            return missing.isEmpty() ? small : small.isEmpty() ? missing : small + ", " + missing;
        }
        LargeMarks large = flow.large().get(layer.id());
        if (large != null) {
            int first = large.firstFrom(Math.max(0, chart.time().firstVisible()));
            int end = large.firstFrom(chart.time().endVisible(chart.bars().size()));
            String missing = missing(chart, layer);
            return missing.isEmpty() ? (end == first ? "none" : Integer.toString(end - first)) + " in view" : missing;
        }
        List<SpanProfile> spans = flow.profiles().getOrDefault(layer.id(), List.of());
        long seenFrom = chart.bars()
                .openTime(Math.max(
                        0, Math.min(chart.bars().size() - 1, chart.time().firstVisible())));
        long estimated = spans.stream()
                .filter(span -> span.to() > seenFrom && span.estimated())
                .count();
        return estimated == 0
                ? ""
                : "estimated from bars" + (estimated < spans.size() ? " where trades are not kept" : "");
    }

    /** The delta of a bar of a footprint; empty where its trades are not known. */
    static String delta(ChartModel chart, IndicatorLayer layer, int bar) {
        var lines = chart.data().of(layer);
        double delta = lines.isEmpty() ? Double.NaN : lines.get(1).column().at(bar);
        return Double.isNaN(delta)
                ? ""
                : "delta " + (delta < 0 ? "−" : delta > 0 ? "+" : "") + FootprintRenderer.figure(Math.abs(delta));
    }

    /** From when on trades are known, where those of some bars in view are not. */
    private static String missing(ChartModel chart, IndicatorLayer layer) {
        var lines = chart.data().of(layer);
        int first = Math.max(0, chart.time().firstVisible());
        int end = Math.min(
                chart.bars().size(), chart.time().endVisible(chart.bars().size()));
        if (lines.isEmpty() || first >= end) {
            return "";
        }
        // The column of bars' figures that is there whenever the trades are.
        int known = layer.indicator().outputs().size() > 4 ? 1 : 0;
        var column = lines.get(known).column();
        if (!Double.isNaN(column.at(first))) {
            return "";
        }
        for (int bar = first; bar < end; bar++) {
            if (!Double.isNaN(column.at(bar))) {
                return "trades known since " + Times.date(chart.bars().openTime(bar), chart.zone());
            }
        }
        return "no single trades known here";
    }
}
