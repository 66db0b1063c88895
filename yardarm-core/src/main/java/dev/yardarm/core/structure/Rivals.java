package dev.yardarm.core.structure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Rival readings of the same prices, and what would decide between them: each price at which some end while others go on.
 *
 * <pre>{@code
 * new Rivals(readings).decisions(last);     // above 104.20: minor flat C ends, minute impulse 3 stands
 * }</pre>
 *
 * <p>Does not change. Cost: the square of the readings, of which there are a few.
 *
 * @param readings the best first
 */
public record Rivals(List<Reading> readings) {
    /**
     * One of them.
     *
     * @param words what it is called
     * @param score from 0 to 1
     * @param from nearer end of where it expects price to go
     * @param to farther end
     * @param invalidation the price beyond which it is none; NaN for none
     */
    public record Reading(String words, double score, double from, double to, double invalidation) {}

    /**
     * A price that decides.
     *
     * @param above true for a close above it, false for one below
     * @param ends what is over then
     * @param stand what goes on
     */
    public record Decision(double price, boolean above, List<String> ends, List<String> stand) {}

    public Rivals {
        readings = readings.stream()
                .sorted(Comparator.comparingDouble((Reading each) -> -each.score()))
                .toList();
    }

    /**
     * The prices above and below the last one at which readings end, the nearest first. A reading that the last price has left already
     * decides nothing any more.
     */
    public List<Decision> decisions(double last) {
        List<Decision> decisions = new ArrayList<>();
        for (Reading each : readings) {
            double price = each.invalidation();
            boolean known = decisions.stream().anyMatch(other -> other.price() == price);
            if (Double.isNaN(price) || price == last || known) {
                continue;
            }
            boolean above = price > last;
            List<String> ends = new ArrayList<>();
            List<String> stand = new ArrayList<>();
            for (Reading other : readings) {
                double its = other.invalidation();
                boolean over = above ? its > last && its <= price : its < last && its >= price;
                (over ? ends : stand).add(other.words());
            }
            decisions.add(new Decision(price, above, ends, stand));
        }
        decisions.sort(Comparator.comparingDouble(each -> Math.abs(each.price() - last)));
        return decisions;
    }
}
