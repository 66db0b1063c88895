package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.profile.UntouchedLevel;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Profiles of months beside the bars: told by the layer's data, painted from the beginning of each month, live as rebuilt. */
class ProfileTest {
    private static IndicatorLayer layer(Map<String, String> settings) {
        Indicator term = Language.builtIn().catalogue().find("profile").orElseThrow();
        return new IndicatorLayer("layer-1", term, Settings.of(term, settings), LayerStyle.of(2));
    }

    private static List<SpanProfile> spans(IndicatorLayer layer, Bars bars) {
        return new ChartDataBuilder(List.of(layer))
                .update(bars)
                .flow()
                .profiles()
                .get("layer-1");
    }

    @Test
    void theProfilesOfTheSpansAddUpToTheBars() {
        Bars bars = ChartFixture.days(200).snapshot();
        List<SpanProfile> spans = spans(layer(Map.of("span", "month")), bars);
        assertThat(spans).hasSizeGreaterThan(8);
        double volume = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            volume += bars.volume(bar);
        }
        assertThat(spans.stream().mapToDouble(each -> each.rows().total()).sum())
                .isCloseTo(volume, within(1e-6));
        assertThat(spans.get(0).from()).isEqualTo(bars.openTime(0));
        assertThat(spans.get(spans.size() - 1).to()).isEqualTo(bars.closeTime(bars.size() - 1));
        for (int at = 1; at < spans.size(); at++) {
            assertThat(spans.get(at).from())
                    .isGreaterThanOrEqualTo(spans.get(at - 1).to());
        }
        assertThat(spans).allMatch(SpanProfile::estimated);
    }

    /** Bar after bar, each forming for a while: what is told is that of all bars at once, also while a new month forms. */
    @Test
    void liveIsAsRebuilt() {
        IndicatorLayer layer = layer(Map.of("span", "month"));
        Bars bars = ChartFixture.days(90).snapshot();
        ChartDataBuilder live = new ChartDataBuilder(List.of(layer));
        BarSeries growing = new BarSeries(90);
        for (int bar = 0; bar < bars.size(); bar++) {
            growing.form(bars, bar);
            List<SpanProfile> forming =
                    live.update(growing.snapshot()).flow().profiles().get("layer-1");
            growing.closeForming();
            List<SpanProfile> closed =
                    live.update(growing.snapshot()).flow().profiles().get("layer-1");
            List<SpanProfile> rebuilt = spans(layer, bars.first(bar + 1));
            for (List<SpanProfile> each : List.of(forming, closed)) {
                assertThat(each).hasSameSizeAs(rebuilt);
                for (int at = 0; at < rebuilt.size(); at++) {
                    assertThat(each.get(at).from()).isEqualTo(rebuilt.get(at).from());
                    assertThat(each.get(at).to()).isEqualTo(rebuilt.get(at).to());
                    assertThat(each.get(at).area()).isEqualTo(rebuilt.get(at).area());
                    assertThat(each.get(at).rows().total())
                            .isCloseTo(rebuilt.get(at).rows().total(), within(1e-9));
                }
            }
        }
    }

    @Test
    void rowsArePaintedFromTheBeginningOfTheirSpanThePointOfControlWidest() {
        IndicatorLayer layer = layer(Map.of("span", "month", "row", "20"));
        BarSeries series = ChartFixture.days(200);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, layer);
        chart.setData(new ChartDataBuilder(List.of(layer)).update(series.snapshot()));
        chart.showLast(70);
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        List<SpanProfile> spans = chart.data().flow().profiles().get("layer-1");
        SpanProfile span = spans.get(spans.size() - 2);
        double left = chart.time().x(chart.axis().bar(span.from()));
        List<RecordingSurface.Rectangle> rows = surface.rectangles.stream()
                .filter(each -> Math.abs(each.x() - left) < 1e-9
                        && each.width() > 1
                        && each.height() < 30
                        && each.y() < chart.pricePane().bottom())
                .toList();
        assertThat(rows).hasSizeGreaterThan(3);
        RecordingSurface.Rectangle widest = rows.stream()
                .max((one, other) -> Double.compare(one.width(), other.width()))
                .orElseThrow();
        double price = span.rows().price(span.area().control());
        double next = span.rows().price(span.area().control() + 1);
        double middle = (chart.price().y(price) + chart.price().y(next)) / 2;
        assertThat(rows)
                .as("the point of control, perhaps one of several as wide")
                .anySatisfy(each -> {
                    assertThat(each.width()).isEqualTo(widest.width());
                    assertThat(each.y() + each.height() / 2).isCloseTo(middle, within(1.5));
                });
        double end = chart.time().x(chart.axis().bar(span.to() - 1) + 1);
        assertThat(widest.width()).isLessThan(0.5 * (end - left));

        IndicatorLayer before = layer(Map.of("back", "1"));
        assertThat(new ChartDataBuilder(List.of(before))
                        .update(series.snapshot())
                        .flow()
                        .profiles())
                .as("of a span before there are lines alone")
                .isEmpty();
    }

    /** Where the first row of the newest whole month stands among all that was filled, and where the last body of a bar. */
    private static int[] order(Map<String, String> settings) {
        IndicatorLayer layer = layer(settings);
        BarSeries series = ChartFixture.days(200);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, layer);
        chart.setData(new ChartDataBuilder(List.of(layer)).update(series.snapshot()));
        chart.showLast(70);
        RecordingSurface surface = new RecordingSurface(1);
        Palette palette = Palette.of(Palette.Theme.DAYLIGHT);
        new ChartPainter().paint(chart, palette, surface);
        List<SpanProfile> spans = chart.data().flow().profiles().get("layer-1");
        SpanProfile span = spans.get(spans.size() - 2);
        double left = chart.time().x(chart.axis().bar(span.from()));
        double right = chart.time().x(chart.axis().bar(span.to() - 1) + 1);
        int row = -1;
        int body = -1;
        int outside = 0;
        for (int at = 0; at < surface.rectangles.size(); at++) {
            RecordingSurface.Rectangle each = surface.rectangles.get(at);
            boolean ofPrice = each.y() < chart.pricePane().bottom();
            boolean isRow = ofPrice && each.height() < 30 && each.width() > 1 && each.colour() >>> 24 < 0xC0;
            if (isRow && Math.abs(each.x() - left) < 1e-9 && row < 0) {
                row = at;
            }
            if (isRow && (Math.abs(each.x() + each.width() - left) < 1e-9 || Math.abs(each.x() - right) < 1e-9)) {
                outside++;
            }
            if (ofPrice && each.colour() == palette.of(Palette.Role.FALL)) {
                body = at;
            }
        }
        return new int[] {row, body, outside};
    }

    @Test
    void rowsLieBelowTheBarsOverThemOrOutsideOfTheirSpan() {
        Map<String, String> month = Map.of("span", "month", "row", "20");
        int[] below = order(month);
        assertThat(below[0]).isPositive().isLessThan(below[1]);
        int[] over = order(Map.of("span", "month", "row", "20", "drawn", "over the bars"));
        assertThat(over[0]).isGreaterThan(over[1]);
        int[] beside = order(Map.of("span", "month", "row", "20", "drawn", "beside the bars"));
        assertThat(beside[2]).isGreaterThan(below[2] + 3);
        int[] right = order(Map.of("span", "month", "row", "20", "drawn", "beside the bars", "side", "right"));
        assertThat(right[2]).isGreaterThan(3);
    }

    /** A point of control nothing has reached is drawn with its age until a bar reaches it, also one that only forms. */
    @Test
    void anUntouchedPointOfControlGoesWhenItIsTouched() {
        IndicatorLayer layer = layer(Map.of("span", "month", "row", "20"));
        BarSeries series = ChartFixture.days(200);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, layer);
        ChartDataBuilder builder = new ChartDataBuilder(List.of(layer));
        chart.setData(builder.update(series.snapshot()));
        chart.showLast(150);
        List<UntouchedLevel> levels = chart.data().flow().untouched().get("layer-1").stream()
                .filter(each -> each.kind() == UntouchedLevel.Kind.CONTROL)
                .toList();
        assertThat(levels).isNotEmpty();
        UntouchedLevel level = levels.get(levels.size() - 1);
        double low = levels.get(0).price();
        chart.setPriceRange(Math.min(low, chart.data().last()) * 0.95, level.price() * 1.05);
        assertThat(untouchedTexts(chart)).isPositive();

        Bars bars = series.snapshot();
        long open = bars.closeTime(bars.size() - 1);
        series.form(
                open,
                open + (bars.closeTime(bars.size() - 1) - bars.openTime(bars.size() - 1)),
                low,
                level.price() + 1,
                low - 1,
                low,
                10);
        chart.setData(builder.update(series.snapshot()));
        assertThat(chart.data().flow().untouched().get("layer-1"))
                .noneMatch(each -> each.kind() == UntouchedLevel.Kind.CONTROL);
        assertThat(untouchedTexts(chart)).isZero();
    }

    private static long untouchedTexts(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        return surface.texts.stream()
                .filter(each -> each.startsWith("untouched poc") || each.startsWith("poc "))
                .count();
    }

    /** Rows of what is in view alone, anew when the view changes; told apart, both parts are as wide as the whole. */
    @Test
    void theProfileOfTheViewIsThatOfTheBarsInView() {
        Indicator term = Language.builtIn().catalogue().find("view_profile").orElseThrow();
        IndicatorLayer layer = new IndicatorLayer(
                "layer-1", term, Settings.of(term, Map.of("row", "20", "wide", "20")), LayerStyle.of(2));
        BarSeries series = ChartFixture.days(200);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, layer);
        chart.setData(new ChartDataBuilder(List.of(layer)).update(series.snapshot()));
        chart.showLast(70);
        double few = widestAtTheRight(chart);
        assertThat(few).isCloseTo(0.2 * (chart.plotRight() - chart.time().left()), within(1e-6));
        Bars bars = series.snapshot();
        int first = chart.time().firstVisible();
        SpanProfile profile = dev.yardarm.core.profile.ViewProfileTerm.of(
                chart.data().flow().viewed().get("layer-1"), bars, first, bars.size(), 0.7);
        double volume = 0;
        for (int bar = first; bar < bars.size(); bar++) {
            volume += bars.volume(bar);
        }
        assertThat(profile.rows().total()).isCloseTo(volume, within(1e-6));
        assertThat(profile.estimated()).isTrue();
    }

    private static double widestAtTheRight(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        return surface.rectangles.stream()
                .filter(each -> Math.abs(each.x() + each.width() - chart.plotRight()) < 1e-9
                        && each.x() > chart.time().left() + 50
                        && each.height() < 30)
                .mapToDouble(RecordingSurface.Rectangle::width)
                .max()
                .orElse(0);
    }
}
