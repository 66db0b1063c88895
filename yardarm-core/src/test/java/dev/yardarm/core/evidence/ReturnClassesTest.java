package dev.yardarm.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** Classes of returns: each return lies in its class, and the classes leave no gap. */
class ReturnClassesTest {
    @Test
    void everyReturnLiesBetweenTheEdgesOfItsClass() {
        SplittableRandom chance = new SplittableRandom(5);
        for (int each = 0; each < 100_000; each++) {
            double wide = Math.pow(10, -chance.nextDouble() * 5);
            double came = chance.nextDouble(-wide, wide);
            int number = ReturnClasses.of(came);
            assertThat(came)
                    .isGreaterThanOrEqualTo(ReturnClasses.from(number) - 1e-12)
                    .isLessThan(ReturnClasses.from(number + 1) + 1e-12);
        }
    }

    @Test
    void classesFollowEachOtherFromAllLostToDoubled() {
        assertThat(ReturnClasses.from(0)).isEqualTo(-1);
        assertThat(ReturnClasses.from(ReturnClasses.COUNT)).isCloseTo(1, within(1e-12));
        for (int number = 0; number < ReturnClasses.COUNT; number++) {
            double width = ReturnClasses.from(number + 1) - ReturnClasses.from(number);
            assertThat(width).isBetween(1 / 8000.0 - 1e-12, 1 / 400.0 + 1e-12);
        }
    }

    @Test
    void whatLiesBeyondIsInTheOutermost() {
        assertThat(ReturnClasses.of(-1.2)).isZero();
        assertThat(ReturnClasses.of(7)).isEqualTo(ReturnClasses.COUNT - 1);
    }
}
