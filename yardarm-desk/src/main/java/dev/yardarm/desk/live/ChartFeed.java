package dev.yardarm.desk.live;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.work.Scheduler;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * Supplies one chart: loads the bars in the background, computes its layers and goes on with every trade. Results are
 * handed to the interface's thread, at most one at a time: while one waits to be drawn, newer ones replace it.
 */
public final class ChartFeed implements AutoCloseable {
    private final Services services;
    private final Consumer<ChartData> show;
    private final Consumer<String> complain;
    private final String key;
    private Live live;

    /** What every feed needs. */
    public record Services(Histories histories, LiveHub hub, MarketClock clock, Scheduler scheduler, Executor front) {
    }

    /**
     * @param key tells this chart's loading from that of others
     * @param show takes new data, on the interface's thread
     * @param complain takes what went wrong, on the interface's thread
     */
    public ChartFeed(Services services, String key, Consumer<ChartData> show, Consumer<String> complain) {
        this.services = services;
        this.key = key;
        this.show = show;
        this.complain = complain;
    }

    /** Shows another instrument or timeframe; what was under way for the last one is dropped. */
    public void open(Instrument instrument, Timeframe timeframe, List<IndicatorLayer> layers) {
        close();
        Live next = new Live(instrument, layers);
        live = next;
        services.scheduler().start("feed " + key, "", job -> {
            Histories.Loaded loaded = services.histories().load(instrument, timeframe, services.clock().now());
            job.check();
            ChartDataBuilder builder = new ChartDataBuilder(next.layers);
            ChartData first = builder.update(loaded.builder().series().snapshot());
            return new Ready(loaded, builder, first);
        }, ready -> {
            if (live == next) {
                show.accept(ready.first());
                next.begin(ready);
            }
        }, failed -> complain.accept(failed.getMessage() == null ? failed.toString() : failed.getMessage()));
    }

    private record Ready(Histories.Loaded loaded, ChartDataBuilder builder, ChartData first) {
    }

    /** Computes other layers over the same bars. */
    public void setLayers(List<IndicatorLayer> layers) {
        if (live != null) {
            live.setLayers(layers);
        }
    }

    @Override
    public void close() {
        services.scheduler().cancel("feed " + key);
        if (live != null) {
            live.end();
            live = null;
        }
    }

    /** The running state of one instrument on one timeframe; after {@link #begin} on the hub's thread. */
    private final class Live implements LiveHub.Listener {
        private final Instrument instrument;
        private volatile List<IndicatorLayer> layers;
        private volatile boolean ended;
        private LiveHub.Subscription subscription;
        private BarBuilder bars;
        private ChartDataBuilder builder;
        private List<IndicatorLayer> computedLayers;
        private long shownVersion;
        private volatile ChartData waiting;

        Live(Instrument instrument, List<IndicatorLayer> layers) {
            this.instrument = instrument;
            this.layers = List.copyOf(layers);
            this.computedLayers = this.layers;
        }

        void begin(Ready ready) {
            services.hub().execute(() -> {
                if (ended) {
                    return;
                }
                bars = ready.loaded().builder();
                builder = ready.builder();
                shownVersion = ready.first().bars().version();
                subscription = services.hub().subscribe(instrument, ready.loaded().knownUpTo(), this);
                recompute();
            });
        }

        void setLayers(List<IndicatorLayer> newLayers) {
            layers = List.copyOf(newLayers);
            services.hub().execute(this::recompute);
        }

        private void recompute() {
            if (ended || bars == null || computedLayers == layers) {
                return;
            }
            computedLayers = layers;
            builder = new ChartDataBuilder(computedLayers);
            publish();
        }

        void end() {
            ended = true;
            services.hub().execute(() -> {
                if (subscription != null) {
                    subscription.close();
                }
            });
        }

        @Override
        public void trade(long time, double price, double size) {
            bars.addTick(time, price, size);
        }

        @Override
        public void beat(long now) {
            bars.advanceTo(now);
            if (!ended && bars.series().snapshot().version() != shownVersion) {
                publish();
            }
        }

        private void publish() {
            ChartData data = builder.update(bars.series().snapshot());
            shownVersion = data.bars().version();
            boolean nobodyWaits = waiting == null;
            waiting = data;
            if (nobodyWaits) {
                services.front().execute(() -> {
                    ChartData newest = waiting;
                    waiting = null;
                    if (!ended && newest != null) {
                        show.accept(newest);
                    }
                });
            }
        }
    }
}
