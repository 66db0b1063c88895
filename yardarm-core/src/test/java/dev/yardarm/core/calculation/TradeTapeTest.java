package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.TickSeries;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

/** Several who hear the same trades share one tape, each with its own moment: they say what each would say alone. */
class TradeTapeTest {
    private static final int COUNT = 5_000;

    /** Trades of which many share their moment. */
    private static TickSeries trades(int seed, boolean allSides) {
        SplittableRandom random = new SplittableRandom(seed);
        TickSeries ticks = new TickSeries(COUNT);
        long time = 1_000;
        for (int tick = 0; tick < COUNT; tick++) {
            time += random.nextInt(3) == 0 ? random.nextInt(40) : 0;
            int side = allSides ? 2 * random.nextInt(2) - 1 : random.nextInt(3) - 1;
            ticks.append(time, 100 + random.nextInt(20) * 0.25, 1 + random.nextInt(9), (byte) side);
        }
        return ticks;
    }

    /** The trades after one moment and up to another. */
    private static TickSeries slice(TickSeries all, long after, long upTo) {
        TickSeries slice = new TickSeries(16);
        for (int tick = 0; tick < all.size(); tick++) {
            if (all.time(tick) > after && all.time(tick) <= upTo) {
                slice.append(all.time(tick), all.price(tick), all.size(tick), all.side(tick));
            }
        }
        return slice;
    }

    private static double plain(TickSeries all, long from, long until, long moment) {
        double delta = 0;
        for (int tick = 0; tick < all.size(); tick++) {
            boolean in = all.time(tick) >= from && all.time(tick) < until && all.time(tick) <= moment;
            if (in && all.side(tick) == TickSeries.UNKNOWN) {
                return Double.NaN;
            }
            delta += in ? all.side(tick) * all.size(tick) : 0;
        }
        return delta;
    }

    private static int count(TradedSides sides, long from, long until) {
        int[] count = {0};
        assertThat(sides.trades(from, until, (time, price, size, side) -> count[0]++))
                .isTrue();
        return count[0];
    }

    @Test
    void whoeverIsFirstWritesAndAllSeeWhatIsTheirs() {
        for (int seed = 0; seed < 6; seed++) {
            TickSeries all = trades(seed, seed % 2 == 0);
            SplittableRandom random = new SplittableRandom(seed + 100);
            TradeTape tape = TradeTape.from(0);
            List<TradedSides> hearers = new ArrayList<>();
            long[] moments = new long[4];
            for (int each = 0; each < 4; each++) {
                hearers.add(new TradedSides(tape, 0, 0));
            }
            long last = all.time(COUNT - 1);
            for (int turn = 0; turn < 200; turn++) {
                int each = random.nextInt(4);
                long now = Math.min(last, moments[each] + random.nextInt(600));
                hearers.get(each).take(slice(all, moments[each], now), now);
                moments[each] = now;
                long from = random.nextLong(last);
                long until = from + random.nextLong(last);
                assertThat(hearers.get(each).delta(from, until))
                        .isEqualTo(Double.valueOf(plain(all, from, until, now)));
                assertThat(hearers.get(each).size())
                        .isEqualTo(slice(all, -1, now).size());
                int other = random.nextInt(4);
                assertThat(hearers.get(other).delta(0, last + 1))
                        .isEqualTo(Double.valueOf(plain(all, 0, last + 1, moments[other])));
            }
            for (int each = 0; each < 4; each++) {
                hearers.get(each).take(slice(all, moments[each], last), last);
                assertThat(count(hearers.get(each), 0, last + 1)).isEqualTo(COUNT);
            }
            assertThat(tape.size()).isEqualTo(COUNT);
        }
    }

    @Test
    void aViewOfAPastMomentSeesNothingLater() {
        TickSeries all = trades(3, true);
        TradeTape tape = TradeTape.from(0);
        tape.extend(all, all.time(COUNT - 1));
        long moment = all.time(COUNT / 2);
        TradedSides then = new TradedSides(tape, 0, moment);
        assertThat(then.delta(0, Long.MAX_VALUE)).isEqualTo(Double.valueOf(plain(all, 0, Long.MAX_VALUE, moment)));
        assertThat(then.delta(-5, 10)).as("before it is known").isNaN();
        TickSeries between = tape.between(all.time(100), moment);
        assertThat(between.size())
                .isEqualTo(slice(all, all.time(100) - 1, moment).size());
    }

    @Test
    void whatIsGivenOutIsForReadingOnly() {
        TickSeries all = trades(1, true);
        TickSeries view = all.first(10);
        assertThat(view.size()).isEqualTo(10);
        assertThatThrownBy(() -> view.append(all.time(COUNT - 1), 1, 1, TickSeries.ASK))
                .isInstanceOf(IllegalStateException.class);
        assertThatThrownBy(view::clear).isInstanceOf(IllegalStateException.class);
        assertThatThrownBy(() -> all.first(COUNT + 1)).isInstanceOf(IndexOutOfBoundsException.class);
    }

    /** Threads that meet on one tape: each is handed the same trades in cuts of its own, and asks after each. */
    @Test
    void threadsThatMeetSeeWhatEachWouldAlone() throws Exception {
        TickSeries all = trades(9, true);
        long last = all.time(COUNT - 1);
        TradeTape tape = TradeTape.from(0);
        ExecutorService threads = Executors.newFixedThreadPool(4);
        try {
            List<Future<Integer>> came = new ArrayList<>();
            for (int each = 0; each < 4; each++) {
                SplittableRandom random = new SplittableRandom(each);
                Callable<Integer> hearing = () -> {
                    TradedSides sides = new TradedSides(tape, 0, 0);
                    int wrong = 0;
                    long moment = 0;
                    while (moment < last) {
                        long now = Math.min(last, moment + 1 + random.nextInt(300));
                        sides.take(slice(all, moment, now), now);
                        moment = now;
                        wrong += sides.delta(0, last + 1) == plain(all, 0, last + 1, now) ? 0 : 1;
                    }
                    return wrong;
                };
                came.add(threads.submit(hearing));
            }
            for (Future<Integer> each : came) {
                assertThat(each.get()).isZero();
            }
        } finally {
            threads.shutdownNow();
        }
        assertThat(tape.size()).isEqualTo(COUNT);
    }
}
