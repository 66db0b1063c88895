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
 * @param notAbove share of the random draws of the days, the same the interval comes from, in which the occurrences did no better than all
 *     times: 0.02 is better than 98 % of chance, and below 0.05 just when the interval lies above zero
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
        double notAbove) {
    /** True when there are too few to lean on. */
    public boolean isSmall() {
        return count < Evidence.FEW;
    }
}
