package dev.yardarm.core.evidence;

/**
 * How far price went within the longest horizon.
 *
 * @param count of occurrences with as much history
 * @param worst median of the lowest lows over the entry, less one
 * @param best median of the highest highs
 * @param gainFirst share that went up by an average true range before they went down by one
 * @param lossFirst share that went down first, or both on the same bar
 * @param neither share that did neither
 * @param barsToGain median of bars until the gain, of those that had it
 * @param barsToLoss median of bars until the loss
 */
public record Excursion(
        int count,
        double worst,
        double best,
        double gainFirst,
        double lossFirst,
        double neither,
        double barsToGain,
        double barsToLoss) {}
