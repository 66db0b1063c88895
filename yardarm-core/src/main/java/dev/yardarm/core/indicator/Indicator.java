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

    /**
     * Checks settings whose values are good one by one but may not go together.
     *
     * @throws IllegalArgumentException with what would be good
     */
    default void check(Settings settings) {}

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
        /** Read from single trades. */
        ORDER_FLOW("Order flow"),
        CANDLES("Candle patterns"),
        STATISTICS("Statistics and comparison"),
        /** Read from what detectors find. */
        STRUCTURE("Found structure"),
        /** Made by the trader. */
        OWN("Your own");

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
        /** An arrow below the bar where a condition holds. */
        UP("marks up"),
        /** An arrow above the bar where a condition holds. */
        DOWN("marks down"),
        /** The colour of the bars where a condition holds. */
        TINT("bar tint"),
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
     * @param look colour and width it is drawn with at first
     */
    record Output(String name, String label, Form form, boolean cue, Look look) {
        /** In the colour of its layer. */
        public Output(String name, String label, Form form, boolean cue) {
            this(name, label, form, cue, Look.OF_LAYER);
        }
    }

    /**
     * How an output looks at first.
     *
     * @param colour one of {@link #COLOURS}; empty for that of the layer
     * @param width of its line in pixels; 0 for that of the layer
     */
    record Look(String colour, double width) {
        /** As the layer. */
        public static final Look OF_LAYER = new Look("", 0);
    }

    /** Words for colours: what goes up and down, two of ink, and those of series. */
    List<String> COLOURS =
            List.of("rise", "fall", "soft", "ink", "plum", "teal", "rose", "moss", "indigo", "umber", "fern", "slate");

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
