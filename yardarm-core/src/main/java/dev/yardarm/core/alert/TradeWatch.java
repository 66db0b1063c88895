package dev.yardarm.core.alert;

import java.util.Optional;

/** Looks at trades in their order until an alert fires. Used by one thread at a time. */
public interface TradeWatch {
    /**
     * Takes in a trade.
     *
     * @param time in microseconds UTC, not before that of the last one
     * @param side of {@link dev.yardarm.core.series.TickSeries}
     * @return the firing when this trade, or the bar it ended, makes it fire
     */
    Optional<Firing> onTrade(long time, double price, double size, byte side);

    /** Takes in that time has passed without a trade. */
    Optional<Firing> onTime(long time);
}
