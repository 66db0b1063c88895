package dev.yardarm.data.text;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Text files that people give one another: UTF-8, or UTF-16 where a mark says so, the mark left out. Written ones appear only when
 * they are complete.
 */
public final class TextFile {
    /** The largest text that is read, in bytes; a file beyond it is no text anybody wrote. */
    public static final long MOST_BYTES = 4_000_000;

    private TextFile() {}

    /**
     * Reads a text.
     *
     * @throws IOException when there is none, or it is no text, in words without the name of the file
     */
    public static String read(Path file) throws IOException {
        if (Files.isDirectory(file)) {
            throw new IOException("it is a folder");
        }
        long size;
        try {
            size = Files.size(file);
        } catch (NoSuchFileException missing) {
            throw new IOException("there is no such file", missing);
        }
        if (size > MOST_BYTES) {
            throw new IOException("it is larger than a text may be: " + size / 1_000_000 + " MB of at most "
                    + MOST_BYTES / 1_000_000);
        }
        return decoded(BoundedFile.bytes(file, MOST_BYTES));
    }

    private static String decoded(byte[] bytes) throws IOException {
        int first = bytes.length < 2 ? 0 : (bytes[0] & 0xFF) << 8 | bytes[1] & 0xFF;
        Charset charset = first == 0xFFFE
                ? StandardCharsets.UTF_16LE
                : first == 0xFEFF ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_8;
        try {
            String text = charset.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
            if (text.indexOf('\0') >= 0) {
                throw new IOException("it is no text");
            }
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException notText) {
            throw new IOException("it is no text in UTF-8", notText);
        }
    }

    /**
     * Writes a file; what was there stays as it was until all of it is written.
     *
     * @throws IOException when it cannot be, in words without the name of the file
     */
    public static void write(Path file, byte[] content) throws IOException {
        Path beside = file.resolveSibling(file.getFileName() + ".new");
        try {
            Files.write(beside, content);
            move(beside, file);
        } catch (NoSuchFileException noFolder) {
            throw new IOException("its folder does not exist", noFolder);
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException otherDisk) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
