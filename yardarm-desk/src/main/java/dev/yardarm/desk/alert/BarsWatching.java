package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Readings;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.follow.Traded;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.vantage.LiveVantage;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.SerialLane;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;

/**
 * Watches an alert that reads bars: conditions, values of formulas, margins in average ranges, bars that are not of time. It has a vantage of
 * its own that goes on with the market, on a lane of its own, and reads formulas at bars that have closed, so what it says is what a chart of
 * that moment shows.
 *
 * <p><b>Why it says the same after a restart</b>: it is set up over the bars as they are known then, and everything traded since the alert was
 * set goes through the same watch. A value at a closed bar does not change with later bars. Only a condition that is to hold while a bar forms
 * is set up over the bars as they were known when the alert was set, and takes the trades since then in one by one.
 *
 * <p>With a new session it is set up anew, as charts are: contracts roll and prices are adjusted for what is known by then. Cost: the bars its
 * formulas rest on; one step of them a bar; a comparison a trade.
 */
final class BarsWatching implements Watching, LiveVantage.Listener {
    /** Days of intraday bars before the one on which it was set: a weekend with a holiday lies between two bars. */
    private static final int DAYS_BEFORE = 5;

    private final Alert alert;
    private final Instrument instrument;
    private final Drawn drawn;
    private final Directory directory;
    private final AlertRunner.Around around;
    private final Teller teller;
    private final SerialLane lane;
    private final boolean forming;
    private LiveVantage vantage;
    private ColumnGraph graph;
    private AlertWatch watch;
    private long border;
    private final List<TickSeries> taken = new ArrayList<>();
    private long time;
    private boolean away = true;
    private volatile double level = Double.NaN;
    private volatile boolean done;

    BarsWatching(
            Alert alert,
            Instrument instrument,
            Drawn drawn,
            Directory directory,
            AlertRunner.Around around,
            Teller teller) {
        this.alert = alert;
        this.instrument = instrument;
        this.drawn = drawn;
        this.directory = directory;
        this.around = around;
        this.teller = teller;
        this.lane = around.scheduler().lane();
        this.forming = alert.waits().stream().anyMatch(wait -> wait.trigger() == Alert.Trigger.HOLDS_NOW);
    }

    @Override
    public Alert alert() {
        return alert;
    }

    @Override
    public boolean isUpToDate(Drawn now) {
        return drawn.equals(now);
    }

    @Override
    public double level(long moment) {
        return level;
    }

    @Override
    public void begin(long now) {
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + alert.id(),
                        "",
                        job -> {
                            setUp(job, Math.max(now, alert.setAt()));
                            return vantage;
                        },
                        opened -> {
                            if (done) {
                                opened.close();
                                teller.ready(this);
                            } else {
                                lane.execute(() -> {
                                    away = false;
                                    opened.goOn(around.hub(), lane, this);
                                    around.front().execute(() -> teller.ready(this));
                                });
                            }
                        },
                        failed -> teller.cannot(this, TradesFollowing.reason(failed)));
    }

    private void setUp(Job job, long now) throws IOException {
        Language language = around.language().get();
        TradingCalendar calendar = directory.calendar(instrument);
        Needs needs = Readings.needs(alert, language);
        AtomicReference<String> missing = new AtomicReference<>();
        long from = forming ? asItWas(now) : now;
        // By dates, so that the first day is the same whenever it is set up: other bars than those of time depend on
        // where they begin.
        long days = Times.date(from, calendar.zone()).toEpochDay()
                - Times.date(alert.setAt(), calendar.zone()).toEpochDay();
        BarRequest request = alert.request().withDays((int) Math.min(100_000, days + DAYS_BEFORE));
        vantage = around.vantages().at(from).openLive(instrument, request, needs, missing::set);
        if (missing.get() != null) {
            vantage.close();
            throw new IOException(missing.get());
        }
        vantage.setDrawings(
                drawn.drawings().stream().map(vantage.basis()::shown).toList());
        vantage.refresh();
        graph = new ColumnGraph(vantage.surroundings());
        Readings readings = new Readings(
                alert.in(vantage.basis()),
                drawn.lines(vantage.basis(), calendar),
                graph,
                language,
                instrument.format().tick());
        graph.update(vantage.now().bars());
        watch = AlertWatch.over(
                alert.in(vantage.basis()), calendar, vantage.now().bars(), readings);
        border = Traded.nextOpen(calendar, now);
        if (forming) {
            Traded.between(directory, instrument, from, now, vantage.basis(), trades -> {
                job.check();
                vantage.catchUp(trades, trades.size() == 0 ? now : trades.time(trades.size() - 1), this);
                return !done;
            });
            vantage.catchUp(TickSeries.EMPTY, now, this);
            taken.clear();
        } else if (readsTrades()) {
            Traded.between(directory, instrument, alert.setAt(), now, vantage.basis(), trades -> {
                job.check();
                feed(trades);
                return !done;
            });
        }
        time(now);
        level = watch.level(now);
    }

    /** Where bars are to be as they were known when it was set; of prices that were adjusted since, from then on. */
    private long asItWas(long now) throws IOException {
        long from = alert.setAt();
        for (long moment : around.vantages().at(now).adjustments(instrument, alert.request())) {
            from = moment <= now ? Math.max(from, moment) : from;
        }
        return from;
    }

    /** False when closes alone decide, which are in the bars. */
    private boolean readsTrades() {
        return alert.waits().stream().anyMatch(wait -> wait.trigger() != Alert.Trigger.HOLDS);
    }

    @Override
    public boolean wantsEach() {
        return forming;
    }

    @Override
    public void tookOne(TickSeries trades, int trade) {
        if (!done && trades.time(trade) < border) {
            graph.update(vantage.now().bars());
            watch.extend(vantage.now().bars());
            report(watch.onTrade(trades.time(trade), trades.price(trade), trades.size(trade), trades.side(trade)));
        }
    }

    @Override
    public void took(TickSeries trades, long now) {
        if (!forming && !done && trades.size() > 0) {
            taken.add(trades);
        }
        time = now;
    }

    @Override
    public void changed() {}

    @Override
    public void settled() {
        if (done) {
            return;
        }
        if (time >= border) {
            done = true;
            long now = time;
            around.front().execute(() -> teller.stale(this, now));
            return;
        }
        graph.update(vantage.now().bars());
        watch.extend(vantage.now().bars());
        taken.forEach(this::feed);
        taken.clear();
        time(time);
        level = done ? level : watch.level(time);
    }

    private void feed(TickSeries trades) {
        for (int trade = 0; trade < trades.size() && !done; trade++) {
            report(watch.onTrade(trades.time(trade), trades.price(trade), trades.size(trade), trades.side(trade)));
        }
    }

    private void time(long now) {
        if (!done && now > 0) {
            report(watch.onTime(now));
        }
    }

    private void report(List<Firing> fired) {
        boolean before = away;
        for (Firing each : fired) {
            around.front().execute(() -> teller.fired(this, each, before));
        }
        if (watch.isDone()) {
            done = true;
            if (watch.isExpired()) {
                around.front().execute(() -> teller.expired(this));
            }
        }
    }

    @Override
    public void failed(Throwable problem) {
        around.front().execute(() -> teller.cannot(this, TradesFollowing.reason(problem)));
    }

    @Override
    public void close() {
        done = true;
        around.scheduler().cancel("alert " + alert.id());
        lane.execute(() -> {
            if (vantage != null) {
                vantage.close();
            }
        });
    }
}
