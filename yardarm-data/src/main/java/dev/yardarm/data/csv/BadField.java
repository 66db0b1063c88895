package dev.yardarm.data.csv;

/** A field that cannot be used; column counted from 0, -1 for the whole row. */
final class BadField extends Exception {
    private static final long serialVersionUID = 1L;
    final int column;

    BadField(int column, String problem) {
        // Without a trace: a file may have a million of them, and nobody asks where in the program they were found.
        super(problem, null, false, false);
        this.column = column;
    }
}
