package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.desk.work.Paced;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** What follows from many changes is done once for them. */
class PacedTest {
    private final Front front = new Front();
    private final AtomicInteger done = new AtomicInteger();

    @AfterEach
    void close() {
        front.close();
    }

    @Test
    void allThatIsAskedInOneGoIsDoneOnce() {
        Paced paced = new Paced(front, 0, done::incrementAndGet);
        front.run(() -> {
            paced.ask();
            paced.ask();
            paced.ask();
        });
        front.await("once", () -> done.get() == 1);
        front.run(paced::ask);
        front.await("and again", () -> done.get() == 2);
    }

    @Test
    void theNextComesWhenItHasRestedAndIsNotForgotten() {
        Paced paced = new Paced(front, 200, done::incrementAndGet);
        long began = System.nanoTime();
        front.run(paced::ask);
        front.await("the first at once", () -> done.get() == 1);
        for (int change = 0; change < 50; change++) {
            front.run(paced::ask);
        }
        front.await("one for the fifty", () -> done.get() >= 2);
        assertThat(System.nanoTime() - began).isGreaterThanOrEqualTo(200_000_000L);
    }

    @Test
    void whatTakesLongRestsTenTimesAsLong() {
        List<Long> times = new CopyOnWriteArrayList<>();
        Paced paced = new Paced(front, 0, () -> {
            times.add(System.nanoTime());
            long end = System.nanoTime() + 20_000_000L;
            while (System.nanoTime() < end) {
                Thread.onSpinWait();
            }
            times.add(System.nanoTime());
        });
        front.run(paced::ask);
        front.await("the first", () -> times.size() == 2);
        front.run(paced::ask);
        front.await("the second", () -> times.size() == 4);
        assertThat(times.get(2) - times.get(1)).isGreaterThan(150_000_000L);
    }

    @Test
    void closedItIsDoneNoMore() {
        Paced paced = new Paced(front, 0, done::incrementAndGet);
        front.run(() -> {
            paced.ask();
            paced.close();
        });
        front.run(paced::ask);
        front.run(() -> {});
        assertThat(done).hasValue(0);
    }
}
