package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RenderTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static RecordingSurface paint(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface;
    }

    private static long count(RecordingSurface surface, Role role) {
        return surface.rectangles.stream()
                .filter(each -> each.colour() == DAYLIGHT.of(role) && each.x() < 830)
                .count();
    }

    @Test
    void aRisingBodyIsHollowAndAFallingOneFilled() {
        BarSeries series = new BarSeries(2);
        Bars days = ChartFixture.days(2).snapshot();
        series.append(days.openTime(0), days.closeTime(0), 100, 110, 90, 108, 1);
        series.append(days.openTime(1), days.closeTime(1), 108, 112, 88, 96, 1);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY);
        chart.setVolumeShown(false);
        chart.setBarWidth(20);
        RecordingSurface surface = paint(chart);
        assertThat(count(surface, Role.RISE)).isGreaterThanOrEqualTo(3);
        List<RecordingSurface.Rectangle> paper = surface.rectangles.stream()
                .filter(each -> each.colour() == DAYLIGHT.of(Role.PAPER) && each.width() < 20)
                .toList();
        assertThat(paper).hasSize(1);
        assertThat(paper.get(0).height())
                .isCloseTo(
                        Math.rint(chart.price().y(100))
                                - Math.rint(chart.price().y(108))
                                - 2,
                        within(1.01));
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 1.25, 1.5, 2})
    void everyBarStandsOnDevicePixels(double scale) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(200), Timeframe.DAY);
        RecordingSurface surface = new RecordingSurface(scale);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        for (RecordingSurface.Rectangle each : surface.rectangles) {
            boolean bar = each.colour() == DAYLIGHT.of(Role.RISE) || each.colour() == DAYLIGHT.of(Role.FALL);
            if (bar && each.x() < chart.plotRight()) {
                assertThat(each.x() * scale).isCloseTo(Math.rint(each.x() * scale), within(1e-6));
                assertThat(each.width() * scale).isCloseTo(Math.rint(each.width() * scale), within(1e-6));
            }
        }
    }

    @Test
    void whatIsDrawnFollowsPixelsNotBars() {
        ChartModel small = ChartFixture.chart(ChartFixture.minutes(2_000), Timeframe.MINUTE);
        ChartModel large = ChartFixture.chart(ChartFixture.minutes(400_000), Timeframe.MINUTE);
        small.showLast(2_000);
        large.showLast(400_000);
        int few = paint(small).rectangles.size();
        int many = paint(large).rectangles.size();
        assertThat(large.time().barWidth()).isLessThan(0.01);
        assertThat(many).isLessThan(few * 2);
        assertThat(many).isLessThan(3 * 900);
    }

    @Test
    void reducingKeepsTheExtremes() {
        BarSeries series = ChartFixture.minutes(100_000);
        ChartModel chart = ChartFixture.chart(series, Timeframe.MINUTE);
        chart.setVolumeShown(false);
        chart.showLast(100_000);
        double[] highs = Arrays.copyOf(series.snapshot().column(dev.yardarm.core.series.Field.HIGH), 100_000);
        double top = paint(chart).rectangles.stream()
                .filter(each -> each.width() == 1
                        && each.height() < 400
                        && (each.colour() == DAYLIGHT.of(Role.RISE) || each.colour() == DAYLIGHT.of(Role.FALL)))
                .mapToDouble(RecordingSurface.Rectangle::y)
                .min()
                .orElseThrow();
        assertThat(top).isCloseTo(chart.price().y(Arrays.stream(highs).max().orElseThrow()), within(1.0));
    }

    @Test
    void aMissingValueBreaksTheLineOfAnIndicator() {
        ChartModel chart = ChartFixture.chart(
                ChartFixture.days(80),
                Timeframe.DAY,
                ChartFixture.layer("sma", "20", 0),
                ChartFixture.layer("rsi", "14", 1));
        RecordingSurface surface = paint(chart);
        RecordingSurface.Line sma = surface.lines.stream()
                .filter(each -> each.colour() == DAYLIGHT.series(0))
                .findFirst()
                .orElseThrow();
        assertThat(sma.count()).isEqualTo(80 - 19);
        assertThat(surface.lines.stream()
                        .filter(each -> each.colour() == DAYLIGHT.series(1))
                        .findFirst()
                        .orElseThrow()
                        .count())
                .isEqualTo(80 - 14);
        assertThat(chart.panes()).hasSize(3);
        assertThat(surface.texts).contains("70", "30");
    }

    @Test
    void everyFormAndScaleIsDrawn() {
        for (BarForm form : BarForm.values()) {
            for (boolean logarithmic : new boolean[] {false, true}) {
                for (double width : new double[] {0.4, 1.5, 4, 6, 12, 60}) {
                    ChartModel chart = ChartFixture.chart(ChartFixture.days(500), Timeframe.DAY);
                    chart.setForm(form);
                    chart.setScale(ScaleChoice.STANDARD.withMode(
                            logarithmic ? ScaleChoice.Mode.LOGARITHMIC : ScaleChoice.Mode.LINEAR));
                    chart.setBarWidth(width);
                    RecordingSurface surface = paint(chart);
                    boolean line = surface.lines.stream().anyMatch(each -> each.colour() == DAYLIGHT.of(Role.INK));
                    assertThat(line).isEqualTo(form.isOfCloses());
                    assertThat(count(surface, Role.RISE) > 0)
                            .as(form + " " + width)
                            .isEqualTo(!form.isOfCloses());
                }
            }
        }
    }

    @Test
    void anInheritedLevelIsDoubledAndCarriesItsLetter() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(100), Timeframe.DAY);
        double price = chart.bars().close(90);
        Drawing own = new Drawing(
                "a",
                Drawing.LEVEL,
                Timeframe.DAY,
                List.of(new Anchor(chart.bars().openTime(90), price)),
                3);
        chart.setDrawings(List.of(own));
        assertThat(linesOf(paint(chart), 3)).isEqualTo(1);
        chart.setDrawings(List.of(new Drawing("a", Drawing.LEVEL, Timeframe.WEEK, own.anchors(), 3)));
        RecordingSurface inherited = paint(chart);
        assertThat(linesOf(inherited, 3)).isEqualTo(2);
        assertThat(inherited.texts).contains("W");
        chart.setDrawings(List.of(own.withVisible(false)));
        assertThat(linesOf(paint(chart), 3)).isZero();
    }

    private static long linesOf(RecordingSurface surface, int series) {
        return surface.lines.stream()
                .filter(each -> each.colour() == DAYLIGHT.series(series))
                .count();
    }

    @Test
    void aPlanShowsItsNumbers() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(100), Timeframe.DAY);
        double entry = chart.bars().close(99);
        chart.setPlan(new TradePlan(
                "p",
                ChartFixture.KTRL.id(),
                Timeframe.DAY,
                chart.bars().openTime(99),
                entry,
                entry - 1,
                entry + 2.5,
                1000,
                1));
        assertThat(paint(chart).texts)
                .anyMatch(text -> text.startsWith("entry"))
                .anyMatch(text -> text.contains("+2.5 R"))
                .anyMatch(text -> text.contains("−1 R"));
    }

    @Test
    void tagsDoNotOverlap() {
        ChartModel chart = ChartFixture.chart(
                ChartFixture.days(100),
                Timeframe.DAY,
                ChartFixture.layer("sma", "2", 0),
                ChartFixture.layer("ema", "2", 1),
                ChartFixture.layer("ema", "3", 2));
        List<RecordingSurface.Rectangle> tags = paint(chart).rectangles.stream()
                .filter(each -> each.height() == 16 && each.width() > 20 && each.x() > chart.plotRight())
                .toList();
        assertThat(tags.size()).isGreaterThanOrEqualTo(3);
        for (int one = 0; one < tags.size(); one++) {
            for (int other = 0; other < one; other++) {
                assertThat(Math.abs(tags.get(one).y() - tags.get(other).y())).isGreaterThanOrEqualTo(15);
            }
        }
    }

    @Test
    void readoutsSayWhatIsThere() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(100), Timeframe.DAY);
        assertThat(Readout.bar(chart, 50)).contains("open", "high", "low", "close", "volume", "%");
        assertThat(Readout.quantity(1_250_000)).isEqualTo("1.25 M");
        assertThat(Readout.quantity(12_340)).isEqualTo("12.3 k");
        assertThat(Readout.quantity(950)).isEqualTo("950");
        assertThat(Readout.percent(-0.0123)).isEqualTo("−1.23 %");
        assertThat(Readout.percent(0.004)).isEqualTo("+0.40 %");
    }

    @Test
    void theChartFollowsTheMarketUntilItIsMovedAway() {
        BarSeries series = ChartFixture.days(200);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY);
        assertThat(chart.isFollowing()).isTrue();
        double before = chart.time().edge();
        BarSeries longer = ChartFixture.days(201);
        chart.setData(dev.yardarm.chart.model.ChartData.of(longer.snapshot()));
        assertThat(chart.time().edge()).isCloseTo(before + 1, within(1e-9));
        chart.setTime(chart.time().movedBy(300));
        assertThat(chart.isFollowing()).isFalse();
        TimeScale held = chart.time();
        chart.setData(
                dev.yardarm.chart.model.ChartData.of(ChartFixture.days(202).snapshot()));
        assertThat(chart.time()).isEqualTo(held);
    }
}
