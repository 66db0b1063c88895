package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.FoundText;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Findings on a chart: kept up to date, painted by the plane of drawings, told, found under the pointer. */
class FoundTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static IndicatorLayer layer(String detector, Map<String, String> settings) {
        Indicator term = Language.builtIn().catalogue().find(detector).orElseThrow();
        return new IndicatorLayer("layer-1", term, Settings.of(term, settings), LayerStyle.of(2));
    }

    private static ChartModel chart(int days, IndicatorLayer layer) {
        BarSeries series = ChartFixture.days(days);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, layer);
        chart.setData(new ChartDataBuilder(List.of(layer)).update(series.snapshot()));
        return chart;
    }

    private static RecordingSurface painted(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        ChartPainter painter = new ChartPainter();
        painter.paint(chart, DAYLIGHT, surface);
        painter.paintLegend(chart, surface);
        return surface;
    }

    /** Bar after bar, each forming for a while: the same as all at once, and what has not changed stays the same object. */
    @ParameterizedTest
    @ValueSource(strings = {"pivots", "levels", "gaps", "order_blocks", "trend_lines", "pattern", "waves", "targets"})
    void theListIsThatOfAllBarsAtOnce(String detector) {
        IndicatorLayer layer = layer(detector, Map.of());
        BarSeries whole = ChartFixture.days(400);
        ChartDataBuilder live = new ChartDataBuilder(List.of(layer));
        Bars bars = whole.snapshot();
        BarSeries growing = new BarSeries(400);
        List<Found> before = List.of();
        for (int bar = 0; bar < bars.size(); bar++) {
            growing.form(bars, bar);
            live.update(growing.snapshot());
            growing.closeForming();
            List<Found> now = live.update(growing.snapshot()).found(layer);
            int same = 0;
            for (Found each : before) {
                same += now.stream().anyMatch(other -> other == each) ? 1 : 0;
            }
            assertThat(same).isGreaterThanOrEqualTo(before.size() - 14);
            before = now;
        }
        List<Found> atOnce = new ChartDataBuilder(List.of(layer)).update(bars).found(layer);
        assertThat(before).isEqualTo(atOnce);
        assertThat(atOnce).noneMatch(each -> each.state() == Finding.State.VOID);
    }

    @Test
    void anotherEpochIsFoundAnew() {
        IndicatorLayer layer = layer("pivots", Map.of());
        ChartDataBuilder builder = new ChartDataBuilder(List.of(layer));
        List<Found> first = builder.update(ChartFixture.days(200).snapshot()).found(layer);
        BarSeries other = ChartFixture.days(200);
        other.restart();
        other.appendAll(ChartFixture.days(120).snapshot());
        List<Found> again = builder.update(other.snapshot()).found(layer);
        assertThat(again).isNotEqualTo(first).isNotEmpty();
        assertThat(again)
                .isEqualTo(new ChartDataBuilder(List.of(layer))
                        .update(ChartFixture.days(120).snapshot())
                        .found(layer));
    }

    @Test
    void swingsArePaintedAsLegsWithTheirLettersAndTheLastIsDotted() {
        ChartModel chart = chart(200, layer("pivots", Map.of()));
        List<Found> swings = chart.data().found(chart.indicators().get(0));
        assertThat(swings.stream().filter(Found::isProvisional)).hasSize(1);
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts).anyMatch(text -> text.equals("HH") || text.equals("LL"));
        assertThat(surface.texts).contains("swings");
        // In the one look of what is not settled, as a forming bar.
        assertThat(surface.lines.stream().filter(RecordingSurface.Line::isDotted))
                .hasSize(1);
        assertThat(LayerParts.title(chart, chart.indicators().get(0))).isEqualTo("swings");
        assertThat(LayerParts.value(chart, chart.indicators().get(0))).isEqualTo(swings.size() + " found");
    }

    @Test
    void aFindingIsFoundUnderThePointerChosenAndToldWithItsHistory() {
        ChartModel chart = chart(300, layer("levels", Map.of("extremes", "no")));
        Drawing zone = chart.found().all().stream()
                .filter(each -> chart.places().inView().contains(each))
                .findFirst()
                .orElseThrow();
        double[] border = DrawingShape.of(chart, zone).lines().get(0).points();
        double x = chart.plotRight() - 30;
        Hit hit = HitTest.at(chart, x, border[1]);
        assertThat(hit).isInstanceOf(Hit.OnFinding.class);
        String id = ((Hit.OnFinding) hit).id();
        Found found = chart.found().find(id).orElseThrow();
        assertThat(chart.found().find("nobody")).isEmpty();
        ChartEdits edits = mock(ChartEdits.class);
        ChartGestures gestures = new ChartGestures(chart, edits);
        gestures.press(x, border[1]);
        gestures.release(x, border[1]);
        verify(edits).select(new Selection.Finding(id));
        chart.select(new Selection.Finding(id));
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts).anyMatch(text -> text.contains(" touches"));

        List<FoundText.Line> lines = FoundText.lines(chart, found);
        assertThat(lines).extracting(FoundText.Line::word).contains("lower", "upper", "confirmed", "score");
        assertThat(lines.stream().filter(line -> line.word().matches("high|low")))
                .hasSize(found.finding().points().size());
        assertThat(FoundText.title(chart, found)).contains(" since ");
        assertThat(found.since())
                .isEqualTo(found.steps().get(found.steps().size() - 1).at());
    }

    @Test
    void partsOfAPatternAreOneFindingAndItsTargetIsProjectedWithItsPrice() {
        ChartModel chart =
                chart(900, layer("pattern", Map.of("swing", "1", "tolerance", "0.5", "trend", "0.2", "least", "1.5")));
        List<Found> patterns = chart.data().found(chart.indicators().get(0));
        Found projected = patterns.stream()
                .filter(each -> each.parts().size() > 2 && !each.state().isEnd())
                .reduce((one, other) -> other)
                .orElseThrow();
        List<Drawing> parts = chart.found().all().stream()
                .filter(each -> chart.found().find(each.id()).orElseThrow() == projected)
                .toList();
        assertThat(parts).hasSameSizeAs(projected.parts());
        assertThat(parts.get(0).id()).isEqualTo(projected.id());
        chart.showUntil(projected.finding().to());
        chart.select(new Selection.Finding(projected.id()));
        double target = projected.finding().target();
        chart.setPriceRange(
                Math.min(target, chart.price().low()) * 0.98,
                Math.max(target, chart.price().high()) * 1.02);
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts).anyMatch(text -> text.startsWith("target") && text.contains("."));
        assertThat(FoundText.lines(chart, projected))
                .extracting(FoundText.Line::word)
                .contains("target", "void beyond");
        // A leg that gives a part of the one before back says how much.
        assertThat(patterns.stream()
                        .flatMap(each -> FoundText.lines(chart, each).stream())
                        .map(FoundText.Line::text))
                .anyMatch(text -> text.endsWith("of the leg before"));
    }

    @Test
    void whatIsHiddenIsNeitherPaintedNorHitAndWhatIsOutOfViewIsCounted() {
        IndicatorLayer layer = layer("levels", Map.of());
        ChartModel chart = chart(300, layer);
        assertThat(chart.found().all()).isNotEmpty();
        chart.setIndicators(List.of(layer.withStyle(layer.style().withVisible(false))));
        assertThat(chart.found().all()).isEmpty();
        chart.setIndicators(List.of(layer));
        chart.setPriceRange(1000, 1100);
        assertThat(painted(chart).texts).anyMatch(text -> text.endsWith("none in view"));
        ChartModel none = chart(3, layer);
        assertThat(painted(none).texts).contains("none");
        assertThat(ChartData.EMPTY.found(layer)).isEmpty();
    }

    @Test
    void anExtremeSaysOfWhichPricesItIs() {
        ChartModel chart = chart(300, layer("levels", Map.of()));
        Found high = chart.data().found(chart.indicators().get(0)).stream()
                .filter(each -> each.finding().kind().startsWith("all_time"))
                .findFirst()
                .orElseThrow();
        assertThat(FoundText.lines(chart, high)).contains(new FoundText.Line("prices", "adjusted for splits"));
        assertThat(FoundText.title(chart, high)).startsWith("all-time ");
    }

    /** One that is over is struck out for ten bars, then gone; what stands says how far it is from now. */
    @Test
    void targetsSayHowFarTheyAreAndAreStruckOutWhenTheyAreOver() {
        ChartModel chart = chart(600, layer("targets", Map.of()));
        List<Found> all = chart.data().found(chart.indicators().get(0));
        assertThat(all).anyMatch(each -> !each.state().isEnd());
        long oldest = chart.bars().openTime(chart.bars().size() - 12);
        assertThat(all).filteredOn(each -> each.state().isEnd()).isNotEmpty().allMatch(each -> each.since() >= oldest);
        chart.setPriceRange(
                all.stream().mapToDouble(each -> each.finding().target()).min().orElseThrow() - 1,
                all.stream().mapToDouble(each -> each.finding().target()).max().orElseThrow() + 1);
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts)
                .anyMatch(text -> text.matches(
                        "(measured leg|projection of a leg|.*target.*|.*count.*|.*period.*)  [\\d.]+  [+−][\\d.]+ %"));
    }
}
