package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.PriceSteps;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The row of a price is the whole part of its ticks by those of a row, below zero too, near the borders and far away. */
class PriceRowsTest {
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 5, 7, 10, 20, 49, 1000, 99_999})
    void theRowOfAPriceIsTheWholePart(int rowTicks) {
        SplittableRandom random = new SplittableRandom(rowTicks);
        PriceSteps steps = new PriceSteps(0.25);
        PriceRows rows = new PriceRows(steps, rowTicks);
        for (int turn = 0; turn < 20_000; turn++) {
            long ticks = turn % 3 == 0
                    ? random.nextLong(-5, 6) * rowTicks + random.nextLong(-1, 2)
                    : random.nextLong(-4_000_000_000_000L, 4_000_000_000_000L);
            assertThat(rows.row(ticks * 0.25)).isEqualTo(Math.floorDiv(ticks, rowTicks));
        }
        assertThat(rows.row(1e300)).isEqualTo(Math.floorDiv(Long.MAX_VALUE, (long) rowTicks));
        assertThat(rows.row(-1e300)).isEqualTo(Math.floorDiv(Long.MIN_VALUE, (long) rowTicks));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.01, 0.05, 0.25, 1, 5, 1.0 / 32, 0.0001})
    void theTickOfAPriceIsTheNearestOne(double tick) {
        SplittableRandom random = new SplittableRandom(1);
        PriceSteps steps = new PriceSteps(tick);
        for (int turn = 0; turn < 20_000; turn++) {
            long ticks = random.nextLong(-10_000_000, 10_000_000);
            double off = random.nextDouble(-0.49, 0.49);
            assertThat(steps.ticks((ticks + off) * tick)).isEqualTo(ticks);
            assertThat(steps.ticks(steps.price(ticks))).isEqualTo(ticks);
        }
        assertThat(steps.ticks(1.5 * tick)).as("of two as near the upper one").isEqualTo(2);
        assertThat(steps.ticks(Double.NaN)).isZero();
    }
}
