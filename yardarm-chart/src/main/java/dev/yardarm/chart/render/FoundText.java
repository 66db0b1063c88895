package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.structure.AgreementMap;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.Rivals;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;

/** What is told of a finding: how it stands, its points with their dates, its lines, and what became of it when. */
public final class FoundText {
    private static final int SHORT = 3;
    private static final int MOST_MARKS = 12;

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
        PriceFormat format = chart.instrument().map(Instrument::format).orElseGet(() -> PriceFormat.ofDecimals(2));
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
        if (finding.kind().startsWith("all_time_") || finding.kind().startsWith("year_")) {
            lines.add(new Line("prices", basis(chart)));
        }
        return lines;
    }

    /** Which prices an extreme is of: as traded, or adjusted, and how contracts are joined. */
    private static String basis(ChartModel chart) {
        BarRequest request = chart.request();
        Instrument.Kind kind = chart.instrument().map(Instrument::kind).orElse(Instrument.Kind.SHARE);
        if (kind == Instrument.Kind.CONTINUOUS) {
            return "contracts joined " + request.joint().words();
        }
        if (kind != Instrument.Kind.SHARE) {
            return "as they were";
        }
        return request.dividends()
                ? "adjusted for splits and dividends"
                : request.splits() ? "adjusted for splits" : "as traded, not adjusted for splits";
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

    /** The rival readings of a finding, it among them, the best first, and what decides between them; empty where there are none. */
    public static List<Line> rivals(ChartModel chart, Found found) {
        List<Found> all = found.reading().isEmpty()
                ? List.of()
                : chart.indicator(found.layer()).map(chart.found()::rivals).orElse(List.of());
        if (all.size() < 2) {
            return List.of();
        }
        PriceFormat format = chart.instrument().map(Instrument::format).orElseGet(() -> PriceFormat.ofDecimals(2));
        Rivals rivals = new Rivals(all.stream()
                .map(each -> new Rivals.Reading(
                        each.reading(),
                        each.finding().score(),
                        each.finding().lines().get("target_from"),
                        each.finding().lines().get("target_to"),
                        each.finding().invalidation()))
                .toList());
        List<Line> lines = new ArrayList<>();
        for (Rivals.Reading each : rivals.readings()) {
            lines.add(new Line(
                    each.words(),
                    format.format(each.from()) + " to " + format.format(each.to())
                            + String.format(Locale.ROOT, ", score %.2f", each.score())));
        }
        for (Rivals.Decision each : rivals.decisions(chart.data().last())) {
            String stand = each.stand().isEmpty() ? "" : "; goes on: " + String.join(", ", each.stand());
            lines.add(new Line(
                    (each.above() ? "above " : "below ") + format.format(each.price()),
                    "ends " + String.join(", ", each.ends()) + stand));
        }
        return lines;
    }

    /** What lies at a place of the strip of agreement: how many agree, each with its price, the highest first. */
    public static String agreement(ChartModel chart, Hit.OnAgreement on) {
        PriceFormat format = chart.instrument().map(Instrument::format).orElseGet(() -> PriceFormat.ofDecimals(2));
        List<String> lines = new ArrayList<>();
        if (on.zone() != null) {
            lines.add(on.zone().sources().size() + " agree; click to zoom");
        }
        List<AgreementMap.Mark> marks = on.marks();
        for (int at = marks.size() - 1; at >= Math.max(0, marks.size() - MOST_MARKS); at--) {
            lines.add(
                    format.format(marks.get(at).price()) + "  " + marks.get(at).words());
        }
        if (marks.size() > MOST_MARKS) {
            lines.add("and " + (marks.size() - MOST_MARKS) + " more");
        }
        return String.join("\n", lines);
    }
}
