package dev.yardarm.data.home;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.data.home.HomeLock.Holder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HomeLockTest {
    @TempDir
    private Path folder;

    @Test
    void besideTheApplicationNobodyWorksAndNobodyWaits() throws IOException {
        long begun = System.nanoTime();
        try (HomeLock held = HomeLock.take(folder, Holder.APPLICATION)) {
            assertThat(held).isNotNull();
            assertThatThrownBy(() -> HomeLock.take(folder, Holder.IMPORT, Duration.ofMinutes(5)))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("another Yardarm is running with the home folder " + folder)
                    .hasMessageContaining("Close it first");
            assertThatThrownBy(() -> HomeLock.take(folder, Holder.APPLICATION))
                    .hasMessageContaining("choose another folder with --home DIR");
        }
        assertThat(System.nanoTime() - begun).isLessThan(TimeUnit.MINUTES.toNanos(1));
        HomeLock.take(folder, Holder.IMPORT).close();
    }

    @Test
    void anImportWaitsForAnotherAndGivesUpAfterAWhile() throws Exception {
        HomeLock first = HomeLock.take(folder, Holder.IMPORT);
        assertThatThrownBy(() -> HomeLock.take(folder, Holder.IMPORT, Duration.ofMillis(150)))
                .hasMessageContaining("an import is under way into the home folder " + folder);
        assertThatThrownBy(() -> HomeLock.take(folder, Holder.APPLICATION))
                .hasMessageContaining("an import is under way");
        CompletableFuture<HomeLock> second = CompletableFuture.supplyAsync(() -> {
            try {
                return HomeLock.take(folder, Holder.IMPORT, Duration.ofMinutes(1));
            } catch (IOException failed) {
                throw new IllegalStateException(failed);
            }
        });
        assertThat(second).isNotDone();
        first.close();
        second.get(30, TimeUnit.SECONDS).close();
    }

    /** Many imports take turns: one may look just while another writes who it is. */
    @Test
    void aWordThatIsHalfWrittenForAMomentIsNotBelieved() throws Exception {
        HomeLock first = HomeLock.take(folder, Holder.IMPORT);
        CompletableFuture<HomeLock> second = CompletableFuture.supplyAsync(() -> {
            try {
                return HomeLock.take(folder, Holder.IMPORT, Duration.ofMinutes(1));
            } catch (IOException failed) {
                throw new IllegalStateException(failed);
            }
        });
        Thread.sleep(1200);
        Files.writeString(folder.resolve("lock"), "");
        Thread.sleep(300);
        Files.writeString(folder.resolve("lock"), "IMPORT");
        Thread.sleep(200);
        assertThat(second).isNotDone();
        first.close();
        second.get(30, TimeUnit.SECONDS).close();
    }

    @Test
    void aHomeThatIsNoFolderIsTold() throws IOException {
        Path file = Files.writeString(folder.resolve("file"), "not a folder");
        assertThatThrownBy(() -> HomeLock.take(file, Holder.APPLICATION))
                .hasMessageContaining("the home folder " + file + " cannot be used")
                .hasMessageContaining("Choose another one with --home DIR");
    }
}
