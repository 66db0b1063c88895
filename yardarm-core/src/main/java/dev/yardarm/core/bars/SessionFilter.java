package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;

/**
 * Lets through to another maker what was traded in a part of the session. The moment at which the part ends belongs to
 * what follows it, except at the end of the whole session, which nothing follows.
 */
public final class SessionFilter implements BarMaker {
    private final TradingCalendar whole;
    private final TradingCalendar part;
    private final BarMaker maker;

    public SessionFilter(TradingCalendar whole, TradingCalendar part, BarMaker maker) {
        this.whole = whole;
        this.part = part;
        this.maker = maker;
    }

    private boolean passes(long time) {
        if (part.isOpenAt(time)) {
            return true;
        }
        return time == part.close(part.sessionAt(time)) && !whole.isOpenAt(time);
    }

    @Override
    public void addTick(long time, double price, double size) {
        if (passes(time)) {
            maker.addTick(time, price, size);
        }
    }

    @Override
    public void addTick(long time, double price, double size, byte side) {
        if (passes(time)) {
            maker.addTick(time, price, size, side);
        }
    }

    @Override
    public void addBar(
            long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        if (passes(openTime)) {
            maker.addBar(openTime, closeTime, open, high, low, close, volume);
        }
    }

    @Override
    public void advanceTo(long time) {
        maker.advanceTo(time);
    }

    @Override
    public double lastPrice() {
        return maker.lastPrice();
    }

    @Override
    public BarSeries series() {
        return maker.series();
    }
}
