package dev.yardarm.chart.model;

import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import java.util.List;

/**
 * A finding of a detector layer, as it stands.
 *
 * @param layer id of the layer
 * @param number of the finding in its detector
 * @param finding what it consists of now
 * @param words what it is called
 * @param reading what it is called among rival readings; empty where it excludes no other
 * @param steps what became of it, in the order it became known; the last one is how it stands
 * @param parts what is painted of it, the first with its name
 */
public record Found(
        String layer,
        int number,
        Finding finding,
        String words,
        String reading,
        List<Step> steps,
        List<Figured> parts) {
    /**
     * Something that became of it.
     *
     * @param at the open of the bar at whose close it became known, microseconds UTC
     */
    public record Step(Finding.State state, long at) {}

    public Found {
        steps = List.copyOf(steps);
        parts = List.copyOf(parts);
    }

    /** The part with its name. */
    public Figured figured() {
        return parts.get(0);
    }

    /** Tells it apart on its chart, from drawings too. */
    public String id() {
        return layer + "/" + number;
    }

    /** How it stands. */
    public Finding.State state() {
        return steps.get(steps.size() - 1).state();
    }

    /** The open of the bar at whose close it stood as it does. */
    public long since() {
        return steps.get(steps.size() - 1).at();
    }

    /** True while later bars may take it back. */
    public boolean isProvisional() {
        return state() == Finding.State.PROVISIONAL;
    }
}
