package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.BarsLayer;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every kind of layer stands in every table. */
class LayerPartsTest {
    @Test
    void everyKindIsPaintedFoundAndReadOut() {
        ChartPainter painter = new ChartPainter();
        for (Class<?> kind : Layer.class.getPermittedSubclasses()) {
            assertThat(LayerParts.has(kind)).as("read out: " + kind).isTrue();
            assertThat(painter.has(kind)).as("painted: " + kind).isTrue();
            assertThat(HitTest.has(kind)).as("found: " + kind).isTrue();
        }
    }

    @Test
    void allLayersAreListedFromTheBarsUpAndFoundByWhatIsChosen() {
        ChartModel chart =
                ChartFixture.chart(ChartFixture.days(120), Timeframe.DAY, ChartFixture.layer("sma", "20", 1));
        chart.setUnknownLayers(List.of(new UnknownLayer("l9", "trend_stage 30", "there is no such indicator", null)));
        chart.setDrawings(List.of(new Drawing(
                "d",
                Drawing.LEVEL,
                Timeframe.WEEK,
                List.of(new Anchor(chart.bars().openTime(5), 98)),
                3)));
        assertThat(chart.layers())
                .extracting(layer -> LayerParts.title(chart, layer))
                .containsExactly("price, candles", "volume", "sma 20", "trend_stage 30", "level (W), inherited");
        assertThat(chart.layers()).extracting(LayerParts::canHide).containsExactly(false, true, true, false, true);
        for (Layer layer : chart.layers()) {
            assertThat(chart.layer(layer.selection())).contains(layer);
            assertThat(LayerParts.value(chart, layer)).as(layer.id()).isNotEmpty();
        }
        assertThat(chart.layer(Selection.NONE)).isEmpty();
        assertThat(chart.layer(Selection.PRICE)).containsInstanceOf(BarsLayer.class);
        assertThat(chart.layer(new Selection.Layer("gone"))).isEmpty();
        chart.setVolumeShown(false);
        assertThat(chart.layers())
                .filteredOn(layer -> !LayerParts.isVisible(layer))
                .extracting(Layer::id)
                .as("what is hidden stays in the list, to be shown again")
                .containsExactly("volume");
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter()
                .paint(
                        chart,
                        dev.yardarm.chart.surface.Palette.of(dev.yardarm.chart.surface.Palette.Theme.DAYLIGHT),
                        surface);
        assertThat(surface.texts).isNotEmpty();
    }

    /** An indicator that has cues alone says which one holds at a bar, by its name, instead of a number. */
    @Test
    void aCueIsReadOutByItsName() {
        Indicator engulfing = Catalogue.builtIn().find("engulfing").orElseThrow();
        ChartModel chart = ChartFixture.chart(
                ChartFixture.days(120),
                Timeframe.DAY,
                new IndicatorLayer("e", engulfing, Settings.standard(engulfing), LayerStyle.of(1)));
        IndicatorLayer layer = chart.indicators().get(0);
        var bullish = chart.data().of(layer).get(0).column();
        var bearish = chart.data().of(layer).get(1).column();
        int held = 0;
        for (int bar = 12; bar < chart.bars().closed(); bar++) {
            String expected = bullish.at(bar) == 1 ? "bullish" : bearish.at(bar) == 1 ? "bearish" : "\u2013";
            assertThat(Readout.value(chart, layer, bar)).isEqualTo(expected);
            held += expected.length() > 1 ? 1 : 0;
        }
        assertThat(held).isPositive();
    }
}
