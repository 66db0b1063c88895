package dev.yardarm.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the user is told, from any thread. What is said while the desk is being opened waits for those who come to listen before
 * the market runs. Guarded by its own monitor.
 */
final class Notices {
    private static final Logger LOG = LoggerFactory.getLogger(Notices.class);

    private final Executor front;
    private final List<Consumer<String>> listeners = new ArrayList<>();
    private final List<String> early = new ArrayList<>();
    private boolean open;

    /** @param front the interface's thread, on which listeners hear */
    Notices(Executor front) {
        this.front = front;
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

    void tell(String notice) {
        LOG.info("notice: {}", notice);
        List<Consumer<String>> now;
        synchronized (this) {
            if (!open) {
                early.add(notice);
            }
            now = List.copyOf(listeners);
        }
        front.execute(() -> now.forEach(listener -> listener.accept(notice)));
    }

    /** From now on nothing waits for listeners that come later. */
    synchronized void open() {
        open = true;
    }
}
