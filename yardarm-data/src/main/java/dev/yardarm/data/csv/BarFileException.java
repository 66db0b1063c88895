package dev.yardarm.data.csv;

import java.io.IOException;

/** A bar file that cannot be used as a whole, or whose first bad row is an error. */
public final class BarFileException extends IOException {
    private static final long serialVersionUID = 1L;

    public BarFileException(String message) {
        super(message);
    }
}
