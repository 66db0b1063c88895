package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;

/** One alert under watch, from when it is set up until it is done or taken away. Made and ended by the interface's thread. */
interface Watching {
    /** The alert. */
    Alert alert();

    /** The price it waits for at a moment; missing until it is set up, and where it waits for none. Any thread. */
    double level(long moment);

    /** True while it reads what is drawn as it is now. */
    boolean isUpToDate(Drawn drawn);

    /**
     * Sets it up in the background; from there it goes on by itself.
     *
     * @param now the moment it is set up at: what was traded since the alert was set is looked through up to it
     */
    void begin(long now);

    /** Ends it; nothing is told any more. */
    void close();

    /** Where the news of a watch goes; on the interface's thread. */
    interface Teller {
        /** It has been set up. */
        void ready(Watching watching);

        /**
         * It went off.
         *
         * @param away true when that was before it was set up: while nothing ran, or its source was away
         */
        void fired(Watching watching, Firing firing, boolean away);

        /** Its time is over. */
        void expired(Watching watching);

        /** What earlier prices are now has changed, or more was missed than it can take in: it wants to be set up anew, at a moment. */
        void stale(Watching watching, long now);

        /** It cannot be watched now. */
        void cannot(Watching watching, String reason);
    }
}
