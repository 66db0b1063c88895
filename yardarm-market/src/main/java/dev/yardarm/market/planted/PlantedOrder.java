package dev.yardarm.market.planted;

/**
 * Something planted among the trades of a market.
 *
 * @param kind {@code large}: one order, in one print or several at once; {@code absorbed}: much traded at one price, which held
 * @param time of its first print, microseconds
 * @param end of its last print
 * @param price of its first print
 * @param size of all its prints
 * @param side of {@link dev.yardarm.core.series.TickSeries}
 * @param prints how many
 */
public record PlantedOrder(String kind, long time, long end, double price, double size, byte side, int prints) {
    /** The same at another price. */
    public PlantedOrder at(double priced) {
        return new PlantedOrder(kind, time, end, priced, size, side, prints);
    }
}
