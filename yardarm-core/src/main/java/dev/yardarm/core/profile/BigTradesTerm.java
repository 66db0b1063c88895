package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;

/** Large trades of each bar in formulas and panes: see {@link LargeTrades}. Missing where not all trades of a bar are known. */
public final class BigTradesTerm extends Declared {
    private static final double MICROS = 1000;

    public BigTradesTerm() {
        super(Family.ORDER_FLOW, "big_trades", "Large trades");
        also("big trades", "large trades", "block trades", "large prints", "big lots");
        number("size", "From size", 200, 0, 1e12);
        number("together", "Put together within ms", 100, 0, 3_600_000);
        number("share", "Or the largest, per cent", 0, 0, 50);
        choice("mark", "Mark", "ring", "dot", "plate", "number");
        choice("scaled", "Size of marks", "by size in view", "all alike");
        whole("widest", "Widest, pixels", 34, 6, 120);
        output("bought", "Bought in large trades", Form.NONE);
        output("sold", "Sold in large trades", Form.NONE);
        output("count", "Number of large trades", Form.NONE);
        output("largest", "Size of the largest", Form.NONE);
        cue("buying", "A large trade is bought");
        cue("selling", "A large trade is sold");
        help(
                "How much of each bar was traded in large trades, bought at the ask and sold at the bid.",
                "Prints of one side no more than together milliseconds after the first of them are one trade, within a bar; those of size and up "
                        + "count with their whole size, or with share the largest so many per cent of all until the bar before closed (from a "
                        + "thousand on). sold is below zero. Missing where not all trades of the bar are known. Marks stand at their price: what "
                        + "was bought is a ring with a foot below it, what was sold with one above.",
                "Large buying that does not lift price is absorbed; large selling that does not press it, too.",
                "Large hands split what they trade; what is large on a quiet day is usual on a busy one.",
                "In common use on futures floors' screens.");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(BigTradesTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingLargeTrades large = large(graph, settings);
        List<ColumnGraph.Node> columns = new ArrayList<>();
        for (int column = 0; column < DevelopingLargeTrades.COLUMNS; column++) {
            columns.add(large.column(column));
        }
        columns.add(graph.walked("some", Some::new, columns.get(0)));
        columns.add(graph.walked("some", Some::new, columns.get(1)));
        return columns;
    }

    /** The large trades at work in a graph. */
    public static DevelopingLargeTrades large(ColumnGraph graph, Settings settings) {
        return DevelopingLargeTrades.in(
                graph,
                new DevelopingLargeTrades.Wanted(
                        settings.number("size"), settings.number("share") / 100, together(settings)));
    }

    /** Within how many microseconds prints of one side are one. */
    public static long together(Settings settings) {
        return Math.round(settings.number("together") * MICROS);
    }

    private static final class Some implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            double value = inputs[0].at(bar);
            return value != value ? value : value == 0 ? 0 : 1;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
    }
}
