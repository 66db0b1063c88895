package dev.yardarm.app.log;

import java.util.logging.Logger;

/**
 * What the toolkit logs, without its warning that it was started from the class path: it is meant to be (the offscreen toolkit
 * needs that), and a warning at each start teaches people to overlook warnings. All others come through.
 */
public final class ToolkitLog {
    /** Held, because a logger nobody holds may be made anew without its filter. */
    private static final Logger TOOLKIT = Logger.getLogger("javafx");

    private ToolkitLog() {}

    /** To be called before the toolkit starts. */
    public static void expectClassPath() {
        TOOLKIT.setFilter(record -> record.getMessage() == null
                || !record.getMessage().startsWith("Unsupported JavaFX configuration: classes were loaded from"));
    }
}
