package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Floor pivots. With H, L, C of the period before and R = H - L. classic: pivot = (H + L + C) / 3, r1 = 2 * pivot - L,
 * s1 = 2 * pivot - H, r2, s2 = pivot +- R, r3 = H + 2 * (pivot - L), s3 = L - 2 * (H - pivot). woodie: the same with
 * pivot = (H + L + 2 * C) / 4. camarilla: classic pivot; r1 ... r4 = C + R * 1.1 / 12, 6, 4, 2, s1 ... s4 = C - the
 * same. fibonacci: classic pivot; r1 ... r3, s1 ... s3 = pivot +- 0.382, 0.618, 1 * R. Missing in the first period.
 * O(1) a bar.
 */
public final class FloorPivots extends Declared {
    public FloorPivots() {
        super(Family.BANDS, "floor_pivots", "Floor pivots");
        also("pivot points", "pivots", "support and resistance", "camarilla", "woodie", "fibonacci");
        choice("method", "Method", "classic", "woodie", "camarilla", "fibonacci");
        choice("period", "Period", "session", "week", "month", "quarter", "year");
        output("pivot", "Pivot", Form.STEPS);
        output("r1", "Resistance 1", Form.STEPS);
        output("r2", "Resistance 2", Form.STEPS);
        output("r3", "Resistance 3", Form.STEPS);
        output("r4", "Resistance 4 (camarilla)", Form.STEPS);
        output("s1", "Support 1", Form.STEPS);
        output("s2", "Support 2", Form.STEPS);
        output("s3", "Support 3", Form.STEPS);
        output("s4", "Support 4 (camarilla)", Form.STEPS);
        help(
                "Levels for a session, week or month worked out from high, low and close of the one before.",
                "With H, L, C of the period before and R = H - L. classic: pivot = (H + L + C) / 3, r1 = 2 * "
                        + "pivot - L, s1 = 2 * pivot - H, r2, s2 = pivot +- R, r3 = H + 2 * (pivot - L), s3 = L - 2 "
                        + "* (H - pivot). woodie: the same with pivot = (H + L + 2 * C) / 4. camarilla: classic "
                        + "pivot; r1 ... r4 = C + R * 1.1 / 12, 6, 4, 2, s1 ... s4 = C - the same. fibonacci: "
                        + "classic pivot; r1 ... r3, s1 ... s3 = pivot +- 0.382, 0.618, 1 * R. Missing in the first "
                        + "period.",
                "Many watch the same levels: price often rests or turns at them, above all on quiet days.",
                "On a day of news they are passed without notice.",
                "In use on trading floors before there were screens; Woodie and Camarilla variants from the "
                        + "1980s and 1990s.");
    }

    @Override
    public void build(Recipe r) {
        String method = r.word("method");
        r.out(r.steps(
                "levels",
                0,
                PeriodReach.STATE,
                9,
                (in, state, out) -> {
                    PeriodReach.take(in, state);
                    levels(method, state, out);
                },
                r.period("period"),
                r.high(),
                r.low(),
                r.close()));
    }

    private static void levels(String method, double[] state, double[] out) {
        double high = state[PeriodReach.HIGH_BEFORE];
        double low = state[PeriodReach.LOW_BEFORE];
        double close = state[PeriodReach.CLOSE_BEFORE];
        double range = high - low;
        double pivot = method.equals("woodie") ? (high + low + 2 * close) / 4 : (high + low + close) / 3;
        out[0] = pivot;
        out[4] = Double.NaN;
        out[8] = Double.NaN;
        switch (method) {
            case "camarilla" -> {
                double[] parts = {12, 6, 4, 2};
                for (int level = 0; level < 4; level++) {
                    out[1 + level] = close + range * 1.1 / parts[level];
                    out[5 + level] = close - range * 1.1 / parts[level];
                }
            }
            case "fibonacci" -> {
                double[] parts = {0.382, 0.618, 1};
                for (int level = 0; level < 3; level++) {
                    out[1 + level] = pivot + range * parts[level];
                    out[5 + level] = pivot - range * parts[level];
                }
            }
            default -> {
                out[1] = 2 * pivot - low;
                out[2] = pivot + range;
                out[3] = high + 2 * (pivot - low);
                out[5] = 2 * pivot - high;
                out[6] = pivot - range;
                out[7] = low - 2 * (high - pivot);
            }
        }
    }
}
