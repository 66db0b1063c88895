package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;

/**
 * Line break (S. Nison, "Beyond Candlesticks", 1994). A price beyond the last line's end adds a line from there to the
 * price. A price beyond the far ends of the last {@code lines} lines (of all there are, while there are fewer) turns: a
 * line from the last line's beginning to the price. Any other price adds nothing. The first line leads from the first
 * price to the first one that differs.
 */
final class LineBreakBars extends ClosingBars {
    private final double[] tops;
    private final double[] bottoms;
    private int made;
    private double first;
    private boolean rising;

    LineBreakBars(BarSeries series, int lines) {
        super(series);
        tops = new double[lines];
        bottoms = new double[lines];
    }

    @Override
    void started(double price) {
        if (made == 0) {
            first = price;
        }
    }

    @Override
    void decide(long time, double price) {
        if (made == 0) {
            if (price != first) {
                line(time, first, price);
            }
            return;
        }
        int last = (made - 1) % tops.length;
        double top = Double.NEGATIVE_INFINITY;
        double bottom = Double.POSITIVE_INFINITY;
        for (int line = Math.max(0, made - tops.length); line < made; line++) {
            top = Math.max(top, tops[line % tops.length]);
            bottom = Math.min(bottom, bottoms[line % tops.length]);
        }
        if (rising ? price > tops[last] : price > top) {
            line(time, tops[last], price);
        } else if (rising ? price < bottom : price < bottoms[last]) {
            line(time, bottoms[last], price);
        }
    }

    private void line(long time, double from, double to) {
        complete(time, from, to);
        tops[made % tops.length] = Math.max(from, to);
        bottoms[made % tops.length] = Math.min(from, to);
        rising = to > from;
        made++;
    }
}
