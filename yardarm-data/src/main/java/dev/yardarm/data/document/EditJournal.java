package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.google.errorprone.annotations.concurrent.GuardedBy;
import dev.yardarm.data.text.BoundedFile;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicLong;

/**
 * Edits that are not in their documents yet, one JSON object a line, appended and flushed at once.
 *
 * <p><b>Why.</b> A document is written whole, to a file beside it, flushed and moved; on a slow disk, behind large documents or on a busy
 * machine that takes seconds. An edit takes a line of some hundred bytes. What is in the journal when the program is killed is
 * carried out at the next start ({@link #unsettled}), so that nothing that was done a second ago depends on how long anything else takes.
 *
 * <p><b>Life of an edit.</b> It has a number, is appended, and is settled once a document that holds it has been moved into place; when nothing
 * is unsettled the file is emptied. A crash between the move and that leaves edits which the document holds already; carrying them out
 * again changes nothing ({@link Edit}). While one document cannot be written its edits stay and those of the others pass by; beyond 8 MB
 * the file is made anew from what is unsettled. A last line that was cut off is left out.
 *
 * <p>May be used by several threads; appending costs one write and one flush for as many edits as are handed over together.
 */
public final class EditJournal implements AutoCloseable {
    private static final long COMPACT_BEYOND = 8L << 20;

    private final Path file;
    private final ObjectMapper mapper = DocumentMapper.create().disable(SerializationFeature.INDENT_OUTPUT);

    @GuardedBy("this")
    private FileChannel channel;

    @GuardedBy("this")
    private long size;

    /** Asked for by the interface's thread, which must not wait for a flush. */
    private final AtomicLong last = new AtomicLong();

    /** Up to which number the edits of each document are in it; one that is appended later than that is left out. */
    @GuardedBy("this")
    private final Map<String, Long> inDocument = new HashMap<>();

    /** Of each document with edits that are not in it yet, their numbers. */
    @GuardedBy("this")
    private final Map<String, TreeSet<Long>> open = new LinkedHashMap<>();

    /** What was found at the start and is not settled, in order. */
    @GuardedBy("this")
    private final List<Line> found = new ArrayList<>();

    private record Line(long number, String key, ObjectNode content) {}

    /** An edit to be appended. */
    public record Noted<T>(long number, DocumentKind<T> kind, String name, Edit<T> edit) {}

    private EditJournal(Path file) {
        this.file = file;
    }

    /**
     * Opens the journal of a folder of documents; one that is not there, or cannot be read, is empty.
     *
     * @throws IOException when it cannot be read for now; it is left as it is then
     */
    public static EditJournal open(Path folder) throws IOException {
        EditJournal journal = new EditJournal(folder.resolve("journal.jsonl"));
        synchronized (journal) {
            if (Files.exists(journal.file)) {
                journal.read(BoundedFile.bytes(journal.file, BoundedFile.DOCUMENT));
            }
        }
        return journal;
    }

    @GuardedBy("this")
    private void read(byte[] bytes) {
        size = bytes.length;
        Map<String, Long> settled = new LinkedHashMap<>();
        for (String text : new String(bytes, StandardCharsets.UTF_8).split("\n")) {
            if (text.isBlank()) {
                continue;
            }
            try {
                if (mapper.readTree(text) instanceof ObjectNode object) {
                    String key = object.path("document").asText();
                    long number = object.path("number").asLong();
                    last.accumulateAndGet(number, Math::max);
                    if (object.has("settled")) {
                        settled.merge(key, object.path("settled").asLong(), Math::max);
                    } else {
                        found.add(new Line(number, key, object));
                    }
                }
            } catch (JsonProcessingException cutOff) {
                // The write that was under way when it ended; nobody was told that it was kept.
            }
        }
        found.removeIf(line -> line.number() <= settled.getOrDefault(line.key(), 0L));
        found.forEach(
                line -> open.computeIfAbsent(line.key(), key -> new TreeSet<>()).add(line.number()));
    }

    private static String key(DocumentKind<?> kind, String name) {
        return kind.format() + "/" + name;
    }

    /** A number for an edit that is about to be noted; later ones have larger numbers. */
    public long number() {
        return last.incrementAndGet();
    }

    /** The names of the documents of a kind that have edits from before this start. */
    public synchronized List<String> names(DocumentKind<?> kind) {
        String start = kind.format() + "/";
        return found.stream()
                .map(Line::key)
                .filter(key -> key.startsWith(start))
                .map(key -> key.substring(start.length()))
                .distinct()
                .toList();
    }

    /** The edits of a document from before this start that are not settled, in order; one that cannot be read is left out. */
    public synchronized <T> List<Edit<T>> unsettled(DocumentKind<T> kind, String name) {
        List<Edit<T>> edits = new ArrayList<>();
        for (Line line : found) {
            if (line.key().equals(key(kind, name))) {
                try {
                    edits.add(new Edit<>(
                            part(kind, line.content().get("whole")),
                            part(kind, line.content().get("put")),
                            part(kind, line.content().get("gone"))));
                } catch (IOException notReadable) {
                    // of a newer version, or nothing this program wrote
                }
            }
        }
        return edits;
    }

    private <T> T part(DocumentKind<T> kind, JsonNode tree) throws IOException {
        return tree == null || tree.isNull() ? null : DocumentStore.parse(mapper, kind, tree.deepCopy());
    }

    /**
     * Appends edits and flushes them to the disk.
     *
     * @throws IOException when they could not be written; the file is as it was then
     */
    public synchronized void append(List<Noted<?>> all) throws IOException {
        // A document may be written before its edit is: written down afterwards it would be carried out over later
        // changes.
        List<Noted<?>> edits = new ArrayList<>();
        for (Noted<?> edit : all) {
            if (edit.number() > inDocument.getOrDefault(key(edit.kind(), edit.name()), 0L)) {
                edits.add(edit);
            }
        }
        if (edits.isEmpty()) {
            return;
        }
        StringBuilder lines = new StringBuilder();
        for (Noted<?> edit : edits) {
            lines.append(mapper.writeValueAsString(line(edit))).append('\n');
        }
        write(lines, true);
        edits.forEach(edit -> open.computeIfAbsent(key(edit.kind(), edit.name()), key -> new TreeSet<>())
                .add(edit.number()));
    }

    private <T> ObjectNode line(Noted<T> noted) throws IOException {
        ObjectNode line = mapper.createObjectNode();
        line.put("document", key(noted.kind(), noted.name()));
        line.put("number", noted.number());
        put(line, "whole", noted.kind(), noted.edit().whole());
        put(line, "put", noted.kind(), noted.edit().put());
        put(line, "gone", noted.kind(), noted.edit().gone());
        return line;
    }

    private <T> void put(ObjectNode line, String field, DocumentKind<T> kind, T document) {
        if (document != null) {
            line.set(field, DocumentStore.tree(mapper, kind, document));
        }
    }

    @GuardedBy("this")
    private void write(CharSequence lines, boolean flush) throws IOException {
        if (channel == null) {
            channel = FileChannel.open(
                    file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.READ);
            if (size > 0) {
                // Behind a line that was cut off a new one begins.
                channel.write(ByteBuffer.wrap(new byte[] {'\n'}), size);
                size++;
            }
        }
        ByteBuffer bytes = ByteBuffer.wrap(lines.toString().getBytes(StandardCharsets.UTF_8));
        long at = size;
        try {
            while (bytes.hasRemaining()) {
                at += channel.write(bytes, at);
            }
            if (flush) {
                channel.force(false);
            }
            size = at;
        } catch (IOException failed) {
            channel.truncate(size);
            throw failed;
        }
    }

    /**
     * Says that a document is in its file with all edits up to a number.
     *
     * @throws IOException when that could not be written down; the edits are carried out once more at the next start then
     */
    public synchronized void settled(DocumentKind<?> kind, String name, long number) throws IOException {
        String key = key(kind, name);
        inDocument.merge(key, number, Math::max);
        found.removeIf(line -> line.key().equals(key) && line.number() <= number);
        TreeSet<Long> numbers = open.get(key);
        if (numbers == null) {
            return;
        }
        numbers.headSet(number, true).clear();
        if (numbers.isEmpty()) {
            open.remove(key);
        }
        if (open.isEmpty()) {
            if (channel != null) {
                channel.truncate(0);
            } else {
                Files.deleteIfExists(file);
            }
            size = 0;
            return;
        }
        ObjectNode line = mapper.createObjectNode();
        line.put("document", key);
        line.put("number", number);
        line.put("settled", number);
        write(mapper.writeValueAsString(line) + "\n", false);
        if (size > COMPACT_BEYOND) {
            compact();
        }
    }

    /** Makes the file anew from the lines that are not settled. */
    @GuardedBy("this")
    private void compact() throws IOException {
        StringBuilder kept = new StringBuilder();
        for (String text : BoundedFile.text(file, BoundedFile.DOCUMENT).split("\n")) {
            try {
                JsonNode line = text.isBlank() ? mapper.createObjectNode() : mapper.readTree(text);
                TreeSet<Long> numbers = open.get(line.path("document").asText());
                if (numbers != null
                        && !line.has("settled")
                        && numbers.contains(line.path("number").asLong())) {
                    kept.append(text).append('\n');
                }
            } catch (JsonProcessingException cutOff) {
                // nothing that was kept
            }
        }
        Path fresh = file.resolveSibling(file.getFileName() + ".new");
        Files.writeString(fresh, kept);
        try (FileChannel flush = FileChannel.open(fresh, StandardOpenOption.WRITE)) {
            flush.force(true);
        }
        channel.close();
        Files.move(fresh, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        channel = FileChannel.open(file, StandardOpenOption.WRITE, StandardOpenOption.READ);
        size = channel.size();
    }

    /** True when nothing is in it that is not in its document. */
    public synchronized boolean isEmpty() {
        return open.isEmpty();
    }

    /** Bytes of the file. */
    public synchronized long size() {
        return size;
    }

    @Override
    public synchronized void close() throws IOException {
        if (channel != null) {
            channel.close();
        }
        if (open.isEmpty()) {
            Files.deleteIfExists(file);
        }
    }
}
