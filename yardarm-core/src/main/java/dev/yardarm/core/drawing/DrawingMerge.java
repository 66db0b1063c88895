package dev.yardarm.core.drawing;

import dev.yardarm.core.merge.KeyedMerge;
import java.util.List;

/** Brings together two changes of the same drawings, told apart by their ids; see {@link KeyedMerge}. */
public final class DrawingMerge {
    private static final KeyedMerge<String, Drawing> MERGE = new KeyedMerge<>(Drawing::id, (drawing, isTaken) -> {
        int number = 2;
        while (isTaken.test(drawing.id() + "-" + number)) {
            number++;
        }
        return drawing.withId(drawing.id() + "-" + number);
    });

    private DrawingMerge() {}

    /**
     * The drawings after both changes.
     *
     * @param base before either change
     */
    public static List<Drawing> merge(List<Drawing> base, List<Drawing> ours, List<Drawing> theirs) {
        return MERGE.merge(base, ours, theirs);
    }

    /** The drawings as they are now after a change from one state to another, which may have been long ago. */
    public static List<Drawing> apply(List<Drawing> now, List<Drawing> from, List<Drawing> to) {
        return MERGE.apply(now, from, to);
    }
}
