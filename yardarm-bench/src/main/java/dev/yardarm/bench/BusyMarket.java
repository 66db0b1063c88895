package dev.yardarm.bench;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;

/** 500 instruments that trade in even steps round the clock; a price follows from its moment alone. */
final class BusyMarket implements LiveSource {
    static final int INSTRUMENTS = 500;
    /** A moment it can be watched from. */
    static final long START = 1_781_000_000L * Times.SECOND;

    private static final int DAYS = 60;

    private final List<Instrument> all = new ArrayList<>();
    private final AtomicLong trades = new AtomicLong();
    private final long between;

    /** @param between microseconds from one trade of an instrument to its next */
    BusyMarket(long between) {
        this.between = between;
        for (int at = 0; at < INSTRUMENTS; at++) {
            all.add(new Instrument(
                    new InstrumentId("busy", "B" + at),
                    "Busy " + at,
                    "",
                    Instrument.Kind.SHARE,
                    "",
                    "",
                    PriceFormat.ofDecimals(2),
                    1,
                    1,
                    "",
                    0));
        }
    }

    double price(int number, long time) {
        double seconds = (time - START) / 1e6;
        long noise = (time / between * 2_654_435_761L + number * 40_503L) >>> 7;
        return Math.rint((100
                                + 0.6 * Math.sin(seconds / 40 + number)
                                + 0.25 * Math.sin(seconds / 7 + 2 * number)
                                + (noise % 21 - 10) * 0.004)
                        * 100)
                / 100;
    }

    /** How many trades were handed out. */
    long traded() {
        return trades.get();
    }

    @Override
    public String name() {
        return "busy";
    }

    @Override
    public List<Instrument> instruments() {
        return all;
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        return TradingCalendar.ROUND_THE_CLOCK;
    }

    @Override
    public List<Timeframe> stored(InstrumentId id) {
        return List.of(Timeframe.MINUTE, Timeframe.DAY);
    }

    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) {
        int number = Integer.parseInt(id.code().substring(1));
        long step = timeframe.isIntraday() ? Times.MINUTE : Times.DAY;
        BarSeries series = new BarSeries(2048);
        long first = Math.max(from, upTo - (timeframe.isIntraday() ? 2 : DAYS) * Times.DAY);
        for (long open = Math.floorDiv(first, step) * step; open < upTo; open += step) {
            double begin = price(number, open);
            double last = price(number, Math.min(upTo, open + step - between));
            double high = Math.max(begin, last) + 0.05;
            double low = Math.min(begin, last) - 0.05;
            if (open + step <= upTo) {
                series.append(open, open + step, begin, high, low, last, 240);
            } else {
                series.form(open, open + step, begin, high, low, last, 100);
            }
        }
        return series;
    }

    @Override
    public void trades(InstrumentId id, long after, long upTo, TickSeries into) {
        int number = Integer.parseInt(id.code().substring(1));
        long offset = number * (between / INSTRUMENTS);
        long next = Math.floorDiv(after - offset, between) + 1;
        for (long time = next * between + offset; time <= upTo; time += between) {
            into.append(time, price(number, time - offset), 1 + number % 7, TickSeries.ASK);
        }
        trades.addAndGet(into.size());
    }
}
