package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.structure.Finding;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;

/** What is told of a finding: how it stands, its points with their dates, its lines, and what became of it when. */
public final class FoundText {
    private static final int SHORT = 3;

    private FoundText() {}

    /**
     * A line of it.
     *
     * @param word what it is
     * @param text what is said of it
     */
    public record Line(String word, String text) {}

    /** In a few words: {@code support, retested since 4 Mar 2026}. */
    public static String title(ChartModel chart, Found found) {
        String label = found.figured().label();
        // A label of letters stands for a longer word.
        return (label.length() > SHORT ? label : found.words()) + ", " + state(found.state()) + " since "
                + Readout.time(chart, found.since());
    }

    /** A state as people say it. */
    public static String state(Finding.State state) {
        return state.name().toLowerCase(Locale.ROOT);
    }

    /** All of it, in the order it is read. */
    public static List<Line> lines(ChartModel chart, Found found) {
        PriceFormat format =
                chart.instrument().map(instrument -> instrument.format()).orElseGet(() -> PriceFormat.ofDecimals(2));
        Finding finding = found.finding();
        double last = chart.data().last();
        List<Line> lines = new ArrayList<>();
        new TreeMap<>(finding.lines())
                .forEach((name, price) -> lines.add(new Line(spoken(name), format.format(price))));
        if (Double.isFinite(finding.target())) {
            lines.add(new Line("target", distance(format, finding.target(), last)));
        }
        if (Double.isFinite(finding.invalidation())) {
            lines.add(new Line("void beyond", distance(format, finding.invalidation(), last)));
        }
        List<Finding.Point> points = finding.points();
        // Where it is drawn through its points these are ends of moves, elsewhere they are touches.
        boolean legs = found.figured().anchors().size() >= points.size();
        for (int at = 0; at < points.size(); at++) {
            Finding.Point point = points.get(at);
            lines.add(new Line(
                    spoken(point.role()),
                    Readout.time(chart, point.time()) + "  " + format.format(point.price())
                            + (legs ? ratio(points, at) : "")));
        }
        for (Found.Step step : found.steps()) {
            lines.add(new Line(state(step.state()), Readout.time(chart, step.at())));
        }
        lines.add(new Line("score", String.format(Locale.ROOT, "%.2f", finding.score())));
        return lines;
    }

    private static String distance(PriceFormat format, double price, double last) {
        return format.format(price) + (last > 0 ? "  " + Readout.percent(price / last - 1) : "");
    }

    /** How long a leg is against the one before it, from the third point on. */
    private static String ratio(List<Finding.Point> points, int at) {
        if (at < 2) {
            return "";
        }
        double leg = points.get(at).price() - points.get(at - 1).price();
        double before = points.get(at - 1).price() - points.get(at - 2).price();
        return before == 0 || leg * before > 0
                ? ""
                : String.format(Locale.ROOT, "  %.3f of the leg before", Math.abs(leg / before));
    }

    private static String spoken(String word) {
        return word.replace('_', ' ');
    }
}
