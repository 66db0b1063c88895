package dev.yardarm.core.indicator;

import dev.yardarm.core.calculation.ColumnGraph;
import java.util.List;

/**
 * An indicator of the catalogue: what it is called, what can be chosen, what it yields, what it means, and how its
 * outputs follow from the bars. Implementations are stateless and have a constructor without parameters; most extend
 * {@link Declared}.
 */
public interface Indicator {
    /** Name in formulas and on the command line: one lower-case word. */
    String name();

    /** Name for people. */
    String title();

    Family family();

    /** Other words people look for it by: synonyms and purposes. */
    List<String> synonyms();

    List<Setting> settings();

    /** The outputs; the first is the one meant when none is named. */
    List<Output> outputs();

    /** Pairs of outputs between which an area is filled. */
    List<Fill> fills();

    /** Where it is drawn unless told otherwise. */
    Place place();

    Help help();

    /** How far to the right of its bar an output is drawn, in bars; to the left below 0. The column is not moved. */
    default int displacement(Settings settings, int output) {
        return 0;
    }

    /** True when its outputs are the close, open, high and low of bars, in this order. */
    default boolean isOfBars() {
        return false;
    }

    /** Adds the outputs to a graph by {@link Recipe#out}, in the order they are declared. */
    void build(Recipe recipe);

    /** The outputs as nodes of a graph, over the fields the settings name. */
    default List<ColumnGraph.Node> in(ColumnGraph graph, Settings settings) {
        return Recipe.follow(this, settings, graph, null);
    }

    /** The outputs as nodes of a graph, over a column of its own instead of the source the settings name. */
    default List<ColumnGraph.Node> in(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        return Recipe.follow(this, settings, graph, source);
    }

    /** Bars at the start without a value of the first output, when the bars have no gaps. */
    default int warmUp(Settings settings) {
        return in(new ColumnGraph(), settings).get(0).warmUp();
    }

    /** The number of an output by its name; -1 when there is none. */
    default int output(String name) {
        for (int at = 0; at < outputs().size(); at++) {
            if (outputs().get(at).name().equalsIgnoreCase(name)) {
                return at;
            }
        }
        return -1;
    }

    /** Groups of the catalogue. */
    enum Family {
        AVERAGES("Averages"),
        TREND("Trend"),
        BANDS("Bands and levels"),
        MOMENTUM("Momentum"),
        VOLATILITY("Volatility"),
        VOLUME("Volume"),
        STATISTICS("Statistics and comparison");

        private final String title;

        Family(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** How an output is drawn unless told otherwise. */
    enum Form {
        LINE("line"),
        DASHED("dashed"),
        STEPS("steps"),
        DOTS("dots"),
        COLUMNS("columns"),
        AREA("area"),
        /** From open to close with the range, for an indicator whose outputs are those of bars. */
        BARS("bars"),
        NONE("hidden");

        private final String words;

        Form(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * One output column.
     *
     * @param cue true when it is a condition: 1 for yes, 0 for no, missing for unknown
     */
    record Output(String name, String label, Form form, boolean cue) {}

    /** An area between two outputs, by their numbers. */
    record Fill(int one, int other) {}

    /**
     * Where it is drawn: with the price, or in a pane of its own between two bounds that never move (NaN when the pane
     * fits itself to the values), with level lines. Between the outermost levels and the bounds are its zones.
     */
    record Place(boolean withPrice, double least, double most, List<Double> levels) {
        public static final Place PRICE = new Place(true, Double.NaN, Double.NaN, List.of());

        /** A pane of its own with fixed bounds. */
        public static Place bounded(double least, double most, Double... levels) {
            return new Place(false, least, most, List.of(levels));
        }

        /** A pane of its own that fits itself to the values. */
        public static Place fitted(Double... levels) {
            return new Place(false, Double.NaN, Double.NaN, List.of(levels));
        }
    }

    /** What it means: in a sentence, how it is computed, how it is read, where it misleads, where the formula is from. */
    record Help(String summary, String formula, String reading, String weakness, String origin) {}
}
