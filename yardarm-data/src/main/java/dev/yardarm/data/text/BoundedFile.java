package dev.yardarm.data.text;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Reads files whole, up to a bound: a device that never ends, or a picture taken for a text, must not fill the memory. A file is
 * read as a stream, since what its size is said to be is 0 for devices and pipes.
 */
public final class BoundedFile {
    /** What a document, a script or a definition may measure: far beyond any that was written by this program. */
    public static final long DOCUMENT = 256L << 20;

    /** What a text written by hand may measure. */
    public static final long TEXT = 16L << 20;

    private BoundedFile() {}

    /**
     * All bytes of a file.
     *
     * @param most how many there may be, at most 2^31 - 9
     * @throws IOException when it cannot be read or holds more, with what to do
     */
    public static byte[] bytes(Path file, long most) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] read = in.readNBytes(Math.toIntExact(most) + 1);
            if (read.length > most) {
                throw new IOException(file + " holds more than " + (most >> 20)
                        + " MB, which no file of this kind does; check that it is the right one");
            }
            return read;
        }
    }

    /** A text in UTF-8; see {@link #bytes}. */
    public static String text(Path file, long most) throws IOException {
        return new String(bytes(file, most), StandardCharsets.UTF_8);
    }
}
