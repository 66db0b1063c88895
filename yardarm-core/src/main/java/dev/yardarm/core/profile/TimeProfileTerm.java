package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import java.util.ArrayList;
import java.util.List;

/** Time at price of each session, as a picture beside the bars and in formulas: see {@link DevelopingTime}. */
public final class TimeProfileTerm extends Declared {
    public TimeProfileTerm() {
        super(Family.ORDER_FLOW, "time_profile", "Time at price");
        also("time profile", "opening range", "initial balance", "single prints", "market profile");
        whole("minutes", "Minutes a block", 30, 1, 1440);
        whole("opening", "Blocks of the opening range", 2, 1, 48);
        number("area", "Value area, per cent", 70, 1, 100);
        whole("row", "Ticks a row (0 fits)", 0, 0, 100_000);
        output("poc", "Price with the most blocks", Form.NONE);
        output("value_high", "Upper edge of the value area", Form.NONE);
        output("value_low", "Lower edge of the value area", Form.NONE);
        output("open_high", "High of the opening range", Form.DASHED);
        output("open_low", "Low of the opening range", Form.DASHED);
        cue("extends_up", "Beyond the opening range, up");
        cue("extends_down", "Beyond the opening range, down");
        help(
                "In how many blocks of time each price was traded in each session: the blocks as they came, pushed together to the left, with the "
                        + "range of the first ones and the prices that one block alone went through.",
                "Blocks of so many minutes from the first bar of the session; a block counts in all rows from its lowest to its highest price. poc: "
                        + "the row with the most blocks; value area as of volume; open_high and open_low: of the first blocks so far; "
                        + "extends: a bar behind them goes beyond. A bar longer than a block counts in its first.",
                "A session that leaves its opening range early goes somewhere; single prints are prices nobody waited at.",
                "Blocks know nothing of volume: a quiet half hour counts as much as a busy one.",
                "Chicago Board of Trade, Market Profile (1985); James F. Dalton, Mind over Markets (1990).");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(TimeProfileTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingTime time = time(graph, settings);
        List<ColumnGraph.Node> columns = new ArrayList<>();
        for (int column = 0; column < DevelopingTime.COLUMNS; column++) {
            columns.add(time.column(column));
        }
        columns.add(graph.walked("beyond opening up", () -> new Beyond(true), columns.get(3)));
        columns.add(graph.walked("beyond opening down", () -> new Beyond(false), columns.get(4)));
        return columns;
    }

    /** Time at price at work in a graph. */
    public static DevelopingTime time(ColumnGraph graph, Settings settings) {
        return DevelopingTime.in(
                graph,
                new DevelopingTime.Wanted(
                        settings.whole("minutes") * Times.MINUTE,
                        settings.whole("opening"),
                        settings.number("area") / 100,
                        settings.whole("row")));
    }

    /** A bar beyond a level that has stood since the bar before: the opening range grows with its own blocks. */
    private record Beyond(boolean isUp) implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            double level = inputs[0].at(bar);
            boolean stood = bar > 0 && inputs[0].at(bar - 1) == level;
            return level != level ? level : stood && (isUp ? bars.close(bar) > level : bars.close(bar) < level) ? 1 : 0;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
    }
}
