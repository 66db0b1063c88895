package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.HomeUpgrade;
import dev.yardarm.desk.alert.AlertWork;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.DocumentSaver;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.plan.PlanWork;
import dev.yardarm.desk.stance.StanceWork;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the trader made, changed by him, by what happens by itself, and by another copy of the application. */
class ShelfTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");

    @TempDir
    private Path folder;

    private final List<String> notices = new ArrayList<>();
    private final UndoStack undo = new UndoStack(() -> 0);
    private long now = 100;
    private DocumentSaver saver;
    private Books books;

    @BeforeEach
    void open() throws IOException {
        saver = saver();
        books = books(saver);
    }

    @AfterEach
    void close() {
        saver.close();
    }

    private DocumentSaver saver() throws IOException {
        return new DocumentSaver(new DocumentStore(folder), notices::add);
    }

    private static Books books(DocumentSaver saver) {
        return new Books(saver, Runnable::run, List.of(new NamedList("One", List.of(KTRL))), List.of());
    }

    private static Alert alert(String id) {
        return Alert.onDrawing(id, KTRL, "d", Alert.Trigger.REACHES, Timeframe.DAY, true, 1);
    }

    private AlertWork alerts() {
        return new AlertWork(books, new Directory(List.of()), undo, () -> now, notices::add);
    }

    private PlanWork plans() {
        return new PlanWork(books, undo, () -> now, notices::add);
    }

    @Test
    void undoOfAnAlertDoesNotBringAFiredOneBackToLife() {
        books.alertShelf().put(alert("a"));
        books.alertShelf().put(alert("b"));
        alerts().remove("b");
        books.firingShelf().put(Firing.of(alert("a"), "Level", 7, 104, 5));
        undo.undo();
        assertThat(books.alerts()).extracting(Alert::id).containsExactly("a", "b");
        assertThat(books.waits(alert("a"))).as("it has fired").isFalse();
        assertThat(books.waits(alert("b"))).isTrue();
        undo.redo();
        undo.undo();
        assertThat(books.waits(alert("a"))).isFalse();
        assertThat(books.firings()).hasSize(1);
    }

    @Test
    void undoOfADeletedDrawingBringsOnlyItsWaitingAlertsBack() {
        books.alertShelf().put(alert("a"));
        books.alertShelf().put(alert("b"));
        var step = alerts().removeWith(KTRL, Set.of("d"));
        books.firingShelf().put(Firing.of(alert("a"), "Level", 7, 104, 5));
        step.execute();
        assertThat(books.alerts()).isEmpty();
        books.alertShelf().put(alert("late"));
        step.undo();
        assertThat(books.alerts()).extracting(Alert::id).containsExactlyInAnyOrder("a", "b", "late");
        assertThat(books.waits(alert("a"))).isFalse();
    }

    @Test
    void anAlertArmedAgainWaitsAgainAndItsRecordStays() {
        books.alertShelf().put(alert("a"));
        books.firingShelf().put(Firing.of(alert("a"), "Level", 7, 104, 5));
        Alert again = alert("a").armed(50, 99);
        books.alertShelf().put(again);
        assertThat(books.waits(again)).isTrue();
        books.firingShelf().put(Firing.of(again, "Level", 60, 99, 58));
        assertThat(books.firings(KTRL)).extracting(Firing::price).containsExactly(104.0, 99.0);
        assertThat(books.waits(again)).isFalse();
    }

    @Test
    void whatIsAskedOfOneInstrumentIsTrueAfterEveryKindOfChange() {
        InstrumentId other = new InstrumentId("halcyon", "BRAM");
        books.alertShelf().put(alert("a"));
        assertThat(books.alerts(KTRL)).extracting(Alert::id).containsExactly("a");
        assertThat(books.alerts(other)).isEmpty();
        books.alertShelf().put(Alert.onDrawing("b", other, "d", Alert.Trigger.REACHES, Timeframe.DAY, true, 1));
        books.alertShelf().put(alert("c"));
        assertThat(books.alerts(KTRL)).extracting(Alert::id).containsExactly("a", "c");
        assertThat(books.alerts(other)).extracting(Alert::id).containsExactly("b");
        books.alertShelf().put(alert("a").armed(50, 99));
        assertThat(books.alerts(KTRL)).extracting(Alert::setAt).containsExactly(50L, 1L);
        alerts().remove("a");
        assertThat(books.alerts(KTRL)).extracting(Alert::id).containsExactly("c");
        undo.undo();
        assertThat(books.alerts(KTRL)).extracting(Alert::id).contains("a", "c");
        assertThat(books.alerts()).hasSize(3);
    }

    @Test
    void undoTakesBackWhatItsStepWasAboutAndNothingElse() {
        NamedList other = new NamedList("Other", List.of());
        undo.execute(books.listShelf().change("add", all -> {
            List<NamedList> more = new ArrayList<>(all);
            more.add(other);
            return more;
        }));
        books.listShelf().put(new NamedList("One", List.of(), 3));
        books.listShelf().put(new NamedList("Third", List.of()));
        undo.undo();
        assertThat(books.lists()).extracting(NamedList::name).containsExactly("One", "Third");
        assertThat(books.list("One").orElseThrow().colour()).isEqualTo(3);
        undo.redo();
        assertThat(books.lists()).extracting(NamedList::name).contains("Other", "One", "Third");
    }

    @Test
    void manyChangesOfOneKindAreOneStepAndUndoDoesNotRecurse() {
        plans().make(instrument(), Timeframe.DAY, 104, 102, 108);
        TradePlan first = books.plan(KTRL).orElseThrow();
        for (int change = 1; change <= 60_000; change++) {
            plans().change(books.plan(KTRL).orElseThrow().withPrices(104, 102 + change * 1e-6, 108));
        }
        assertThat(books.plan(KTRL).orElseThrow().stop()).isEqualTo(102.06);
        undo.undo();
        assertThat(books.plan(KTRL)).contains(first);
        undo.redo();
        assertThat(books.plan(KTRL).orElseThrow().stop()).isEqualTo(102.06);
    }

    private static dev.yardarm.core.instrument.Instrument instrument() {
        return new dev.yardarm.core.instrument.Instrument(
                KTRL,
                "Kettering",
                "PVX",
                dev.yardarm.core.instrument.Instrument.Kind.SHARE,
                "",
                "",
                dev.yardarm.core.instrument.PriceFormat.ofDecimals(8),
                1);
    }

    @Test
    void anInstrumentHasManyPlansOverTimeAndOneThatStands() {
        plans().make(instrument(), Timeframe.DAY, 104, 102, 108);
        now = 200;
        plans().make(instrument(), Timeframe.DAY, 105, 103, 109);
        assertThat(books.plan(KTRL).orElseThrow().entry()).isEqualTo(105);
        assertThat(books.plans()).hasSize(1);
        assertThat(books.plansOverTime(KTRL)).extracting(TradePlan::endedAt).containsExactly(200L, 0L);
        undo.undo();
        assertThat(books.plan(KTRL).orElseThrow().entry()).isEqualTo(104);
        plans().remove(KTRL);
        assertThat(books.plan(KTRL)).isEmpty();
    }

    @Test
    void accountAndRiskAreTheSameForAllCharts() {
        PlanWork plans = plans();
        List<Double> told = new ArrayList<>();
        plans.onSizing(each -> told.add(each.account()));
        assertThat(plans.setSizing(50_000, 0.5)).isTrue();
        assertThat(plans.setSizing(-1, 0.5)).isFalse();
        assertThat(plans.setSizing(50_000, 101)).isFalse();
        assertThat(told).containsExactly(50_000.0);
        plans.make(instrument(), Timeframe.DAY, 104, 102, 108);
        assertThat(books.plan(KTRL).orElseThrow().account()).isEqualTo(50_000);
    }

    @Test
    void stancesAreKeptOverTimeAndANoteStaysWithItsStance() {
        StanceWork work = new StanceWork(books, undo, () -> now);
        work.take(KTRL, Stance.Kind.WAIT, "");
        work.write(KTRL, "for the close");
        now = 300;
        work.take(KTRL, Stance.Kind.LONG, "");
        assertThat(books.stance(KTRL).kind()).isEqualTo(Stance.Kind.LONG);
        assertThat(books.stancesOverTime(KTRL))
                .extracting(Stance::kind)
                .containsExactly(Stance.Kind.WAIT, Stance.Kind.LONG);
        undo.undo();
        assertThat(books.stance(KTRL).kind()).isEqualTo(Stance.Kind.WAIT);
        assertThat(books.stance(KTRL).note()).isEqualTo("for the close");
    }

    @Test
    void anotherCopysChangesAndOursAreBothKept() throws IOException {
        books.alertShelf().put(alert("ours"));
        saver.flush();
        try (DocumentSaver otherSaver = saver()) {
            Books other = books(otherSaver);
            other.alertShelf().put(alert("theirs"));
            other.alertShelf().remove("ours");
            otherSaver.flush();
        }
        books.alertShelf().put(alert("later"));
        saver.flush();
        assertThat(books.alerts()).extracting(Alert::id).containsExactlyInAnyOrder("later", "theirs");
        assertThat(notices).anyMatch(each -> each.contains("changed by another copy"));
        saver.flush();
        try (DocumentSaver third = saver()) {
            assertThat(books(third).alerts()).extracting(Alert::id).containsExactlyInAnyOrder("later", "theirs");
        }
    }

    @Test
    void whatCannotBeReadIsToldOnceAndStaysInTheFile() throws IOException {
        books.alertShelf().put(alert("a"));
        books.alertShelf().put(alert("b"));
        saver.flush();
        Path file = folder.resolve("alerts.json");
        Files.writeString(
                file,
                Files.readString(file)
                        .replaceFirst("\"trigger\" : \"REACHES\"", "\"trigger\" : \"DREAMS\"")
                        .replaceFirst("(?s)(.*)\"setAt\"", "$1\"mood\" : \"calm\", \"setAt\""));
        try (DocumentSaver again = saver()) {
            Books read = books(again);
            assertThat(read.alerts()).extracting(Alert::id).containsExactly("b");
            assertThat(notices).singleElement().asString().contains("1 could be read, 1 not", "entry 1", "set-aside");
            read.alertShelf().put(alert("c"));
        }
        assertThat(Files.readString(file)).contains("DREAMS", "\"mood\" : \"calm\"", "\"id\" : \"c\"");
    }

    @Test
    void firedAlertsOfAnOlderHomeBecomeRecords() throws IOException {
        saver.close();
        Files.writeString(
                folder.resolve("alerts.json"),
                """
                {"format": "yardarm/alerts", "version": 1, "alerts": [
                 {"id": "w", "instrument": "halcyon:KTRL", "drawing": "d", "trigger": "REACHES", "timeframe": "D",
                  "above": true, "setAt": 5, "firedAt": 0, "firedPrice": 0},
                 {"id": "f", "instrument": "halcyon:KTRL", "drawing": "d", "trigger": "CLOSES_BEYOND", "timeframe": "D",
                  "above": true, "setAt": 6, "firedAt": 9, "firedPrice": 104.5}]}
                """);
        for (int start = 0; start < 2; start++) {
            DocumentStore store = new DocumentStore(folder);
            HomeUpgrade.run(store, folder);
            try (DocumentSaver upgraded = new DocumentSaver(store, notices::add)) {
                Books read = books(upgraded);
                assertThat(read.alerts()).extracting(Alert::id).containsExactly("w", "f");
                assertThat(read.alerts())
                        .filteredOn(read::waits)
                        .extracting(Alert::id)
                        .containsExactly("w");
                assertThat(read.firings()).singleElement().satisfies(firing -> {
                    assertThat(firing.at()).isEqualTo(9);
                    assertThat(firing.price()).isEqualTo(104.5);
                });
                if (start == 0) {
                    read.alertShelf().put(alert("new"));
                    read.alertShelf().remove("new");
                }
            }
        }
        assertThat(notices).isEmpty();
        assertThat(Files.readString(folder.resolve("alerts.json")))
                .contains("\"version\" : 3")
                .doesNotContain("firedAt");
    }
}
