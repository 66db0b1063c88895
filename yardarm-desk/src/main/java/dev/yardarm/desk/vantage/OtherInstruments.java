package dev.yardarm.desk.vantage;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.SerialLane;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * Other instruments on the timeframe of a live vantage, carried on by their own trades. Loaded on one thread, then used by the
 * lane of the vantage alone.
 */
final class OtherInstruments {
    private final Map<String, Other> byCode = new LinkedHashMap<>();

    /** One of them. */
    private static final class Other {
        private final BarMaker maker;
        private final Instrument traded;
        private final long knownUpTo;
        private Bars current;
        private LiveHub.Subscription subscription;

        Other(Histories.Loaded loaded) {
            maker = loaded.maker();
            traded = loaded.traded();
            knownUpTo = loaded.knownUpTo();
            current = loaded.series().snapshot();
        }

        void take(TickSeries trades, long now) {
            maker.addTicks(trades, 0, trades.size());
            maker.advanceTo(now);
        }
    }

    private OtherInstruments() {}

    /** Loads what is needed; what cannot be had is told, and its values are missing. */
    static OtherInstruments load(
            Histories histories,
            Instrument instrument,
            BarRequest request,
            Needs needs,
            long moment,
            Consumer<String> missing) {
        OtherInstruments loaded = new OtherInstruments();
        for (String code : needs.instruments()) {
            Instrument other = histories.comparable(instrument, code).orElse(null);
            if (other == null) {
                missing.accept("There is no instrument " + code
                        + " to compare with. Type a part of its name to find its code.");
            } else if (!request.isTime()) {
                missing.accept("Other instruments are compared on bars of time only.");
            } else {
                try {
                    loaded.byCode.put(code, new Other(histories.load(other, request, needs, moment)));
                } catch (IOException | IllegalArgumentException failed) {
                    missing.accept(other.code() + " cannot be compared with: " + failed.getMessage());
                }
            }
        }
        return loaded;
    }

    /** The newest bars of one as of the last {@link #refresh}; empty when it could not be had. */
    Optional<Supplier<Bars>> find(String code) {
        return Optional.ofNullable(byCode.get(code)).map(other -> () -> other.current);
    }

    /** Goes on with the trades of all, handed to the lane. */
    void begin(LiveHub hub, SerialLane lane, Consumer<Throwable> failed) {
        byCode.values()
                .forEach(each -> each.subscription = hub.subscribe(each.traded, each.knownUpTo, new LiveHub.Listener() {
                    @Override
                    public void take(TickSeries trades, long now) {
                        lane.execute(() -> LiveVantage.guard(() -> each.take(trades, now), failed));
                    }

                    @Override
                    public void failed(Throwable problem) {
                        lane.execute(() -> failed.accept(problem));
                    }
                }));
    }

    /** Takes the bars of all as they are now. */
    void refresh() {
        byCode.values().forEach(each -> each.current = each.maker.series().snapshot());
    }

    /** Grows when any of them changes. */
    long version() {
        long version = 0;
        for (Other each : byCode.values()) {
            version += each.maker.series().version();
        }
        return version;
    }

    void close() {
        byCode.values().forEach(each -> {
            if (each.subscription != null) {
                each.subscription.close();
            }
        });
    }
}
