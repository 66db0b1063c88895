package dev.yardarm.core.formula;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A checked formula: a value or a condition over the bars of an instrument.
 *
 * <pre>{@code
 * Formula formula = Formula.parse("close crosses above sma(close, 50)");
 * Column column = formula.evaluate(bars);      // 1 yes, 0 no, NaN unknown, for every bar
 * }</pre>
 *
 * <p>Missing values: a value is NaN where its window is not full or holds a missing value; arithmetic with a missing
 * value is missing; a comparison with one is unknown, and unknown counts as no. Cost: bars times nodes, one pass.
 * Immutable; may be shared between threads.
 */
public final class Formula {
    public static final int MOST_CHARACTERS = 4000;
    public static final int MOST_DEPTH = 100;
    public static final int MOST_LOOKBACK = 5000;

    private final String text;
    private final Expression root;

    private Formula(String text, Expression root) {
        this.text = text;
        this.root = root;
    }

    /**
     * Reads and checks a formula.
     *
     * @throws FormulaException with position, what was expected and the likely word
     */
    public static Formula parse(String text) {
        Formula formula = new Formula(text, FormulaReader.read(text));
        formula.in(new ColumnGraph());
        return formula;
    }

    /**
     * Reads a condition.
     *
     * @throws FormulaException also when the formula yields a number
     */
    public static Formula parseCondition(String text) {
        Formula formula = parse(text);
        if (!formula.isCondition()) {
            throw new FormulaException(
                    text,
                    0,
                    text.length(),
                    "this is a value, but a condition is needed: compare it " + "with something, such as "
                            + text.strip() + " > 0");
        }
        return formula;
    }

    /** The words of the language, for completion. */
    public static List<String> words() {
        return Vocabulary.words();
    }

    public String text() {
        return text;
    }

    /** True when it yields yes, no or unknown; false when it yields numbers. */
    public boolean isCondition() {
        return root.isCondition();
    }

    /** The higher timeframes it reads. */
    public Set<Timeframe> timeframes() {
        Set<Timeframe> found = new LinkedHashSet<>();
        collect(root, found);
        return found;
    }

    /** The names of the drawings it reads. */
    public Set<String> drawings() {
        Set<String> found = new LinkedHashSet<>();
        collectDrawings(root, found);
        return found;
    }

    private static void collectDrawings(Expression expression, Set<String> found) {
        if (expression instanceof Expression.DrawingValue drawing) {
            found.add(drawing.name());
        }
        expression.parts().forEach(part -> collectDrawings(part, found));
    }

    /** The codes of the other instruments it reads; {@code benchmark} for the benchmark. */
    public Set<String> instruments() {
        Set<String> found = new LinkedHashSet<>();
        in(new ColumnGraph(new Surroundings(Surroundings.NONE.calendar(), code -> {
            found.add(code);
            return Optional.empty();
        })));
        return found;
    }

    private static void collect(Expression expression, Set<Timeframe> found) {
        if (expression instanceof Expression.Higher higher) {
            found.add(higher.timeframe());
        }
        expression.parts().forEach(part -> collect(part, found));
    }

    /** Adds the formula to a graph, sharing what is there already. */
    public ColumnGraph.Node in(ColumnGraph graph) {
        return new FormulaCompiler(text, graph).node(root);
    }

    /** Computes the formula over bars from scratch. */
    public Column evaluate(Bars bars) {
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node node = in(graph);
        graph.update(bars);
        return node.output();
    }

    @Override
    public String toString() {
        return text;
    }
}
