package dev.yardarm.core.profile;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;

/**
 * The levels of spans that are over, by price, until something is traded in their row. O(log levels) a bar that reaches none. One thread.
 */
final class UntouchedLevels {
    private final TreeMap<Double, List<UntouchedLevel>> byPrice = new TreeMap<>();

    /** Takes in the levels of a span that has ended. */
    void add(PriceRows rows, ValueArea area, long since) {
        add(new UntouchedLevel(UntouchedLevel.Kind.CONTROL, rows.price(area.control()), since));
        add(new UntouchedLevel(UntouchedLevel.Kind.VALUE_HIGH, rows.price(area.high()), since));
        add(new UntouchedLevel(UntouchedLevel.Kind.VALUE_LOW, rows.price(area.low()), since));
    }

    private void add(UntouchedLevel level) {
        byPrice.computeIfAbsent(level.price(), missing -> new ArrayList<>(3)).add(level);
    }

    /**
     * Takes away what a bar reaches.
     *
     * @param row height of a row, in price
     * @param isTraded whether something was traded in the row that begins at a price; asked only of those the bar's range covers
     */
    void reach(double low, double high, double row, Predicate<Double> isTraded) {
        byPrice.subMap(low - row, false, high, true).keySet().removeIf(isTraded);
    }

    /** All of them, from low to high. */
    List<UntouchedLevel> all() {
        List<UntouchedLevel> all = new ArrayList<>();
        byPrice.values().forEach(all::addAll);
        return all;
    }

    /** Those a bar leaves, from low to high; asked as {@link #reach} is. */
    List<UntouchedLevel> outside(double low, double high, double row, Predicate<Double> isTraded) {
        List<UntouchedLevel> left = new ArrayList<>();
        byPrice.forEach((price, levels) -> {
            if (price <= low - row || price > high || !isTraded.test(price)) {
                left.addAll(levels);
            }
        });
        return left;
    }

    /** The nearest point of control above a price; missing when there is none. */
    double controlAbove(double price) {
        return control(byPrice.tailMap(price, false));
    }

    /** The nearest point of control below a price. */
    double controlBelow(double price) {
        return control(byPrice.headMap(price, false).descendingMap());
    }

    private static double control(Map<Double, List<UntouchedLevel>> nearest) {
        for (Map.Entry<Double, List<UntouchedLevel>> each : nearest.entrySet()) {
            for (UntouchedLevel level : each.getValue()) {
                if (level.kind() == UntouchedLevel.Kind.CONTROL) {
                    return each.getKey();
                }
            }
        }
        return Double.NaN;
    }
}
