package dev.yardarm.chart.model;

import dev.yardarm.core.source.EventMark;
import java.util.ArrayList;
import java.util.List;

/**
 * Where marks of events stand: in a row above the time axis, those that would overlap together in one.
 *
 * @param x middle of its box
 * @param y top of its box
 */
public record MarkPlace(double x, double y, List<EventMark> marks) {
    /** Width and height of a box. */
    public static final double SIZE = 14;

    /** The marks in view, from left to right. Cost: the marks in view, and a search among all. */
    public static List<MarkPlace> of(ChartModel chart) {
        List<MarkPlace> places = new ArrayList<>();
        List<EventMark> marks = chart.marks();
        if (chart.bars().isEmpty() || marks.isEmpty()) {
            return places;
        }
        long from = chart.axis().openTime(Math.max(0, chart.time().firstVisible()));
        int low = 0;
        int high = marks.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (marks.get(middle).time() < from) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        double y = chart.plotBottom() - SIZE - 1;
        List<EventMark> together = new ArrayList<>();
        double at = Double.NaN;
        for (int number = low; number < marks.size(); number++) {
            double x = chart.time().middle(chart.axis().bar(marks.get(number).time()));
            if (x > chart.plotRight() - SIZE / 2) {
                break;
            }
            if (!together.isEmpty() && x - at >= SIZE + 1) {
                places.add(new MarkPlace(at, y, List.copyOf(together)));
                together.clear();
            }
            if (together.isEmpty()) {
                at = x;
            }
            together.add(marks.get(number));
        }
        if (!together.isEmpty()) {
            places.add(new MarkPlace(at, y, List.copyOf(together)));
        }
        return places;
    }

    boolean covers(double pointX, double pointY) {
        return Math.abs(pointX - x) <= SIZE / 2 + 1 && pointY >= y - 1 && pointY <= y + SIZE + 1;
    }
}
