package dev.yardarm.core.evidence;

/**
 * One time a condition held at the close of a bar, and what came after. Entry is the open of the next bar.
 *
 * @param bar number of the bar
 * @param time when the bar opened, microseconds UTC
 * @param day number of its day, by which occurrences are together
 * @param regime of the market at its close
 * @param entryTime when the next bar opened; 0 when there is none yet
 * @param entry its open; NaN when there is none yet
 * @param returns for each horizon the close so many bars after the occurrence over the entry, less one and less the cost; NaN where
 *     the history ends before
 * @param worst lowest low from the entry to the longest horizon over the entry, less one; NaN where the history ends before
 * @param best highest high, likewise
 * @param toGain bars from the entry until a high was one average true range above it, 0 on the bar of the entry; -1 when none was within
 *     the longest horizon or the history ends before
 * @param toLoss bars until a low was one average true range below it, likewise
 * @param path for each bar from the entry on to the longest horizon its close over the entry, less one; NaN where the history ends before
 */
public record Occurrence(
        int bar,
        long time,
        int day,
        Regime regime,
        long entryTime,
        double entry,
        double[] returns,
        double worst,
        double best,
        int toGain,
        int toLoss,
        float[] path) {}
