package dev.yardarm.core.structure;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Where several independent things agree on a price: levels, lines at the current bar, ratios, targets, of all timeframes. A zone is a
 * run of prices no wider than asked for in which marks of several sources lie; two marks of one source count once.
 *
 * <pre>{@code
 * AgreementMap map = AgreementMap.of(marks, 0.5 * range);
 * map.zones(3).forEach(zone -> tell(zone.words()));     // 3 agree: levels W, retracement, target of a pattern
 * }</pre>
 *
 * <p>Does not change. Cost: sorting the marks, and for the zones their number times those near each other.
 */
public final class AgreementMap {
    private final List<Mark> marks;
    private final double near;

    /**
     * A price that something says.
     *
     * @param source tells what says it from others; marks of one source are not independent
     * @param words what people call it
     */
    public record Mark(String source, String words, double price) {}

    /**
     * Prices several sources agree on.
     *
     * @param low lowest of its marks
     * @param high highest of its marks
     * @param marks from low to high
     */
    public record Zone(double low, double high, List<Mark> marks) {
        public Zone {
            marks = List.copyOf(marks);
        }

        /** The sources that agree, from the lowest price on. */
        public Set<String> sources() {
            Set<String> sources = new LinkedHashSet<>();
            marks.forEach(each -> sources.add(each.source()));
            return sources;
        }

        /** How many agree, and who, each by its mark of the lowest price: {@code 3 agree: level W, retracement 0.618, measured leg D}. */
        public String words() {
            Map<String, String> words = new LinkedHashMap<>();
            marks.forEach(each -> words.putIfAbsent(each.source(), each.words()));
            return words.size() + " agree: " + String.join(", ", words.values());
        }
    }

    private AgreementMap(List<Mark> marks, double near) {
        this.marks = marks;
        this.near = near;
    }

    /**
     * A map of these.
     *
     * @param near how far apart the outermost marks of a zone may lie, in price; above 0
     * @throws IllegalArgumentException when it is not above 0
     */
    public static AgreementMap of(List<Mark> marks, double near) {
        if (!(near > 0)) {
            throw new IllegalArgumentException("marks agree within a distance above 0, not " + near);
        }
        List<Mark> sorted = new ArrayList<>(marks);
        sorted.removeIf(each -> !Double.isFinite(each.price()));
        sorted.sort(Comparator.comparingDouble(Mark::price).thenComparing(Mark::source));
        return new AgreementMap(Collections.unmodifiableList(sorted), near);
    }

    /** How far apart the outermost marks of a zone may lie, in price. */
    public double reach() {
        return near;
    }

    /** All marks, from low to high. */
    public List<Mark> marks() {
        return marks;
    }

    /**
     * The zones of at least so many sources, those of most sources first, of equal ones the narrowest; none overlaps another.
     *
     * @param least from 1 on
     */
    public List<Zone> zones(int least) {
        List<Zone> candidates = new ArrayList<>();
        for (int first = 0; first < marks.size(); first++) {
            int last = first;
            while (last + 1 < marks.size()
                    && marks.get(last + 1).price() - marks.get(first).price() <= near) {
                last++;
            }
            Zone zone = new Zone(marks.get(first).price(), marks.get(last).price(), marks.subList(first, last + 1));
            if (zone.sources().size() >= least) {
                candidates.add(zone);
            }
        }
        candidates.sort(Comparator.comparingInt((Zone each) -> -each.sources().size())
                .thenComparingDouble(each -> each.high() - each.low())
                .thenComparingDouble(Zone::low));
        List<Zone> zones = new ArrayList<>();
        for (Zone each : candidates) {
            if (zones.stream().noneMatch(taken -> each.low() <= taken.high() && each.high() >= taken.low())) {
                zones.add(each);
            }
        }
        return List.copyOf(zones);
    }

    /** The marks within half the distance of agreement of a price, from low to high. Cost: a binary search, and they. */
    public List<Mark> near(double price) {
        int first = from(price - near / 2);
        int end = first;
        while (end < marks.size() && marks.get(end).price() <= price + near / 2) {
            end++;
        }
        return marks.subList(first, end);
    }

    /** How many sources lie within half the distance of agreement of a price. */
    public int density(double price) {
        List<Mark> there = near(price);
        if (there.size() < 2) {
            return there.size();
        }
        Set<String> sources = new LinkedHashSet<>();
        there.forEach(each -> sources.add(each.source()));
        return sources.size();
    }

    /** The first mark at a price or above it. */
    private int from(double price) {
        int low = 0;
        int high = marks.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (marks.get(middle).price() < price) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
