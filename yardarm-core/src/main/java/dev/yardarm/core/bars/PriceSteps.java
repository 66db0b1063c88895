package dev.yardarm.core.bars;

/** Arithmetic on the price steps of an instrument without binary dust: 0.1 and 0.2 make 0.3. */
public final class PriceSteps {
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
}
