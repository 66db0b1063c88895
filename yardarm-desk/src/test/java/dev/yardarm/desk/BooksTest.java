package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.DocumentSaver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BooksTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");
    private static final InstrumentId OTHER = new InstrumentId("own", "KTRL");

    @TempDir
    private Path folder;

    private DocumentSaver saver() throws IOException {
        return new DocumentSaver(new DocumentStore(folder), notice -> {
            throw new AssertionError(notice);
        });
    }

    private static Books books(DocumentSaver saver) {
        return books(saver, Runnable::run);
    }

    private static Books books(DocumentSaver saver, Executor front) {
        return new Books(
                saver,
                front,
                List.of(new NamedList("Standard", List.of(KTRL))),
                List.of(Scan.of("Standard", "Standard", Timeframe.DAY, List.of("close > 0"))));
    }

    private static Drawing level(String id, double price) {
        return new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(1, price)), 0);
    }

    @Test
    void everythingIsThereAgainAfterALaterStart() throws IOException {
        try (DocumentSaver saver = saver()) {
            Books books = books(saver);
            books.setDrawings(KTRL, List.of(level("a", 98.4)));
            books.setDrawings(OTHER, List.of(level("b", 1), level("c", 2)));
            books.stanceShelf().put(new Stance(KTRL, Stance.Kind.WAIT, "", "n", 4));
            books.planShelf().put(new TradePlan("p", KTRL, Timeframe.DAY, 1, 10, 9, 12, 1000, 1));
            books.planShelf().put(new TradePlan("q", OTHER, Timeframe.DAY, 1, 10, 9, 12, 1000, 1));
            books.planShelf().remove("q");
            books.listShelf().replace(List.of(new NamedList("Mine", List.of(OTHER, KTRL))));
            books.scanShelf().replace(List.of());
        }
        try (DocumentSaver saver = saver()) {
            Books books = books(saver);
            assertThat(books.drawings(KTRL)).containsExactly(level("a", 98.4));
            assertThat(books.drawings(OTHER)).hasSize(2);
            assertThat(books.stance(KTRL).kind()).isEqualTo(Stance.Kind.WAIT);
            assertThat(books.stance(OTHER).kind()).isEqualTo(Stance.Kind.NONE);
            assertThat(books.plans()).extracting(TradePlan::id).containsExactly("p");
            assertThat(books.list("Mine"))
                    .hasValueSatisfying(list -> assertThat(list.instruments()).containsExactly(OTHER, KTRL));
            assertThat(books.list("Standard")).isEmpty();
            assertThat(books.scans()).as("an emptied list stays empty").isEmpty();
        }
    }

    @Test
    void whatCannotBeReadOfTheDrawingsIsToldAndKeptAndTheRestIsThere() throws IOException {
        try (DocumentSaver saver = saver()) {
            books(saver).setDrawings(KTRL, List.of(level("a", 98.4), level("b", 99), level("c", 100)));
        }
        Path file;
        try (var files = Files.list(folder.resolve("tracings"))) {
            file = files.findFirst().orElseThrow();
        }
        String damaged = Files.readString(file).replaceFirst("\"kind\" : \"LEVEL\"", "\"kind\" : \"unheard_of\"");
        Files.writeString(file, damaged);
        List<String> told = new ArrayList<>();
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), told::add)) {
            Books books = books(saver);
            assertThat(books.drawings(KTRL)).containsExactly(level("b", 99), level("c", 100));
            assertThat(told)
                    .singleElement()
                    .asString()
                    .contains("2 could be read, 1 not", "drawing 1", "no kind of drawing 'unheard_of'", "set-aside");
            books.setDrawings(KTRL, books.drawings(KTRL));
        }
        try (var aside = Files.list(folder.resolve("set-aside"))) {
            assertThat(aside.findFirst().orElseThrow()).hasContent(damaged);
        }
    }

    @Test
    void drawingsOfOlderFilesAreRead() throws IOException {
        Files.createDirectories(folder.resolve("tracings"));
        Files.writeString(
                folder.resolve("tracings/" + KTRL.source() + "-" + KTRL.code() + ".json"),
                """
                {"format": "yardarm/tracing", "version": 1, "instrument": "%s", "drawings": [{"id": "x", "kind": "LINE",
                "origin": "W", "anchors": [{"time": 1, "price": 2.5}, {"time": 2, "price": 3}], "colour": 3, "width": 2.0,
                "opacity": 0.5, "visible": true}]}"""
                        .formatted(KTRL));
        try (DocumentSaver saver = saver()) {
            Drawing line = books(saver).drawings(KTRL).get(0);
            assertThat(line.kind()).isEqualTo(Drawing.LINE);
            assertThat(line.options()).containsEntry("extend", "right");
            assertThat(line.style()).isEqualTo(Drawing.Style.of(3).withLine(3, 2, 0.5));
            assertThat(line.place()).isEqualTo(Drawing.Place.STANDARD);
        }
    }

    @Test
    void everyFigureIsTheSameAfterSavingAndReading() throws IOException {
        List<Drawing> all = new ArrayList<>();
        for (Figure figure : Figures.shared().all()) {
            List<Anchor> anchors = new ArrayList<>();
            for (int point = 0; point < figure.least(); point++) {
                anchors.add(new Anchor(1000L + point, 90.25 + point));
            }
            Map<String, String> options = new LinkedHashMap<>();
            figure.options()
                    .forEach(option -> options.put(
                            option.name(),
                            option instanceof Setting.Words
                                    ? "words {close}"
                                    : option instanceof Setting.Numbers ? "0.25 0.5" : option.standard()));
            all.add(new Drawing(
                    figure.name(),
                    figure.name(),
                    Timeframe.DAY,
                    anchors,
                    true,
                    options,
                    new Drawing.Style(4, 2.5, 0.7, Drawing.Style.Dash.DOTTED, 0.3, Drawing.Style.Words.LEFT),
                    new Drawing.Place(
                            "my " + figure.name(),
                            "second",
                            "g1",
                            false,
                            true,
                            List.of(Timeframe.DAY, Timeframe.WEEK),
                            false,
                            "c1")));
        }
        try (DocumentSaver saver = saver()) {
            books(saver).setDrawings(KTRL, all);
        }
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).drawings(KTRL)).isEqualTo(all);
        }
    }

    @Test
    void aFirstStartHasTheStandardListsAndScans() throws IOException {
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).lists()).extracting(NamedList::name).containsExactly("Standard");
            assertThat(books(saver).scans()).hasSize(1);
        }
        assertThat(folder.resolve("lists.json")).doesNotExist();
    }

    @Test
    void manyQuickChangesLeaveTheLastOne() throws IOException {
        List<Books.Subject> told = new ArrayList<>();
        try (DocumentSaver saver = saver()) {
            Books books = books(saver);
            books.listen(told::add);
            for (int change = 1; change <= 500; change++) {
                books.setDrawings(KTRL, List.of(level("a", change)));
            }
        }
        assertThat(told).hasSize(500).containsOnly(Books.Subject.DRAWINGS);
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).drawings(KTRL)).containsExactly(level("a", 500));
        }
    }

    @Test
    void twoCopiesThatChangeTheSameFileLoseNothing() throws IOException {
        List<String> notices = new CopyOnWriteArrayList<>();
        Front front = new Front();
        try (DocumentSaver one = new DocumentSaver(new DocumentStore(folder), notices::add);
                DocumentSaver two = new DocumentSaver(new DocumentStore(folder), notices::add)) {
            Books here = front.get(() -> books(one, front));
            put(front, one, here, level("a", 1), level("b", 2));
            Books there = front.get(() -> books(two, front));
            put(front, two, there, level("a", 1.5), level("b", 2), level("there", 9));
            put(front, one, here, level("a", 1), level("b", 2), level("here", 8));
            front.await("both changes, here at once", () -> here.drawings(KTRL)
                    .equals(List.of(level("a", 1.5), level("b", 2), level("here", 8), level("there", 9))));
            put(front, two, there, level("a", 1.5), level("there", 9));
            front.await("removed there, added here", () -> List.of(level("a", 1.5), level("there", 9), level("here", 8))
                    .equals(there.drawings(KTRL)));
            put(front, one, here, level("a", 1.5), level("b", 2.5), level("here", 8), level("there", 9));
        }
        front.close();
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).drawings(KTRL))
                    .as("what one removed and the other changed stays")
                    .contains(level("b", 2.5), level("there", 9), level("here", 8))
                    .hasSize(4);
        }
        assertThat(notices)
                .anyMatch(notice -> notice.contains("changed by another copy of Yardarm; both versions are kept"));
    }

    /** Changes the drawings and waits until that is written, with what follows from it. */
    private static void put(Front front, DocumentSaver saver, Books books, Drawing... drawings) {
        // Read before it is changed, as what is changed on a chart has been seen there.
        front.run(() -> books.drawings(KTRL));
        front.run(() -> {});
        front.run(() -> books.setDrawings(KTRL, List.of(drawings)));
        for (int round = 0; round < 3; round++) {
            saver.flush();
            front.run(() -> {});
        }
    }

    @Test
    void whatIsDrawnBeforeTheFileHasBeenReadJoinsWhatIsInIt() throws IOException {
        try (DocumentSaver saver = saver()) {
            books(saver).setDrawings(KTRL, List.of(level("a", 1)));
        }
        List<Runnable> reading = new ArrayList<>();
        List<String> notices = new CopyOnWriteArrayList<>();
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notices::add)) {
            Books books = new Books(saver, Runnable::run, reading::add, List.of(), List.of());
            assertThat(books.drawings(KTRL)).as("nobody waits for the disk").isEmpty();
            books.setDrawings(KTRL, List.of(level("b", 2)));
            assertThat(books.drawingsAnywhere(KTRL)).hasSize(2);
            saver.flush();
            reading.forEach(Runnable::run);
            assertThat(books.drawings(KTRL)).extracting(Drawing::id).containsExactlyInAnyOrder("a", "b");
        }
        assertThat(notices).isEmpty();
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).drawings(KTRL)).extracting(Drawing::id).containsExactlyInAnyOrder("a", "b");
        }
    }

    @Test
    void whatIsDrawnBeforeTheFileHasBeenReadIsSavedWithItAtTheEnd() throws IOException {
        try (DocumentSaver saver = saver()) {
            books(saver).setDrawings(KTRL, List.of(level("a", 1)));
        }
        List<Runnable> never = new ArrayList<>();
        try (DocumentSaver saver = saver()) {
            Books books = new Books(saver, Runnable::run, never::add, List.of(), List.of());
            books.setDrawings(KTRL, List.of(level("b", 2)));
            books.settle();
        }
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).drawings(KTRL)).extracting(Drawing::id).containsExactlyInAnyOrder("a", "b");
        }
    }

    @Test
    void aFileThatSomebodyElseSpoiledIsKeptAsideBeforeItIsWrittenOver() throws IOException {
        List<String> notices = new ArrayList<>();
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notices::add)) {
            Books books = books(saver);
            books.setDrawings(KTRL, List.of(level("a", 1)));
            saver.flush();
            Path file = folder.resolve("tracings/halcyon-KTRL.json");
            Files.writeString(file, "spoiled");
            books.setDrawings(KTRL, List.of(level("a", 2)));
            saver.flush();
            assertThat(Files.readString(file)).contains("\"price\" : 2");
        }
        assertThat(notices).singleElement().satisfies(notice -> assertThat(notice)
                .contains("changed by another program", "line 1", "set-aside"));
        try (var aside = Files.list(folder.resolve("set-aside"))) {
            assertThat(aside).singleElement().satisfies(kept -> assertThat(Files.readString(kept))
                    .isEqualTo("spoiled"));
        }
    }

    @Test
    void drawingsThatCannotBeReadAreToldOneByOneAndTheOthersAreThere() throws IOException {
        try (DocumentSaver saver = saver()) {
            books(saver)
                    .setDrawings(
                            KTRL,
                            List.of(
                                    level("a", 1),
                                    level("b", 2),
                                    level("c", 3),
                                    level("d", 4),
                                    level("e", 5),
                                    level("f", 6)));
        }
        Path file = folder.resolve("tracings/halcyon-KTRL.json");
        String whole = Files.readString(file);
        String spoiled = whole.replace("\"price\" : 2.0", "\"price\" : \"two\"")
                .replace("\"price\" : 3.0", "\"cost\" : 3.0")
                .replaceFirst("(?s)(\"id\" : \"d\",.{1,40}?)\"LEVEL\"", "$1\"SPIRAL\"")
                .replaceFirst("(?s)(\"id\" : \"e\",.{1,80}?\"origin\" : )\"D\"", "$1\"fortnight\"");
        assertThat(spoiled).contains("two", "cost", "SPIRAL", "fortnight");
        Files.writeString(file, spoiled);
        List<String> notices = new ArrayList<>();
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), notices::add)) {
            Books books = books(saver);
            assertThat(books.drawings(KTRL)).containsExactly(level("a", 1), level("f", 6));
            assertThat(books(saver).drawingsAnywhere(KTRL)).hasSize(2);
            books.setDrawings(KTRL, List.of(level("a", 1), level("f", 6)));
        }
        Files.writeString(file, Files.readString(file).replace("\"price\" : 6.0", "\"price\" : null"));
        List<String> later = new ArrayList<>();
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), later::add)) {
            Books books = books(saver);
            assertThat(books.drawings(KTRL))
                    .as("the last good copy still has it")
                    .containsExactly(level("a", 1), level("f", 6));
        }
        assertThat(later).singleElement().satisfies(notice -> assertThat(notice)
                .contains("1 not", "1 of those", "last good copy"));
        assertThat(notices).singleElement().satisfies(notice -> assertThat(notice)
                .contains(
                        "2 could be read, 4 not",
                        "drawing 2: point 1: its 'price' must be a number, not \"two\"",
                        "drawing 3: point 1: its 'price' must be a number, not missing",
                        "drawing 4: there is no kind of drawing 'SPIRAL'",
                        "drawing 5: 'origin': 'fortnight' is not a timeframe",
                        "set-aside"));
        try (var aside = Files.list(folder.resolve("set-aside"))) {
            assertThat(aside)
                    .anySatisfy(kept -> assertThat(Files.readString(kept)).isNotEmpty());
        }
    }
}
