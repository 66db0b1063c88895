package dev.yardarm.core.formula;

/**
 * Something at fault in a text: where, and what would be right.
 *
 * @param position first character at fault, counted from 0
 * @param length number of characters at fault, at least 1
 * @param problem what is at fault and what was expected, with the likely word where one is near
 */
public record Fault(int position, int length, String problem) {
    public Fault {
        length = Math.max(1, length);
    }

    /** The fault with its place in a text, counted from 1; with the line when there are several. */
    public String told(String text) {
        int at = Math.min(position, text.length());
        int lineStart = text.lastIndexOf('\n', at - 1) + 1;
        if (text.indexOf('\n') < 0) {
            return "position " + (position + 1) + ": " + problem;
        }
        long line = text.substring(0, at).chars().filter(each -> each == '\n').count() + 1;
        return "line " + line + ", position " + (at - lineStart + 1) + ": " + problem;
    }

    /** The line it stands in, with marks under the characters at fault. */
    String marked(String text) {
        int at = Math.min(position, text.length());
        int start = text.lastIndexOf('\n', at - 1) + 1;
        int end = text.indexOf('\n', at);
        String line = text.substring(start, end < 0 ? text.length() : end).replace('\t', ' ');
        int marks = Math.max(1, Math.min(length, line.length() - (at - start)));
        return line + System.lineSeparator() + " ".repeat(at - start) + "^".repeat(marks);
    }
}
