package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.util.List;
import java.util.Map;

/** Figures of each bar in rows below the bars: delta and its extremes, volume, number of trades; see {@link DevelopingFootprint}. */
public final class BarFiguresTerm extends Declared {
    private static final String ROWS = "delta delta_high delta_low volume trades";

    public BarFiguresTerm() {
        super(Family.ORDER_FLOW, "bar_figures", "Bar figures");
        also("bar statistics", "delta per bar", "figures of bars", "footprint summary");
        setting(new Setting.Ordered(
                "rows", "Rows", ROWS, List.of("delta", "delta_high", "delta_low", "volume", "trades", "average")));
        number("size", "Trades from size", 0, 0, 1e12);
        fitted();
        output("delta", "Bought less sold", Form.NONE);
        output("delta_high", "Highest delta on the way", Form.NONE);
        output("delta_low", "Lowest delta on the way", Form.NONE);
        output("volume", "Volume", Form.NONE);
        output("trades", "Number of trades", Form.NONE);
        output("average", "Size of a trade", Form.NONE);
        help(
                "Rows of figures below the bars, one column a bar: numbers where there is room, else shades.",
                "delta: bought at the ask less sold at the bid; delta_high and delta_low: its extremes on the way through the bar, 0 at its open; "
                        + "volume and trades: of those from size on; average: volume by trades. Missing where not all trades of a bar are "
                        + "known. rows says which rows there are and in which order.",
                "A delta that ends far from its extreme was turned within the bar.",
                "A sum says not where in the bar it was traded; the footprint does.",
                "In common use on futures floors' screens.");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(BarFiguresTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingFootprint footprint =
                FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of("size", settings.word("size"))));
        ColumnGraph.Node volume = footprint.column(DevelopingFootprint.VOLUME);
        ColumnGraph.Node trades = footprint.column(DevelopingFootprint.TRADES);
        return List.of(
                footprint.column(DevelopingFootprint.DELTA),
                footprint.column(DevelopingFootprint.DELTA_HIGH),
                footprint.column(DevelopingFootprint.DELTA_LOW),
                volume,
                trades,
                dev.yardarm.core.calculation.Operation.DIVIDE.in(graph, volume, trades));
    }

    /** The rows that are wanted, by the numbers of their outputs, from above. */
    public int[] rows(Settings settings) {
        return Setting.Ordered.in(settings.word("rows")).stream()
                .mapToInt(this::output)
                .toArray();
    }
}
