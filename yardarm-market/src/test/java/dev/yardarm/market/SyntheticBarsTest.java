package dev.yardarm.market;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.Bars;
import dev.yardarm.market.synthetic.SyntheticBars;
import org.junit.jupiter.api.Test;

class SyntheticBarsTest {
    @Test
    void theSameSeedMakesTheSameBarsAndMoreBarsBeginAlike() {
        Bars few = SyntheticBars.make(9, 100, SyntheticBars.Kind.TREND).snapshot();
        Bars many = SyntheticBars.make(9, 500, SyntheticBars.Kind.TREND).snapshot();
        for (int bar = 0; bar < 100; bar++) {
            assertThat(few.close(bar)).isEqualTo(many.close(bar));
            assertThat(few.openTime(bar)).isEqualTo(many.openTime(bar));
        }
    }

    @Test
    void barsAreSoundAndTrendsGoFurtherThanWalks() {
        double walk = 0;
        double trend = 0;
        for (int seed = 0; seed < 20; seed++) {
            walk += legs(SyntheticBars.make(seed, 2000, SyntheticBars.Kind.WALK).snapshot());
            trend += legs(
                    SyntheticBars.make(seed, 2000, SyntheticBars.Kind.TREND).snapshot());
        }
        assertThat(trend).isGreaterThan(walk * 1.3);
    }

    /** How far prices get in 40 bars, on average, measured in single moves. */
    private static double legs(Bars bars) {
        double far = 0;
        double near = 0;
        for (int bar = 40; bar < bars.size(); bar++) {
            assertThat(bars.low(bar)).isLessThanOrEqualTo(Math.min(bars.open(bar), bars.close(bar)));
            assertThat(bars.high(bar)).isGreaterThanOrEqualTo(Math.max(bars.open(bar), bars.close(bar)));
            far += Math.abs(Math.log(bars.close(bar) / bars.close(bar - 40)));
            near += Math.abs(Math.log(bars.close(bar) / bars.close(bar - 1)));
        }
        return far / near;
    }

    @Test
    void impossibleWishesAreRefused() {
        assertThatThrownBy(() -> SyntheticBars.make(1, 0, SyntheticBars.Kind.WALK))
                .hasMessageContaining("at least 1");
        assertThatThrownBy(() -> SyntheticBars.Kind.named("zigzag")).hasMessageContaining("walk or trend");
    }
}
