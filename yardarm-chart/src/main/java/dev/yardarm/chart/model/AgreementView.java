package dev.yardarm.chart.model;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Sketch;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.profile.UntouchedLevel;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.AgreementMap;
import dev.yardarm.core.structure.AgreementMap.Mark;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.catalogue.AgreementTerm;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The map of agreement of a chart, when it has one: what its survey found, and the trader's drawings as they lie at the newest bar. Worked
 * out when it is asked for and kept while what was found, the number of bars, drawings and settings stay: a tick costs a comparison of lists. Used by one thread.
 */
public final class AgreementView {
    private static final int USUAL = 100;
    /** A zone that is zoomed to has so many times its width above and below. */
    private static final double AROUND = 6;

    private final ChartModel chart;
    private final Map<Found, List<Drawing>> lines = new IdentityHashMap<>();
    private List<Survey.Seen> seen = List.of();
    private long epoch;
    private int size;
    private List<Drawing> drawings;
    private IndicatorLayer layer;
    private List<Mark> profiles = List.of();
    private AgreementMap map;
    private List<AgreementMap.Zone> zones = List.of();

    AgreementView(ChartModel chart) {
        this.chart = chart;
    }

    /** The layer it is of; empty while there is none that is shown. */
    public Optional<IndicatorLayer> layer() {
        return chart.drawnIndicators().stream()
                .filter(each -> each.indicator() instanceof AgreementTerm
                        && each.style().showsOn(chart.timeframe()))
                .findFirst();
    }

    /** The map; empty without a layer, and while its survey is still to come. */
    public Optional<AgreementMap> map() {
        IndicatorLayer now = layer().orElse(null);
        Bars bars = chart.bars();
        List<Survey.Seen> there =
                now == null ? List.of() : chart.data().surveys().getOrDefault(now.id(), List.of());
        List<Mark> levels = now == null ? List.of() : ofProfiles();
        boolean same = now == layer
                && levels.equals(profiles)
                && drawings == chart.drawings()
                && epoch == bars.epoch()
                && size == bars.size()
                && isSame(there, seen);
        if (!same) {
            layer = now;
            profiles = levels;
            drawings = chart.drawings();
            epoch = bars.epoch();
            size = bars.size();
            seen = there;
            double range = there.isEmpty() ? Double.NaN : usualRange(bars);
            map = range > 0 ? AgreementMap.of(marks(), now.settings().number("near") * range) : null;
            zones = map == null ? List.of() : map.zones(now.settings().whole("least"));
        }
        return Optional.ofNullable(map);
    }

    /** True when no detector has found anything else since: its list is the same one then. */
    private static boolean isSame(List<Survey.Seen> some, List<Survey.Seen> others) {
        boolean same = some.size() == others.size();
        for (int at = 0; same && at < some.size(); at++) {
            same = some.get(at).found() == others.get(at).found();
        }
        return same;
    }

    /** Its zones, those of most sources first. */
    public List<AgreementMap.Zone> zones() {
        map();
        return zones;
    }

    /** The zone at a price, with so much around it; empty for none. */
    public Optional<AgreementMap.Zone> zoneAt(double price, double around) {
        return zones().stream()
                .filter(each -> price >= each.low() - around && price <= each.high() + around)
                .findFirst();
    }

    /** Shows the prices around a zone, large enough to tell its marks apart. */
    public void zoomTo(AgreementMap.Zone zone) {
        double middle = (zone.low() + zone.high()) / 2;
        double reach = map().map(AgreementMap::reach).orElse(0.0);
        double half = AROUND * Math.max(reach, zone.high() - zone.low());
        if (half > 0) {
            chart.setPriceRange(middle - half, middle + half);
        }
    }

    /** The mean true range of the last closed bars. */
    private static double usualRange(Bars bars) {
        double sum = 0;
        int count = 0;
        for (int bar = Math.max(1, bars.closed() - USUAL); bar < bars.closed(); bar++) {
            double before = bars.close(bar - 1);
            double range = Math.max(bars.high(bar), before) - Math.min(bars.low(bar), before);
            if (range < Double.POSITIVE_INFINITY) {
                sum += range;
                count++;
            }
        }
        return sum / count;
    }

    /** The levels of the newest span of each profile that is shown, and those that nothing has reached. */
    private List<Mark> ofProfiles() {
        List<Mark> marks = new ArrayList<>();
        for (IndicatorLayer each : chart.drawnIndicators()) {
            List<SpanProfile> spans = chart.data().flow().profiles().getOrDefault(each.id(), List.of());
            SpanProfile newest = spans.isEmpty() ? null : spans.get(spans.size() - 1);
            if (newest == null || newest.rows().isEmpty()) {
                continue;
            }
            String span = " " + each.settings().word("span");
            marks.add(ofProfile(each, "poc" + span, newest, newest.area().control()));
            marks.add(ofProfile(each, "value high" + span, newest, newest.area().high()));
            marks.add(ofProfile(each, "value low" + span, newest, newest.area().low()));
            for (UntouchedLevel level : chart.data().flow().untouched().getOrDefault(each.id(), List.of())) {
                if (level.kind() == UntouchedLevel.Kind.CONTROL) {
                    String words = "untouched poc " + Times.date(level.since() - 1, chart.zone());
                    marks.add(new Mark(each.id() + " " + words, words, level.price()));
                }
            }
        }
        return marks;
    }

    private static Mark ofProfile(IndicatorLayer layer, String words, SpanProfile profile, long row) {
        return new Mark(layer.id() + " " + words, words, profile.rows().price(row));
    }

    private List<Mark> marks() {
        List<Mark> marks = new ArrayList<>(profiles);
        long now = chart.bars().openTime(chart.bars().size() - 1);
        lines.keySet()
                .retainAll(seen.stream()
                        .flatMap(each -> each.found().stream())
                        .collect(Collectors.toCollection(() -> Collections.newSetFromMap(new IdentityHashMap<>()))));
        for (Survey.Seen each : seen) {
            for (Found found : each.found()) {
                if (!found.state().isEnd()) {
                    found(each, found, now, marks);
                }
            }
        }
        for (Drawing drawing : drawings) {
            if (chart.shows(drawing)) {
                drawn(drawing, now, marks);
            }
        }
        return marks;
    }

    /**
     * A target counts by its method; all levels, lines and gaps of a timeframe are one source each. An extreme of all time is the same on
     * every timeframe, and so is the range of a period that two of them look at.
     */
    private void found(Survey.Seen by, Found found, long now, List<Mark> marks) {
        Finding finding = found.finding();
        String timeframe = " " + by.timeframe();
        if (finding.kind().equals("period_range")) {
            String words = "range of the " + period(by.timeframe());
            marks.add(new Mark(words, words, finding.target()));
            return;
        }
        if (Double.isFinite(finding.target())) {
            String words = found.words() + timeframe;
            marks.add(new Mark(words, words, finding.target()));
            return;
        }
        if (found.isProvisional()) {
            return;
        }
        if (finding.lines().containsKey("price")) {
            marks.add(new Mark(found.words(), found.words(), finding.lines().get("price")));
            return;
        }
        String source = by.detector().title().toLowerCase(Locale.ROOT) + timeframe;
        String words = found.words() + timeframe;
        if (by.detector().name().equals("trend-lines")) {
            lines.computeIfAbsent(found, missing -> FoundDrawings.kept(missing, by.timeframe())).stream()
                    .mapToDouble(line -> chart.places().valueOf(line, now))
                    .filter(Double::isFinite)
                    .forEach(price -> marks.add(new Mark(source, words, price)));
        } else {
            finding.lines().values().forEach(price -> marks.add(new Mark(source, words, price)));
        }
    }

    /** What the range of the period is of, on bars of a timeframe. */
    private static String period(Timeframe timeframe) {
        return timeframe.isHigherThan(Timeframe.DAY) ? "year" : timeframe.equals(Timeframe.DAY) ? "month" : "session";
    }

    /** The levels of a drawing of ratios, the price of another one at the newest bar. */
    private void drawn(Drawing drawing, long now, List<Mark> marks) {
        String title = drawing.title().toLowerCase(Locale.ROOT);
        if (drawing.figure().family() == Figure.Family.RATIOS) {
            Outline outline = chart.places().outline(drawing);
            double u = outline.plane().u(now);
            for (Sketch.Course course : outline.sketch().courses()) {
                if (course.from().v() == course.to().v() && course.reaches(u)) {
                    marks.add(new Mark(
                            drawing.id(),
                            title,
                            outline.plane().price(course.from().v())));
                }
            }
        } else {
            double price = chart.places().valueOf(drawing, now);
            if (Double.isFinite(price)) {
                marks.add(new Mark(drawing.id(), title, price));
            }
        }
    }
}
