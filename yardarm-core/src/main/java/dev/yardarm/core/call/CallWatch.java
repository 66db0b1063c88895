package dev.yardarm.core.call;

import dev.yardarm.core.bars.BarClock;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;

/**
 * Watches one call over trades in their order, live or recorded. What it says follows from the trades since the call was made.
 *
 * <p>The main reading waits until price goes beyond its trigger, at once when it stands there already; then the target may be reached. Price
 * that goes beyond what proves it wrong ends it, triggered or not, and the other reading takes its turn when there is one, with the same
 * rules. A call made while price stands beyond what would prove it wrong waits until price has been on the right side of that. What is
 * to be decided by closes is decided by the close of the call's bars. Its time over, what is undecided has expired. One trade that goes far
 * enough may trigger a call and bring it true.
 *
 * <p>Used by one thread at a time. O(1) a trade, no memory.
 */
public final class CallWatch {
    private final Call call;
    private final BarClock clock;
    private final PriceSteps steps;
    private final double dust;
    private Reading reading;
    private boolean rival;
    private boolean triggered;
    /** True once price has been on the right side of what proves the reading wrong. */
    private boolean sound;

    private boolean done;
    private double last = Double.NaN;
    private List<CallEvent> found = List.of();

    private CallWatch(Call call, BarClock clock, double tick) {
        this.call = call;
        this.clock = clock;
        this.steps = new PriceSteps(tick);
        this.dust = tick / 1000;
        this.reading = call.main();
    }

    /**
     * By bars of time from the calendar alone.
     *
     * @param tick smallest step of price
     */
    public static CallWatch of(Call call, BarGrid grid, double tick) {
        return new CallWatch(call, BarClock.of(grid), tick);
    }

    /** By bars that are there: those of a file. */
    public static CallWatch over(Call call, Bars bars, double tick) {
        return new CallWatch(call, BarClock.over(call.bars().isTime(), bars, call.setAt()), tick);
    }

    /** The call. */
    public Call call() {
        return call;
    }

    /** True when nothing will become of it any more. */
    public boolean isDone() {
        return done;
    }

    /** True while the other reading counts. */
    public boolean isRival() {
        return rival;
    }

    /** True once the reading that counts was triggered. */
    public boolean isTriggered() {
        return triggered;
    }

    /** Takes in a trade; tells what became of the call with it, in its order. */
    public List<CallEvent> onTrade(long time, double price) {
        return take(time, time, price, false);
    }

    /**
     * Takes in that price moved to another one through all between.
     *
     * @param known when that is known
     */
    public List<CallEvent> onMove(long time, long known, double price) {
        return take(time, known, price, true);
    }

    /** Takes in that time has come to a moment without a trade. */
    public List<CallEvent> onTime(long time) {
        found = List.of();
        if (time >= call.setAt()) {
            closes(time, true);
            expire(time);
        }
        return found;
    }

    private List<CallEvent> take(long time, long known, double price, boolean moved) {
        found = List.of();
        if (time < call.setAt() || done) {
            return found;
        }
        closes(time, false);
        expire(time);
        if (done) {
            return found;
        }
        clock.trade(time, price);
        double from = moved ? last : Double.NaN;
        while (!done) {
            double at = step(known, price, from, clock.formingOpen());
            if (Double.isNaN(at)) {
                break;
            }
            from = moved ? at : Double.NaN;
        }
        last = price;
        return found;
    }

    private void closes(long time, boolean by) {
        while (!done && (by ? clock.closesBy(time) : clock.closesBefore(time))) {
            if (clock.closeTime() > call.until()) {
                return;
            }
            if (clock.closeTime() < call.setAt()) {
                continue;
            }
            double close = clock.close();
            if (!triggered && reading.triggerAtClose() && beyond(close, reading.trigger(), reading.way()) > 0) {
                trigger(clock.closeTime(), close, clock.openTime());
            } else if (reading.wrongAtClose() && isWrong(close)) {
                wrong(clock.closeTime(), close, clock.openTime());
            }
        }
    }

    private void expire(long time) {
        if (!done && time >= call.until()) {
            add(CallEvent.Kind.EXPIRED, call.until(), last, 0);
            done = true;
        }
    }

    private double beyond(double price, double level, int way) {
        double d = way * (price - level);
        return Math.abs(d) < dust ? 0 : d;
    }

    private boolean isWrong(double price) {
        boolean beyond = beyond(price, reading.wrong(), -reading.way()) > 0;
        boolean wrong = beyond && (sound || triggered);
        sound |= !beyond;
        return wrong;
    }

    /** The next thing that a price makes of the call; the price at which, or NaN when nothing. */
    private double step(long known, double price, double from, long bar) {
        int way = reading.way();
        if (!reading.wrongAtClose() && isWrong(price)) {
            double at = there(reading.wrong(), -way, price, from, true);
            wrong(known, at, bar);
            return at;
        }
        if (!triggered) {
            if (!reading.triggerAtClose() && beyond(price, reading.trigger(), way) > 0) {
                double at = there(reading.trigger(), way, price, from, true);
                trigger(known, at, bar);
                return at;
            }
            return Double.NaN;
        }
        if (beyond(price, reading.target(), way) >= 0) {
            double at = there(reading.target(), way, price, from, false);
            add(rival ? CallEvent.Kind.RIVAL_CAME_TRUE : CallEvent.Kind.CAME_TRUE, known, at, bar);
            done = true;
            return at;
        }
        return Double.NaN;
    }

    /** Where price met a level on its way through all prices; the price of the trade when it jumped. */
    private double there(double level, int way, double price, double from, boolean past) {
        if (Double.isNaN(from) || way * (from - level) > 0) {
            return Double.isNaN(from) ? price : from;
        }
        return past ? steps.passed(level, from, price) : steps.reached(level, from, price);
    }

    private void trigger(long at, double price, long bar) {
        triggered = true;
        add(rival ? CallEvent.Kind.RIVAL_TRIGGERED : CallEvent.Kind.TRIGGERED, at, price, bar);
    }

    private void wrong(long at, double price, long bar) {
        add(rival ? CallEvent.Kind.RIVAL_PROVED_WRONG : CallEvent.Kind.PROVED_WRONG, at, price, bar);
        if (rival || call.rival() == null) {
            done = true;
        } else {
            rival = true;
            triggered = false;
            sound = false;
            reading = call.rival();
        }
    }

    private void add(CallEvent.Kind kind, long at, double price, long bar) {
        if (found.isEmpty()) {
            found = new ArrayList<>(2);
        }
        found.add(new CallEvent(call.id(), kind, at, price, bar));
    }
}
