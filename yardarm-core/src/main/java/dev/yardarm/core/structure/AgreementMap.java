package dev.yardarm.core.structure;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
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
     * @param source what says it; marks of one source are not independent
     * @param words what it is called
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

        /** How many agree, and who: {@code 3 agree: levels W, retracement, targets}. */
        public String words() {
            return sources().size() + " agree: " + String.join(", ", sources());
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

    /**
     * How many sources lie near each of so many prices, evenly from one to another.
     *
     * @param cells at least 1
     */
    public int[] density(double low, double high, int cells) {
        int[] density = new int[cells];
        double step = (high - low) / cells;
        Set<String> sources = new LinkedHashSet<>();
        for (int cell = 0; cell < cells; cell++) {
            double middle = low + (cell + 0.5) * step;
            sources.clear();
            for (int at = from(middle - near / 2);
                    at < marks.size() && marks.get(at).price() <= middle + near / 2;
                    at++) {
                sources.add(marks.get(at).source());
            }
            density[cell] = sources.size();
        }
        return density;
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
