package dev.yardarm.core.structure;

import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * One thing a detector found, as it stood at some bar. Immutable.
 *
 * @param kind what it is, such as {@code double_bottom}
 * @param points in the order of their times, each with its role
 * @param lines prices of its lines by name, such as {@code neckline}
 * @param target the price it points to; NaN for none
 * @param invalidation the price beyond which it is none; NaN for none
 * @param score from 0 to 1, how well it fits
 */
public record Finding(
        String kind, List<Point> points, Map<String, Double> lines, double target, double invalidation, double score) {
    /**
     * A point of it.
     *
     * @param role such as {@code first_low}
     * @param time open of the bar it is on, microseconds UTC
     */
    public record Point(String role, long time, double price) {
        public Point {
            Objects.requireNonNull(role);
        }
    }

    /**
     * What findings of one point have in common, for detectors that find one on every other bar: a {@linkplain FindingLog log} keeps
     * their numbers in columns and makes a finding of them when somebody reads it.
     *
     * @param role of the point
     */
    public record Spot(String kind, String role, double score) {
        public Spot {
            Objects.requireNonNull(kind);
            Objects.requireNonNull(role);
        }

        Finding at(long time, double price, double target) {
            return new Finding(kind, List.of(new Point(role, time, price)), Map.of(), target, Double.NaN, score);
        }
    }

    /** What has become of it. */
    public enum State {
        /** Found, but later bars may take it back. */
        PROVISIONAL,
        /** Settled: what it consists of does not change any more. */
        CONFIRMED,
        REACHED,
        FAILED,
        BROKEN,
        FILLED,
        RETESTED,
        EXPIRED,
        /** It was provisional and turned out to be nothing. */
        VOID;

        /** True when nothing more can come of it. */
        public boolean isEnd() {
            return this == REACHED || this == FAILED || this == FILLED || this == EXPIRED || this == VOID;
        }
    }

    public Finding {
        Objects.requireNonNull(kind);
        points = List.copyOf(points);
        lines = Map.copyOf(lines);
        if (points.isEmpty()) {
            throw new IllegalArgumentException("a finding has a point at least");
        }
        if (!(score >= 0 && score <= 1)) {
            throw new IllegalArgumentException("the score of a finding is from 0 to 1, not " + score);
        }
    }

    /** Time of its first point. */
    public long from() {
        return points.get(0).time();
    }

    /** Time of its last point. */
    public long to() {
        return points.get(points.size() - 1).time();
    }
}
