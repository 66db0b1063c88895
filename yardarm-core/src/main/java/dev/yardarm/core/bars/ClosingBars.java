package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;

/**
 * Bars that go by one price at a time, each trade or each finer bar's close: bricks and line break. What price did
 * beyond open and close while a bar formed is kept as its high and low; it does not move the bar.
 */
abstract class ClosingBars extends EventBars {
    /** Most bars that one price may complete. */
    static final int MOST_AT_ONCE = 100_000;

    /** Bars beyond this many must be fewer than {@value #A_PIECE} for each price. */
    private static final long FREE = 500_000;

    private static final int A_PIECE = 20;
    private long pieces;
    private long made;
    private int atOnce;
    /** Extremes of the piece being taken in: the one against the way goes to the first bar it completes. */
    private double highest;

    private double lowest;
    private int way;

    ClosingBars(BarSeries series) {
        super(series, null);
    }

    @Override
    public final void addTick(long time, double price, double size) {
        knownAt = time;
        measure(time, price);
        take(time, price, price, price, size);
    }

    @Override
    public final void addBar(
            long barOpen,
            long barClose,
            double barOpenPrice,
            double barHigh,
            double barLow,
            double barClosePrice,
            double barVolume) {
        knownAt = barClose;
        take(barOpen, barHigh, barLow, barClosePrice, barVolume);
        measure(barHigh, barLow, barClosePrice);
    }

    private void take(long time, double pieceHigh, double pieceLow, double price, double size) {
        if (!begun) {
            begin(time, price, 0);
            started(price);
        }
        pieces++;
        atOnce = 0;
        volume += size;
        highest = pieceHigh;
        lowest = pieceLow;
        way = 0;
        decide(time, price);
        high = Math.max(high, way < 0 ? price : highest);
        low = Math.min(low, way > 0 ? price : lowest);
        close = price;
        changed();
    }

    /** The very first price. */
    abstract void started(double price);

    /** Completes as many bars as the price asks for, with {@link #complete}. */
    abstract void decide(long time, double price);

    /** Takes in the clock of a trade for sizes that follow the average range. */
    void measure(long time, double price) {}

    /** Takes in a complete finer bar for sizes that follow the average range. */
    void measure(double barHigh, double barLow, double barClose) {}

    /** The size that was asked for makes bars without end. */
    static IllegalArgumentException tooSmall(String why) {
        return new IllegalArgumentException("the size of the bars is too small for these prices: " + why
                + "; select a larger one, such as a part of the price in per cent or of the average true range");
    }

    /** Completes a bar between two prices and begins the next at its end. */
    final void complete(long time, double from, double to) {
        made++;
        if (++atOnce > MOST_AT_ONCE || made > FREE + A_PIECE * pieces) {
            throw tooSmall(made + " of them come out of " + pieces + (pieces == 1 ? " price" : " prices"));
        }
        if (way == 0) {
            way = to > from ? 1 : -1;
            high = Math.max(high, way < 0 ? highest : high);
            low = Math.min(low, way > 0 ? lowest : low);
        }
        open = from;
        high = Math.max(high, Math.max(from, to));
        low = Math.min(low, Math.min(from, to));
        close = to;
        finish(knownAt);
        begin(Math.max(time, knownAt), to, 0);
    }
}
