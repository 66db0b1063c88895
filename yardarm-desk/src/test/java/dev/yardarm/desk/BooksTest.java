package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.DocumentSaver;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
        return new Books(saver, List.of(new Documents.NamedList("Standard", List.of(KTRL))),
                List.of(new Scan("Standard", "Standard", Timeframe.DAY, List.of("close > 0"))));
    }

    private static Drawing level(String id, double price) {
        return new Drawing(id, Drawing.Kind.LEVEL, Timeframe.DAY, List.of(new Anchor(1, price)), 0, 1, 1, true);
    }

    @Test
    void everythingIsThereAgainAfterALaterStart() throws IOException {
        try (DocumentSaver saver = saver()) {
            Books books = books(saver);
            books.setDrawings(KTRL, List.of(level("a", 98.4)));
            books.setDrawings(OTHER, List.of(level("b", 1), level("c", 2)));
            books.setStance(new Stance(KTRL, Stance.Kind.WAIT, "", "n", 4));
            books.setPlan(KTRL, new TradePlan("p", KTRL, Timeframe.DAY, 1, 10, 9, 12, 1000, 1));
            books.setPlan(OTHER, new TradePlan("q", OTHER, Timeframe.DAY, 1, 10, 9, 12, 1000, 1));
            books.setPlan(OTHER, null);
            books.setLists(List.of(new Documents.NamedList("Mine", List.of(OTHER, KTRL))));
            books.setScans(List.of());
        }
        try (DocumentSaver saver = saver()) {
            Books books = books(saver);
            assertThat(books.drawings(KTRL)).containsExactly(level("a", 98.4));
            assertThat(books.drawings(OTHER)).hasSize(2);
            assertThat(books.stance(KTRL).kind()).isEqualTo(Stance.Kind.WAIT);
            assertThat(books.stance(OTHER).kind()).isEqualTo(Stance.Kind.NONE);
            assertThat(books.plans()).extracting(TradePlan::id).containsExactly("p");
            assertThat(books.list("Mine")).hasValueSatisfying(list -> assertThat(list.instruments())
                    .containsExactly(OTHER, KTRL));
            assertThat(books.list("Standard")).isEmpty();
            assertThat(books.scans()).as("an emptied list stays empty").isEmpty();
        }
    }

    @Test
    void aFirstStartHasTheStandardListsAndScans() throws IOException {
        try (DocumentSaver saver = saver()) {
            assertThat(books(saver).lists()).extracting(Documents.NamedList::name).containsExactly("Standard");
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
}
