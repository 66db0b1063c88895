package dev.yardarm.core.plain;

import java.util.List;

/**
 * What a sentence was understood as.
 *
 * @param text the definition as it would be; as it was when nothing was understood or something is asked
 * @param understood what was understood, in short
 * @param unclear words and parts that were not
 * @param asked questions to be answered by a fuller sentence; while there are any, the text stays as it was
 */
public record Reading(String text, List<String> understood, List<String> unclear, List<String> asked) {
    public Reading {
        understood = List.copyOf(understood);
        unclear = List.copyOf(unclear);
        asked = List.copyOf(asked);
    }

    /** True when the text would change. */
    public boolean changes(String before) {
        return !text.equals(before);
    }
}
