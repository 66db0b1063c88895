package dev.yardarm.desk.scenario;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scenario.Scenario;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.scenario.ScenarioWatch;
import dev.yardarm.core.scenario.Scenarios;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.follow.Traded;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.Lane;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Watches the scenarios that stand, trade by trade, one following for each instrument, and strikes out what price proves wrong. What was traded
 * while nothing ran is looked through when it starts: by days first, and by trades from the first day whose range goes beyond an invalidation, so
 * that scenarios of last year cost no more than those of today. Used by the interface's thread.
 */
public final class ScenarioRunner {
    private static final Logger LOG = LoggerFactory.getLogger(ScenarioRunner.class);

    private final Books books;
    private final ScenarioWork work;
    private final Histories histories;
    private final TradesFollowing.Around around;
    private final LongSupplier now;
    private final Struck struck;
    private final Map<InstrumentId, Watched> watched = new HashMap<>();

    /** Is told when price has struck a scenario out. */
    @FunctionalInterface
    public interface Struck {
        /** @param away true when it was while nothing watched */
        void tell(Instrument instrument, Scenario scenario, double price, boolean away);
    }

    /** @param now what time it is in the market */
    public ScenarioRunner(
            Books books,
            ScenarioWork work,
            Histories histories,
            TradesFollowing.Around around,
            LongSupplier now,
            Struck struck) {
        this.books = books;
        this.work = work;
        this.histories = histories;
        this.around = around;
        this.now = now;
        this.struck = struck;
        books.scenarioShelf().listen(keys -> armAll());
        around.directory().listen(source -> around.front().execute(() -> told(source)));
        armAll();
    }

    /** A source says something new: of instruments that have the bars of files alone, all that is there now is gone through anew. */
    private void told(String source) {
        for (Watched each : List.copyOf(watched.values())) {
            if (each.instrument.id().source().equals(source) && !Traded.isLive(around.directory(), each.instrument)) {
                watched.remove(each.instrument.id()).close();
            }
        }
        armAll();
    }

    private void armAll() {
        Set<InstrumentId> ids = new HashSet<>(watched.keySet());
        books.scenarioShelf().all().forEach(step -> ids.add(step.instrument()));
        ids.forEach(this::arm);
    }

    private void arm(InstrumentId id) {
        List<Scenario> standing = standing(id);
        Map<String, Long> back = backAt(id);
        Watched there = watched.get(id);
        if (there != null && there.standing.equals(standing) && there.backAt.equals(back)) {
            return;
        }
        if (there != null) {
            watched.remove(id).close();
        }
        if (!standing.isEmpty()) {
            around.directory().find(id).ifPresent(instrument -> watch(instrument, standing, back, now.getAsLong()));
        }
    }

    private List<Scenario> standing(InstrumentId id) {
        Scenarios there = books.scenarios(id);
        return there.all().stream()
                .filter(each -> there.struck(each.id()).isEmpty())
                .toList();
    }

    private Map<String, Long> backAt(InstrumentId id) {
        return books.scenarioSteps(id).stream()
                .filter(step -> step.kind() == ScenarioStep.Kind.STRUCK && step.backAt() != 0)
                .collect(Collectors.toMap(ScenarioStep::scenario, ScenarioStep::backAt, Math::max));
    }

    private void watch(Instrument instrument, List<Scenario> standing, Map<String, Long> back, long moment) {
        Watched made = new Watched(instrument, standing, back);
        watched.put(instrument.id(), made);
        made.begin(moment);
    }

    /** How many instruments are under watch. */
    public int watched() {
        return watched.size();
    }

    /** The scenarios of one instrument under watch. */
    private final class Watched implements TradesFollowing.Follower {
        private final Instrument instrument;
        private final List<Scenario> standing;
        private final Map<String, Long> backAt;
        private final TradesFollowing following;
        private final String key;
        private ScenarioWatch watch;

        Watched(Instrument instrument, List<Scenario> standing, Map<String, Long> backAt) {
            this.instrument = instrument;
            this.standing = standing;
            this.backAt = backAt;
            key = "scenarios " + instrument.id();
            following = new TradesFollowing(instrument, key, around, this);
        }

        void begin(long moment) {
            around.scheduler()
                    .start(
                            Lane.SOON,
                            key + " days",
                            "",
                            job -> from(moment),
                            after -> {
                                if (watched.get(instrument.id()) == this) {
                                    following.begin(after, Math.max(moment, after));
                                }
                            },
                            failed -> cannot(TradesFollowing.reason(failed)));
        }

        /** The moment from which trades have to be looked at one by one. */
        private long from(long moment) throws Exception {
            long made = standing.stream()
                    .mapToLong(each -> backAt.getOrDefault(each.id(), each.madeAt()))
                    .min()
                    .orElse(moment);
            PriceBasis basis = around.vantages().at(moment).basis(instrument);
            List<Scenario> shown = in(basis);
            Bars days =
                    histories.load(instrument, Timeframe.DAY, moment).series().snapshot();
            for (int day = Math.max(0, days.barAt(made)); day < days.size(); day++) {
                int at = day;
                boolean beyond = shown.stream()
                        .anyMatch(each -> each.isInvalidatedBy(days.low(at)) || each.isInvalidatedBy(days.high(at)));
                if (beyond) {
                    return Math.max(made, days.openTime(day) - 1);
                }
            }
            return Math.max(made, days.isEmpty() ? made : days.openTime(days.size() - 1) - 1);
        }

        private List<Scenario> in(PriceBasis basis) {
            return standing.stream().map(each -> each.in(basis)).toList();
        }

        void close() {
            around.scheduler().cancel(key + " days");
            following.close();
        }

        @Override
        public void begin(PriceBasis basis, TradingCalendar calendar) {
            watch = new ScenarioWatch(in(basis), backAt);
        }

        @Override
        public void trade(long time, double price, double size, byte side, boolean away) {
            report(watch.onTrade(time, price), away);
        }

        @Override
        public void time(long moment, boolean away) {
            // Time alone proves nothing wrong.
        }

        private void report(Collection<ScenarioWatch.Found> found, boolean away) {
            found.forEach(each -> around.front().execute(() -> strike(each, away)));
        }

        private void strike(ScenarioWatch.Found found, boolean away) {
            Scenarios there = books.scenarios(instrument.id());
            String id = found.scenario().id();
            if (there.get(id).isPresent() && there.struck(id).isEmpty()) {
                Scenario kept = there.get(id).orElseThrow();
                work.strike(kept, found.price(), found.at());
                struck.tell(instrument, kept, found.price(), away);
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
            if (watched.remove(instrument.id(), this)) {
                close();
                watch(instrument, standing, backAt, moment);
            }
        }

        private void watch(Instrument of, List<Scenario> same, Map<String, Long> back, long moment) {
            ScenarioRunner.this.watch(of, same, back, moment);
        }

        @Override
        public void cannot(String reason) {
            LOG.warn("the scenarios of {} cannot be watched: {}", instrument.code(), reason);
            // Watched again when its source says something new.
            if (watched.remove(instrument.id(), this)) {
                close();
            }
        }
    }

    /** What has happened, in words. */
    public static String words(Instrument instrument, Scenario scenario, double price, boolean away) {
        return "Scenario '" + scenario.title() + "' on " + instrument.code() + " was struck out"
                + (away ? ", while away," : "") + " at "
                + instrument.format().format(price) + "; its share went to the others. Ctrl+Z takes it back.";
    }
}
