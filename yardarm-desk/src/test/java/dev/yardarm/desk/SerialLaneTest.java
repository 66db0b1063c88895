package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.desk.work.SerialLane;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class SerialLaneTest {
    private final ExecutorService pool = Executors.newFixedThreadPool(4);

    @AfterEach
    void close() {
        pool.shutdownNow();
    }

    @Test
    void tasksOfALaneFollowEachOtherWhileLanesShareThreads() throws InterruptedException {
        int lanes = 6;
        int tasks = 2000;
        CountDownLatch done = new CountDownLatch(lanes);
        List<List<Integer>> orders = new ArrayList<>();
        AtomicInteger together = new AtomicInteger();
        for (int number = 0; number < lanes; number++) {
            SerialLane lane = new SerialLane(pool);
            List<Integer> order = new ArrayList<>();
            AtomicInteger atWork = new AtomicInteger();
            orders.add(order);
            for (int task = 0; task < tasks; task++) {
                int at = task;
                lane.execute(() -> {
                    lane.check();
                    together.addAndGet(atWork.incrementAndGet() == 1 ? 0 : 1);
                    order.add(at);
                    atWork.decrementAndGet();
                    if (at == 10) {
                        throw new IllegalStateException("one task fails");
                    }
                });
            }
            lane.execute(done::countDown);
        }
        assertThat(done.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(together).hasValue(0);
        for (List<Integer> order : orders) {
            assertThat(order).hasSize(tasks).isSorted();
        }
    }

    @Test
    void whatBelongsToALaneIsNotTouchedFromElsewhere() {
        SerialLane lane = new SerialLane(pool);
        assertThatThrownBy(lane::check).hasMessageContaining("belongs to a lane");
    }

    @Test
    void workAfterTheEndIsDropped() {
        SerialLane lane = new SerialLane(pool);
        pool.shutdown();
        lane.execute(() -> {
            throw new AssertionError("never run");
        });
        assertThat(pool.isShutdown()).isTrue();
    }
}
