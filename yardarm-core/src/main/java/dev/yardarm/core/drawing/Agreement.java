package dev.yardarm.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Prices at which levels of several drawings stand together. */
public final class Agreement {
    private Agreement() {}

    /** A level of a drawing. */
    public record Level(String drawing, double price) {}

    /**
     * A price several drawings share.
     *
     * @param price middle of the lowest and the highest of their levels there
     * @param count of drawings
     */
    public record Shared(double price, double low, double high, int count) {}

    /**
     * Where levels of two drawings or more lie within a tolerance. Levels are joined from the lowest on, as long as the
     * highest of them is no farther from the lowest than the tolerance; a drawing counts once.
     *
     * @param tolerance part of the price
     */
    public static List<Shared> of(List<Level> levels, double tolerance) {
        List<Level> sorted = new ArrayList<>(levels);
        sorted.sort(Comparator.comparingDouble(Level::price));
        List<Shared> found = new ArrayList<>();
        int first = 0;
        while (first < sorted.size()) {
            double lowest = sorted.get(first).price();
            int end = first;
            Set<String> drawings = new HashSet<>();
            while (end < sorted.size() && sorted.get(end).price() - lowest <= tolerance * Math.abs(lowest)) {
                drawings.add(sorted.get(end++).drawing());
            }
            if (drawings.size() > 1) {
                double highest = sorted.get(end - 1).price();
                found.add(new Shared((lowest + highest) / 2, lowest, highest, drawings.size()));
                first = end;
            } else {
                first++;
            }
        }
        return found;
    }
}
