package dev.yardarm.core.scan;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import java.util.List;
import java.util.Objects;

/**
 * A scan: all conditions must hold at the last bar.
 *
 * @param list name of the list it runs over
 * @param conditions formulas, one or more
 */
public record Scan(String name, String list, Timeframe timeframe, List<String> conditions) {
    public Scan {
        Objects.requireNonNull(name);
        Objects.requireNonNull(list);
        Objects.requireNonNull(timeframe);
        conditions = List.copyOf(conditions);
    }

    /** The same over another list. */
    public Scan over(String otherList) {
        return new Scan(name, otherList, timeframe, conditions);
    }

    /**
     * Reads the conditions.
     *
     * @param language what they are written in
     * @return one formula for each, in their order
     *
     * @throws IllegalArgumentException for the first one that is no good, or when there is none
     */
    public List<Formula> formulas(Language language) {
        if (conditions.isEmpty()) {
            throw new IllegalArgumentException("the scan '" + name + "' has no condition");
        }
        return conditions.stream()
                .map(each -> Formula.parseCondition(each, language))
                .toList();
    }
}
