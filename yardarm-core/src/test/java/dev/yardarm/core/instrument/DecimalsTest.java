package dev.yardarm.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The formatter of the machine is the measure. */
class DecimalsTest {
    private static void same(double value) {
        for (int decimals = 0; decimals <= 10; decimals++) {
            assertThat(Decimals.of(value, decimals))
                    .as("%s with %d decimals", value, decimals)
                    .isEqualTo(String.format(Locale.ROOT, "%." + decimals + "f", value));
        }
    }

    @Test
    void writesWhatTheFormatterWrites() {
        Random random = new Random(7);
        for (int count = 0; count < 20_000; count++) {
            double size = Math.pow(10, random.nextInt(24) - 8);
            same((random.nextDouble() - 0.5) * size);
            same(Math.rint(random.nextDouble() * 1e6) / Math.pow(10, random.nextInt(7)));
        }
    }

    @Test
    void halvesAreDecidedByTheDigits() {
        for (double value :
                new double[] {0.5, 1.5, 2.5, 0.125, 1.005, 2.675, 0.045, 1.115, 8.345, 99.995, 0.0005, 1e-7}) {
            same(value);
            same(-value);
            same(Math.nextUp(value));
            same(Math.nextDown(value));
        }
    }

    @Test
    void signsZeroesAndWhatIsNoNumber() {
        for (double value : new double[] {
            0.0,
            -0.0,
            -0.001,
            9.9999,
            -9.9999,
            999_999_999_999.9,
            1e15,
            1e300,
            Double.MIN_VALUE,
            Double.MAX_VALUE,
            Double.NaN,
            Double.POSITIVE_INFINITY,
            Double.NEGATIVE_INFINITY
        }) {
            same(value);
        }
    }
}
