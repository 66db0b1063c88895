package dev.yardarm.core.profile;

import java.util.List;

/**
 * Large trades with the bars they belong to, in their order: a picture of one moment, which does not change though the array behind it
 * grows. Finding those of a bar costs a search.
 */
public final class LargeMarks {
    private final Mark[] closed;
    private final int count;
    private final List<Mark> forming;
    private final double least;

    /** A large trade and its bar. */
    public record Mark(int bar, LargeTrades.Large trade) {}

    LargeMarks(Mark[] closed, int count, List<Mark> forming, double least) {
        this.closed = closed;
        this.count = count;
        this.forming = forming;
        this.least = least;
    }

    /** The size from which a trade of the newest bar is large; infinite while that cannot be known. */
    public double least() {
        return least;
    }

    public int size() {
        return count + forming.size();
    }

    /** One of them. */
    public Mark get(int place) {
        return place < count ? closed[place] : forming.get(place - count);
    }

    /** The first that belongs to a bar or one after it; {@link #size()} when there is none. */
    public int firstFrom(int bar) {
        int low = 0;
        int high = size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (get(middle).bar() < bar) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
