package dev.yardarm.core.scan;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Measured;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.vantage.Vantage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

/**
 * A scan with all it says read, to be put to any number of instruments. Immutable; may be shared between threads.
 *
 * <pre>{@code
 * ScanTerms terms = scan.read(language);
 * ScanOutcome outcome = terms.look(vantages.at(moment).open(instrument, request, terms.needs(), tell));
 * }</pre>
 *
 * <p>Cost of a look: bars times the distinct steps of all formulas together. Why an instrument fits or misses costs the columns that
 * are compared, which are kept, and some hundred values at the end; it is worked out where it is asked for.
 */
public final class ScanTerms {
    private final Scan scan;
    private final Formula condition;
    private final Rule.Group rule;
    private final List<Formula> statements;
    private final Formula rank;
    private final List<Formula> columns;
    private final List<Formula> lines;
    private final Needs needs;

    ScanTerms(
            Scan scan,
            Formula condition,
            Rule.Group rule,
            List<Formula> statements,
            Formula rank,
            List<Formula> columns,
            List<Formula> lines) {
        this.scan = scan;
        this.condition = condition;
        this.rule = rule;
        this.statements = statements;
        this.rank = rank;
        this.columns = columns;
        this.lines = lines;
        this.needs = Stream.concat(Stream.of(condition), Stream.concat(Stream.ofNullable(rank), columns.stream()))
                .map(Formula::needs)
                .reduce(Needs.NONE, Needs::and);
    }

    /** What was read. */
    public Scan scan() {
        return scan;
    }

    /** The condition. */
    public Formula condition() {
        return condition;
    }

    /** The condition taken apart. */
    public Rule.Group rule() {
        return rule;
    }

    /** What the condition speaks of that can be drawn over the bars, as formulas; the first few. */
    public List<String> lines() {
        return lines.stream().map(Formula::text).toList();
    }

    /** What is read beside the bars. */
    public Needs needs() {
        return needs;
    }

    /** Puts the condition to the last bar; order, columns and reasons only where it holds. */
    public ScanOutcome look(Vantage vantage) {
        return look(vantage, false);
    }

    /**
     * Puts the condition to the last bar.
     *
     * @param misses true for order, columns and reasons where it does not hold too
     */
    public ScanOutcome look(Vantage vantage, boolean misses) {
        return look(List.of(this), vantage, misses).get(0);
    }

    /**
     * Puts the conditions of several scans to the last bar. What they have in common is computed once.
     *
     * @param misses true for order, columns and reasons where one does not hold too
     * @return an outcome for each
     */
    public static List<ScanOutcome> look(List<ScanTerms> all, Vantage vantage, boolean misses) {
        if (vantage.bars().isEmpty()) {
            return all.stream()
                    .map(each -> ScanOutcome.nothing(vantage.bars(), each.columns.size()))
                    .toList();
        }
        ColumnGraph graph = vantage.graph();
        List<Column> holds =
                all.stream().map(each -> each.condition.in(graph).output()).toList();
        graph.update(vantage.bars());
        List<ScanOutcome> outcomes = new ArrayList<>();
        for (int at = 0; at < all.size(); at++) {
            outcomes.add(all.get(at).outcome(vantage, holds.get(at), misses));
        }
        return outcomes;
    }

    private ScanOutcome outcome(Vantage vantage, Column holds, boolean misses) {
        int last = vantage.bars().size() - 1;
        ScanMatch match = holds.at(last) != 1
                ? ScanMatch.NO
                : vantage.bars().hasForming() ? ScanMatch.PROVISIONAL : ScanMatch.YES;
        return match == ScanMatch.NO && !misses
                ? new ScanOutcome(match, Double.NaN, nothing(), List.of(), -1, Double.NaN, vantage.bars(), List.of())
                : reasons(vantage, match, last);
    }

    private double[] nothing() {
        double[] values = new double[columns.size()];
        Arrays.fill(values, Double.NaN);
        return values;
    }

    private ScanOutcome reasons(Vantage vantage, ScanMatch match, int last) {
        ColumnGraph graph = vantage.graph();
        List<Measured> measured =
                statements.stream().map(each -> Measured.in(graph, each)).toList();
        Column order = rank == null ? null : rank.in(graph).output();
        List<Column> shown =
                columns.stream().map(each -> each.in(graph).output()).toList();
        List<Column> drawn = lines.stream().map(each -> each.in(graph).output()).toList();
        graph.update(vantage.bars());
        List<ScanOutcome.Reading> readings = new ArrayList<>();
        for (Measured each : measured) {
            readings.add(new ScanOutcome.Reading(
                    each.holds(last), each.value(last), each.against(last), each.margin(last), each.usual(last)));
        }
        Decision decision = new Decision(readings);
        Decision.Scored decided = decision.of(rule);
        return new ScanOutcome(
                match,
                order == null ? Double.NaN : order.at(last),
                shown.stream().mapToDouble(each -> each.at(last)).toArray(),
                readings,
                decided.statement(),
                decided.score(),
                vantage.bars(),
                drawn.stream().map(each -> tail(each, last)).toList());
    }

    private static double[] tail(Column column, int last) {
        double[] values = new double[Math.min(ScanOutcome.TAIL, last + 1)];
        for (int at = 0; at < values.length; at++) {
            values[at] = column.at(last + 1 - values.length + at);
        }
        return values;
    }
}
