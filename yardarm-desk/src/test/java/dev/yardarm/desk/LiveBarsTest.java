package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bars that went on live from one moment are those that are loaded at a later one. */
class LiveBarsTest {
    private static final World WORLD = World.halcyon();
    private static final SimulatedMarket MARKET = new SimulatedMarket(WORLD, 1);
    private static final long EARLY = WORLD.presentTime() - 3 * Times.HOUR - 17 * Times.SECOND;
    private static final long LATE = WORLD.presentTime() - 11 * Times.SECOND;

    private static Instrument instrument(String code) {
        return MARKET.instruments().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static Histories histories() {
        return new Histories(new Directory(List.<BarSource>of(MARKET)));
    }

    private static void same(Bars live, Bars later) {
        assertThat(live.size()).isEqualTo(later.size());
        assertThat(live.closed()).isEqualTo(later.closed()).isPositive();
        for (int bar = Math.max(0, live.size() - 400); bar < live.size(); bar++) {
            assertThat(live.openTime(bar)).as("bar " + bar).isEqualTo(later.openTime(bar));
            assertThat(live.open(bar)).isEqualTo(later.open(bar));
            assertThat(live.high(bar)).isEqualTo(later.high(bar));
            assertThat(live.low(bar)).isEqualTo(later.low(bar));
            assertThat(live.close(bar)).isEqualTo(later.close(bar));
            assertThat(live.volume(bar)).isCloseTo(later.volume(bar), within(1e-6 * Math.max(1, later.volume(bar))));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "KTRL,range:12",
        "KTRL,brick:10",
        "KTRL,brick:atr14@15m",
        "KTRL,line-break:3@5m",
        "KTRL,point-figure:10x3",
        "KTRL,volume:9000",
        "VRTQ,range:8",
        "VRTQ,ticks:300",
        "VRTQ,reversal:10",
        "VRTQ,volume:2500",
        "EMBRA,point-figure:2x1",
        "EMBRA,brick:0.5%",
        "AULBRN,range:80"
    })
    void everyKindGoesOnAsItWillBeLoaded(String code, String rule) throws IOException {
        BarRequest request =
                BarRequest.of(Timeframe.MINUTE).withRule(BarRule.parse(rule)).withDays(6);
        Histories.Loaded live = histories().load(instrument(code), request, EARLY);
        int before = live.series().closed();
        for (long time = EARLY; time < LATE; time += 83 * Times.SECOND) {
            long until = Math.min(LATE, time + 83 * Times.SECOND);
            trades(live.traded().id(), time, until, live.maker());
            live.maker().advanceTo(until);
            live.series();
        }
        assertThat(live.series().closed()).as("it went on").isGreaterThanOrEqualTo(before);
        same(
                live.series().snapshot(),
                histories().load(instrument(code), request, LATE).series().snapshot());
        assertThat(live.madeFrom())
                .startsWith(code.equals("VRTQ") || code.equals("EMBRA") ? "from ticks" : "from bars");
    }

    @ParameterizedTest
    @CsvSource({
        "VRTQ,15m,day",
        "VRTQ,1h,evening",
        "VRTQ,D,day",
        "SLTQ,5m,09:00-16:00",
        "HBNQ,W,whole",
        "KTRL,7m,10:00-15:45",
        "AULBRN,4h,whole",
        "EMBRA,2h,whole"
    })
    void partsOfTheSessionGoOnAsTheyWillBeLoaded(String code, String timeframe, String part) throws IOException {
        BarRequest request = BarRequest.of(Timeframe.parse(timeframe).orElseThrow())
                .withPart(SessionPart.parse(part))
                .withDays(60);
        Histories.Loaded live = histories().load(instrument(code), request, EARLY);
        trades(live.traded().id(), EARLY, LATE, live.maker());
        live.maker().advanceTo(LATE);
        same(
                live.series().snapshot(),
                histories().load(instrument(code), request, LATE).series().snapshot());
    }

    @Test
    void continuousFuturesGoOnInTheirCurrentContract() throws IOException {
        for (BarRequest.Joint joint : BarRequest.Joint.values()) {
            BarRequest request = BarRequest.of(Timeframe.HOUR).withRoll(dev.yardarm.core.source.RollRule.VOLUME, joint);
            Histories.Loaded live = histories().load(instrument("TIDQ"), request, EARLY);
            assertThat(live.traded().code()).startsWith("TIDQ-");
            trades(live.traded().id(), EARLY, LATE, live.maker());
            live.maker().advanceTo(LATE);
            same(
                    live.series().snapshot(),
                    histories().load(instrument("TIDQ"), request, LATE).series().snapshot());
        }
    }

    @Test
    void whatCannotBeLoadedIsSaidWithWhatToDo() {
        Histories histories = histories();
        assertThatMessage(histories, "GY10", BarRequest.of(Timeframe.HOUR), "cannot be built", "longer timeframe");
        assertThatMessage(histories, "HPRC", BarRequest.of(Timeframe.DAY), "has bars of M");
        assertThatMessage(
                histories,
                "GY10",
                BarRequest.of(Timeframe.DAY).withPart(SessionPart.parse("09:00-10:00")),
                "needs intraday bars");
        assertThatMessage(
                histories, "KTRL", BarRequest.of(Timeframe.HOUR).withPart(SessionPart.EVENING), "no evening session");
        assertThatMessage(
                histories,
                "KTRL",
                BarRequest.of(Timeframe.DAY).withRule(BarRule.parse("ticks:100")),
                "only be made from ticks");
        assertThatMessage(
                histories,
                "GY10",
                BarRequest.of(Timeframe.DAY).withRule(BarRule.parse("brick:5@1h")),
                "cannot be built");
    }

    private static void assertThatMessage(Histories histories, String code, BarRequest request, String... parts) {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> histories.load(instrument(code), request, LATE))
                .isInstanceOf(IOException.class)
                .hasMessageContainingAll(parts);
    }

    private static void trades(InstrumentId id, long after, long upTo, BarMaker maker) {
        TickSeries trades = new TickSeries(0);
        MARKET.trades(id, after, upTo, trades);
        maker.addTicks(trades, 0, trades.size());
    }
}
