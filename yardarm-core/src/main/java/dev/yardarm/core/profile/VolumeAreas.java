package dev.yardarm.core.profile;

import java.util.ArrayList;
import java.util.List;

/**
 * High and thin areas of a profile. Rows are smoothed over a fortieth of their number at either side, at least one; a run of rows with at least
 * two thirds of the most is a high area, a run with at most a quarter that has more than that on both sides is a thin one: price went
 * through it and met nobody. O(rows times the smoothing).
 */
public final class VolumeAreas {
    private static final double HIGH = 2 / 3.0;
    private static final double THIN = 0.25;
    private static final int PART = 40;
    /** Of fewer rows nothing can be said. */
    private static final int LEAST = 8;

    private VolumeAreas() {}

    /**
     * A run of rows.
     *
     * @param isHigh a high area; a thin one else
     * @param low its lowest row
     * @param high its highest row
     */
    public record Area(boolean isHigh, long low, long high) {}

    /** Those of a profile, from low to high; none of a profile with few rows. */
    public static List<Area> of(PriceRows rows) {
        List<Area> areas = new ArrayList<>();
        if (rows.isEmpty() || rows.highest() - rows.lowest() + 1 < LEAST) {
            return areas;
        }
        int count = (int) (rows.highest() - rows.lowest() + 1);
        double[] smooth = smoothed(rows, count);
        double most = 0;
        for (double each : smooth) {
            most = Math.max(most, each);
        }
        int row = 0;
        while (row < count) {
            int kind = kind(smooth[row], most);
            int end = row + 1;
            while (end < count && kind(smooth[end], most) == kind) {
                end++;
            }
            boolean isInside = row > 0 && end < count;
            if (kind > 0 || kind < 0 && isInside) {
                areas.add(new Area(kind > 0, rows.lowest() + row, rows.lowest() + end - 1));
            }
            row = end;
        }
        return areas;
    }

    private static int kind(double volume, double most) {
        return volume >= HIGH * most ? 1 : volume <= THIN * most ? -1 : 0;
    }

    private static double[] smoothed(PriceRows rows, int count) {
        int reach = Math.max(1, count / PART);
        double[] smooth = new double[count];
        for (int row = 0; row < count; row++) {
            double sum = 0;
            int of = 0;
            for (int near = Math.max(0, row - reach); near <= Math.min(count - 1, row + reach); near++) {
                sum += rows.volume(rows.lowest() + near);
                of++;
            }
            smooth[row] = sum / of;
        }
        return smooth;
    }
}
