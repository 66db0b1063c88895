package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import dev.yardarm.desk.scan.ScanRunner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The trader's work without a window, on the demo world. */
class DeskTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private final List<String> notices = new CopyOnWriteArrayList<>();
    private Desk desk;
    private ChartRoom room;

    @BeforeEach
    void open() throws IOException {
        open(false);
    }

    private void open(boolean still) throws IOException {
        desk = new Desk(new Desk.Options(home, true, 1, still), front);
        front.run(() -> {
            desk.onNotice(notices::add);
            room = new ChartRoom(desk);
        });
    }

    @AfterEach
    void close() {
        desk.close();
        front.close();
    }

    private Instrument instrument(String code) {
        return desk.directory().byCode(code).orElseThrow();
    }

    private void show(String code, Timeframe timeframe) {
        front.run(() -> room.open(instrument(code), timeframe));
        front.await("bars of " + code, () -> !room.chart().bars().isEmpty());
    }

    private void add(String name, String length) {
        Indicator indicator = Catalogue.builtIn().find(name).orElseThrow();
        front.run(() -> room.indicators().add(indicator, Settings.of(indicator, Map.of("length", length))));
    }

    @Test
    void theSameInstrumentOnEveryTimeframe() {
        for (Timeframe timeframe : Timeframe.STANDARD) {
            show("KTRL", timeframe);
            Bars bars = front.get(() -> room.chart().bars());
            assertThat(bars.size()).as(timeframe.toString()).isGreaterThan(150);
            assertThat(bars.close(bars.size() - 1)).isBetween(95.0, 113.0);
            assertThat(bars.hasForming()).isEqualTo(!timeframe.equals(Timeframe.MINUTE));
        }
    }

    @Test
    void indicatorsAreAddedChangedAndTakenBack() {
        show("KTRL", Timeframe.DAY);
        add("sma", "50");
        add("rsi", "14");
        front.await("values", () -> room.chart().data().indicators().size() == 2);
        assertThat(room.chart().indicators())
                .extracting(layer -> layer.style().colour())
                .doesNotHaveDuplicates();
        front.run(() -> {
            var layer = room.chart().indicators().get(0);
            Indicator sma = layer.indicator();
            room.indicators().change(layer.withSettings(Settings.of(sma, Map.of("length", "51"))));
            room.indicators()
                    .change(room.chart().indicators().get(0).withSettings(Settings.of(sma, Map.of("length", "52"))));
        });
        assertThat(room.chart().indicators().get(0).title()).isEqualTo("sma 52");
        front.run(room::undo);
        assertThat(room.chart().indicators().get(0).title())
                .as("two quick changes are one step")
                .isEqualTo("sma 50");
        front.run(room::redo);
        assertThat(room.chart().indicators().get(0).title()).isEqualTo("sma 52");
        front.run(
                () -> room.indicators().remove(room.chart().indicators().get(1).id()));
        front.run(room::undo);
        assertThat(room.chart().indicators()).hasSize(2);
        front.run(() -> {
            room.undo();
            room.undo();
            room.undo();
            room.undo();
        });
        assertThat(room.chart().indicators()).isEmpty();
        front.await("the notice", () -> notices.contains("There is nothing to undo."));
    }

    @Test
    void aDrawingBelongsToItsInstrumentOnAllTimeframesAndComesBack() throws IOException {
        show("KTRL", Timeframe.WEEK);
        front.run(() -> room.studies()
                .draw(Drawing.LEVEL, List.of(new Anchor(desk.clock().now(), 98.4))));
        show("KTRL", Timeframe.HOUR);
        assertThat(room.chart().drawings()).singleElement().satisfies(level -> {
            assertThat(level.origin()).isEqualTo(Timeframe.WEEK);
            assertThat(level.origin().isHigherThan(room.chart().timeframe())).isTrue();
        });
        show("MARN", Timeframe.HOUR);
        assertThat(room.chart().drawings()).isEmpty();
        desk.close();
        open(false);
        show("KTRL", Timeframe.DAY);
        // Drawings are read beside the bars, and may come after them.
        front.await("the drawing", () -> !room.chart().drawings().isEmpty());
        assertThat(room.chart().drawings())
                .singleElement()
                .extracting(each -> each.anchors().get(0).price())
                .isEqualTo(98.4);
    }

    @Test
    void deletingADrawingTakesItsWaitingAlertsAndUndoBringsBothBack() {
        show("KTRL", Timeframe.DAY);
        front.run(() -> {
            room.studies().draw(Drawing.LEVEL, List.of(new Anchor(desk.clock().now(), 50)));
            room.studies().setAlert(Alert.Trigger.REACHES);
            room.studies().setAlert(Alert.Trigger.REACHES);
        });
        assertThat(desk.books().alerts()).hasSize(1);
        front.await("the notice", () -> notices.contains("This alert is set already. Watch shows all that are set."));
        front.run(() -> room.studies().deleteChosen());
        assertThat(desk.books().alerts()).isEmpty();
        assertThat(room.chart().drawings()).isEmpty();
        front.run(room::undo);
        assertThat(desk.books().alerts()).hasSize(1);
        assertThat(room.chart().drawings()).hasSize(1);
    }

    @Test
    void aSourceThatDoesNotAnswerIsToldOnceAndAgainWhenItDoes() {
        String source = desk.directory().sources().get(0);
        SourceState silent = SourceState.offline(desk.clock().now(), "the line is cut");
        desk.directory().setState(source, silent);
        desk.directory().setState(source, SourceState.offline(desk.clock().now() + 1, "still cut"));
        desk.directory().setState(source, SourceState.READY);
        desk.directory().setState(source, SourceState.READY);
        front.await(
                "both",
                () -> notices.stream().filter(each -> each.contains(source)).count() == 2);
        assertThat(notices)
                .contains("The source " + source + " does not answer: the line is cut. Its prices do not "
                        + "change until it answers; it is asked again and again.")
                .contains("The source " + source + " answers again; what was missed has been made good.");
    }

    @Test
    void theMarketMovesTheLastBarAndAnAlertFires() {
        show("KTRL", Timeframe.DAY);
        List<Firing> fired = new ArrayList<>();
        double last =
                front.get(() -> room.chart().bars().close(room.chart().bars().size() - 1));
        Bars before = front.get(() -> room.chart().bars());
        front.run(() -> {
            desk.onAlert(fired::add);
            room.studies().draw(Drawing.LEVEL, List.of(new Anchor(desk.clock().now(), last + 0.03)));
            room.studies().setAlert(Alert.Trigger.REACHES);
            room.studies().draw(Drawing.LEVEL, List.of(new Anchor(desk.clock().now(), last - 0.03)));
            room.studies().setAlert(Alert.Trigger.REACHES);
            desk.clock().setSpeed(600);
            desk.start();
        });
        front.await("an alert", () -> !fired.isEmpty());
        front.await("a later bar", () -> room.chart().bars().version() > before.version());
        assertThat(desk.books().firings()).isNotEmpty();
        Firing one = fired.get(0);
        assertThat(one.at()).isGreaterThan(one.setAt());
        assertThat(Math.abs(one.price() - last)).isGreaterThanOrEqualTo(0.03 - 1e-9);
        assertThat(room.chart().firings()).contains(one);
        assertThat(room.chart().alerts()).noneMatch(alert -> alert.id().equals(one.alert()));
        assertThat(desk.books().alerts()).as("the alerts themselves stay").hasSize(2);
    }

    @Test
    void liveBarsAreTheSameAsReloadedOnes() {
        show("KTRL", Timeframe.MINUTES_5);
        long start = desk.clock().now();
        front.run(() -> {
            desk.clock().setSpeed(600);
            desk.hub().start();
        });
        front.await("twenty minutes", () -> desk.clock().now() > start + 20 * Times.MINUTE);
        front.run(() -> desk.clock().setRunning(false));
        long now = desk.clock().now();
        front.await("the chart to have caught up", () -> {
            try {
                Bars fresh = desk.histories()
                        .load(instrument("KTRL"), Timeframe.MINUTES_5, now)
                        .series()
                        .snapshot();
                Bars live = room.chart().bars();
                boolean same = fresh.size() == live.size();
                for (int bar = Math.max(0, fresh.size() - 10); same && bar < fresh.size(); bar++) {
                    same = fresh.close(bar) == live.close(bar)
                            && fresh.high(bar) == live.high(bar)
                            && fresh.volume(bar) == live.volume(bar)
                            && fresh.openTime(bar) == live.openTime(bar);
                }
                return same;
            } catch (IOException failed) {
                throw new AssertionError(failed);
            }
        });
    }

    @Test
    void aRoundThroughAListKeepsTheMakeUpAndTakesStances() {
        show("KTRL", Timeframe.WEEK);
        add("ema", "20");
        front.run(() -> room.studies().takeStance(Stance.Kind.LONG, ""));
        front.run(() -> room.step(1));
        Instrument second = front.get(() -> room.instrument().orElseThrow());
        assertThat(second).isEqualTo(desk.members("Evening round").get(1));
        assertThat(room.chart().timeframe()).isEqualTo(Timeframe.WEEK);
        assertThat(room.chart().indicators()).hasSize(1);
        front.run(() -> {
            room.studies().takeStance(Stance.Kind.SKIP, "no swing");
            room.studies().writeNote("look again on Monday");
        });
        assertThat(desk.books().stance(second.id())).satisfies(stance -> {
            assertThat(stance.kind()).isEqualTo(Stance.Kind.SKIP);
            assertThat(stance.reason()).isEqualTo("no swing");
            assertThat(stance.note()).isEqualTo("look again on Monday");
        });
        front.run(() -> room.step(-2));
        assertThat(room.instrument()).contains(desk.members("Evening round").get(23));
        front.run(() -> {
            room.undo();
            room.undo();
        });
        assertThat(desk.books().stance(second.id()).kind()).isEqualTo(Stance.Kind.NONE);
    }

    @Test
    void aPlanIsMadeChangedRefusedAndKept() throws IOException {
        show("KTRL", Timeframe.DAY);
        front.run(() -> room.studies().makePlan(104.2, 102.8, 107));
        assertThat(room.chart().plan())
                .hasValueSatisfying(plan -> assertThat(plan.rewardInR()).isCloseTo(2, within(1e-9)));
        assertThat(room.chart().selection()).isEqualTo(Selection.PLAN);
        front.run(() -> room.studies()
                .change(room.chart().plan().get(), room.chart().plan().get().withPrices(104.2, 104.2, 107)));
        front.await("the notice", () -> notices.stream()
                .anyMatch(notice -> notice.contains("stays as it was") && notice.contains("must differ")));
        front.run(() -> room.studies()
                .change(room.chart().plan().get(), room.chart().plan().get().withAccount(50_000, 0.5)));
        desk.close();
        open(false);
        show("KTRL", Timeframe.HOURS_4);
        assertThat(room.chart().plan()).hasValueSatisfying(plan -> {
            assertThat(plan.stop()).isEqualTo(102.8);
            assertThat(plan.account()).isEqualTo(50_000);
        });
        show("PV60", Timeframe.DAY);
        front.run(() -> room.studies().makePlan(1000, 900, 1200));
        assertThat(room.chart().plan()).isEmpty();
        front.await("the notice", () -> notices.stream().anyMatch(notice -> notice.contains("index")));
    }

    @Test
    void aScanFindsWhatAFormulaSays() {
        AtomicReference<ScanRunner.Result> result = new AtomicReference<>();
        Scan scan = Scan.of("s", "All companies", Timeframe.DAY, List.of("close > sma(close, 50)", "rsi(14) > 50"));
        front.run(() -> desk.scan(scan, result::set, failed -> {
            throw new AssertionError(failed);
        }));
        front.await("the scan", () -> result.get() != null);
        assertThat(result.get().looked()).isEqualTo(60);
        assertThat(result.get().missing()).isEmpty();
        assertThat(result.get().found().size()).isBetween(3, 57);
        for (ScanRunner.Found found : result.get().found()) {
            Bars bars = found.bars();
            double sum = 0;
            for (int bar = bars.size() - 50; bar < bars.size(); bar++) {
                sum += bars.close(bar);
            }
            assertThat(bars.close(bars.size() - 1)).isGreaterThan(sum / 50);
        }
        AtomicReference<Exception> failure = new AtomicReference<>();
        front.run(() -> desk.scan(
                Scan.of("s", "All companies", Timeframe.DAY, List.of("clsoe > 1")),
                found -> {
                    throw new AssertionError();
                },
                failure::set));
        front.await("the failure", () -> failure.get() != null);
        assertThat(failure.get()).hasMessageContaining("did you mean 'close'");
    }

    @Test
    void theWorkspaceComesBackInPlace() {
        show("MARN", Timeframe.HOURS_4);
        add("ema", "33");
        front.run(() -> {
            room.setForm(BarForm.BARS);
            room.setLogarithmic(true);
            room.chart().setTime(room.chart().time().zoomedBy(1.5, 100).movedBy(4000));
        });
        var saved = front.get(() -> WorkspaceKeeper.capture(room));
        assertThat(saved.rightmost()).isPositive();
        ChartRoom other = front.get(() -> new ChartRoom(desk));
        front.run(() -> WorkspaceKeeper.restore(saved, other));
        front.await("bars", () -> !other.chart().bars().isEmpty());
        assertThat(other.instrument()).contains(instrument("MARN"));
        assertThat(other.chart().form()).isEqualTo(BarForm.BARS);
        assertThat(other.chart().isLogarithmic()).isTrue();
        assertThat(other.chart().time().barWidth())
                .isCloseTo(room.chart().time().barWidth(), within(1e-9));
        assertThat(other.chart().time().edge()).isCloseTo(room.chart().time().edge(), within(1.0));
        assertThat(other.chart().indicators())
                .singleElement()
                .extracting(layer -> layer.title())
                .isEqualTo("ema 33");
    }

    @Test
    void theMarketsTimeGoesOnAfterARestart() throws IOException {
        front.run(() -> {
            desk.clock().setSpeed(3600);
            desk.hub().start();
        });
        long start = desk.clock().now();
        front.await("time to pass", () -> desk.clock().now() > start + 20 * Times.MINUTE);
        front.run(desk::tick);
        desk.close();
        long left = desk.clock().now();
        open(true);
        assertThat(desk.clock().now()).isCloseTo(left, within(Times.HOUR));
        assertThat(desk.clock().now()).isGreaterThan(start + 19 * Times.MINUTE);
    }

    @Test
    void aSecondDeskInTheSameHomeIsRefused() {
        assertThatThrownBy(() -> new Desk(new Desk.Options(home, true, 1, true), front))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("another Yardarm")
                .hasMessageContaining("--home");
    }

    @Test
    void aHomeThatCannotBeAFolderIsRefused() throws IOException {
        Path file = Files.writeString(home.resolve("a-file"), "x");
        assertThatThrownBy(() -> new Desk(new Desk.Options(file, true, 1, true), front))
                .hasMessageContaining("cannot be used");
    }

    @Test
    void damagedDocumentsAreToldAndTheRestOpens() throws IOException {
        show("KTRL", Timeframe.DAY);
        front.run(() -> {
            room.studies().takeStance(Stance.Kind.LONG, "");
            room.studies().makePlan(104.2, 102.8, 107);
        });
        desk.close();
        Files.writeString(home.resolve("documents/stances.json"), "{{{");
        open(true);
        front.await("the notice", () -> notices.stream()
                .anyMatch(notice -> notice.contains("stances") && notice.contains("set aside")));
        assertThat(desk.books().plans()).hasSize(1);
    }

    @Test
    void toolsAreTakenAndPutDown() {
        show("KTRL", Timeframe.DAY);
        front.run(() -> {
            room.studies().take(Tool.LINE);
            room.gestures().placing().put(new Anchor(room.chart().bars().openTime(3500), 100));
        });
        assertThat(room.gestures().placing().hint()).contains("second point");
        front.run(() -> room.open(instrument("KTRL"), Timeframe.WEEK));
        assertThat(room.gestures().tool()).isEqualTo(Tool.NONE);
    }
}
