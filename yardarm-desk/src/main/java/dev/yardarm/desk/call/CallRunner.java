package dev.yardarm.desk.call;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.call.CallWatch;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.follow.Traded;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.market.Directory;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Executor;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Watches every call that is not decided, trade by trade, and writes down what becomes of it. What was traded while nothing ran is looked
 * through when it starts, so a call says the same over a restart. Used by the interface's thread.
 */
public final class CallRunner {
    private static final Logger LOG = LoggerFactory.getLogger(CallRunner.class);

    private final Books books;
    private final Directory directory;
    private final TradesFollowing.Around around;
    private final LongSupplier now;
    private final Became became;
    private final Map<String, Watched> watched = new HashMap<>();

    /** Is told what became of calls. */
    @FunctionalInterface
    public interface Became {
        /** @param away true when it was while nothing watched */
        void tell(Call call, CallEvent event, boolean away);
    }

    /** @param now what time it is in the market */
    public CallRunner(Books books, TradesFollowing.Around around, LongSupplier now, Became became) {
        this.books = books;
        this.directory = around.directory();
        this.around = around;
        this.now = now;
        this.became = became;
        books.callShelf().listen(this::arm);
        books.callEventShelf()
                .listen(keys -> arm(keys.stream().map(CallEvent.Key::call).collect(Collectors.toSet())));
        Executor front = around.front();
        directory.listen(source -> front.execute(() -> told(source)));
        armAll();
    }

    /** A source says something new: of instruments that have the bars of files alone, all that is there now is gone through anew. */
    private void told(String source) {
        for (Watched each : List.copyOf(watched.values())) {
            if (each.instrument.id().source().equals(source) && !Traded.isLive(directory, each.instrument)) {
                watched.remove(each.call.id()).following.close();
            }
        }
        armAll();
    }

    private void armAll() {
        arm(books.calls().stream().map(Call::id).toList());
    }

    private void arm(Collection<String> ids) {
        for (String id : ids) {
            Call call = books.callShelf().get(id).orElse(null);
            Watched there = watched.get(id);
            boolean wanted = call != null && !books.isOver(call);
            if (wanted && there != null && there.call.equals(call)) {
                continue;
            }
            if (there != null) {
                watched.remove(id).following.close();
            }
            if (wanted) {
                directory.find(call.instrument()).ifPresent(instrument -> watch(call, instrument, now.getAsLong()));
            }
        }
    }

    private void watch(Call call, Instrument instrument, long moment) {
        Watched made = new Watched(call, instrument);
        watched.put(call.id(), made);
        made.following.begin(call.setAt(), Math.max(moment, call.setAt()));
    }

    /** How many calls are under watch. */
    public int watched() {
        return watched.size();
    }

    /** One call under watch. */
    private final class Watched implements TradesFollowing.Follower {
        private final Call call;
        private final Instrument instrument;
        private final TradesFollowing following;
        private CallWatch watch;

        Watched(Call call, Instrument instrument) {
            this.call = call;
            this.instrument = instrument;
            this.following = new TradesFollowing(instrument, "call " + call.id(), around, this);
        }

        @Override
        public void begin(PriceBasis basis, TradingCalendar calendar) {
            Timeframe timeframe = call.bars() instanceof BarRule.Time time ? time.timeframe() : Timeframe.DAY;
            watch = CallWatch.of(
                    call.in(basis),
                    new BarGrid(calendar, timeframe),
                    instrument.format().tick());
        }

        @Override
        public void trade(long time, double price, double size, byte side, boolean away) {
            report(watch.onTrade(time, price), away);
        }

        @Override
        public void move(long time, long known, double price, double size, boolean away) {
            report(watch.onMove(time, known, price), away);
        }

        @Override
        public void time(long moment, boolean away) {
            report(watch.onTime(moment), away);
        }

        private void report(List<CallEvent> events, boolean away) {
            events.forEach(event -> around.front().execute(() -> write(event, away)));
        }

        private void write(CallEvent event, boolean away) {
            boolean stands = watched.get(call.id()) == this
                    && Objects.equals(books.callShelf().get(call.id()).orElse(null), call);
            if (stands && books.callEventShelf().get(event.key()).isEmpty()) {
                books.callEventShelf().put(event);
                became.tell(call, event, away);
            }
        }

        @Override
        public boolean isDone() {
            return watch != null && watch.isDone();
        }

        @Override
        public void ready() {}

        @Override
        public void stale(long moment) {
            if (watched.remove(call.id(), this)) {
                following.close();
                watch(call, instrument, moment);
            }
        }

        private void watch(Call again, Instrument of, long moment) {
            CallRunner.this.watch(again, of, moment);
        }

        @Override
        public void cannot(String reason) {
            LOG.warn("a call on {} cannot be watched: {}", call.instrument(), reason);
            // Watched again when its source says something new.
            if (watched.remove(call.id(), this)) {
                following.close();
            }
        }
    }

    /** Tells what becomes of calls in words. */
    public static String words(Call call, CallEvent event, Instrument instrument, boolean away) {
        String price =
                Double.isNaN(event.price()) ? "" : " at " + instrument.format().format(event.price());
        return "Call on " + instrument.code() + " " + event.kind().words() + price + (away ? ", while away" : "")
                + (call.note().isEmpty() ? "." : ": " + call.note());
    }
}
