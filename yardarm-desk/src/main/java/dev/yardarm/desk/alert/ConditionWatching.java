package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timetable;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicReference;

/**
 * Watches an alert on a condition: at the close of each bar of its timeframe the condition is worked out over the closed bars, as
 * a scan or a chart of that moment would.
 *
 * <p><b>Why anew at each close</b>: it keeps no state that could differ from what a chart shows. All bars that closed since the
 * alert was set are looked at each time and the first on which the condition begins to hold is the one that counts; a restart, a
 * source that was away and a night that was skipped come to the same as having watched all along. Cost: one evaluation a bar, in
 * the background; between two closes a comparison in the heap of what is due.
 */
final class ConditionWatching implements Watching {
    /** Days of intraday bars before the one on which it was set: a weekend with a holiday lies between two bars. */
    private static final int DAYS_BEFORE = 5;

    private final Alert alert;
    private final Instrument instrument;
    private final BarGrid grid;
    private final AlertRunner.Around around;
    private final Teller teller;
    private Listening closes = () -> {};
    private boolean done;

    ConditionWatching(Alert alert, Instrument instrument, BarGrid grid, AlertRunner.Around around, Teller teller) {
        this.alert = alert;
        this.instrument = instrument;
        this.grid = grid;
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
    public void begin() {
        long now = around.now().getAsLong();
        closes = around.schedules()
                .add(Timetable.atBarClose(grid), now, run -> around.front().execute(() -> look(run.now())));
        look(now);
    }

    private void look(long moment) {
        if (done) {
            return;
        }
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + alert.id(),
                        "",
                        job -> firstHeld(moment),
                        came -> {
                            if (done) {
                                return;
                            }
                            teller.ready(this);
                            if (came != null) {
                                teller.fired(this, came);
                            }
                        },
                        failed -> teller.cannot(this, String.valueOf(failed.getMessage())));
    }

    /** The firing at the first bar closed since the alert was set on which the condition begins to hold; null when there is none. */
    private Firing firstHeld(long moment) throws IOException {
        Formula condition =
                Formula.parseCondition(alert.condition(), around.language().get());
        AtomicReference<String> missing = new AtomicReference<>();
        ColumnGraph asked = new ColumnGraph();
        condition.in(asked);
        // Of intraday bars those since it was set, and what averages that fade out need before them.
        int days = (int) Math.min(100_000, Math.max(0, moment - alert.setAt()) / Times.DAY + DAYS_BEFORE);
        Vantage vantage = around.vantages()
                .at(moment)
                .open(
                        instrument,
                        BarRequest.of(alert.timeframe()).withDays(days),
                        condition.needs().withBars(3 * asked.warmUp()),
                        missing::set);
        if (missing.get() != null) {
            throw new IOException(missing.get());
        }
        Bars bars = vantage.bars().first(vantage.bars().closed());
        int bar = bars.closedBy(alert.setAt());
        if (bar >= bars.size()) {
            return null;
        }
        ColumnGraph graph = vantage.graph();
        Column holds = condition.in(graph).output();
        graph.update(bars);
        boolean before = bar > 0 && holds.at(bar - 1) == 1;
        for (; bar < bars.size(); bar++) {
            boolean now = holds.at(bar) == 1;
            if (now && !before) {
                return Firing.of(alert, alert.condition(), bars.closeTime(bar), bars.close(bar), bars.openTime(bar));
            }
            before = now;
        }
        return null;
    }

    @Override
    public void close() {
        done = true;
        closes.close();
        around.scheduler().cancel("alert " + alert.id());
    }
}
