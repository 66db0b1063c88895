package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;

/**
 * Bricks, called renko (S. Nison, "Beyond Candlesticks", 1994). The first price is the base. A brick is added when
 * price reaches one size beyond the last brick's end; against its direction that is two sizes from its end. A price that
 * goes further adds several bricks at once, the volume going to the first.
 *
 * <p>A size in per cent makes every level so much higher than the one below. With an average true range each brick takes
 * the value known when the one before was complete, moved to whole ticks, so nothing is redrawn later; until it is known
 * there are no bricks.
 */
final class BrickBars extends ClosingBars {
    private final BoxSize size;
    private final PriceSteps steps;
    private final Yardstick yardstick;
    private double top;
    private double bottom;
    private double current = Double.NaN;
    private double lastPrice;

    BrickBars(BarSeries series, BoxSize size, double tick) {
        super(series);
        this.size = size;
        this.steps = new PriceSteps(tick);
        this.yardstick = size instanceof BoxSize.AverageRange range ? new Yardstick(range.length()) : null;
    }

    @Override
    void started(double price) {
        if (series().closed() == 0) {
            top = price;
            bottom = price;
        }
    }

    @Override
    void measure(long time, double price) {
        if (yardstick != null) {
            yardstick.addTick(time, price);
            resize();
        }
        lastPrice = price;
    }

    @Override
    void measure(double barHigh, double barLow, double barClose) {
        lastPrice = barClose;
        if (yardstick != null) {
            yardstick.addBar(barHigh, barLow, barClose);
            resize();
        }
    }

    /** Takes the average range for the first brick; the base is the price of that moment. */
    private void resize() {
        if (Double.isNaN(current) && !Double.isNaN(yardstick.value())) {
            current = wholeTicks(yardstick.value());
            if (!Double.isNaN(lastPrice)) {
                top = lastPrice;
                bottom = lastPrice;
            }
        }
    }

    private double wholeTicks(double range) {
        return Math.max(steps.tick(), steps.round(range));
    }

    private double above(double price) {
        if (size instanceof BoxSize.Percent percent) {
            return steps.clean(price * (1 + percent.percent() / 100));
        }
        return steps.round(price + (size instanceof BoxSize.Fixed fixed ? steps.price(fixed.ticks()) : current));
    }

    private double below(double price) {
        if (size instanceof BoxSize.Percent percent) {
            return steps.clean(price / (1 + percent.percent() / 100));
        }
        return steps.round(price - (size instanceof BoxSize.Fixed fixed ? steps.price(fixed.ticks()) : current));
    }

    @Override
    void decide(long time, double price) {
        if (yardstick != null && Double.isNaN(current)) {
            return;
        }
        if (size instanceof BoxSize.Percent && price <= 0) {
            throw new IllegalArgumentException("bricks in per cent need prices above zero, and here is one of " + price
                    + "; select a size in ticks or as an average true range");
        }
        double slack = steps.tick() * 1e-6;
        if (!(above(top) > top && below(bottom) < bottom) || Double.isInfinite(above(top) - below(bottom))) {
            throw tooSmall("a brick from " + top + " ends at " + above(top));
        }
        while (price >= above(top) - slack) {
            brick(time, top, above(top));
        }
        while (price <= below(bottom) + slack) {
            brick(time, bottom, below(bottom));
        }
    }

    private void brick(long time, double from, double to) {
        complete(time, from, to);
        top = Math.max(from, to);
        bottom = Math.min(from, to);
        if (yardstick != null) {
            current = wholeTicks(yardstick.value());
        }
    }
}
