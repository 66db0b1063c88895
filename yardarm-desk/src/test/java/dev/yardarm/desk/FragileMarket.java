package dev.yardarm.desk;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.ManyHistories;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** A market that fails when a test wants it to. */
final class FragileMarket implements LiveSource {
    private final LiveSource market;
    volatile IOException problem;
    /** Not even an answer. */
    volatile RuntimeException broken;

    volatile boolean unordered;
    /** The code of the only instrument that has the problem; null for all. */
    volatile String only;
    /** Histories are asked for and then wait for it; null when nothing waits. */
    volatile CountDownLatch held;

    /** The longest span of bars within the day that was asked for, microseconds. */
    volatile long longest;

    /** Counted down when a history is asked for. */
    final CountDownLatch asked = new CountDownLatch(1);

    FragileMarket(LiveSource market) {
        this.market = market;
    }

    @Override
    public void trades(InstrumentId id, long after, long upTo, TickSeries into) throws IOException {
        fail(id);
        if (unordered) {
            into.append(upTo, 1, 1, TickSeries.ASK);
            into.append(after, 1, 1, TickSeries.ASK);
        }
        market.trades(id, after, upTo, into);
    }

    private static void waitFor(CountDownLatch held) {
        boolean done = false;
        while (!done) {
            try {
                done = held.await(60, TimeUnit.SECONDS);
            } catch (InterruptedException given) {
                // What reads a file does not look whether it was given up either.
            }
        }
    }

    @Override
    public void check(long now) throws IOException {
        if (broken != null && only == null) {
            throw broken;
        }
        market.check(now);
    }

    private void fail(InstrumentId id) throws IOException {
        if (only != null && !only.equals(id.code())) {
            return;
        }
        if (broken != null) {
            throw broken;
        }
        if (problem != null) {
            throw problem;
        }
    }

    @Override
    public String name() {
        return market.name();
    }

    @Override
    public List<Instrument> instruments() {
        return market.instruments();
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        return market.calendar(instrument);
    }

    @Override
    public List<Timeframe> stored(InstrumentId id) {
        return market.stored(id);
    }

    /** Is read alone whatever it offers, so that each can have the problem. */
    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) throws IOException {
        asked.countDown();
        if (timeframe.isIntraday()) {
            longest = Math.max(longest, from == Long.MIN_VALUE ? Long.MAX_VALUE : upTo - from);
        }
        CountDownLatch waited = held;
        if (waited != null) {
            waitFor(waited);
        }
        fail(id);
        return market.history(id, timeframe, from, upTo);
    }

    @Override
    public <T> Optional<T> offers(Class<T> capability) {
        return capability == ManyHistories.class ? Optional.empty() : market.offers(capability);
    }
}
