package dev.yardarm.core.drawing;

/** A point of a drawing: a moment (microseconds, UTC) and a price. */
public record Anchor(long time, double price) {
    public Anchor {
        if (!Double.isFinite(price)) {
            throw new IllegalArgumentException("a drawing needs a price that is a number");
        }
    }

    public Anchor withPrice(double newPrice) {
        return new Anchor(time, newPrice);
    }
}
