package dev.yardarm.core.evidence;

/**
 * The figures of one horizon; shares of the entry, 0.01 is 1 %. NaN where there is nothing to work them out from.
 *
 * @param horizon bars
 * @param count how many occurrences count
 * @param days on how many days they fell
 * @param mean of what came
 * @param median of what came
 * @param gains share that came to more than nothing
 * @param baseMean of what came at all times
 * @param baseGains share of those that gained
 * @param difference of the means
 * @param low lower end of the interval that holds the difference nine times in ten
 * @param high upper end
 * @param drawnMean mean at random times of the same regime
 * @param drawnAbove share of the random draws whose mean is at least that of the occurrences
 */
public record Figures(
        int horizon,
        int count,
        int days,
        double mean,
        double median,
        double gains,
        double baseMean,
        double baseGains,
        double difference,
        double low,
        double high,
        double drawnMean,
        double drawnAbove) {
    /** True when there are too few to lean on. */
    public boolean isSmall() {
        return count < Evidence.FEW;
    }
}
