package dev.yardarm.core.blend;

import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.Arrays;
import java.util.List;

/**
 * The bars of a blend from those of its parts, all on one timeframe.
 *
 * <p>A bar of the blend stands where every part has one of the same span: for bars within a day that is the same opening time,
 * for longer ones the same day by each part's own calendar, so that exchanges of different hours and zones meet. Where one part has
 * none - a holiday, a halt, before it was listed - the blend has none: nothing is carried on. A bar opens with the first of its
 * parts and closes with the last of them, when all are known; it forms while one of them does.
 *
 * <p>Prices: a formula that is linear in one instrument is worked out field by field, highs and lows changing places under a
 * negative factor. Any other is worked out from closes, and open, high and low are the close: highs of several parts are not of the
 * same moment. A bar without a finite value is left out. Volume is missing.
 *
 * <p>Cost: the bars of all parts once.
 */
public final class BlendedBars {
    private BlendedBars() {}

    /** Says which span a bar belongs to: a number that grows with time and is the same for bars that belong together. */
    @FunctionalInterface
    public interface Span {
        long of(Bars bars, int bar);
    }

    /** Bars and how their spans are told. */
    public record Part(Bars bars, Span span) {
        /** Bars that belong together by their opening time. */
        public static Part byTime(Bars bars) {
            return new Part(bars, (each, bar) -> each.openTime(bar));
        }
    }

    /** @param parts in the order of {@link BlendFormula#parts} */
    public static BarSeries of(BlendFormula formula, List<Part> parts) {
        int[] at = new int[parts.size()];
        BarSeries series = new BarSeries(parts.get(0).bars().size());
        double[] values = new double[parts.size()];
        long before = Long.MIN_VALUE;
        while (true) {
            long latest = Long.MIN_VALUE;
            for (int part = 0; part < at.length; part++) {
                if (at[part] >= parts.get(part).bars().size()) {
                    return series;
                }
                latest = Math.max(latest, span(parts.get(part), at[part]));
            }
            boolean together = true;
            for (int part = 0; part < at.length; part++) {
                if (span(parts.get(part), at[part]) < latest) {
                    at[part]++;
                    together = false;
                }
            }
            if (together) {
                before = add(formula, parts, at, values, series, before);
                for (int part = 0; part < at.length; part++) {
                    at[part]++;
                }
            }
        }
    }

    private static long span(Part part, int bar) {
        return part.span().of(part.bars(), bar);
    }

    /** Adds the bar at a place of each part; gives when the last bar opened. */
    private static long add(
            BlendFormula formula, List<Part> parts, int[] at, double[] values, BarSeries series, long before) {
        long openTime = Long.MAX_VALUE;
        long closeTime = Long.MIN_VALUE;
        boolean forms = false;
        for (int part = 0; part < at.length; part++) {
            Bars bars = parts.get(part).bars();
            openTime = Math.min(openTime, bars.openTime(at[part]));
            closeTime = Math.max(closeTime, bars.closeTime(at[part]));
            forms |= at[part] == bars.closed();
            values[part] = bars.close(at[part]);
        }
        double close = formula.of(values);
        if (Double.isNaN(close) || openTime <= before) {
            return before;
        }
        double open = close;
        double high = close;
        double low = close;
        if (formula.isFieldByField()) {
            Bars bars = parts.get(0).bars();
            open = formula.of(bars.open(at[0]));
            double one = formula.of(bars.high(at[0]));
            double other = formula.of(bars.low(at[0]));
            high = Math.max(one, other);
            low = Math.min(one, other);
        }
        if (forms) {
            series.form(openTime, closeTime, open, high, low, close, Double.NaN);
        } else {
            series.append(openTime, closeTime, open, high, low, close, Double.NaN);
        }
        return openTime;
    }

    /** What a blend is worth from the last prices of its parts, which are kept between trades. */
    public static final class LastPrices {
        private final BlendFormula formula;
        private final double[] prices;

        public LastPrices(BlendFormula formula) {
            this.formula = formula;
            this.prices = new double[formula.parts().size()];
            Arrays.fill(prices, Double.NaN);
        }

        /** Takes the price of a part in; what the blend is worth then, NaN while a part has none. */
        public double take(int part, double price) {
            prices[part] = price;
            return value();
        }

        /** What the blend is worth now. */
        public double value() {
            return formula.of(prices);
        }
    }
}
