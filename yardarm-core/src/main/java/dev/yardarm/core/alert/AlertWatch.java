package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarClock;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * Watches one alert over trades in their order, live or recorded: what it says follows from the trades since the alert was set and from
 * nothing else, neither from when it was asked nor from how the trades came in pieces.
 *
 * <pre>{@code
 * AlertWatch watch = AlertWatch.plain(alert, on -> path, calendar, tick);
 * watch.onTrade(time, price, size, side).forEach(fired::add);
 * watch.onTime(now).forEach(fired::add);        // bars close although nothing is traded
 * }</pre>
 *
 * <p>With each trade, in this order: the bars that closed before it, then the minutes before a close that have begun, then the trade. Outside
 * its hours, and before it begins to look, the alert follows price without being met. A wait that is met within so many bars after the one
 * before, and is not, gives its turn back to the first. Several waits never share one trade, and a trade that goes through several prices
 * meets them in their order when it is known to have gone through all between.
 *
 * <p>Used by one thread at a time. Cost: O(1) a trade and a bar, no memory but for the bars it reads.
 */
public final class AlertWatch {
    private final Alert alert;
    private final ZoneId zone;
    private final BarClock clock;
    private final Readings readings;
    private final WaitWatch[] waits;
    private int turn;
    private boolean begun;
    private boolean done;
    private boolean expired;
    /** Number of the bar with whose close the turn has passed. */
    private long deadline = Long.MAX_VALUE;
    /** Number of the bar it fired on last. */
    private int firedOn = -1;

    private double last = Double.NaN;
    private List<Firing> fired = List.of();

    private AlertWatch(Alert alert, TradingCalendar calendar, BarClock clock, Readings readings) {
        this.alert = alert;
        this.zone = calendar.zone();
        this.clock = clock;
        this.readings = readings;
        this.waits = new WaitWatch[alert.waits().size()];
        for (int at = 0; at < waits.length; at++) {
            boolean everyBar = waits.length == 1 && alert.terms().repeat() == Terms.Repeat.ONCE_A_BAR;
            Wait wait = alert.waits().get(at);
            waits[at] = wait.on() instanceof Awaited.Traded traded
                    ? new TradedWatch(traded)
                    : wait.trigger().isOfConditions()
                            ? new HoldWatch(at, wait, everyBar, readings, clock)
                            : new LevelWatch(at, wait, everyBar, readings, clock);
        }
    }

    /**
     * A watch of an alert that reads no bars.
     *
     * @param lines drawings over time, in the prices that trades come in; may give null for one that is not there
     * @param tick smallest step of price
     */
    public static AlertWatch plain(
            Alert alert, Function<Awaited.Drawn, Drawing.Path> lines, TradingCalendar calendar, double tick) {
        if (alert.readsBars()) {
            throw new IllegalArgumentException("the alert " + alert.id() + " reads bars");
        }
        if (alert.isElsewhere()) {
            throw new IllegalArgumentException("the alert " + alert.id() + " waits for nothing that is traded");
        }
        BarRule.Time rule = (BarRule.Time) alert.bars();
        return new AlertWatch(
                alert,
                calendar,
                BarClock.of(new BarGrid(calendar, rule.timeframe())),
                new Readings(alert, lines, null, null, tick));
    }

    /**
     * A watch of an alert over bars that are made beside it. Before trades are handed to it, the bars have taken them in and {@link #extend}
     * has been called.
     *
     * @param readings of the same bars
     */
    public static AlertWatch over(Alert alert, TradingCalendar calendar, Bars bars, Readings readings) {
        return new AlertWatch(alert, calendar, BarClock.over(alert.bars().isTime(), bars, alert.setAt()), readings);
    }

    /** The alert. */
    public Alert alert() {
        return alert;
    }

    /** Takes over the bars it reads, grown by the trades that come next. */
    public void extend(Bars grown) {
        clock.extend(grown);
    }

    /** True when it will not fire any more. */
    public boolean isDone() {
        return done;
    }

    /** True when it is done because its time has passed. */
    public boolean isExpired() {
        return expired;
    }

    /** The price it waits for now; NaN when it waits for none. May be asked by any thread where that price comes from no bars. */
    public double level(long time) {
        Wait wait = alert.waits().get(Math.min(turn, waits.length - 1));
        return wait.on() instanceof Awaited.Condition || wait.on() instanceof Awaited.Traded || alert.isElsewhere()
                ? Double.NaN
                : readings.level(Math.min(turn, waits.length - 1), time, clock.read());
    }

    /** How many of its waits have been met in this turn. */
    public int met() {
        return turn;
    }

    /**
     * Takes in a trade.
     *
     * @param time in microseconds UTC, not before that of the last one
     * @param side of {@link dev.yardarm.core.series.TickSeries}
     * @return what fired, in its order; empty mostly
     */
    public List<Firing> onTrade(long time, double price, double size, byte side) {
        return take(time, time, price, size, side, false);
    }

    /** The same of a trade of any size and side. */
    public List<Firing> onTrade(long time, double price) {
        return take(time, time, price, 0, (byte) 0, false);
    }

    /**
     * Takes in that price moved to another one through all between, as in a bar of which single trades are not known.
     *
     * @param known when that is known: the close of the bar
     */
    public List<Firing> onMove(long time, long known, double price, double size) {
        return take(time, known, price, size, (byte) 0, true);
    }

    private List<Firing> take(long time, long known, double price, double size, byte side, boolean moved) {
        fired = List.of();
        if (time < alert.setAt() || done) {
            if (!done) {
                for (WaitWatch each : waits) {
                    each.see(time, price, size, side);
                }
            }
            return fired;
        }
        begin();
        closes(time, false);
        if (time >= alert.terms().until()) {
            expire();
        }
        if (done) {
            return fired;
        }
        clock.trade(time, price);
        for (int at = 0; at < waits.length; at++) {
            if (at != turn) {
                waits[at].see(time, price, size, side);
            }
        }
        boolean looks = alert.terms().lookAt(time, zone);
        while (!done && current().onTrade(time, price, size, side, moved)) {
            if (!looks) {
                break;
            }
            double there = current().price();
            met(time, known, there, clock.formingOpen());
            if (!moved || there == price) {
                break;
            }
        }
        last = price;
        return fired;
    }

    /** Takes in that time has come to a moment without a trade. */
    public List<Firing> onTime(long time) {
        fired = List.of();
        if (!done && time >= alert.setAt()) {
            begin();
            closes(time, true);
            if (!done && time >= alert.terms().until()) {
                expire();
            }
        }
        return fired;
    }

    private void begin() {
        if (!begun) {
            begun = true;
            last = alert.price();
            if (!Double.isNaN(last) && !Double.isInfinite(last)) {
                clock.trade(alert.setAt(), last);
            }
            waits[0].begin(alert.setAt(), last);
        }
    }

    private WaitWatch current() {
        return waits[turn];
    }

    /**
     * The bars that have closed, and before each the minutes before its close.
     *
     * @param by true to take in those that close at the moment itself, whatever ends them
     */
    private void closes(long time, boolean by) {
        while (true) {
            if (current().onTime(Math.min(time, clock.formingClose() - 1))) {
                metInTime();
            }
            if (done || !(by ? clock.closesBy(time) : clock.closesBefore(time))) {
                return;
            }
            if (clock.closeTime() < alert.setAt()) {
                continue;
            }
            if (clock.closeTime() > alert.terms().until()) {
                expire();
                return;
            }
            if (current().onClose() && alert.terms().lookAtClose(clock.closeTime(), zone)) {
                met(clock.closeTime(), clock.closeTime(), current().price(), clock.openTime(), clock.count() - 1);
            } else if (clock.count() > deadline) {
                giveBack(clock.closeTime());
            }
        }
    }

    private void metInTime() {
        long at = current().time();
        if (alert.terms().lookAt(at, zone)) {
            met(at, at, current().price(), clock.formingOpen());
        }
    }

    private void met(long time, long known, double price, long bar) {
        met(time, known, price, bar, clock.count());
    }

    private void met(long time, long known, double price, long bar, int number) {
        if (turn + 1 < waits.length) {
            turn++;
            int within = alert.waits().get(turn).within();
            deadline = within == 0 ? Long.MAX_VALUE : (long) number + within;
            current().begin(time, price);
            return;
        }
        boolean again = alert.terms().repeat() == Terms.Repeat.ONCE_A_BAR && firedOn == number;
        if (!again) {
            firedOn = number;
            if (fired.isEmpty()) {
                fired = new ArrayList<>(1);
            }
            fired.add(Firing.of(alert, "", known, price, bar));
        }
        done = alert.terms().repeat() == Terms.Repeat.ONCE;
        if (waits.length > 1 && !done) {
            turn = 0;
            deadline = Long.MAX_VALUE;
            current().begin(time, price);
        }
    }

    private void giveBack(long time) {
        turn = 0;
        deadline = Long.MAX_VALUE;
        current().begin(time, clock.close());
    }

    private void expire() {
        done = true;
        expired = true;
    }
}
