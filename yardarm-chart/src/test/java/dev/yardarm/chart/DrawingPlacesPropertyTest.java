package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** What is ruled out by a few comparisons is really not there: against every drawing looked at in full. */
class DrawingPlacesPropertyTest {
    private static final double REACH = 6;

    /** A chart in a random part, scale and size, with random drawings of all figures and several timeframes. */
    private static ChartModel chart(Random random) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(400), Timeframe.DAY);
        chart.setScale(chart.scale()
                .withMode(ScaleChoice.Mode.values()[random.nextInt(ScaleChoice.Mode.values().length)])
                .withInverted(random.nextInt(4) == 0));
        chart.setSize(400 + random.nextInt(800), 250 + random.nextInt(400));
        TimeScale time = chart.time();
        chart.setTime(new TimeScale(time.left(), time.right(), 2 + random.nextInt(12), 150 + random.nextInt(250)));
        List<Figure> figures = new ArrayList<>(Figures.shared().all());
        List<Drawing> drawings = new ArrayList<>();
        for (int number = 0; number < 60; number++) {
            Figure figure = figures.get(random.nextInt(figures.size()));
            int points = Math.min(figure.most(), figure.least() + random.nextInt(3));
            List<Anchor> anchors = new ArrayList<>();
            int bar = random.nextInt(430) - 10;
            for (int point = 0; point < points; point++) {
                anchors.add(new Anchor(chart.axis().openTime(bar), 70 + 60 * random.nextDouble()));
                bar += random.nextInt(25) - 4;
            }
            Map<String, String> options =
                    figure.options().stream().anyMatch(option -> option.name().equals("text"))
                            ? Map.of("text", "words of some length")
                            : Map.of();
            Drawing drawing = new Drawing(
                    "d" + number,
                    figure.name(),
                    random.nextInt(5) == 0 ? Timeframe.WEEK : Timeframe.DAY,
                    anchors,
                    random.nextInt(3) == 0,
                    options,
                    Drawing.Style.of(number % 8),
                    Drawing.Place.STANDARD);
            drawings.add(random.nextInt(10) == 0 ? drawing.withVisible(false) : drawing);
        }
        chart.setDrawings(drawings);
        return chart;
    }

    @Property(tries = 60)
    void allThatLieUnderAPointAreFound(@ForAll long seed) {
        Random random = new Random(seed);
        ChartModel chart = chart(random);
        for (int trial = 0; trial < 25; trial++) {
            double x = random.nextDouble() * chart.plotRight();
            double y = chart.price().top()
                    + random.nextDouble()
                            * (chart.price().bottom() - chart.price().top());
            List<String> slowly = chart.drawings().stream()
                    .filter(each ->
                            chart.shows(each) && DrawingShape.of(chart, each).distance(x, y) <= REACH)
                    .map(Drawing::id)
                    .sorted()
                    .toList();
            List<String> found = HitTest.drawingsAt(chart, x, y).stream()
                    .map(Drawing::id)
                    .sorted()
                    .toList();
            assertThat(found)
                    .as("at " + x + ", " + y + " of " + chart.scale().mode())
                    .isEqualTo(slowly);
        }
    }

    @Property(tries = 60)
    void allThatReachIntoTheViewArePainted(@ForAll long seed) {
        ChartModel chart = chart(new Random(seed));
        List<String> inView = chart.places().inView().stream().map(Drawing::id).toList();
        for (Drawing drawing : chart.drawings()) {
            boolean seen = chart.shows(drawing)
                    && DrawingShape.of(chart, drawing)
                            .meets(
                                    0,
                                    chart.price().top(),
                                    chart.plotRight(),
                                    chart.price().bottom());
            if (seen) {
                assertThat(inView).as(drawing.kind() + " " + drawing.anchors()).contains(drawing.id());
            }
        }
        assertThat(inView)
                .as("and in their order")
                .isSortedAccordingTo(
                        (one, other) -> Integer.parseInt(one.substring(1)) - Integer.parseInt(other.substring(1)));
    }

    @Property(tries = 40)
    void theNearestIsTouched(@ForAll long seed) {
        Random random = new Random(seed);
        ChartModel chart = chart(random);
        for (int trial = 0; trial < 25; trial++) {
            double x = random.nextDouble() * chart.plotRight();
            double y = chart.price().top()
                    + random.nextDouble()
                            * (chart.price().bottom() - chart.price().top());
            Map<String, Double> distances = chart.drawings().stream()
                    .filter(chart::shows)
                    .collect(Collectors.toMap(
                            Drawing::id, each -> DrawingShape.of(chart, each).distance(x, y)));
            List<Drawing> found = HitTest.drawingsAt(chart, x, y);
            for (int at = 1; at < found.size(); at++) {
                assertThat(distances.get(found.get(at - 1).id()))
                        .isLessThanOrEqualTo(distances.get(found.get(at).id()));
            }
        }
    }

    @Property(tries = 30)
    void anotherTimeframeAndBackMovesNothing(@ForAll long seed) {
        Random random = new Random(seed);
        ChartModel chart = chart(random);
        List<Drawing> before = chart.drawings();
        TimeScale time = chart.time();
        List<double[]> handles = before.stream()
                .map(each -> DrawingShape.of(chart, each).handles().clone())
                .toList();
        chart.setTime(time.zoomedBy(1.7, 200).movedBy(130));
        chart.setScale(chart.scale().withInverted(!chart.scale().inverted()));
        before.forEach(each -> DrawingShape.of(chart, each));
        chart.setScale(chart.scale().withInverted(!chart.scale().inverted()));
        chart.setTime(time);
        assertThat(chart.drawings()).isEqualTo(before);
        for (int number = 0; number < before.size(); number++) {
            assertThat(DrawingShape.of(chart, before.get(number)).handles()).containsExactly(handles.get(number));
        }
    }
}
