package dev.yardarm.desk.feed;

import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;

/**
 * Hands the newest of something to another thread, at most one at a time: while one waits to be taken, a newer one replaces it.
 *
 * <p>Both sides exchange one reference in one step. Who finds nothing waiting queues the taking; who takes finds what was put
 * last. Were looking and writing two steps, something put between them would stand there with nobody coming for it. Lock-free;
 * any number of threads may put.
 */
final class Handover<T> {
    private final AtomicReference<T> waiting = new AtomicReference<>();
    private final Executor taker;
    private final Consumer<T> take;

    /**
     * @param taker runs the taking on the thread that takes
     * @param take is given the newest
     */
    Handover(Executor taker, Consumer<T> take) {
        this.taker = taker;
        this.take = take;
    }

    /** Puts something newer. */
    void put(T newest) {
        if (waiting.getAndSet(newest) == null) {
            taker.execute(() -> {
                T taken = waiting.getAndSet(null);
                if (taken != null) {
                    take.accept(taken);
                }
            });
        }
    }

    /** Takes back what waits. */
    void drop() {
        waiting.set(null);
    }
}
