package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Optional;

/**
 * Evaluates one waiting alert against trades in their order.
 *
 * <p>Each trade is compared with the drawing's price at the moment of that trade. A gap through the price counts as
 * reaching it. A bar counts as closed when the calendar says so: at the first trade of a later bar, or when time passes
 * its close; its close is its last trade. Cost: O(1) a trade.
 */
public final class AlertWatch implements TradeWatch {
    private final Alert alert;
    private final String on;
    private final Drawing.Path path;
    private final BarGrid grid;
    private BarGrid.Slot slot;
    private double lastPrice = Double.NaN;
    private long lastTime;

    public AlertWatch(Alert alert, Drawing drawing, TradingCalendar calendar) {
        this.alert = alert;
        this.on = drawing.title();
        this.path = drawing.path(calendar);
        this.grid = new BarGrid(calendar, alert.timeframe());
    }

    public Alert alert() {
        return alert;
    }

    @Override
    public Optional<Firing> onTrade(long time, double price, double size, byte side) {
        return onTrade(time, price);
    }

    /** The same of a trade of any size and side. */
    public Optional<Firing> onTrade(long time, double price) {
        if (time < alert.setAt()) {
            return Optional.empty();
        }
        Optional<Firing> fired = onTime(time);
        if (fired.isEmpty() && alert.trigger() == Alert.Trigger.REACHES) {
            double level = path.priceAt(time);
            if (alert.above() ? price <= level : price >= level) {
                fired = Optional.of(firing(time, price, time));
            }
        }
        if (slot == null) {
            slot = grid.slotAt(time);
        }
        lastPrice = price;
        lastTime = time;
        return fired;
    }

    /** A bar may have closed. */
    @Override
    public Optional<Firing> onTime(long time) {
        if (slot == null || time < slot.closeTime()) {
            return Optional.empty();
        }
        long closed = slot.closeTime();
        slot = null;
        if (alert.trigger() != Alert.Trigger.CLOSES_BEYOND) {
            return Optional.empty();
        }
        double level = path.priceAt(Math.max(lastTime, closed - 1));
        boolean beyond = alert.above() ? lastPrice < level : lastPrice > level;
        return beyond ? Optional.of(firing(closed, lastPrice, closed - 1)) : Optional.empty();
    }

    private Firing firing(long at, double price, long within) {
        return Firing.of(alert, on, at, price, grid.slotAt(within).openTime());
    }
}
