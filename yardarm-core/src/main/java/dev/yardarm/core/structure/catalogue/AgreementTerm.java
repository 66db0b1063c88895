package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.Detected;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.DetectorTerm;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Where several things agree on a price. On a chart it is the strip along the price axis, which takes in the higher timeframes and the
 * drawings; in formulas it is how many kinds of thing lie near the close of each bar on one timeframe. Costs what its detectors cost.
 */
public final class AgreementTerm extends Declared {
    /** Detectors whose findings are prices to agree on. */
    private static final List<Detector> READ = List.of(new Levels(), new TrendLines(), new Gaps(), new Targets());

    /** Their columns with the nearest price above and below, as many kinds as pairs. */
    private static final Map<String, List<String>> NEAREST = Map.of(
            "levels", List.of("above", "below"),
            "gaps", List.of("above", "below"),
            "targets", List.of("nearest_up", "nearest_down"));

    public AgreementTerm() {
        super(Family.STRUCTURE, "agreement", "Agreement map");
        also("confluence", "cluster of levels", "density of levels", "heat of levels");
        number("near", "Agree within, in usual ranges", 0.5, 0.05, 10);
        whole("least", "Zones of at least", 3, 2, 20);
        output("count", "Kinds near the close", Form.NONE);
        cue("agreed", "Two kinds or more near the close");
        help(
                "Prices at which several independent things lie: levels, trend lines, gaps, targets, ratios, of all timeframes.",
                "On a chart: the standing levels, lines, gaps and targets of its timeframe and of the next two of week and month (hour "
                        + "and day within a day), lines and ratios of the drawings at the newest bar, levels of the profiles that are on it. A zone is a run of marks of at least so "
                        + "many sources no wider than near times the mean of the last 100 true ranges; the strip shades each price by how many "
                        + "sources lie within half of that. count: of levels, gaps and targets of one timeframe, those whose nearest settled "
                        + "price above or below the close is within near times that mean.",
                "Where several agree, more traders look: a place to expect a decision.",
                "Many marks of one kind agree by chance; that is why each source counts once. Nothing says which way it goes.",
                "Robert Miner, Dynamic Trading (1999), on price clusters of several methods.");
    }

    /** The detectors whose findings it takes in. */
    public static List<Detector> read() {
        return READ;
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(AgreementTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        List<ColumnGraph.Node> nearest = new ArrayList<>();
        for (Detector each : READ) {
            List<String> names = NEAREST.get(each.name());
            if (names != null) {
                Detected detected = new DetectorTerm(each)
                        .detected(graph, Settings.of(each.name(), each.settings(), Map.of()), null);
                for (Detector.Told told : each.told()) {
                    if (names.contains(told.name())) {
                        nearest.add(
                                detected.column(told.name(), () -> told.reader().apply(settings)));
                    }
                }
            }
        }
        double near = settings.number("near");
        ColumnGraph.Node[] inputs = nearest.toArray(ColumnGraph.Node[]::new);
        ColumnGraph.Node count =
                graph.walked("kinds within " + near, () -> new Count(near, new RangeMeasure()), inputs);
        ColumnGraph.Node agreed = graph.walked("kinds agree", Agreed::new, count);
        return List.of(count, agreed);
    }

    /** Reads pairs of prices above and below. */
    private record Count(double near, RangeMeasure usual) implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return Double.NaN;
            }
            usual.take(bars, bar);
            double reach = near * usual.mean();
            double close = bars.close(bar);
            int count = 0;
            for (int pair = 0; pair < inputs.length; pair += 2) {
                boolean within = inputs[pair].at(bar) - close <= reach || close - inputs[pair + 1].at(bar) <= reach;
                count += within ? 1 : 0;
            }
            return count;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return new Count(near, usual.copy()).closed(bars, inputs, bar);
        }
    }

    private static final class Agreed implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            return inputs[0].at(bar) >= 2 ? 1 : 0;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            return closed(bars, inputs, bar);
        }
    }
}
