package dev.yardarm.desk.work;

import java.util.concurrent.CancellationException;

/** A piece of work under way: what it is, how far it has come, and whether it should stop. */
public final class Job {
    private final String key;
    private final String title;
    private volatile double progress = -1;
    private volatile boolean cancelled;

    Job(String key, String title) {
        this.key = key;
        this.title = title;
    }

    /** A job that nobody watches, for work outside a scheduler. */
    public static Job unattended() {
        return new Job("unattended", "");
    }

    public String key() {
        return key;
    }

    /** What is being done, for people; empty for work too short to be told. */
    public String title() {
        return title;
    }

    /** From 0 to 1; below 0 while it is not known. */
    public double progress() {
        return progress;
    }

    public void setProgress(double part) {
        progress = part;
    }

    public void cancel() {
        cancelled = true;
    }

    public boolean isCancelled() {
        return cancelled;
    }

    /** Stops the work here when it was cancelled. */
    public void check() {
        if (cancelled) {
            throw new CancellationException(title);
        }
    }
}
