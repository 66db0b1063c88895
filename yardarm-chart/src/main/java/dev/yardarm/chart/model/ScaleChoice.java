package dev.yardarm.chart.model;

/**
 * How the trader wants the price scale.
 *
 * @param mode what is written on it and how prices are spread
 * @param inverted true with low prices at the top
 * @param fit how it finds its range
 * @param low lower price of a range set by hand or held; NaN otherwise
 * @param high upper price of it
 * @param topMargin free part above the highest price when it fits itself, from 0 to 0.4
 * @param bottomMargin free part below the lowest
 * @param baseTime the bar that percentages and the index are counted from; 0 for the first one in view
 */
public record ScaleChoice(
        Mode mode,
        boolean inverted,
        Fit fit,
        double low,
        double high,
        double topMargin,
        double bottomMargin,
        long baseTime) {
    /** What is written on the axis. */
    public enum Mode {
        LINEAR("linear"),
        LOGARITHMIC("log"),
        PERCENT("percent"),
        INDEXED("index 100");

        private final String word;

        Mode(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** How the range is found. */
    public enum Fit {
        /** Price and what is drawn with it. */
        ALL("fits price and indicators"),
        /** Price alone. */
        PRICE("fits price"),
        /** A fixed height for each price: the range moves with price and does not change its size. */
        HELD("fixed height"),
        /** Set by hand; it stays where it is. */
        MANUAL("by hand");

        private final String words;

        Fit(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public static final ScaleChoice STANDARD =
            new ScaleChoice(Mode.LINEAR, false, Fit.PRICE, Double.NaN, Double.NaN, 0.05, 0.05, 0);

    public ScaleChoice {
        topMargin = Math.max(0, Math.min(0.4, topMargin));
        bottomMargin = Math.max(0, Math.min(0.4, bottomMargin));
        boolean hasRange = high > low;
        if ((fit == Fit.HELD || fit == Fit.MANUAL) && !hasRange) {
            fit = Fit.PRICE;
        }
        if (!hasRange) {
            low = Double.NaN;
            high = Double.NaN;
        }
    }

    /** True when the axis counts from a base. */
    public boolean isRelative() {
        return mode == Mode.PERCENT || mode == Mode.INDEXED;
    }

    public boolean hasRange() {
        return fit == Fit.HELD || fit == Fit.MANUAL;
    }

    public ScaleChoice withMode(Mode other) {
        return new ScaleChoice(other, inverted, fit, low, high, topMargin, bottomMargin, baseTime);
    }

    public ScaleChoice withInverted(boolean on) {
        return new ScaleChoice(mode, on, fit, low, high, topMargin, bottomMargin, baseTime);
    }

    /** Finds its range by itself. */
    public ScaleChoice withFit(Fit other) {
        return new ScaleChoice(mode, inverted, other, low, high, topMargin, bottomMargin, baseTime);
    }

    /** A range set by hand, or held when it was held before. */
    public ScaleChoice withRange(double newLow, double newHigh) {
        return new ScaleChoice(
                mode,
                inverted,
                fit == Fit.HELD ? Fit.HELD : Fit.MANUAL,
                newLow,
                newHigh,
                topMargin,
                bottomMargin,
                baseTime);
    }

    /** Holds the height of a range from now on. */
    public ScaleChoice held(double newLow, double newHigh) {
        return new ScaleChoice(mode, inverted, Fit.HELD, newLow, newHigh, topMargin, bottomMargin, baseTime);
    }

    public ScaleChoice withMargins(double top, double bottom) {
        return new ScaleChoice(mode, inverted, fit, low, high, top, bottom, baseTime);
    }

    public ScaleChoice withBase(long time) {
        return new ScaleChoice(mode, inverted, fit, low, high, topMargin, bottomMargin, time);
    }
}
