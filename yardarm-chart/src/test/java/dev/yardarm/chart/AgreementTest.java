package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.FoundText;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.structure.AgreementMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The map of agreement on a chart, and rival wave counts: what is taken in, painted, told and zoomed to. */
class AgreementTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static IndicatorLayer layer(String term, Map<String, String> settings) {
        Indicator indicator = Language.builtIn().catalogue().find(term).orElseThrow();
        return new IndicatorLayer("layer-1", indicator, Settings.of(indicator, settings), LayerStyle.of(2));
    }

    private static ChartModel chart(IndicatorLayer layer) {
        BarSeries series = ChartFixture.days(600);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, layer);
        chart.setData(new ChartDataBuilder(List.of(layer)).update(series.snapshot()));
        chart.showLast(300);
        return chart;
    }

    private static Drawing level(String id, double price) {
        return new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(1_700_000_000_000_000L, price)), 3);
    }

    private static RecordingSurface painted(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        ChartPainter painter = new ChartPainter();
        painter.paint(chart, DAYLIGHT, surface);
        painter.paintLegend(chart, surface);
        return surface;
    }

    @Test
    void theMapTakesInAllTimeframesAndTheTradersDrawings() {
        ChartModel chart = chart(layer("agreement", Map.of("least", "2")));
        AgreementMap map = chart.agreement().map().orElseThrow();
        assertThat(map.marks()).extracting(AgreementMap.Mark::source).anyMatch(each -> each.equals("levels D"));
        assertThat(map.marks()).extracting(AgreementMap.Mark::source).anyMatch(each -> each.endsWith(" W"));
        assertThat(map.marks())
                .extracting(AgreementMap.Mark::source)
                .anyMatch(each -> each.equals("range of the month"));
        AgreementMap.Zone zone = chart.agreement().zones().get(0);
        double middle = (zone.low() + zone.high()) / 2;

        chart.setDrawings(List.of(level("own", middle)));
        AgreementMap.Zone with =
                chart.agreement().zoneAt(middle, map.reach() / 10).orElseThrow();
        assertThat(with.sources())
                .contains("own")
                .hasSizeGreaterThanOrEqualTo(zone.sources().size());
        assertThat(with.words()).startsWith(with.sources().size() + " agree: ").contains("level");
        // An extreme of all time is the same on days and weeks, and counts once.
        assertThat(map.marks().stream().map(AgreementMap.Mark::source).filter(each -> each.startsWith("all-time high")))
                .allMatch(each -> each.equals("all-time high"));
        assertThat(LayerParts.value(chart, chart.indicators().get(0)))
                .isEqualTo(chart.agreement().zones().size() + " zones");
    }

    @Test
    void theStripIsPaintedToldUnderThePointerAndZoomsToItsZones() {
        ChartModel chart = chart(layer("agreement", Map.of("least", "2")));
        double price = chart.price().price((chart.price().top() + chart.price().bottom()) / 2);
        chart.setDrawings(List.of(level("one", price), level("other", price)));
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts).anyMatch(text -> text.matches("\\d+ agree"));
        assertThat(surface.rectangles.stream().filter(each -> each.x() == chart.agreementLeft()))
                .hasSizeGreaterThan(10);
        double x = chart.agreementLeft() + 5;
        double y = chart.price().y(price);
        Hit hit = HitTest.at(chart, x, y);
        assertThat(hit).isInstanceOf(Hit.OnAgreement.class);
        Hit.OnAgreement on = (Hit.OnAgreement) hit;
        assertThat(on.zone()).isNotNull();
        assertThat(FoundText.agreement(chart, on))
                .startsWith(on.zone().sources().size() + " agree")
                .contains("level");

        ChartEdits edits = mock(ChartEdits.class);
        ChartGestures gestures = new ChartGestures(chart, edits);
        gestures.press(x, y);
        gestures.release(x, y);
        verify(edits, never()).select(any());
        assertThat(chart.scale().fit()).isEqualTo(ScaleChoice.Fit.MANUAL);
        assertThat(chart.price().y(on.zone().low()) - chart.price().y(on.zone().high()))
                .as("the zone is a fair part of the height, and in view")
                .isLessThan(chart.price().bottom() - chart.price().top());
        gestures.press(x, chart.price().y(price));
        gestures.release(x, chart.price().y(price));
        assertThat(chart.scale().fit()).isEqualTo(ScaleChoice.Fit.PRICE);
    }

    @Test
    void withoutALayerThereIsNoStrip() {
        ChartModel chart = chart(layer("levels", Map.of()));
        assertThat(chart.agreement().layer()).isEmpty();
        assertThat(chart.agreement().map()).isEmpty();
        assertThat(chart.agreement().zones()).isEmpty();
        assertThat(HitTest.at(chart, chart.agreementLeft() + 5, 200)).isNotInstanceOf(Hit.OnAgreement.class);
        IndicatorLayer hidden = layer("agreement", Map.of());
        ChartModel other = chart(hidden.withStyle(hidden.style().withVisible(false)));
        assertThat(other.agreement().map()).isEmpty();
    }

    /** The best count first; with one chosen the others step back, and one can be shown alone. */
    @Test
    void rivalReadingsAreRankedToldAndShownAlone() {
        IndicatorLayer all = layer("waves", Map.of("counts", "4"));
        ChartModel chart = chart(all);
        List<Found> rivals = chart.found().rivals(all);
        assertThat(rivals).hasSizeGreaterThan(1);
        assertThat(rivals)
                .isSortedAccordingTo((one, other) ->
                        Double.compare(other.finding().score(), one.finding().score()));
        Found first = rivals.get(0);
        Found second = rivals.get(1);
        assertThat(first.reading()).matches("(minute|minor|intermediate) \\w+.*");
        List<FoundText.Line> told = FoundText.rivals(chart, first);
        assertThat(told).extracting(FoundText.Line::word).contains(first.reading(), second.reading());
        assertThat(told)
                .filteredOn(line -> line.word().matches("(above|below) .*"))
                .isNotEmpty()
                .allMatch(line -> line.text().startsWith("ends "));
        assertThat(chart.found().recedes(second)).isFalse();
        chart.select(new Selection.Finding(first.id()));
        assertThat(chart.found().recedes(second)).isTrue();
        assertThat(chart.found().recedes(first)).isFalse();
        chart.showUntil(first.finding().to());
        painted(chart);

        IndicatorLayer alone = layer("waves", Map.of("counts", "4", "reading", "2"));
        ChartModel one = chart(alone);
        assertThat(one.found().all()).isNotEmpty().allMatch(each -> one.found()
                .find(each.id())
                .filter(found -> found.reading().equals(second.reading()))
                .isPresent());
        ChartModel none = chart(layer("waves", Map.of("counts", "2", "reading", "8")));
        assertThat(none.found().all()).isEmpty();
        assertThat(Optional.of(FoundText.rivals(chart(layer("levels", Map.of())), first)))
                .contains(List.of());
    }
}
