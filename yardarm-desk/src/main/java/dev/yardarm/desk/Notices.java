package dev.yardarm.desk;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the user is told, from any thread. What is said while the desk is being opened waits for those who come to listen before
 * the market runs. What several charts find out at once is told once. Guarded by its own monitor.
 */
final class Notices {
    private static final Logger LOG = LoggerFactory.getLogger(Notices.class);

    /** The same words may be told again after this time. */
    private static final long AGAIN_NANOS = 2_000_000_000L;

    private static final int KEPT = 50;

    private final Executor front;
    private final List<Consumer<String>> listeners = new ArrayList<>();
    private final List<String> early = new ArrayList<>();
    /** What was told lately, and when. */
    private final Map<String, Long> lately = new LinkedHashMap<>();

    /** The last that were told, the newest first. */
    private final Deque<String> kept = new ArrayDeque<>();

    private final LongSupplier nanos;
    private boolean open;

    /** @param front the interface's thread, on which listeners hear */
    Notices(Executor front) {
        this(front, System::nanoTime);
    }

    /** @param nanos a clock that only goes on */
    Notices(Executor front, LongSupplier nanos) {
        this.front = front;
        this.nanos = nanos;
    }

    /** Hears of all that is told from now on, and first of what was told too early. */
    void listen(Consumer<String> listener) {
        List<String> before;
        synchronized (this) {
            listeners.add(listener);
            before = List.copyOf(early);
        }
        before.forEach(listener);
    }

    /** A reason that ends a sentence may have ended one already. */
    private static String ended(String said) {
        return said.replaceFirst("(?<=[^.])([.?!])\\.$", "$1");
    }

    void tell(String said) {
        String notice = ended(said);
        if (notice.isBlank()) {
            LOG.error("an empty notice was to be told", new IllegalStateException("no words"));
            return;
        }
        List<Consumer<String>> now;
        synchronized (this) {
            if (wasToldLately(notice)) {
                return;
            }
            kept.addFirst(notice);
            if (kept.size() > KEPT) {
                kept.removeLast();
            }
            if (!open) {
                early.add(notice);
            }
            now = List.copyOf(listeners);
        }
        LOG.info("notice: {}", notice);
        front.execute(() -> now.forEach(listener -> listener.accept(notice)));
    }

    private boolean wasToldLately(String notice) {
        long time = nanos.getAsLong();
        lately.values().removeIf(told -> time - told > AGAIN_NANOS);
        return lately.putIfAbsent(notice, time) != null;
    }

    /** The last fifty that were told, the newest first. */
    synchronized List<String> kept() {
        return List.copyOf(kept);
    }

    /** From now on nothing waits for listeners that come later. */
    synchronized void open() {
        open = true;
    }
}
