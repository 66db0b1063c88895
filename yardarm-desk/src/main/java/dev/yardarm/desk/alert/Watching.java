package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;

/** One alert under watch, from when it is set up until it fires or is taken away. */
interface Watching {
    /** The alert. */
    Alert alert();

    /** The price it waits for at a moment; missing until it is set up, and where it waits for none. */
    double level(long moment);

    /** Sets it up in the background; from there it goes on by itself. */
    void begin();

    /** Ends it; nothing is told any more. */
    void close();

    /** Where the news of a watch goes; on the interface's thread. */
    interface Teller {
        /** It has been set up. */
        void ready(Watching watching);

        /** It went off. */
        void fired(Watching watching, Firing firing);

        /** It cannot be watched now. */
        void cannot(Watching watching, String reason);
    }
}
