package dev.yardarm.desk.room.chart;

/**
 * Where the pointer is, in time and price.
 *
 * @param time 0 when it is nowhere
 * @param price NaN outside the price pane
 */
public record LinkedPointer(long time, double price) {
    public static final LinkedPointer NONE = new LinkedPointer(0, Double.NaN);

    public boolean isShown() {
        return time != 0;
    }
}
