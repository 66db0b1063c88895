package dev.yardarm.app.panel;

import java.util.function.Function;
import javafx.util.StringConverter;

/** What the values of a choice are called on screen; nothing is read back. */
final class Words<T> extends StringConverter<T> {
    private final Function<T, String> words;

    Words(Function<T, String> words) {
        this.words = words;
    }

    @Override
    public String toString(T value) {
        return value == null ? "" : words.apply(value);
    }

    @Override
    public T fromString(String text) {
        return null;
    }
}
