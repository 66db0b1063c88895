package dev.yardarm.market.planted;

import java.util.List;

/**
 * The truth about a structure that was planted.
 *
 * @param kind of structure
 * @param points its turns as they came out, in the order of time
 * @param from the bar of its first turn
 * @param to the bar of its last turn
 * @param knowable the bar at whose close it was completed: the first close beyond what completes it
 */
public record Planted(String kind, List<Point> points, int from, int to, int knowable) {
    /** One of its turns. */
    public record Point(String role, int bar, double price) {}

    public Planted {
        points = List.copyOf(points);
    }
}
