package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BracketLayout;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;

class GestureTest {
    private ChartModel chart;
    private ChartEdits edits;
    private ChartGestures gestures;

    @BeforeEach
    void open() {
        chart = ChartFixture.chart(
                ChartFixture.days(300),
                Timeframe.DAY,
                ChartFixture.layer("sma", "20", 0),
                ChartFixture.layer("rsi", "14", 1));
        edits = mock(ChartEdits.class);
        gestures = new ChartGestures(chart, edits);
    }

    private double x(int bar) {
        return chart.time().middle(bar);
    }

    private double y(double price) {
        return chart.price().y(price);
    }

    private Drawing line(int from, double fromPrice, int to, double toPrice) {
        return new Drawing(
                "line",
                Drawing.LINE,
                Timeframe.DAY,
                List.of(
                        new Anchor(chart.bars().openTime(from), fromPrice),
                        new Anchor(chart.bars().openTime(to), toPrice)),
                2);
    }

    @Test
    void aClickWithTheLevelToolSnapsToTheBarsPrice() {
        gestures.setTool(Tool.LEVEL);
        double high = chart.bars().high(280);
        gestures.press(x(280), y(high) - 3);
        gestures.release(x(280), y(high) - 3);
        verify(edits).draw(Drawing.LEVEL, List.of(new Anchor(chart.bars().openTime(280), high)));
        verify(edits).toolDone();
        assertThat(gestures.tool()).isEqualTo(Tool.NONE);
    }

    @Test
    void withoutSnappingThePriceIsRoundedToTheTick() {
        Anchor free = SnapTarget.at(chart, x(280), y(chart.bars().high(280)) - 3, false);
        assertThat(free.price()).isNotEqualTo(chart.bars().high(280));
        assertThat(free.price() * 100).isCloseTo(Math.rint(free.price() * 100), within(1e-6));
    }

    @Test
    void aLineTakesTwoClicksOrOneDrag() {
        gestures.setTool(Tool.LINE);
        double low = chart.bars().low(250);
        double other = chart.bars().low(290);
        gestures.press(x(250), y(low));
        gestures.release(x(250), y(low));
        verify(edits, never()).draw(any(), any());
        gestures.press(x(290), y(other));
        gestures.release(x(290), y(other));
        List<Anchor> anchors = List.of(
                new Anchor(chart.bars().openTime(250), low),
                new Anchor(chart.bars().openTime(290), other));
        verify(edits).draw(Drawing.LINE, anchors);
        gestures.setTool(Tool.LINE);
        gestures.press(x(250), y(low));
        gestures.drag(x(270), y(low));
        gestures.release(x(290), y(other));
        verify(edits, org.mockito.Mockito.times(2)).draw(Drawing.LINE, anchors);
    }

    @Test
    void draggingAnEndMovesItAndEscapePutsItBack() {
        Drawing line = line(250, 100, 290, 110);
        chart.setDrawings(List.of(line));
        gestures.setSnapping(false);
        gestures.press(x(290), y(110));
        verify(edits).select(new Selection.Drawing("line"));
        gestures.drag(x(280), y(105));
        assertThat(chart.drawing("line").orElseThrow().anchors().get(1).time())
                .isEqualTo(chart.bars().openTime(280));
        assertThat(gestures.cancel()).isTrue();
        assertThat(chart.drawing("line")).contains(line);
        gestures.press(x(290), y(110));
        gestures.drag(x(280), y(105));
        gestures.release(x(280), y(105));
        Drawing after = changed().get(0);
        assertThat(after.anchors().get(0)).isEqualTo(line.anchors().get(0));
        assertThat(after.anchors().get(1).price()).isCloseTo(105, within(0.2));
    }

    /** What was asked to be changed. */
    @SuppressWarnings("unchecked")
    private List<Drawing> changed() {
        ArgumentCaptor<List<Drawing>> after = ArgumentCaptor.forClass(List.class);
        verify(edits).change(after.capture());
        return after.getValue();
    }

    @Test
    void draggingTheLineItselfMovesBothEndsByBarsAndPrice() {
        Drawing line = line(250, 100, 290, 110);
        chart.setDrawings(List.of(line));
        gestures.setSnapping(false);
        gestures.press(x(270), y(105));
        gestures.drag(x(275), y(106));
        gestures.release(x(275), y(106));
        Drawing after = changed().get(0);
        assertThat(after.anchors().get(0).time()).isEqualTo(chart.bars().openTime(255));
        assertThat(after.anchors().get(1).time()).isEqualTo(chart.bars().openTime(295));
        assertThat(after.anchors().get(0).price()).isCloseTo(101, within(0.1));
    }

    @Test
    void draggingPansAndTheWheelZoomsAroundThePointer() {
        TimeScale before = chart.time();
        gestures.press(400, 560);
        gestures.drag(470, 560);
        gestures.release(470, 560);
        assertThat(chart.time().edge()).isCloseTo(before.edge() - 10, within(1e-9));
        double held = chart.time().position(300);
        gestures.wheel(300, 200, 2, false);
        assertThat(chart.time().position(300)).isCloseTo(held, within(1e-6));
        assertThat(chart.time().barWidth()).isGreaterThan(before.barWidth());
        verify(edits, never()).change(org.mockito.ArgumentMatchers.<List<Drawing>>any());
    }

    @Test
    void draggingAnAxisCompressesItAndADoubleClickFitsItAgain() {
        double span = chart.price().high() - chart.price().low();
        double axis = chart.plotRight() + 10;
        gestures.press(axis, 100);
        gestures.drag(axis, 200);
        gestures.release(axis, 200);
        assertThat(chart.isPriceManual()).isTrue();
        assertThat(chart.price().high() - chart.price().low()).isGreaterThan(span * 1.5);
        gestures.doubleClick(axis, 100);
        assertThat(chart.isPriceManual()).isFalse();
        double width = chart.time().barWidth();
        gestures.press(300, chart.plotBottom() + 5);
        gestures.drag(200, chart.plotBottom() + 5);
        gestures.release(200, chart.plotBottom() + 5);
        assertThat(chart.time().barWidth()).isLessThan(width);
    }

    @Test
    void theArmsOfAPlanAreDragged() {
        double entry = chart.bars().close(299);
        TradePlan plan = new TradePlan(
                "p",
                ChartFixture.KTRL.id(),
                Timeframe.DAY,
                chart.bars().openTime(299),
                entry,
                entry - 2,
                entry + 4,
                1000,
                1);
        chart.setPlan(plan);
        BracketLayout bracket = BracketLayout.of(chart, plan);
        double x = (bracket.spineX() + bracket.armEnd()) / 2;
        assertThat(HitTest.at(chart, x, bracket.stopY())).isEqualTo(new Hit.OnBracket(BracketLayout.Arm.STOP));
        gestures.setSnapping(false);
        gestures.press(x, bracket.stopY());
        gestures.drag(x, y(entry - 3));
        gestures.release(x, y(entry - 3));
        ArgumentCaptor<TradePlan> after = ArgumentCaptor.forClass(TradePlan.class);
        verify(edits).change(eq(plan), after.capture());
        assertThat(after.getValue().stop()).isCloseTo(entry - 3, within(0.2));
        assertThat(after.getValue().entry()).isEqualTo(entry);
    }

    @Test
    void hitsAreFoundForWhatLiesThere() {
        double average = chart.data().indicators().get("sma").get(0).column().at(280);
        assertThat(HitTest.at(chart, x(280), y(average))).isInstanceOfAny(Hit.OnIndicator.class);
        assertThat(HitTest.at(chart, chart.plotRight() + 4, 60)).isInstanceOf(Hit.PriceAxis.class);
        assertThat(HitTest.at(chart, 60, chart.plotBottom() + 4)).isInstanceOf(Hit.TimeAxisStrip.class);
        assertThat(HitTest.at(chart, -5, 5)).isInstanceOf(Hit.Nothing.class);
        assertThat(HitTest.at(chart, chart.plotRight() - 4, 40)).isInstanceOf(Hit.OnPane.class);
    }

    @Test
    void aLineLiesAtTheSamePriceOnAnotherTimeframe() {
        Drawing line = line(100, 100, 200, 120);
        Drawing.Path path = line.path(ChartFixture.PVX);
        chart.setDrawings(List.of(line));
        chart.setTime(new TimeScale(0, chart.plotRight(), 7, 210));
        for (int bar = 105; bar < 205; bar++) {
            assertThat(DrawingShape.of(chart, line)
                            .distance(x(bar), y(path.priceAt(chart.axis().openTime(bar)))))
                    .isLessThan(1e-6);
        }
    }
}
