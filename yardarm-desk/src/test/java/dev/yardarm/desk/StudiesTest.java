package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.line.Hands;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Drawings, alerts, plans, stances and layers one by one, with undo, on a market that stands still. */
class StudiesTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private final List<String> notices = new CopyOnWriteArrayList<>();
    private Desk desk;
    private ChartRoom room;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> {
            desk.onNotice(notices::add);
            room = new ChartRoom(desk);
            room.open(desk.directory().byCode("KTRL").orElseThrow(), Timeframe.DAY);
        });
        front.await("bars", () -> !room.chart().bars().isEmpty());
    }

    @AfterEach
    void close() {
        desk.close();
        front.close();
    }

    private void level(double price) {
        front.run(() -> room.studies()
                .draw(Drawing.LEVEL, List.of(new Anchor(desk.clock().now(), price))));
    }

    private double price(int drawing) {
        return room.chart().drawings().get(drawing).anchors().get(0).price();
    }

    private void typed(String line) {
        Hands hands = mock(Hands.class);
        when(hands.room()).thenReturn(room);
        new LineCommand.Draw("level", List.of(new LineCommand.DrawnPoint(null, Double.parseDouble(line))), Map.of())
                .run(hands);
    }

    /** Who types a code and a level at once is ahead of the bars. */
    @Test
    void whatIsTypedBeforeTheBarsComeIsDrawnWhenTheyAreThere() throws Exception {
        front.run(() -> {
            room.open(desk.directory().byCode("MARN").orElseThrow(), Timeframe.DAY);
            typed("190");
            typed("195");
            room.studies().setAlert(Alert.Trigger.REACHES);
        });
        front.await("both", () -> room.chart().drawings().size() == 2);
        assertThat(price(0)).isEqualTo(190);
        assertThat(price(1)).isEqualTo(195);
        assertThat(desk.books().alerts()).hasSize(1);
        assertThat(notices).containsExactly("Alert set on MARN: when price reaches it, at 195.00.");
        notices.clear();
        front.run(() -> {
            room.open(desk.directory().byCode("EBSP").orElseThrow(), Timeframe.DAY);
            typed("180");
            room.open(desk.directory().byCode("KTRL").orElseThrow(), Timeframe.DAY);
        });
        front.await("bars", () -> !room.chart().bars().isEmpty());
        assertThat(room.chart().drawings()).isEmpty();
        assertThat(notices)
                .containsExactly(
                        "What was typed for EBSP was not done: another chart was opened before its bars came.");
    }

    @Test
    void whatIsAddedTakesTheFirstColourNotInUse() {
        level(100);
        level(101);
        var sma = Catalogue.builtIn().find("sma").orElseThrow();
        front.run(() -> room.indicators().add(sma, Settings.standard(sma)));
        assertThat(room.chart().drawings()).extracting(Drawing::colour).containsExactly(0, 1);
        assertThat(room.chart().indicators().get(0).style().colour()).isEqualTo(2);
        front.run(() -> room.studies()
                .select(new Selection.Drawing(room.chart().drawings().get(0).id())));
        front.run(() -> room.studies().deleteChosen());
        level(102);
        assertThat(room.chart().drawings().get(1).colour())
                .as("a colour that became free")
                .isZero();
    }

    @Test
    void nudgingGoesByTicksAndIsOneStepOfUndo() {
        level(98.4);
        front.run(() -> {
            room.drawings().nudge(1);
            room.drawings().nudge(1);
            room.drawings().nudge(-5);
        });
        assertThat(price(0)).isEqualTo(98.37);
        front.run(room::undo);
        assertThat(price(0)).isEqualTo(98.4);
        front.run(room::redo);
        assertThat(price(0)).isEqualTo(98.37);
    }

    @Test
    void aMovedLevelArmsItsAlertAnewFromWherePriceStands() {
        double last =
                front.get(() -> room.chart().bars().close(room.chart().bars().size() - 1));
        level(last + 5);
        front.run(() -> room.studies().setAlert(Alert.Trigger.REACHES));
        assertThat(desk.books().alerts().get(0).price()).isEqualTo(last);
        long set = desk.books().alerts().get(0).setAt();
        front.run(() -> room.drawings()
                .changeChosen(
                        "change",
                        drawing ->
                                drawing.withAnchor(0, drawing.anchors().get(0).withPrice(last - 5))));
        assertThat(desk.books().alerts().get(0).price()).isEqualTo(last);
        assertThat(desk.books().alerts().get(0).setAt()).isGreaterThanOrEqualTo(set);
        assertThat(!desk.books().waits(desk.books().alerts().get(0))).isFalse();
    }

    @Test
    void clearingTakesAllDrawingsAndUndoBringsThemBack() {
        level(98);
        level(99);
        front.run(() -> room.drawings().clear());
        assertThat(room.chart().drawings()).isEmpty();
        assertThat(room.chart().selection()).isEqualTo(Selection.NONE);
        front.run(room::undo);
        assertThat(room.chart().drawings()).hasSize(2);
    }

    @Test
    void alertsAreRemovedAndComeBack() {
        level(98);
        front.run(() -> room.studies().setAlert(Alert.Trigger.CLOSES_BEYOND));
        Alert alert = desk.books().alerts().get(0);
        front.run(() -> desk.alertWork().remove(alert.id()));
        assertThat(desk.books().alerts()).isEmpty();
        front.run(room::undo);
        assertThat(desk.books().alerts()).containsExactly(alert);
    }

    @Test
    void aDraggedStopThatIsNoGoodIsPutBack() {
        front.run(() -> room.studies().makePlan(104, 102, 108));
        var plan = room.chart().plan().orElseThrow();
        front.run(() -> {
            room.chart().setPlan(plan.withPrices(104, 110, 108));
            room.studies().change(plan, plan.withPrices(104, 110, 108));
        });
        assertThat(room.chart().plan()).contains(plan);
        front.await("why", () -> notices.stream().anyMatch(notice -> notice.contains("target must lie below")));
    }

    @Test
    void theNextPlanStartsFromTheLastAccount() {
        front.run(() -> {
            room.studies().makePlan(104, 102, 108);
            room.studies()
                    .change(room.chart().plan().get(), room.chart().plan().get().withAccount(80_000, 0.25));
            room.studies().removePlan();
            room.studies().makePlan(104, 102, 108);
        });
        assertThat(room.chart().plan().orElseThrow().account()).isEqualTo(80_000);
        assertThat(room.chart().plan().orElseThrow().riskPercent()).isEqualTo(0.25);
    }

    @Test
    void aStanceKeepsItsNoteAndASkipItsReasonOnly() {
        front.run(() -> {
            room.studies().writeNote("  wait for the close  ");
            room.studies().takeStance(Stance.Kind.SKIP, "thin");
            room.studies().takeStance(Stance.Kind.LONG, "");
        });
        Stance stance = desk.books().stance(room.instrument().orElseThrow().id());
        assertThat(stance.note()).isEqualTo("wait for the close");
        assertThat(stance.kind()).isEqualTo(Stance.Kind.LONG);
        assertThat(stance.reason()).isEmpty();
        front.run(() -> {
            room.studies().writeNote("");
            room.studies().takeStance(Stance.Kind.NONE, "");
        });
        InstrumentId id = room.instrument().orElseThrow().id();
        assertThat(desk.books().stance(id).kind()).isEqualTo(Stance.Kind.NONE);
        assertThat(desk.books().stancesOverTime(id))
                .as("what was thought when")
                .extracting(Stance::kind)
                .containsExactly(Stance.Kind.NONE, Stance.Kind.SKIP, Stance.Kind.LONG, Stance.Kind.NONE);
        front.run(() -> {
            room.undo();
            room.undo();
        });
        assertThat(desk.books().stance(id)).isEqualTo(stance);
    }

    @Test
    void listenersAreToldWhatChanged() {
        List<Aspect> told = new ArrayList<>();
        List<Books.Subject> subjects = new ArrayList<>();
        front.run(() -> {
            room.listen(told::add);
            desk.books().listen(subjects::add);
            room.setForm(BarForm.BARS);
            room.setForm(BarForm.BARS);
        });
        assertThat(told).containsExactly(Aspect.VIEW);
        front.run(() -> room.studies().take(Tool.LEVEL));
        assertThat(told).contains(Aspect.TOOL);
        level(100);
        assertThat(told).contains(Aspect.LAYERS, Aspect.SELECTION);
        assertThat(subjects).containsExactly(Books.Subject.DRAWINGS);
    }

    @Test
    void anEmptyListSaysSoAndAnUnknownOneHoldsEverything() {
        front.run(() -> {
            desk.books().listShelf().replace(List.of(new NamedList("Nothing", List.of())));
            room.setList("Nothing");
            room.step(1);
        });
        front.await("a notice", () -> notices.stream().anyMatch(notice -> notice.contains("'Nothing' is empty")));
        assertThat(desk.members("no such list"))
                .hasSize(desk.directory().all().size())
                .hasSizeGreaterThan(110);
    }

    @Test
    void whatIsNotUnderstoodIsKeptAndWrittenBack() {
        Documents.Chart saved = new Documents.Chart(
                room.instrument().orElseThrow().id(),
                Timeframe.WEEK,
                "ropes",
                false,
                9,
                0,
                50,
                60,
                Entries.of(List.of(
                        new Documents.IndicatorLayer(
                                "a", "nothing", Map.of(), 0, 1, 1, true, null, null, null, null, null, false, null,
                                null),
                        new Documents.IndicatorLayer(
                                "b",
                                "sma",
                                Map.of("length", "-3"),
                                0,
                                1,
                                1,
                                true,
                                null,
                                null,
                                null,
                                null,
                                null,
                                false,
                                null,
                                null),
                        new Documents.IndicatorLayer(
                                "c",
                                "ema",
                                Map.of("length", "9"),
                                3,
                                2,
                                0.5,
                                false,
                                null,
                                null,
                                null,
                                null,
                                null,
                                false,
                                null,
                                null))),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                0,
                null);
        front.run(() -> WorkspaceKeeper.restore(saved, room));
        assertThat(room.chart().indicators()).singleElement().satisfies(layer -> {
            assertThat(layer.title()).isEqualTo("ema 9");
            assertThat(layer.style().visible()).isFalse();
        });
        front.await("the range set by hand", () -> room.chart().isPriceManual());
        front.await(
                "both told",
                () -> notices.stream()
                                .filter(notice -> notice.contains("cannot be shown"))
                                .count()
                        == 2);
        Documents.Chart again = front.get(() -> WorkspaceKeeper.capture(room));
        assertThat(again.indicators().values())
                .extracting(Documents.IndicatorLayer::indicator)
                .containsExactly("ema", "nothing", "sma");
        assertThat(again.indicators().values().get(2).settings()).containsEntry("length", "-3");
    }

    @Test
    void indicesCanBeChartedAndAreWorkedOutFromTheirMembers() {
        front.run(() -> room.open(desk.directory().byCode("PXTID").orElseThrow(), Timeframe.HOUR));
        front.await("hours of an index", () -> room.chart().bars().size() > 2000);
        var bars = front.get(() -> room.chart().bars());
        for (int bar = 1; bar < bars.size(); bar++) {
            assertThat(bars.high(bar)).isGreaterThanOrEqualTo(Math.max(bars.open(bar), bars.close(bar)));
            assertThat(bars.low(bar)).isLessThanOrEqualTo(Math.min(bars.open(bar), bars.close(bar)));
        }
    }

    @Test
    void documentsOnTheDiskFollowEachChange() {
        level(98.4);
        Path tracing = home.resolve("documents/tracings/halcyon-KTRL.json");
        front.await("the file", () -> Files.exists(tracing));
        front.run(() -> room.studies().deleteChosen());
        front.await("the empty file", () -> {
            try {
                return Files.readString(tracing).contains("\"drawings\" : [ ]");
            } catch (java.io.IOException gone) {
                return false;
            }
        });
    }
}
