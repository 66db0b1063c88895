package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.mockito.ArgumentMatchers;

/** Drawings of all kinds in the pixels of a chart: where they lie, what is touched, what sticks to what. */
class DrawingShapeTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);
    private ChartModel chart;

    @BeforeEach
    void open() {
        chart = ChartFixture.chart(ChartFixture.days(300), Timeframe.DAY, ChartFixture.layer("sma", "20", 0));
        chart.setBarWidth(7);
    }

    private double x(int bar) {
        return chart.time().middle(bar);
    }

    private double y(double price) {
        return chart.price().y(price);
    }

    private Anchor anchor(int bar, double price) {
        return new Anchor(chart.axis().openTime(bar), price);
    }

    private Drawing drawing(String id, String figure, Map<String, String> options, Anchor... anchors) {
        return new Drawing(
                id,
                figure,
                Timeframe.DAY,
                List.of(anchors),
                chart.isLogarithmic(),
                options,
                Drawing.Style.of(2),
                Drawing.Place.STANDARD);
    }

    private Drawing some(Figure figure) {
        List<Anchor> anchors = new ArrayList<>();
        for (int point = 0; point < figure.least(); point++) {
            double price = chart.bars().close(240 + 6 * point);
            anchors.add(anchor(240 + 6 * point, price + (point % 2 == 0 ? 0 : 2)));
        }
        return drawing(figure.name(), figure.name(), Map.of(), anchors.toArray(Anchor[]::new));
    }

    @ParameterizedTest
    @EnumSource(ScaleChoice.Mode.class)
    void everyFigureIsPaintedOnEveryScaleWithItsHandlesOnItsPoints(ScaleChoice.Mode mode) {
        chart.setScale(chart.scale().withMode(mode));
        for (Figure figure : Figures.shared().all()) {
            Drawing drawing = some(figure);
            chart.setDrawings(List.of(drawing));
            RecordingSurface surface = new RecordingSurface(1);
            new ChartPainter().paint(chart, DAYLIGHT, surface);
            boolean seen = surface.lines.stream().anyMatch(line -> line.colour() == DAYLIGHT.series(2))
                    || !surface.polygons.isEmpty()
                    || figure.family() == Figure.Family.WORDS;
            assertThat(seen).as(figure.name() + " on " + mode).isTrue();
            double[] handles = DrawingShape.of(chart, drawing).handles();
            for (int point = 0; point < drawing.anchors().size(); point++) {
                Anchor at = drawing.anchors().get(point);
                assertThat(handles[2 * point]).isCloseTo(x(chart.axis().bar(at.time())), within(1e-6));
                assertThat(handles[2 * point + 1]).isCloseTo(y(at.price()), within(1e-6));
            }
        }
    }

    @Test
    void aLineDrawnOnALogarithmicScaleBendsOnAStraightOneAndIsStraightOnItsOwn() {
        Drawing line = new Drawing(
                "l",
                Drawing.LINE,
                Timeframe.DAY,
                List.of(anchor(200, 60), anchor(290, 140)),
                true,
                Map.of(),
                Drawing.Style.of(2),
                Drawing.Place.STANDARD);
        chart.setDrawings(List.of(line));
        double middle = Math.sqrt(60 * 140);
        assertThat(DrawingShape.of(chart, line).distance(x(245), y(middle))).isLessThan(0.2);
        assertThat(DrawingShape.of(chart, line).lines().get(0).count()).isGreaterThan(10);
        chart.setScale(chart.scale().withMode(ScaleChoice.Mode.LOGARITHMIC));
        assertThat(DrawingShape.of(chart, line).lines().get(0).count()).isEqualTo(2);
        assertThat(DrawingShape.of(chart, line).distance(x(245), y(middle))).isLessThan(0.2);
    }

    @Test
    void whatLiesIntoTheFutureHasItsPlaceThere() {
        Drawing line = drawing("l", Drawing.LINE, Map.of("extend", "none"), anchor(290, 100), anchor(305, 115));
        chart.setDrawings(List.of(line));
        double[] handles = DrawingShape.of(chart, line).handles();
        assertThat(handles[2]).isCloseTo(x(305), within(1e-6));
        assertThat(DrawingShape.of(chart, line).distance(x(302), y(112))).isLessThan(1e-6);
    }

    @Test
    void theNearestDrawingIsTouchedAndThoseBelowAreFoundToo() {
        double price = chart.bars().close(290);
        Drawing far = drawing(
                "far", Drawing.LEVEL, Map.of(), anchor(250, chart.price().price(y(price) + 5)));
        Drawing near = drawing(
                "near", Drawing.LEVEL, Map.of(), anchor(250, chart.price().price(y(price) + 1)));
        chart.setDrawings(List.of(near, far));
        assertThat(HitTest.at(chart, 300, y(price))).isEqualTo(new Hit.OnDrawing("near", -1));
        assertThat(HitTest.drawingsAt(chart, 300, y(price)))
                .extracting(Drawing::id)
                .containsExactly("near", "far");
        chart.setDrawings(List.of(near.withVisible(false), far));
        assertThat(HitTest.at(chart, 300, y(price))).isEqualTo(new Hit.OnDrawing("far", -1));
    }

    @Test
    void pressingTheSamePlaceAgainTakesTheNextOfTheDrawingsThere() {
        double price = chart.bars().close(290);
        chart.setDrawings(List.of(
                drawing("a", Drawing.LEVEL, Map.of(), anchor(250, price)),
                drawing("b", Drawing.LEVEL, Map.of(), anchor(250, price))));
        ChartEdits edits = mock(ChartEdits.class);
        org.mockito.Mockito.doAnswer(call -> {
                    chart.select(call.getArgument(0));
                    return null;
                })
                .when(edits)
                .select(ArgumentMatchers.any());
        ChartGestures gestures = new ChartGestures(chart, edits);
        List<Object> chosen = new ArrayList<>();
        for (int press = 0; press < 3; press++) {
            gestures.press(300, y(price));
            gestures.release(300, y(price));
            chosen.add(chart.selection());
        }
        assertThat(chosen.get(1)).isNotEqualTo(chosen.get(0));
        assertThat(chosen.get(2)).isEqualTo(chosen.get(0));
    }

    @Test
    void theValueOfADrawingIsKnownInTheFuture() {
        Drawing line = drawing("l", Drawing.LINE, Map.of(), anchor(280, 100), anchor(290, 110));
        chart.setDrawings(List.of(line));
        assertThat(chart.places().valueOf(line, chart.axis().openTime(310))).isCloseTo(130, within(1e-9));
        assertThat(chart.places().valueOf(drawing("t", "text", Map.of(), anchor(280, 100)), 0))
                .isNaN();
    }

    @Test
    void aDrawingForOtherTimeframesIsNeitherDrawnNorTouched() {
        double price = chart.bars().close(290);
        Drawing level = drawing("a", Drawing.LEVEL, Map.of(), anchor(250, price));
        chart.setDrawings(List.of(level.withPlace(level.place().onTimeframes(List.of(Timeframe.WEEK)))));
        assertThat(chart.places().inView()).isEmpty();
        assertThat(HitTest.drawingsAt(chart, 300, y(price))).isEmpty();
        Drawing weekly = new Drawing("w", Drawing.LEVEL, Timeframe.WEEK, level.anchors(), 2);
        chart.setDrawings(List.of(weekly, weekly.withId("own").withPlace(Drawing.Place.STANDARD.withInherited(false))));
        assertThat(chart.places().inView()).extracting(Drawing::id).containsExactly("w");
    }

    @Test
    void aPointSticksToAverageDrawingAndRoundPriceWhereNoPriceOfTheBarIsNear() {
        chart.setPriceRange(50, 150);
        int bar = chart.bars().size() + 3;
        Drawing line = drawing("l", Drawing.LINE, Map.of(), anchor(280, 130.37), anchor(290, 130.37));
        chart.setDrawings(List.of(line));
        assertThat(SnapTarget.at(chart, x(bar), y(130.37) + 3, true).price()).isEqualTo(130.37);
        assertThat(SnapTarget.at(chart, x(bar), y(130.37) + 3, true, "l").price())
                .as("not to itself")
                .isNotEqualTo(130.37);
        double average =
                chart.data().of(chart.indicators().get(0)).get(0).column().at(299);
        double around = SnapTarget.at(chart, x(299), y(average), true).price();
        assertThat(around).as("the average, or a price of the bar beside it").isBetween(average - 2, average + 2);
        assertThat(SnapTarget.at(chart, x(bar), y(80) + 2, true).price()).isEqualTo(80);
        assertThat(SnapTarget.at(chart, x(bar), y(80) + 2, false).price()).isNotEqualTo(80);
    }

    @Test
    void levelsOfTwoRetracementsThatAgreeAreMarked() {
        double low = chart.bars().low(250);
        Drawing one = drawing("one", "retracement", Map.of("ratios", "0.5"), anchor(250, low), anchor(270, low + 10));
        Drawing other = drawing(
                "other", "retracement", Map.of("ratios", "0.25"), anchor(255, low + 2), anchor(280, low + 6.02));
        chart.setDrawings(List.of(one, other));
        chart.setPriceRange(low - 5, low + 15);
        assertThat(chart.places().agreements()).singleElement().satisfies(shared -> {
            assertThat(shared.count()).isEqualTo(2);
            assertThat(shared.price()).isCloseTo(low + 5.0075, within(0.01));
        });
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        assertThat(surface.texts).contains("2 levels in one place");
        chart.setDrawings(List.of(one));
        assertThat(chart.places().agreements()).isEmpty();
    }

    @Test
    void figuresOfManyPointsEndWithTheSamePointAgainAndFreehandWithTheButton() {
        ChartEdits edits = mock(ChartEdits.class);
        ChartGestures gestures = new ChartGestures(chart, edits);
        gestures.setTool(Tool.of("polyline"));
        gestures.placing().put(anchor(250, 100));
        gestures.placing().put(anchor(260, 105));
        gestures.placing().put(anchor(270, 102));
        assertThat(gestures.placing().hint()).contains("double click or Enter");
        verify(edits, never()).draw(ArgumentMatchers.any(), ArgumentMatchers.any());
        gestures.placing().put(anchor(270, 102));
        verify(edits).draw("polyline", List.of(anchor(250, 100), anchor(260, 105), anchor(270, 102)));
        gestures.setTool(Tool.of("freehand"));
        gestures.press(200, 200);
        for (int step = 0; step < 10; step++) {
            gestures.drag(200 + 8 * step, 200 + 3 * step);
        }
        gestures.release(280, 230);
        verify(edits).draw(ArgumentMatchers.eq("freehand"), ArgumentMatchers.argThat(points -> points.size() > 5));
    }

    @Test
    void whatFindsNoPlaceIsRefusedWithTheReason() {
        ChartEdits edits = mock(ChartEdits.class);
        ChartGestures gestures = new ChartGestures(chart, edits);
        gestures.setTool(Tool.of("order_block"));
        gestures.placing().put(anchor(0, 100));
        verify(edits).refuse(ArgumentMatchers.contains("Order block"));
        verify(edits).toolDone();
    }

    @Test
    void aHeldPointIsLevelUprightOrAtHalfARightAngle() {
        ChartGestures gestures = new ChartGestures(chart, mock(ChartEdits.class));
        gestures.setTool(Tool.LINE);
        double price = chart.price().price(300);
        gestures.placing().put(anchor(260, price));
        gestures.placing().setHeld(true);
        assertThat(gestures.placing().candidate(x(280), 305).orElseThrow()).isEqualTo(anchor(280, price));
        assertThat(gestures.placing().candidate(x(261), 200).orElseThrow().time())
                .isEqualTo(chart.axis().openTime(260));
        Anchor diagonal = gestures.placing().candidate(x(280), 300 - 120).orElseThrow();
        assertThat(y(diagonal.price())).isCloseTo(300 - 20 * 7, within(1.0));
    }

    @Test
    void aLockedDrawingIsChosenButNotMoved() {
        double price = chart.bars().close(290);
        Drawing level = drawing("a", Drawing.LEVEL, Map.of(), anchor(250, price));
        chart.setDrawings(List.of(level.withPlace(level.place().withLocked(true))));
        ChartEdits edits = mock(ChartEdits.class);
        ChartGestures gestures = new ChartGestures(chart, edits);
        gestures.press(300, y(price));
        gestures.drag(300, y(price) + 40);
        gestures.release(300, y(price) + 40);
        verify(edits).select(new dev.yardarm.chart.model.Selection.Drawing("a"));
        verify(edits, never()).change(ArgumentMatchers.<List<Drawing>>any());
    }

    @Test
    void thePreviewIsTheFigureAsSoonAsItHasEnoughPoints() {
        ChartGestures gestures = new ChartGestures(chart, mock(ChartEdits.class));
        gestures.setTool(Tool.of("channel"));
        assertThat(gestures.placing().preview(300, 200).orElseThrow().kind()).isEqualTo("level");
        gestures.placing().put(anchor(250, 100));
        assertThat(gestures.placing().preview(300, 200).orElseThrow().kind()).isEqualTo("polyline");
        gestures.placing().put(anchor(260, 101));
        assertThat(gestures.placing().preview(300, 200).orElseThrow().kind()).isEqualTo("channel");
        assertThat(gestures.placing().preview(300, 5000)).isEmpty();
    }
}
