package dev.yardarm.chart.board;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Divides a rectangle into tiles whose areas are as their weights and whose sides are as equal as they can be made: rows along the shorter side,
 * each taking in tiles as long as its worst ratio of sides gets better (Mark Bruls, Kees Huizing and Jarke van Wijk, Squarified Treemaps, 2000).
 * Cost: O(n log n) for sorting, O(n) for the rows.
 */
public final class TileLayout {
    private TileLayout() {}

    /** A rectangle, in pixels. */
    public record Tile(double x, double y, double width, double height) {
        /** True when a point lies in it. */
        public boolean holds(double px, double py) {
            return px >= x && px < x + width && py >= y && py < y + height;
        }

        /** The same without a margin on each side, never smaller than nothing. */
        public Tile inside(double margin, double top) {
            return new Tile(
                    x + margin,
                    y + margin + top,
                    Math.max(0, width - 2 * margin),
                    Math.max(0, height - 2 * margin - top));
        }
    }

    /**
     * The tiles of weights.
     *
     * @param weights none below zero; what has none gets a tile without area
     * @return one for each weight, in their order
     */
    public static List<Tile> of(double[] weights, Tile room) {
        List<Integer> order = new ArrayList<>();
        double sum = 0;
        for (int at = 0; at < weights.length; at++) {
            if (!(weights[at] >= 0) || Double.isInfinite(weights[at])) {
                throw new IllegalArgumentException("a weight is not below zero, not " + weights[at]);
            }
            order.add(at);
            sum += weights[at];
        }
        order.sort(Comparator.comparingDouble(at -> -weights[at]));
        Tile[] tiles = new Tile[weights.length];
        double scale = sum > 0 ? room.width() * room.height() / sum : 0;
        Tile left = room;
        int from = 0;
        while (from < order.size()) {
            double side = Math.min(left.width(), left.height());
            int upTo = from;
            double area = 0;
            double worst = Double.POSITIVE_INFINITY;
            while (upTo < order.size()) {
                double more = area + weights[order.get(upTo)] * scale;
                double ratio = worst(weights[order.get(from)] * scale, weights[order.get(upTo)] * scale, more, side);
                if (upTo > from && ratio > worst) {
                    break;
                }
                worst = ratio;
                area = more;
                upTo++;
            }
            left = row(order.subList(from, upTo), weights, scale, area, left, tiles);
            from = upTo;
        }
        return List.of(tiles);
    }

    /** The worst ratio of sides in a row: that of its largest or of its smallest tile. */
    private static double worst(double largest, double smallest, double area, double side) {
        if (area == 0 || smallest == 0) {
            return Double.POSITIVE_INFINITY;
        }
        double square = side * side;
        return Math.max(square * largest / (area * area), area * area / (square * smallest));
    }

    private static Tile row(List<Integer> row, double[] weights, double scale, double area, Tile left, Tile[] tiles) {
        boolean upright = left.width() >= left.height();
        double side = upright ? left.height() : left.width();
        double thickness = side > 0 ? Math.min(area / side, upright ? left.width() : left.height()) : 0;
        double at = 0;
        for (int number : row) {
            double length = area > 0 ? side * weights[number] * scale / area : 0;
            tiles[number] = upright
                    ? new Tile(left.x(), left.y() + at, thickness, length)
                    : new Tile(left.x() + at, left.y(), length, thickness);
            at += length;
        }
        return upright
                ? new Tile(left.x() + thickness, left.y(), left.width() - thickness, left.height())
                : new Tile(left.x(), left.y() + thickness, left.width(), left.height() - thickness);
    }
}
