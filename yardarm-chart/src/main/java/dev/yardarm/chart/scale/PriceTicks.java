package dev.yardarm.chart.scale;

import java.util.ArrayList;
import java.util.List;

/** Round prices for the marks of a price axis. */
public final class PriceTicks {
    private static final double[] STEPS = {1, 2, 2.5, 5, 10};
    private static final double[][] DIGITS = {{1}, {1, 3}, {1, 2, 5}, {1, 1.5, 2, 3, 5, 7}};

    private PriceTicks() {}

    /**
     * Prices at least so many pixels apart, from low to high.
     *
     * @param leastStep no smaller step than this, the instrument's tick
     */
    public static List<Double> of(PriceScale scale, double pixelsApart, double leastStep) {
        List<Double> prices = new ArrayList<>();
        if (scale.isLogarithmic() && scale.high() / scale.low() > 3) {
            logarithmic(scale, pixelsApart, prices);
            return prices;
        }
        double raw = (scale.high() - scale.low()) * pixelsApart / (scale.bottom() - scale.top());
        double step = round(Math.max(raw, leastStep), leastStep);
        for (long number = (long) Math.ceil(scale.low() / step); number * step <= scale.high(); number++) {
            prices.add(number * step);
            if (prices.size() > 200) {
                break;
            }
        }
        return prices;
    }

    /** In every decade the same digits: as many as keep their distance. */
    private static void logarithmic(PriceScale scale, double pixelsApart, List<Double> prices) {
        double perDecade = (scale.bottom() - scale.top()) / Math.log10(scale.high() / scale.low());
        double[] digits = DIGITS[0];
        for (double[] candidate : DIGITS) {
            if (nearest(candidate) * perDecade >= pixelsApart) {
                digits = candidate;
            }
        }
        double decade = Math.pow(10, Math.floor(Math.log10(scale.low())));
        while (decade <= scale.high() && prices.size() < 200) {
            for (double digit : digits) {
                double price = decade * digit;
                if (price >= scale.low() && price <= scale.high()) {
                    prices.add(price);
                }
            }
            decade *= 10;
        }
    }

    /** The smallest distance between neighbouring digits, in decades. */
    private static double nearest(double[] digits) {
        double least = Math.log10(10 / digits[digits.length - 1]);
        for (int at = 1; at < digits.length; at++) {
            least = Math.min(least, Math.log10(digits[at] / digits[at - 1]));
        }
        return least;
    }

    /** The smallest round step that is no smaller than asked, and a multiple of the tick where that matters. */
    private static double round(double least, double tick) {
        double decade = Math.pow(10, Math.floor(Math.log10(least)));
        for (double step : STEPS) {
            double candidate = step * decade;
            double ticks = candidate / tick;
            boolean onTicks = ticks > 100 || Math.abs(ticks - Math.rint(ticks)) < 1e-6;
            if (candidate >= least * (1 - 1e-9) && onTicks) {
                return candidate;
            }
        }
        return 10 * decade;
    }
}
