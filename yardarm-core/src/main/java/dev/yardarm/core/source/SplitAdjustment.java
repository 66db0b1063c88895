package dev.yardarm.core.source;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.List;

/**
 * Raw bars seen in the shares of a stated time: prices before a split are divided by its ratio, volumes multiplied.
 * Splits after the stated time do not count, because nobody knew them then. Cost: O(bars + splits).
 */
public final class SplitAdjustment {
    private SplitAdjustment() {}

    public static BarSeries adjust(BarSeries raw, List<CorporateActions.Split> splits, long asOf) {
        List<CorporateActions.Split> known =
                splits.stream().filter(split -> split.time() <= asOf).toList();
        Bars bars = raw.snapshot();
        if (known.isEmpty() || bars.isEmpty() || known.get(known.size() - 1).time() <= bars.openTime(0)) {
            return raw;
        }
        BarSeries adjusted = new BarSeries(bars.size());
        for (int bar = 0; bar < bars.size(); bar++) {
            double factor = factor(known, bars.openTime(bar));
            double open = bars.open(bar) / factor;
            double high = bars.high(bar) / factor;
            double low = bars.low(bar) / factor;
            double close = bars.close(bar) / factor;
            double volume = bars.volume(bar) * factor;
            if (bar < bars.closed()) {
                adjusted.append(bars.openTime(bar), bars.closeTime(bar), open, high, low, close, volume);
            } else {
                adjusted.form(bars.openTime(bar), bars.closeTime(bar), open, high, low, close, volume);
            }
        }
        return adjusted;
    }

    /** The same for single prices. */
    public static PriceBasis basis(List<CorporateActions.Split> splits, long asOf) {
        List<CorporateActions.Split> known =
                splits.stream().filter(split -> split.time() <= asOf).toList();
        return PriceBasis.of(known.stream()
                .map(split -> new PriceBasis.Step(split.time(), 1 / factor(known, split.time() - 1), 0))
                .toList());
    }

    /** By what the raw price of a moment is divided: the product of the ratios of all later splits. */
    private static double factor(List<CorporateActions.Split> splits, long time) {
        double factor = 1;
        for (CorporateActions.Split split : splits) {
            if (time < split.time()) {
                factor *= split.ratio();
            }
        }
        return factor;
    }
}
