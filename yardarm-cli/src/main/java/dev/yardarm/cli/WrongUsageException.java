package dev.yardarm.cli;

/** Options that do not go together or have impossible values. */
final class WrongUsageException extends Exception {
    private static final long serialVersionUID = 1L;

    WrongUsageException(String message) {
        super(message);
    }
}
