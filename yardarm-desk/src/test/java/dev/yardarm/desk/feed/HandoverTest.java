package dev.yardarm.desk.feed;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

class HandoverTest {
    /** Two threads meet as often as they can; when one has put its last, the other must have taken it. */
    @Test
    void theLastOneIsAlwaysTaken() throws Exception {
        for (int round = 0; round < 40; round++) {
            ExecutorService front = Executors.newSingleThreadExecutor();
            int[] shown = new int[1];
            Handover<Integer> handover = new Handover<>(front, newest -> shown[0] = newest);
            int last = 0;
            long end = System.nanoTime() + 20_000_000L;
            while (System.nanoTime() < end) {
                handover.put(++last);
            }
            front.shutdown();
            assertThat(front.awaitTermination(10, TimeUnit.SECONDS)).isTrue();
            assertThat(shown[0]).as("round %d", round).isEqualTo(last);
        }
    }

    @Test
    void aSlowTakerGetsTheNewestAndNoneTwice() {
        List<Runnable> queue = new ArrayList<>();
        List<Integer> taken = new ArrayList<>();
        Handover<Integer> handover = new Handover<>(queue::add, taken::add);
        handover.put(1);
        handover.put(2);
        handover.put(3);
        assertThat(queue).hasSize(1);
        queue.remove(0).run();
        handover.put(4);
        handover.drop();
        handover.put(5);
        while (!queue.isEmpty()) {
            queue.remove(0).run();
        }
        assertThat(taken).containsExactly(3, 5);
    }
}
