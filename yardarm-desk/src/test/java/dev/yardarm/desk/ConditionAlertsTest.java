package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Alerts on conditions, with a market beaten by hand. */
class ConditionAlertsTest extends AtADesk {
    private static final Timeframe FIVE = Timeframe.parse("5m").orElseThrow();
    private static final String CONDITION = "close > sma(close, 5)";

    private final List<Firing> fired = new ArrayList<>();
    private final List<Alert> ready = new ArrayList<>();
    private Instrument ktrl;

    @BeforeEach
    void open() throws Exception {
        ktrl = desk.directory().byCode("KTRL").orElseThrow();
        listen();
    }

    private void listen() {
        front.run(() -> {
            ready.clear();
            desk.onAlert(fired::add);
            desk.alertRunner().listen(ready::add);
        });
    }

    /** Where the condition begins to hold after a moment, reckoned from a history that is whole. */
    private List<Integer> begins(Bars bars, long after) {
        ColumnGraph graph = new ColumnGraph();
        Column close = Formula.parse("close", desk.language().now()).in(graph).output();
        Column mean =
                Formula.parse("mean(close, 5)", desk.language().now()).in(graph).output();
        graph.update(bars);
        List<Integer> found = new ArrayList<>();
        for (int bar = 1; bar < bars.closed(); bar++) {
            boolean now = close.at(bar) > mean.at(bar);
            boolean before = close.at(bar - 1) > mean.at(bar - 1);
            if (bars.closeTime(bar) > after && now && !before) {
                found.add(bar);
            }
        }
        return found;
    }

    private Bars bars(long moment) {
        try {
            return desk.vantages().at(moment).bars(ktrl, BarRequest.of(FIVE));
        } catch (IOException failed) {
            throw new AssertionError(failed);
        }
    }

    private void set(String condition) {
        front.run(() -> desk.alertWork()
                .setOn(List.of(ktrl), condition, FIVE, desk.language().now()));
    }

    /** With a new session an alert is set up anew and goes on with the next beat, of which there are ten a second. */
    private void beatUntilItFires(long time) {
        long[] beat = {time};
        front.await("the alert", () -> {
            desk.hub().beatAt(beat[0]++);
            return !fired.isEmpty();
        });
    }

    /** Hundreds of conditions wait at once: each rests on some days, not on the year of minutes that is there. */
    @Test
    void aConditionReadsNoFurtherBackThanItRestsOn() {
        FragileMarket market = new FragileMarket((dev.yardarm.core.source.LiveSource)
                desk.directory().source(ktrl).orElseThrow());
        desk.directory().add(market);
        for (String condition : List.of("rsi(14) < 1", "close > 100 * sma(close, 50)")) {
            set(condition);
        }
        front.await("they are watched", () -> ready.size() >= 2);
        assertThat(market.longest).isPositive().isLessThan(45 * Times.DAY);
    }

    private Alert only() {
        return front.get(() -> desk.books().alerts().get(0));
    }

    @Test
    void itFiresOnceAtTheCloseOfTheFirstBarOnWhichTheConditionBegins() {
        long now = desk.clock().now();
        long later = now + 4 * 24 * Times.HOUR;
        Bars all = bars(later);
        List<Integer> begins = begins(all, now);
        assertThat(begins).hasSizeGreaterThan(1);
        int first = begins.get(0);
        set(CONDITION);
        front.await("it is watched", () -> !ready.isEmpty());
        // To just before that close nothing fires, whatever forming bars show on the way.
        for (long time = now; time < all.closeTime(first); time += Times.MINUTE) {
            desk.hub().beatAt(time);
        }
        desk.hub().beatAt(all.closeTime(first) - 1);
        front.settle(desk.scheduler());
        assertThat(fired).isEmpty();
        beatUntilItFires(all.closeTime(first));
        desk.hub().beatAt(later);
        front.settle(desk.scheduler());
        assertThat(fired).singleElement().satisfies(firing -> {
            assertThat(firing.at()).isEqualTo(all.closeTime(first));
            assertThat(firing.bar()).isEqualTo(all.openTime(first));
            assertThat(firing.price()).isEqualTo(all.close(first));
            assertThat(firing.on()).isEqualTo(CONDITION + " on 5m");
            assertThat(firing.drawing()).isEmpty();
        });
    }

    /** Days pass without a beat, as over a restart: it fires as it would have, at the bar that counted. */
    @Test
    void aSkippedNightComesToTheSame() throws Exception {
        long now = desk.clock().now();
        Bars all = bars(now + 4 * 24 * Times.HOUR);
        int first = begins(all, now).get(0);
        set(CONDITION);
        front.settle(desk.scheduler());
        desk.close();
        openDesk();
        listen();
        assertThat(only().condition()).isEqualTo(CONDITION);
        // It is set up before anyone could listen.
        front.await("it is watched", () -> desk.hub().subscriptions() > 0);
        front.settle(desk.scheduler());
        beatUntilItFires(now + 4 * 24 * Times.HOUR);
        assertThat(fired).singleElement().extracting(Firing::at).isEqualTo(all.closeTime(first));
        assertThat(front.get(() -> desk.books().waits(desk.books().alerts().get(0))))
                .isFalse();
    }

    @Test
    void aConditionThatIsWrongIsToldAndNothingIsSet() {
        set("rsi(14)");
        set("rsi(14) < ");
        assertThat(front.get(() -> desk.books().alerts())).isEmpty();
        front.await(
                "what is wrong",
                () -> told.stream()
                                .filter(each -> each.startsWith("An alert needs a condition"))
                                .count()
                        == 2);
    }

    @Test
    void theSameIsSetOnceAndTakenBackByUndo() {
        set("rsi(14) < 10");
        set("RSI(14)  <  10");
        assertThat(front.get(() -> desk.books().alerts())).hasSize(1);
        front.run(() -> desk.undo().undo());
        assertThat(front.get(() -> desk.books().alerts())).isEmpty();
    }

    /** A cue of an indicator of one's own; taken away it is told once, brought back it fires as if it had been there. */
    @Test
    void aCueOfAnIndicatorOfOnesOwnFiresAndItsAbsenceIsTold() {
        String define = "define \"Over mean\" in price\nlet middle = mean(close, 5)\nline middle \"Middle\"\n"
                + "cue \"Over\" when close > middle";
        front.run(() -> desk.ownWork().save(define, ""));
        front.await(
                "it is known",
                () -> desk.language().now().catalogue().find("over_mean").isPresent());
        long now = desk.clock().now();
        Bars all = bars(now + 4 * 24 * Times.HOUR);
        int first = begins(all, now).get(0);
        set("over_mean.over");
        front.run(() -> desk.ownWork().delete("over_mean"));
        front.await(
                "it is gone",
                () -> desk.language().now().catalogue().find("over_mean").isEmpty());
        desk.hub().beatAt(all.closeTime(first) + 1);
        front.await(
                "what cannot be watched", () -> told.stream().anyMatch(each -> each.contains("cannot be watched now")));
        for (int beat = 0; beat < 120; beat++) {
            desk.hub().beatAt(all.closeTime(first) + 2 + beat);
        }
        front.settle(desk.scheduler());
        assertThat(told.stream().filter(each -> each.contains("cannot be watched now")))
                .hasSize(1);
        assertThat(fired).isEmpty();
        front.run(() -> desk.undo().undo());
        front.await(
                "it is back",
                () -> desk.language().now().catalogue().find("over_mean").isPresent());
        // It is tried again every fifty beats, on a thread of its own.
        for (int beat = 0; beat < 1000 && front.get(fired::isEmpty); beat++) {
            desk.hub().beatAt(all.closeTime(first) + 200 + beat);
        }
        front.await("the alert", () -> !fired.isEmpty());
        assertThat(fired).singleElement().extracting(Firing::at).isEqualTo(all.closeTime(first));
    }

    /** An instrument made of others waits as any other does. */
    @Test
    void aBlendIsWatchedToo() throws Exception {
        front.run(() -> desk.blendWork().make("KTMR", "", "#KTRL / #MARN"));
        Instrument blend = desk.directory().byCode("KTMR").orElseThrow();
        long now = desk.clock().now();
        Bars all = desk.vantages().at(now + 4 * 24 * Times.HOUR).bars(blend, BarRequest.of(FIVE));
        int first = begins(all, now).get(0);
        front.run(() -> desk.alertWork()
                .setOn(List.of(blend), CONDITION, FIVE, desk.language().now()));
        front.await("it is watched", () -> !ready.isEmpty());
        beatUntilItFires(all.closeTime(first));
        assertThat(fired).singleElement().satisfies(firing -> {
            assertThat(firing.at()).isEqualTo(all.closeTime(first));
            assertThat(firing.price()).isEqualTo(all.close(first));
        });
    }
}
