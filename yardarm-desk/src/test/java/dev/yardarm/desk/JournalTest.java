package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.DocumentSaver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** An edit is on the disk at once, whatever else is written and however long that takes; a home copied then is one that was killed then. */
class JournalTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");
    private static final InstrumentId MARN = new InstrumentId("halcyon", "MARN");

    @TempDir
    private Path folder;

    private static Drawing level(String id) {
        return new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(1_700_000_000_000_000L, 98.4)), 1);
    }

    private static Books books(DocumentSaver saver) {
        return new Books(saver, Runnable::run, List.of(new NamedList("Standard", List.of(KTRL))), List.of());
    }

    private static void await(String what, BooleanSupplier done) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (!done.getAsBoolean()) {
            assertThat(System.nanoTime()).as(what).isLessThan(end);
            Thread.sleep(5);
        }
    }

    private boolean holds(String text) {
        try {
            Path file = folder.resolve("journal.jsonl");
            return Files.exists(file) && Files.readString(file).contains(text);
        } catch (IOException beingWritten) {
            return false;
        }
    }

    /** What a kill at this moment would leave behind. */
    private Path killed(String name) throws IOException {
        Path copy = folder.resolveSibling(folder.getFileName() + "-" + name);
        OldHomesTest.copy(folder, copy);
        return copy;
    }

    @Test
    void whatIsEditedWhileADocumentTakesLongIsThereAfterAKill() throws Exception {
        CountDownLatch slow = new CountDownLatch(1);
        DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notice -> {});
        Books books = books(saver);
        books.listShelf().put(new NamedList("Before", List.of(KTRL)));
        books.setDrawings(MARN, List.of(level("old"), level("gone")));
        saver.flush();
        CountDownLatch writing = new CountDownLatch(1);
        saver.save(
                DocumentKind.MARKET,
                "market",
                () -> {
                    if (Thread.currentThread().getName().equals("saver")) {
                        writing.countDown();
                        try {
                            slow.await();
                        } catch (InterruptedException given) {
                            throw new IllegalStateException(given);
                        }
                    }
                    return new Documents.Market(1, 77, 1, 1);
                },
                null);
        assertThat(writing.await(20, TimeUnit.SECONDS)).isTrue();

        books.listShelf().put(new NamedList("After", List.of(KTRL, MARN)));
        books.listShelf().remove("Before");
        books.setDrawings(MARN, List.of(level("old"), level("new")));
        await("the edits are written down", () -> holds("After") && holds("Before") && holds("\"new\""));
        Path home = killed("one");
        assertThat(Files.readString(home.resolve("lists.json"))).doesNotContain("After");

        List<String> told = new ArrayList<>();
        try (DocumentSaver again = new DocumentSaver(new DocumentStore(home), told::add)) {
            Books found = books(again);
            assertThat(found.lists()).extracting(NamedList::name).containsExactly("Standard", "After");
            assertThat(found.drawings(MARN)).extracting(Drawing::id).containsExactly("old", "new");
            assertThat(again.read(DocumentKind.MARKET, "market")).contains(new Documents.Market(1, 77, 1, 1));
            again.flush();
            assertThat(again.journal().isEmpty()).isTrue();
        }
        assertThat(told).isEmpty();
        assertThat(home.resolve("journal.jsonl")).doesNotExist();
        try (DocumentSaver third = new DocumentSaver(new DocumentStore(home), told::add)) {
            assertThat(books(third).lists()).extracting(NamedList::name).containsExactly("Standard", "After");
        }
        slow.countDown();
        saver.close();
    }

    @Test
    void whatIsDrawnBeforeTheFileWasReadIsThereAfterAKill() throws Exception {
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notice -> {})) {
            books(saver).setDrawings(KTRL, List.of(level("first")));
        }
        DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notice -> {});
        // The file is never read here.
        Books books = new Books(saver, Runnable::run, never -> {}, List.of(), List.of());
        books.setDrawings(KTRL, List.of(level("second")));
        await("the drawing is written down", () -> holds("second"));
        Path home = killed("two");
        try (DocumentSaver again = new DocumentSaver(new DocumentStore(home), notice -> {})) {
            assertThat(books(again).drawings(KTRL)).extracting(Drawing::id).containsExactly("first", "second");
        }
        saver.close();
    }

    @Test
    void anotherOrderIsAnEditToo() throws Exception {
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notice -> {})) {
            Books books = books(saver);
            books.listShelf().put(new NamedList("Two", List.of(KTRL)));
        }
        Files.createDirectory(folder.resolve("lists.json.new"));
        Files.writeString(folder.resolve("lists.json.new").resolve("in the way"), "");
        DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notice -> {});
        Books books = books(saver);
        List<NamedList> turned = new ArrayList<>(books.lists());
        java.util.Collections.reverse(turned);
        books.listShelf().replace(turned);
        await("the order is written down", () -> holds("whole"));
        Path home = killed("three");
        Files.delete(home.resolve("lists.json.new/in the way"));
        Files.delete(home.resolve("lists.json.new"));
        try (DocumentSaver again = new DocumentSaver(new DocumentStore(home), notice -> {})) {
            assertThat(books(again).lists()).extracting(NamedList::name).containsExactly("Two", "Standard");
        }
        saver.close();
    }

    /** Whatever goes wrong while a document is written, the others are, and it is tried again. */
    @Test
    void anErrorInOneDocumentLosesNoOther() throws Exception {
        List<String> told = new CopyOnWriteArrayList<>();
        boolean[] deep = {true};
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), told::add)) {
            saver.save(
                    DocumentKind.MARKET,
                    "a",
                    () -> {
                        if (deep[0]) {
                            throw new StackOverflowError();
                        }
                        return new Documents.Market(1, 1, 1, 1);
                    },
                    null);
            saver.save(DocumentKind.MARKET, "b", new Documents.Market(1, 2, 1, 1));
            await("the one behind it is written", () -> Files.exists(folder.resolve("b.json")));
            await("it is told", () -> !told.isEmpty());
            assertThat(told.get(0)).contains("could not be written", "tried again");
            deep[0] = false;
        }
        DocumentStore store = new DocumentStore(folder);
        assertThat(store.read(DocumentKind.MARKET, "a")).contains(new Documents.Market(1, 1, 1, 1));
    }
}
