package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarClock;

/**
 * Follows a condition, at the close of bars or with every trade. It is met when it begins to hold: where it did not at the bar before, or at
 * the trade before. Unknown is not holding. O(1) a trade and a bar.
 */
final class HoldWatch implements WaitWatch {
    private final int number;
    private final boolean forming;
    private final boolean everyBar;
    private final Readings readings;
    private final BarClock clock;
    private boolean before;
    private double last = Double.NaN;

    /** @param everyBar true to be met by every bar on which it holds */
    HoldWatch(int number, Wait wait, boolean everyBar, Readings readings, BarClock clock) {
        this.number = number;
        this.forming = wait.trigger() == Alert.Trigger.HOLDS_NOW;
        this.everyBar = everyBar;
        this.readings = readings;
        this.clock = clock;
    }

    @Override
    public void begin(long time, double price) {
        before = forming ? readings.holdsNow(number) : readings.holds(number, clock.read());
    }

    @Override
    public boolean onTrade(long time, double price, double size, byte side, boolean moved) {
        if (!forming) {
            return false;
        }
        last = price;
        return begins(readings.holdsNow(number));
    }

    private boolean begins(boolean now) {
        boolean met = now && !before;
        before = now;
        return met;
    }

    @Override
    public boolean onClose() {
        if (forming) {
            before &= !everyBar;
            return false;
        }
        last = clock.close();
        boolean now = readings.holds(number, clock.read());
        return begins(now) || everyBar && now;
    }

    @Override
    public double price() {
        return last;
    }
}
