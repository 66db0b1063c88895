package dev.yardarm.core.profile;

/**
 * The trades of bars by rows of price, with what stands out in them: a picture of one moment, which does not change.
 *
 * <pre>{@code
 * BarLevels levels = footprint.levels(bar);
 * for (int row = footprint.start(bar); row < footprint.end(bar); row++) {
 *     double sold = levels.bid(row);
 * }
 * }</pre>
 *
 * @param closed of the closed bars
 * @param forming of the forming bar alone; of no bar when none forms
 * @param imbalance what makes an imbalance
 * @param least size of the smallest trade that counts; 0 for all
 */
public record Footprint(BarLevels closed, BarLevels forming, Imbalance imbalance, double least) {
    /** Number of bars, the forming one included. */
    public int bars() {
        return closed.bars() + forming.bars();
    }

    /** The columns a bar's rows stand in. */
    public BarLevels levels(int bar) {
        return bar < closed.bars() ? closed : forming;
    }

    /** Where the rows of a bar begin in its columns, from low to high. */
    public int start(int bar) {
        return bar < closed.bars() ? closed.start(bar) : forming.start(bar - closed.bars());
    }

    /** Where they end; where they begin when the trades of the bar are not known, or none of them counts. */
    public int end(int bar) {
        return bar < closed.bars() ? closed.start(bar + 1) : forming.start(bar - closed.bars() + 1);
    }

    /** The row of a bar with the most volume: of equal ones the nearest to the middle, then the lower; -1 when it has none. */
    public int control(int bar) {
        return Imbalance.control(levels(bar), start(bar), end(bar));
    }
}
