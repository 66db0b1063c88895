package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Optional;

/**
 * Columns over bars of a kind other than time, made from the bars of this graph as they close: beside each bar the last one
 * complete when it closed, or the one at work. What a bar does while it forms changes nothing until it has closed: on its way
 * it may go where it does not stay.
 */
final class MadeTask extends Beside {
    private final BarRule rule;
    private final boolean forming;
    private final Surroundings surroundings;
    private final BarSeries series = new BarSeries(0);
    private BarMaker maker;

    MadeTask(ColumnGraph outer, BarRule rule, boolean forming) {
        super(outer.over(outer.surroundings()
                .seenBy(code -> Optional.empty(), Surroundings.NONE.sides(), Surroundings.NONE.drawings())));
        this.rule = rule;
        this.forming = forming;
        this.surroundings = outer.surroundings();
    }

    @Override
    void restart() {
        super.restart();
        series.restart();
        maker = null;
    }

    /** Sessions end bars where there are several bars to a session. */
    private BarMaker maker(Bars bars) {
        TradingCalendar calendar = surroundings.calendar();
        boolean sessions = calendar.usualLength() < Times.DAY
                && new BarSpan(calendar).at(bars, 0) < (double) Times.DAY / Times.MINUTE;
        return BarMakers.of(rule, sessions ? calendar : null, surroundings.tick(), series);
    }

    @Override
    void advance(Bars bars, int from, int to) {
        if (maker == null && to > from) {
            maker = maker(bars);
        }
        for (int bar = from; bar < to; bar++) {
            int before = series.closed();
            maker.addBar(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    bars.open(bar),
                    bars.high(bar),
                    bars.low(bar),
                    bars.close(bar),
                    bars.volume(bar));
            if (forming || series.closed() > before) {
                inner().update(maker.series().snapshot());
            }
            write(bar, place());
        }
        end(to);
    }

    @Override
    void finish(Bars bars, int closed) {
        form(bars.hasForming() ? place() : NOWHERE);
    }

    private int place() {
        return forming && series.hasForming() ? series.closed() : series.closed() - 1;
    }
}
