package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Optional;

/**
 * Watches for a large trade: it fires with the print that makes one large enough, at once. Prints before the alert was set count towards
 * their trade when they are handed over; a trade that was large enough by then does not fire, however it grows. O(1) a trade.
 *
 * <p>To say the same after a restart it is handed all prints from {@link #since()} on, in either case.
 */
public final class LargeTradeWatch implements TradeWatch {
    private final Alert alert;
    private final Alert.On.Traded wanted;
    private final BarGrid grid;
    private final LargeTrades trades;
    /** Times of the first prints of the trades of each side that were large when the alert was set. */
    private final long[] before = {Long.MIN_VALUE, Long.MIN_VALUE};

    /** @param alert on a large trade */
    public LargeTradeWatch(Alert alert, TradingCalendar calendar) {
        this.alert = alert;
        this.wanted = (Alert.On.Traded) alert.on();
        this.grid = new BarGrid(calendar, alert.timeframe());
        this.trades = new LargeTrades(wanted.size(), wanted.together());
    }

    /** From this moment on it is handed trades: a trade that was not complete when the alert was set may have begun then. */
    public long since() {
        return alert.setAt() - wanted.together();
    }

    @Override
    public Optional<Firing> onTrade(long time, double price, double size, byte side) {
        LargeTrades.Large large = trades.add(time, price, size, side);
        if (large == null) {
            return Optional.empty();
        }
        int place = side == TickSeries.BID ? 0 : 1;
        if (time <= alert.setAt()) {
            before[place] = side == TickSeries.UNKNOWN ? before[place] : large.time();
            return Optional.empty();
        }
        if (side != TickSeries.UNKNOWN && before[place] == large.time()) {
            return Optional.empty();
        }
        return Optional.of(Firing.of(
                alert, wanted.words(), time, large.price(), grid.slotAt(time).openTime()));
    }

    @Override
    public Optional<Firing> onTime(long time) {
        return Optional.empty();
    }
}
