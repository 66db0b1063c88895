package dev.yardarm.data.text;

/** How words become cells of a file that a table program may open. */
public final class Cells {
    private Cells() {}

    /**
     * A cell: in quotation marks where it has to be, and with an apostrophe before what such a program would take for a formula and work out, a
     * code such as {@code =1+1} or {@code -RF}. Numbers with a sign stay as they are.
     */
    public static String of(String text) {
        String safe = text.matches("(?s)[=@\\t].*|[+-](?!\\s*[\\d.,]+\\s*%?$).*") ? "'" + text : text;
        return safe.matches("[^\",\\r\\n]*")
                ? safe
                : '"' + safe.replace("\"", "\"\"").replaceAll("[\\r\\n]+", " ") + '"';
    }
}
