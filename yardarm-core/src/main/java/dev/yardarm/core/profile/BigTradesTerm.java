package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import java.util.List;

/** Large trades of each bar in formulas and panes: see {@link LargeTrades}. Missing where not all trades of a bar are known. */
public final class BigTradesTerm extends Declared {
    private static final double MICROS = 1000;

    public BigTradesTerm() {
        super(Family.VOLUME, "big_trades", "Large trades");
        also("big trades", "block trades", "large prints", "big lots");
        number("size", "Large from this size on", 200, 0, 1e12);
        number("together", "Prints put together within milliseconds", 100, 0, 3_600_000);
        fitted(0.0);
        output("bought", "Bought in large trades", Form.COLUMNS);
        output("sold", "Sold in large trades", Form.COLUMNS);
        output("count", "Number of large trades", Form.NONE);
        cue("buying", "A large trade is bought");
        cue("selling", "A large trade is sold");
        help(
                "How much of each bar was traded in large trades, bought at the ask and sold at the bid.",
                "Prints of one side no more than together milliseconds after the first of them are one trade, within a bar; those of size and up "
                        + "count with their whole size. sold is below zero. Missing where not all trades of the bar are known.",
                "Large buying that does not lift price is absorbed; large selling that does not press it, too.",
                "Large hands split what they trade; what is large on a quiet day is usual on a busy one.",
                "In common use on futures floors' screens.");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(BigTradesTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        double size = settings.number("size");
        long together = Math.round(settings.number("together") * MICROS);
        ColumnGraph.Node sides = graph.ofBars(
                "sides of trades",
                Needs.SIDES,
                () -> (bars, bar) -> graph.surroundings().sides().delta(bars.openTime(bar), bars.closeTime(bar)));
        String name = "large trades " + size + " " + together + " ";
        ColumnGraph.Node bought = graph.walked(name + "bought", () -> new Summed(graph, size, together, 1), sides);
        ColumnGraph.Node sold = graph.walked(name + "sold", () -> new Summed(graph, size, together, -1), sides);
        ColumnGraph.Node count = graph.walked(name + "count", () -> new Summed(graph, size, together, 0), sides);
        ColumnGraph.Node buying = graph.walked(name + "buying", Some::new, bought);
        ColumnGraph.Node selling = graph.walked(name + "selling", Some::new, sold);
        return List.of(bought, sold, count, buying, selling);
    }

    /**
     * Of the large trades of a bar the size on one side, or their number.
     *
     * @param what 1 for what was bought, -1 for what was sold, below zero then, 0 for how many there were
     */
    private record Summed(ColumnGraph graph, double size, long together, int what) implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            long open = bars.openTime(bar);
            TickSeries trades = new TickSeries(64);
            boolean known = graph.surroundings().sides().trades(open, bars.closeTime(bar), trades::append);
            if (!known) {
                return Double.NaN;
            }
            double sum = 0;
            for (LargeTrades.Large each : LargeTrades.of(trades, size, together)) {
                sum += what == 0 ? 1 : each.side() == what ? what * each.size() : 0;
            }
            return sum;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
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
