package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;
import java.util.ArrayList;
import java.util.List;

/** Keeps the last swings that were settled, for what is made of several. O(1) a bar. */
final class Turns implements SwingTaker {
    private static final int KEPT = 12;

    private final int kept;
    private List<Turn> last = List.of();
    private int settledAt = -1;

    Turns() {
        this(KEPT);
    }

    /** @param kept so many are kept */
    Turns(int kept) {
        this.kept = kept;
    }

    /** The last swings, the newest last; highs and lows in turn. */
    List<Turn> last() {
        return last;
    }

    /** The bar at whose close the newest was settled; -1 before the first. */
    int settledAt() {
        return settledAt;
    }

    @Override
    public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
        // One that may still move is no touch.
    }

    @Override
    public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
        List<Turn> next = new ArrayList<>(last);
        if (next.size() == kept) {
            next.remove(0);
        }
        next.add(new Turn(high, at, bars.openTime(at), high ? bars.high(at) : bars.low(at)));
        last = List.copyOf(next);
        settledAt = bar;
    }

    @Override
    public void closed(Bars bars, int bar, FindingLog log) {
        // Whoever makes something of them asks.
    }

    @Override
    public Turns copy() {
        Turns copy = new Turns(kept);
        copy.last = last;
        copy.settledAt = settledAt;
        return copy;
    }
}
