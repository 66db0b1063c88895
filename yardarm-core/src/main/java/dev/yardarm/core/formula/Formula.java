package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;
import java.util.function.Consumer;

/**
 * A checked formula: a value or a condition over the bars of an instrument.
 *
 * <pre>{@code
 * Formula formula = Formula.parse("close crosses above sma(close, 50)", Language.builtIn());
 * Column column = formula.evaluate(bars);      // 1 yes, 0 no, NaN unknown, for every bar
 * }</pre>
 *
 * <p>Missing values: a value is NaN where its window is not full or holds a missing value; arithmetic with a missing
 * value is missing; a comparison with one is unknown, and unknown counts as no. Cost: bars times nodes, one pass.
 * Immutable; may be shared between threads.
 */
public final class Formula {
    private final String text;
    private final Expression root;
    private final Needs needs;

    Expression root() {
        return root;
    }

    private Formula(String text, Expression root, Language language) {
        this.text = text;
        this.root = root;
        if (root.type() == Expression.Type.TEXT) {
            throw new FormulaException(text, 0, text.length(), "this is a word; a value or a condition is needed");
        }
        this.needs = cost(text, language, this::in).needs();
    }

    /**
     * Compiles a term for its cost alone.
     *
     * @throws FormulaException when it is above what the language allows
     */
    static ColumnGraph cost(String text, Language language, Consumer<ColumnGraph> term) {
        ColumnGraph compiled = ColumnGraph.limited(language.limits().steps());
        try {
            term.accept(compiled);
        } catch (IllegalArgumentException tooMuch) {
            throw new FormulaException(text, 0, text.length(), tooMuch.getMessage());
        }
        if (compiled.valuesABar() > language.limits().valuesABar()) {
            throw new FormulaException(
                    text,
                    0,
                    text.length(),
                    "the formula looks at " + compiled.valuesABar() + " values for each bar; at most "
                            + language.limits().valuesABar()
                            + " are allowed: use shorter lengths, or fewer indicators that rank or sort");
        }
        return compiled;
    }

    /**
     * Reads and checks a formula.
     *
     * @throws FormulaException with position, what was expected and the likely word
     */
    public static Formula parse(String text, Language language) {
        return new Formula(text, FormulaReader.read(text, language), language);
    }

    /**
     * Reads a condition.
     *
     * @throws FormulaException also when the formula yields a number
     */
    public static Formula parseCondition(String text, Language language) {
        Formula formula = parse(text, language);
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

    /**
     * Reads a formula of a number.
     *
     * @throws FormulaException also when the formula is a condition
     */
    public static Formula parseValue(String text, Language language) {
        Formula formula = parse(text, language);
        if (formula.isCondition()) {
            throw new FormulaException(
                    text,
                    0,
                    text.length(),
                    "this is yes or no, but a value is needed, such as ema(20); leave the comparison out");
        }
        return formula;
    }

    /** The formula as it was written. */
    public String text() {
        return text;
    }

    /** The formula in its canonical form: lower case, single blanks, no parentheses that change nothing. */
    public String canonical() {
        return FormulaPrinter.print(root);
    }

    /** True when it yields yes, no or unknown; false when it yields numbers. */
    public boolean isCondition() {
        return root.isCondition();
    }

    /** The values in it that are prices and made by an indicator, as texts: what can be drawn over the bars. */
    public List<String> pricedTerms() {
        return PricedTerms.of(root);
    }

    /** What it reads beyond the bars it is computed on. */
    public Needs needs() {
        return needs;
    }

    /** Adds the formula to a graph, sharing what is there already. */
    public ColumnGraph.Node in(ColumnGraph graph) {
        return new FormulaCompiler(graph, null).node(root).keep();
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
