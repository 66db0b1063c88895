package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import java.util.List;

/** Watches an alert that reads no bars, trade by trade. Cost of an alert that waits: a comparison a trade; no bars. */
final class TradesWatching extends FollowedWatching {
    private final Drawn drawn;
    private AlertWatch watch;
    private volatile AlertWatch shown;

    TradesWatching(Alert alert, Instrument instrument, Drawn drawn, AlertRunner.Around around, Teller teller) {
        super(alert, instrument, around, teller);
        this.drawn = drawn;
    }

    @Override
    public boolean isUpToDate(Drawn now) {
        return drawn.equals(now);
    }

    @Override
    public double level(long moment) {
        AlertWatch there = shown;
        return there == null ? Double.NaN : there.level(moment);
    }

    @Override
    public void begin(long now) {
        long setAt = alert().setAt();
        long back = alert().lookBack();
        follow(back == 0 ? setAt : setAt - back - 1, Math.max(now, setAt));
    }

    @Override
    public void begin(PriceBasis basis, TradingCalendar calendar) {
        watch = AlertWatch.plain(
                alert().in(basis),
                drawn.lines(basis, calendar),
                calendar,
                instrument().format().tick());
        shown = watch;
    }

    @Override
    public void trade(long time, double price, double size, byte side, boolean away) {
        report(watch.onTrade(time, price, size, side), away);
    }

    @Override
    public void move(long time, long known, double price, double size, boolean away) {
        report(watch.onMove(time, known, price, size), away);
    }

    @Override
    public void time(long now, boolean away) {
        report(watch.onTime(now), away);
    }

    private void report(List<Firing> fired, boolean away) {
        fired.forEach(each -> tell(each, away));
        if (watch.isDone()) {
            end(watch.isExpired());
        }
    }
}
