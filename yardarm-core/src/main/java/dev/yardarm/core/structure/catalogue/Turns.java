package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;
import java.util.AbstractList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.RandomAccess;

/**
 * Keeps the last swings that were settled, for what is made of several. They lie one behind the other in an array of twice as many as
 * are kept; once it is full the last ones are moved to the front of another one, so that lists given away stay as they were. O(1) a bar.
 */
final class Turns implements SwingTaker {
    private static final int KEPT = 12;

    private final int kept;
    private Turn[] turns;
    private int end;
    /** True when another one reads the array: it is left alone then. */
    private boolean shared;

    /** Null until somebody asks. */
    private List<Turn> last;

    private int settledAt = -1;

    Turns() {
        this(KEPT);
    }

    /** @param kept so many are kept */
    Turns(int kept) {
        this.kept = kept;
        this.turns = new Turn[2 * kept];
    }

    /** The last swings, the newest last; highs and lows in turn. It cannot be changed and stays as it is. */
    List<Turn> last() {
        if (last == null) {
            int from = Math.max(0, end - kept);
            last = new Part(turns, from, end - from);
        }
        return last;
    }

    /** How many there are in it. */
    int size() {
        return Math.min(end, kept);
    }

    /** One of them, from the oldest, which is 0. */
    Turn get(int index) {
        return turns[Math.max(0, end - kept) + Objects.checkIndex(index, size())];
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
        if (shared || end == turns.length) {
            int oldest = Math.max(0, end - kept);
            turns = Arrays.copyOf(Arrays.copyOfRange(turns, oldest, end), 2 * kept);
            end -= oldest;
            shared = false;
        }
        turns[end++] = new Turn(high, at, bars.openTime(at), high ? bars.high(at) : bars.low(at));
        last = null;
        settledAt = bar;
    }

    /** The array is left to this one, which goes on; the copy makes its own once it has something to add. */
    @Override
    public Turns copy() {
        Turns copy = new Turns(kept, turns);
        copy.end = end;
        copy.shared = true;
        copy.settledAt = settledAt;
        return copy;
    }

    private Turns(int kept, Turn[] turns) {
        this.kept = kept;
        this.turns = turns;
    }

    /** A part of an array that is only written behind it. */
    private static final class Part extends AbstractList<Turn> implements RandomAccess {
        private final Turn[] turns;
        private final int from;
        private final int size;

        Part(Turn[] turns, int from, int size) {
            this.turns = turns;
            this.from = from;
            this.size = size;
        }

        @Override
        public Turn get(int index) {
            return turns[from + Objects.checkIndex(index, size)];
        }

        @Override
        public int size() {
            return size;
        }

        @Override
        public List<Turn> subList(int begin, int end) {
            Objects.checkFromToIndex(begin, end, size);
            return new Part(turns, from + begin, end - begin);
        }

        @Override
        public Object[] toArray() {
            return Arrays.copyOfRange(turns, from, from + size, Object[].class);
        }
    }
}
