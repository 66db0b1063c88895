package dev.yardarm.core.alert;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Column;
import java.util.function.Function;

/**
 * What the waits of an alert read while it is watched: the prices of lines at each moment, and of formulas the values at the last bar that
 * closed.
 *
 * <p>A formula is read at a closed bar by its number, so it does not matter how far the bars have gone on meanwhile: the same trades give
 * the same firings, whether they come one by one or all at once. O(1) a reading.
 */
public final class Readings {
    private static final int RANGE_BARS = 14;

    private final Drawing.Path[] paths;
    private final Column[] columns;
    private final Column range;
    private final double tick;

    /**
     * Sets up what an alert reads.
     *
     * @param lines drawings over time, in the prices that trades come in; may give null for one that is not there, whose price is
     *     missing then
     * @param graph formulas are added to it, and are read from it when it has been updated; null when the alert reads no bars
     * @param tick smallest step of price
     * @throws FormulaException when a formula is at fault, or a condition where a value is needed
     */
    public Readings(
            Alert alert,
            Function<Awaited.Drawn, Drawing.Path> lines,
            ColumnGraph graph,
            Language language,
            double tick) {
        int count = alert.waits().size();
        paths = new Drawing.Path[count];
        columns = new Column[count];
        this.tick = tick;
        boolean ranges = false;
        for (int at = 0; at < count; at++) {
            Wait wait = alert.waits().get(at);
            Awaited on = wait.on();
            if (on instanceof Awaited.Condition condition) {
                columns[at] = Formula.parseCondition(condition.text(), language)
                        .in(graph)
                        .output();
            } else if (on instanceof Awaited.Value value) {
                columns[at] =
                        Formula.parseValue(value.text(), language).in(graph).output();
            } else if (on instanceof Awaited.Price fixed) {
                paths[at] = time -> fixed.price();
            } else if (on instanceof Awaited.Drawn drawn) {
                paths[at] = lines.apply(drawn);
            }
            ranges |= isOfRange(wait);
        }
        range = ranges ? range(language).in(graph).output() : null;
    }

    private static boolean isOfRange(Wait wait) {
        return wait.margin().unit() == Margin.Unit.RANGE && !wait.margin().isNone();
    }

    private static Formula range(Language language) {
        return Formula.parse("atr(" + RANGE_BARS + ")", language);
    }

    /**
     * What an alert reads beyond its own bars, and how many bars before the first it rests on.
     *
     * @throws FormulaException when a formula is at fault
     */
    public static Needs needs(Alert alert, Language language) {
        ColumnGraph asked = new ColumnGraph();
        Needs needs = Needs.NONE;
        for (Wait wait : alert.waits()) {
            Formula formula = null;
            if (wait.on() instanceof Awaited.Condition condition) {
                formula = Formula.parseCondition(condition.text(), language);
            } else if (wait.on() instanceof Awaited.Value value) {
                formula = Formula.parseValue(value.text(), language);
            }
            if (formula != null) {
                formula.in(asked);
                needs = needs.and(formula.needs());
            }
            if (isOfRange(wait)) {
                range(language).in(asked);
            }
        }
        // What averages that fade out need before the first value of interest.
        return needs.withBars(3 * asked.warmUp());
    }

    double tick() {
        return tick;
    }

    /** The price a wait is about at a moment; NaN when there is none. */
    double level(int wait, long time, int closed) {
        if (paths[wait] != null) {
            return paths[wait].priceAt(time);
        }
        return value(columns[wait], closed);
    }

    /** True when the condition of a wait holds at a closed bar. */
    boolean holds(int wait, int closed) {
        return value(columns[wait], closed) == 1;
    }

    /** True when the condition of a wait holds now, on the bar that forms. */
    boolean holdsNow(int wait) {
        return columns[wait].forming() == 1;
    }

    /** The average true range at a closed bar; NaN when it is not known. */
    double range(int closed) {
        return value(range, closed);
    }

    private static double value(Column column, int bar) {
        return column == null || bar < 0 || bar >= column.size() ? Double.NaN : column.at(bar);
    }
}
