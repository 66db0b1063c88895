package dev.yardarm.core.drawing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * Brings together two changes of the same drawings: what one side did stands next to what the other did, and nothing that
 * either added or changed is lost.
 */
public final class DrawingMerge {
    private DrawingMerge() {}

    /**
     * The drawings after both changes. A drawing only one side changed is as that side left it; one that both changed stands
     * twice, that of the other side under an id of its own; one that one side took away and the other changed stays. The
     * order is ours, with what the other side added at the end; with only one side changed it is that side exactly.
     *
     * @param base before either change
     */
    public static List<Drawing> merge(List<Drawing> base, List<Drawing> ours, List<Drawing> theirs) {
        if (ours.equals(base)) {
            return theirs;
        }
        if (theirs.equals(base) || theirs.equals(ours)) {
            return ours;
        }
        Map<String, Drawing> was = byId(base);
        Map<String, Drawing> other = byId(theirs);
        Set<String> taken = new LinkedHashSet<>(byId(ours).keySet());
        List<Drawing> merged = new ArrayList<>();
        List<Drawing> twins = new ArrayList<>();
        for (Drawing our : ours) {
            Drawing before = was.get(our.id());
            Drawing their = other.get(our.id());
            boolean weChanged = !our.equals(before);
            if (their == null) {
                if (before == null || weChanged) {
                    merged.add(our);
                }
            } else if (!weChanged) {
                merged.add(their);
            } else {
                merged.add(our);
                if (!their.equals(before) && !their.equals(our)) {
                    twins.add(their);
                }
            }
        }
        for (Drawing their : theirs) {
            boolean weTookAway = !taken.contains(their.id());
            if (weTookAway && !Objects.equals(their, was.get(their.id()))) {
                merged.add(their);
            }
        }
        taken.addAll(other.keySet());
        for (Drawing twin : twins) {
            int number = 2;
            while (!taken.add(twin.id() + "-" + number)) {
                number++;
            }
            merged.add(twin.withId(twin.id() + "-" + number));
        }
        return List.copyOf(merged);
    }

    /**
     * The drawings as they are now after a change from one state to another, which may have been long ago: what the change
     * is about becomes as it made it, everything else stays. When nothing else happened since, it is the other state exactly.
     */
    public static List<Drawing> apply(List<Drawing> now, List<Drawing> from, List<Drawing> to) {
        if (now.equals(from)) {
            return to;
        }
        Map<String, Drawing> was = byId(from);
        Map<String, Drawing> is = byId(now);
        List<Drawing> applied = new ArrayList<>();
        for (Drawing wanted : to) {
            Drawing there = is.get(wanted.id());
            boolean untouched = wanted.equals(was.get(wanted.id()));
            if (!untouched) {
                applied.add(wanted);
            } else if (there != null) {
                applied.add(there);
            }
        }
        Set<String> known = new LinkedHashSet<>(was.keySet());
        to.forEach(drawing -> known.add(drawing.id()));
        now.stream().filter(drawing -> !known.contains(drawing.id())).forEach(applied::add);
        return List.copyOf(applied);
    }

    private static Map<String, Drawing> byId(List<Drawing> drawings) {
        Map<String, Drawing> by = new LinkedHashMap<>();
        drawings.forEach(drawing -> by.put(drawing.id(), drawing));
        return by;
    }
}
