package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Language;

/**
 * Turns a plain sentence into a draft of a definition, or changes the one there is.
 *
 * <pre>{@code
 * Reading reading = interpreter.read("colour bars whose low stays over a climbing 40-bar weighted average", "", language);
 * reading.text();            // the draft, to be looked at before it is taken
 * }</pre>
 */
@FunctionalInterface
public interface Interpreter {
    /**
     * Reads a sentence.
     *
     * @param text the definition there is; empty for none
     * @param language the indicators it may use
     * @return never null; what was not understood and what is missing are told in it, nothing is guessed
     */
    Reading read(String sentence, String text, Language language);
}
