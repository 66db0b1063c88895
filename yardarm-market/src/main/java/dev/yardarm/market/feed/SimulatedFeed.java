package dev.yardarm.market.feed;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The line over which trades come from the exchange. Without a fault it costs nothing: trades are those of the exchange. From the first fault on
 * they go over a {@link Wire} for each instrument, until every fault is over and nothing is missing any more.
 *
 * <p>May be used by any thread; a turn of one instrument is under one lock, which nobody holds for longer than that.
 */
public final class SimulatedFeed {
    private final Exchange exchange;
    private final long seed;

    @GuardedBy("this")
    private final List<FeedFault> faults = new ArrayList<>();

    @GuardedBy("this")
    private final Map<InstrumentId, Wire> wires = new HashMap<>();

    @GuardedBy("this")
    private long begun;

    @GuardedBy("this")
    private boolean faulty;

    /** Counted on wires that are needed no more. */
    @GuardedBy("this")
    private long doubled;

    @GuardedBy("this")
    private long late;

    /** Where trades are made. */
    @FunctionalInterface
    public interface Exchange {
        /** Appends the trades after a moment and up to another, in their order. */
        void trades(InstrumentId id, long after, long upTo, TickSeries into);
    }

    /** @param seed of what happens by chance */
    public SimulatedFeed(Exchange exchange, long seed) {
        this.exchange = exchange;
        this.seed = seed;
    }

    /** Lets faults come, beside those there are. */
    public synchronized void add(List<FeedFault> more, long now) {
        if (!faulty) {
            begun = now;
            faulty = true;
        }
        faults.addAll(more);
    }

    /** Ends all faults at a moment; what is missing stays so until it is filled in. */
    public synchronized void end(long now) {
        List<FeedFault> ended = new ArrayList<>();
        for (FeedFault each : faults) {
            if (each.from() < now) {
                ended.add(new FeedFault(each.kind(), each.from(), Math.min(each.to(), now), each.amount()));
            }
        }
        boolean cut = faults.stream().anyMatch(each -> each.kind() == FeedFault.Kind.CUT && each.hits(now));
        faults.clear();
        faults.addAll(ended);
        if (cut) {
            wires.values().forEach(wire -> wire.fill(now));
        }
    }

    /** Fills in what was lost. */
    public synchronized void fill(long now) {
        wires.values().forEach(wire -> wire.fill(now));
    }

    /** Faults at a moment, in words; empty for none. */
    public synchronized String words(long now) {
        return String.join(
                ", ",
                faults.stream()
                        .filter(each -> each.hits(now))
                        .map(FeedFault::words)
                        .toList());
    }

    /** How many messages came twice and how many trades late, of all instruments, while there were faults. */
    public synchronized long[] counted() {
        return new long[] {
            doubled + wires.values().stream().mapToLong(Wire::doubled).sum(),
            late + wires.values().stream().mapToLong(Wire::late).sum()
        };
    }

    /** @throws IOException when there is no line at a moment */
    public synchronized void check(long now) throws IOException {
        for (FeedFault each : faults) {
            if (each.kind() == FeedFault.Kind.CUT && each.hits(now)) {
                throw new IOException("the line is cut");
            }
        }
    }

    /** Up to which moment, at most a stated one, nothing of an instrument is missing. */
    public synchronized long knownUpTo(InstrumentId id, long now) {
        if (!faulty || now <= begun) {
            return now;
        }
        Wire wire = turn(id, now);
        long known = Math.min(now, wire.completeUpTo());
        settle(now);
        return known;
    }

    @GuardedBy("this")
    private Wire turn(InstrumentId id, long now) {
        Wire wire = wires.computeIfAbsent(
                id, none -> new Wire(begun, seed ^ id.toString().hashCode()));
        if (now > wire.sentUpTo()) {
            TickSeries made = new TickSeries(64);
            exchange.trades(id, wire.sentUpTo(), now, made);
            wire.send(made, now, faults);
        }
        wire.receive(now);
        return wire;
    }

    /** When all faults are over and nothing is missing, trades come as before. */
    @GuardedBy("this")
    private void settle(long now) {
        long end = faults.stream().mapToLong(FeedFault::to).max().orElse(0);
        boolean over = end < now;
        for (Wire wire : wires.values()) {
            over &= wire.missing() == 0 && wire.completeUpTo() >= wire.sentUpTo() && wire.sentUpTo() > end;
        }
        if (over) {
            long[] counts = counted();
            doubled = counts[0];
            late = counts[1];
            faults.clear();
            wires.clear();
            faulty = false;
        }
    }

    /**
     * Appends the trades after a moment and up to another that were received.
     *
     * @throws IOException when there is no line, and more is asked for than was received
     */
    public void trades(InstrumentId id, long after, long upTo, TickSeries into) throws IOException {
        long from = after;
        synchronized (this) {
            Wire wire = faulty && upTo > begun ? turn(id, upTo) : null;
            if (wire != null) {
                if (upTo > wire.completeUpTo()) {
                    check(upTo);
                }
                if (from < wire.receivedFrom()) {
                    exchange.trades(id, from, Math.min(upTo, wire.receivedFrom()), into);
                    from = wire.receivedFrom();
                }
                wire.trades(from, Math.min(upTo, wire.completeUpTo()), into);
                return;
            }
        }
        exchange.trades(id, from, upTo, into);
    }
}
