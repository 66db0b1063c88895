package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;

/** Columns over bars of a higher timeframe, put beside the bars of this graph as they were known. */
final class HigherTask extends Beside {
    private final boolean forming;
    private final HigherBars bars;
    private final Clock clock;

    /** The moment the bar that is being worked on closes: nothing later is known to what is computed inside. */
    private static final class Clock {
        private long moment = Long.MIN_VALUE;

        long moment() {
            return moment;
        }
    }

    HigherTask(ColumnGraph outer, Timeframe timeframe, boolean forming) {
        this(outer, timeframe, forming, new Clock());
    }

    private HigherTask(ColumnGraph outer, Timeframe timeframe, boolean forming, Clock clock) {
        super(outer.over(around(outer.surroundings(), timeframe, forming, clock)));
        this.forming = forming;
        this.clock = clock;
        bars = new HigherBars(outer.surroundings().calendar(), timeframe);
    }

    private static Surroundings around(Surroundings outer, Timeframe timeframe, boolean forming, Clock clock) {
        return outer.seenBy(
                new HigherOthers(outer, timeframe, forming, clock::moment),
                // A trade of the very moment a bar closes belongs to the next one.
                new SidesThen(outer.sides().bySpan(), () -> clock.moment - 1),
                (name, line, time, known) -> outer.drawings().priceAt(name, line, time, Math.min(known, clock.moment)));
    }

    @Override
    void restart() {
        super.restart();
        bars.restart();
    }

    @Override
    void advance(Bars lower, int begin, int end) {
        for (int bar = begin; bar < end; bar++) {
            clock.moment = lower.closeTime(bar);
            boolean ended = bars.closeBefore(lower, bar);
            boolean closed = bars.take(lower, bar) || ended;
            if (closed || forming) {
                inner().update(bars.snapshot());
            }
            write(bar, known(bars.isOpen()));
        }
        end(end);
    }

    @Override
    void finish(Bars lower, int closed) {
        boolean atWork = lower.hasForming();
        if (atWork) {
            clock.moment = lower.closeTime(closed);
        }
        if (atWork && (bars.closeBefore(lower, closed) || forming)) {
            inner().update(forming ? bars.with(lower, closed) : bars.snapshot());
        }
        form(atWork ? known(true) : NOWHERE);
    }

    /** Where the unfinished higher bar is when that is asked for and there is one, else the last complete one. */
    private int known(boolean unfinished) {
        int complete = inner().closed();
        return forming && unfinished ? complete : complete - 1;
    }
}
