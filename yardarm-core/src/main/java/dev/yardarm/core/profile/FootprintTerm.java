package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.List;

/** The trades of each bar by price, as a layer of the bars and in formulas: see {@link DevelopingFootprint}. */
public final class FootprintTerm extends Declared {
    public FootprintTerm() {
        super(Family.ORDER_FLOW, "footprint", "Footprint");
        also("bid ask footprint", "order flow", "cluster", "volume inside bars", "imbalances");
        whole("row", "Ticks a row", 1, 1, 100_000);
        number("size", "Trades from size", 0, 0, 1e12);
        number("ratio", "Imbalance, times", 3, 1, 1000);
        number("least", "Imbalance from volume", 10, 0, 1e12);
        whole("run", "Imbalances in a run", 3, 2, 100);
        output("poc", "Price with the most volume", Form.NONE);
        output("delta", "Bought less sold", Form.NONE);
        output("delta_high", "Highest delta on the way", Form.NONE);
        output("delta_low", "Lowest delta on the way", Form.NONE);
        output("volume", "Volume", Form.NONE);
        output("trades", "Number of trades", Form.NONE);
        output("bought_run", "Longest run of bought imbalances", Form.NONE);
        output("sold_run", "Longest run of sold imbalances", Form.NONE);
        cue("unfinished_high", "Both sides traded at the high");
        cue("unfinished_low", "Both sides traded at the low");
        cue("buying", "A run of bought imbalances");
        cue("selling", "A run of sold imbalances");
        help(
                "What was sold at the bid and bought at the ask at each price of each bar: numbers where there is room, else shades, else plain "
                        + "bars.",
                "Left of the bar what was sold, right of it what was bought, by rows of row ticks. An imbalance: the ask of a row is ratio times "
                        + "the bid of the row below, or the bid that of the ask above, and at least so much; run of them on end make a run. "
                        + "Trades smaller than size are left out and count as zero. Missing where not all trades of a bar are known.",
                "A run of imbalances says who was in a hurry; volume that moves nothing is absorbed. An end at which both sides traded is "
                        + "often visited again.",
                "On bars with few trades every row is out of balance.",
                "In common use on futures floors' screens.");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(FootprintTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingFootprint footprint = footprint(graph, settings);
        List<ColumnGraph.Node> columns = new ArrayList<>();
        for (int column = 0; column <= DevelopingFootprint.UNFINISHED_LOW; column++) {
            columns.add(footprint.column(column));
        }
        columns.add(footprint.atLeast(DevelopingFootprint.BOUGHT_RUN, settings.whole("run")));
        columns.add(footprint.atLeast(DevelopingFootprint.SOLD_RUN, settings.whole("run")));
        return columns;
    }

    /** The footprint at work in a graph. */
    public static DevelopingFootprint footprint(ColumnGraph graph, Settings settings) {
        return DevelopingFootprint.in(
                graph,
                new DevelopingFootprint.Wanted(
                        settings.whole("row"),
                        settings.number("size"),
                        new Imbalance(settings.number("ratio"), settings.number("least"), settings.whole("run"))));
    }
}
