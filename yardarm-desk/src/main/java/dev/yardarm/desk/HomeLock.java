package dev.yardarm.desk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Keeps two programs from writing in the same home folder. The system lets go of it when the program dies. */
final class HomeLock implements AutoCloseable {
    private final FileChannel channel;
    private final FileLock held;

    HomeLock(Path home) throws IOException {
        try {
            Files.createDirectories(home);
            channel = FileChannel.open(home.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        } catch (IOException failed) {
            throw new IOException(
                    "the home folder " + home + " cannot be used: " + failed.getMessage()
                            + ". Choose another one with --home DIR.",
                    failed);
        }
        FileLock lock;
        try {
            lock = channel.tryLock();
        } catch (OverlappingFileLockException heldHere) {
            lock = null;
        }
        if (lock == null) {
            channel.close();
            throw new IOException("another Yardarm is running with the home folder " + home
                    + ". Close it, or choose another folder with --home DIR.");
        }
        held = lock;
    }

    @Override
    public void close() throws IOException {
        held.release();
        channel.close();
    }
}
