package dev.yardarm.market.generator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.planted.PlantedOrder;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Minutes and trades of any day, however odd, add up to it exactly. */
class MinutesTest {
    private static final int MINUTES = 510;

    @Property(tries = 300)
    void minutesAddUpToAnyDay(
            @ForAll long seed,
            @ForAll @IntRange(min = 1, max = 40_000) int first,
            @ForAll @IntRange(min = 1, max = 40_000) int second,
            @ForAll @IntRange(max = 3000) int above,
            @ForAll @IntRange(max = 3000) int below,
            @ForAll @IntRange(min = MINUTES * 20, max = 90_000_000) int volume) {
        int high = Math.max(first, second) + above;
        int low = Math.max(1, Math.min(first, second) - below);
        MinutePath path = new MinutePath(MINUTES);
        path.fill(new Dice(seed), first, high, low, second, volume);
        long sum = 0;
        int highest = 0;
        int lowest = Integer.MAX_VALUE;
        for (int minute = 0; minute < MINUTES; minute++) {
            assertThat(path.high[minute]).isGreaterThanOrEqualTo(Math.max(path.open[minute], path.close[minute]));
            assertThat(path.low[minute]).isLessThanOrEqualTo(Math.min(path.open[minute], path.close[minute]));
            assertThat(path.volume[minute]).isGreaterThanOrEqualTo(MinutePath.LEAST_MINUTE_VOLUME);
            highest = Math.max(highest, path.high[minute]);
            lowest = Math.min(lowest, path.low[minute]);
            sum += path.volume[minute];
        }
        assertThat(path.open[0]).isEqualTo(first);
        assertThat(path.close[MINUTES - 1]).isEqualTo(second);
        assertThat(highest).isEqualTo(high);
        assertThat(lowest).isEqualTo(low);
        assertThat(sum).isEqualTo(volume);
    }

    @Property(tries = 300)
    void tradesAddUpToAnyMinute(
            @ForAll long seed,
            @ForAll @IntRange(min = 1, max = 9000) int open,
            @ForAll @IntRange(min = 1, max = 9000) int close,
            @ForAll @IntRange(max = 200) int above,
            @ForAll @IntRange(max = 200) int below,
            @ForAll @IntRange(min = MinutePath.LEAST_MINUTE_VOLUME, max = 500_000) int volume) {
        int high = Math.max(open, close) + above;
        int low = Math.max(1, Math.min(open, close) - below);
        List<Long> times = new ArrayList<>();
        List<Double> prices = new ArrayList<>();
        double[] sum = {0};
        new MinuteTrades()
                .report(new Dice(seed), 0, open, high, low, close, volume, -1, Times.MINUTE, (time, price, size) -> {
                    times.add(time);
                    prices.add(price / 100.0);
                    sum[0] += size;
                    assertThat(size).isPositive();
                });
        assertThat(times).isSorted().allMatch(time -> time >= 0 && time < Times.MINUTE);
        assertThat(prices.get(0)).isEqualTo(open / 100.0);
        assertThat(prices.get(prices.size() - 1)).isEqualTo(close / 100.0);
        assertThat(prices.stream().mapToDouble(price -> price).max().orElseThrow())
                .isEqualTo(high / 100.0);
        assertThat(prices.stream().mapToDouble(price -> price).min().orElseThrow())
                .isEqualTo(low / 100.0);
        assertThat(sum[0]).isEqualTo(volume);
    }

    @Property(tries = 300)
    void printsAddUpToAnyMinute(
            @ForAll long seed,
            @ForAll @IntRange(min = 1, max = 9000) int open,
            @ForAll @IntRange(min = 1, max = 9000) int close,
            @ForAll @IntRange(max = 200) int above,
            @ForAll @IntRange(max = 200) int below,
            @ForAll @IntRange(min = MinutePath.LEAST_MINUTE_VOLUME, max = 500_000) int volume) {
        int high = Math.max(open, close) + above;
        int low = Math.max(1, Math.min(open, close) - below);
        TickSeries prints = new TickSeries(80);
        new PrintedMinute(new Dice(seed), 0, open, high, low, close, volume).report(-1, Times.MINUTE, prints::append);
        assertThat(prints.price(0)).isEqualTo(open);
        assertThat(prints.price(prints.size() - 1)).isEqualTo(close);
        double most = 0;
        double least = Double.MAX_VALUE;
        double sum = 0;
        for (int print = 0; print < prints.size(); print++) {
            most = Math.max(most, prints.price(print));
            least = Math.min(least, prints.price(print));
            sum += prints.size(print);
            assertThat(prints.size(print)).isPositive();
            assertThat(prints.side(print)).isNotEqualTo(TickSeries.UNKNOWN);
            assertThat(prints.time(print)).isBetween(0L, Times.MINUTE - 1);
        }
        assertThat(most).isEqualTo(high);
        assertThat(least).isEqualTo(low);
        assertThat(sum).isEqualTo(volume);
        TickSeries later = new TickSeries(80);
        long cut = prints.time(prints.size() / 2);
        new PrintedMinute(new Dice(seed), 0, open, high, low, close, volume).report(cut, Times.MINUTE, later::append);
        assertThat(later.size()).isLessThan(prints.size());
        for (int print = 0; print < later.size(); print++) {
            int same = prints.size() - later.size() + print;
            assertThat(later.size(print)).isEqualTo(prints.size(same));
            assertThat(later.side(print)).isEqualTo(prints.side(same));
        }
    }

    /** What is planted lies there: an order is found by putting prints together, and what is absorbed holds most of the minute at its end. */
    @Test
    void whatIsPlantedAmongPrintsIsThere() {
        int large = 0;
        int absorbed = 0;
        for (long seed = 0; seed < 2000; seed++) {
            PlantedOrder planted = new PrintedMinute(new Dice(seed), 0, 500, 506, 495, 503, 900).planted();
            if (planted == null) {
                continue;
            }
            TickSeries prints = new TickSeries(80);
            new PrintedMinute(new Dice(seed), 0, 500, 506, 495, 503, 900).report(-1, Times.MINUTE, prints::append);
            if (planted.kind().equals("large")) {
                large++;
                assertThat(LargeTrades.of(prints, 200, 100 * Times.SECOND / 1000))
                        .anyMatch(each -> each.time() <= planted.time()
                                && each.side() == planted.side()
                                && each.size() >= planted.size());
                assertThat(planted.size()).isBetween(350.0, 620.0);
            } else {
                absorbed++;
                assertThat(planted.price()).isIn(495.0, 506.0);
                assertThat(planted.size()).isBetween(500.0, 560.0);
                assertThat(planted.prints()).isEqualTo(14);
            }
        }
        assertThat(large).isBetween(70, 125);
        assertThat(absorbed).isBetween(40, 90);
    }

    @Test
    void diceAreFairAndToldByTheirKeys() {
        Dice dice = new Dice(5, 1, 2);
        double sum = 0;
        double squares = 0;
        int[] counts = new int[6];
        for (int draw = 0; draw < 60_000; draw++) {
            double bell = dice.bell();
            sum += bell;
            squares += bell * bell;
            counts[dice.below(6)]++;
            assertThat(dice.uniform()).isBetween(0.0, 1.0);
        }
        assertThat(sum / 60_000).isCloseTo(0, within(0.02));
        assertThat(squares / 60_000).isCloseTo(1, within(0.03));
        for (int count : counts) {
            assertThat(count).isBetween(9_600, 10_400);
        }
        assertThat(new Dice(5, 1, 2).bits()).isEqualTo(new Dice(5, 1, 2).bits()).isNotEqualTo(new Dice(5, 2, 1).bits());
        assertThat(Dice.key("KTRL")).isNotEqualTo(Dice.key("KTRM"));
    }
}
