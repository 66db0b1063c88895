package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.desk.list.ListWork;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Lists made by hand, by sector, tier and weight, from pasted text; sorted, coloured, moved. */
class ListWorkTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private final List<String> notices = new CopyOnWriteArrayList<>();
    private Desk desk;
    private ListWork work;

    @BeforeEach
    void open() throws IOException {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> desk.onNotice(notices::add));
        work = desk.listWork();
    }

    @AfterEach
    void close() {
        desk.close();
        front.close();
    }

    private NamedList list(String name) {
        return desk.books().list(name).orElseThrow();
    }

    private static InstrumentId id(String code) {
        return new InstrumentId("halcyon", code);
    }

    @Test
    void listsAreMadeRenamedSortedColouredAndUndone() {
        front.run(() -> {
            String name = work.make("Focus", List.of(id("MARN"), id("KTRL")));
            assertThat(work.make("Focus", List.of())).isEqualTo("Focus 2");
            work.add(name, id("EBSP"));
            work.add(name, id("EBSP"));
            work.move(name, id("EBSP"), -5);
            assertThat(list(name).instruments()).containsExactly(id("EBSP"), id("MARN"), id("KTRL"));
            work.sort(name, "code");
            work.colour(name, 3);
            assertThat(work.rename(name, "Focus 2")).as("taken").isFalse();
            assertThat(work.rename(name, "Close watch")).isTrue();
        });
        assertThat(list("Close watch"))
                .isEqualTo(new NamedList("Close watch", List.of(id("EBSP"), id("KTRL"), id("MARN")), 3));
        front.run(() -> {
            work.remove("Close watch", id("KTRL"));
            assertThat(list("Close watch").instruments()).hasSize(2);
            desk.undo().undo();
            assertThat(list("Close watch").instruments()).hasSize(3);
            work.delete("Close watch");
            assertThat(desk.books().list("Close watch")).isEmpty();
            desk.undo().undo();
            assertThat(work.sort("Close watch", "mood")).isFalse();
        });
        assertThat(list("Close watch").colour()).isEqualTo(3);
    }

    @Test
    void listsComeFromSectorsTiersAndTheTopOfAnIndex() {
        front.run(() -> {
            assertThat(work.bySectorOrTier("fisheries")).contains("Fisheries");
            assertThat(work.bySectorOrTier("large")).contains("Tier large");
            assertThat(work.bySectorOrTier("castles")).isEmpty();
        });
        List<String> made = new CopyOnWriteArrayList<>();
        front.run(() -> work.byWeight("pv60", 0.5, made::add));
        front.await("the weights", () -> made.contains("PV60 top 50 %"));
        front.run(() -> work.byWeight("KTRL", 0.5, made::add));
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("not an index with members")));
        assertThat(made).hasSize(1);
        assertThat(list("Fisheries").instruments()).hasSizeBetween(5, 10);
        assertThat(list("Tier large").instruments()).hasSize(20);
        assertThat(list("PV60 top 50 %").instruments()).hasSizeBetween(3, 25);
        front.await(
                "told",
                () -> notices.stream().anyMatch(notice -> notice.contains("make up 5"))
                        && notices.stream()
                                .anyMatch(notice -> notice.contains("No sector or tier is called 'castles'")));
    }

    @Test
    void pastedTextAndCellsAreFoundAndWhatIsNotIsTold() {
        front.run(() -> {
            String name = work.make("Pasted", List.of());
            ListWork.Pasted read = work.read("KTRL\tmarn; \"EBSP\"\nNOPE, halcyon:EMBRA other:KTRL", "", "", "");
            assertThat(read.found()).containsExactly(id("KTRL"), id("MARN"), id("EBSP"), id("EMBRA"));
            assertThat(read.missing()).containsExactly("NOPE", "other:KTRL");
            work.paste(name, read);
            assertThat(work.read("U26 M26", "halcyon", "VRTQ-", "").found())
                    .containsExactly(id("VRTQ-U26"), id("VRTQ-M26"));
            assertThat(work.read("AUL", "halcyon", "", "BRN").found()).containsExactly(id("AULBRN"));
            assertThat(work.read("KTRL", "own", "", "").missing()).containsExactly("KTRL");
        });
        assertThat(list("Pasted").instruments()).hasSize(4);
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("not found: NOPE, other:KTRL")));
        front.run(() -> work.moveToSource("Pasted", "own"));
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("own has no KTRL")));
        assertThat(list("Pasted").instruments()).contains(id("KTRL"));
    }
}
