package dev.yardarm.core.formula;

import java.util.List;
import java.util.stream.Collectors;

/** A formula or definition that cannot be used, with all that is at fault and its places, so that an editor can mark them. */
public final class FormulaException extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String formula;
    private final transient List<Fault> faults;
    private final int position;
    private final int length;

    FormulaException(String formula, List<Fault> faults) {
        super(faults.stream().map(fault -> fault.told(formula)).collect(Collectors.joining("\n")));
        this.formula = formula;
        this.faults = List.copyOf(faults);
        this.position = faults.get(0).position();
        this.length = faults.get(0).length();
    }

    FormulaException(String formula, int position, int length, String problem) {
        this(formula, List.of(new Fault(position, length, problem)));
    }

    /** The same faults in a longer text of which this one is a part that begins at a place. */
    public FormulaException within(String whole, int from) {
        return new FormulaException(
                whole,
                faults.stream()
                        .map(fault -> new Fault(fault.position() + from, fault.length(), fault.problem()))
                        .toList());
    }

    public String formula() {
        return formula;
    }

    /** All that is at fault, in the order of the text; at least one. */
    public List<Fault> faults() {
        return faults;
    }

    /** First character at fault, counted from 0; the message counts from 1. */
    public int position() {
        return position;
    }

    /** Number of characters at fault, at least 1. */
    public int length() {
        return length;
    }

    /** The lines at fault, each with marks under the characters at fault. */
    public String marked() {
        return faults.stream().map(fault -> fault.marked(formula)).collect(Collectors.joining(System.lineSeparator()));
    }
}
