package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.gesture.ChartGestures.Press;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Several drawings chosen by clicks and by a box, grouped, and moved together. */
class SeveralDrawingsTest {
    private ChartModel chart;
    private ChartGestures gestures;
    private final List<List<Drawing>> changes = new ArrayList<>();

    @BeforeEach
    void open() {
        chart = ChartFixture.chart(ChartFixture.days(300), Timeframe.DAY);
        chart.setBarWidth(7);
        ChartEdits edits = mock(ChartEdits.class);
        doAnswer(call -> {
                    chart.select(call.getArgument(0));
                    return null;
                })
                .when(edits)
                .select(any());
        doAnswer(call -> {
                    changes.add(call.getArgument(0));
                    return null;
                })
                .when(edits)
                .change(anyList());
        gestures = new ChartGestures(chart, edits);
        gestures.setSnapping(false);
        double middle = chart.price().price((chart.price().top() + chart.price().bottom()) / 2);
        double unit = (chart.price().high() - chart.price().low()) / 20;
        chart.setDrawings(List.of(
                line("one", 240, middle, 250, middle + unit),
                line("two", 265, middle + 4 * unit, 275, middle + 5 * unit),
                level("level", middle - 5 * unit)));
    }

    private Drawing line(String id, int from, double fromPrice, int to, double toPrice) {
        return new Drawing(
                id,
                Drawing.LINE,
                Timeframe.DAY,
                List.of(anchor(from, fromPrice), anchor(to, toPrice)),
                false,
                Map.of("extend", "none"),
                Drawing.Style.of(1),
                Drawing.Place.STANDARD);
    }

    private Drawing level(String id, double price) {
        return new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(anchor(250, price)), 2);
    }

    private Anchor anchor(int bar, double price) {
        return new Anchor(chart.axis().openTime(bar), price);
    }

    private Drawing drawing(String id) {
        return chart.drawing(id).orElseThrow();
    }

    private double x(int bar) {
        return chart.time().middle(bar);
    }

    /** A point on a drawing: between its ends, or somewhere on a level. */
    private double[] on(String id) {
        List<Anchor> anchors = drawing(id).anchors();
        double x = anchors.size() == 1
                ? 200
                : (x(chart.axis().bar(anchors.get(0).time()))
                                + x(chart.axis().bar(anchors.get(1).time())))
                        / 2;
        return new double[] {
            x,
            chart.price()
                    .y(anchors.stream().mapToDouble(Anchor::price).average().orElseThrow())
        };
    }

    private void click(String id, Press press) {
        double[] at = on(id);
        gestures.press(at[0], at[1], press);
        gestures.release(at[0], at[1]);
    }

    private List<String> chosen() {
        return chart.selection().drawings();
    }

    @Test
    void clicksAddAndTakeAway() {
        click("one", Press.PLAIN);
        assertThat(chart.selection()).isEqualTo(new Selection.Drawing("one"));
        click("two", Press.MORE);
        assertThat(chosen()).containsExactly("one", "two");
        click("level", Press.MORE);
        click("one", Press.MORE);
        assertThat(chosen()).containsExactly("two", "level");
        click("two", Press.PLAIN);
        assertThat(chosen()).as("a plain click selects it alone").containsExactly("two");
        gestures.press(100, chart.price().top() + 60);
        gestures.release(100, chart.price().top() + 60);
        assertThat(chosen()).isEmpty();
    }

    @Test
    void aBoxChoosesWhatItTouchesWithWhatWasChosen() {
        gestures.press(x(235), chart.price().bottom() - 2, Press.MORE);
        assertThat(gestures.box()).isEmpty();
        gestures.drag(x(246), on("one")[1] - 3);
        assertThat(gestures.box().orElseThrow())
                .containsExactly(x(235), on("one")[1] - 3, x(246), chart.price().bottom() - 2);
        gestures.release(x(246), on("one")[1] - 3);
        assertThat(chosen())
                .as("a part of the line and the level, both touched")
                .containsExactlyInAnyOrder("one", "level");
        assertThat(gestures.box()).isEmpty();
        gestures.press(x(262), on("two")[1] - 60, Press.MORE);
        gestures.drag(x(280), on("two")[1] + 60);
        gestures.release(x(280), on("two")[1] + 60);
        assertThat(chosen()).containsExactlyInAnyOrder("one", "level", "two");
        chart.select(Selection.NONE);
        gestures.press(x(252), chart.price().top() + 60, Press.MORE);
        gestures.drag(x(256), chart.price().top() + 70);
        gestures.release(x(256), chart.price().top() + 70);
        assertThat(chosen()).as("nothing there").isEmpty();
    }

    @Test
    void aBoxInsideALineThatPassesThroughItTakesIt() {
        double[] at = on("two");
        assertThat(HitTest.drawingsIn(chart, at[0] - 4, at[1] - 4, at[0] + 4, at[1] + 4))
                .extracting(Drawing::id)
                .containsExactly("two");
        assertThat(HitTest.drawingsIn(chart, at[0] - 4, at[1] + 12, at[0] + 4, at[1] + 20))
                .isEmpty();
    }

    @Test
    void theBoxHasAToolToo() {
        gestures.setTool(Tool.GATHER);
        assertThat(gestures.placing().hint()).contains("box");
        gestures.press(x(235), on("one")[1] - 40);
        gestures.drag(x(252), on("one")[1] + 40);
        gestures.release(x(252), on("one")[1] + 40);
        assertThat(chosen()).containsExactly("one");
        assertThat(gestures.tool()).isEqualTo(Tool.NONE);
    }

    @Test
    void allThatAreChosenMoveTogetherAndBackWithEscape() {
        chart.select(Selection.ofDrawings(List.of("one", "two", "level")));
        List<Drawing> before = chart.drawings();
        double[] at = on("one");
        double down = chart.price().y(drawing("one").anchors().get(0).price() - 2)
                - chart.price().y(drawing("one").anchors().get(0).price());
        gestures.press(at[0], at[1]);
        gestures.drag(at[0] + 7 * 4, at[1] + down);
        for (String id : List.of("one", "two")) {
            Drawing was = before.stream()
                    .filter(each -> each.id().equals(id))
                    .findFirst()
                    .orElseThrow();
            assertThat(chart.axis().bar(drawing(id).anchors().get(1).time()))
                    .isEqualTo(chart.axis().bar(was.anchors().get(1).time()) + 4);
            assertThat(drawing(id).anchors().get(1).price())
                    .isCloseTo(was.anchors().get(1).price() - 2, within(0.02));
        }
        assertThat(drawing("level").anchors().get(0).time())
                .as("a level goes up and down alone")
                .isEqualTo(chart.axis().openTime(250));
        assertThat(gestures.cancel()).isTrue();
        assertThat(chart.drawings()).isEqualTo(before);
        assertThat(changes).isEmpty();
        gestures.press(at[0], at[1]);
        gestures.drag(at[0] + 7 * 4, at[1]);
        gestures.release(at[0] + 7 * 4, at[1]);
        assertThat(changes).as("one step").singleElement().satisfies(all -> assertThat(all)
                .hasSize(3));
        assertThat(chosen()).hasSize(3);
    }

    @Test
    void whatIsDraggedWithoutSnappingIsChosenAfterwards() {
        double[] at = on("one");
        gestures.press(at[0], at[1], Press.MORE);
        gestures.drag(at[0], at[1] - 20);
        gestures.release(at[0], at[1] - 20);
        assertThat(changes.get(0)).extracting(Drawing::id).containsExactly("one");
        assertThat(chosen()).containsExactly("one");
    }

    @Test
    void lockedOnesStayAndALockedOneInHandMovesNothing() {
        Drawing locked = drawing("two").withPlace(drawing("two").place().withLocked(true));
        chart.setDrawings(Drawing.replaced(chart.drawings(), List.of(locked)));
        chart.select(Selection.ofDrawings(List.of("one", "two")));
        double[] at = on("one");
        gestures.press(at[0], at[1]);
        gestures.drag(at[0] + 21, at[1]);
        gestures.release(at[0] + 21, at[1]);
        assertThat(changes.get(0)).extracting(Drawing::id).containsExactly("one");
        at = on("two");
        gestures.press(at[0], at[1]);
        gestures.drag(at[0] + 21, at[1]);
        gestures.release(at[0] + 21, at[1]);
        assertThat(changes).hasSize(1);
        assertThat(drawing("two")).isEqualTo(locked);
    }

    @Test
    void aGroupIsChosenWholeAndASecondClickGoesIntoIt() {
        chart.setDrawings(chart.drawings().stream()
                .map(each -> each.id().equals("level")
                        ? each
                        : each.withPlace(each.place().withGroup("g")))
                .toList());
        click("one", Press.PLAIN);
        assertThat(chosen()).containsExactly("one", "two");
        click("one", Press.PLAIN);
        assertThat(chosen()).containsExactly("one");
        click("level", Press.PLAIN);
        click("two", Press.MORE);
        assertThat(chosen()).containsExactly("level", "one", "two");
        click("two", Press.MORE);
        assertThat(chosen()).containsExactly("level");
        chart.setDrawings(
                Drawing.replaced(chart.drawings(), List.of(drawing("two").withVisible(false))));
        assertThat(chart.groupOf("one"))
                .as("what is hidden is not selected with it")
                .containsExactly("one");
    }

    @Test
    void aLogarithmicDrawingMovesByPartsOfItsPrice() {
        chart.setScale(chart.scale().withMode(dev.yardarm.chart.model.ScaleChoice.Mode.LOGARITHMIC));
        double low = chart.bars().close(260);
        Drawing line = new Drawing(
                "log",
                Drawing.LINE,
                Timeframe.DAY,
                List.of(anchor(255, low), anchor(275, low * 1.1)),
                true,
                Map.of(),
                Drawing.Style.of(0),
                Drawing.Place.STANDARD);
        chart.setDrawings(List.of(line));
        double x = x(265);
        double y = chart.price().y(Math.sqrt(low * low * 1.1));
        gestures.press(x, y);
        gestures.drag(x, y - 40);
        gestures.release(x, y - 40);
        Drawing moved = changes.get(0).get(0);
        assertThat(moved.anchors().get(0).price()).isGreaterThan(low * 1.005);
        assertThat(moved.anchors().get(1).price() / moved.anchors().get(0).price())
                .isCloseTo(1.1, within(0.001));
    }

    @Test
    void panningTouchesNoDrawing() {
        List<Drawing> before = chart.drawings();
        double[] at = on("one");
        double edge = chart.time().edge();
        gestures.press(at[0], at[1], Press.PAN);
        gestures.drag(at[0] + 70, at[1] + 30);
        gestures.release(at[0] + 70, at[1] + 30);
        assertThat(chart.time().edge()).isCloseTo(edge - 10, within(1e-9));
        assertThat(chosen()).isEmpty();
        gestures.press(x(230), chart.price().top() + 60);
        gestures.drag(on("one")[0], on("one")[1]);
        gestures.drag(on("two")[0], on("two")[1]);
        gestures.release(on("two")[0], on("two")[1]);
        assertThat(chart.drawings()).as("over the drawings and on").isEqualTo(before);
        gestures.setTool(Tool.LINE);
        gestures.press(at[0], at[1], Press.PAN);
        gestures.drag(at[0] + 14, at[1]);
        gestures.release(at[0] + 14, at[1]);
        assertThat(gestures.placing().placed()).as("a tool in hand waits").isEmpty();
        assertThat(gestures.tool()).isEqualTo(Tool.LINE);
    }

    @Test
    void whatIsHiddenAsAWholeIsNeitherSeenNorTouched() {
        double[] at = on("one");
        assertThat(HitTest.at(chart, at[0], at[1])).isInstanceOf(Hit.OnDrawing.class);
        chart.setDrawingsShown(false);
        assertThat(HitTest.at(chart, at[0], at[1])).isNotInstanceOf(Hit.OnDrawing.class);
        assertThat(chart.places().inView()).isEmpty();
        assertThat(chart.drawings()).hasSize(3);
    }

    @Test
    void aChoiceOfDrawingsIsTheSameHoweverItIsMade() {
        assertThat(Selection.ofDrawings(List.of())).isEqualTo(Selection.NONE);
        assertThat(Selection.ofDrawings(List.of("a", "a"))).isEqualTo(new Selection.Drawing("a"));
        assertThat(Selection.ofDrawings(List.of("a", "b", "a")).drawings()).containsExactly("a", "b");
        assertThat(Selection.PLAN.drawings()).isEmpty();
        assertThat(Selection.PLAN.toggled(List.of("a"))).isEqualTo(new Selection.Drawing("a"));
        Selection two = Selection.ofDrawings(List.of("a", "b"));
        assertThat(two.toggled(List.of("b", "c")).drawings())
                .as("not all were there")
                .containsExactlyInAnyOrder("a", "b", "c");
        assertThat(two.toggled(List.of("a", "b"))).isEqualTo(Selection.NONE);
        assertThatThrownBy(() -> new Selection.Drawings(List.of("a"))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void pointsArePlacedAndTakenBackOneByOne() {
        ChartEdits edits = mock(ChartEdits.class);
        ChartGestures hands = new ChartGestures(chart, edits);
        hands.setTool(Tool.of("polyline"));
        assertThat(hands.placing().takeBack()).isFalse();
        hands.placing().put(anchor(240, 100));
        hands.placing().put(anchor(250, 101));
        assertThat(hands.placing().takeBack()).isTrue();
        assertThat(hands.placing().placed()).containsExactly(anchor(240, 100));
        hands.setTool(Tool.NONE);
        hands.placing().put(anchor(240, 100));
        assertThat(hands.placing().placed())
                .as("without a tool nothing is placed")
                .isEmpty();
        verify(edits, never()).draw(any(), any());
    }

    @Test
    void theRulesOfAWaveCountAreCheckedWhileItIsPlaced() {
        gestures.setTool(Tool.of("impulse"));
        for (Anchor point : List.of(anchor(240, 100), anchor(245, 105), anchor(250, 102), anchor(258, 110))) {
            gestures.placing().put(point);
        }
        double x = x(265);
        Drawing kept = gestures.placing().preview(x, chart.price().y(106)).orElseThrow();
        assertThat(chart.places().broken(kept)).isEmpty();
        Drawing broken = gestures.placing().preview(x, chart.price().y(104)).orElseThrow();
        assertThat(chart.places().broken(broken)).containsExactly("wave 4 enters the prices of wave 1");
    }
}
