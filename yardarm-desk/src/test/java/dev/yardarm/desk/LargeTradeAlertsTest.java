package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Alerts on large trades, with a market beaten by hand: at once, not at the close of a bar. */
class LargeTradeAlertsTest extends AtADesk {
    private final List<Firing> fired = new ArrayList<>();
    private final List<Alert> ready = new ArrayList<>();
    private Instrument embra;

    @BeforeEach
    void open() throws Exception {
        embra = desk.directory().byCode("EMBRA").orElseThrow();
        front.run(() -> {
            desk.onAlert(fired::add);
            desk.alertRunner().listen(ready::add);
        });
    }

    private TickSeries coming(long from, long to) {
        TickSeries coming = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(embra.id(), from, to, coming);
        return coming;
    }

    /** The trade that is the first as large as the largest of what is coming. */
    private static int largest(TickSeries trades) {
        int at = 0;
        for (int trade = 1; trade < trades.size(); trade++) {
            at = trades.size(trade) > trades.size(at) ? trade : at;
        }
        return at;
    }

    @Test
    void itFiresWithTheTradeItselfAndOnce() {
        long now = desk.clock().now();
        TickSeries coming = coming(now, now + 20 * Times.MINUTE);
        int at = largest(coming);
        double size = coming.size(at);
        front.run(() -> desk.alertWork()
                .setOnTrade(embra, size, 0, Timeframe.parse("1h").orElseThrow()));
        assertThat(front.get(() -> desk.books().alerts())).singleElement().satisfies(alert -> {
            assertThat(alert.first().trigger()).isEqualTo(Alert.Trigger.TRADED);
            assertThat(alert.first().on()).isEqualTo(new Awaited.Traded(size, 0));
        });
        front.await("it listens", () -> !ready.isEmpty());
        desk.hub().beatAt(coming.time(at) - 1);
        front.run(() -> {});
        assertThat(fired).isEmpty();

        desk.hub().beatAt(coming.time(at));
        front.await("the alert", () -> !fired.isEmpty());
        desk.hub().beatAt(now + 40 * Times.MINUTE);
        front.run(() -> {});
        assertThat(fired).singleElement().satisfies(firing -> {
            assertThat(firing.at()).isEqualTo(coming.time(at));
            assertThat(firing.price()).isEqualTo(coming.price(at));
            assertThat(firing.on()).contains("or more");
        });
    }

    @Test
    void oneMissedWhileNothingRanFiresAtItsOwnMoment() {
        long now = desk.clock().now();
        long set = now - 30 * Times.MINUTE;
        TickSeries gone = coming(set, now);
        int at = largest(gone);
        Alert alert = Alert.onTrade("a", embra.id(), gone.size(at), 0, Timeframe.MINUTE, set);
        front.run(() -> desk.books().alertShelf().put(alert));
        front.await("the alert", () -> !fired.isEmpty());
        assertThat(fired).singleElement().satisfies(firing -> assertThat(firing.at())
                .isEqualTo(gone.time(at)));
        assertThat(front.get(() -> desk.books().waits(alert))).isFalse();
    }

    @Test
    void onAContinuousFutureItHearsItsContract() {
        Instrument future = desk.directory().byCode("VRTQ").orElseThrow();
        long now = desk.clock().now();
        TickSeries coming = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(future.id(), now, now + 10 * Times.MINUTE, coming);
        int at = largest(coming);
        front.run(() -> desk.alertWork().setOnTrade(future, coming.size(at), 0, Timeframe.MINUTE));
        front.await("it listens", () -> !ready.isEmpty());
        desk.hub().beatAt(now + 10 * Times.MINUTE);
        front.await("the alert", () -> !fired.isEmpty());
        assertThat(fired).singleElement().satisfies(firing -> {
            assertThat(firing.at()).isEqualTo(coming.time(at));
            assertThat(firing.price()).isEqualTo(coming.price(at));
        });
    }

    @Test
    void aSizeOfZeroIsRefusedWithAWord() {
        front.run(() -> desk.alertWork().setOnTrade(embra, 0, 0, Timeframe.MINUTE));
        assertThat(front.get(() -> desk.books().alerts())).isEmpty();
        assertThat(front.get(() -> desk.undo().undo())).as("nothing was done").isEmpty();
    }

    @Test
    void theSameIsNotSetTwiceAndSettingIsAStepOfUndo() {
        Timeframe minute = Timeframe.MINUTE;
        front.run(() -> {
            desk.alertWork().setOnTrade(embra, 1e9, 0, minute);
            desk.alertWork().setOnTrade(embra, 1e9, 0, minute);
        });
        assertThat(front.get(() -> desk.books().alerts())).hasSize(1);
        front.run(() -> desk.undo().undo());
        assertThat(front.get(() -> desk.books().alerts())).isEmpty();
    }
}
