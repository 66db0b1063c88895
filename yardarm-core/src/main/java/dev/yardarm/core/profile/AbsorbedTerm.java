package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;
import java.util.Map;

/** Ends of bars at which much was traded against and price got no further, as levels until a bar closes beyond. O(window) a bar. */
public final class AbsorbedTerm extends Declared {
    public AbsorbedTerm() {
        super(Family.ORDER_FLOW, "absorbed", "Absorbed levels");
        also("absorption", "absorbed volume", "iceberg", "passive buyers");
        whole("row", "Ticks a row", 1, 1, 100_000);
        length("window", "Bars to compare with", 20);
        number("times", "Volume of a row, times", 3, 1, 1000);
        output("low", "Where selling was absorbed", Form.STEPS);
        output("high", "Where buying was absorbed", Form.STEPS);
        cue("at_low", "Selling is absorbed at the low");
        cue("at_high", "Buying is absorbed at the high");
        help(
                "Prices at which much was sold at the low of a bar, or bought at its high, without getting price any further.",
                "at_low: sold in the lowest row of the bar is at least times the mean volume of a row of the window bars before, and the bar "
                        + "closes above that row; low is the low of the last such bar, until a bar closes below it. at_high and high the other "
                        + "way round. Missing where not all trades of a bar are known.",
                "Somebody takes all that comes: a level with reason to hold, and one that says much when it breaks.",
                "Who absorbs may be done the next minute.",
                "In common use on futures floors' screens.");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(AbsorbedTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingFootprint footprint =
                FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of("row", settings.word("row"))));
        ColumnGraph.Node volume = footprint.column(DevelopingFootprint.VOLUME);
        ColumnGraph.Node rows = footprint.column(DevelopingFootprint.ROWS);
        double tick = graph.surroundings().tick() * settings.whole("row");
        int window = settings.whole("window");
        double times = settings.number("times");
        String name = "absorbed " + settings.word("row") + " " + window + " " + times;
        ColumnGraph.Node low = graph.walked(
                name + " low",
                () -> new At(window, times, tick, true),
                volume,
                rows,
                footprint.column(DevelopingFootprint.LOW_SOLD));
        ColumnGraph.Node high = graph.walked(
                name + " high",
                () -> new At(window, times, tick, false),
                volume,
                rows,
                footprint.column(DevelopingFootprint.HIGH_BOUGHT));
        return List.of(
                graph.walked("level low", () -> new Level(true), low),
                graph.walked("level high", () -> new Level(false), high),
                low,
                high);
    }

    /** Whether a bar absorbs at one of its ends. */
    private record At(int window, double times, double row, boolean isLow) implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            double at = inputs[2].at(bar);
            double volume = 0;
            double rows = 0;
            for (int before = Math.max(0, bar - window); before < bar; before++) {
                double of = inputs[0].at(before);
                volume += of == of ? of : 0;
                rows += of == of ? inputs[1].at(before) : 0;
            }
            if (at != at || !(rows > 0) || bar < window) {
                return at == at ? 0 : Double.NaN;
            }
            boolean held = isLow ? bars.close(bar) >= bars.low(bar) + row : bars.close(bar) <= bars.high(bar) - row;
            return held && at >= times * volume / rows ? 1 : 0;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
    }

    /** The end of the last bar that absorbed, until a bar closes beyond. */
    private static final class Level implements Walk {
        private final boolean isLow;
        private double level = Double.NaN;

        Level(boolean isLow) {
            this.isLow = isLow;
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            level = forming(bars, inputs, bar);
            return level;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            if (inputs[0].at(bar) == 1) {
                return isLow ? bars.low(bar) : bars.high(bar);
            }
            boolean broken = isLow ? bars.close(bar) < level : bars.close(bar) > level;
            return broken ? Double.NaN : level;
        }
    }
}
