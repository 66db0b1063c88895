package dev.yardarm.core.alert;

/**
 * Follows one wait of an alert while it is that wait's turn. What it is told comes in the order of time; it answers whether the wait is met
 * now. Used by one thread at a time.
 */
interface WaitWatch {
    /**
     * Begins anew.
     *
     * @param price where price stands; NaN when that is not known, so that the next trade decides
     */
    void begin(long time, double price);

    /**
     * Takes in a trade.
     *
     * @param moved true when price went there through all prices between; then {@link #price()} is where it was met
     */
    boolean onTrade(long time, double price, double size, byte side, boolean moved);

    /** Takes in the bar that the clock says has closed. */
    boolean onClose();

    /** Takes in that time has come, before the next trade. */
    default boolean onTime(long time) {
        return false;
    }

    /** Takes in a trade that is not its turn yet. */
    default void see(long time, double price, double size, byte side) {}

    /** The price at which it was met. */
    double price();

    /** The moment at which it was met by {@link #onTime}. */
    default long time() {
        return 0;
    }
}
