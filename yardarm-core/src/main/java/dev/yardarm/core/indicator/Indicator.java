package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;
import java.util.List;

/**
 * An indicator of the catalogue: what it is called, what can be chosen, what it reads and yields, what it means, and
 * how to compute it. Implementations are stateless and have a constructor without parameters; the state of a run lives
 * in the {@link Computation}.
 */
public interface Indicator {
    /** Name in formulas and on the command line: one lower-case word. */
    String name();

    /** Name for people. */
    String title();

    List<Setting> settings();

    /** The outputs; the first is the one meant when none is named. */
    default List<Output> outputs() {
        return List.of(new Output("value", title()));
    }

    /** Where it is drawn unless told otherwise. */
    Place place();

    /** The fields of the bar it reads, in the order of the inputs of its computation. */
    default List<Field> inputs(Settings settings) {
        return List.of(settings.field("source"));
    }

    /** Number of bars at the start without a value, when the inputs have no gaps. */
    int warmUp(Settings settings);

    Computation start(Settings settings);

    Help help();

    /** One output column. */
    record Output(String name, String label) {
    }

    /**
     * Where it is drawn: with the price, or in a pane of its own between two bounds that never move (NaN when the pane
     * fits itself to the values), with level lines.
     */
    record Place(boolean withPrice, double least, double most, List<Double> levels) {
        public static final Place PRICE = new Place(true, Double.NaN, Double.NaN, List.of());

        /** A pane of its own with fixed bounds. */
        public static Place bounded(double least, double most, Double... levels) {
            return new Place(false, least, most, List.of(levels));
        }
    }

    /** What it means: in a sentence, how it is computed, how it is read, and where the formula is from. */
    record Help(String summary, String formula, String reading, String origin) {
    }
}
