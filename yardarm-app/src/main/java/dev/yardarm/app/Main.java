package dev.yardarm.app;

import dev.yardarm.app.log.ToolkitLog;
import javafx.application.Application;

/** Starts the application. Kept apart from it so that it starts from the class path. */
public final class Main {
    private Main() {}

    /**
     * @param arguments {@code demo}, {@code open} or {@code shots}, then options
     */
    public static void main(String[] arguments) {
        StartOptions options;
        try {
            options = StartOptions.read(arguments);
        } catch (IllegalArgumentException wrong) {
            System.err.println("yardarm: " + wrong.getMessage());
            System.exit(2);
            return;
        }
        ToolkitLog.expectClassPath();
        YardarmApplication.prepare(options);
        try {
            Application.launch(YardarmApplication.class);
        } catch (UnsupportedOperationException noDisplay) {
            System.err.println("yardarm: the display " + System.getenv("DISPLAY") + " cannot be opened ("
                    + noDisplay.getMessage() + "). Set DISPLAY to one that can, or start with --offscreen.");
            System.exit(1);
        }
    }
}
