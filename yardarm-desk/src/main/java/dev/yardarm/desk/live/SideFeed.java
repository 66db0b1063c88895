package dev.yardarm.desk.live;

import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.desk.market.Histories;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;

/**
 * The sides of an instrument's single trades, carried on as time goes by. Loaded on one thread, then used by the hub's
 * alone.
 */
final class SideFeed {
    private final BarSource source;
    private final Instrument traded;
    private final TradedSides sides;
    private long upTo;

    private SideFeed(BarSource source, Instrument traded, TradedSides sides, long upTo) {
        this.source = source;
        this.traded = traded;
        this.sides = sides;
        this.upTo = upTo;
    }

    /** Loads the trades known at a moment; null when there are none one by one, or the bars are not of time. */
    static SideFeed open(Histories histories, Instrument instrument, BarRequest request, long now) throws IOException {
        Instrument traded = histories.traded(instrument, now);
        BarSource source = histories.source(traded);
        long from = source.ticksFrom(traded.id(), now);
        if (from == Long.MAX_VALUE || !request.isTime()) {
            return null;
        }
        if (instrument.kind() == Instrument.Kind.CONTINUOUS) {
            // Before its turn another contract was the one that counts.
            List<ContinuousFuture.Turn> turns = histories.turns(instrument, request, now);
            from = Math.max(from, turns.get(turns.size() - 1).from());
        }
        TradedSides sides = new TradedSides(from, Long.MAX_VALUE);
        sides.take(source.ticks(traded.id(), from, now));
        return new SideFeed(source, traded, sides, now);
    }

    TradedSides sides() {
        return sides;
    }

    /** Takes in the trades up to a moment. */
    void goOn(long now) {
        if (now > upTo) {
            try {
                sides.take(source.ticks(traded.id(), upTo + 1, now));
                upTo = now;
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }
}
