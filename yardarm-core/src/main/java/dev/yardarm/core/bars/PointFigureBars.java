package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;

/**
 * Point and figure columns (V. de Villiers, "The Point and Figure Method", 1933; high and low reading after A. Cohen,
 * 1947). A rising column gets a box for each level that price reaches; when price falls by {@code reversal} boxes from
 * the column's top, a falling column begins one box below it, and the other way round. With a reversal of one box, a
 * column of a single box goes on in the other direction instead, so that no column but the last has only one.
 *
 * <p>A column is a bar: it opens at its first box and closes at its last, its high and low are the levels of its ends,
 * its volume that of the trades from its beginning to the next column's. The levels of a fixed box are its multiples,
 * those of a box in per cent the powers of one plus that part. With an average true range each column's box is the value
 * known when it began, in whole ticks.
 *
 * <p>The detail noted with each column is the size of its boxes: in price, or as a part of it for boxes in per cent.
 *
 * <p>The first column begins with the level nearest to the first price in its direction and rises or falls as soon as
 * price reaches the next one.
 */
public final class PointFigureBars extends EventBars {
    private final BarRule.PointFigure rule;
    private final PriceSteps steps;
    private final Yardstick yardstick;
    private Levels levels;
    /** Direction of the current column: 1, -1, or 0 before the first. */
    private int way;

    private long firstBox;
    private long lastBox;
    private double start = Double.NaN;
    private double waitingVolume;
    private double lastPrice = Double.NaN;
    private long waitingTime;

    PointFigureBars(BarSeries series, BarRule.PointFigure rule, double tick) {
        super(series, null);
        this.rule = rule;
        this.steps = new PriceSteps(tick);
        this.yardstick = rule.box() instanceof BoxSize.AverageRange range ? new Yardstick(range.length()) : null;
        this.levels = yardstick == null ? levels(Double.NaN) : null;
    }

    /** The levels that boxes lie on, numbered upward. */
    private interface Levels {
        double price(long number);

        /** The size of a box in price, or as a part of the price for boxes in per cent. */
        double size();

        /** The highest level at or below a price. */
        long floor(double price);

        /** The lowest level at or above a price. */
        default long ceiling(double price) {
            long floor = floor(price);
            return price(floor) >= price - 1e-9 * Math.abs(price) ? floor : floor + 1;
        }
    }

    private Levels levels(double range) {
        if (rule.box() instanceof BoxSize.Percent percent) {
            double ratio = Math.log1p(percent.percent() / 100);
            return new Levels() {
                @Override
                public double price(long number) {
                    return steps.clean(Math.exp(number * ratio));
                }

                @Override
                public double size() {
                    return percent.percent() / 100;
                }

                @Override
                public long floor(double price) {
                    return (long) Math.floor(Math.log(price + steps.tick() * 1e-3) / ratio + 1e-9);
                }
            };
        }
        double ticks = rule.box() instanceof BoxSize.Fixed fixed
                ? fixed.ticks()
                : Math.max(1, Math.rint(range / steps.tick()));
        return new Levels() {
            @Override
            public double price(long number) {
                return steps.price(number * ticks);
            }

            @Override
            public double size() {
                return steps.price(ticks);
            }

            @Override
            public long floor(double price) {
                return (long) Math.floor(price / steps.price(ticks) + 1e-9);
            }
        };
    }

    @Override
    public void addTick(long time, double price, double size) {
        if (yardstick != null) {
            yardstick.addTick(time, price);
        }
        take(time, time, price, price, price, size, true);
    }

    @Override
    public void addBar(
            long barOpen,
            long barClose,
            double barOpenPrice,
            double barHigh,
            double barLow,
            double barClosePrice,
            double barVolume) {
        boolean byEnds = rule.reading() == BarRule.PointFigure.Reading.HIGH_LOW;
        take(
                barOpen,
                barClose,
                byEnds ? barHigh : barClosePrice,
                byEnds ? barLow : barClosePrice,
                barClosePrice,
                barVolume,
                barClosePrice >= barOpenPrice);
        if (yardstick != null) {
            yardstick.addBar(barHigh, barLow, barClosePrice);
        }
    }

    @Override
    public double lastPrice() {
        return lastPrice;
    }

    /** Boxes are complete or not there: a piece that is not complete yet changes none. */
    @Override
    void preview(
            long time, double pieceOpen, double pieceHigh, double pieceLow, double pieceClose, double pieceVolume) {
        // the column stays as it stands
    }

    private void take(long time, long known, double up, double down, double price, double size, boolean rising) {
        knownAt = known;
        lastPrice = price;
        check(Math.max(Math.abs(up), Math.abs(down)), down);
        if (levels == null) {
            if (Double.isNaN(yardstick.value())) {
                waitingVolume += size;
                return;
            }
            levels = levels(yardstick.value());
        }
        if (way == 0) {
            first(time, up, down, price, size, rising);
            return;
        }
        double far = way > 0 ? up : down;
        double near = way > 0 ? down : up;
        long reached = way > 0 ? levels.floor(far) : levels.ceiling(far);
        if ((reached - lastBox) * way > 0) {
            lastBox = reached;
            volume += size;
            draw();
            return;
        }
        long back = way > 0 ? levels.ceiling(near) : levels.floor(near);
        if ((lastBox - back) * way >= rule.reversal()) {
            turn(time, near, size);
        } else {
            volume += size;
            changed();
        }
    }

    /** Levels are numbered exactly: prices beyond what numbers tell apart, or below zero in per cent, have none. */
    private void check(double farthest, double lowest) {
        if (rule.box() instanceof BoxSize.Percent && lowest <= 0) {
            throw new IllegalArgumentException("boxes in per cent need prices above zero, and here is one of " + lowest
                    + "; select a size in ticks or as an average true range");
        }
        if (rule.box() instanceof BoxSize.Fixed && !(farthest / levels.size() < 1L << 52)) {
            throw ClosingBars.tooSmall("a price of " + farthest + " has no number among boxes of " + levels.size());
        }
    }

    private void first(long time, double up, double down, double price, double size, boolean rising) {
        if (Double.isNaN(start)) {
            start = price;
            waitingTime = time;
        }
        waitingVolume += size;
        long above = levels.ceiling(start);
        long below = levels.floor(start);
        boolean canRise = levels.floor(up) >= (above == below ? above + 1 : above);
        boolean canFall = levels.ceiling(down) <= (above == below ? below - 1 : below);
        if (!canRise && !canFall) {
            return;
        }
        way = canRise && (!canFall || rising) ? 1 : -1;
        firstBox = way > 0 ? above : below;
        lastBox = way > 0 ? levels.floor(up) : levels.ceiling(down);
        begin(waitingTime, price, waitingVolume);
        draw();
    }

    /** Ends the column and begins one the other way, or turns a column of one box where one box is enough to turn. */
    private void turn(long time, double price, double size) {
        double end = levels.price(lastBox);
        boolean same = rule.reversal() == 1 && firstBox == lastBox;
        if (!same) {
            finish(knownAt);
        }
        if (yardstick != null && !same) {
            levels = levels(yardstick.value());
        }
        way = -way;
        if (same) {
            volume += size;
        } else {
            firstBox = way > 0 ? strictlyAbove(end) : strictlyBelow(end);
            begin(time, price, size);
        }
        long reached = way > 0 ? levels.floor(price) : levels.ceiling(price);
        lastBox = way > 0 ? Math.max(firstBox, reached) : Math.min(firstBox, reached);
        draw();
    }

    private long strictlyAbove(double price) {
        return levels.floor(price) + 1;
    }

    private long strictlyBelow(double price) {
        return levels.ceiling(price) - 1;
    }

    private void draw() {
        open = levels.price(firstBox);
        close = levels.price(lastBox);
        high = Math.max(open, close);
        low = Math.min(open, close);
        detail = levels.size();
        changed();
    }
}
