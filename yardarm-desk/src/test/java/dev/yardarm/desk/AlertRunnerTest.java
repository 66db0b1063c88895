package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.alert.AlertRunner;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Alerts watched while everything else goes on, with a market beaten by hand. */
class AlertRunnerTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private final List<Firing> fired = new ArrayList<>();
    private Desk desk;
    private Instrument ktrl;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        ktrl = desk.directory().byCode("KTRL").orElseThrow();
        front.run(() -> desk.onAlert(fired::add));
    }

    @AfterEach
    void close() {
        desk.close();
        front.close();
    }

    private void level(String id, double price) {
        front.run(() -> {
            List<Drawing> all = new ArrayList<>(desk.books().drawings(ktrl.id()));
            all.add(new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(morning(), price)), 0));
            desk.books().setDrawings(ktrl.id(), all);
        });
    }

    private long morning() {
        return desk.calendar(ktrl).open(LocalDate.of(2026, 6, 19));
    }

    private void alert(String id, String drawing, boolean above, long setAt) {
        front.run(() -> desk.books()
                .alertShelf()
                .put(Alert.onDrawing(id, ktrl.id(), drawing, Alert.Trigger.REACHES, Timeframe.DAY, above, setAt)));
    }

    /** The first trade at a price or above since a moment. */
    private long firstAbove(double price, long after, long upTo) {
        TickSeries trades = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(ktrl.id(), after, upTo, trades);
        for (int trade = 0; trade < trades.size(); trade++) {
            if (trades.price(trade) >= price) {
                return trades.time(trade);
            }
        }
        throw new AssertionError("nothing traded at " + price);
    }

    @Test
    void oneMissedWhileNothingRanFiresAtItsOwnMoment() {
        long expected = firstAbove(105, morning(), desk.clock().now());
        level("d", 105);
        alert("a", "d", false, morning() + 1);
        front.await("the alert", () -> !fired.isEmpty());
        assertThat(fired).singleElement().satisfies(firing -> {
            assertThat(firing.at()).isEqualTo(expected);
            assertThat(firing.price()).isGreaterThanOrEqualTo(105);
            assertThat(firing.on()).isEqualTo("reaches \"Level\"");
            assertThat(firing.bar()).isEqualTo(morning());
        });
        assertThat(front.get(() -> desk.books().waits(desk.books().alerts().get(0))))
                .isFalse();
    }

    /** The chart of the same instrument fails, another listener throws, and the undo of another alert runs meanwhile. */
    @Test
    void itFiresOnceWhateverElseFailsOrIsUndone() {
        long now = desk.clock().now();
        TickSeries coming = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(ktrl.id(), now, now + 40 * Times.MINUTE, coming);
        double last = coming.price(0);
        double highest = last;
        for (int trade = 0; trade < coming.size(); trade++) {
            highest = Math.max(highest, coming.price(trade));
        }
        assertThat(highest).isGreaterThan(last);
        level("d", highest);
        level("e", 300);
        alert("a", "d", false, now);
        alert("b", "e", false, now);
        front.run(() -> desk.alertWork().remove("b"));
        front.await(
                "it is set up",
                () -> desk.alertRunner().level(desk.books().alerts().get(0)) > 0);
        desk.hub().subscribe(ktrl, now, new dev.yardarm.desk.live.LiveHub.Listener() {
            @Override
            public void take(TickSeries trades, long time) {
                throw new IllegalStateException("a chart is broken");
            }
        });
        for (int beat = 1; beat <= 40; beat++) {
            desk.hub().beatAt(now + beat * Times.MINUTE);
        }
        front.await("the alert", () -> !fired.isEmpty());
        front.run(() -> desk.undo().undo());
        front.run(() -> desk.undo().redo());
        front.run(() -> desk.undo().undo());
        for (int beat = 41; beat <= 45; beat++) {
            desk.hub().beatAt(now + beat * Times.MINUTE);
        }
        front.run(() -> {});
        assertThat(fired).singleElement().extracting(Firing::alert).isEqualTo("a");
        assertThat(front.get(() -> desk.books().alerts())).extracting(Alert::id).containsExactlyInAnyOrder("a", "b");
        assertThat(front.get(() -> desk.books().firings())).hasSize(1);
    }

    @Test
    void anAlertTakenAwayWhileItFiresDoesNotFire() {
        level("d", 105);
        alert("a", "d", false, morning() + 1);
        front.run(() -> desk.alertWork().remove("a"));
        level("x", 1);
        front.settle(desk.scheduler());
        assertThat(front.get(() -> desk.books().firings())).isEmpty();
    }

    @Test
    void whatDidNotChangeIsNotSetUpAgain() {
        level("d", 300);
        alert("a", "d", false, desk.clock().now());
        List<Alert> armed = new ArrayList<>();
        front.await(
                "it is set up",
                () -> desk.alertRunner().level(desk.books().alerts().get(0)) == 300);
        front.run(() -> desk.alertRunner().listen(armed::add));
        level("e", 301);
        alert("b", "e", false, desk.clock().now());
        front.await("the other is set up", () -> !armed.isEmpty());
        assertThat(front.get(() -> List.copyOf(armed))).extracting(Alert::id).containsExactly("b");
    }

    /** A source that fails while an alert is set up is asked again without anything else changing; it is told once. */
    @Test
    void whatCannotBeWatchedNowIsTriedAgain() {
        FragileMarket fragile = new FragileMarket(new SimulatedMarket(World.halcyon(), 1));
        Directory around = new Directory(List.of(fragile));
        Vantages vantages = new Vantages(new Histories(around), id -> List.of());
        List<String> told = new ArrayList<>();
        long now = desk.clock().now();
        fragile.problem = new IOException("the line is cut");
        level("d", 300);
        try (LiveHub hub = new LiveHub(around, desk.clock())) {
            AlertRunner runner = front.get(() -> new AlertRunner(
                    desk.books(),
                    around,
                    new AlertRunner.Around(
                            new TradesFollowing.Around(around, vantages, hub, desk.scheduler(), front),
                            () -> now,
                            desk.language()::now),
                    told::add,
                    (alert, firing, away) -> {}));
            Alert wanted =
                    Alert.onDrawing("r", ktrl.id(), "d", Alert.Trigger.REACHES, Timeframe.DAY, false, morning() + 1);
            front.run(() -> desk.books().alertShelf().put(wanted));
            front.await("why", () -> !told.isEmpty());
            for (int beat = 0; beat < 120; beat++) {
                hub.beatAt(now);
            }
            front.settle(desk.scheduler());
            fragile.problem = null;
            for (int beat = 0; beat < 60; beat++) {
                hub.beatAt(now);
            }
            front.await("it is watched", () -> runner.level(wanted) == 300 && hub.subscriptions() == 1);
            assertThat(told).singleElement().asString().contains("cannot be watched now: the line is cut");
        }
    }
}
