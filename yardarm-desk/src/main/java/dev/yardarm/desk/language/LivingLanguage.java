package dev.yardarm.desk.language;

import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.function.Consumer;

/**
 * The language formulas are written in as it stands: a value that another one takes the place of when indicators of the trader's
 * own come or go. May be asked by any thread; listeners are told on the thread of the change.
 */
public final class LivingLanguage {
    private final Listeners<Language> listeners = new Listeners<>();
    private volatile Language now;

    /** @param first what it is to begin with */
    public LivingLanguage(Language first) {
        now = first;
    }

    /** As it stands. */
    public Language now() {
        return now;
    }

    /** The indicators as they stand. */
    public Catalogue catalogue() {
        return now.catalogue();
    }

    /** Puts another one in its place. */
    public void set(Language next) {
        now = next;
        listeners.tell(next);
    }

    /** Tells of each new one. */
    public Listening listen(Consumer<Language> listener) {
        return listeners.add(listener);
    }
}
