package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;
import java.util.Set;
import java.util.function.Predicate;

/** A cue: whether some finding of certain kinds came to one of certain states at a bar. O(1) an entry. */
public final class Happened implements Reader {
    private final Predicate<Finding> which;
    private final Set<Finding.State> states;
    private int last = -1;

    private Happened(Predicate<Finding> which, Set<Finding.State> states) {
        this.which = which;
        this.states = states;
    }

    /** Of findings of one kind. */
    public static Reader to(String kind, Finding.State... states) {
        return to(each -> each.kind().equals(kind), states);
    }

    /** Of some findings. */
    public static Reader to(Predicate<Finding> which, Finding.State... states) {
        return new Happened(which, Set.of(states));
    }

    @Override
    public void note(FindingLog.Standing entry) {
        if (states.contains(entry.state()) && which.test(entry.finding())) {
            last = entry.knownAt();
        }
    }

    @Override
    public double at(Bars bars, int bar) {
        return last == bar ? 1 : 0;
    }

    @Override
    public Reader copy() {
        Happened copy = new Happened(which, states);
        copy.last = last;
        return copy;
    }
}
