package dev.yardarm.data.document;

/**
 * What a change made of a document, so small that it can be written down at once: the document as it became, or, of one made of
 * keyed things, a document of those that were added or changed and one of those that were taken away.
 *
 * <p>Carrying an edit out twice comes to the same as once, and so does carrying out edits in order that the document holds already, as long
 * as none of the later ones is left out.
 *
 * @param whole null when {@code put} and {@code gone} say what changed
 * @param put those added or changed; null for none
 * @param gone those taken away; null for none
 */
public record Edit<T>(T whole, T put, T gone) {
    public static <T> Edit<T> whole(T document) {
        return new Edit<>(document, null, null);
    }

    public static <T> Edit<T> patch(T put, T gone) {
        return new Edit<>(null, put, gone);
    }
}
