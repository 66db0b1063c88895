package dev.yardarm.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Two changes of the same drawings: nothing that either side did is lost. */
class DrawingMergeTest {
    private static Drawing level(String id, double price) {
        return new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(1, price)), 0);
    }

    private static final Drawing A = level("a", 1);
    private static final Drawing B = level("b", 2);
    private static final Drawing C = level("c", 3);
    private static final List<Drawing> BASE = List.of(A, B, C);

    @Test
    void whatOnlyOneSideDidIsTakenAsItIs() {
        List<Drawing> other = List.of(C, A);
        assertThat(DrawingMerge.merge(BASE, BASE, other)).isSameAs(other);
        assertThat(DrawingMerge.merge(BASE, other, BASE)).isSameAs(other);
        assertThat(DrawingMerge.merge(BASE, other, List.of(C, A))).isSameAs(other);
    }

    @Test
    void bothSidesStandNextToEachOther() {
        Drawing moved = level("b", 2.5);
        Drawing ours = level("ours", 8);
        Drawing theirs = level("theirs", 9);
        assertThat(DrawingMerge.merge(BASE, List.of(A, moved, C, ours), List.of(A, B, theirs)))
                .as("moved, added; added, removed")
                .containsExactly(A, moved, ours, theirs);
        assertThat(DrawingMerge.merge(BASE, List.of(A, C, ours), List.of(level("a", 1.5), B, C)))
                .as("removed, added; moved")
                .containsExactly(level("a", 1.5), C, ours);
    }

    @Test
    void whatBothChangedStandsTwice() {
        Drawing ours = level("b", 5);
        Drawing theirs = level("b", 6);
        List<Drawing> merged = DrawingMerge.merge(BASE, List.of(A, ours, C), List.of(A, theirs, C));
        assertThat(merged).containsExactly(A, ours, C, theirs.withId("b-2"));
        assertThat(DrawingMerge.merge(BASE, List.of(A, ours, C, level("b-2", 7)), List.of(A, theirs, C)))
                .as("the id is free")
                .contains(theirs.withId("b-3"))
                .hasSize(5);
    }

    @Test
    void whatOneSideTookAwayAndTheOtherChangedStays() {
        Drawing changed = level("b", 5);
        assertThat(DrawingMerge.merge(BASE, List.of(A, C), List.of(A, changed, level("c", 4))))
                .containsExactly(A, level("c", 4), changed);
        assertThat(DrawingMerge.merge(BASE, List.of(A, changed, C), List.of(level("a", 4), C)))
                .containsExactly(level("a", 4), changed, C);
    }

    @Test
    void everyChangeOfEitherSideIsThere() {
        Random random = new Random(11);
        for (int trial = 0; trial < 300; trial++) {
            List<Drawing> ours = changed(random, "o");
            List<Drawing> theirs = changed(random, "t");
            List<Drawing> merged = DrawingMerge.merge(BASE, ours, theirs);
            for (List<Drawing> side : List.of(ours, theirs)) {
                for (Drawing drawing : side) {
                    boolean isChange = !BASE.contains(drawing);
                    assertThat(!isChange
                                    || merged.stream()
                                            .anyMatch(each -> each.anchors().equals(drawing.anchors())))
                            .as(drawing + " of " + side + " in " + merged)
                            .isTrue();
                }
            }
            assertThat(merged.stream().map(Drawing::id).distinct()).hasSameSizeAs(merged);
        }
    }

    private static List<Drawing> changed(Random random, String name) {
        List<Drawing> all = new ArrayList<>();
        for (Drawing each : BASE) {
            int what = random.nextInt(3);
            if (what > 0) {
                all.add(what == 1 ? each : level(each.id(), random.nextInt(1000)));
            }
        }
        if (random.nextBoolean()) {
            all.add(level(name + random.nextInt(9), random.nextInt(1000)));
        }
        return all;
    }

    @Test
    void aChangeIsMadeAndTakenBackAmidOthers() {
        List<Drawing> after = List.of(A, level("b", 4), C);
        assertThat(DrawingMerge.apply(BASE, BASE, after)).isSameAs(after);
        assertThat(DrawingMerge.apply(after, after, BASE)).isSameAs(BASE);
        Drawing other = level("other", 9);
        List<Drawing> now = List.of(level("a", 7), level("b", 5), C, other);
        assertThat(DrawingMerge.apply(now, after, BASE))
                .as("taken back, though it went on since")
                .containsExactly(level("a", 7), B, C, other);
        assertThat(DrawingMerge.apply(List.of(A, level("b", 4)), after, BASE))
                .as("what was taken away elsewhere stays away")
                .containsExactly(A, B);
        assertThat(DrawingMerge.apply(List.of(A, C, other), List.of(A, C), BASE))
                .as("a removal taken back")
                .containsExactly(A, B, C, other);
        assertThat(DrawingMerge.apply(List.of(A, B, C, other), BASE, List.of(C, A, B)))
                .as("another order")
                .containsExactly(C, A, B, other);
    }
}
