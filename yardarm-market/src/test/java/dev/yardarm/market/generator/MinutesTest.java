package dev.yardarm.market.generator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
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
