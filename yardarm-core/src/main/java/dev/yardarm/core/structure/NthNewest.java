package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/**
 * A value of the nth newest finding, counted by when it was settled; with what is provisional those come first, the newest found of them
 * before the others. What became of a settled one later does not matter.
 *
 * <p>O(n) an entry.
 */
public final class NthNewest implements Reader {
    private final int nth;
    private final boolean provisional;
    private final Predicate<Finding> which;
    private final ToDoubleFunction<Finding> value;
    /** The newest settled ones, the newest last; never more than are asked for. */
    private final List<Double> settled;
    /** What is provisional, the newest found last. */
    private final List<FindingLog.Standing> open;

    /**
     * @param nth 1 for the newest
     * @param provisional whether what may still be taken back counts
     * @param value of a finding; such as the price of its last point
     */
    public NthNewest(int nth, boolean provisional, Predicate<Finding> which, ToDoubleFunction<Finding> value) {
        this(nth, provisional, which, value, new ArrayList<>(), new ArrayList<>());
    }

    private NthNewest(
            int nth,
            boolean provisional,
            Predicate<Finding> which,
            ToDoubleFunction<Finding> value,
            List<Double> settled,
            List<FindingLog.Standing> open) {
        this.nth = nth;
        this.provisional = provisional;
        this.which = which;
        this.value = value;
        this.settled = settled;
        this.open = open;
    }

    /** The price of its last point. */
    public static double price(Finding finding) {
        return finding.points().get(finding.points().size() - 1).price();
    }

    @Override
    public void note(FindingLog.Standing entry) {
        if (!which.test(entry.finding())) {
            return;
        }
        int place = place(entry.number());
        if (entry.state() == Finding.State.PROVISIONAL) {
            if (place < 0) {
                open.add(entry);
            } else {
                open.set(place, entry);
            }
        } else if (place >= 0) {
            open.remove(place);
            if (entry.state() != Finding.State.VOID) {
                settled.add(value.applyAsDouble(entry.finding()));
                if (settled.size() > nth) {
                    settled.remove(0);
                }
            }
        }
    }

    private int place(int number) {
        for (int at = open.size() - 1; at >= 0; at--) {
            if (open.get(at).number() == number) {
                return at;
            }
        }
        return -1;
    }

    @Override
    public double at(Bars bars, int bar) {
        int back = nth;
        if (provisional) {
            if (back <= open.size()) {
                return value.applyAsDouble(open.get(open.size() - back).finding());
            }
            back -= open.size();
        }
        return back <= settled.size() ? settled.get(settled.size() - back) : Double.NaN;
    }

    @Override
    public Reader copy() {
        return new NthNewest(nth, provisional, which, value, new ArrayList<>(settled), new ArrayList<>(open));
    }
}
