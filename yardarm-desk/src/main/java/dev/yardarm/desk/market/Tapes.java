package dev.yardarm.desk.market;

import dev.yardarm.core.calculation.TradeTape;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.Trades;
import java.io.IOException;
import java.lang.ref.WeakReference;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The trades of instruments, read once for all charts that look at them, and kept as long as one does. May be used by any thread; two that
 * want the same wait for one reading, no other waits.
 */
public final class Tapes {
    private final Map<InstrumentId, Slot> slots = new ConcurrentHashMap<>();

    /** The place of one instrument; locked while its trades are read. */
    private static final class Slot {
        private WeakReference<TradeTape> tape = new WeakReference<>(null);
    }

    /**
     * A tape that has all trades of an instrument from one moment to another at least.
     *
     * @throws IOException when they cannot be read
     */
    public TradeTape of(Trades source, InstrumentId id, long from, long moment) throws IOException {
        Slot slot = slots.computeIfAbsent(id, each -> new Slot());
        synchronized (slot) {
            TradeTape known = slot.tape.get();
            if (known == null || known.knownFrom() > from) {
                known = TradeTape.from(from);
                slot.tape = new WeakReference<>(known);
            }
            long upTo = known.knownUpTo();
            if (upTo < moment) {
                known.extend(source.ticks(id, upTo + 1, moment), moment);
            }
            return known;
        }
    }

    /** Forgets the trades of an instrument, after its history has changed; who looks at them goes on with what there was. */
    void forget(InstrumentId id) {
        slots.remove(id);
    }
}
