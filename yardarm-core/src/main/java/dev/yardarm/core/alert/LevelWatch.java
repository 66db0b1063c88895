package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarClock;
import dev.yardarm.core.bars.PriceSteps;

/**
 * Follows a price, a drawing or the value of a formula: one small state machine for all ways in which price can meet it.
 *
 * <p>Everything is measured as {@code d}, how far price stands beyond: {@code price - level} on the way up, {@code level - price} on the way
 * down. Without a given way it is the one from where price stood when the wait began, or from the first trade that is not just at the level.
 * A wait is <i>ready</i> once price has stood on the near side; what meets it makes it unready until price has gone back, so nothing is met
 * twice by standing still. For what is decided at the close of a bar the near side is where the bar before closed.
 *
 * <table>
 * <caption>m is the margin</caption>
 * <tr><th>trigger</th><th>ready from</th><th>met by</th></tr>
 * <tr><td>comes within</td><td>d &lt; -m</td><td>a trade with d &ge; -m</td></tr>
 * <tr><td>reaches</td><td>d &lt; 0</td><td>a trade with d &ge; 0</td></tr>
 * <tr><td>goes through</td><td>d &le; 0</td><td>a trade with d &gt; 0 and d &ge; m</td></tr>
 * <tr><td>closes beyond</td><td>a close with d &le; 0</td><td>a close with d &gt; 0 and d &ge; m</td></tr>
 * <tr><td>overshoots</td><td>d &le; 0</td><td>a bar with a trade d &gt; 0 and d &ge; m that closes with d &le; 0</td></tr>
 * <tr><td>turns back</td><td>d &lt; 0</td><td>after a trade with d &ge; 0 one with d &le; -m, with none d &ge; m between</td></tr>
 * <tr><td>about to close</td><td>a close with d &le; 0</td><td>in the last minutes of a bar price stands at d &gt; 0 and d &ge; m</td></tr>
 * </table>
 *
 * <p>A moment at which the level has no price changes nothing. O(1) a trade.
 */
final class LevelWatch implements WaitWatch {
    private final int number;
    private final Wait wait;
    private final Alert.Trigger trigger;
    private final boolean everyBar;
    private final Readings readings;
    private final BarClock clock;
    private int way;
    private boolean ready;
    /** Ready for what is decided at closes. */
    private boolean closeReady;

    private boolean touched;
    private boolean pierced;
    private final PriceSteps steps;
    private final double dust;
    private double last;
    private long lastTime;
    /** Number of the bar of the last trade. */
    private int lastIn;
    /** Number of the bar in which it was met shortly before the close. */
    private int metIn;

    private double met;
    private long metAt;

    /** @param everyBar true to be met by every bar at whose close it is so */
    LevelWatch(int number, Wait wait, boolean everyBar, Readings readings, BarClock clock) {
        this.number = number;
        this.wait = wait;
        this.trigger = wait.trigger();
        this.everyBar = everyBar;
        this.readings = readings;
        this.clock = clock;
        this.steps = new PriceSteps(readings.tick());
        this.dust = readings.tick() / 1000;
    }

    @Override
    public void begin(long time, double price) {
        way = wait.way();
        ready = false;
        closeReady = false;
        touched = false;
        pierced = false;
        lastIn = -1;
        metIn = -1;
        last = Double.NaN;
        if (!Double.isNaN(price)) {
            double level = level(time);
            if (!Double.isNaN(level)) {
                settle(price, level);
                // What is true of it already is not waited for.
                follow(price, level);
                last = Double.isInfinite(price) ? Double.NaN : price;
            }
        }
    }

    private double level(long time) {
        return readings.level(number, time, clock.read());
    }

    private double margin(double level) {
        return wait.margin().in(level, readings.tick(), readings.range(clock.read()));
    }

    private void settle(double price, double level) {
        if (way == 0 && price != level) {
            way = price < level ? 1 : -1;
        }
    }

    /** How far beyond price stands, without the dust of binary fractions: what is not a thousandth of a step is nothing. */
    private double beyond(double price, double level) {
        double d = way * (price - level);
        return Math.abs(d) < dust ? 0 : d;
    }

    private boolean isFar(double d, double margin) {
        return d > 0 && d >= margin - dust;
    }

    /** Notes on which side price stands. */
    private void follow(double price, double level) {
        double d = beyond(price, level);
        switch (trigger) {
            case COMES_WITHIN -> ready |= d < -margin(level) - dust;
            case REACHES, TURNS_BACK -> ready |= d < 0;
            default -> ready |= d <= 0;
        }
        if (Double.isNaN(last) && d <= 0) {
            closeReady = true;
        }
    }

    @Override
    public boolean onTrade(long time, double price, double size, byte side, boolean moved) {
        double level = level(time);
        if (Double.isNaN(level)) {
            stands(time, price);
            return false;
        }
        settle(price, level);
        if (way == 0) {
            stands(time, price);
            return false;
        }
        double before = last;
        follow(price, level);
        stands(time, price);
        return trigger == Alert.Trigger.ABOUT_TO_CLOSE
                ? onTime(time)
                : decide(price, level, moved ? before : Double.NaN);
    }

    private void stands(long time, double price) {
        last = price;
        lastTime = time;
        lastIn = clock.count();
    }

    /** @param from where price came from through all prices between; NaN when it jumped */
    private boolean decide(double price, double level, double from) {
        double d = beyond(price, level);
        double margin = margin(level);
        switch (trigger) {
            case COMES_WITHIN -> {
                return meet(d >= -margin - dust, level - way * margin, price, from);
            }
            case REACHES -> {
                return meet(d >= 0, level, price, from);
            }
            case GOES_THROUGH -> {
                return meet(isFar(d, margin), level + way * margin, price, from);
            }
            case OVERSHOOTS -> {
                if (ready && isFar(d, margin)) {
                    pierced = true;
                    ready = false;
                }
                return false;
            }
            case TURNS_BACK -> {
                return turn(d, level, margin, price, from);
            }
            default -> {
                return false;
            }
        }
    }

    private boolean meet(boolean there, double threshold, double price, double from) {
        if (!ready || !there) {
            return false;
        }
        ready = false;
        met = at(
                threshold,
                price,
                from,
                trigger == Alert.Trigger.GOES_THROUGH && wait.margin().isNone());
        return true;
    }

    /** Where price met a threshold: on its way through all prices, else with the trade that jumped there. */
    private double at(double threshold, double price, double from, boolean past) {
        return Double.isNaN(from)
                ? price
                : past ? steps.passed(threshold, from, price) : steps.reached(threshold, from, price);
    }

    private boolean turn(double d, double level, double margin, double price, double from) {
        if (d >= margin - dust) {
            // Broken through: that is void until price has been back on the near side.
            touched = false;
            ready = false;
            return false;
        }
        if (touched) {
            if (d <= -margin + dust) {
                touched = false;
                ready = true;
                met = at(level - way * margin, price, from, false);
                return true;
            }
        } else if (ready && d >= 0) {
            touched = true;
            ready = false;
        }
        return false;
    }

    @Override
    public boolean onTime(long time) {
        if (trigger != Alert.Trigger.ABOUT_TO_CLOSE
                || lastIn != clock.count()
                || metIn == clock.count()
                || !(closeReady || everyBar)) {
            return false;
        }
        long moment = clock.formingClose() - wait.early();
        if (time < moment) {
            return false;
        }
        // Since then it has stood there, or since the trade that brought it there.
        long looked = Math.max(moment, lastTime);
        double level = level(looked);
        double d = beyond(last, level);
        if (isFar(d, margin(level))) {
            metIn = clock.count();
            met = last;
            metAt = looked;
            return true;
        }
        return false;
    }

    @Override
    public boolean onClose() {
        double level = level(clock.closeTime() - 1);
        if (Double.isNaN(level)) {
            pierced = false;
            return false;
        }
        settle(clock.close(), level);
        double d = beyond(clock.close(), level);
        boolean there = isFar(d, margin(level));
        boolean result =
                switch (trigger) {
                    case CLOSES_BEYOND -> there && (closeReady || everyBar);
                    case OVERSHOOTS -> pierced && d <= 0;
                    default -> false;
                };
        pierced = false;
        ready |= d <= 0 && trigger == Alert.Trigger.OVERSHOOTS;
        closeReady = d <= 0 || closeReady && !there;
        met = clock.close();
        return result;
    }

    @Override
    public double price() {
        return met;
    }

    @Override
    public long time() {
        return metAt;
    }
}
