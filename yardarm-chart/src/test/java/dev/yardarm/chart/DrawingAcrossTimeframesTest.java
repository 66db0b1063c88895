package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A line drawn on one timeframe lies at the same price at the same moment on every other. */
class DrawingAcrossTimeframesTest {
    private static Bars minutes;

    @BeforeAll
    static void makeMinutes() {
        BarSeries series = new BarSeries(60_000);
        LocalDate day = LocalDate.of(2026, 1, 5);
        int count = 0;
        while (day.isBefore(LocalDate.of(2026, 6, 1))) {
            for (long open = ChartFixture.PVX.open(day); open < ChartFixture.PVX.close(day); open += Times.MINUTE) {
                double price = 100 + 5 * Math.sin(count++ / 4000.0);
                series.append(open, open + Times.MINUTE, price, price + 0.2, price - 0.2, price, 1);
            }
            day = ChartFixture.PVX.next(day);
        }
        minutes = series.snapshot();
    }

    private static ChartModel chart(String timeframe) {
        BarGrid grid = new BarGrid(ChartFixture.PVX, Timeframe.parse(timeframe).orElseThrow());
        return ChartFixture.chart(BarBuilder.aggregate(minutes, grid, Long.MAX_VALUE / 4), grid.timeframe());
    }

    private static Drawing line(String origin, LocalDate from, LocalDate to) {
        BarGrid grid = new BarGrid(ChartFixture.PVX, Timeframe.parse(origin).orElseThrow());
        return new Drawing(
                "l",
                Drawing.LINE,
                grid.timeframe(),
                List.of(
                        new Anchor(grid.slotAt(ChartFixture.PVX.open(from)).openTime(), 98),
                        new Anchor(grid.slotAt(ChartFixture.PVX.open(to)).openTime(), 104)),
                0);
    }

    @ParameterizedTest
    @CsvSource({"D,W", "D,D", "D,4h", "D,1h", "D,15m", "W,M", "W,D", "W,1h", "M,W", "M,D", "4h,1h", "1h,4h", "15m,5m"})
    void theLineOnTheScreenHasThePriceOfTheLine(String origin, String shown) {
        ChartModel chart = chart(shown);
        Drawing line = line(origin, LocalDate.of(2026, 4, 7), LocalDate.of(2026, 5, 20));
        Drawing.Path path = line.path(ChartFixture.PVX);
        chart.setDrawings(List.of(line));
        double[] points = DrawingShape.of(chart, line).lines().get(0).points();
        boolean finer = chart.timeframe().isIntraday() && !line.origin().isIntraday();
        int compared = 0;
        for (int bar = chart.time().firstVisible(); bar < chart.time().bar(chart.plotRight()); bar++) {
            long time = chart.axis().openTime(bar);
            double drawn = onLine(points, chart.time().middle(bar));
            boolean opens = ChartFixture.PVX.open(ChartFixture.PVX.sessionAt(time)) == time;
            if (!Double.isNaN(drawn) && (opens || !finer)) {
                assertThat(chart.price().price(drawn)).as("bar " + bar).isCloseTo(path.priceAt(time), within(1e-6));
                compared++;
            }
        }
        assertThat(compared).as(origin + " on " + shown).isGreaterThan(0);
    }

    /** The height of a line of points at an x; NaN where it does not reach. */
    private static double onLine(double[] points, double x) {
        for (int at = 2; at < points.length; at += 2) {
            if (points[at - 2] <= x && points[at] >= x) {
                return points[at - 1]
                        + (points[at + 1] - points[at - 1]) * (x - points[at - 2]) / (points[at] - points[at - 2]);
            }
        }
        return Double.NaN;
    }

    @Test
    void aDailyLineIsStraightOnHoursDespiteTheShortLastBarOfTheDay() {
        ChartModel chart = chart("4h");
        Drawing line = line("D", LocalDate.of(2026, 4, 7), LocalDate.of(2026, 5, 20));
        double[] values = DrawingShape.of(chart, line).lines().get(0).points();
        double slope = (values[3] - values[1]) / (values[2] - values[0]);
        for (int point = 2; point < values.length / 2; point++) {
            double step = (values[2 * point + 1] - values[2 * point - 1]) / (values[2 * point] - values[2 * point - 2]);
            assertThat(step).isCloseTo(slope, within(1e-6));
        }
    }

    @Test
    void theAnchorsLieOnTheirOwnBars() {
        ChartModel chart = chart("D");
        Drawing line = line("D", LocalDate.of(2026, 4, 7), LocalDate.of(2026, 5, 20));
        for (Anchor anchor : line.anchors()) {
            int bar = chart.axis().bar(anchor.time());
            assertThat(chart.bars().openTime(bar)).isEqualTo(anchor.time());
            assertThat(line.path(ChartFixture.PVX).priceAt(anchor.time())).isCloseTo(anchor.price(), within(1e-9));
        }
    }
}
