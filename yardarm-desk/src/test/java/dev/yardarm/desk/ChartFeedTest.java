package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.desk.live.ChartFeed;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** What a chart is supplied with while the market runs, into the next session and beyond. */
class ChartFeedTest {
    private final SimulatedMarket market = new SimulatedMarket(World.halcyon(), 1);
    private final Directory directory = new Directory(List.of(market));
    private final MarketClock clock =
            new MarketClock(market.world().calendar(), market.world().presentTime() + 40 * Times.MINUTE, 600, true);
    private final Front front = new Front();
    private final Scheduler scheduler = new Scheduler(2, front);
    private final LiveHub hub = new LiveHub(directory, clock);
    private final Histories histories = new Histories(directory);
    private final ChartFeed feed = new ChartFeed(services(), "one", new Kept());
    private final List<String> problems = new ArrayList<>();
    private final AtomicInteger loaded = new AtomicInteger();
    private volatile ChartData shown = ChartData.EMPTY;

    private ChartFeed.Services services() {
        return new ChartFeed.Services(
                histories,
                new Vantages(histories, id -> List.of()),
                hub,
                clock::now,
                scheduler,
                Language::builtIn,
                front);
    }

    /** Keeps what comes. */
    private final class Kept implements ChartFeed.Receiver {
        @Override
        public void opened(String madeFrom, List<EventMark> marks, dev.yardarm.core.source.PriceBasis basis) {
            loaded.incrementAndGet();
        }

        @Override
        public void show(ChartData data) {
            shown = data;
        }

        @Override
        public void complain(String problem) {
            problems.add(problem);
        }
    }

    @AfterEach
    void close() {
        front.run(feed::close);
        hub.close();
        scheduler.close();
        front.close();
    }

    private Instrument instrument(String code) {
        return directory.byCode(code).orElseThrow();
    }

    @Test
    void aNewSessionIsLoadedAfreshAndGoesOnAsItWillBeLoaded() throws IOException {
        BarRequest request = BarRequest.of(Timeframe.MINUTE).withDays(5);
        hub.start();
        front.run(() -> feed.open(instrument("KTRL"), request, List.of()));
        front.await("the first bars", () -> loaded.get() == 1);
        long friday = shown.bars().openTime(shown.bars().size() - 1);
        front.await("the next session", () -> loaded.get() == 2);
        assertThat(clock.now()).isGreaterThan(friday + 2 * Times.DAY);
        front.await("trades of it", () -> shown.bars().openTime(shown.bars().size() - 1) > friday + 2 * Times.DAY);
        clock.setRunning(false);
        Bars later = histories
                .load(instrument("KTRL"), request, clock.now())
                .series()
                .snapshot();
        front.await(
                "everything up to now",
                () -> shown.bars().size() == later.size()
                        && shown.bars().close(later.size() - 1) == later.close(later.size() - 1));
        for (int bar = 0; bar < later.size(); bar++) {
            assertThat(shown.bars().openTime(bar)).isEqualTo(later.openTime(bar));
            assertThat(shown.bars().close(bar)).isEqualTo(later.close(bar));
        }
        assertThat(problems).isEmpty();
        assertThat(loaded.get()).as("once for each session").isEqualTo(2);
    }

    @Test
    void whatCannotBeLoadedIsSaidAndTheFeedGoesOnWithTheNext() {
        hub.start();
        front.run(() -> feed.open(instrument("GY10"), Timeframe.MINUTE, List.of()));
        front.await("the complaint", () -> !problems.isEmpty());
        assertThat(problems.get(0)).contains("GY10");
        front.run(() -> feed.open(instrument("GY10"), Timeframe.DAY, List.of()));
        front.await("bars", () -> shown.bars().size() > 1000);
    }
}
