package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.desk.feed.ChartFeed;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.Schedules;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
    private final Schedules schedules = new Schedules(scheduler.on(Lane.BEHIND));
    private final Histories histories = new Histories(directory);
    private final ChartFeed feed = new ChartFeed(services(), "one", new Kept());
    private final List<String> problems = new ArrayList<>();
    private final List<String> said = new ArrayList<>();
    private final AtomicInteger loaded = new AtomicInteger();
    private volatile ChartData shown = ChartData.EMPTY;

    private ChartFeed.Services services() {
        return new ChartFeed.Services(
                histories,
                new Vantages(histories, id -> List.of()),
                hub,
                clock::now,
                scheduler,
                schedules,
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
        public void inform(String text) {
            said.add(text);
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
        hub.onBeat(schedules::advance);
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

    /** A chart whose computation breaks stands still and says so; the one beside it goes on, and so does the first after a change. */
    @Test
    void aChartThatBreaksStandsStillAloneAndSaysSo() {
        Indicator broken = new Declared(Indicator.Family.TREND, "broken", "Broken") {
            {
                line();
                help("s", "f", "r", "w", "o");
            }

            @Override
            public void build(Recipe recipe) {
                recipe.out(recipe.map("broken", recipe.close(), value -> {
                    if (breaks) {
                        throw new IllegalStateException("divided by the moon");
                    }
                    return value;
                }));
            }
        };
        ChartFeed other = front.get(() -> new ChartFeed(services(), "two", new ChartFeed.Receiver() {
            @Override
            public void show(ChartData data) {
                beside = data;
            }

            @Override
            public void complain(String problem) {
                problems.add("beside: " + problem);
            }
        }));
        long now = clock.now();
        front.run(() -> {
            feed.open(
                    instrument("KTRL"),
                    Timeframe.MINUTE,
                    List.of(new IndicatorLayer("l", broken, Settings.standard(broken), LayerStyle.of(1))));
            other.open(instrument("KTRL"), Timeframe.MINUTE, List.of());
        });
        front.await("both", () -> !shown.bars().isEmpty() && !beside.bars().isEmpty());
        front.await("both go on", () -> hub.subscriptions() == 2);
        breaks = true;
        hub.beatAt(now + 3 * Times.MINUTE);
        front.await("why", () -> !problems.isEmpty());
        assertThat(problems)
                .containsExactly(
                        "The chart of KTRL has stopped: divided by the moon. It is opened again in 3 seconds.");
        front.await(
                "the one beside", () -> beside.bars().closeTime(beside.bars().size() - 1) > now + 2 * Times.MINUTE);
        assertThat(hub.subscriptions()).isEqualTo(1);
        breaks = false;
        front.await("it is opened again by itself", () -> hub.subscriptions() == 2);
        front.run(other::close);
    }

    /** What cannot even be set up while the chart is at work is told as what breaks later is; nothing stays as it was without a word. */
    @Test
    void aLayerThatCannotBeSetUpIsTold() {
        Indicator broken = new Declared(Indicator.Family.TREND, "broken", "Broken") {
            {
                line();
                help("s", "f", "r", "w", "o");
            }

            @Override
            public void build(Recipe recipe) {
                throw new IllegalStateException("no such moon");
            }
        };
        front.run(() -> feed.open(instrument("KTRL"), Timeframe.MINUTE, List.of()));
        front.await("its bars", () -> !shown.bars().isEmpty());
        front.await("it goes on", () -> hub.subscriptions() == 1);
        front.run(() ->
                feed.setLayers(List.of(new IndicatorLayer("l", broken, Settings.standard(broken), LayerStyle.of(1)))));
        front.await("why", () -> !problems.isEmpty());
        assertThat(problems)
                .containsExactly("The chart of KTRL has stopped: no such moon. It is opened again in 3 seconds.");
        assertThat(hub.subscriptions()).isEqualTo(0);
        front.run(() -> feed.open(instrument("KTRL"), Timeframe.MINUTE, List.of()));
        front.await("it goes on", () -> hub.subscriptions() == 1);
    }

    /** What a chart is compared with fails, while it is loaded and later in the market. */
    @Test
    void aCompanionThatFailsIsToldAndCostsItsOwnValuesAlone() {
        FragileMarket fragile = new FragileMarket(market);
        Directory around = new Directory(List.of(fragile));
        Histories read = new Histories(around);
        Indicator ratio = Language.builtIn().catalogue().find("ratio").orElseThrow();
        IndicatorLayer layer =
                new IndicatorLayer("l", ratio, Settings.of(ratio, Map.of("against", "MARN")), LayerStyle.of(1));
        fragile.problem = new IOException("the line is cut");
        fragile.only = "MARN";
        try (LiveHub beside = new LiveHub(around, clock)) {
            ChartFeed compared = front.get(() -> new ChartFeed(
                    new ChartFeed.Services(
                            read,
                            new Vantages(read, id -> List.of()),
                            beside,
                            clock::now,
                            scheduler,
                            schedules,
                            Language::builtIn,
                            front),
                    "compared",
                    new Kept()));
            front.run(() -> compared.open(instrument("KTRL"), Timeframe.MINUTE, List.of(layer)));
            front.await("bars without", () -> !shown.bars().isEmpty() && !said.isEmpty());
            assertThat(said).containsExactly("MARN cannot be compared with: the line is cut");
            assertThat(last(layer)).isNaN();

            fragile.problem = null;
            front.run(() -> compared.open(instrument("KTRL"), Timeframe.MINUTE, List.of(layer)));
            front.await("both", () -> last(layer) > 0 && beside.subscriptions() == 2);

            long now = clock.now();
            fragile.problem = new IOException("the line is cut again");
            beside.beatAt(now + 3 * Times.MINUTE);
            front.await("the chart goes on", () -> lastClose(shown) > now + 2 * Times.MINUTE);
            fragile.problem = null;
            beside.beatAt(now + 6 * Times.MINUTE);
            front.await("and both do", () -> lastClose(shown) > now + 5 * Times.MINUTE && last(layer) > 0);
            assertThat(said).hasSize(1);
            assertThat(problems).isEmpty();
            front.run(compared::close);
        }
    }

    private static long lastClose(ChartData data) {
        return data.bars().closeTime(data.bars().size() - 1);
    }

    private double last(IndicatorLayer layer) {
        ChartData data = shown;
        return data.of(layer).get(0).column().at(data.bars().closed() - 1);
    }

    private volatile boolean breaks;
    private volatile ChartData beside = ChartData.EMPTY;

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
