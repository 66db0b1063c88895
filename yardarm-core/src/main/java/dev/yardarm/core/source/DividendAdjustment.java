package dev.yardarm.core.source;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;

/**
 * Raw bars with adjusted for dividends earlier prices, as of a stated time: every price before an ex-date is multiplied by
 * one less the amount over the last raw close before it, so returns include what was paid out. Dividends after the
 * stated time do not count. Volumes stay. Cost: O(bars + dividends).
 */
public final class DividendAdjustment {
    private DividendAdjustment() {}

    /** @param raw bars of any timeframe, in the shares of their days */
    public static BarSeries adjust(BarSeries raw, List<CorporateActions.Dividend> dividends, long asOf) {
        Bars bars = raw.snapshot();
        List<CorporateActions.Dividend> known = known(bars, dividends, asOf);
        if (known.isEmpty()) {
            return raw;
        }
        double[] factors = factors(bars, known);
        BarSeries adjusted = new BarSeries(bars.size());
        int next = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            while (next < known.size() && bars.openTime(bar) >= known.get(next).time()) {
                next++;
            }
            double factor = next < known.size() ? factors[next] : 1;
            double open = bars.open(bar) * factor;
            double high = bars.high(bar) * factor;
            double low = bars.low(bar) * factor;
            double close = bars.close(bar) * factor;
            if (bar < bars.closed()) {
                adjusted.append(bars.openTime(bar), bars.closeTime(bar), open, high, low, close, bars.volume(bar));
            } else {
                adjusted.form(bars.openTime(bar), bars.closeTime(bar), open, high, low, close, bars.volume(bar));
            }
        }
        return adjusted;
    }

    /** The same for single prices. */
    public static PriceBasis basis(Bars raw, List<CorporateActions.Dividend> dividends, long asOf) {
        List<CorporateActions.Dividend> known = known(raw, dividends, asOf);
        double[] factors = factors(raw, known);
        List<PriceBasis.Step> steps = new ArrayList<>();
        for (int paid = 0; paid < factors.length; paid++) {
            steps.add(new PriceBasis.Step(known.get(paid).time(), factors[paid], 0));
        }
        return PriceBasis.of(steps);
    }

    /** The dividends that change any of the bars. */
    private static List<CorporateActions.Dividend> known(
            Bars bars, List<CorporateActions.Dividend> dividends, long asOf) {
        return bars.isEmpty()
                ? List.of()
                : dividends.stream()
                        .filter(paid -> paid.time() <= asOf && paid.time() > bars.openTime(0))
                        .toList();
    }

    /** What prices before each dividend are multiplied by, for it and all later ones. */
    private static double[] factors(Bars bars, List<CorporateActions.Dividend> known) {
        double[] factors = new double[known.size()];
        double product = 1;
        for (int paid = known.size() - 1; paid >= 0; paid--) {
            int before = bars.barAt(known.get(paid).time() - 1);
            double close = bars.close(Math.max(0, before));
            product *= Math.max(0.01, 1 - known.get(paid).amount() / close);
            factors[paid] = product;
        }
        return factors;
    }
}
