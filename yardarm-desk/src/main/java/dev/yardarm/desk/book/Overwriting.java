package dev.yardarm.desk.book;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import java.util.function.LongSupplier;

/** Asks before a file that is there already is replaced: the same command given once more within a minute means it. */
public final class Overwriting {
    private static final long MEANT_NANOS = 60_000_000_000L;

    private final LongSupplier nanos;
    private final Consumer<String> tell;
    private Path refused;
    private long refusedAt;

    /**
     * @param nanos a clock that only goes on
     * @param tell takes the question
     */
    public Overwriting(LongSupplier nanos, Consumer<String> tell) {
        this.nanos = nanos;
        this.tell = tell;
    }

    /** True when the file may be written; else it has been asked. */
    public boolean mayWrite(Path file) {
        long now = nanos.getAsLong();
        boolean meant = file.equals(refused) && now - refusedAt < MEANT_NANOS;
        refused = null;
        if (meant || !Files.exists(file)) {
            return true;
        }
        refused = file;
        refusedAt = now;
        tell.accept(file + " is there already. Give the same command once more to replace it, or choose another name.");
        return false;
    }
}
