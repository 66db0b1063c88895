package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The forming bar is dotted and open at its end in every form, and so are the lines that lead to it. */
class ProvisionalTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);
    private static final int LAST = 60;

    private static ChartModel chart(boolean forming, boolean rising, BarForm form) {
        BarSeries series = ChartFixture.days(LAST);
        Bars next = ChartFixture.days(LAST + 1).snapshot();
        double from = series.snapshot().close(LAST - 1);
        double to = from * (rising ? 1.02 : 0.98);
        double high = Math.max(from, to) + 0.4;
        double low = Math.min(from, to) - 0.4;
        if (forming) {
            series.form(next.openTime(LAST), next.closeTime(LAST), from, high, low, to, 800);
        } else {
            series.append(next.openTime(LAST), next.closeTime(LAST), from, high, low, to, 800);
        }
        IndicatorLayer ema = ChartFixture.layer("ema", "10", 3);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY, ema);
        chart.setData(new ChartDataBuilder(List.of(ema)).update(series.snapshot()));
        chart.setForm(form);
        return chart;
    }

    private static RecordingSurface painted(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface;
    }

    /** Whether something solid in a colour of bars stands in the slot of the newest bar, above the notch. */
    private static boolean solid(ChartModel chart, RecordingSurface surface) {
        Set<Integer> bars = Set.of(
                DAYLIGHT.of(Role.RISE),
                DAYLIGHT.of(Role.FALL),
                Palette.fade(DAYLIGHT.of(Role.RISE), 0.75),
                Palette.fade(DAYLIGHT.of(Role.FALL), 0.75));
        double left = chart.time().x(LAST);
        double right = chart.time().x(LAST + 1);
        return surface.rectangles.stream()
                .anyMatch(each -> bars.contains(each.colour())
                        && each.x() >= left - 1
                        && each.x() + each.width() <= right + 1
                        // An arm for the open is settled.
                        && each.height() > 2
                        && each.y() + each.height() < chart.plotBottom() + 1);
    }

    private static boolean dotted(ChartModel chart, RecordingSurface surface) {
        double middle = chart.time().middle(LAST);
        return surface.lines.stream()
                .anyMatch(line -> line.isDotted()
                        && Math.abs(line.points()[2 * line.count() - 2] - middle)
                                < chart.time().barWidth());
    }

    @ParameterizedTest
    @EnumSource(BarForm.class)
    void theFormingBarIsDottedAndASettledOneIsNot(BarForm form) {
        for (boolean rising : new boolean[] {true, false}) {
            ChartModel moving = chart(true, rising, form);
            RecordingSurface surface = painted(moving);
            assertThat(solid(moving, surface)).as(form + " forming").isFalse();
            assertThat(dotted(moving, surface)).as(form + " forming").isTrue();
            ChartModel closed = chart(false, rising, form);
            surface = painted(closed);
            assertThat(solid(closed, surface)).as(form + " closed").isTrue();
            assertThat(dotted(closed, surface)).as(form + " closed").isFalse();
        }
    }

    @ParameterizedTest
    @EnumSource(
            value = BarForm.class,
            names = {"CANDLES"})
    void anIndicatorsLineIsSolidUpToTheLastClosedBarAndDottedFromThere(BarForm form) {
        ChartModel chart = chart(true, true, form);
        int colour = DAYLIGHT.series(3);
        List<RecordingSurface.Line> lines = painted(chart).lines.stream()
                .filter(line -> line.colour() == colour)
                .toList();
        assertThat(lines).hasSize(2);
        RecordingSurface.Line settled = lines.get(0);
        RecordingSurface.Line open = lines.get(1);
        assertThat(settled.isDotted()).isFalse();
        assertThat(open.isDotted()).isTrue();
        assertThat(settled.points()[2 * settled.count() - 2])
                .isEqualTo(chart.time().middle(LAST - 1));
        assertThat(open.points()[0]).isEqualTo(chart.time().middle(LAST - 1));
        assertThat(open.points()[2]).isEqualTo(chart.time().middle(LAST));
        assertThat(open.points()[1]).isEqualTo(settled.points()[2 * settled.count() - 1]);
    }
}
