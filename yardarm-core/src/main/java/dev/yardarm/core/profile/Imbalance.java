package dev.yardarm.core.profile;

/**
 * What makes a row of a bar out of balance. Buyers at the ask of a row meet the sellers at the bid of the row below, so these two are
 * compared, across: bought where the ask of a row is so many times the bid of the row below, sold where the bid is so many times the ask of the
 * row above. A row inside the bar in which nothing was traded counts as zero; beyond the ends there is nobody to compare with.
 *
 * @param ratio how many times, at least 1
 * @param least volume a side needs for it
 * @param run how many rows on end make a run
 */
public record Imbalance(double ratio, double least, int run) {
    /** True where buyers outweigh: a place in the columns whose bar begins at {@code start}. */
    public boolean isBought(BarLevels levels, int start, int place) {
        boolean touches = place > start && levels.row(place - 1) == levels.row(place) - 1;
        return place > start && outweighs(levels.ask(place), touches ? levels.bid(place - 1) : 0);
    }

    /** True where sellers outweigh: a place in the columns whose bar ends before {@code end}. */
    public boolean isSold(BarLevels levels, int end, int place) {
        boolean touches = place + 1 < end && levels.row(place + 1) == levels.row(place) + 1;
        return place + 1 < end && outweighs(levels.bid(place), touches ? levels.ask(place + 1) : 0);
    }

    private boolean outweighs(double one, double other) {
        return one > 0 && one >= least && one >= ratio * other;
    }

    /** The longest run of one side in a bar. */
    public int run(BarLevels levels, int start, int end, boolean isBought) {
        int longest = 0;
        int run = 0;
        for (int place = start; place < end; place++) {
            boolean touches = place > start && levels.row(place - 1) == levels.row(place) - 1;
            boolean holds = isBought ? isBought(levels, start, place) : isSold(levels, end, place);
            run = holds ? (touches ? run + 1 : 1) : 0;
            longest = Math.max(longest, run);
        }
        return longest;
    }

    /** True when both sides traded at the last price of that end: nobody was left alone there, and the price may come back for the rest. */
    static boolean isUnfinished(BarLevels levels, int place) {
        return levels.bid(place) > 0 && levels.ask(place) > 0;
    }

    static int control(BarLevels levels, int start, int end) {
        int control = -1;
        double middle = start == end ? 0 : (levels.row(start) + levels.row(end - 1)) / 2.0;
        for (int place = start; place < end; place++) {
            double more = control < 0 ? 1 : levels.volume(place) - levels.volume(control);
            boolean nearer =
                    control >= 0 && Math.abs(levels.row(place) - middle) < Math.abs(levels.row(control) - middle);
            if (more > 0 || more == 0 && nearer) {
                control = place;
            }
        }
        return control;
    }
}
