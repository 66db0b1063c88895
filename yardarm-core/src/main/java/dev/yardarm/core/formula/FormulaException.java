package dev.yardarm.core.formula;

/** A formula that cannot be used, with the place in its text, so that an editor can mark it. */
public final class FormulaException extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String formula;
    private final int position;
    private final int length;

    FormulaException(String formula, int position, int length, String problem) {
        super("position " + (position + 1) + ": " + problem);
        this.formula = formula;
        this.position = position;
        this.length = Math.max(1, length);
    }

    public String formula() {
        return formula;
    }

    /** First character at fault, counted from 0; the message counts from 1. */
    public int position() {
        return position;
    }

    /** Number of characters at fault, at least 1. */
    public int length() {
        return length;
    }

    /** The formula with a line of marks under the characters at fault. */
    public String marked() {
        return formula + System.lineSeparator() + " ".repeat(position) + "^".repeat(length);
    }
}
