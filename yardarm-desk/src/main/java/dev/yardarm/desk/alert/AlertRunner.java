package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.BiFunction;
import java.util.function.Consumer;

/**
 * Keeps a watch on every waiting alert. When alerts or the drawings they hang on change, the watches are set up anew
 * and given everything traded since each alert was set, so nothing is missed across a restart. A fired alert is written
 * to the books and told.
 */
public final class AlertRunner {
    private final Books books;
    private final Directory directory;
    private final LiveHub hub;
    private final Executor front;
    private final BiFunction<Instrument, Drawing, Drawing> prices;
    private final Consumer<Alert> fired;
    private final List<LiveHub.Subscription> subscriptions = new ArrayList<>();

    /**
     * @param prices puts a drawing as it is kept into prices of now
     * @param fired told on the interface's thread
     */
    public AlertRunner(
            Books books,
            Directory directory,
            LiveHub hub,
            Executor front,
            BiFunction<Instrument, Drawing, Drawing> prices,
            Consumer<Alert> fired) {
        this.prices = prices;
        this.books = books;
        this.directory = directory;
        this.hub = hub;
        this.front = front;
        this.fired = fired;
        books.listen(subject -> {
            if (subject == Books.Subject.ALERTS || subject == Books.Subject.DRAWINGS) {
                arm();
            }
        });
        arm();
    }

    private void arm() {
        subscriptions.forEach(LiveHub.Subscription::close);
        subscriptions.clear();
        for (Alert alert : books.alerts()) {
            Instrument instrument = directory.find(alert.instrument()).orElse(null);
            Drawing drawing = instrument == null
                    ? null
                    : books.drawings(alert.instrument()).stream()
                            .filter(each -> each.id().equals(alert.drawing()))
                            .findFirst()
                            .orElse(null);
            if (!alert.hasFired() && drawing != null) {
                AlertWatch watch = new AlertWatch(
                        alert,
                        prices.apply(instrument, drawing),
                        directory.source(instrument).calendar(instrument));
                subscriptions.add(hub.subscribe(instrument, alert.setAt(), new Listening(watch)));
            }
        }
    }

    private final class Listening implements LiveHub.Listener {
        private final AlertWatch watch;
        private boolean done;

        Listening(AlertWatch watch) {
            this.watch = watch;
        }

        @Override
        public void trade(long time, double price, double size) {
            if (!done) {
                report(watch.onTrade(time, price));
            }
        }

        @Override
        public void beat(long now) {
            if (!done) {
                report(watch.onTime(now));
            }
        }

        private void report(Optional<Alert> result) {
            result.ifPresent(alert -> {
                done = true;
                front.execute(() -> record(alert));
            });
        }
    }

    private void record(Alert alert) {
        boolean stillWaits = books.alerts().stream()
                .anyMatch(each -> each.id().equals(alert.id()) && !each.hasFired() && each.setAt() == alert.setAt());
        if (stillWaits) {
            books.setAlerts(books.alerts().stream()
                    .map(each -> each.id().equals(alert.id()) ? alert : each)
                    .toList());
            fired.accept(alert);
        }
    }
}
