package dev.yardarm.core.profile;

import java.util.function.LongToDoubleFunction;

/**
 * The point of control of a profile, its row with the most volume, and the value area around it.
 *
 * <p>Of rows with equal volume the one nearest to the middle of the profile is the point of control, of equally near ones the lower. From
 * there the area grows by two rows at a time: the two next ones above or the two next ones below, whichever have more together, the
 * upper ones when they have as much; at an end of the profile by what is left there; until it has the share of all volume that is asked
 * for. After the Chicago Board of Trade, Market Profile (1985), and James F. Dalton, Mind over Markets (1990), appendix.
 *
 * <p>Cost: O(rows).
 *
 * @param control row of the point of control
 * @param low lowest row of the area
 * @param high highest row
 */
public record ValueArea(long control, long low, long high) {
    /** So much of all volume is the usual area. */
    public static final double USUAL = 0.7;

    /**
     * The one of some rows.
     *
     * @param lowest row
     * @param highest row, not below the lowest
     * @param volume of a row
     * @param share of all volume, above 0 to 1
     * @throws IllegalArgumentException for another share
     */
    public static ValueArea of(long lowest, long highest, LongToDoubleFunction volume, double share) {
        if (!(share > 0 && share <= 1)) {
            throw new IllegalArgumentException(
                    "a value area is a share above 0 % and up to 100 %, not " + 100 * share + " %");
        }
        double total = 0;
        long control = lowest;
        double most = Double.NEGATIVE_INFINITY;
        double middle = (lowest + highest) / 2.0;
        for (long row = lowest; row <= highest; row++) {
            double here = volume.applyAsDouble(row);
            total += here;
            if (here > most || here == most && Math.abs(row - middle) < Math.abs(control - middle)) {
                most = here;
                control = row;
            }
        }
        double wanted = share * total;
        double sum = most;
        long low = control;
        long high = control;
        while (sum < wanted && (low > lowest || high < highest)) {
            double above = two(high + 1, Math.min(highest, high + 2), volume);
            double below = two(Math.max(lowest, low - 2), low - 1, volume);
            boolean up = low == lowest || high < highest && above >= below;
            sum += up ? above : below;
            high = up ? Math.min(highest, high + 2) : high;
            low = up ? low : Math.max(lowest, low - 2);
        }
        return new ValueArea(control, low, high);
    }

    private static double two(long from, long to, LongToDoubleFunction volume) {
        double sum = 0;
        for (long row = from; row <= to; row++) {
            sum += volume.applyAsDouble(row);
        }
        return sum;
    }
}
