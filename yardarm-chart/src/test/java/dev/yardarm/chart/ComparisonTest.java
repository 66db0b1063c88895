package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.render.AxisText;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Another instrument on a chart: its scales, its bars, what is written about it; and the correlation of two. */
class ComparisonTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);
    private static final Indicator COMPARE = Catalogue.builtIn().find("compare").orElseThrow();
    private static final int BARS = 300;

    /** Bars at the same times that cost forty times as much and rise steadily by half of one per cent. */
    private static Bars other() {
        Bars own = ChartFixture.days(BARS).snapshot();
        BarSeries series = new BarSeries(BARS);
        double price = 4000;
        for (int bar = 0; bar < BARS; bar++) {
            series.append(own.openTime(bar), own.closeTime(bar), price, price * 1.01, price * 0.99, price * 1.005, 10);
            price *= 1.005;
        }
        return series.snapshot();
    }

    private static IndicatorLayer layer(LayerScale scale) {
        return new IndicatorLayer("layer-1", COMPARE, Settings.of(COMPARE, Map.of("with", "MARN")), LayerStyle.of(2))
                .onScale(scale);
    }

    private static ChartModel chart(IndicatorLayer... layers) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(BARS), Timeframe.DAY, layers);
        Bars other = other();
        chart.setData(new ChartDataBuilder(
                        List.of(layers),
                        new Surroundings(
                                ChartFixture.PVX,
                                code -> code.equals("MARN") ? Optional.of(() -> other) : Optional.empty()),
                        Language.builtIn())
                .update(chart.bars()));
        chart.setFormats(code -> Optional.of(new PriceFormat(1, 0.1)));
        chart.setBarWidth(8);
        return chart;
    }

    private static double y(ChartModel chart, int bar) {
        return chart.pricePane().scaleOf(chart.indicators().get(0)).y(other().close(bar));
    }

    @Test
    void byPercentagesItBeginsAtThePriceOfTheFirstBarInView() {
        ChartModel chart = chart(layer(LayerScale.PERCENT));
        int first = chart.time().firstVisible();
        assertThat(y(chart, first)).isEqualTo(chart.price().y(chart.bars().close(first)), within(1e-6));
        double risen = other().close(BARS - 1) / other().close(first);
        assertThat(y(chart, BARS - 1)).isEqualTo(chart.price().y(chart.bars().close(first) * risen), within(1e-6));
        assertThat(Readout.change(chart, chart.indicators().get(0), BARS - 1)).isEqualTo(Readout.percent(risen - 1));
    }

    @Test
    void onALogarithmicScaleEqualPartsAreEquallyHigh() {
        ChartModel chart = chart(layer(LayerScale.PERCENT));
        chart.setScale(chart.scale().withMode(ScaleChoice.Mode.LOGARITHMIC));
        double step = y(chart, BARS - 20) - y(chart, BARS - 10);
        assertThat(y(chart, BARS - 11) - y(chart, BARS - 1))
                .isEqualTo(step, within(1e-6))
                .isGreaterThan(1);
    }

    @Test
    void aChosenBaseCountsInsteadOfTheFirstBarInView() {
        ChartModel chart = chart(layer(LayerScale.PERCENT));
        int base = BARS - 30;
        chart.setScale(chart.scale().withBase(chart.bars().openTime(base)));
        assertThat(y(chart, base)).isEqualTo(chart.price().y(chart.bars().close(base)), within(1e-6));
    }

    @ParameterizedTest
    @EnumSource(LayerScale.class)
    void onEveryScaleItIsInView(LayerScale scale) {
        ChartModel chart = chart(layer(scale));
        Pane pane = chart.pricePane();
        for (int bar = chart.time().firstVisible(); bar < BARS; bar++) {
            assertThat(y(chart, bar)).as(scale + " bar " + bar).isBetween(pane.top(), pane.bottom());
        }
    }

    @Test
    void onAScaleOfItsOwnPriceKeepsItsHeight() {
        ChartModel alone = chart();
        assertThat(chart(layer(LayerScale.OWN)).price()).isEqualTo(alone.price());
        assertThat(chart(layer(LayerScale.LEFT)).price()).isEqualTo(alone.price());
        assertThat(chart(layer(LayerScale.PANE)).price().high()).isGreaterThan(4000);
    }

    @Test
    void inAPaneBelowTheAxisIsOfPercentagesFromZero() {
        ChartModel chart = chart(layer(LayerScale.PERCENT).inPane("layer-1"));
        Pane below = chart.pane("layer-1").orElseThrow();
        int first = chart.time().firstVisible();
        assertThat(below.percent()).isTrue();
        assertThat(below.scale().price(below.scaleOf(chart.indicators().get(0)).y(other().close(first))))
                .isEqualTo(0, within(1e-6));
        assertThat(AxisText.of(chart, below, 12.5)).isEqualTo("+12.50 %");
        assertThat(chart.price().high())
                .as("price fits itself alone")
                .isLessThan(1.1 * chart().price().high());
    }

    @Test
    void barsOfTheOtherReachFromItsLowToItsHigh() {
        IndicatorLayer layer = layer(LayerScale.PERCENT);
        ChartModel chart = chart(layer.withStyle(layer.style()
                .withOutput(
                        "close",
                        new OutputStyle(Indicator.Form.BARS, OutputStyle.OF_LAYER, OutputStyle.Colouring.PLAIN))));
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        int bar = BARS - 5;
        double x = chart.time().middle(bar);
        double top = chart.pricePane().scaleOf(chart.indicators().get(0)).y(other().high(bar));
        double bottom = chart.pricePane().scaleOf(chart.indicators().get(0)).y(other().low(bar));
        assertThat(surface.rectangles.stream()
                        .filter(each -> each.colour() == DAYLIGHT.series(2)
                                && Math.abs(each.x() - x) < 2
                                && Math.abs(each.y() - top) < 1.5
                                && Math.abs(each.y() + each.height() - bottom) < 1.5))
                .hasSize(1);
    }

    @Test
    void whatIsWrittenNamesItAndUsesItsOwnPriceFormat() {
        ChartModel chart = chart(layer(LayerScale.PERCENT));
        IndicatorLayer layer = chart.indicators().get(0);
        assertThat(layer.title()).isEqualTo("MARN");
        assertThat(Readout.values(chart, layer, BARS - 1))
                .isEqualTo(new PriceFormat(1, 0.1).format(other().close(BARS - 1)));
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        assertThat(surface.texts).contains("MARN  " + Readout.change(chart, layer, BARS - 1));
        assertThat(Readout.change(chart(layer(LayerScale.OWN)), layer, BARS - 1))
                .as("not of percentages")
                .isEmpty();
    }

    @Test
    void anUnknownInstrumentLeavesTheChartAsItIs() {
        IndicatorLayer nobody = new IndicatorLayer(
                "layer-1", COMPARE, Settings.of(COMPARE, Map.of("with", "NOBODY")), LayerStyle.of(2));
        ChartModel chart = chart(nobody);
        assertThat(chart.price()).isEqualTo(chart().price());
        new ChartPainter().paint(chart, DAYLIGHT, new RecordingSurface(1));
        assertThat(Readout.change(chart, nobody, BARS - 1)).isEmpty();
        assertThat(Readout.values(chart, nobody, BARS - 1)).isEqualTo("–");
    }

    @Test
    void aCorrelationNamesBothAndSaysWhichTimeItsBarsCover() {
        Indicator correlation = Catalogue.builtIn().find("correlation").orElseThrow();
        IndicatorLayer other = layer(LayerScale.PERCENT);
        IndicatorLayer layer = new IndicatorLayer(
                "layer-2",
                correlation,
                Settings.of(
                        correlation,
                        Map.of(
                                "length",
                                "30",
                                "against",
                                "KTRL",
                                "source",
                                new Setting.Source.Reference("layer-1", "compare", "close").toString())),
                LayerStyle.of(3));
        ChartModel chart = chart(other, layer);
        assertThat(chart.titleOf(layer)).isEqualTo("correlation 30, returns, KTRL of MARN");
        assertThat(layer.title()).isEqualTo("correlation 30, returns, KTRL of compare.close");
        assertThat(Readout.covered(chart, layer, BARS - 1))
                .as("KTRL is unknown here")
                .isEmpty();
        IndicatorLayer own = layer.withSettings(Settings.of(correlation, Map.of("length", "30", "against", "MARN")));
        ChartModel two = chart(other, own);
        assertThat(Readout.covered(two, own, BARS - 1))
                .isEqualTo("bars from " + Readout.time(two, two.bars().openTime(BARS - 31)) + " to "
                        + Readout.time(two, two.bars().openTime(BARS - 1)));
        assertThat(Readout.covered(two, own, 5)).isEmpty();
    }
}
