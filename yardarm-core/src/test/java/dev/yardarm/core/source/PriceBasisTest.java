package dev.yardarm.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Prices of their days and prices of the chart: drawings stay with the bars whatever is adjusted. */
class PriceBasisTest {
    private static BarSeries raw(double... closes) {
        BarSeries series = new BarSeries(closes.length);
        for (int bar = 0; bar < closes.length; bar++) {
            series.append(
                    TestBars.day(bar),
                    TestBars.day(bar) + Times.DAY,
                    closes[bar],
                    closes[bar],
                    closes[bar],
                    closes[bar],
                    600);
        }
        return series;
    }

    private static final List<CorporateActions.Split> SPLITS =
            List.of(new CorporateActions.Split(TestBars.day(2), 2), new CorporateActions.Split(TestBars.day(4), 3));
    private static final List<CorporateActions.Dividend> DIVIDENDS = List.of(
            new CorporateActions.Dividend(TestBars.day(1), 6), new CorporateActions.Dividend(TestBars.day(3), 1.5));

    private static void agree(PriceBasis basis, Bars raw, Bars adjusted) {
        for (int bar = 0; bar < raw.size(); bar++) {
            assertThat(basis.shown(raw.close(bar), raw.openTime(bar)))
                    .as("bar " + bar)
                    .isCloseTo(adjusted.close(bar), within(1e-7));
        }
    }

    @Test
    void itDoesToSinglePricesWhatIsDoneToBars() {
        BarSeries raw = raw(120, 123, 62, 60, 21, 22);
        Bars bars = raw.snapshot();
        PriceBasis splits = SplitAdjustment.basis(SPLITS, TestBars.day(9));
        agree(splits, bars, SplitAdjustment.adjust(raw, SPLITS, TestBars.day(9)).snapshot());
        PriceBasis paid = DividendAdjustment.basis(bars, DIVIDENDS, TestBars.day(9));
        agree(
                paid,
                bars,
                DividendAdjustment.adjust(raw, DIVIDENDS, TestBars.day(9)).snapshot());
        agree(
                paid.then(splits),
                bars,
                SplitAdjustment.adjust(
                                DividendAdjustment.adjust(raw, DIVIDENDS, TestBars.day(9)), SPLITS, TestBars.day(9))
                        .snapshot());
        assertThat(SplitAdjustment.basis(SPLITS, TestBars.day(1)).isAsTraded())
                .as("nobody knew")
                .isTrue();
    }

    @Test
    void itDoesToSinglePricesWhatIsDoneToContracts() {
        List<ContinuousFuture.Turn> turns = List.of(
                new ContinuousFuture.Turn(null, Long.MIN_VALUE, TestBars.day(2), 1.5, 1.03),
                new ContinuousFuture.Turn(null, TestBars.day(2), TestBars.day(4), -0.25, 0.99),
                new ContinuousFuture.Turn(null, TestBars.day(4), Long.MAX_VALUE, Double.NaN, Double.NaN));
        PriceBasis difference = ContinuousFuture.basis(turns, BarRequest.Joint.DIFFERENCE);
        assertThat(difference.shown(50, TestBars.day(1))).isEqualTo(51.25);
        assertThat(difference.shown(50, TestBars.day(2))).isEqualTo(49.75);
        assertThat(difference.shown(50, TestBars.day(4))).isEqualTo(50);
        PriceBasis ratio = ContinuousFuture.basis(turns, BarRequest.Joint.RATIO);
        assertThat(ratio.shown(100, TestBars.day(0))).isCloseTo(100 * 1.03 * 0.99, within(1e-7));
        assertThat(ratio.traded(ratio.shown(100, TestBars.day(3)), TestBars.day(3)))
                .isEqualTo(100);
        assertThat(ContinuousFuture.basis(turns, BarRequest.Joint.UNADJUSTED).isAsTraded())
                .isTrue();
    }

    @Test
    void thereAndBackIsTheSamePrice() {
        PriceBasis basis = SplitAdjustment.basis(SPLITS, TestBars.day(9))
                .then(PriceBasis.of(List.of(new PriceBasis.Step(TestBars.day(3), 1, 2.75))));
        Random random = new Random(5);
        for (int trial = 0; trial < 500; trial++) {
            long time = TestBars.day(random.nextInt(7)) + random.nextInt(1000);
            double price = Math.rint(random.nextDouble() * 40_000) / 100 + 1;
            assertThat(basis.traded(basis.shown(price, time), time)).isCloseTo(price, within(1e-6));
            double shown = Math.rint(random.nextDouble() * 40_000) / 100 + 5;
            assertThat(basis.shown(basis.traded(shown, time), time)).isCloseTo(shown, within(1e-7));
        }
    }

    @Test
    void pointsThatWereNotTouchedStayAsTheyAreKept() {
        PriceBasis basis = SplitAdjustment.basis(SPLITS, TestBars.day(9));
        Drawing kept = new Drawing(
                "d",
                Drawing.LINE,
                Timeframe.DAY,
                List.of(new Anchor(TestBars.day(0), 100.01), new Anchor(TestBars.day(5), 25)),
                0);
        Drawing shown = basis.shown(kept);
        assertThat(shown.anchors().get(0).price()).isCloseTo(100.01 / 6, within(1e-7));
        assertThat(shown.anchors().get(1).price()).isEqualTo(25);
        assertThat(basis.traded(shown, kept)).isEqualTo(kept);
        Drawing moved = basis.traded(shown.withAnchor(1, new Anchor(TestBars.day(3), 20)), kept);
        assertThat(moved.anchors()).containsExactly(kept.anchors().get(0), new Anchor(TestBars.day(3), 60));
        assertThat(basis.traded(shown, null).anchors().get(0).price()).isCloseTo(100.01, within(1e-6));
        assertThat(PriceBasis.AS_TRADED.shown(kept)).isSameAs(kept);
        assertThat(PriceBasis.AS_TRADED.traded(kept, null)).isSameAs(kept);
    }

    @Test
    void stepsThatMakeNoSenseAreRefused() {
        assertThatThrownBy(() -> new PriceBasis.Step(1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new PriceBasis.Step(1, 1, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
        List<PriceBasis.Step> backwards =
                new ArrayList<>(List.of(new PriceBasis.Step(5, 1, 0), new PriceBasis.Step(3, 1, 0)));
        assertThatThrownBy(() -> PriceBasis.of(backwards)).hasMessageContaining("order of time");
    }
}
