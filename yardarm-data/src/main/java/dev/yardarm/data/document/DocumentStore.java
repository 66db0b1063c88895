package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.yardarm.data.home.FileNames;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Keeps documents as JSON files below one folder.
 *
 * <p>Every file starts with {@code format} and {@code version}. Writing goes to a temporary file, which is flushed to
 * the disk and then moved into place, so a file is always either the old or the new one; the versions before are kept
 * in {@code last-good}. A file that is damaged, of another format or of a newer version is moved to {@code set-aside}
 * and never overwritten; the newest good copy takes its place where there is one, and {@link #takeNotices} tells. May
 * be used by several threads.
 */
public final class DocumentStore {
    private static final int COPIES = 3;
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");

    private final Path folder;
    private final ObjectMapper mapper = DocumentMapper.create();
    private final List<String> notices = new ArrayList<>();
    /** What each file held when it was read or written last. */
    private final Map<Path, byte[]> seen = new HashMap<>();

    public DocumentStore(Path folder) throws IOException {
        this.folder = Files.createDirectories(folder);
    }

    /** What had to be set aside since the last call, in words for the user. */
    public synchronized List<String> takeNotices() {
        List<String> taken = List.copyOf(notices);
        notices.clear();
        return taken;
    }

    /** Reads a document; empty when there is none or none that can be read. */
    public synchronized <T> Optional<T> read(DocumentKind<T> kind, String name) {
        Path file = file(kind, name);
        if (!Files.exists(file)) {
            Path link = folder.resolve(kind.folder()).resolve(FileNames.safe(name) + ".json");
            if (Files.isSymbolicLink(link)) {
                notices.add("the " + kind.title() + " file " + folder.relativize(link) + " leads to " + file
                        + ", which is not there; it starts empty and is written there.");
            }
            return Optional.empty();
        }
        try {
            byte[] bytes = Files.readAllBytes(file);
            T document = parse(mapper, kind, bytes);
            seen.put(file, digest(bytes));
            return Optional.of(document);
        } catch (IOException damaged) {
            return fallBack(kind, name, file, damaged);
        }
    }

    /** Reads a document from a file anywhere, which is left as it is whatever it holds. */
    public static <T> T readFile(DocumentKind<T> kind, Path file) throws IOException {
        try {
            return parse(DocumentMapper.create(), kind, Files.readAllBytes(file));
        } catch (java.nio.file.NoSuchFileException missing) {
            throw new IOException("there is no file " + file + "; check the path");
        } catch (IOException bad) {
            throw new IOException(file + " cannot be read: " + bad.getMessage(), bad);
        }
    }

    /** A document as text, as it would be written to a file. */
    public static <T> String text(DocumentKind<T> kind, T document) {
        try {
            return new String(bytes(DocumentMapper.create(), kind, document), StandardCharsets.UTF_8);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /**
     * A document from text.
     *
     * @throws IOException when it is none of this kind, with what is wrong
     */
    public static <T> T parse(DocumentKind<T> kind, String text) throws IOException {
        return parse(DocumentMapper.create(), kind, text.getBytes(StandardCharsets.UTF_8));
    }

    /** Writes a document to a file anywhere; it appears only when it is complete. */
    public static <T> void writeFile(DocumentKind<T> kind, Path file, T document) throws IOException {
        Path temporary = file.resolveSibling(file.getFileName() + ".new");
        try {
            writeThrough(temporary, bytes(DocumentMapper.create(), kind, document));
            Files.move(temporary, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException failed) {
            removeQuietly(temporary, failed);
            throw new IOException(file + " cannot be written: " + reason(failed), failed);
        }
    }

    private <T> T parse(DocumentKind<T> kind, Path file) throws IOException {
        return parse(mapper, kind, Files.readAllBytes(file));
    }

    private static <T> T parse(ObjectMapper mapper, DocumentKind<T> kind, byte[] bytes) throws IOException {
        JsonNode tree;
        try {
            tree = mapper.readTree(bytes);
        } catch (JsonProcessingException damaged) {
            throw new IOException("it is no valid JSON: " + damaged.getOriginalMessage() + " (line "
                    + (damaged.getLocation() == null
                            ? "?"
                            : damaged.getLocation().getLineNr()) + ")");
        }
        if (!(tree instanceof ObjectNode object)) {
            throw new IOException("it holds no JSON object");
        }
        String format = object.path("format").asText();
        int version = object.path("version").asInt();
        if (!format.equals(kind.format())) {
            throw new IOException("its format is '" + format + "', expected '" + kind.format() + "'");
        }
        if (version > kind.version()) {
            throw new IOException("it is of version " + version + ", made by a newer Yardarm; this one reads up to "
                    + kind.version());
        }
        object.remove(List.of("format", "version"));
        try {
            for (int from = Math.max(1, version); from < kind.version(); from++) {
                kind.migrations().get(from - 1).bring(object);
            }
            return kind.codec().read(mapper, object);
        } catch (JsonProcessingException | RuntimeException bad) {
            throw new IOException("its content does not fit: " + Problems.words(bad));
        }
    }

    /**
     * Keeps a copy of a document's file as it is now, before something in it that could not be used is lost with the next
     * change.
     *
     * @return where the copy is, for the user
     */
    public String keepAside(DocumentKind<?> kind, String name) throws IOException {
        Path file = file(kind, name);
        Path aside = folder.resolve("set-aside")
                .resolve(LocalDateTime.now(ZoneId.systemDefault()).format(STAMP) + "-" + file.getFileName());
        Files.createDirectories(aside.getParent());
        try (Stream<Path> before = Files.list(aside.getParent())) {
            // The same file is not kept again at each start.
            for (Path each : (Iterable<Path>) before::iterator) {
                if (each.getFileName().toString().endsWith("-" + file.getFileName())
                        && Files.isRegularFile(each)
                        && Files.mismatch(each, file) < 0) {
                    return folder.relativize(each).toString();
                }
            }
        }
        Files.copy(file, aside, StandardCopyOption.REPLACE_EXISTING);
        return folder.relativize(aside).toString();
    }

    /** The copies of a document that can be read, the newest first. */
    public synchronized <T> List<T> lastGood(DocumentKind<T> kind, String name) {
        List<T> good = new ArrayList<>();
        for (int copy = 1; copy <= COPIES; copy++) {
            try {
                good.add(parse(kind, copy(kind, name, copy)));
            } catch (IOException unreadable) {
                // an older copy may be better
            }
        }
        return good;
    }

    private <T> Optional<T> fallBack(DocumentKind<T> kind, String name, Path file, IOException damaged) {
        String kept = "the " + kind.title() + " file " + shown(file);
        Path aside = folder.resolve("set-aside")
                .resolve(LocalDateTime.now(ZoneId.systemDefault()).format(STAMP) + "-" + file.getFileName());
        try {
            Files.createDirectories(aside.getParent());
            Files.move(file, aside, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException stuck) {
            notices.add(kept + " cannot be read (" + damaged.getMessage() + ") and cannot be set aside: "
                    + stuck.getMessage());
            return Optional.empty();
        }
        for (int copy = 1; copy <= COPIES; copy++) {
            Path good = copy(kind, name, copy);
            if (Files.exists(good)) {
                try {
                    T document = parse(kind, good);
                    Files.copy(good, file, StandardCopyOption.REPLACE_EXISTING);
                    notices.add(kept + " cannot be read: " + damaged.getMessage() + ". It was set aside as "
                            + folder.relativize(aside) + ", and the last good copy was opened instead.");
                    return Optional.of(document);
                } catch (IOException alsoBad) {
                    // an older copy may be better
                }
            }
        }
        notices.add(kept + " cannot be read: " + damaged.getMessage() + ". It was set aside as "
                + folder.relativize(aside) + "; there is no good copy, so it starts empty.");
        return Optional.empty();
    }

    /**
     * Writes a document.
     *
     * @throws IOException when it cannot be written, for instance because the disk is full; what was there before is
     *     untouched then
     */
    public synchronized <T> void write(DocumentKind<T> kind, String name, T document) throws IOException {
        byte[] bytes = bytes(mapper, kind, document);
        Path file = file(kind, name);
        Path temporary = file.resolveSibling(file.getFileName() + ".new");
        try {
            Files.createDirectories(file.getParent());
            writeThrough(temporary, bytes);
            keepCopy(kind, name, file);
            Files.move(temporary, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            seen.put(file, digest(bytes));
        } catch (IOException failed) {
            removeQuietly(temporary, failed);
            throw new IOException(
                    "the " + kind.title() + " cannot be saved to " + file + ": " + reason(failed)
                            + ". What was saved before is untouched; it will be tried again.",
                    failed);
        }
    }

    /** Brings two versions of a document together when somebody else has written to its file. */
    public interface Joining<T> {
        /** What both hold. */
        T join(T own, T others);

        /** This has been written. */
        void written(T document);
    }

    /**
     * Writes a document that somebody else may have changed since it was read or written here: then it is joined with what is
     * in the file. A file of others that cannot be read is kept aside as it is.
     *
     * @throws IOException when it cannot be written; what was there before is untouched then
     */
    public synchronized <T> void write(DocumentKind<T> kind, String name, T document, Joining<T> joining)
            throws IOException {
        T joined = document;
        Path file = file(kind, name);
        byte[] there = Files.exists(file) ? Files.readAllBytes(file) : null;
        if (there != null && !Arrays.equals(digest(there), seen.get(file))) {
            try {
                joined = joining.join(document, parse(mapper, kind, there));
            } catch (IOException unreadable) {
                notices.add("the " + kind.title() + " file " + folder.relativize(file)
                        + " was changed by another program and " + "cannot be read (" + unreadable.getMessage()
                        + "); it was kept as " + keepAside(kind, name));
            }
        }
        write(kind, name, joined);
        joining.written(joined);
    }

    private Path shown(Path file) {
        return file.startsWith(folder) ? folder.relativize(file) : file;
    }

    private static byte[] digest(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static <T> byte[] bytes(ObjectMapper mapper, DocumentKind<T> kind, T document) throws IOException {
        ObjectNode object = mapper.createObjectNode();
        object.put("format", kind.format());
        object.put("version", kind.version());
        object.setAll(kind.codec().write(mapper, document));
        return mapper.writeValueAsBytes(object);
    }

    private static String reason(IOException failed) {
        return failed.getMessage() == null ? failed.getClass().getSimpleName() : failed.getMessage();
    }

    private static void removeQuietly(Path file, IOException because) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException second) {
            because.addSuppressed(second);
        }
    }

    private static void writeThrough(Path file, byte[] bytes) throws IOException {
        try (FileChannel channel = FileChannel.open(
                file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            ByteBuffer buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) {
                channel.write(buffer);
            }
            channel.force(true);
        }
    }

    /** The file there is becomes the newest good copy; the oldest goes. */
    private void keepCopy(DocumentKind<?> kind, String name, Path file) throws IOException {
        if (!Files.exists(file)) {
            return;
        }
        Files.createDirectories(copy(kind, name, 1).getParent());
        for (int copy = COPIES; copy > 1; copy--) {
            Path newer = copy(kind, name, copy - 1);
            if (Files.exists(newer)) {
                Files.move(newer, copy(kind, name, copy), StandardCopyOption.REPLACE_EXISTING);
            }
        }
        Files.copy(file, copy(kind, name, 1), StandardCopyOption.REPLACE_EXISTING);
    }

    /** The file of a document; where it is a link, what it leads to, so that the link stays one. */
    private Path file(DocumentKind<?> kind, String name) {
        Path file = folder.resolve(kind.folder()).resolve(FileNames.safe(name) + ".json");
        if (!Files.isSymbolicLink(file)) {
            return file;
        }
        try {
            return Files.exists(file) ? file.toRealPath() : file.resolveSibling(Files.readSymbolicLink(file));
        } catch (IOException loop) {
            return file;
        }
    }

    private Path copy(DocumentKind<?> kind, String name, int number) {
        return folder.resolve("last-good")
                .resolve(kind.folder())
                .resolve(FileNames.safe(name) + "." + number + ".json");
    }
}
