package dev.yardarm.chart.scale;

/**
 * From price to pixels, straight or logarithmic. A logarithmic scale needs prices above zero; where there are others it
 * behaves as a straight one and {@link #isLogarithmic} says so. Immutable.
 *
 * @param low price at the bottom
 * @param high price at the top
 * @param top pixel of the highest price
 * @param bottom pixel of the lowest price, below the top
 * @param inverted true when the lowest price is at the top instead
 */
public record PriceScale(double low, double high, double top, double bottom, boolean logarithmic, boolean inverted) {
    public PriceScale {
        if (!(high > low) || !(bottom > top)) {
            throw new IllegalArgumentException("a scale needs a high above its low and a bottom below its top: " + low
                    + " to " + high + " on " + top + " to " + bottom);
        }
    }

    public PriceScale(double low, double high, double top, double bottom, boolean logarithmic) {
        this(low, high, top, bottom, logarithmic, false);
    }

    /** A scale that shows the given prices with some air, whatever they are. */
    public static PriceScale fitted(
            double least, double most, double air, double top, double bottom, boolean logarithmic) {
        double smallest = least;
        double largest = most;
        if (!(smallest <= largest)) {
            smallest = 0;
            largest = 1;
        }
        if (largest - smallest < Math.abs(largest) * 1e-9 + 1e-12) {
            double reach = Math.max(1e-6, Math.abs(largest) * 0.01);
            smallest -= reach;
            largest += reach;
        }
        if (logarithmic && smallest > 0) {
            double reach = Math.log(largest / smallest) * air;
            return new PriceScale(smallest * Math.exp(-reach), largest * Math.exp(reach), top, bottom, true);
        }
        double reach = (largest - smallest) * air;
        return new PriceScale(smallest - reach, largest + reach, top, bottom, logarithmic);
    }

    public boolean isLogarithmic() {
        return logarithmic && low > 0;
    }

    public double y(double price) {
        double part = isLogarithmic()
                ? price > 0 ? Math.log(price / low) / Math.log(high / low) : Double.NaN
                : (price - low) / (high - low);
        return inverted ? top + part * (bottom - top) : bottom - part * (bottom - top);
    }

    public double price(double y) {
        double part = inverted ? (y - top) / (bottom - top) : (bottom - y) / (bottom - top);
        return isLogarithmic() ? low * Math.exp(part * Math.log(high / low)) : low + part * (high - low);
    }

    /** The same scale with its prices moved down by a number of pixels. */
    public PriceScale movedBy(double pixels) {
        return inverted
                ? between(price(top - pixels), price(bottom - pixels))
                : between(price(bottom - pixels), price(top - pixels));
    }

    /** The same scale with a range so many times as large, around its middle. */
    public PriceScale stretchedBy(double factor) {
        double middle = (top + bottom) / 2;
        double half = (bottom - top) / 2 * factor;
        return inverted
                ? between(price(middle - half), price(middle + half))
                : between(price(middle + half), price(middle - half));
    }

    /** The same place with other prices; unusable ones leave it as it is. */
    public PriceScale between(double newLow, double newHigh) {
        boolean usable =
                Double.isFinite(newLow) && Double.isFinite(newHigh) && newHigh - newLow > Math.abs(newHigh) * 1e-10;
        return usable ? new PriceScale(newLow, newHigh, top, bottom, logarithmic, inverted) : this;
    }

    /** The same prices the other way up, or not. */
    public PriceScale inverted(boolean on) {
        return new PriceScale(low, high, top, bottom, logarithmic, on);
    }

    /** The same prices over other pixels. */
    public PriceScale over(double newTop, double newBottom) {
        return new PriceScale(low, high, newTop, newBottom, logarithmic, inverted);
    }
}
