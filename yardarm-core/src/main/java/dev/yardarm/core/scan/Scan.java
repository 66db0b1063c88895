package dev.yardarm.core.scan;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.formula.Rule;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * A scan: a condition that must hold at the last bar of each instrument of a universe, an order of what is found, and what is shown
 * of it. Everything it says is formulas; they are read when it runs, so a scan that names what is gone is kept as it was written.
 *
 * @param name what it is called; empty while it has no name
 * @param purpose what group of the library it belongs to, such as {@code Breakouts}; empty for none
 * @param note what it is for, in a sentence or two
 * @param condition a formula that yields yes or no
 * @param rank a formula, or a condition, by whose value results are ordered, the largest first; empty for the order of the universe
 * @param columns formulas whose values are shown
 */
public record Scan(
        String name,
        String purpose,
        String note,
        Universe universe,
        Timeframe timeframe,
        String condition,
        String rank,
        List<String> columns) {
    /** More lines than these would hide the bars. */
    private static final int MOST_LINES = 4;

    public Scan {
        Objects.requireNonNull(name);
        Objects.requireNonNull(purpose);
        Objects.requireNonNull(note);
        Objects.requireNonNull(universe);
        Objects.requireNonNull(timeframe);
        Objects.requireNonNull(condition);
        Objects.requireNonNull(rank);
        columns = List.copyOf(columns);
    }

    /** Conditions over a list, in no order. */
    public static Scan of(String name, String list, Timeframe timeframe, List<String> conditions) {
        return new Scan(name, "", "", Universe.of(list), timeframe, all(conditions), "", List.of());
    }

    /** One condition that says that all hold. */
    public static String all(List<String> conditions) {
        return Rule.Group.all(conditions.stream()
                        .filter(each -> !each.isBlank())
                        .<Rule>map(each -> Rule.Statement.of(each.strip()))
                        .toList())
                .text();
    }

    /** The same over other instruments. */
    public Scan over(Universe other) {
        return new Scan(name, purpose, note, other, timeframe, condition, rank, columns);
    }

    /** The same under another name. */
    public Scan named(String other) {
        return new Scan(other, purpose, note, universe, timeframe, condition, rank, columns);
    }

    /** The same on another timeframe. */
    public Scan on(Timeframe other) {
        return new Scan(name, purpose, note, universe, other, condition, rank, columns);
    }

    /** The same with another condition. */
    public Scan with(String other) {
        return new Scan(name, purpose, note, universe, timeframe, other, rank, columns);
    }

    /** The same with another order and other columns. */
    public Scan showing(String newRank, List<String> newColumns) {
        return new Scan(name, purpose, note, universe, timeframe, condition, newRank, newColumns);
    }

    /**
     * Reads all it says.
     *
     * @param language what it is written in
     * @throws FormulaException for the first thing that is no good, saying whether it is the condition, the order or a column
     */
    public ScanTerms read(Language language) {
        if (condition.isBlank()) {
            throw new IllegalArgumentException("the scan" + (name.isEmpty() ? "" : " '" + name + "'")
                    + " has no condition; write one, such as close > sma(close, 50)");
        }
        Formula holds = Formula.parseCondition(condition, language);
        Rule.Group rule = Rule.read(condition, language);
        List<Formula> statements = new ArrayList<>();
        for (Rule.Statement each : rule.statements()) {
            statements.add(Formula.parseCondition(each.text(), language));
        }
        Formula order = rank.isBlank() ? null : part("the order", rank, language);
        List<Formula> shown = new ArrayList<>();
        for (String column : columns) {
            shown.add(part("the column '" + column + "'", column, language));
        }
        List<Formula> lines = holds.pricedTerms().stream()
                .limit(MOST_LINES)
                .map(text -> Formula.parse(text, language))
                .toList();
        return new ScanTerms(this, holds, rule, statements, order, shown, lines);
    }

    private static Formula part(String of, String text, Language language) {
        try {
            return Formula.parse(text, language);
        } catch (FormulaException bad) {
            throw new IllegalArgumentException(of + " cannot be read: " + bad.getMessage(), bad);
        }
    }
}
