package dev.yardarm.market.feed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The line with its faults against the trades as they were made. */
class SimulatedFeedTest {
    private static final InstrumentId ID = new InstrumentId("s", "X");
    private static final long SECOND = 1_000_000;
    private static final long MINUTE = 60 * SECOND;

    private final TickSeries made = trades(7);

    private static TickSeries trades(long seed) {
        Random random = new Random(seed);
        TickSeries all = new TickSeries(4096);
        long time = MINUTE;
        for (int trade = 0; trade < 4000; trade++) {
            // Several are traded at the same moment.
            time += random.nextInt(4) == 0 ? 0 : random.nextInt(3_000_000);
            all.append(time, 100 + random.nextInt(200) / 100.0, 1 + random.nextInt(9), (byte) (random.nextInt(3) - 1));
        }
        return all;
    }

    private void make(InstrumentId id, long after, long upTo, TickSeries into) {
        for (int trade = 0; trade < made.size(); trade++) {
            if (made.time(trade) > after && made.time(trade) <= upTo) {
                into.append(made.time(trade), made.price(trade), made.size(trade), made.side(trade));
            }
        }
    }

    private static void same(TickSeries got, TickSeries wanted, int count) {
        for (int trade = 0; trade < count; trade++) {
            assertThat(got.time(trade)).as("time of %d", trade).isEqualTo(wanted.time(trade));
            assertThat(got.price(trade)).isEqualTo(wanted.price(trade));
            assertThat(got.size(trade)).isEqualTo(wanted.size(trade));
            assertThat(got.side(trade)).isEqualTo(wanted.side(trade));
        }
    }

    /** Asks in turns, as the hub does; gives what came, and checks that nothing is passed over. */
    private TickSeries run(SimulatedFeed feed, long from, long to, Random turns, List<Long> lags) {
        TickSeries got = new TickSeries(4096);
        long known = from;
        for (long now = from; now <= to; now += 100_000 + turns.nextInt(900_000)) {
            long upTo = feed.knownUpTo(ID, now);
            assertThat(upTo).isLessThanOrEqualTo(now);
            lags.add(now - upTo);
            if (upTo > known) {
                try {
                    feed.trades(ID, known, upTo, got);
                    known = upTo;
                } catch (IOException cut) {
                    throw new AssertionError("what is known can be had", cut);
                }
            }
        }
        TickSeries wanted = new TickSeries(4096);
        make(ID, from, known, wanted);
        assertThat(got.size()).isEqualTo(wanted.size());
        same(got, wanted, wanted.size());
        return got;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1m delay 20s for 10m",
                "2m cut for 5m",
                "1m double for 20m",
                "1m reorder 4s for 20m",
                "2m lose for 3m fill after 5m",
                "1m reorder 4s for 20m\n1m double 6s for 20m\n5m delay 9s for 4m\n8m cut for 2m\n11m lose for 90s fill after 1m # all at once"
            })
    void everyTradeComesOnceInItsOrderWhateverHappensToTheLine(String script) {
        for (int seed = 1; seed <= 5; seed++) {
            SimulatedFeed feed = new SimulatedFeed(this::make, seed);
            feed.add(FeedScript.parse(script, MINUTE), MINUTE);
            List<Long> lags = new ArrayList<>();
            TickSeries got = run(feed, MINUTE, 50 * MINUTE, new Random(seed), lags);
            assertThat(got.size()).isGreaterThan(1000);
            assertThat(lags.get(lags.size() - 1))
                    .as("nothing is missing at the end")
                    .isZero();
            // That something comes twice keeps nothing waiting.
            assertThat(lags.stream().mapToLong(Long::longValue).max().orElse(0) > 0)
                    .isEqualTo(!script.startsWith("1m double"));
            assertThat(feed.words(50 * MINUTE)).isEmpty();
        }
    }

    @Test
    void whatIsLostWaitsUntilItIsFilledInByHand() throws Exception {
        SimulatedFeed feed = new SimulatedFeed(this::make, 1);
        feed.add(List.of(FeedFault.parse("lose for 1m", 5 * MINUTE)), 4 * MINUTE);
        run(feed, 4 * MINUTE, 5 * MINUTE - 1, new Random(1), new ArrayList<>());
        long known = feed.knownUpTo(ID, 20 * MINUTE);
        assertThat(known).isBetween(5 * MINUTE - 5 * SECOND, 5 * MINUTE + 5 * SECOND);
        TickSeries beyond = new TickSeries(16);
        feed.trades(ID, 4 * MINUTE, 20 * MINUTE, beyond);
        assertThat(beyond.time(beyond.size() - 1))
                .as("none beyond what is known")
                .isLessThanOrEqualTo(known);
        feed.fill(21 * MINUTE);
        assertThat(feed.knownUpTo(ID, 21 * MINUTE)).isEqualTo(21 * MINUTE);
        TickSeries all = new TickSeries(16);
        feed.trades(ID, 0, 21 * MINUTE, all);
        same(all, made, all.size());
    }

    @Test
    void aCutLineSaysSoAndWhatWasKnownCanStillBeHad() throws Exception {
        SimulatedFeed feed = new SimulatedFeed(this::make, 1);
        feed.add(List.of(FeedFault.parse("cut", 5 * MINUTE)), 4 * MINUTE);
        feed.check(4 * MINUTE);
        feed.knownUpTo(ID, 5 * MINUTE - 1);
        assertThatThrownBy(() -> feed.check(6 * MINUTE))
                .isInstanceOf(IOException.class)
                .hasMessage("the line is cut");
        assertThat(feed.words(6 * MINUTE)).isEqualTo("the line is cut");
        assertThat(feed.knownUpTo(ID, 6 * MINUTE)).isLessThanOrEqualTo(5 * MINUTE);
        assertThatThrownBy(() -> feed.trades(ID, 5 * MINUTE, 6 * MINUTE, new TickSeries(4)))
                .isInstanceOf(IOException.class);
        TickSeries before = new TickSeries(16);
        feed.trades(ID, 2 * MINUTE, 4 * MINUTE, before);
        assertThat(before.size()).isPositive();
        feed.end(7 * MINUTE);
        feed.check(7 * MINUTE);
        assertThat(feed.knownUpTo(ID, 7 * MINUTE + SECOND)).isEqualTo(7 * MINUTE + SECOND);
    }

    @Test
    void doublesAndLateOnesAreCounted() {
        SimulatedFeed feed = new SimulatedFeed(this::make, 3);
        feed.add(FeedScript.parse("0s double\n0s reorder 4s", MINUTE), MINUTE);
        run(feed, MINUTE, 20 * MINUTE, new Random(3), new ArrayList<>());
        assertThat(feed.counted()[0]).isGreaterThan(300);
        assertThat(feed.counted()[1]).isGreaterThan(100);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "cut for ever | is no time",
                "explode for 5m | is no fault of the line; there are cut",
                "cut 20s | is not understood",
                "delay fill after 5m | only what was lost is filled in",
                "cut for 0s | ends after it begins"
            })
    void whatIsNoFaultIsSaid(String text, String says) {
        assertThatThrownBy(() -> FeedFault.parse(text, 0)).hasMessageContaining(says);
        assertThatThrownBy(() -> FeedScript.parse("# first\n1m " + text, 0)).hasMessageStartingWith("line 2: ");
    }

    @Test
    void faultsAreReadAsTheyAreTyped() {
        assertThat(FeedFault.parse("delay 20s for 10m", 5))
                .isEqualTo(new FeedFault(FeedFault.Kind.DELAY, 5, 5 + 10 * MINUTE, 20 * SECOND));
        assertThat(FeedFault.parse("Delay by 1.5 min", 0).amount()).isEqualTo(90 * SECOND);
        assertThat(FeedFault.parse("lose for 2 minutes filled after 1h", 0))
                .isEqualTo(new FeedFault(FeedFault.Kind.LOSE, 0, 2 * MINUTE, 60 * MINUTE));
        assertThat(FeedFault.parse("double", 0).to()).isEqualTo(Long.MAX_VALUE);
        assertThat(FeedFault.parse("reorder", 0).words()).contains("overtake", "3 s");
    }
}
