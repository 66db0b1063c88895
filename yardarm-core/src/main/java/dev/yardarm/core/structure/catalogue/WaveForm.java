package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.drawing.WaveRules;
import java.util.List;
import java.util.Locale;

/**
 * The forms that waves take: how many they have, which rules they keep, and the guidelines by which counts are ranked. Prices are those of
 * the start and of the end of each wave so far, the last of which is still under way; they are raised, so that the first wave goes up.
 *
 * <p>Rules and guidelines: A. J. Frost, Robert R. Prechter, Elliott Wave Principle (1978); the bounds of the ratios stand beside each.
 */
enum WaveForm {
    IMPULSE("impulse", List.of("1", "2", "3", "4", "5")) {
        @Override
        boolean keepsRules(double[] p) {
            return !(p.length > 2 && p[2] < p[0])
                    && !(p.length > 3 && p[3] <= p[1])
                    && !(p.length > 4 && p[4] < p[1])
                    && !(p.length > 5 && p[3] - p[2] < p[1] - p[0] && p[3] - p[2] < p[5] - p[4]);
        }

        @Override
        double fit(double[] p, int[] bars) {
            Guidelines keeps = new Guidelines();
            double first = p[1] - p[0];
            double second = (p[1] - p[2]) / first;
            keeps.between(second, 0.5, 0.786);
            if (p.length > 3) {
                keeps.between((p[3] - p[2]) / first, 1, 2.618);
            }
            if (p.length > 4) {
                double fourth = (p[3] - p[4]) / (p[3] - p[2]);
                keeps.between(fourth, 0.236, 0.382);
                keeps.add(fourth <= 0.5);
                // One of the corrections is deep or quick, the other shallow or slow.
                double longer = (double) Math.max(bars[2] - bars[1], bars[4] - bars[3])
                        / Math.max(1, Math.min(bars[2] - bars[1], bars[4] - bars[3]));
                keeps.add(Math.abs(second - fourth) >= 0.15 || longer >= 1.5);
            }
            if (p.length > 5) {
                keeps.between((p[5] - p[4]) / first, 0.618, 1.618);
            }
            return keeps.part();
        }

        @Override
        double[] target(double[] p) {
            double first = p[1] - p[0];
            return switch (p.length) {
                case 3 -> new double[] {p[2] + first, p[2] + 1.618 * first};
                case 4 -> new double[] {p[3] - 0.382 * (p[3] - p[2]), p[3] - 0.236 * (p[3] - p[2])};
                case 5 -> new double[] {p[4] + 0.618 * first, p[4] + first};
                default -> new double[] {p[4], p[5] - 0.382 * (p[5] - p[0])};
            };
        }

        @Override
        double invalidation(double[] p) {
            return switch (p.length) {
                case 3 -> p[0];
                case 4 -> p[2];
                case 5 -> p[1];
                default -> p[4];
            };
        }
    },

    ZIGZAG("zigzag", List.of("A", "B", "C")) {
        @Override
        boolean keepsRules(double[] p) {
            return !(p.length > 2 && p[2] < p[0]) && !(p.length > 3 && p[3] <= p[1]);
        }

        @Override
        double fit(double[] p, int[] bars) {
            Guidelines keeps = new Guidelines();
            keeps.between((p[1] - p[2]) / (p[1] - p[0]), 0.382, 0.786);
            if (p.length > 3) {
                keeps.between((p[3] - p[2]) / (p[1] - p[0]), 0.618, 1.618);
            }
            return keeps.part();
        }

        @Override
        double[] target(double[] p) {
            return p.length == 3
                    ? new double[] {p[2] + (p[1] - p[0]), p[2] + 1.618 * (p[1] - p[0])}
                    : new double[] {p[0], p[3] - 0.618 * (p[3] - p[0])};
        }

        @Override
        double invalidation(double[] p) {
            return p.length == 3 ? p[0] : p[2];
        }
    },

    FLAT("flat", List.of("A", "B", "C")) {
        @Override
        boolean keepsRules(double[] p) {
            return !(p.length > 2 && p[1] - p[2] < 0.9 * (p[1] - p[0]));
        }

        @Override
        double fit(double[] p, int[] bars) {
            Guidelines keeps = new Guidelines();
            keeps.between((p[1] - p[2]) / (p[1] - p[0]), 1, 1.38);
            if (p.length > 3) {
                keeps.between((p[3] - p[2]) / (p[1] - p[0]), 1, 1.618);
            }
            return keeps.part();
        }

        @Override
        double[] target(double[] p) {
            return p.length == 3
                    ? new double[] {p[1], p[2] + 1.618 * (p[1] - p[0])}
                    : new double[] {p[2], p[3] - 0.618 * (p[3] - p[2])};
        }

        @Override
        double invalidation(double[] p) {
            return p.length == 3 ? p[0] - 0.382 * (p[1] - p[0]) : p[2];
        }
    },

    TRIANGLE("triangle", List.of("A", "B", "C", "D", "E")) {
        @Override
        boolean keepsRules(double[] p) {
            boolean expands = p.length > 3 && p[3] > p[1];
            for (int end = 3; end < p.length; end++) {
                boolean beyond = end % 2 == 1 ? p[end] > p[end - 2] : p[end] < p[end - 2];
                if (beyond != expands) {
                    return false;
                }
            }
            return true;
        }

        @Override
        double fit(double[] p, int[] bars) {
            Guidelines keeps = new Guidelines();
            for (int end = 2; end < p.length; end++) {
                double part = Math.abs((p[end] - p[end - 1]) / (p[end - 1] - p[end - 2]));
                keeps.between(part, 0.5, 0.9);
            }
            return keeps.part();
        }

        @Override
        double[] target(double[] p) {
            int last = p.length - 1;
            return p.length == 6
                    ? new double[] {p[4] - (p[1] - p[2]), p[4]}
                    : new double[] {p[last - 1], p[last] + 0.618 * (p[last - 1] - p[last])};
        }

        @Override
        double invalidation(double[] p) {
            return p[p.length - 3];
        }
    },

    COMBINATION("combination", List.of("W", "X", "Y")) {
        @Override
        boolean keepsRules(double[] p) {
            return true;
        }

        @Override
        double fit(double[] p, int[] bars) {
            Guidelines keeps = new Guidelines();
            keeps.between((p[1] - p[2]) / (p[1] - p[0]), 0.382, 0.9);
            if (p.length > 3) {
                keeps.between((p[3] - p[2]) / (p[1] - p[0]), 1, 1.236);
            }
            return keeps.part();
        }

        @Override
        double[] target(double[] p) {
            return p.length == 3
                    ? new double[] {p[2] + (p[1] - p[0]), p[2] + 1.236 * (p[1] - p[0])}
                    : new double[] {p[0], p[3] - 0.618 * (p[3] - p[0])};
        }

        @Override
        double invalidation(double[] p) {
            return p.length == 3 ? p[0] : p[2];
        }
    };

    private final String kind;
    private final List<String> waves;

    WaveForm(String kind, List<String> waves) {
        this.kind = kind;
        this.waves = waves;
    }

    /** How many of the guidelines that can be asked a count keeps. */
    private static final class Guidelines {
        private int asked;
        private int kept;

        void add(boolean holds) {
            asked++;
            kept += holds ? 1 : 0;
        }

        void between(double value, double least, double most) {
            add(value >= least && value <= most);
        }

        double part() {
            return asked == 0 ? 0 : (double) kept / asked;
        }
    }

    /** The one of a kind. */
    static WaveForm of(String kind) {
        return valueOf(kind.toUpperCase(Locale.ROOT));
    }

    String kind() {
        return kind;
    }

    /** The names of its waves. */
    List<String> waves() {
        return waves;
    }

    /**
     * True when no rule is broken: what {@link WaveRules} says of the same prices, without its sentences. Swings turn by themselves, which is
     * not asked again.
     *
     * @param p prices, raised
     */
    abstract boolean keepsRules(double[] p);

    /**
     * The share of the guidelines that hold.
     *
     * @param p prices, raised
     * @param bars of the ends
     */
    abstract double fit(double[] p, int[] bars);

    /** Where the wave under way, or what follows the last one, may end: two prices, raised. */
    abstract double[] target(double[] p);

    /** The price, raised, beyond which the count is none. */
    abstract double invalidation(double[] p);
}
