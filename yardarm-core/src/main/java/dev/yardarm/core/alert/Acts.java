package dev.yardarm.core.alert;

import java.util.Objects;

/**
 * What happens when an alert fires, besides the notice that stays and the record.
 *
 * @param sound name of the sound; empty for the usual one, {@value #SILENT} for none
 * @param system true to tell the system's own notifications
 * @param chart true to bring up the chart of the alert's bars at the moment it fired
 * @param stance word of the stance to put on the instrument; empty to leave it
 * @param tag to put on the instrument; empty for none
 * @param file true to add a line to the open file of firings
 */
public record Acts(String sound, boolean system, boolean chart, String stance, String tag, boolean file) {
    /** Name of no sound at all. */
    public static final String SILENT = "none";

    /** The usual sound, nothing else. */
    public static final Acts NONE = new Acts("", false, false, "", "", false);

    public Acts {
        Objects.requireNonNull(sound);
        Objects.requireNonNull(stance);
        Objects.requireNonNull(tag);
    }

    /** The same with another sound. */
    public Acts withSound(String other) {
        return new Acts(other, system, chart, stance, tag, file);
    }

    /** The same, told the system or not. */
    public Acts withSystem(boolean on) {
        return new Acts(sound, on, chart, stance, tag, file);
    }

    /** The same, bringing up the chart or not. */
    public Acts withChart(boolean on) {
        return new Acts(sound, system, on, stance, tag, file);
    }

    /** The same with a stance to put. */
    public Acts withStance(String word) {
        return new Acts(sound, system, chart, word, tag, file);
    }

    /** The same with a tag to put. */
    public Acts withTag(String word) {
        return new Acts(sound, system, chart, stance, word, file);
    }

    /** The same, with a line in the file or not. */
    public Acts withFile(boolean on) {
        return new Acts(sound, system, chart, stance, tag, on);
    }
}
