package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.FoundText;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.call.CallRows;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.RivalLayout;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Detectors as layers: put on and off, inherited from higher timeframes, what they found kept, and all of it there again. */
class ChartDetectorsTest extends OnAChart {
    private Indicator detector(String word) {
        return desk.language().catalogue().find(word).orElseThrow();
    }

    private ChartModel chart() {
        return room.chart();
    }

    private List<Found> found(int layer) {
        return front.get(() -> chart().data().found(layer(layer)));
    }

    private String last() {
        return notices.isEmpty() ? "" : notices.get(notices.size() - 1);
    }

    @Test
    void aDetectorIsALayerThatCanBeTakenBackAndIsThereAgain() throws Exception {
        front.run(() -> room.detectors().toggle(detector("pivots")));
        front.await("swings", () -> !chart().data().found(layer(0)).isEmpty());
        assertThat(front.get(() -> chart().titleOf(layer(0)))).isEqualTo("swings");
        List<Found> swings = found(0);
        assertThat(swings.get(swings.size() - 1).isProvisional()).isTrue();
        assertThat(swings.subList(0, swings.size() - 2)).noneMatch(Found::isProvisional);
        assertThat(front.get(() -> chart().found().all())).hasSameSizeAs(swings).allMatch(each -> each.place()
                .locked());
        assertThat(front.get(() -> chart().found().find(swings.get(3).id()))).contains(swings.get(3));
        assertThat(front.get(() -> chart().drawings())).isEmpty();

        front.run(() -> room.detectors().toggle(detector("pivots")));
        assertThat(front.get(() -> chart().indicators())).isEmpty();
        front.run(() -> room.undo());
        front.run(() -> room.undo());
        assertThat(front.get(() -> chart().indicators())).isEmpty();
        front.run(() -> room.redo());
        front.await("swings again", () -> !chart().data().found(layer(0)).isEmpty());

        Documents.Chart saved = front.get(() -> WorkspaceKeeper.capture(room));
        front.run(() -> {
            room.indicators().remove(layer(0).id());
            WorkspaceKeeper.restore(saved, room);
        });
        front.await(
                "all of it again",
                () -> !chart().indicators().isEmpty()
                        && chart().data().found(layer(0)).size() == swings.size());
        assertThat(front.get(() -> WorkspaceKeeper.capture(room)).indicators()).isEqualTo(saved.indicators());
    }

    @Test
    void whatWasSavedAsPivotsBeforeThereWereSwingsIsTheFloorPivots() throws Exception {
        front.run(() -> room.indicators().add(indicator("floor_pivots")));
        Documents.Chart now = front.get(() -> WorkspaceKeeper.capture(room));
        Documents.IndicatorLayer saved = now.indicators().values().get(0);
        Documents.IndicatorLayer before = new Documents.IndicatorLayer(
                saved.id(),
                "pivots",
                saved.settings(),
                saved.colour(),
                saved.width(),
                saved.opacity(),
                saved.visible(),
                saved.pane(),
                saved.outputs(),
                saved.levels(),
                saved.timeframes(),
                saved.higher(),
                saved.higherForming(),
                saved.scale(),
                saved.drawing());
        front.run(() -> {
            room.indicators().remove(layer(0).id());
            WorkspaceKeeper.restore(
                    new Documents.Chart(
                            now.instrument(),
                            now.timeframe(),
                            now.bars(),
                            true,
                            7,
                            0,
                            0,
                            0,
                            Entries.of(List.of(before)),
                            null,
                            null,
                            List.of(),
                            "",
                            true,
                            null,
                            "",
                            0,
                            now.id()),
                    room);
        });
        assertThat(layer(0).indicator().name()).isEqualTo("floor_pivots");
        assertThat(front.get(() -> chart().unknownLayers())).isEmpty();
    }

    @Test
    void theSameIsLookedForOnHigherTimeframesAndInheritedWithTheirLetter() {
        front.run(() -> room.detectors().inherit());
        front.await("what is missing", () -> last().contains("Put a detector on the chart first"));
        front.run(() -> {
            room.detectors().toggle(detector("levels"));
            room.detectors().inherit();
        });
        assertThat(front.get(() ->
                        chart().indicators().stream().map(chart()::titleOf).toList()))
                .containsExactly("levels", "levels on W", "levels on M");
        front.await("weekly levels", () -> !chart().data().found(layer(1)).isEmpty());
        List<Drawing> weekly = front.get(() -> chart().found().all().stream()
                .filter(each -> each.origin().equals(Timeframe.WEEK))
                .toList());
        assertThat(weekly).hasSameSizeAs(found(1)).isNotEmpty();
        assertThat(front.get(() -> weekly.stream().allMatch(chart()::shows))).isTrue();
        // The weekly levels are those of a weekly chart, as known when its last complete bar had closed.
        List<Finding> inherited = found(1).stream().map(Found::finding).toList();
        front.run(() -> {
            chart().indicators().forEach(each -> room.indicators().remove(each.id()));
            room.setTimeframe(Timeframe.WEEK);
            room.detectors().toggle(detector("levels"));
        });
        front.await(
                "levels of weeks",
                () -> chart().timeframe().equals(Timeframe.WEEK)
                        && !chart().indicators().isEmpty()
                        && !chart().data().found(layer(0)).isEmpty());
        assertThat(found(0).stream()
                        .filter(each -> !each.isProvisional())
                        .map(each -> each.finding().lines())
                        .toList())
                .containsAll(inherited.stream().map(Finding::lines).limit(3).toList());
        front.run(() -> room.detectors().inherit());
        front.await("what was done", () -> last().equals("Looked for on M too."));
        front.run(() -> room.detectors().inherit());
        front.await("that it is done", () -> last().contains("already"));
    }

    @Test
    void aFindingIsChosenToldAndKeptAsADrawingWithItsMoment() {
        front.run(() -> room.detectors().keepChosen());
        front.await("what is missing", () -> last().contains("Click something that was found first"));
        front.run(() -> room.detectors().step(1));
        front.await("that there is nothing", () -> last().contains("Nothing was found in view"));
        front.run(() ->
                room.indicators().add(detector("levels"), Settings.of(detector("levels"), Map.of("extremes", "no"))));
        front.await("levels", () -> !chart().data().found(layer(0)).isEmpty());
        front.run(() -> {
            chart().setSize(900, 600);
            chart().showLast(chart().bars().size());
            room.detectors().step(1);
        });
        Found first = front.get(() -> room.detectors().chosen().orElseThrow());
        front.run(() -> room.detectors().step(1));
        Found second = front.get(() -> room.detectors().chosen().orElseThrow());
        assertThat(second.id()).isNotEqualTo(first.id());
        front.run(() -> room.detectors().step(-1));
        assertThat(front.get(() -> chart().selection())).isEqualTo(new Selection.Finding(first.id()));
        List<FoundText.Line> told = front.get(() -> FoundText.lines(chart(), first));
        assertThat(told).extracting(FoundText.Line::word).contains("lower", "upper", "confirmed", "score");
        assertThat(told)
                .filteredOn(line -> line.word().matches("high|low"))
                .hasSameSizeAs(first.finding().points());
        assertThat(front.get(() -> FoundText.title(chart(), first))).matches("(support|resistance).* since .*20\\d\\d");

        front.run(() -> room.detectors().keepChosen());
        Drawing kept = front.get(() -> chart().drawings().get(0));
        assertThat(kept.kind()).isEqualTo("zone");
        assertThat(kept.anchors()).isEqualTo(first.figured().anchors());
        assertThat(kept.title()).isEqualTo(first.words());
        assertThat(kept.place().locked()).isFalse();
        assertThat(kept.madeAt()).isEqualTo(desk.clock().now());
        assertThat(front.get(() -> chart().selection())).isEqualTo(new Selection.Drawing(kept.id()));
        front.run(() -> {
            chart().select(new Selection.Finding(first.id()));
            room.detectors().keepChosen();
        });
        assertThat(front.get(() -> chart().drawings()))
                .extracting(Drawing::title)
                .containsExactly(first.words(), first.words() + " 2");
        front.run(() -> room.undo());
        assertThat(front.get(() -> chart().drawings())).containsExactly(kept);
    }

    @Test
    void aRuleOfColourAndAFormulaReadWhatTheLayerFinds() {
        IndicatorLayer[] made = new IndicatorLayer[1];
        front.run(() -> {
            room.detectors().toggle(detector("pivots"));
            room.indicators().add(indicator("sma"));
            IndicatorLayer average = layer(1);
            made[0] = average.withStyle(average.style()
                    .withOutput(
                            "value",
                            average.outputStyle(0)
                                    .withTint(
                                            new dev.yardarm.chart.model.OutputStyle.Tint("close > pivots.price", 3))));
            room.indicators().change(made[0]);
        });
        front.await(
                "the rule",
                () -> chart().data().tint(made[0], 0) != null
                        && chart().data().tint(made[0], 0).size() > 0);
        assertThat(front.get(
                        () -> chart().data().tint(made[0], 0).at(chart().bars().closed() - 1)))
                .isIn(0.0, 1.0);
    }

    @Test
    void theMapOfAgreementIsALayerWhoseZonesAreGoneThroughFromPriceOn() {
        front.run(() -> room.detectors().nextZone());
        front.await("what is missing", () -> last().contains("Space E A"));
        front.run(() -> {
            chart().setSize(900, 600);
            room.detectors().toggle(detector("agreement"));
        });
        front.await("the map", () -> chart().agreement().map().isPresent());
        assertThat(front.get(() -> chart().agreement().zones())).isNotEmpty();
        front.run(() -> room.detectors().nextZone());
        front.await("who agrees", () -> last().matches("\\d+ agree: .*"));
        assertThat(front.get(() -> chart().scale().fit())).isEqualTo(ScaleChoice.Fit.MANUAL);
        String first = last();
        front.run(() -> room.detectors().nextZone());
        if (front.get(() -> chart().agreement().zones().size()) > 1) {
            front.await("who agrees next", () -> !last().equals(first));
        }
        front.run(() -> room.detectors().toggle(detector("agreement")));
        assertThat(front.get(() -> chart().agreement().layer())).isEmpty();
    }

    @Test
    void rivalCountsStandSideBySideEachAlone() {
        front.run(() -> RivalLayout.show(layouts));
        front.await("what is missing", () -> last().contains("Space E W"));
        front.run(() -> {
            chart().setSize(900, 600);
            room.detectors().toggle(detector("waves"));
            room.detectors().toggle(detector("levels"));
        });
        front.await("counts", () -> chart().found().rivals(layer(0)).size() > 1);
        int rivals =
                front.get(() -> Math.min(3, chart().found().rivals(layer(0)).size()));
        front.run(() -> RivalLayout.show(layouts));
        List<ChartRoom> charts = front.get(() -> layouts.front().charts());
        assertThat(charts).hasSize(rivals);
        for (int at = 0; at < rivals; at++) {
            ChartModel copy = charts.get(at).chart();
            assertThat(front.get(() -> copy.indicators())).hasSize(1);
            assertThat(front.get(() -> copy.indicators().get(0).settings().whole("reading")))
                    .isEqualTo(at + 1);
            front.await("one count", () -> !copy.found().all().isEmpty());
            assertThat(front.get(() -> copy.found().all().stream()
                            .map(each -> copy.found().find(each.id()).orElseThrow())
                            .distinct()
                            .count()))
                    .isEqualTo(1);
        }
        assertThat(front.get(
                        () -> charts.stream().map(ChartRoom::link).distinct().count()))
                .isEqualTo(1);
        String title = front.get(() -> layouts.front().title());
        assertThat(title).startsWith("Rivals ");
    }

    @Test
    void aFindingWithATargetBecomesACallThatIsJudgedByItsKind() {
        front.run(() -> room.detectors().callChosen());
        front.await("what is missing", () -> last().contains("Click something that was found first"));
        front.run(() -> {
            chart().setSize(900, 600);
            room.detectors().toggle(detector("targets"));
        });
        front.await("targets", () -> !chart().data().found(layer(0)).isEmpty());
        double price = front.get(() -> chart().data().last());
        int made = 0;
        for (Found each : found(0)) {
            double target = each.finding().target();
            double wrong = each.finding().invalidation();
            int before = front.get(() -> desk.books().calls().size());
            front.run(() -> {
                chart().select(new Selection.Finding(each.id()));
                room.detectors().callChosen();
            });
            int after = front.get(() -> desk.books().calls().size());
            if ((target - price) * (price - wrong) > 0 && after > before) {
                Call call = front.get(() -> desk.books().calls().get(after - 1));
                assertThat(call.main().target()).isCloseTo(target, within(0.0051));
                assertThat(call.main().wrong()).isCloseTo(wrong, within(0.0051));
                assertThat(call.origin()).isEqualTo(each.finding().kind().replace('_', ' '));
                int way = call.main().way();
                assertThat(way * (call.main().trigger() - price)).isGreaterThanOrEqualTo(-0.0051);
                made++;
            } else {
                assertThat(after).isEqualTo(before);
            }
        }
        assertThat(made).isPositive();
        assertThat(front.get(() -> new CallRows(desk, id -> Double.NaN).record()))
                .anyMatch(line -> !line.startsWith("All calls") && line.contains("open"));
    }

    @Test
    void aFindingWithATargetBecomesAPlan() {
        front.run(() -> room.detectors().planChosen());
        front.await("what is missing", () -> last().contains("Click something that was found first"));
        front.run(() -> {
            chart().setSize(900, 600);
            room.detectors().toggle(detector("targets"));
        });
        front.await("targets", () -> !chart().data().found(layer(0)).isEmpty());
        double price = front.get(() -> chart().data().last());
        for (Found each : found(0)) {
            double target = each.finding().target();
            double stop = each.finding().invalidation();
            front.run(() -> {
                chart().select(new Selection.Finding(each.id()));
                room.detectors().planChosen();
            });
            if ((target - price) * (price - stop) > 0) {
                front.await("the plan", () -> chart().plan().isPresent());
                assertThat(front.get(() -> chart().plan().orElseThrow().target()))
                        .isCloseTo(target, within(0.0051));
                assertThat(front.get(() -> chart().plan().orElseThrow().stop())).isCloseTo(stop, within(0.0051));
                assertThat(front.get(() -> chart().plan().orElseThrow().entry()))
                        .isEqualTo(price);
                front.run(() -> room.undo());
                assertThat(front.get(() -> chart().plan())).isEmpty();
            } else {
                front.await("why not", () -> last().contains("plan"));
                assertThat(front.get(() -> chart().plan())).isEmpty();
            }
        }
    }
}
