package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;

/**
 * What closes say against the value area of the span before: inside, three times inside, back at an edge, accepted or rejected outside, and
 * where the span opened. O(1) a bar; missing while there is no span before.
 */
final class ProfileCues {
    /** Names and labels in the order of the columns. */
    static final List<String[]> ALL = List.of(
            new String[] {"inside", "Closes inside the value area before"},
            new String[] {"three_inside", "The third close inside on end"},
            new String[] {"retest_high", "Back at the upper edge, closes above"},
            new String[] {"retest_low", "Back at the lower edge, closes below"},
            new String[] {"accepted_above", "The third close above on end"},
            new String[] {"accepted_below", "The third close below on end"},
            new String[] {"rejected_above", "Above and closes back inside"},
            new String[] {"rejected_below", "Below and closes back inside"},
            new String[] {"opened_above", "The span opened above the value area before"},
            new String[] {"opened_inside", "The span opened inside it"},
            new String[] {"opened_below", "The span opened below it"});

    private static final int ON_END = 3;

    private ProfileCues() {}

    static List<ColumnGraph.Node> in(ColumnGraph graph, DevelopingProfile profile) {
        List<ColumnGraph.Node> nodes = new ArrayList<>();
        for (String[] cue : ALL) {
            nodes.add(graph.walked(
                    "profile cue " + cue[0],
                    () -> new Cue(cue[0]),
                    profile.column(DevelopingProfile.REFERENCE_HIGH),
                    profile.column(DevelopingProfile.REFERENCE_LOW),
                    profile.column(DevelopingProfile.OPEN),
                    profile.numbers()));
        }
        return nodes;
    }

    private record Cue(String name) implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            double high = inputs[0].at(bar);
            double low = inputs[1].at(bar);
            double open = inputs[2].at(bar);
            if (high != high || low != low) {
                return Double.NaN;
            }
            boolean holds =
                    switch (name) {
                        case "inside" -> side(bars, bar, high, low) == 0;
                        case "three_inside" -> isThird(bars, inputs, bar, high, low, 0);
                        case "retest_high" ->
                            side(bars, bar, high, low) > 0
                                    && bars.low(bar) <= high
                                    && before(bars, inputs, bar, high, low) > 0;
                        case "retest_low" ->
                            side(bars, bar, high, low) < 0
                                    && bars.high(bar) >= low
                                    && before(bars, inputs, bar, high, low) < 0;
                        case "accepted_above" -> isThird(bars, inputs, bar, high, low, 1);
                        case "accepted_below" -> isThird(bars, inputs, bar, high, low, -1);
                        case "rejected_above" ->
                            side(bars, bar, high, low) == 0
                                    && (bars.high(bar) > high || before(bars, inputs, bar, high, low) > 0);
                        case "rejected_below" ->
                            side(bars, bar, high, low) == 0
                                    && (bars.low(bar) < low || before(bars, inputs, bar, high, low) < 0);
                        case "opened_above" -> open > high;
                        case "opened_inside" -> open <= high && open >= low;
                        default -> open < low;
                    };
            return holds ? 1 : 0;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }

        private static int side(Bars bars, int bar, double high, double low) {
            return bars.close(bar) > high ? 1 : bars.close(bar) < low ? -1 : 0;
        }

        /** Where the bar before closed, when it was of the same span; 0 for the first of a span. */
        private static int before(Bars bars, Column[] inputs, int bar, double high, double low) {
            return bar > 0 && inputs[3].at(bar - 1) == inputs[3].at(bar) ? side(bars, bar - 1, high, low) : 0;
        }

        /** The third on end, not the fourth. */
        private static boolean isThird(Bars bars, Column[] inputs, int bar, double high, double low, int wanted) {
            int run = 0;
            while (run <= ON_END
                    && bar - run >= 0
                    && inputs[3].at(bar - run) == inputs[3].at(bar)
                    && side(bars, bar - run, high, low) == wanted) {
                run++;
            }
            return run == ON_END;
        }
    }
}
