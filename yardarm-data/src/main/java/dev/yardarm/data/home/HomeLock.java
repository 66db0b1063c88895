package dev.yardarm.data.home;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;

/**
 * Keeps two programs from writing in the same home folder. The file says who holds it; the system lets go of it when the program
 * dies. What is locked is a byte far behind the text, so that others can read who it is.
 */
public final class HomeLock implements AutoCloseable {
    private static final long LOCKED_BYTE = 1L << 40;

    private static final Duration SURE = Duration.ofSeconds(1);

    private final FileChannel channel;
    private final FileLock held;

    /** Who works in a home folder. */
    public enum Holder {
        /** The application, for as long as it runs. */
        APPLICATION("another Yardarm is running with the home folder "),
        /** A command that is done after a while. */
        IMPORT("an import is under way into the home folder ");

        private final String words;

        Holder(String words) {
            this.words = words;
        }
    }

    private HomeLock(FileChannel channel, FileLock held) {
        this.channel = channel;
        this.held = held;
    }

    /**
     * Takes a home folder, which is made when it is not there.
     *
     * @throws IOException when it cannot be used, or somebody else works in it, with what to do
     */
    public static HomeLock take(Path home, Holder holder) throws IOException {
        return take(home, holder, Duration.ZERO);
    }

    /**
     * The same, waiting for a while when it is another command that works there; never for an application, which may run for
     * days.
     */
    public static HomeLock take(Path home, Holder holder, Duration patience) throws IOException {
        long end = System.nanoTime() + patience.toNanos();
        // The word in the file may still be that of whoever was here before, or half written; it is believed when it
        // stays.
        long sure = Math.min(patience.toNanos(), SURE.toNanos());
        long since = System.nanoTime();
        while (true) {
            FileChannel channel = open(home);
            try {
                FileLock lock = tryLock(channel);
                if (lock != null) {
                    byte[] word = holder.name().getBytes(StandardCharsets.UTF_8);
                    channel.write(ByteBuffer.wrap(word), 0);
                    channel.truncate(word.length);
                    return new HomeLock(channel, lock);
                }
                Holder other = holder(channel);
                long now = System.nanoTime();
                since = other == Holder.APPLICATION ? since : now;
                if (now - since >= sure && other == Holder.APPLICATION || now >= end) {
                    throw new IOException(other.words + home + ". "
                            + (holder == Holder.IMPORT
                                    ? "Close it first (what it shows is written when it closes), or import into another "
                                            + "folder with --home DIR."
                                    : "Close it, or choose another folder with --home DIR."));
                }
            } catch (IOException failed) {
                channel.close();
                throw failed;
            }
            channel.close();
            pause();
        }
    }

    private static FileChannel open(Path home) throws IOException {
        try {
            Files.createDirectories(home);
            return FileChannel.open(
                    home.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
        } catch (IOException failed) {
            throw new IOException(
                    "the home folder " + home + " cannot be used: " + failed.getMessage()
                            + ". Choose another one with --home DIR.",
                    failed);
        }
    }

    private static FileLock tryLock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock(LOCKED_BYTE, 1, false);
        } catch (OverlappingFileLockException heldHere) {
            return null;
        }
    }

    /** Who holds it; an application when the file does not say. */
    private static Holder holder(FileChannel channel) throws IOException {
        ByteBuffer text = ByteBuffer.allocate(32);
        channel.read(text, 0);
        String word = new String(text.array(), 0, text.position(), StandardCharsets.UTF_8);
        return word.equals(Holder.IMPORT.name()) ? Holder.IMPORT : Holder.APPLICATION;
    }

    private static void pause() throws IOException {
        try {
            Thread.sleep(100);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IOException("waiting for the home folder was interrupted", interrupted);
        }
    }

    @Override
    public void close() throws IOException {
        held.release();
        channel.close();
    }
}
