package dev.yardarm.core.scan;

import dev.yardarm.core.formula.Rule;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which of the statements of a rule decided. In a group of which all must hold it is the one with the smallest score, in one of which
 * any may hold that with the largest, in one of which none may hold the largest of those that should not, in one of which n must hold
 * the n-th. Scores are margins in usual changes; one without a margin counts as three changes.
 */
final class Decision {
    /** What a yes or no without a margin counts. */
    private static final double PLAIN = 3;

    private final List<ScanOutcome.Reading> readings;
    private int next;

    Decision(List<ScanOutcome.Reading> readings) {
        this.readings = readings;
    }

    /**
     * @param statement its number in the order of the text
     * @param score above 0 where it holds
     */
    record Scored(int statement, double score) {
        Scored opposite() {
            return new Scored(statement, -score);
        }
    }

    /** Decides a rule; asked once, for the outermost. */
    Scored of(Rule rule) {
        if (rule instanceof Rule.Statement) {
            int number = next++;
            return new Scored(number, score(readings.get(number)));
        }
        Rule.Group group = (Rule.Group) rule;
        List<Scored> parts = new ArrayList<>();
        for (Rule each : group.rules()) {
            parts.add(of(each));
        }
        parts.sort(Comparator.comparingDouble(Scored::score));
        return switch (group.joined()) {
            case ALL -> parts.get(0);
            case ANY -> parts.get(parts.size() - 1);
            case NONE -> parts.get(parts.size() - 1).opposite();
            case AT_LEAST -> parts.get(Math.max(0, Math.min(parts.size() - 1, parts.size() - group.least())));
        };
    }

    private static double score(ScanOutcome.Reading reading) {
        boolean holds = reading.holds() == 1;
        double score = reading.margin() / reading.usual();
        if (!(Math.abs(score) < Double.POSITIVE_INFINITY)) {
            return holds ? PLAIN : -PLAIN;
        }
        // At the edge a margin is 0 whether it holds or not.
        return holds ? Math.max(score, 0) : Math.min(score, -Double.MIN_NORMAL);
    }
}
