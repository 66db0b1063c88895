package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.market.BlendSource;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Blends keep to what every source keeps to; what went on live is what is loaded later. */
class BlendSourceTest extends SourceContract {
    private static final World WORLD = World.halcyon();
    private static final SimulatedMarket MARKET = new SimulatedMarket(WORLD, 1);

    private final Directory directory = new Directory(List.<BarSource>of(MARKET));
    private final Histories histories = new Histories(directory);
    private final BlendSource source = new BlendSource(directory, histories);

    private static final List<Blend> BLENDS = List.of(
            new Blend("RATIO", "RATIO", "", "#KTRL / #MARN"),
            new Blend("TWICE", "TWICE", "", "2 * #KTRL - 5"),
            new Blend("DESK", "DESK", "", "#VRTQ - #PV60"),
            new Blend("NEST", "NEST", "", "#RATIO * 100"),
            new Blend("ONE", "ONE", "", "#OTHER + 1"),
            new Blend("OTHER", "OTHER", "", "#ONE - 1"),
            new Blend("GONE", "GONE", "", "#NOWHERE / #KTRL"),
            new Blend("BAD", "BAD", "", "#KTRL /"));

    BlendSourceTest() {
        source.set(BLENDS, Language.builtIn());
        directory.add(source);
    }

    @Override
    BarSource source() {
        return source;
    }

    @Override
    List<Instrument> instruments() {
        return List.of(instrument("RATIO"), instrument("TWICE"));
    }

    @Override
    List<Long> moments() {
        long present = WORLD.presentTime();
        long open = WORLD.calendar().open(LocalDate.of(2026, 6, 18));
        return List.of(open, open + 95 * Times.MINUTE, present);
    }

    private Instrument instrument(String code) {
        return directory.byCode(code).orElseThrow();
    }

    private Bars load(String code, Timeframe timeframe, long moment) throws IOException {
        return histories
                .load(instrument(code), BarRequest.of(timeframe), moment)
                .series()
                .snapshot();
    }

    @Test
    void aRatioIsThatOfTheCloses() throws IOException {
        long now = WORLD.presentTime();
        Bars ratio = load("RATIO", Timeframe.DAY, now);
        Bars one = load("KTRL", Timeframe.DAY, now);
        Bars other = load("MARN", Timeframe.DAY, now);
        assertThat(ratio.size()).isEqualTo(one.size());
        assertThat(ratio.hasForming()).isTrue();
        for (int bar = ratio.size() - 300; bar < ratio.size(); bar++) {
            double close = one.close(bar) / other.close(bar);
            assertThat(ratio.close(bar)).isEqualTo(close);
            assertThat(List.of(ratio.open(bar), ratio.high(bar), ratio.low(bar)))
                    .containsOnly(close);
        }
        assertThat(load("NEST", Timeframe.DAY, now).close(100)).isEqualTo(ratio.close(100) * 100);
        Bars weeks = load("RATIO", Timeframe.WEEK, now);
        assertThat(weeks.high(20)).isEqualTo(weeks.close(20)).isEqualTo(weeks.low(20));
    }

    @Test
    void whatIsLinearInOneHasItsHighsAndLows() throws IOException {
        long now = WORLD.presentTime();
        Bars twice = load("TWICE", Timeframe.DAY, now);
        Bars one = load("KTRL", Timeframe.DAY, now);
        for (int bar = twice.size() - 300; bar < twice.size(); bar++) {
            assertThat(twice.high(bar)).isEqualTo(2 * one.high(bar) - 5);
            assertThat(twice.low(bar)).isEqualTo(2 * one.low(bar) - 5);
            assertThat(twice.open(bar)).isEqualTo(2 * one.open(bar) - 5);
        }
        assertThat(instrument("TWICE").format()).isEqualTo(instrument("KTRL").format());
    }

    @ParameterizedTest
    @CsvSource({"RATIO,D", "TWICE,15m", "DESK,5m", "NEST,1h", "RATIO,range:40"})
    void whatWentOnLiveIsWhatIsLoadedLater(String code, String kind) throws IOException {
        long early = WORLD.presentTime() - 3 * Times.HOUR - 17 * Times.SECOND;
        long late = WORLD.presentTime() - 11 * Times.SECOND;
        BarRequest request = Timeframe.parse(kind)
                .map(BarRequest::of)
                .orElseGet(() -> BarRequest.of(Timeframe.MINUTE).withRule(BarRule.parse(kind)))
                .withDays(4);
        Histories.Loaded live = histories.load(instrument(code), request, early);
        int before = live.series().closed();
        for (long time = live.knownUpTo(); time < late; time += 83 * Times.SECOND) {
            long until = Math.min(late, time + 83 * Times.SECOND);
            TickSeries trades = new TickSeries(16);
            ((LiveSource) source).trades(instrument(code).id(), time, until, trades);
            live.maker().addTicks(trades, 0, trades.size());
            live.maker().advanceTo(until);
        }
        Bars went = live.series().snapshot();
        Bars later = new Histories(directory)
                .load(instrument(code), request, late)
                .series()
                .snapshot();
        assertThat(went.closed()).isEqualTo(later.closed()).isGreaterThanOrEqualTo(before);
        for (int bar = Math.max(0, went.size() - 200); bar < went.size(); bar++) {
            assertThat(went.openTime(bar)).as("bar " + bar).isEqualTo(later.openTime(bar));
            assertThat(List.of(went.open(bar), went.high(bar), went.low(bar), went.close(bar)))
                    .as("bar " + bar + " of " + went.size())
                    .isEqualTo(List.of(later.open(bar), later.high(bar), later.low(bar), later.close(bar)));
        }
    }

    @Test
    void whatCannotBeMadeIsKeptAndToldWhenItIsAskedFor() {
        long now = WORLD.presentTime();
        assertThatThrownBy(() -> load("ONE", Timeframe.DAY, now)).hasMessageContaining("circle");
        assertThatThrownBy(() -> load("GONE", Timeframe.DAY, now)).hasMessageContaining("made of NOWHERE");
        assertThatThrownBy(() -> source.history(instrument("GONE").id(), Timeframe.DAY, 0, now))
                .hasMessageContaining("made of NOWHERE, which is not there");
        assertThatThrownBy(() -> source.history(instrument("BAD").id(), Timeframe.DAY, 0, now))
                .hasMessageContaining("cannot be made: position 8");
        assertThat(source.stored(instrument("BAD").id())).isEmpty();
    }
}
