package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.FoundDrawings;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.Reading;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.structure.AgreementMap;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.desk.call.CallWork;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The detectors of one chart, which are layers like its indicators: put on with one key, looked at on higher timeframes, and what they
 * found kept as drawings. Used by the interface's thread alone.
 */
public final class ChartDetectors {
    private final ChartRoom room;
    private final ChartModel chart;
    /** The zone that is zoomed to next, counted from price. */
    private int zone;

    ChartDetectors(ChartRoom room) {
        this.room = room;
        chart = room.chart();
    }

    private List<IndicatorLayer> layers() {
        return chart.indicators().stream()
                .filter(each -> each.indicator() instanceof DetectorTerm)
                .toList();
    }

    /**
     * Zooms to the next zone on which several agree, from the one nearest to price on, and says who agrees; after the last one
     * the nearest comes again, as it does when the prices in view were fitted since.
     */
    public void nextZone() {
        List<AgreementMap.Zone> zones = chart.agreement().zones().stream()
                .sorted(Comparator.comparingDouble(each ->
                        Math.abs((each.low() + each.high()) / 2 - chart.data().last())))
                .toList();
        if (zones.isEmpty()) {
            room.desk()
                    .tell(
                            chart.agreement().layer().isEmpty()
                                    ? "Put the agreement map on the chart first: Space E A."
                                    : "There is no price on which so many agree.");
            return;
        }
        if (zone >= zones.size() || chart.scale().fit() != ScaleChoice.Fit.MANUAL) {
            zone = 0;
        }
        AgreementMap.Zone next = zones.get(zone);
        chart.agreement().zoomTo(next);
        room.tell(Aspect.VIEW);
        room.desk().tell(next.words());
        zone++;
    }

    /** Puts a detector on the chart; takes it away when it is there as it would come up. */
    public void toggle(Indicator detector) {
        Optional<IndicatorLayer> there = chart.indicators().stream()
                .filter(each -> each.indicator().name().equals(detector.name()) && each.higher() == null)
                .findFirst();
        if (there.isPresent()) {
            room.indicators().remove(there.get().id());
        } else {
            room.indicators().add(detector);
        }
    }

    /** Looks for the same as the chosen detector, or as all there are, on the next higher timeframes too. */
    public void inherit() {
        String only = layers().stream()
                .filter(each -> each.selection().equals(chart.selection()))
                .map(each -> each.indicator().name())
                .findFirst()
                .orElse("");
        List<IndicatorLayer> own = layers().stream()
                .filter(each -> each.higher() == null
                        && (only.isEmpty() || each.indicator().name().equals(only)))
                .toList();
        List<Timeframe> higher = higher();
        if (own.isEmpty() || higher.isEmpty()) {
            room.desk()
                    .tell(
                            own.isEmpty()
                                    ? "Put a detector on the chart first: Space E."
                                    : "There is no higher timeframe to look on.");
            return;
        }
        int added = 0;
        for (IndicatorLayer each : own) {
            for (Timeframe timeframe : higher) {
                boolean there = layers().stream()
                        .anyMatch(layer ->
                                layer.indicator().name().equals(each.indicator().name())
                                        && layer.higher() != null
                                        && layer.higher().timeframe().equals(timeframe));
                if (!there) {
                    room.indicators()
                            .add(each.indicator(), each.settings(), new IndicatorLayer.Higher(timeframe, false));
                    added++;
                }
            }
        }
        room.desk()
                .tell(
                        added == 0
                                ? "They are looked for on higher timeframes already."
                                : "Looked for on "
                                        + String.join(
                                                " and ",
                                                higher.stream()
                                                        .map(Timeframe::toString)
                                                        .toList()) + " too.");
    }

    /** The next two timeframes above the chart's among the strip's: weeks and months for days. */
    private List<Timeframe> higher() {
        return List.of(Timeframe.HOUR, Timeframe.DAY, Timeframe.WEEK, Timeframe.MONTH).stream()
                .filter(each -> each.isHigherThan(chart.timeframe()))
                .limit(2)
                .toList();
    }

    /** The finding that is chosen. */
    public Optional<Found> chosen() {
        return chart.selection() instanceof Selection.Finding of ? chart.found().find(of.id()) : Optional.empty();
    }

    /** Makes a drawing of the chosen finding, on the current tracing, with this moment; says what is missing. */
    public void keepChosen() {
        Found found = chosen().orElse(null);
        if (found == null) {
            room.desk().tell("Click something that was found first; then it can be kept as a drawing.");
            return;
        }
        IndicatorLayer layer = chart.indicator(found.layer()).orElseThrow();
        Timeframe origin =
                layer.higher() == null ? chart.timeframe() : layer.higher().timeframe();
        room.drawings().keep(FoundDrawings.kept(found, origin), found.words());
    }

    /**
     * Makes a plan of the chosen finding: in at the last price, out at what it aims at, stopped where it is void. Says what is missing, and
     * when price has left one of them behind.
     */
    public void planChosen() {
        between("plan").ifPresent(finding -> room.studies()
                .makePlan(chart.data().last(), finding.invalidation(), finding.target()));
    }

    /** The chosen finding when price stands between its target and what voids it; else it is told what is missing. */
    private Optional<Finding> between(String verb) {
        Found found = chosen().orElse(null);
        if (found == null) {
            room.desk().tell("Click something that was found first, with a target and a price that voids it.");
            return Optional.empty();
        }
        double last = chart.data().last();
        double target = found.finding().target();
        double wrong = found.finding().invalidation();
        boolean has = Double.isFinite(target) && Double.isFinite(wrong);
        if (!has || (target - last) * (last - wrong) <= 0) {
            room.desk()
                    .tell(
                            has
                                    ? "Price is not between the target of this " + found.words()
                                            + " and what voids it any more; there is nothing to " + verb + "."
                                    : "This " + found.words() + " has no target and price that voids it to " + verb
                                            + " by.");
            return Optional.empty();
        }
        return Optional.of(found.finding());
    }

    /**
     * Makes a call of the chosen finding: where it leads, what voids it, and as trigger its line that price has to cross first, else where price stands.
     * It is judged among those of its kind.
     */
    public void callChosen() {
        between("call").ifPresent(this::call);
    }

    private void call(Finding finding) {
        double last = chart.data().last();
        double target = finding.target();
        int way = target > finding.invalidation() ? 1 : -1;
        double trigger = finding.lines().values().stream()
                .filter(line -> way * (line - last) > 0 && way * (target - line) > 0)
                .min(Comparator.comparingDouble(line -> Math.abs(line - last)))
                .orElse(last);
        Instrument instrument = chart.instrument().orElseThrow();
        PriceFormat format = instrument.format();
        Call call = new Call(
                CallWork.newId(),
                instrument.id(),
                new Reading(
                        format.round(trigger),
                        format.round(target),
                        format.round(finding.invalidation()),
                        false,
                        false),
                null,
                chart.request().byRule().orElseGet(() -> new BarRule.Time(chart.timeframe())),
                Long.MAX_VALUE,
                "",
                finding.kind().replace('_', ' '),
                room.desk().feedServices().now().getAsLong());
        room.desk().callWork().make(instrument, call);
    }

    /** Chooses the finding so many places on among those in view, in the order they were found. */
    public void step(int places) {
        List<Found> all = layers().stream()
                .filter(each -> each.style().showsOn(chart.timeframe()))
                .flatMap(each -> chart.data().found(each).stream())
                .filter(each ->
                        chart.axis().bar(each.finding().to()) >= chart.time().firstVisible())
                .toList();
        if (all.isEmpty()) {
            room.desk().tell("Nothing was found in view. Put a detector on the chart with Space E.");
            return;
        }
        int at = chosen().map(each -> ids(all).indexOf(each.id())).orElse(-1);
        int next = at < 0 ? (places > 0 ? 0 : all.size() - 1) : Math.floorMod(at + places, all.size());
        room.studies().select(new Selection.Finding(all.get(next).id()));
    }

    private static List<String> ids(List<Found> all) {
        return all.stream().map(Found::id).toList();
    }
}
