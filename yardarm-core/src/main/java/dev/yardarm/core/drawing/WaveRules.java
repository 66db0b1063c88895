package dev.yardarm.core.drawing;

import java.util.ArrayList;
import java.util.List;

/**
 * The published rules of wave counts, after R. N. Elliott in the wording of A. J. Frost and R. R. Prechter (Elliott Wave
 * Principle, 1978). Prices are those of the start and of the end of each wave; a count may be unfinished, then only what is
 * there is checked. Each problem is a sentence.
 */
public final class WaveRules {
    /** How much of the first wave of a flat the second gives back at least. */
    private static final double FLAT = 0.9;

    private WaveRules() {}

    /** Five waves with the trend: 2 keeps within 1, 3 goes beyond 1 and is not the shortest, 4 keeps out of 1. */
    public static List<String> impulse(double... prices) {
        List<String> broken = turns(prices, "1", "2", "3", "4", "5");
        double[] p = upward(prices);
        if (p.length > 2 && p[2] < p[0]) {
            broken.add("wave 2 goes beyond the start of wave 1");
        }
        if (p.length > 3 && p[3] <= p[1]) {
            broken.add("wave 3 does not go beyond the end of wave 1");
        }
        if (p.length > 4 && p[4] < p[1]) {
            broken.add("wave 4 enters the prices of wave 1");
        }
        if (p.length > 5 && p[3] - p[2] < p[1] - p[0] && p[3] - p[2] < p[5] - p[4]) {
            broken.add("wave 3 is the shortest of 1, 3 and 5");
        }
        return broken;
    }

    /** Three waves against the trend: B keeps within A, C goes beyond A. */
    public static List<String> zigzag(double... prices) {
        List<String> broken = turns(prices, "A", "B", "C");
        double[] p = upward(prices);
        if (p.length > 2 && p[2] < p[0]) {
            broken.add("wave B goes beyond the start of wave A");
        }
        if (p.length > 3 && p[3] <= p[1]) {
            broken.add("wave C does not go beyond the end of wave A");
        }
        return broken;
    }

    /** Three waves sideways: B gives back nine tenths of A at least. */
    public static List<String> flat(double... prices) {
        List<String> broken = turns(prices, "A", "B", "C");
        double[] p = upward(prices);
        if (p.length > 2 && p[1] - p[2] < FLAT * (p[1] - p[0])) {
            broken.add("wave B gives back less than nine tenths of wave A");
        }
        return broken;
    }

    /** Five waves that contract, or all expand: no wave ends beyond the end of the one before the last, or each does. */
    public static List<String> triangle(double... prices) {
        List<String> broken = turns(prices, "A", "B", "C", "D", "E");
        double[] p = upward(prices);
        String[] names = {"A", "B", "C", "D", "E"};
        boolean expands = p.length > 3 && p[3] > p[1];
        for (int end = 3; end < p.length; end++) {
            boolean beyond = end % 2 == 1 ? p[end] > p[end - 2] : p[end] < p[end - 2];
            if (beyond != expands) {
                broken.add("wave " + names[end - 1]
                        + (expands ? " does not go beyond the end of wave " : " goes beyond the end of wave ")
                        + names[end - 3]);
            }
        }
        return broken;
    }

    /** Two corrections joined by a third wave: it goes against both. */
    public static List<String> combination(double... prices) {
        return turns(prices, "W", "X", "Y");
    }

    /** Each wave goes the other way than the one before. */
    private static List<String> turns(double[] prices, String... names) {
        List<String> broken = new ArrayList<>();
        for (int end = 2; end < prices.length; end++) {
            double before = prices[end - 1] - prices[end - 2];
            if ((prices[end] - prices[end - 1]) * before >= 0) {
                broken.add("wave " + names[end - 1] + " does not turn against wave " + names[end - 2]);
            }
        }
        return broken;
    }

    /** The prices with the first wave upward. */
    private static double[] upward(double[] prices) {
        double[] up = prices.clone();
        if (prices.length > 1 && prices[1] < prices[0]) {
            for (int at = 0; at < up.length; at++) {
                up[at] = -up[at];
            }
        }
        return up;
    }
}
