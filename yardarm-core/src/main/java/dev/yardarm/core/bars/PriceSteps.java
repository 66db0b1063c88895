package dev.yardarm.core.bars;

/** Arithmetic on the price steps of an instrument without binary dust: 0.1 and 0.2 make 0.3. */
public final class PriceSteps {
    /** Part of a step that is none. */
    private static final double DUST = 1e-6;

    private final double tick;
    private final double inverse;
    private final boolean isWhole;

    public PriceSteps(double tick) {
        if (!(tick > 0) || Double.isInfinite(tick)) {
            throw new IllegalArgumentException("the tick must be above zero, not " + tick);
        }
        this.tick = tick;
        this.inverse = Math.rint(1 / tick);
        this.isWhole = inverse >= 1 && Math.abs(inverse * tick - 1) < 1e-9;
    }

    public double tick() {
        return tick;
    }

    /** The price of so many ticks, the double nearest to it. */
    public double price(double ticks) {
        return isWhole ? ticks / inverse : ticks * tick;
    }

    /** The number of the tick nearest to a price, of two as near the upper one. */
    public long ticks(double price) {
        return (long) Math.floor((isWhole ? price * inverse : price / tick) + 0.5);
    }

    /** The price moved to the nearest tick. */
    double round(double price) {
        return price(Math.rint(isWhole ? price * inverse : price / tick));
    }

    /** The price moved to the nearest thousandth of a tick, which takes binary dust away and leaves the rest. */
    double clean(double price) {
        double thousandths = Math.rint((isWhole ? price * inverse : price / tick) * 1000);
        return isWhole ? thousandths / (inverse * 1000) : thousandths * tick / 1000;
    }

    /**
     * Where a price that moves through all steps from one price to another first is at a level or past it.
     *
     * @param level anywhere; the next step of price past it counts when it is between two
     * @return between {@code from} and {@code to}
     */
    public double reached(double level, double from, double to) {
        double steps = steps(level);
        return between(from <= to ? Math.ceil(steps - DUST) : Math.floor(steps + DUST), from, to);
    }

    /** Where such a price first is past a level. */
    public double passed(double level, double from, double to) {
        double steps = steps(level);
        return between(from <= to ? Math.floor(steps + DUST) + 1 : Math.ceil(steps - DUST) - 1, from, to);
    }

    private double steps(double price) {
        return isWhole ? price * inverse : price / tick;
    }

    private double between(double ticks, double from, double to) {
        double price = price(ticks);
        return from <= to ? Math.min(Math.max(price, from), to) : Math.max(Math.min(price, from), to);
    }
}
