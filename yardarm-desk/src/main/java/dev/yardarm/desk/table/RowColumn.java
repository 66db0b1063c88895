package dev.yardarm.desk.table;

import java.util.Comparator;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/**
 * A column of a table.
 *
 * @param id by which it is kept; no blanks
 * @param title with its unit
 * @param width in pixels, where there is room
 * @param text what stands in a row
 * @param order from low to high
 * @param missing rows without a value in it; they come last whichever way it is sorted
 * @param <R> a row
 */
public record RowColumn<R>(
        String id,
        String title,
        Kind kind,
        double width,
        Function<R, String> text,
        Comparator<R> order,
        Predicate<R> missing) {
    /** How its texts stand. */
    public enum Kind {
        /** At the left. */
        WORDS,
        /** At the right. */
        NUMBER,
        /** At the right, coloured by its sign. */
        CHANGE
    }

    /** Words, sorted as a reader would. */
    public static <R> RowColumn<R> words(String id, String title, double width, Function<R, String> text) {
        return new RowColumn<>(
                id,
                title,
                Kind.WORDS,
                width,
                text,
                Comparator.comparing(text, String.CASE_INSENSITIVE_ORDER),
                row -> text.apply(row).isEmpty());
    }

    /** @param value what is sorted by; NaN for none */
    public static <R> RowColumn<R> number(
            String id, String title, double width, Function<R, String> text, ToDoubleFunction<R> value) {
        return number(id, title, Kind.NUMBER, width, text, value);
    }

    /** @param value what is sorted by; NaN for none */
    public static <R> RowColumn<R> change(
            String id, String title, double width, Function<R, String> text, ToDoubleFunction<R> value) {
        return number(id, title, Kind.CHANGE, width, text, value);
    }

    private static <R> RowColumn<R> number(
            String id, String title, Kind kind, double width, Function<R, String> text, ToDoubleFunction<R> value) {
        return new RowColumn<>(
                id,
                title,
                kind,
                width,
                text,
                Comparator.comparingDouble(value),
                row -> Double.isNaN(value.applyAsDouble(row)));
    }
}
