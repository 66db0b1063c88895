package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.scale.TimeTicks;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The drawn forms of bars, and the time axis of bars that do not lie on a grid. */
class FormsTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static RecordingSurface paint(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface;
    }

    private static ChartModel chart(BarForm form, double barWidth) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(300), Timeframe.DAY);
        chart.setVolumeShown(false);
        chart.setForm(form);
        chart.setBarWidth(barWidth);
        return chart;
    }

    private static RecordingSurface.Line ink(RecordingSurface surface) {
        return surface.lines.stream()
                .filter(each -> each.colour() == DAYLIGHT.of(Role.INK))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void stepsStandAtEachCloseUntilTheNext() {
        ChartModel chart = chart(BarForm.STEPS, 10);
        RecordingSurface.Line line = ink(paint(chart));
        assertThat(line.count() % 2).isZero();
        for (int point = 0; point + 1 < line.count(); point += 2) {
            assertThat(line.points()[2 * point + 1]).isEqualTo(line.points()[2 * point + 3]);
            assertThat(line.points()[2 * point + 2] - line.points()[2 * point]).isCloseTo(10, within(1e-9));
        }
        int last = chart.bars().size() - 1;
        assertThat(line.points()[2 * line.count() - 1])
                .isCloseTo(chart.price().y(chart.bars().close(last)), within(1e-9));
    }

    @Test
    void anAreaIsFilledToTheFootAndABaselineToItsPrice() {
        ChartModel area = chart(BarForm.AREA, 8);
        RecordingSurface surface = paint(area);
        assertThat(surface.polygons).hasSize(1);
        assertThat(surface.polygons.get(0)[1]).isEqualTo(area.price().bottom());
        area.setScale(area.scale().withInverted(true));
        assertThat(paint(area).polygons.get(0)[1]).isEqualTo(area.price().top());
        ChartModel baseline = chart(BarForm.BASELINE, 8);
        surface = paint(baseline);
        assertThat(surface.polygons).hasSize(2);
        double base = baseline.price().y(baseline.basePrice());
        assertThat(surface.polygons.get(0)[1]).isCloseTo(base, within(1e-9));
        assertThat(surface.lines)
                .anyMatch(line -> line.count() == 2
                        && line.points()[1] == line.points()[3]
                        && Math.abs(line.points()[1] - base) < 1e-9);
    }

    @Test
    void barsWithoutOpenHaveTheirCloseTickAtTheRightOnly() {
        int with = paint(chart(BarForm.BARS, 10)).rectangles.size();
        int without = paint(chart(BarForm.BARS_WITHOUT_OPEN, 10)).rectangles.size();
        int bars = (int) Math.ceil(chart(BarForm.BARS, 10).time().edge())
                - chart(BarForm.BARS, 10).time().firstVisible();
        assertThat(with - without).isBetween(bars / 2, bars + 2);
    }

    @Test
    void columnsReachFromLowToHigh() {
        ChartModel chart = chart(BarForm.COLUMNS, 12);
        RecordingSurface surface = paint(chart);
        int last = chart.bars().size() - 1;
        double top = Math.rint(chart.price().y(chart.bars().high(last)));
        double bottom = Math.rint(chart.price().y(chart.bars().low(last)));
        assertThat(surface.rectangles)
                .anyMatch(each -> each.y() == top
                        && each.height() == bottom - top
                        && Math.abs(each.x() + each.width() / 2 - chart.time().middle(last)) <= 1);
    }

    @ParameterizedTest
    @EnumSource(BarForm.class)
    void everyFormIsDrawnUpsideDownOnDevicePixels(BarForm form) {
        for (double width : new double[] {0.3, 2, 6, 20}) {
            ChartModel chart = chart(form, width);
            chart.setScale(ScaleChoice.STANDARD.withInverted(true));
            RecordingSurface surface = paint(chart);
            assertThat(surface.rectangles)
                    .as(form + " " + width)
                    .allMatch(each -> each.height() >= 0 && each.width() >= 0);
            assertThat(BarForm.named(form.word())).contains(form);
        }
    }

    @Test
    void barsOffTheGridHaveTimesBeforeAndAfterThem() {
        BarSeries series = new BarSeries(8);
        long start = Times.micros(LocalDate.of(2026, 6, 19).atTime(8, 0).atZone(ChartFixture.PVX.zone()));
        for (long bar = 0; bar < 50; bar++) {
            series.append(start + bar * bar * Times.SECOND, start + (bar * bar + 1) * Times.SECOND, 10, 11, 9, 10, 1);
        }
        Bars bars = series.snapshot();
        TimeAxis axis = new TimeAxis(bars, new BarGrid(ChartFixture.PVX, Timeframe.DAY), false);
        for (int bar = -20; bar < 90; bar++) {
            assertThat(axis.bar(axis.openTime(bar))).as("bar " + bar).isEqualTo(bar);
            assertThat(axis.openTime(bar + 1)).isGreaterThan(axis.openTime(bar));
        }
        assertThat(axis.bar(bars.openTime(7) + 1)).isEqualTo(7);
        List<TimeTicks.Tick> ticks = TimeTicks.of(new TimeScale(0, 800, 14, 52), axis, ZoneId.of("UTC"), 70);
        assertThat(ticks).hasSizeGreaterThan(3).isSortedAccordingTo((one, other) -> Double.compare(one.x(), other.x()));
        assertThat(ticks).extracting(TimeTicks.Tick::label).anyMatch(label -> label.matches("\\d\\d:\\d\\d"));
    }

    @Test
    void barsThatAreNotOfTimeSayFromWhenToWhen() {
        BarSeries series = new BarSeries(4);
        long start = Times.micros(LocalDate.of(2026, 6, 19).atTime(8, 0).atZone(ChartFixture.PVX.zone()));
        series.append(start, start + 210 * Times.SECOND, 10, 11, 9, 10, 1);
        series.append(start + 210 * Times.SECOND, start + 3 * Times.DAY, 10, 11, 9, 10, 1);
        series.append(start + 3 * Times.DAY, start + 300 * Times.DAY, 10, 11, 9, 10, 1);
        ChartModel chart = new ChartModel(false);
        chart.open(
                ChartFixture.KTRL, BarRequest.of(Timeframe.DAY).withRule(BarRule.parse("range:10")), ChartFixture.PVX);
        chart.setData(ChartData.of(series.snapshot()));
        assertThat(Readout.bar(chart, 0)).startsWith("Fri 19 Jun 2026 08:00:00-08:03:30   open");
        assertThat(Readout.bar(chart, 1)).startsWith("Fri 19 Jun to Mon 22 Jun 2026   open");
        assertThat(Readout.bar(chart, 2)).startsWith("Mon 22 Jun 2026 to Thu 15 Apr 2027   open");
    }

    @Test
    void linesStandWhereSessionsBeginWhereThereIsRoom() {
        BarSeries hours = new BarSeries(64);
        BarGrid grid = new BarGrid(ChartFixture.PVX, Timeframe.HOUR);
        BarGrid.Slot slot = grid.slotAt(ChartFixture.PVX.open(LocalDate.of(2026, 6, 1)));
        for (long bar = 0; bar < 90; bar++) {
            hours.append(slot.openTime(), slot.closeTime(), 10, 11, 9, 10, 1);
            slot = grid.next(slot);
        }
        ChartModel chart = ChartFixture.chart(hours, Timeframe.HOUR);
        chart.setBarWidth(9);
        long upright = upright(paint(chart));
        assertThat(upright).isBetween(7L, 11L);
        chart.setBreaksShown(false);
        assertThat(upright(paint(chart))).isZero();
        chart.setBreaksShown(true);
        chart.setBarWidth(2);
        assertThat(upright(paint(chart))).as("too narrow").isZero();
        ChartModel days = chart(BarForm.CANDLES, 9);
        assertThat(upright(paint(days))).isZero();
    }

    private static long upright(RecordingSurface surface) {
        return surface.lines.stream()
                .filter(line -> line.count() == 2 && line.points()[0] == line.points()[2])
                .count();
    }
}
