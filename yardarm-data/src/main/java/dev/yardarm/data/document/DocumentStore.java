package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.yardarm.data.home.FileNames;
import dev.yardarm.data.text.BoundedFile;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Keeps documents as JSON files below one folder.
 *
 * <p>Every file starts with {@code format} and {@code version}. Writing goes to a temporary file, which is flushed to
 * the disk and then moved into place, so a file is always either the old or the new one; versions before, back over days, are kept
 * in {@code last-good}. A file that cannot be read for now is left alone. A file that is damaged, of another format or of a newer version is moved to {@code set-aside}
 * and never overwritten; the newest good copy takes its place where there is one, and {@link #takeNotices} tells. May
 * be used by several threads.
 */
public final class DocumentStore {
    private static final int COPIES = 3;
    /** So many days on which a document was changed its copies reach back. */
    private static final int DAYS = 10;

    private static final int TRIES = 3;
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");

    private final Path folder;
    private final ObjectMapper mapper = DocumentMapper.create();
    private final List<String> notices = new ArrayList<>();
    /** What each file held when it was read or written last. */
    private final Map<Path, byte[]> seen = new HashMap<>();
    /** Files that could not be read for now. */
    private final Set<Path> unread = new HashSet<>();

    private final Clock clock;

    public DocumentStore(Path folder) throws IOException {
        this(folder, Clock.system(ZoneId.systemDefault()));
    }

    /** @param clock says how old copies are */
    public DocumentStore(Path folder, Clock clock) throws IOException {
        this.clock = clock;
        boolean made = !Files.exists(folder);
        this.folder = Files.createDirectories(folder);
        if (made && Files.getFileStore(folder).supportsFileAttributeView("posix")) {
            // Plans and notes are nobody else's.
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        }
    }

    /** Where the documents are. */
    public Path folder() {
        return folder;
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
        byte[] bytes;
        try {
            bytes = patiently(file);
        } catch (IOException notNow) {
            return unread(kind, name, file, notNow);
        }
        unread.remove(file);
        try {
            T document = parse(mapper, kind, bytes);
            seen.put(file, digest(bytes));
            return Optional.of(document);
        } catch (IOException damaged) {
            return fallBack(kind, name, file, damaged);
        }
    }

    /** What cannot be read at the first try may be held by another program for a moment. */
    private static byte[] patiently(Path file) throws IOException {
        for (int tried = 1; ; tried++) {
            try {
                return BoundedFile.bytes(file, BoundedFile.DOCUMENT);
            } catch (IOException notNow) {
                if (tried == TRIES) {
                    throw notNow;
                }
                try {
                    Thread.sleep(60);
                } catch (InterruptedException interrupted) {
                    Thread.currentThread().interrupt();
                    throw notNow;
                }
            }
        }
    }

    /** A file that cannot be read for now (no rights, too many files open) is no damaged one: it stays where it is. */
    private <T> Optional<T> unread(DocumentKind<T> kind, String name, Path file, IOException notNow) {
        unread.add(file);
        seen.remove(file);
        List<T> good = lastGood(kind, name);
        notices.add("the " + kind.title() + " file " + shown(file) + " cannot be read for now (" + reason(notNow)
                + "). It is left as it is, and "
                + (good.isEmpty()
                        ? "nothing is written over it until it can be read."
                        : "its last good copy was opened; what you change is joined with it once it can be read."));
        return good.stream().findFirst();
    }

    /** Reads a document from a file anywhere, which is left as it is whatever it holds. */
    public static <T> T readFile(DocumentKind<T> kind, Path file) throws IOException {
        try {
            return parse(DocumentMapper.create(), kind, BoundedFile.bytes(file, BoundedFile.DOCUMENT));
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
        return parse(mapper, kind, BoundedFile.bytes(file, BoundedFile.DOCUMENT));
    }

    private static <T> T parse(ObjectMapper mapper, DocumentKind<T> kind, byte[] bytes) throws IOException {
        return parse(mapper, kind, tree(mapper, bytes));
    }

    private static JsonNode tree(ObjectMapper mapper, byte[] bytes) throws IOException {
        try {
            return mapper.readTree(bytes);
        } catch (JsonProcessingException damaged) {
            throw new IOException("it is no valid JSON: " + damaged.getOriginalMessage() + " (line "
                    + (damaged.getLocation() == null
                            ? "?"
                            : damaged.getLocation().getLineNr()) + ")");
        }
    }

    /** Reads a document from its JSON, which is used up by that. */
    static <T> T parse(ObjectMapper mapper, DocumentKind<T> kind, JsonNode tree) throws IOException {
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
        } catch (StackOverflowError deep) {
            throw new IOException("its content does not fit: it is nested too deep");
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
        Path aside =
                folder.resolve("set-aside").resolve(LocalDateTime.now(clock).format(STAMP) + "-" + file.getFileName());
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
        for (Path copy : copies(kind, name)) {
            try {
                good.add(parse(kind, copy));
            } catch (IOException unreadable) {
                // an older copy may be better
            }
        }
        return good;
    }

    private <T> Optional<T> fallBack(DocumentKind<T> kind, String name, Path file, IOException damaged) {
        String kept = "the " + kind.title() + " file " + shown(file);
        Path aside =
                folder.resolve("set-aside").resolve(LocalDateTime.now(clock).format(STAMP) + "-" + file.getFileName());
        try {
            Files.createDirectories(aside.getParent());
            Files.move(file, aside, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException stuck) {
            notices.add(kept + " cannot be read (" + damaged.getMessage() + ") and cannot be set aside: "
                    + stuck.getMessage());
            return Optional.empty();
        }
        for (Path good : copies(kind, name)) {
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
            if (unread.contains(file)) {
                // What nobody here has seen is not written over without a copy of it.
                patiently(file);
                notices.add("the " + kind.title() + " file " + shown(file)
                        + " can be read again; as it was it is kept as " + keepAside(kind, name));
                unread.remove(file);
            }
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
        byte[] there = Files.exists(file) ? BoundedFile.bytes(file, BoundedFile.DOCUMENT) : null;
        if (there != null && !Arrays.equals(digest(there), seen.get(file))) {
            try {
                joined = joining.join(document, parse(mapper, kind, there));
                unread.remove(file);
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
        return mapper.writeValueAsBytes(tree(mapper, kind, document));
    }

    /** A document as JSON, with its format and version. */
    static <T> ObjectNode tree(ObjectMapper mapper, DocumentKind<T> kind, T document) {
        ObjectNode object = mapper.createObjectNode();
        object.put("format", kind.format());
        object.put("version", kind.version());
        object.setAll(kind.codec().write(mapper, document));
        return object;
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

    /**
     * The file there is becomes the newest good copy. The second one stays for ten minutes before another takes its place, the third for an
     * hour; beside them stands the document as it was before the first change of each day, of the last {@link #DAYS} on which it was changed.
     */
    private void keepCopy(DocumentKind<?> kind, String name, Path file) throws IOException {
        if (!Files.exists(file)) {
            return;
        }
        Path newest = copy(kind, name, 1);
        Files.createDirectories(newest.getParent());
        Path today = newest.resolveSibling(
                FileNames.safe(name) + "." + LocalDateTime.now(clock).toLocalDate() + ".json");
        if (!Files.exists(today)) {
            Files.copy(file, today, StandardCopyOption.REPLACE_EXISTING);
            List<Path> days = daily(kind, name);
            for (Path old : days.subList(Math.min(DAYS, days.size()), days.size())) {
                Files.deleteIfExists(old);
            }
        }
        if (isOlder(copy(kind, name, 2), Duration.ofMinutes(10)) && Files.exists(newest)) {
            if (isOlder(copy(kind, name, 3), Duration.ofHours(1)) && Files.exists(copy(kind, name, 2))) {
                Files.move(copy(kind, name, 2), copy(kind, name, 3), StandardCopyOption.REPLACE_EXISTING);
            }
            Files.move(newest, copy(kind, name, 2), StandardCopyOption.REPLACE_EXISTING);
        }
        Files.copy(file, newest, StandardCopyOption.REPLACE_EXISTING);
        Files.setLastModifiedTime(newest, FileTime.from(clock.instant()));
    }

    /** True when there is no such file, or one that old. */
    private boolean isOlder(Path file, Duration age) throws IOException {
        return !Files.exists(file)
                || Duration.between(Files.getLastModifiedTime(file).toInstant(), clock.instant())
                                .compareTo(age)
                        >= 0;
    }

    /** The copies of a document, the newest first. */
    private List<Path> copies(DocumentKind<?> kind, String name) {
        List<Path> all = new ArrayList<>();
        for (int copy = 1; copy <= COPIES; copy++) {
            all.add(copy(kind, name, copy));
        }
        all.addAll(daily(kind, name));
        all.removeIf(copy -> !Files.exists(copy));
        return all;
    }

    /** The copies of days, the newest first. */
    private List<Path> daily(DocumentKind<?> kind, String name) {
        Path folder = copy(kind, name, 1).getParent();
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        String start = FileNames.safe(name) + ".";
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> {
                        String text = file.getFileName().toString();
                        return text.startsWith(start)
                                && text.substring(start.length()).matches("\\d{4}-\\d\\d-\\d\\d\\.json");
                    })
                    .sorted(Comparator.reverseOrder())
                    .toList();
        } catch (IOException unreadable) {
            return List.of();
        }
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
