package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** How outputs of indicators come onto the chart: forms, areas, displacement, marks, timeframes. */
class LayerRenderTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static IndicatorLayer layer(String name, Map<String, String> settings) {
        Indicator indicator = Catalogue.builtIn().find(name).orElseThrow();
        return new IndicatorLayer("one", indicator, Settings.of(indicator, settings), LayerStyle.of(0));
    }

    private static ChartModel chart(IndicatorLayer layer) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(200), Timeframe.DAY, layer);
        chart.setVolumeShown(false);
        chart.setBarWidth(6);
        return chart;
    }

    private static RecordingSurface paint(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface;
    }

    private static long ofColour(RecordingSurface surface, int colour) {
        return surface.lines.stream().filter(each -> each.colour() == colour).count();
    }

    @Test
    void bandsAreThreeLinesInOneColourWithAnAreaBetween() {
        RecordingSurface surface = paint(chart(layer("bollinger", Map.of())));
        assertThat(ofColour(surface, DAYLIGHT.series(0))).isEqualTo(3);
        assertThat(surface.polygons).hasSize(1);
    }

    @Test
    void aHiddenOutputIsNotDrawnAndItsAreaNeither() {
        IndicatorLayer bands = layer("bollinger", Map.of());
        IndicatorLayer without = bands.withStyle(
                bands.style().withOutput("upper", bands.outputStyle(1).withForm(Indicator.Form.NONE)));
        RecordingSurface surface = paint(chart(without));
        assertThat(ofColour(surface, DAYLIGHT.series(0))).isEqualTo(2);
        assertThat(surface.polygons).isEmpty();
        assertThat(without.draws(1)).isFalse();
        assertThat(without.withStyle(without.style().withOutput("upper", null)).draws(1))
                .isTrue();
    }

    @Test
    void aHistogramIsColouredByItsSignUnlessToldOtherwise() {
        IndicatorLayer macd = layer("macd", Map.of());
        ChartModel chart = chart(macd);
        int rise = DAYLIGHT.of(Palette.Role.RISE);
        int fall = DAYLIGHT.of(Palette.Role.FALL);
        double top = chart.panes().get(1).top();
        RecordingSurface surface = paint(chart);
        assertThat(surface.rectangles.stream().filter(each -> each.y() > top && each.colour() == rise))
                .isNotEmpty();
        assertThat(surface.rectangles.stream().filter(each -> each.y() > top && each.colour() == fall))
                .isNotEmpty();
        IndicatorLayer plain = macd.withStyle(macd.style()
                .withOutput(
                        "histogram",
                        macd.outputStyle(2)
                                .withColouring(OutputStyle.Colouring.PLAIN)
                                .withColour(4)));
        RecordingSurface one = paint(chart(plain));
        assertThat(one.rectangles.stream().filter(each -> each.y() > top && each.colour() == fall))
                .isEmpty();
        assertThat(one.rectangles.stream().filter(each -> each.colour() == DAYLIGHT.series(4)))
                .hasSizeGreaterThan(20);
    }

    @Test
    void theLinesOfACloudAreDisplacedAndTheirColumnsAreNot() {
        IndicatorLayer cloud = layer("ichimoku", Map.of());
        ChartModel chart = chart(cloud);
        assertThat(cloud.indicator().displacement(cloud.settings(), 2)).isEqualTo(26);
        assertThat(cloud.indicator().displacement(cloud.settings(), 4)).isEqualTo(-26);
        RecordingSurface surface = paint(chart);
        double last = chart.time().middle(chart.bars().size() - 1);
        double lead = rightmost(surface, DAYLIGHT.series(3));
        assertThat(lead).as("the projected line goes on into the future").isGreaterThan(last + 20);
        assertThat(rightmost(surface, DAYLIGHT.series(4)))
                .as("the lagging line ends 26 bars before")
                .isCloseTo(chart.time().middle(chart.bars().size() - 27), within(0.001));
        assertThat(rightmost(surface, DAYLIGHT.series(0))).isCloseTo(last, within(0.001));
    }

    private static double rightmost(RecordingSurface surface, int colour) {
        double most = Double.NEGATIVE_INFINITY;
        for (RecordingSurface.Line line : surface.lines) {
            for (int point = 0; point < line.count() && line.colour() == colour; point++) {
                most = Math.max(most, line.points()[2 * point]);
            }
        }
        return most;
    }

    @Test
    void aRuleGivesEachFormItsOtherColourWhereItHoldsAndOnlyThere() {
        for (Indicator.Form form : List.of(Indicator.Form.COLUMNS, Indicator.Form.DOTS)) {
            IndicatorLayer rsi = layer("rsi", Map.of("length", "10"));
            OutputStyle style = rsi.outputStyle(0).withForm(form).withColouring(OutputStyle.Colouring.PLAIN);
            ChartModel chart = chart(rsi.withStyle(
                    rsi.style().withOutput("value", style.withTint(new OutputStyle.Tint("close > open", 5)))));
            int from = chart.time().firstVisible();
            long holds = 0;
            for (int bar = from; bar < chart.bars().size(); bar++) {
                holds += chart.bars().close(bar) > chart.bars().open(bar) ? 1 : 0;
            }
            RecordingSurface surface = paint(chart);
            assertThat(surface.rectangles.stream()
                            .filter(each -> each.colour() == DAYLIGHT.series(5)
                                    && each.y() > chart.panes().get(1).top())
                            .count())
                    .as(form + ": one for each bar where it holds")
                    .isBetween(holds, holds + 1);
            assertThat(paint(chart(rsi.withStyle(rsi.style().withOutput("value", style)))).rectangles)
                    .as("without the rule")
                    .noneMatch(each -> each.colour() == DAYLIGHT.series(5));
        }
    }

    @Test
    void anAreaEndsAtANumberOrAtAnotherOutput() {
        IndicatorLayer rsi = layer("rsi", Map.of("length", "10"));
        ChartModel chart = chart(rsi.withStyle(rsi.style()
                .withOutput(
                        "value",
                        rsi.outputStyle(0).withForm(Indicator.Form.AREA).withGround("50"))));
        double fifty = chart.panes().get(1).scale().y(50);
        double[] area = paint(chart).polygons.get(0);
        assertThat(area[1]).as("it begins on the level").isCloseTo(fifty, within(0.001));
        IndicatorLayer macd = layer("macd", Map.of());
        ChartModel lines = chart(macd.withStyle(macd.style()
                .withOutput(
                        "value",
                        macd.outputStyle(0).withForm(Indicator.Form.AREA).withGround("signal"))));
        double[] between = paint(lines).polygons.get(0);
        double signal = lines.data()
                .of(lines.indicators().get(0))
                .get(1)
                .column()
                .at(lines.time().firstVisible());
        double last = lines.panes().get(1).scale().y(signal);
        assertThat(java.util.Arrays.stream(between).anyMatch(y -> Math.abs(y - last) < 0.001))
                .as("along the signal")
                .isTrue();
    }

    @Test
    void levelsAreStepsAndStopsAreDots() {
        RecordingSurface levels = paint(chart(layer("previous", Map.of("period", "month"))));
        assertThat(levels.segments).isGreaterThan(3 * 100);
        RecordingSurface stops = paint(chart(layer("psar", Map.of())));
        assertThat(stops.rectangles.stream().filter(each -> each.colour() == DAYLIGHT.series(0) && each.width() == 3))
                .hasSizeGreaterThan(100);
    }

    @Test
    void aLineMayBeColouredByItsSlope() {
        IndicatorLayer average = layer("sma", Map.of("length", "10"));
        IndicatorLayer sloped = average.withStyle(
                average.style().withOutput("value", average.outputStyle(0).withColouring(OutputStyle.Colouring.SLOPE)));
        RecordingSurface surface = paint(chart(sloped));
        assertThat(ofColour(surface, DAYLIGHT.series(0))).isZero();
        assertThat(surface.segments).isGreaterThan(100);
    }

    @Test
    void readoutsHaveTheValuesOfWhatIsDrawn() {
        IndicatorLayer macd = layer("macd", Map.of());
        ChartModel chart = chart(macd);
        assertThat(Readout.values(chart, macd, 150).split("  ")).hasSize(3);
        IndicatorLayer bands = layer("bollinger", Map.of());
        assertThat(Readout.value(chart(bands), bands, 1, 150)).as("like prices").matches("\\d+\\.\\d\\d");
        assertThat(Readout.value(chart(bands), bands, 1, 3)).isEqualTo("–");
    }

    @Test
    void anIndicatorForOtherTimeframesHasNoPane() {
        IndicatorLayer rsi = layer("rsi", Map.of());
        assertThat(chart(rsi).panes()).hasSize(2);
        ChartModel other = chart(rsi.withStyle(rsi.style().onTimeframes(List.of(Timeframe.WEEK))));
        assertThat(other.panes()).hasSize(1);
        assertThat(paint(chart(rsi)).texts).contains("70").doesNotContain("80");
        IndicatorLayer levelled = rsi.withStyle(rsi.style().withLevels(List.of(20.0, 80.0)));
        assertThat(paint(chart(levelled)).texts).contains("80").doesNotContain("70");
    }

    @Test
    void anIndicatorThatReadsItselfHasNoValues() {
        IndicatorLayer self = layer("ema", Map.of("source", "one:ema.value"));
        ChartModel chart = chart(self);
        assertThat(chart.data().of(self).get(0).column().at(150)).isNaN();
        assertThat(self.title()).isEqualTo("ema 20 of ema.value");
        assertThat(chart.data().of(layer("bollinger", Map.of())))
                .as("computed for another indicator")
                .isEmpty();
    }
}
