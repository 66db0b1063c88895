package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.plot.Plot;
import dev.yardarm.chart.plot.PlotAxis;
import dev.yardarm.chart.plot.PlotLayout;
import dev.yardarm.chart.plot.PlotPainter;
import dev.yardarm.chart.plot.PlotReadout;
import dev.yardarm.chart.plot.PlotSeries;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.core.series.Times;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Plots beside price charts: where things lie, what they look like, what is under a point. */
class PlotTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);
    private static final List<String> MONTHS =
            List.of("Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec");
    private final RecordingSurface surface = new RecordingSurface(1);

    private PlotLayout painted(Plot plot, double width, double height) {
        PlotLayout layout = PlotLayout.of(plot, width, height, surface::textWidth);
        new PlotPainter().paint(layout, DAYLIGHT, surface);
        return layout;
    }

    private static double[] counted(int count) {
        double[] values = new double[count];
        for (int at = 0; at < count; at++) {
            values[at] = at;
        }
        return values;
    }

    private static Plot months() {
        double[] changes = {1.2, -0.4, 2.1, 0, -1.8, 0.3, 0.9, -2.2, -3.1, 1.4, 2.6, Double.NaN};
        return Plot.of("Average change by month", PlotAxis.names("month", MONTHS), PlotAxis.numbers("change, %"))
                .with(new PlotSeries.Columns("average", 0, counted(12), changes));
    }

    private void assertNoTextsMeet() {
        for (RecordingSurface.Written one : surface.written) {
            for (RecordingSurface.Written other : surface.written) {
                assertThat(one != other && one.meets(other))
                        .as(one + " over " + other)
                        .isFalse();
            }
        }
    }

    @Test
    void columnsRiseFromTheirBaseHollowAndFallFilled() {
        PlotLayout layout = painted(months(), 640, 360);
        double base = layout.y(0);
        assertThat(layout.y(2.6)).isLessThan(base);
        RecordingSurface.Rectangle march = surface.rectangles.stream()
                .filter(each -> each.colour() == DAYLIGHT.of(Role.RISE)
                        && Math.abs(each.x() + each.width() / 2 - layout.x(2)) < 1)
                .findFirst()
                .orElseThrow();
        assertThat(march.y()).isCloseTo(layout.y(2.1), within(1.0));
        assertThat(march.y() + march.height()).isCloseTo(base, within(1.0));
        assertThat(surface.rectangles)
                .as("hollow")
                .anyMatch(each -> each.colour() == DAYLIGHT.of(Role.PAPER)
                        && each.x() == march.x() + 1
                        && each.width() == march.width() - 2);
        assertThat(surface.rectangles)
                .filteredOn(each -> each.colour() == DAYLIGHT.of(Role.FALL))
                .hasSize(4)
                .allMatch(each -> Math.abs(each.y() - base) < 1.5);
        assertThat(surface.texts).contains("Average change by month", "change, %", "month", "Jan", "Nov");
        assertNoTextsMeet();
    }

    @Test
    void aColumnIsReadWhereverThePointerIsAboveOrBelowIt() {
        PlotLayout layout = painted(months(), 640, 360);
        PlotReadout readout =
                layout.readout(layout.x(8) + 3, layout.box().top() + 5).orElseThrow();
        assertThat(readout.text()).isEqualTo("average: Sep, change, % -3.10");
        assertThat(layout.readout(layout.x(11), 100).orElseThrow().text()).isEqualTo("average: Dec, change, % –");
        assertThat(layout.readout(2, 2)).isEmpty();
    }

    @Test
    void aLineHasItsDashAndAGapWhereAValueIsMissing() {
        double[] ys = {1, 2, 3, Double.NaN, 5, 6, Double.NaN, 8};
        painted(
                Plot.of("Breadth", PlotAxis.numbers("day"), PlotAxis.numbers("share above, %"))
                        .with(new PlotSeries.Line("above sma 50", 1, counted(8), ys)),
                500,
                300);
        List<RecordingSurface.Line> lines = surface.lines.stream()
                .filter(each -> each.colour() == DAYLIGHT.series(1))
                .toList();
        assertThat(lines).extracting(RecordingSurface.Line::count).containsExactly(3, 2);
        assertThat(lines.get(0).dash()).isEqualTo(Palette.dash(1));
    }

    @Test
    void theNearestPointIsReadWithItsText() {
        Plot plot = Plot.of("Strength against volatility", PlotAxis.numbers("volatility"), PlotAxis.numbers("strength"))
                .with(new PlotSeries.Points(
                        "companies", 2, new double[] {1, 2, 3}, new double[] {10, 30, 20}, new String[] {
                            "KTRL", "MARN", "EBSP"
                        }));
        PlotLayout layout = painted(plot, 500, 300);
        assertThat(layout.readout(layout.x(2) + 4, layout.y(30) + 4)
                        .orElseThrow()
                        .text())
                .isEqualTo("companies, MARN: 2, strength 30");
        assertThat(layout.readout(layout.x(2) + 40, layout.y(30) + 40)).isEmpty();
        assertThatThrownBy(() -> new PlotSeries.Points("p", 1, new double[2], new double[2], new String[1]))
                .hasMessageContaining("a text for each");
        assertThatThrownBy(() -> new PlotSeries.Line("p", 1, new double[2], new double[3]))
                .hasMessage("as many x as y are needed: 2 and 3");
    }

    @Test
    void cellsOfHeatCarryTheirNumberAndAStrokeBelowTheMiddle() {
        List<String> hours = List.of("08", "09", "10");
        List<String> days = List.of("Mon", "Tue");
        double[][] values = {{1, -2, 0}, {Double.NaN, 4, -0.5}};
        Plot plot = Plot.of("Rhythm of the week", PlotAxis.names("hour", hours), PlotAxis.names("", days))
                .with(new PlotSeries.Heat("average change, %", values, 0, 2));
        PlotLayout layout = painted(plot, 480, 260);
        assertThat(surface.texts).contains("1", "-2", "4", "-0.50", "Mon", "08");
        assertThat(surface.rectangles)
                .filteredOn(each -> each.colour() == DAYLIGHT.of(Role.FALL) && each.width() == 2)
                .hasSize(2);
        assertThat(layout.y(0)).as("the first row is at the top").isLessThan(layout.y(1));
        assertThat(layout.readout(layout.x(1), layout.y(1)).orElseThrow().text())
                .isEqualTo("average change, %: Tue, 09, 4");
        assertThat(layout.readout(layout.x(0), layout.y(1)).orElseThrow().text())
                .endsWith("–");
        assertNoTextsMeet();
        RecordingSurface small = new RecordingSurface(1);
        new PlotPainter().paint(PlotLayout.of(plot, 90, 110, small::textWidth), DAYLIGHT, small);
        assertThat(small.texts).doesNotContain("-0.50");
    }

    @Test
    void momentsHaveRoundMarks() {
        ZoneId zone = ZoneId.of("Atlantic/Azores");
        long start = java.time.Instant.parse("2024-01-10T00:00:00Z").toEpochMilli() * 1000;
        double[] xs = new double[400];
        for (int day = 0; day < xs.length; day++) {
            xs[day] = start + day * (double) Times.DAY;
        }
        Plot plot = Plot.of("Equity", PlotAxis.moments("", zone), PlotAxis.numbers("crowns"))
                .with(new PlotSeries.Line("equity", 0, xs, counted(400)));
        PlotLayout layout = painted(plot, 700, 300);
        assertThat(layout.below()).hasSizeBetween(4, 10);
        assertThat(layout.below()).allMatch(mark -> mark.text().startsWith("1 "));
        assertNoTextsMeet();
        assertThat(layout.readout(layout.x(xs[10]), layout.y(10)).orElseThrow().text())
                .startsWith("equity: 19 Jan 23:00, crowns 10");
    }

    @Test
    void anEmptyPlotAndOneOfASingleValueCanBeDrawn() {
        painted(Plot.of("Nothing yet", PlotAxis.numbers("x"), PlotAxis.numbers("y")), 300, 200);
        PlotLayout one = painted(
                Plot.of("One", PlotAxis.numbers("x"), PlotAxis.numbers("y").reaching(0, 100))
                        .with(new PlotSeries.Line("v", 0, new double[] {5}, new double[] {50})),
                300,
                200);
        assertThat(one.y(50)).isBetween(one.box().top(), one.box().bottom());
        assertThat(one.y(0)).isGreaterThan(one.y(100));
    }

    @Property(tries = 80)
    void noTwoTextsMeetWhateverTheSizeAndTheValues(
            @ForAll @IntRange(min = 120, max = 1600) int width,
            @ForAll @IntRange(min = 110, max = 900) int height,
            @ForAll @IntRange(min = 1, max = 40) int many,
            @ForAll @DoubleRange(min = -1e9, max = 1e9) double from,
            @ForAll @DoubleRange(min = 0.01, max = 1e9) double step) {
        RecordingSurface drawn = new RecordingSurface(1);
        double[] xs = counted(many);
        double[] ys = new double[many];
        List<String> names = new ArrayList<>();
        for (int at = 0; at < many; at++) {
            ys[at] = from + step * ((at * 7) % 5);
            names.add("place " + at);
        }
        for (PlotAxis below : List.of(PlotAxis.numbers("x"), PlotAxis.names("x", names))) {
            drawn.written.clear();
            Plot plot = Plot.of("Plot", below, PlotAxis.numbers("y"))
                    .with(new PlotSeries.Line("one", 1, xs, ys))
                    .with(new PlotSeries.Columns("two", from, xs, ys));
            new PlotPainter().paint(PlotLayout.of(plot, width, height, drawn::textWidth), DAYLIGHT, drawn);
            for (RecordingSurface.Written one : drawn.written) {
                for (RecordingSurface.Written other : drawn.written) {
                    assertThat(one != other && one.meets(other))
                            .as(one + " over " + other)
                            .isFalse();
                }
            }
        }
    }
}
