package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.call.CallRecord;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.watch.WatchDesk;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Calls made at a desk, watched with a market beaten by hand, over a restart, and listed. */
class CallsTest extends AtADesk {
    private static final BarRule DAY = new BarRule.Time(Timeframe.DAY);

    private Instrument ktrl;
    private long now;
    private TickSeries coming;

    @BeforeEach
    void open() throws Exception {
        ktrl = desk.directory().byCode("KTRL").orElseThrow();
        now = desk.clock().now();
        coming = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(ktrl.id(), now, now + 5 * 24 * Times.HOUR, coming);
    }

    private boolean make(String sentence) {
        return front.get(() -> desk.callWork().make(ktrl, sentence, DAY));
    }

    /** A call that is triggered by the first trade, whose expectation is as far as price goes one way before it goes so far the other way. */
    private String sentence(double far) {
        double first = coming.price(0);
        for (int trade = 0; trade < coming.size(); trade++) {
            double moved = coming.price(trade) - first;
            if (Math.abs(moved) > far) {
                boolean up = moved > 0;
                return String.format(
                        Locale.ROOT,
                        "%s %.2f expect %.2f, wrong %s %.2f \"first leg\"",
                        up ? "above" : "below",
                        up ? first - 0.01 : first + 0.01,
                        up ? first + far * 0.9 : first - far * 0.9,
                        up ? "below" : "above",
                        up ? first - far * 1.1 : first + far * 1.1);
            }
        }
        throw new AssertionError("price stood still");
    }

    @Test
    void aCallWatchesItselfAndIsJudgedAndTheSameOverARestart() throws Exception {
        assertThat(make(sentence(0.8))).isTrue();
        assertThat(make(sentence(0.8))).as("the same again").isFalse();
        front.await("it is watched", () -> desk.hub().subscriptions() == 1);
        desk.hub().beatAt(coming.time(3));
        front.await("its trigger", () -> desk.books().callEvents().size() == 1);
        assertThat(front.get(() -> desk.callWork().state(desk.books().calls().get(0))))
                .isEqualTo("triggered");
        desk.close();
        openDesk();
        front.await("it is watched again", () -> desk.hub().subscriptions() == 1);
        for (int beat = 0; beat < 4; beat++) {
            desk.hub().beatAt(now + 5 * 24 * Times.HOUR + beat);
            front.settle(desk.scheduler());
        }
        front.await("what was expected", () -> desk.books().callEvents().size() == 2);
        assertThat(front.get(() -> desk.books().callEvents()))
                .extracting(CallEvent::kind)
                .containsExactly(CallEvent.Kind.TRIGGERED, CallEvent.Kind.CAME_TRUE);
        front.await("it is told", () -> told.stream()
                .anyMatch(each -> each.contains("came true") && each.contains("first leg")));
        assertThat(desk.callRunner().watched()).isZero();
        CallRecord record = front.get(() -> desk.callWork().record(desk.books().calls()));
        assertThat(record.cameTrue()).isEqualTo(1);
        assertThat(record.impliedShare()).isBetween(0.4, 0.7);
    }

    @Test
    void callsAreListedWithTheirDistanceToDecision() {
        WatchDesk[] watch = new WatchDesk[1];
        double last = coming.price(0);
        assertThat(make(String.format(
                        Locale.ROOT,
                        "above %.2f expect %.2f, wrong below %.2f, until Friday",
                        last * 1.02,
                        last * 1.06,
                        last * 0.95)))
                .isTrue();
        front.run(() -> watch[0] = new WatchDesk(desk));
        front.await("its distance", () -> !text(watch[0], "away").isEmpty());
        front.run(() -> {
            assertThat(Double.parseDouble(text(watch[0], "away"))).isBetween(1.5, 2.5);
            assertThat(text(watch[0], "state")).isEqualTo("waiting");
            assertThat(text(watch[0], "call")).startsWith("above ");
            // 7 against 4 from its trigger.
            assertThat(Double.parseDouble(text(watch[0], "odds"))).isBetween(62.0, 65.0);
            assertThat(watch[0].calls().record().get(0)).isEqualTo("All calls: none decided yet, 1 open");
            watch[0].take(WatchDesk.Part.CALLS);
            assertThat(watch[0].inHand()).isEqualTo(WatchDesk.Part.CALLS);
            assertThat(watch[0].subject().orElseThrow().instrument()).isEqualTo(ktrl);
            Call call = desk.books().calls().get(0);
            desk.callWork().plan(ktrl, call);
            assertThat(desk.books().plan(ktrl.id()).orElseThrow().target())
                    .isEqualTo(call.main().target());
            desk.callWork().alert(ktrl, call);
            assertThat(desk.books().alerts()).hasSize(1);
            desk.undo().undo();
            desk.undo().undo();
            watch[0].removeInHand();
            assertThat(desk.books().calls()).isEmpty();
            desk.undo().undo();
            assertThat(desk.books().calls()).containsExactly(call);
            watch[0].close();
        });
    }

    private static String text(WatchDesk watch, String column) {
        return watch.calls().rows().columns().stream()
                .filter(each -> each.id().equals(column))
                .findFirst()
                .orElseThrow()
                .text()
                .apply(watch.calls().rows().rows().get(0));
    }

    @Test
    void aSentenceOfTheLineMakesACall() {
        CommandLanguage language = new CommandLanguage(desk.directory(), desk.language()::now, List::of);
        String sentence =
                "above 104.20 expect 107, wrong below 102.80, until Friday; below 102.80 the other reading: 99";
        for (String line : List.of(sentence, "call " + sentence)) {
            assertThat(language.read(line).get(0).command()).isEqualTo(new LineCommand.MakeCall(sentence, ""));
        }
        for (String line : List.of(
                "call KTRL " + sentence,
                "KTRL " + sentence,
                "call on KTRL " + sentence,
                "ktrl " + sentence,
                "call #ktrl " + sentence)) {
            assertThat(language.read(line).get(0).command())
                    .as(line)
                    .isEqualTo(new LineCommand.MakeCall(sentence, "KTRL"));
            assertThat(language.read(line).get(0).detail()).endsWith("on KTRL");
        }
        assertThat(language.read("if it loses 102 I expect 98, wrong over 104.5, until end of month")
                        .get(0)
                        .command())
                .isInstanceOf(LineCommand.MakeCall.class);
        assertThat(language.read("call above 104.20 expect 107").get(0).command())
                .isNull();
        assertThat(language.read("call above 104.20 expect 107").get(0).detail())
                .contains("proves it wrong");
        assertThat(make("above 104.20 expect 107")).isFalse();
        front.await("why", () -> told.stream().anyMatch(each -> each.contains("was not made")));
    }
}
