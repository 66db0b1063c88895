package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.LargeTradeWatch;
import dev.yardarm.core.alert.TradeWatch;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.market.Directory;

/** Watches an alert on a large trade. */
final class LargeTradeWatching extends TradesWatching {
    private final LargeTradeWatch watch;

    LargeTradeWatching(
            Alert alert, Instrument instrument, Directory directory, AlertRunner.Around around, Teller teller) {
        super(alert, instrument, directory, around, teller);
        this.watch = new LargeTradeWatch(alert, directory.calendar(instrument));
    }

    @Override
    public double level(long moment) {
        return Double.NaN;
    }

    @Override
    long since() {
        // One that is handed over counts from the moment after.
        return watch.since() - 1;
    }

    @Override
    TradeWatch prepare(long now) {
        return watch;
    }
}
