package dev.yardarm.desk.feed;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.bars.Timetable;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.EventMarks;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.vantage.LiveVantage;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.Schedules;
import dev.yardarm.desk.work.SerialLane;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Supplies one chart: opens a vantage in the background, computes its layers and goes on with every trade.
 *
 * <p><b>Threads.</b> The interface's thread opens, changes layers and closes. Loading runs on the scheduler. From then on the
 * running state belongs to a serial lane of this chart: it takes slices from the hub, builds bars and computes, so that no other
 * chart and no alert waits for it. Results go to the interface's thread through a {@link Handover}, which keeps the newest.
 *
 * <p>When a new session begins everything is loaded again: contracts roll, prices are adjusted for what is known by then, and
 * marks of events are added only between sessions. A computation that fails ends the feed and is told, and it is opened again after a while; nothing else notices.
 */
public final class ChartFeed implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(ChartFeed.class);

    private final Services services;
    private final Receiver receiver;
    private final String key;
    private Live live;
    private volatile List<Drawing> named = List.of();
    /** How often in a row it has stopped by itself. */
    private int failures;

    /** How long it waits before what has stopped is opened again; of the interface's thread. */
    private static final long[] AGAIN_SECONDS = {3, 20, 60, 300};

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

    /**
     * What every feed needs.
     *
     * @param now what time it is where the charts look from
     * @param schedules runs what is due at times of the market
     * @param language what rules of colour are written in
     * @param front the interface's thread
     */
    public record Services(
            Histories histories,
            Vantages vantages,
            LiveHub hub,
            LongSupplier now,
            Scheduler scheduler,
            Schedules schedules,
            Supplier<Language> language,
            Executor front) {}

    /** @param key tells this chart's loading from that of others */
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
        failures = 0;
        begin(instrument, request, layers);
    }

    private void begin(Instrument instrument, BarRequest request, List<IndicatorLayer> layers) {
        close();
        Live next = new Live(instrument, request, layers);
        live = next;
        services.scheduler()
                .start(
                        Lane.NOW,
                        "feed " + key,
                        "",
                        job -> {
                            // Layers that are changed while this loads are computed when it has begun.
                            List<IndicatorLayer> wanted = next.computedLayers;
                            Language language = services.language().get();
                            long now = services.now().getAsLong();
                            LiveVantage vantage = services.vantages()
                                    .at(now)
                                    .openLive(
                                            instrument,
                                            request,
                                            needs(request, wanted, language),
                                            text -> services.front().execute(() -> receiver.inform(text)));
                            vantage.setDrawings(named);
                            job.check();
                            ChartDataBuilder builder =
                                    new ChartDataBuilder(wanted, vantage.surroundings(), language, request.timeframe());
                            ChartData first =
                                    builder.update(vantage.now().bars()).withLast(vantage.lastPrice());
                            return new Ready(vantage, builder, first, marks(instrument, request, first, now));
                        },
                        ready -> {
                            if (live == next) {
                                receiver.opened(
                                        ready.vantage().madeFrom(),
                                        ready.marks(),
                                        ready.vantage().basis());
                                receiver.show(ready.first());
                                next.begin(ready);
                            }
                        },
                        failed -> {
                            if (live == next) {
                                receiver.complain(
                                        failed.getMessage() == null ? failed.toString() : failed.getMessage());
                            }
                        });
    }

    private List<EventMark> marks(Instrument instrument, BarRequest request, ChartData data, long now)
            throws IOException {
        return data.bars().isEmpty()
                ? List.of()
                : EventMarks.of(
                        services.histories(), instrument, request, data.bars().openTime(0), now);
    }

    private record Ready(LiveVantage vantage, ChartDataBuilder builder, ChartData first, List<EventMark> marks) {}

    /** What layers read beyond the bars that are asked for; where not all are loaded, the bars their values begin with too. */
    private static Needs needs(BarRequest request, List<IndicatorLayer> layers, Language language) {
        Needs needs = ChartDataBuilder.needs(layers, language);
        return request.daysToLoad() == 0 ? needs.withBars(0) : needs;
    }

    /** Computes other layers over the same bars. */
    public void setLayers(List<IndicatorLayer> layers) {
        if (live != null) {
            live.setLayers(layers);
        }
    }

    /** Computes what reads drawings anew, with these, in the prices of the chart. */
    public void setDrawings(List<Drawing> drawings) {
        named = List.copyOf(drawings);
        if (live != null) {
            live.drawingsChanged();
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

    /** The running state of one instrument in one kind of bars; after {@link #begin} it belongs to its lane. */
    private final class Live implements LiveVantage.Listener {
        private final Instrument instrument;
        private final BarRequest request;
        private final SerialLane lane = services.scheduler().lane();
        private final Handover<ChartData> handover = new Handover<>(services.front(), this::show);
        private final Listening nextSession;
        private volatile List<IndicatorLayer> layers;
        private volatile boolean ended;
        private LiveVantage vantage;
        private ChartDataBuilder builder;
        private List<IndicatorLayer> computedLayers;

        Live(Instrument instrument, BarRequest request, List<IndicatorLayer> layers) {
            this.instrument = instrument;
            this.request = request;
            this.nextSession = services.schedules()
                    .add(
                            Timetable.atOpen(services.histories().calendar(instrument), 0),
                            services.now().getAsLong(),
                            due -> openAgain());
            this.layers = List.copyOf(layers);
            this.computedLayers = this.layers;
        }

        /** Takes over what was loaded; the interface's thread hands it over to the lane. */
        void begin(Ready ready) {
            onLane(() -> {
                if (ended) {
                    return;
                }
                vantage = ready.vantage();
                builder = ready.builder();
                vantage.goOn(services.hub(), lane, this);
                recompute();
            });
        }

        void setLayers(List<IndicatorLayer> newLayers) {
            layers = List.copyOf(newLayers);
            onLane(this::recompute);
        }

        /** Runs something on the lane; what goes wrong there ends the feed and is told. */
        private void onLane(Runnable task) {
            lane.execute(() -> {
                try {
                    task.run();
                } catch (RuntimeException | Error problem) {
                    failed(problem);
                }
            });
        }

        private void recompute() {
            // The interface may change them while this runs: all that follows is about the same ones.
            List<IndicatorLayer> wanted = layers;
            if (ended || vantage == null || computedLayers == wanted) {
                return;
            }
            if (ChartDataBuilder.areComputedAlike(computedLayers, wanted)) {
                // They differ in looks; the interface draws them anew by itself.
                computedLayers = wanted;
                return;
            }
            Needs needs = needs(request, wanted, services.language().get());
            if (!vantage.needs().cover(needs)) {
                // Something else is needed beside the bars: everything is loaded again, with it.
                openAgain();
                return;
            }
            computedLayers = wanted;
            rebuild();
        }

        private void openAgain() {
            services.front().execute(() -> {
                if (live == this) {
                    ChartFeed.this.begin(instrument, request, layers);
                }
            });
        }

        private void rebuild() {
            vantage.refresh();
            builder = new ChartDataBuilder(
                    computedLayers, vantage.surroundings(), services.language().get(), request.timeframe());
            publish();
        }

        void drawingsChanged() {
            onLane(() -> {
                if (!ended && vantage != null) {
                    vantage.setDrawings(named);
                    if (!ChartDataBuilder.needs(
                                    computedLayers, services.language().get())
                            .drawings()
                            .isEmpty()) {
                        rebuild();
                    }
                }
            });
        }

        /** The interface's thread ends it; what the lane still does is not shown. */
        void end() {
            ended = true;
            nextSession.close();
            handover.drop();
            lane.execute(() -> {
                if (vantage != null) {
                    vantage.close();
                }
            });
        }

        @Override
        public void changed() {
            if (!ended) {
                publish();
            }
        }

        private void publish() {
            handover.put(builder.update(vantage.now().bars()).withLast(vantage.lastPrice()));
        }

        private void show(ChartData newest) {
            if (!ended) {
                receiver.show(newest);
            }
        }

        @Override
        public void failed(Throwable problem) {
            LOG.error("the chart of {} stands still", instrument.code(), problem);
            ended = true;
            nextSession.close();
            vantage.close();
            String reason = problem.getMessage() == null ? problem.toString() : problem.getMessage();
            services.front().execute(() -> {
                if (live == this) {
                    long pause = AGAIN_SECONDS[Math.min(failures, AGAIN_SECONDS.length - 1)];
                    failures++;
                    receiver.complain("The chart of " + instrument.code() + " has stopped: " + reason
                            + ". It is opened again in " + pause + " seconds.");
                    CompletableFuture.delayedExecutor(pause, TimeUnit.SECONDS, services.front())
                            .execute(() -> {
                                if (live == this) {
                                    ChartFeed.this.begin(instrument, request, layers);
                                }
                            });
                }
            });
        }
    }
}
