package dev.yardarm.core.alert;

import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.TickSeries;

/**
 * Follows large trades: it is met by the print that makes one large enough, at once. Prints before its turn count towards their trade; a
 * trade that was large enough by then is not met, however it grows. O(1) a trade.
 */
final class TradedWatch implements WaitWatch {
    private final LargeTrades trades;
    /** Times of the first prints of the trades of each side that were large before its turn. */
    private final long[] before = {Long.MIN_VALUE, Long.MIN_VALUE};

    private long begun = Long.MIN_VALUE;
    private double met;

    TradedWatch(Awaited.Traded wanted) {
        trades = new LargeTrades(wanted.size(), wanted.together());
    }

    @Override
    public void begin(long time, double price) {
        begun = time;
    }

    @Override
    public void see(long time, double price, double size, byte side) {
        LargeTrades.Large large = trades.add(time, price, size, side);
        if (large != null && side != TickSeries.UNKNOWN) {
            before[place(side)] = large.time();
        }
    }

    private static int place(byte side) {
        return side == TickSeries.BID ? 0 : 1;
    }

    @Override
    public boolean onTrade(long time, double price, double size, byte side, boolean moved) {
        if (time <= begun) {
            see(time, price, size, side);
            return false;
        }
        LargeTrades.Large large = trades.add(time, price, size, side);
        if (large == null || side != TickSeries.UNKNOWN && before[place(side)] == large.time()) {
            return false;
        }
        if (side != TickSeries.UNKNOWN) {
            // However it grows, it has been told.
            before[place(side)] = large.time();
        }
        met = large.price();
        return true;
    }

    @Override
    public boolean onClose() {
        return false;
    }

    @Override
    public double price() {
        return met;
    }
}
