package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Watches an alert on what a scan finds anew: each run since the alert was set is compared with the one before it, and who is new fires, one
 * microsecond after the other. A run that was made up for later counts as of when it was due.
 */
final class ScanWatching implements Watching {
    private final Alert alert;
    private final String scan;
    private final Books books;
    private final AlertRunner.Around around;
    private final Teller teller;
    private Listening heard = () -> {};
    private boolean done;

    ScanWatching(Alert alert, Books books, AlertRunner.Around around, Teller teller) {
        this.alert = alert;
        this.scan = ((Awaited.Member) alert.first().on()).scan();
        this.books = books;
        this.around = around;
        this.teller = teller;
    }

    @Override
    public Alert alert() {
        return alert;
    }

    @Override
    public double level(long moment) {
        return Double.NaN;
    }

    @Override
    public boolean isUpToDate(Drawn drawn) {
        return true;
    }

    @Override
    public void begin(long now) {
        heard = books.scanRunShelf().listen(keys -> look(false));
        look(true);
        around.front().execute(() -> teller.ready(this));
    }

    private void look(boolean away) {
        List<ScanRun> runs = books.scanRunShelf().all().stream()
                .filter(run -> run.scan().equalsIgnoreCase(scan))
                .sorted(Comparator.comparingLong(ScanRun::at))
                .toList();
        // Hours are those of the market the alert was set on.
        ZoneId zone = around.following()
                .directory()
                .find(alert.instrument())
                .map(each -> around.following().directory().calendar(each).zone())
                .orElse(ZoneOffset.UTC);
        List<Firing> fresh = new ArrayList<>();
        for (int at = 1; at < runs.size(); at++) {
            ScanRun run = runs.get(at);
            if (run.at() < alert.setAt() || !alert.terms().lookAt(run.at(), zone)) {
                continue;
            }
            int number = 0;
            for (InstrumentId member : run.newSince(runs.get(at - 1))) {
                Firing firing = new Firing(
                        alert.id(),
                        alert.setAt(),
                        member,
                        "",
                        "",
                        alert.note(),
                        alert.bars(),
                        run.at() + number++,
                        0,
                        0);
                if (books.firingShelf().get(firing.key()).isEmpty()) {
                    fresh.add(firing);
                }
            }
        }
        if (alert.terms().repeat() == Terms.Repeat.ONCE && fresh.size() > 1) {
            fresh = fresh.subList(0, 1);
        }
        if (!fresh.isEmpty() && !done) {
            tell(List.copyOf(fresh), away);
        }
    }

    /** Looks up where each stood and then tells them. */
    private void tell(List<Firing> fresh, boolean away) {
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + alert.id(),
                        "",
                        job -> {
                            List<Firing> priced = new ArrayList<>();
                            for (Firing each : fresh) {
                                priced.add(priced(each));
                            }
                            return priced;
                        },
                        priced -> {
                            if (!done) {
                                priced.forEach(each -> teller.fired(this, each, away));
                            }
                        },
                        failed -> teller.cannot(this, TradesFollowing.reason(failed)));
    }

    private Firing priced(Firing firing) {
        Optional<Instrument> instrument = around.following().directory().find(firing.instrument());
        double price = 0;
        if (instrument.isPresent()) {
            try {
                Bars bars = around.vantages().at(firing.at()).bars(instrument.get(), BarRequest.of(Timeframe.DAY));
                price = bars.isEmpty() ? 0 : bars.close(bars.size() - 1);
            } catch (IOException unread) {
                // That it was found is told all the same.
                price = 0;
            }
        }
        return new Firing(
                firing.alert(),
                firing.setAt(),
                firing.instrument(),
                firing.drawing(),
                firing.on(),
                firing.note(),
                firing.bars(),
                firing.at(),
                price,
                firing.bar());
    }

    @Override
    public void close() {
        done = true;
        heard.close();
        around.scheduler().cancel("alert " + alert.id());
    }
}
