package dev.yardarm.desk.vantage;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.SerialLane;
import java.util.List;
import java.util.function.Consumer;

/**
 * An instrument that goes on: bars that grow with every trade, and beside them the other instruments, sides and drawings that
 * are needed. Loaded on one thread; from {@link #goOn} on everything happens on one lane.
 *
 * <pre>{@code
 * LiveVantage live = vantages.at(now).openLive(instrument, request, needs, tell);
 * live.goOn(hub, lane, listener);          // changed(): graph.update(live.now().bars())
 * live.close();
 * }</pre>
 *
 * <p>The hub hands slices to the lane and says when a beat is done; only then, when the other instruments have come as far, is
 * the listener told that something changed. A lane that is behind takes several slices before it tells once.
 */
public final class LiveVantage implements AutoCloseable {
    private final Histories.Loaded loaded;
    private final TradingCalendar calendar;
    private final Needs needs;
    private final OtherInstruments others;
    private final TradedSides sides;
    private long moment;
    private long knownUpTo;
    private NamedDrawings drawings;
    private long toldVersion;
    private LiveHub.Subscription subscription;
    private volatile boolean closed;
    private volatile boolean changeQueued;

    /** Is told how things go on; on the lane. */
    public interface Listener {
        /** Bars, or those beside them, have changed; once for all of a beat. */
        void changed();

        /** A beat is done, whether anything changed or not; after {@link #changed}. */
        default void settled() {}

        /** The bars have taken in trades, and time has come to a moment. */
        default void took(TickSeries trades, long now) {}

        /** True to be told of each trade when the bars have taken it in and none behind it. */
        default boolean wantsEach() {
            return false;
        }

        /** The bars have taken in a trade; only where that is wanted. */
        default void tookOne(TickSeries trades, int trade) {}

        /** Something cannot go on; the vantage is closed. */
        void failed(Throwable problem);
    }

    LiveVantage(
            long moment,
            Histories.Loaded loaded,
            TradingCalendar calendar,
            Needs needs,
            OtherInstruments others,
            TradedSides sides) {
        this.moment = moment;
        this.loaded = loaded;
        this.knownUpTo = loaded.knownUpTo();
        this.calendar = calendar;
        this.needs = needs;
        this.others = others;
        this.sides = sides;
        this.drawings = new NamedDrawings(calendar, List.of());
        this.toldVersion = version();
    }

    /** What it can serve; terms that need more want another vantage. */
    public Needs needs() {
        return needs;
    }

    /** What bars that are not of time are made from; empty for bars of time. */
    public String madeFrom() {
        return loaded.madeFrom();
    }

    /** How traded prices became those of the bars. */
    public PriceBasis basis() {
        return loaded.basis();
    }

    /** The price of the last trade, which need not be a bar's close. */
    public double lastPrice() {
        return loaded.maker().lastPrice();
    }

    /** How things stand now. */
    public Vantage now() {
        return new Vantage(moment, loaded.series().snapshot(), surroundings());
    }

    /** What computations may know; stays valid while things go on. */
    public Surroundings surroundings() {
        return new Surroundings(calendar, others::find, known())
                .withTick(loaded.traded().format().tick())
                .with((name, line, time, known) -> drawings.priceAt(name, line, time, known));
    }

    private Surroundings.Sides known() {
        if (loaded.recorded().isPresent()) {
            return loaded.recorded().get();
        }
        return sides == null ? Surroundings.NONE.sides() : sides;
    }

    /** Reads these drawings, in the prices of the bars, from now on. On the lane, or before it goes on. */
    public void setDrawings(List<Drawing> shown) {
        drawings = new NamedDrawings(calendar, shown);
    }

    /**
     * Goes on with what is traded from now on. On the lane.
     *
     * @param lane on which all further happens
     */
    public void goOn(LiveHub hub, SerialLane lane, Listener listener) {
        lane.check();
        Consumer<Throwable> end = problem -> {
            if (!closed) {
                close();
                listener.failed(problem);
            }
        };
        others.begin(hub, lane, end);
        subscription = hub.subscribe(loaded.traded(), knownUpTo, new LiveHub.Listener() {
            @Override
            public void take(TickSeries trades, long now) {
                lane.execute(() -> guard(() -> absorb(trades, now, listener), end));
            }

            @Override
            public void beatDone(long now) {
                if (!changeQueued) {
                    changeQueued = true;
                    lane.execute(() -> {
                        changeQueued = false;
                        guard(() -> tell(listener), end);
                    });
                }
            }

            @Override
            public void failed(Throwable problem) {
                // Closed by the hub: it would stand still without a word.
                lane.execute(() -> end.accept(problem));
            }
        });
    }

    /**
     * Takes in what was traded up to a moment, before it goes on from there.
     *
     * @param trades those after {@link #knownUpTo()}
     */
    public void catchUp(TickSeries trades, long now, Listener listener) {
        absorb(trades, now, listener);
        refresh();
    }

    /** Up to when it knows what was traded, microseconds UTC. */
    public long knownUpTo() {
        return knownUpTo;
    }

    private void absorb(TickSeries trades, long now, Listener listener) {
        if (closed) {
            return;
        }
        BarMaker maker = loaded.maker();
        loaded.recorded().ifPresent(each -> each.hear(trades, now));
        if (listener.wantsEach()) {
            for (int trade = 0; trade < trades.size() && !closed; trade++) {
                maker.addTicks(trades, trade, trade + 1);
                listener.tookOne(trades, trade);
            }
        } else {
            maker.addTicks(trades, 0, trades.size());
        }
        maker.advanceTo(now);
        moment = now;
        knownUpTo = Math.max(knownUpTo, now);
        if (sides != null) {
            sides.take(trades, now);
        }
        listener.took(trades, now);
    }

    private void tell(Listener listener) {
        if (!closed && version() != toldVersion) {
            refresh();
            listener.changed();
        }
        if (!closed) {
            listener.settled();
        }
    }

    /** Takes everything as it is now, before it is computed over. On the lane. */
    public void refresh() {
        others.refresh();
        toldVersion = version();
    }

    private long version() {
        return loaded.series().version() + others.version();
    }

    /** Runs something and tells what goes wrong. */
    static void guard(Runnable task, Consumer<Throwable> failed) {
        try {
            task.run();
        } catch (RuntimeException | Error problem) {
            failed.accept(problem);
        }
    }

    /** Lets go of the hub. May be called on any thread, also before it goes on. */
    @Override
    public void close() {
        closed = true;
        LiveHub.Subscription open = subscription;
        if (open != null) {
            open.close();
        }
        others.close();
    }
}
