package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.series.Times;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.book.DocumentSaver;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.SerialLane;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WorkTest {
    /** Jobs without a title and tasks of lanes are no jobs that are shown, but something is under way. */
    @Test
    void idleIsWhereNothingIsUnderWayAndNothingWaits() throws Exception {
        Semaphore release = new Semaphore(0);
        Semaphore done = new Semaphore(0);
        Runnable held = () -> {
            release.acquireUninterruptibly();
            done.release();
        };
        try (Scheduler scheduler = new Scheduler(1, Runnable::run)) {
            SerialLane lane = scheduler.lane();
            assertThat(scheduler.isIdle()).isTrue();
            scheduler.on(Lane.SOON).execute(held);
            scheduler.on(Lane.SOON).execute(held);
            lane.execute(held);
            for (int task = 0; task < 3; task++) {
                assertThat(scheduler.jobs()).isEmpty();
                assertThat(scheduler.isIdle()).as("%d are done", task).isFalse();
                release.release();
                done.acquire();
            }
            long end = System.nanoTime() + 60_000_000_000L;
            while (!scheduler.isIdle() && System.nanoTime() < end) {
                Thread.onSpinWait();
            }
            assertThat(scheduler.isIdle()).isTrue();
        }
        Scheduler ended = new Scheduler(1, Runnable::run);
        ended.close();
        ended.on(Lane.SOON).execute(() -> {});
        assertThat(ended.isIdle()).as("after its end nothing is taken").isTrue();
    }

    @Test
    void undoAndRedoGoBackAndForth() {
        List<String> log = new ArrayList<>();
        long[] clock = {0};
        UndoStack undo = new UndoStack(() -> clock[0]);
        undo.execute(Command.of("one", () -> log.add("+1"), () -> log.add("-1")));
        undo.execute(Command.of("two", () -> log.add("+2"), () -> log.add("-2")));
        assertThat(undo.undo()).contains("two");
        assertThat(undo.undo()).contains("one");
        assertThat(undo.undo()).isEmpty();
        assertThat(undo.redo()).contains("one");
        undo.execute(Command.of("three", () -> log.add("+3"), () -> log.add("-3")));
        assertThat(undo.redo()).isEmpty();
        assertThat(log).containsExactly("+1", "+2", "-2", "-1", "+1", "+3");
    }

    @Test
    void quickChangesOfOneThingAreOneStepAndSlowOnesAreNot() {
        int[] value = {0};
        long[] clock = {0};
        UndoStack undo = new UndoStack(() -> clock[0]);
        for (int step = 1; step <= 3; step++) {
            int from = value[0];
            int to = step;
            undo.execute(Command.of("slide", "slider", () -> value[0] = to, () -> value[0] = from));
            clock[0] += 100_000_000L;
        }
        clock[0] += 5_000_000_000L;
        undo.execute(Command.of("slide", "slider", () -> value[0] = 9, () -> value[0] = 3));
        undo.undo();
        assertThat(value[0]).isEqualTo(3);
        undo.undo();
        assertThat(value[0]).isZero();
        undo.redo();
        assertThat(value[0]).isEqualTo(3);
    }

    @Test
    void whatBelongsTogetherIsOneStep() {
        List<String> log = new ArrayList<>();
        UndoStack undo = new UndoStack(() -> 0);
        undo.together("nothing", () -> {});
        assertThat(undo.undo()).as("no step without a command").isEmpty();
        undo.together("both", () -> {
            undo.execute(Command.of("one", () -> log.add("+1"), () -> log.add("-1")));
            undo.execute(Command.of("two", () -> log.add("+2"), () -> log.add("-2")));
        });
        assertThat(undo.undo()).contains("both");
        assertThat(undo.undo()).isEmpty();
        assertThat(undo.redo()).contains("both");
        assertThat(log).as("taken back in the opposite order").containsExactly("+1", "+2", "-2", "-1", "+1", "+2");
    }

    @Test
    void aStepWithinAStepIsAPartOfIt() {
        List<String> log = new ArrayList<>();
        UndoStack undo = new UndoStack(() -> 0);
        undo.together("outer", () -> {
            undo.execute(Command.of("one", () -> log.add("+1"), () -> log.add("-1")));
            undo.together("inner", () -> {
                undo.execute(Command.of("two", () -> log.add("+2"), () -> log.add("-2")));
                undo.execute(Command.of("three", () -> log.add("+3"), () -> log.add("-3")));
            });
            undo.execute(Command.of("four", () -> log.add("+4"), () -> log.add("-4")));
        });
        assertThat(undo.undo()).contains("outer");
        assertThat(undo.undo()).as("one step alone").isEmpty();
        assertThat(log).containsExactly("+1", "+2", "+3", "+4", "-4", "-3", "-2", "-1");
        log.clear();
        assertThat(undo.redo()).contains("outer");
        assertThat(log).containsExactly("+1", "+2", "+3", "+4");
    }

    @Test
    void aNewerJobCancelsTheOlderAndOnlyItsResultCounts() throws InterruptedException {
        List<String> results = new CopyOnWriteArrayList<>();
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch release = new CountDownLatch(1);
        CountDownLatch done = new CountDownLatch(1);
        try (Scheduler scheduler = new Scheduler(2, Runnable::run)) {
            scheduler.start(
                    Lane.NOW,
                    "k",
                    "older",
                    job -> {
                        started.countDown();
                        release.await();
                        return "older";
                    },
                    results::add,
                    failed -> results.add("failed"));
            started.await();
            assertThat(scheduler.jobs()).hasSize(1);
            scheduler.start(
                    Lane.NOW,
                    "k",
                    "newer",
                    job -> "newer",
                    result -> {
                        results.add(result);
                        done.countDown();
                    },
                    failed -> results.add("failed"));
            assertThat(done.await(5, TimeUnit.SECONDS)).isTrue();
            release.countDown();
        }
        assertThat(results).containsExactly("newer");
    }

    @Test
    void failuresAreHandedOver() throws InterruptedException {
        CountDownLatch failed = new CountDownLatch(1);
        try (Scheduler scheduler = new Scheduler(1, Runnable::run)) {
            scheduler.start(
                    Lane.NOW,
                    "k",
                    "",
                    job -> {
                        throw new IOException("gone");
                    },
                    result -> {},
                    failure -> {
                        assertThat(failure).hasMessage("gone");
                        failed.countDown();
                    });
            assertThat(failed.await(5, TimeUnit.SECONDS)).isTrue();
        }
    }

    @Test
    void theClockRunsRestsAfterTheCloseAndGoesOnWithTheNextSession() {
        World world = World.halcyon();
        MarketClock clock = new MarketClock(world.calendar(), world.presentTime(), 60, true);
        long real = 1_000_000_000L;
        clock.advance(real);
        assertThat(clock.advance(real + 1_000_000_000L)).isEqualTo(world.presentTime() + Times.MINUTE);
        clock.setSpeed(3600);
        long close = world.calendar().close(java.time.LocalDate.of(2026, 6, 19));
        for (int second = 2; second < 8; second++) {
            clock.advance(real + second * 1_000_000_000L);
        }
        assertThat(clock.now()).isEqualTo(close);
        assertThat(clock.isResting()).isTrue();
        for (int second = 8; second < 20 && clock.now() == close; second++) {
            clock.advance(real + second * 1_000_000_000L);
        }
        assertThat(clock.now()).isGreaterThanOrEqualTo(world.calendar().open(java.time.LocalDate.of(2026, 6, 22)));
        clock.setRunning(false);
        long still = clock.now();
        assertThat(clock.advance(real + 100_000_000_000L)).isEqualTo(still);
    }

    /** A disk may take longer than anyone wants to wait. */
    @Test
    void atTheEndTheNewestIsWrittenAfterWhatIsBeingWritten(@TempDir Path folder) throws Exception {
        DocumentStore store = new DocumentStore(folder);
        DocumentSaver saver = new DocumentSaver(store, notice -> {});
        CountDownLatch writing = new CountDownLatch(1);
        CountDownLatch release = new CountDownLatch(1);
        saver.save(
                DocumentKind.MARKET,
                "market",
                () -> {
                    writing.countDown();
                    try {
                        release.await();
                    } catch (InterruptedException given) {
                        throw new IllegalStateException(given);
                    }
                    return new Documents.Market(1, 1, 1, 1);
                },
                null);
        assertThat(writing.await(60, TimeUnit.SECONDS)).isTrue();
        saver.save(DocumentKind.MARKET, "market", new Documents.Market(1, 2, 3, 2));
        Thread closing = new Thread(saver::close);
        closing.start();
        closing.join(3000);
        release.countDown();
        closing.join();
        saver.close();
        assertThat(store.read(DocumentKind.MARKET, "market")).contains(new Documents.Market(1, 2, 3, 2));
    }

    @Test
    void whatCannotBeSavedIsToldOnceKeptAndSavedLater(@TempDir Path folder) throws Exception {
        List<String> told = new CopyOnWriteArrayList<>();
        AtomicInteger tries = new AtomicInteger();
        Path inTheWay = folder.resolve("market.json.new");
        DocumentStore store = new DocumentStore(folder);
        Files.createDirectories(inTheWay.resolve("x"));
        DocumentSaver saver = new DocumentSaver(store, notice -> {
            told.add(notice);
            tries.incrementAndGet();
        });
        saver.save(DocumentKind.MARKET, "market", new Documents.Market(1, 2, 3, 2));
        long end = System.nanoTime() + 60_000_000_000L;
        while (told.isEmpty() && System.nanoTime() < end) {
            Thread.sleep(10);
        }
        assertThat(told).singleElement().asString().contains("market clock cannot be saved", "untouched");
        Files.delete(inTheWay.resolve("x"));
        Files.delete(inTheWay);
        saver.close();
        assertThat(store.read(DocumentKind.MARKET, "market")).contains(new Documents.Market(1, 2, 3, 2));
        assertThat(told).hasSize(2);
    }

    @Test
    void sharedWorkIsDoneWhenItReturnsEvenWhenEveryThreadIsBusy() throws Exception {
        try (Front front = new Front();
                Scheduler scheduler = new Scheduler(2, front)) {
            for (int round = 0; round < 200; round++) {
                java.util.concurrent.atomic.AtomicInteger done = new java.util.concurrent.atomic.AtomicInteger();
                List<java.util.concurrent.Callable<Void>> tasks = new ArrayList<>();
                for (int task = 0; task < 7; task++) {
                    int length = task;
                    tasks.add(() -> {
                        Thread.sleep(0, 1000 * length);
                        done.incrementAndGet();
                        return null;
                    });
                }
                scheduler.inParallel(Lane.BEHIND, tasks);
                assertThat(done).hasValue(7);
            }
            tasksThatFailAreTold(scheduler);
        }
    }

    private static void tasksThatFailAreTold(Scheduler scheduler) {
        List<java.util.concurrent.Callable<Void>> tasks = new ArrayList<>();
        tasks.add(() -> null);
        tasks.add(() -> {
            throw new java.io.IOException("one is unreadable");
        });
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> scheduler.inParallel(Lane.BEHIND, tasks))
                .isInstanceOf(java.io.IOException.class)
                .hasMessageContaining("unreadable");
    }
}
