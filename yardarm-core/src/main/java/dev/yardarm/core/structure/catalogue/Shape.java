package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.List;
import java.util.Map;

/**
 * A pattern whose touch points are there: it waits between two edges. Beyond one that completes it, it is confirmed and has a target
 * as far from that edge as it is high; beyond one that voids it, or when its time is over, it was nothing. Confirmed, it is reached at
 * its target, failed by a close beyond the price that voids it, and expired when neither came in three times its length.
 *
 * <p>O(1) a bar.
 */
final class Shape {
    private static final int PATIENCE = 3;

    private final String kind;
    private final Edge upper;
    private final Edge lower;
    private final double height;
    private final double margin;
    private List<Turn> turns;
    private List<Finding.Point> points;
    private double score;
    private int until;
    private int number = -1;
    /** 1 completed upwards, -1 downwards, 0 while it waits. */
    private int direction;

    private double target = Double.NaN;
    private double invalidation = Double.NaN;

    /**
     * One of its borders.
     *
     * @param name of the line in its finding
     * @param completes true when a close beyond it completes the pattern, false when that voids it
     */
    record Edge(String name, Line line, boolean completes) {}

    /**
     * @param turns it rests on, the oldest first
     * @param points of its finding
     * @param height from the edge that is broken to the target
     * @param margin how far beyond an edge is beyond it
     * @param until the last bar at which it may be completed
     */
    Shape(
            String kind,
            List<Turn> turns,
            List<Finding.Point> points,
            Edge upper,
            Edge lower,
            double height,
            double margin,
            int until,
            double score) {
        this.kind = kind;
        this.turns = turns;
        this.points = points;
        this.upper = upper;
        this.lower = lower;
        this.height = height;
        this.margin = margin;
        this.until = until;
        this.score = Math.max(0, Math.min(1, score));
    }

    Shape(Shape other) {
        this(
                other.kind,
                other.turns,
                other.points,
                other.upper,
                other.lower,
                other.height,
                other.margin,
                other.until,
                other.score);
        number = other.number;
        direction = other.direction;
        target = other.target;
        invalidation = other.invalidation;
    }

    String kind() {
        return kind;
    }

    int from() {
        return turns.get(0).bar();
    }

    int to() {
        return turns.get(turns.size() - 1).bar();
    }

    boolean isWaiting() {
        return direction == 0;
    }

    /** True when both are the same pattern: of one kind, over the same bars for the most part. */
    boolean isLike(Shape other) {
        int shared = Math.min(to(), other.to()) - Math.max(from(), other.from());
        int shorter = Math.min(to() - from(), other.to() - other.from());
        return kind.equals(other.kind) && 2 * shared >= shorter;
    }

    /** How many turns both rest on. */
    long shared(Shape other) {
        return turns.stream().filter(other.turns::contains).count();
    }

    /** True when it was completed, whatever came of it. */
    boolean isCompleted() {
        return direction != 0;
    }

    /** Takes the place of one that waits and of which it is the same pattern with a turn more. */
    void grownFrom(Shape before, FindingLog log, int bar) {
        number = before.number;
        log.changed(number, finding(to()), bar);
    }

    /** Notes it as provisional. */
    void found(FindingLog log, int bar) {
        number = log.found(finding(to()), bar);
    }

    /** It was nothing, as when a larger one takes its place. */
    void isVoid(FindingLog log, int bar) {
        log.become(number, Finding.State.VOID, bar);
    }

    private Finding finding(int bar) {
        boolean both = upper.completes() && lower.completes();
        double to = direction != 0 ? target : both ? Double.NaN : goal(upper.completes() ? 1 : -1, bar);
        double voided = direction != 0
                ? invalidation
                : both ? Double.NaN : (upper.completes() ? lower : upper).line().at(bar);
        return new Finding(
                kind,
                points,
                Map.of(
                        upper.name(),
                        upper.line().at(bar),
                        lower.name(),
                        lower.line().at(bar)),
                to,
                voided,
                score);
    }

    private double goal(int way, int bar) {
        return way > 0 ? upper.line().at(bar) + height : lower.line().at(bar) - height;
    }

    /**
     * A bar has closed.
     *
     * @param byReach true when trading beyond an edge is enough, without a close there
     * @return true when nothing more can come of it
     */
    boolean take(Bars bars, int bar, boolean byReach, FindingLog log) {
        return direction == 0 ? wait(bars, bar, byReach, log) : follow(bars, bar, log);
    }

    private boolean wait(Bars bars, int bar, boolean byReach, FindingLog log) {
        double close = bars.close(bar);
        double up = byReach && upper.completes() ? bars.high(bar) : close;
        double down = byReach && lower.completes() ? bars.low(bar) : close;
        boolean above = up > upper.line().at(bar) + margin;
        boolean below = down < lower.line().at(bar) - margin;
        if (above && below) {
            // Both at once on one bar: where it closed decides.
            above = close > (upper.line().at(bar) + lower.line().at(bar)) / 2;
            below = !above;
        }
        if (!above && !below && bar <= until) {
            return false;
        }
        Edge broken = above ? upper : lower;
        if (!above && !below || !broken.completes()) {
            isVoid(log, bar);
            return true;
        }
        direction = above ? 1 : -1;
        target = goal(direction, bar);
        invalidation = (above ? lower : upper).line().at(bar);
        until = bar + PATIENCE * Math.max(1, to() - from());
        log.changed(number, finding(bar), bar);
        log.become(number, Finding.State.CONFIRMED, bar);
        return false;
    }

    private boolean follow(Bars bars, int bar, FindingLog log) {
        boolean up = direction > 0;
        boolean reached = up ? bars.high(bar) >= target : bars.low(bar) <= target;
        boolean failed = up ? bars.close(bar) < invalidation : bars.close(bar) > invalidation;
        if (!reached && !failed && bar <= until) {
            return false;
        }
        log.become(
                number, reached ? Finding.State.REACHED : failed ? Finding.State.FAILED : Finding.State.EXPIRED, bar);
        return true;
    }
}
