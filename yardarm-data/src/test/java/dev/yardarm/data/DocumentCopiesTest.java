package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.text.BoundedFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How far last good copies reach back, what happens to files that cannot be read for now, and bounds of what is read. */
class DocumentCopiesTest {
    @TempDir
    private Path folder;

    private Instant now = Instant.parse("2026-06-19T10:00:00Z");

    private final Clock clock = new Clock() {
        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    };

    private static Documents.Market market(long time) {
        return new Documents.Market(1, time, 1, 1);
    }

    private static List<Long> times(DocumentStore store) {
        return store.lastGood(DocumentKind.MARKET, "market").stream()
                .map(Documents.Market::time)
                .toList();
    }

    /** A program's own mistake is written many times within a minute; what was good yesterday must not be gone by that. */
    @Test
    void copiesReachBackOverDaysHoweverManyChangesThereAre() throws IOException {
        DocumentStore store = new DocumentStore(folder, clock);
        for (int day = 0; day < 14; day++) {
            for (int change = 0; change < 30; change++) {
                store.write(DocumentKind.MARKET, "market", market(day * 1000 + change));
                now = now.plusMillis(60);
            }
            now = now.plus(Duration.ofDays(1));
        }
        List<Long> times = times(store);
        // The one before the last, then those at least ten minutes and an hour apart, then how each of ten days began.
        assertThat(times.get(0)).isEqualTo(13_028);
        assertThat(times).contains(12_029L, 11_029L, 4_029L, 3_029L).doesNotContain(2_029L);
        assertThat(times.subList(3, times.size())).hasSize(10);
    }

    @Test
    void theSecondCopyStaysTenMinutesAndTheThirdAnHour() throws IOException {
        DocumentStore store = new DocumentStore(folder, clock);
        for (int minute = 0; minute < 200; minute++) {
            store.write(DocumentKind.MARKET, "market", market(minute));
            now = now.plus(Duration.ofMinutes(1));
        }
        List<Long> times = times(store);
        assertThat(times.get(0)).isEqualTo(198);
        assertThat(times.get(1)).isBetween(180L, 190L);
        assertThat(times.get(2)).isBetween(120L, 179L);
    }

    /** A folder that stands in its place cannot be read as a file, as one without rights or while too many files are open. */
    @Test
    void aFileThatCannotBeReadForNowIsNotTakenForDamagedAndNotWrittenOver() throws IOException {
        DocumentStore before = new DocumentStore(folder, clock);
        before.write(DocumentKind.MARKET, "market", market(1));
        before.write(DocumentKind.MARKET, "market", market(2));
        Path file = folder.resolve("market.json");
        Path away = folder.resolve("away");
        Files.move(file, away);
        Files.createDirectory(file);
        DocumentStore store = new DocumentStore(folder, clock);
        assertThat(store.read(DocumentKind.MARKET, "market")).contains(market(1));
        assertThat(store.takeNotices())
                .singleElement()
                .asString()
                .contains("cannot be read for now", "left as it is", "last good copy");
        assertThat(folder.resolve("set-aside")).doesNotExist();
        assertThatThrownBy(() -> store.write(DocumentKind.MARKET, "market", market(3)))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("cannot be saved");
        assertThat(file).isDirectory();

        Files.delete(file);
        Files.move(away, file);
        store.write(DocumentKind.MARKET, "market", market(3));
        assertThat(store.read(DocumentKind.MARKET, "market")).contains(market(3));
        assertThat(store.takeNotices()).singleElement().asString().contains("set-aside");
        try (var aside = Files.list(folder.resolve("set-aside"))) {
            assertThat(Files.readString(aside.findFirst().orElseThrow())).contains("\"time\" : 2");
        }
    }

    @Test
    void aFileWithoutAnEndIsReadUpToABound() {
        Path zero = Path.of("/dev/zero");
        org.junit.jupiter.api.Assumptions.assumeTrue(Files.exists(zero));
        assertThatThrownBy(() -> BoundedFile.bytes(zero, 1 << 20)).hasMessageContaining("more than 1 MB");
        assertThatThrownBy(() -> DocumentStore.readFile(DocumentKind.EXPORT, zero))
                .hasMessageContaining("more than 256 MB");
    }

    @Test
    void documentsAreNobodyElses() throws IOException {
        Path made = folder.resolve("home/documents");
        new DocumentStore(made);
        org.junit.jupiter.api.Assumptions.assumeTrue(Files.getFileStore(made).supportsFileAttributeView("posix"));
        assertThat(java.nio.file.attribute.PosixFilePermissions.toString(Files.getPosixFilePermissions(made)))
                .isEqualTo("rwx------");
    }
}
