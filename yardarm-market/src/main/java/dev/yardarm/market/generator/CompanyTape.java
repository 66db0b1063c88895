package dev.yardarm.market.generator;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.market.chance.Dice;

/** The tape of a company's share. */
final class CompanyTape extends Tape {
    private final DailyBars days;

    CompanyTape(String code, long seed, Sessions sessions, int firstIntraday, DailyBars days) {
        super(code, seed, sessions, firstIntraday);
        this.days = days;
    }

    @Override
    double price(int ticks) {
        return DailyBars.price(ticks);
    }

    @Override
    void appendDay(int session, long open, long close, BarSeries series) {
        series.append(
                open,
                close,
                DailyBars.price(days.open[session]),
                DailyBars.price(days.high[session]),
                DailyBars.price(days.low[session]),
                DailyBars.price(days.close[session]),
                days.volume[session]);
    }

    @Override
    void fillMinutes(int session, MinutePath path) {
        path.fill(
                new Dice(seed(), Dice.key(code()), Dice.key("minutes"), session),
                days.open[session],
                days.high[session],
                days.low[session],
                days.close[session],
                days.volume[session]);
    }
}
