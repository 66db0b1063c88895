package dev.yardarm.app;

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
        YardarmApplication.prepare(options);
        Application.launch(YardarmApplication.class);
    }
}
