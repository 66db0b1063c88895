package dev.yardarm.desk.listening;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Who is told of something. One that fails is logged and does not keep the others from being told. May be added to, told and
 * closed on any thread, also while it tells; who leaves meanwhile is not told any more.
 *
 * <pre>{@code
 * Listening listening = listeners.add(change -> ...);
 * listeners.tell(change);
 * listening.close();
 * }</pre>
 *
 * @param <T> what is told
 */
public final class Listeners<T> {
    private static final Logger LOG = LoggerFactory.getLogger(Listeners.class);

    private final List<Place> places = new CopyOnWriteArrayList<>();

    private final class Place implements Listening {
        private final Consumer<? super T> listener;

        Place(Consumer<? super T> listener) {
            this.listener = listener;
        }

        @Override
        public void close() {
            places.remove(this);
        }
    }

    /** Tells this listener from now on, after those that are there. */
    public Listening add(Consumer<? super T> listener) {
        Place place = new Place(listener);
        places.add(place);
        return place;
    }

    /** Tells everyone, in the order they came. */
    public void tell(T what) {
        for (Place place : places) {
            if (places.contains(place)) {
                try {
                    place.listener.accept(what);
                } catch (RuntimeException failed) {
                    LOG.error("a listener failed", failed);
                }
            }
        }
    }

    /** How many there are. */
    public int count() {
        return places.size();
    }
}
