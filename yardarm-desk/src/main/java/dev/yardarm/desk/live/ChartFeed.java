package dev.yardarm.desk.live;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.market.EventMarks;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Executor;

/**
 * Supplies one chart: loads the bars in the background, computes its layers and goes on with every trade. Results are
 * handed to the interface's thread, at most one at a time: while one waits to be drawn, newer ones replace it.
 *
 * <p>When a new session begins everything is loaded again: contracts roll, prices are adjusted for what is known by then,
 * and marks of events are added only between sessions.
 */
public final class ChartFeed implements AutoCloseable {
    private final Services services;
    private final Receiver receiver;
    private final String key;
    private Live live;
    private volatile List<Drawing> named = List.of();

    /** Takes what a feed supplies; called on the interface's thread. */
    public interface Receiver {
        /** New bars and values. */
        void show(ChartData data);

        /**
         * What belongs to bars that have just been loaded; comes before them.
         *
         * @param madeFrom what bars that are not of time are made from; empty for bars of time
         * @param basis how traded prices became those of the bars
         */
        default void opened(String madeFrom, List<EventMark> marks, PriceBasis basis) {}

        /** Something the user should know; the chart goes on. */
        default void inform(String notice) {}

        /** What went wrong, with what to do. */
        void complain(String problem);
    }

    /** What every feed needs. */
    public record Services(Histories histories, LiveHub hub, MarketClock clock, Scheduler scheduler, Executor front) {}

    /**
     * @param key tells this chart's loading from that of others
     */
    public ChartFeed(Services services, String key, Receiver receiver) {
        this.services = services;
        this.key = key;
        this.receiver = receiver;
    }

    /** Shows another instrument or timeframe; what was under way for the last one is dropped. */
    public void open(Instrument instrument, Timeframe timeframe, List<IndicatorLayer> layers) {
        open(instrument, BarRequest.of(timeframe), layers);
    }

    /** Shows other bars or another instrument; what was under way for the last ones is dropped. */
    public void open(Instrument instrument, BarRequest request, List<IndicatorLayer> layers) {
        close();
        Live next = new Live(instrument, request, layers);
        live = next;
        services.scheduler()
                .start(
                        "feed " + key,
                        "",
                        job -> {
                            Histories.Loaded loaded = services.histories()
                                    .load(instrument, request, services.clock().now());
                            job.check();
                            TradingCalendar calendar = services.histories().calendar(instrument);
                            // Layers that are changed while this loads are computed when it has begun.
                            List<IndicatorLayer> wanted = next.computedLayers;
                            Companions companions = Companions.load(
                                    services.histories(),
                                    instrument,
                                    request,
                                    wanted,
                                    services.clock().now(),
                                    text -> services.front().execute(() -> receiver.inform(text)));
                            job.check();
                            ChartDataBuilder builder = new ChartDataBuilder(wanted, surroundings(companions, calendar));
                            ChartData first = builder.update(loaded.series().snapshot())
                                    .withLast(loaded.maker().lastPrice());
                            return new Ready(loaded, companions, builder, first, marks(instrument, request, first));
                        },
                        ready -> {
                            if (live == next) {
                                receiver.opened(
                                        ready.loaded().madeFrom(),
                                        ready.marks(),
                                        ready.loaded().basis());
                                receiver.show(ready.first());
                                next.begin(ready);
                            }
                        },
                        failed -> receiver.complain(
                                failed.getMessage() == null ? failed.toString() : failed.getMessage()));
    }

    private List<EventMark> marks(Instrument instrument, BarRequest request, ChartData data) throws IOException {
        return data.bars().isEmpty()
                ? List.of()
                : EventMarks.of(
                        services.histories(),
                        instrument,
                        request,
                        data.bars().openTime(0),
                        services.clock().now());
    }

    private record Ready(
            Histories.Loaded loaded,
            Companions companions,
            ChartDataBuilder builder,
            ChartData first,
            List<EventMark> marks) {}

    /** Computes other layers over the same bars. */
    public void setLayers(List<IndicatorLayer> layers) {
        if (live != null) {
            live.setLayers(layers);
        }
    }

    /** Computes what reads drawings anew, with these. */
    public void setDrawings(List<Drawing> drawings) {
        named = List.copyOf(drawings);
        if (live != null) {
            live.drawingsChanged();
        }
    }

    private Surroundings surroundings(Companions companions, TradingCalendar calendar) {
        return companions.surroundings(calendar).with(new NamedDrawings(calendar, named));
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
        private final BarRequest request;
        private long nextSession;
        private volatile List<IndicatorLayer> layers;
        private volatile boolean ended;
        private LiveHub.Subscription subscription;
        private BarMaker bars;
        private Companions companions;
        private ChartDataBuilder builder;
        private List<IndicatorLayer> computedLayers;
        private long shownVersion;
        private volatile ChartData waiting;

        Live(Instrument instrument, BarRequest request, List<IndicatorLayer> layers) {
            this.instrument = instrument;
            this.request = request;
            TradingCalendar calendar = services.histories().calendar(instrument);
            this.nextSession = calendar.open(
                    calendar.next(calendar.sessionAt(services.clock().now())));
            this.layers = List.copyOf(layers);
            this.computedLayers = this.layers;
        }

        void begin(Ready ready) {
            services.hub().execute(() -> {
                if (ended) {
                    return;
                }
                bars = ready.loaded().maker();
                companions = ready.companions();
                builder = ready.builder();
                shownVersion = ready.first().bars().version() + companions.version();
                companions.begin(services.hub());
                subscription = services.hub()
                        .subscribe(ready.loaded().traded(), ready.loaded().knownUpTo(), this);
                recompute();
            });
        }

        void setLayers(List<IndicatorLayer> newLayers) {
            layers = List.copyOf(newLayers);
            services.hub().execute(this::recompute);
        }

        private void recompute() {
            // The interface may change them while this runs: all that follows is about the same ones.
            List<IndicatorLayer> wanted = layers;
            if (ended || bars == null || computedLayers == wanted) {
                return;
            }
            if (ChartDataBuilder.areComputedAlike(computedLayers, wanted)) {
                // They differ in looks; the interface draws them anew by itself.
                computedLayers = wanted;
                return;
            }
            if (!companions.serve(wanted)) {
                // Another instrument is to be compared with: everything is loaded again, with it.
                services.front().execute(() -> {
                    if (live == this) {
                        open(instrument, request, layers);
                    }
                });
                return;
            }
            computedLayers = wanted;
            rebuild();
        }

        private void rebuild() {
            builder = new ChartDataBuilder(
                    computedLayers,
                    surroundings(companions, services.histories().calendar(instrument)));
            publish();
        }

        void drawingsChanged() {
            if (ChartDataBuilder.readsDrawings(layers)) {
                services.hub().execute(() -> {
                    if (!ended && bars != null) {
                        rebuild();
                    }
                });
            }
        }

        void end() {
            ended = true;
            services.hub().execute(() -> {
                if (subscription != null) {
                    subscription.close();
                    companions.close();
                }
            });
        }

        @Override
        public void trade(long time, double price, double size) {
            try {
                bars.addTick(time, price, size);
            } catch (IllegalArgumentException impossible) {
                end();
                services.front().execute(() -> receiver.complain(instrument.code() + ": " + impossible.getMessage()));
            }
        }

        @Override
        public void beat(long now) {
            bars.advanceTo(now);
            if (companions.isEmpty()) {
                publishChanges();
            } else {
                // After this beat, when the others have come as far.
                services.hub().execute(this::publishChanges);
            }
            if (now >= nextSession) {
                nextSession = Long.MAX_VALUE;
                services.front().execute(() -> {
                    if (live == this) {
                        open(instrument, request, layers);
                    }
                });
            }
        }

        private void publishChanges() {
            if (!ended && bars.series().version() + companions.version() != shownVersion) {
                publish();
            }
        }

        private void publish() {
            companions.refresh(services.clock().now());
            ChartData data = builder.update(bars.series().snapshot()).withLast(bars.lastPrice());
            shownVersion = data.bars().version() + companions.version();
            boolean nobodyWaits = waiting == null;
            waiting = data;
            if (nobodyWaits) {
                services.front().execute(() -> {
                    ChartData newest = waiting;
                    waiting = null;
                    if (!ended && newest != null) {
                        receiver.show(newest);
                    }
                });
            }
        }
    }
}
