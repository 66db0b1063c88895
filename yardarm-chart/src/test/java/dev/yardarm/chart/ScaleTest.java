package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.PriceTicks;
import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.scale.TimeTicks;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ScaleTest {
    @Test
    void pyramidFindsWhatALoopFinds() {
        Random random = new Random(1);
        double[] low = new double[70_000];
        double[] high = new double[low.length];
        for (int at = 0; at < low.length; at++) {
            low[at] = random.nextInt(20) == 0 ? Double.NaN : random.nextGaussian();
            high[at] = low[at] + random.nextDouble();
        }
        ExtremePyramid pyramid = new ExtremePyramid();
        for (int size : new int[] {10, 17, 300, 5000, 69_999, 70_000}) {
            pyramid.update(low, high, size);
        }
        ExtremePyramid.View view = pyramid.view();
        for (int question = 0; question < 2000; question++) {
            int from = random.nextInt(low.length);
            int to = from + random.nextInt(question % 2 == 0 ? 60 : low.length - from);
            to = Math.min(to, low.length);
            view.find(from, to);
            double least = Arrays.stream(low, from, to)
                    .filter(value -> !Double.isNaN(value))
                    .min()
                    .orElse(Double.POSITIVE_INFINITY);
            double most = Arrays.stream(high, from, to)
                    .filter(value -> !Double.isNaN(value))
                    .max()
                    .orElse(Double.NEGATIVE_INFINITY);
            assertThat(view.least()).isEqualTo(least);
            assertThat(view.most()).isEqualTo(most);
        }
    }

    @Test
    void anOldViewKeepsItsAnswersWhileTheColumnGrows() {
        double[] values = new double[4000];
        Arrays.fill(values, 1);
        ExtremePyramid pyramid = new ExtremePyramid();
        pyramid.update(values, values, 1000);
        ExtremePyramid.View before = pyramid.view();
        double[] grown = Arrays.copyOf(values, 8000);
        Arrays.fill(grown, 1000, 8000, 99);
        pyramid.update(grown, grown, 8000);
        before.find(0, 8000);
        assertThat(before.most()).isEqualTo(1);
    }

    /** What a chart tells while nothing is pointed at is of a bar that shows, also when it is scrolled back or past the end. */
    @Test
    void theNewestBarInViewIsTheNewestOnlyWhileThatShows() {
        assertThat(new TimeScale(0, 500, 10, 104).newestVisible(100)).isEqualTo(99);
        assertThat(new TimeScale(0, 500, 10, 60).newestVisible(100)).isEqualTo(59);
        assertThat(new TimeScale(0, 500, 10, 900).newestVisible(100)).isEqualTo(99);
        assertThat(new TimeScale(0, 500, 10, -20).newestVisible(100)).isZero();
        assertThat(new TimeScale(0, 500, 10, 20).newestVisible(0)).isEqualTo(-1);
    }

    @Test
    void pricesGoToPixelsAndBack() {
        for (boolean logarithmic : new boolean[] {false, true}) {
            PriceScale scale = PriceScale.fitted(20, 180, 0.05, 10, 500, logarithmic);
            for (double price : new double[] {20, 33.3, 100, 180}) {
                assertThat(scale.price(scale.y(price))).isCloseTo(price, within(1e-9));
                assertThat(scale.y(price)).isBetween(10.0, 500.0);
            }
            assertThat(scale.y(180)).isLessThan(scale.y(20));
        }
        PriceScale scale = PriceScale.fitted(10, 1000, 0, 0, 300, true);
        assertThat(scale.y(100)).isCloseTo(150, within(1e-9));
        assertThat(PriceScale.fitted(-5, 5, 0.1, 0, 100, true).isLogarithmic()).isFalse();
        assertThat(PriceScale.fitted(7, 7, 0.1, 0, 100, false).high()).isGreaterThan(7);
        assertThat(PriceScale.fitted(Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, 0.1, 0, 100, false)
                        .high())
                .isFinite();
    }

    @Test
    void stretchingAndMovingThePriceScale() {
        PriceScale scale = new PriceScale(100, 200, 0, 100, false);
        assertThat(scale.stretchedBy(2).low()).isCloseTo(50, within(1e-9));
        assertThat(scale.stretchedBy(2).high()).isCloseTo(250, within(1e-9));
        assertThat(scale.movedBy(10).y(150)).isCloseTo(60, within(1e-9));
        assertThat(scale.between(Double.NaN, 3)).isEqualTo(scale);
    }

    @Test
    void zoomingKeepsThePlaceUnderThePointer() {
        TimeScale scale = new TimeScale(0, 800, 8, 500);
        double held = scale.position(300);
        TimeScale zoomed = scale.zoomedBy(1.7, 300);
        assertThat(zoomed.position(300)).isCloseTo(held, within(1e-9));
        assertThat(zoomed.barWidth()).isCloseTo(13.6, within(1e-9));
        assertThat(scale.zoomedBy(1e9, 300).barWidth()).isEqualTo(TimeScale.WIDEST);
        assertThat(scale.movedBy(80).position(80)).isCloseTo(scale.position(0), within(1e-9));
        assertThat(new TimeScale(0, 800, 8, -500).heldTo(1000).edge()).isEqualTo(3);
        assertThat(new TimeScale(0, 800, 8, 5000).heldTo(1000).edge()).isEqualTo(1097);
    }

    @Test
    void ticksAreRoundAndApart() {
        List<Double> ticks = PriceTicks.of(new PriceScale(96.2, 118.7, 0, 400, false), 44, 0.01);
        assertThat(ticks).containsExactly(97.5, 100.0, 102.5, 105.0, 107.5, 110.0, 112.5, 115.0, 117.5);
        assertThat(PriceTicks.of(new PriceScale(3, 900, 0, 400, true), 40, 0.01))
                .isSorted()
                .allMatch(price -> price >= 3 && price <= 900)
                .contains(10.0, 100.0);
        assertThat(PriceTicks.of(new PriceScale(10, 10.02, 0, 400, false), 44, 0.01))
                .allMatch(price -> Math.abs(price * 100 - Math.rint(price * 100)) < 1e-6);
    }

    @Test
    void timeAxisGoesBeyondTheLastBar() {
        Bars bars = ChartFixture.days(300).snapshot();
        TimeAxis axis = new TimeAxis(bars, new BarGrid(ChartFixture.PVX, Timeframe.DAY));
        for (int bar : new int[] {0, 10, 299, 300, 320}) {
            assertThat(axis.bar(axis.openTime(bar))).isEqualTo(bar);
        }
        assertThat(axis.bar(bars.openTime(50) + 1000)).isEqualTo(50);
        LocalDate last = LocalDate.of(2024, 1, 2);
        for (int bar = 0; bar < 302; bar++) {
            last = ChartFixture.PVX.next(last);
        }
        assertThat(axis.openTime(302)).isEqualTo(ChartFixture.PVX.open(last));
    }

    @Test
    void barsToComeOpenWhereTheCalendarSaysInWhateverOrderTheyAreAsked() {
        Bars bars = ChartFixture.days(300).snapshot();
        BarGrid grid = new BarGrid(ChartFixture.PVX, Timeframe.MINUTES_15);
        TimeAxis axis = new TimeAxis(bars, grid);
        List<Long> expected = new ArrayList<>();
        BarGrid.Slot slot = grid.slotAt(bars.openTime(299));
        for (int ahead = 0; ahead < 4000; ahead++) {
            slot = grid.next(slot);
            expected.add(slot.openTime());
        }
        for (int bar : new int[] {300, 299 + 1700, 350, 299 + 4000, 299 + 3999}) {
            assertThat(axis.openTime(bar)).as("bar " + bar).isEqualTo(expected.get(bar - 300));
        }
        assertThat(axis.openTime(299 + 9000)).as("no further than is drawn").isEqualTo(expected.get(3999));
    }

    @Test
    void timeTicksDoNotCrowd() {
        Bars bars = ChartFixture.days(2000).snapshot();
        TimeAxis axis = new TimeAxis(bars, new BarGrid(ChartFixture.PVX, Timeframe.DAY));
        for (double width : new double[] {0.3, 1, 3, 7, 20, 60}) {
            List<TimeTicks.Tick> ticks =
                    TimeTicks.of(new TimeScale(0, 900, width, 2005), axis, ChartFixture.PVX.zone(), 76);
            assertThat(ticks.size()).as("width " + width).isBetween(2, 19);
            for (int at = 1; at < ticks.size(); at++) {
                assertThat(ticks.get(at).x() - ticks.get(at - 1).x()).isGreaterThan(40);
            }
        }
    }
}
