package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Which of several tints a bar takes. */
class BarTintsTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static IndicatorLayer layer(String id, String tints) {
        Indicator indicator = Definition.parse("define \"" + id + "\" in price\n" + tints, Language.builtIn())
                .indicator();
        return new IndicatorLayer(id, indicator, Settings.of(indicator, Map.of()), LayerStyle.of(0));
    }

    private static long bars(ChartModel chart, int colour) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface.rectangles.stream()
                .filter(each -> each.colour() == colour)
                .count();
    }

    private static int colour(IndicatorLayer layer, int output) {
        return DAYLIGHT.drawn(layer.colourOf(output));
    }

    private static ChartModel chart(IndicatorLayer... layers) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(60), Timeframe.DAY, layers);
        chart.setVolumeShown(false);
        chart.setBarWidth(10);
        return chart;
    }

    @Test
    void theLayerPutOnLastDecidesAndWhereItIsSilentTheOneBefore() {
        IndicatorLayer all = layer("All", "tint \"Any\" plum when close > 0\n");
        IndicatorLayer rising = layer("Rising", "tint \"Up\" teal when close > open\n");
        ChartModel rulesOver = chart(all, rising);
        assertThat(bars(rulesOver, colour(rising, 0))).isPositive();
        assertThat(bars(rulesOver, colour(all, 0))).isPositive();
        ChartModel hidden = chart(rising, all);
        assertThat(bars(hidden, colour(rising, 0))).isZero();
        assertThat(bars(hidden, colour(all, 0))).isPositive();
    }

    @Test
    void withinALayerTheFirstThatHoldsDecides() {
        IndicatorLayer two =
                layer("Two", "tint \"First\" plum when close > 0\ntint \"Second\" teal when close > open\n");
        assertThat(bars(chart(two), colour(two, 0))).isPositive();
        assertThat(bars(chart(two), colour(two, 1))).isZero();
    }
}
