package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The rule of a range with a false break over its five last swings, written for the upthrust; where the newest swing is a low it is that of
 * the spring, with the relations turned over.
 *
 * <p>Newest high 1 above high 3; high 3 within {@code alike} of high 5; high 5 above low 2; low 2 below low 4; the close below high 5 but
 * within {@code inside} of it, at most {@code recovery} bars after high 1. O(50) where a climax is asked for, else O(1).
 *
 * @param alike share of the price
 * @param inside share of the price
 * @param climax volume of the bar of swing 5 over the mean of the 50 bars before it; 0 for any
 * @param off how far that bar closes off its extreme, as a share of its range
 */
record RangeShape(double alike, double inside, int recovery, double climax, double off) {
    private static final int USUAL = 50;
    private static final List<String> SELLING =
            List.of("buying_climax", "automatic_reaction", "secondary_test", "sign_of_weakness", "upthrust");
    private static final List<String> BUYING =
            List.of("selling_climax", "automatic_rally", "secondary_test", "sign_of_strength", "spring");
    private static final Map<String, String> LETTERS = Map.of(
            "buying_climax", "BC",
            "selling_climax", "SC",
            "automatic_reaction", "AR",
            "automatic_rally", "AR",
            "secondary_test", "ST",
            "sign_of_weakness", "SOW",
            "sign_of_strength", "SOS",
            "upthrust", "UT",
            "spring", "spring");

    /** The letters of an event, as the schematics have them. */
    static String letters(String role) {
        return LETTERS.getOrDefault(role, role);
    }

    /**
     * The range that the last swings make with the close of a bar.
     *
     * @param turns the newest last, which may still move
     */
    Optional<Finding> of(List<Turn> turns, Bars bars, int bar) {
        if (turns.size() < 5) {
            return Optional.empty();
        }
        List<Turn> five = turns.subList(turns.size() - 5, turns.size());
        int sign = five.get(4).high() ? 1 : -1;
        double first = five.get(0).price();
        double fourth = five.get(1).price();
        double third = five.get(2).price();
        double second = five.get(3).price();
        double newest = five.get(4).price();
        double close = bars.close(bar);
        boolean fits = bar > five.get(4).bar()
                && bar - five.get(4).bar() <= recovery
                && sign * (newest - third) > 0
                && Math.abs(third - first) <= alike * Math.abs(first)
                && sign * (first - second) > 0
                && sign * (second - fourth) < 0
                && sign * (close - first) < 0
                && Math.abs(close - first) <= inside * Math.abs(first)
                && (climax == 0 || isClimax(bars, five.get(0)));
        if (!fits) {
            return Optional.empty();
        }
        List<String> roles = sign > 0 ? SELLING : BUYING;
        List<Finding.Point> points = new ArrayList<>();
        for (int each = 0; each < 5; each++) {
            points.add(five.get(each).as(roles.get(each)));
        }
        double beyond = Math.abs(newest - first);
        double height = Math.abs(first - second);
        return Optional.of(new Finding(
                sign > 0 ? "distribution" : "accumulation",
                points,
                Map.of("range", first, "border", second),
                second - sign * height,
                newest,
                // A false break that goes a little way says more than one that goes far.
                height / (height + beyond)));
    }

    /** Much volume, and a close well off the extreme. */
    private boolean isClimax(Bars bars, Turn turn) {
        int at = turn.bar();
        double sum = 0;
        int count = 0;
        for (int bar = Math.max(0, at - USUAL); bar < at; bar++) {
            if (bars.volume(bar) > 0) {
                sum += bars.volume(bar);
                count++;
            }
        }
        double range = bars.high(at) - bars.low(at);
        double away = turn.high() ? bars.high(at) - bars.close(at) : bars.close(at) - bars.low(at);
        return count > 0 && bars.volume(at) >= climax * sum / count && away >= off * range;
    }
}
