package dev.yardarm.desk.market;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.Trades;
import dev.yardarm.data.history.TickStore;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Writes down what is traded while the market runs, of the instruments somebody listens to whose trades are kept: every ten minutes of the
 * market what came since the last time, into the file of the day.
 *
 * <p>Of a day what is kept is always its beginning up to some moment: recording goes on where the last trade that is kept ends, or with
 * the day when that is long ago, and asks the source for what is missing between. So a session that was broken off leaves no hole that
 * looks like a quiet market.
 *
 * <p>Called on the thread of the market, which it keeps for a comparison; the writing happens behind.
 */
final class TickRecorder {
    private static final Logger LOG = LoggerFactory.getLogger(TickRecorder.class);
    private static final long EVERY = 10 * Times.MINUTE;
    /** Older than this, what is kept ends with a gap nobody takes for a quiet market. */
    private static final long FAR = 2 * Times.DAY;

    private final Trades market;
    private final Supplier<Optional<TickStore>> store;
    private final UnaryOperator<InstrumentId> inStore;
    private final Executor behind;
    /** Those listened to; true for those whose trades are kept. */
    private final Map<InstrumentId, Boolean> heard = new ConcurrentHashMap<>();

    /** Up to which moment each was recorded here. */
    private final Map<InstrumentId, Long> recorded = new ConcurrentHashMap<>();

    private final Set<InstrumentId> underWay = ConcurrentHashMap.newKeySet();
    private long last = Long.MIN_VALUE;

    /** @param inStore the identity under which the trades of an instrument are kept */
    TickRecorder(
            Trades market, Supplier<Optional<TickStore>> store, UnaryOperator<InstrumentId> inStore, Executor behind) {
        this.market = market;
        this.store = store;
        this.inStore = inStore;
        this.behind = behind;
    }

    /** Somebody listens to what is traded of an instrument; whoever does gets it, whether or not it can be recorded. */
    void hears(InstrumentId id, long now) {
        heard.computeIfAbsent(id, each -> isKept(each, now));
    }

    private boolean isKept(InstrumentId id, long now) {
        try {
            return market.ticksFrom(id, now) != Long.MAX_VALUE;
        } catch (RuntimeException failed) {
            LOG.warn("the trades of {} are not recorded: {}", id.code(), failed.getMessage());
            return false;
        }
    }

    /** Time has come to a moment. */
    void beat(long now) {
        if (last == Long.MIN_VALUE) {
            last = now;
        }
        if (now - last >= EVERY) {
            last = now;
            heard.forEach((id, isKept) -> {
                if (isKept && underWay.add(id)) {
                    behind.execute(() -> record(id, now));
                }
            });
        }
    }

    private void record(InstrumentId id, long now) {
        try {
            TickStore open = store.get().orElse(null);
            if (open != null) {
                TickSeries more = market.ticks(id, from(open, id, now), now);
                open.mergeTicks(inStore.apply(id), more);
                recorded.put(id, now);
            }
        } catch (IOException | RuntimeException failed) {
            // The next time asks for all that is missing.
            LOG.warn("the trades of {} cannot be recorded: {}", id.code(), failed.getMessage());
        } finally {
            underWay.remove(id);
        }
    }

    private long from(TickStore open, InstrumentId id, long now) throws IOException {
        Long known = recorded.get(id);
        if (known != null) {
            return known + 1;
        }
        long newest = open.lastTick(inStore.apply(id));
        return newest < now - FAR ? Math.floorDiv(now, Times.DAY) * Times.DAY : Math.min(newest, now) + 1;
    }
}
