package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;

/** Makers for every kind of bar. */
public final class BarMakers {
    private BarMakers() {}

    /**
     * A maker for a rule.
     *
     * @param calendar sessions: bars of time are counted from their open, bars of trades end with them; for kinds other
     *     than time null when sessions do not matter
     * @param tick the instrument's smallest step of price
     */
    public static BarMaker of(BarRule rule, TradingCalendar calendar, double tick, BarSeries series) {
        PriceSteps steps = new PriceSteps(tick);
        if (rule instanceof BarRule.Time time) {
            return new BarBuilder(new BarGrid(calendar, time.timeframe()), series);
        }
        if (rule instanceof BarRule.Ticks ticks) {
            return new TradedBars.OfTicks(series, calendar, ticks.count());
        }
        if (rule instanceof BarRule.Volume volume) {
            return new TradedBars.OfVolume(series, calendar, volume.amount());
        }
        if (rule instanceof BarRule.Range range) {
            return new TradedBars.OfRange(series, calendar, steps.price(range.ticks()), tick);
        }
        if (rule instanceof BarRule.Reversal reversal) {
            return new TradedBars.OfReversal(series, calendar, steps.price(reversal.ticks()), tick);
        }
        if (rule instanceof BarRule.Brick brick) {
            return new BrickBars(series, brick.size(), tick);
        }
        if (rule instanceof BarRule.LineBreak lineBreak) {
            return new LineBreakBars(series, lineBreak.lines());
        }
        if (rule instanceof BarRule.PointFigure pointFigure) {
            return new PointFigureBars(series, pointFigure, tick);
        }
        return new AveragedBars(series);
    }
}
