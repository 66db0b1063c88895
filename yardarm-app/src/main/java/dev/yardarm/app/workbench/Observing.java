package dev.yardarm.app.workbench;

import dev.yardarm.desk.listening.Listening;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;

/** Hearing of a property's changes until it is closed. */
public final class Observing {
    private Observing() {}

    /** Hands over each new value; closed, the property knows nothing of it any more. */
    public static <T> Listening of(ObservableValue<T> value, Consumer<? super T> taker) {
        ChangeListener<T> listener = (observed, before, now) -> taker.accept(now);
        value.addListener(listener);
        return () -> value.removeListener(listener);
    }
}
