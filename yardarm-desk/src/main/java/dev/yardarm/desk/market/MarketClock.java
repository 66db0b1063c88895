package dev.yardarm.desk.market;

import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;

/**
 * What time it is in the market. A frozen clock stands; a running one follows real time, times its speed. After the
 * close it waits a little and goes on with the next session: nobody needs to sit through a simulated night.
 */
public final class MarketClock {
    /** Real nanoseconds the clock rests after a close before the next session begins. */
    private static final long REST = 8_000_000_000L;

    private final TradingCalendar calendar;
    private long now;
    private double speed;
    private boolean running;
    private long lastReal;
    private long restingSince;
    private boolean resting;

    public MarketClock(TradingCalendar calendar, long start, double speed, boolean running) {
        this.calendar = calendar;
        this.now = start;
        this.speed = speed;
        this.running = running;
    }

    /** Microseconds UTC. */
    public synchronized long now() {
        return now;
    }

    public synchronized double speed() {
        return speed;
    }

    public synchronized boolean isRunning() {
        return running;
    }

    /** True while the session is over and the next one is waited for. */
    public synchronized boolean isResting() {
        return resting;
    }

    public synchronized void setSpeed(double newSpeed) {
        if (!(newSpeed > 0 && newSpeed <= 3600)) {
            throw new IllegalArgumentException("the speed must be above 0 and at most 3600, not " + newSpeed);
        }
        speed = newSpeed;
    }

    public synchronized void setRunning(boolean on) {
        running = on;
        lastReal = 0;
    }

    /** Moves on to where it should be at a reading of the real clock, in nanoseconds; returns the new time. */
    public synchronized long advance(long realNanos) {
        long passed = lastReal == 0 ? 0 : Math.max(0, Math.min(realNanos - lastReal, 2_000_000_000L));
        lastReal = realNanos;
        if (!running) {
            return now;
        }
        LocalDate session = calendar.sessionAt(now);
        long close = calendar.close(session);
        if (now < close) {
            resting = false;
            now = Math.min(close, now + (long) (passed / 1000.0 * speed));
            return now;
        }
        if (!resting) {
            resting = true;
            restingSince = realNanos;
        } else if (realNanos - restingSince >= REST) {
            resting = false;
            now = calendar.open(calendar.next(session));
        }
        return now;
    }
}
