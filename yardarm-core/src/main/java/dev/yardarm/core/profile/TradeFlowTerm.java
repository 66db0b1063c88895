package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import java.util.List;
import java.util.Map;

/** How fast trades come and how large they are. O(1) a bar beside the trades of it. */
public final class TradeFlowTerm extends Declared {
    public TradeFlowTerm() {
        super(Family.ORDER_FLOW, "trade_flow", "Trades a second");
        also("trade rate", "average trade size", "speed of tape", "tape speed", "trades per second");
        length("window", "Bars to compare with", 20);
        number("times", "Surge, times", 3, 1, 1000);
        fitted();
        output("rate", "Trades a second", Form.COLUMNS);
        output("average", "Size of a trade", Form.NONE);
        mark("surge", "A surge of trades");
        help(
                "How many trades a second there were in each bar, their size, and when they come so many times as fast as they did.",
                "rate = number of trades / seconds from the open of the bar to its close; average = volume / number of trades; surge: rate is "
                        + "at least times the mean rate of the window bars before. Missing where not all trades of a bar are known.",
                "A surge at a level says that it is contested; small trades in a surge are many hands, large ones few.",
                "The rate of an unfinished bar is too low, as if nothing more came; every session opens with a surge.",
                "In common use on futures floors' screens.");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(TradeFlowTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingFootprint footprint = FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of()));
        ColumnGraph.Node trades = footprint.column(DevelopingFootprint.TRADES);
        ColumnGraph.Node rate = graph.walked("trades a second", Rate::new, trades);
        int window = settings.whole("window");
        double times = settings.number("times");
        return List.of(
                rate,
                Operation.DIVIDE.in(graph, footprint.column(DevelopingFootprint.VOLUME), trades),
                graph.walked("surge of trades " + window + " " + times, () -> new Surge(window, times), rate));
    }

    private static final class Rate implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            double seconds = Math.max(1, (bars.closeTime(bar) - bars.openTime(bar)) / (double) Times.SECOND);
            return inputs[0].at(bar) / seconds;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
    }

    private record Surge(int window, double times) implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            double now = inputs[0].at(bar);
            double sum = 0;
            for (int before = bar - window; before < bar; before++) {
                sum += before < 0 ? Double.NaN : inputs[0].at(before);
            }
            return now != now ? now : now * window >= times * sum && sum > 0 ? 1 : 0;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
    }
}
