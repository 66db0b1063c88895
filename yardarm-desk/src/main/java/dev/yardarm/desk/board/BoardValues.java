package dev.yardarm.desk.board;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Lane;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * The values of a board that take time: formulas on daily bars with the one that is forming, and levels. They are worked out in the background as
 * a scan is, on all threads that have nothing else to do, and again a while later while the board is looked at. Used by the interface's thread.
 */
final class BoardValues implements AutoCloseable {
    /** True of every bar: nothing is left out. */
    private static final String ALWAYS = "close = close";

    private static final List<String> LEVELS = List.of("levels(2).above", "levels(2).below");

    /** How long values stand before they are worked out again, in nanoseconds. */
    static final long STAND = 20_000_000_000L;

    private final Desk desk;
    private final Runnable changed;
    private final String key = "board values " + UUID.randomUUID();
    private Map<InstrumentId, double[]> found = Map.of();
    private Map<InstrumentId, double[]> levels = Map.of();
    private List<String> formulas = List.of();
    private List<String> of = List.of();
    private boolean withLevels;
    /** By instrument; null until it is asked for after a change. */
    private Map<InstrumentId, List<Alert>> waiting;

    /** @param changed told on the interface's thread when values have come */
    BoardValues(Desk desk, Runnable changed) {
        this.desk = desk;
        this.changed = changed;
    }

    /** Which formulas are worked out, and whether levels are; true when that is other than before. */
    boolean want(List<String> wanted, boolean levelsToo) {
        boolean other = !wanted.equals(formulas) || levelsToo != withLevels;
        formulas = List.copyOf(wanted);
        withLevels = levelsToo;
        return other;
    }

    /** The value of a formula; NaN while it is not known. */
    double value(InstrumentId id, String formula) {
        double[] values = found.get(id);
        int at = of.indexOf(formula);
        return values == null || at < 0 ? Double.NaN : values[at];
    }

    /** The level nearest to a price: the trader's own, those of alerts, and those found on daily bars; NaN for none. */
    double nearestLevel(InstrumentId id, double price) {
        double nearest = Double.NaN;
        for (double level : levels.getOrDefault(id, new double[0])) {
            nearest = nearer(nearest, level, price);
        }
        for (Alert alert : waiting(id)) {
            nearest = nearer(nearest, desk.alertRunner().level(alert), price);
        }
        return nearest;
    }

    /** The alerts that wait on an instrument; those of all are told apart once after each change of them. */
    List<Alert> waiting(InstrumentId id) {
        if (waiting == null) {
            waiting = desk.books().alerts().stream()
                    .filter(desk.books()::waits)
                    .collect(Collectors.groupingBy(Alert::instrument));
        }
        return waiting.getOrDefault(id, List.of());
    }

    /** Alerts were set, taken away or have fired. */
    void alertsChanged() {
        waiting = null;
    }

    private static double nearer(double nearest, double level, double price) {
        boolean closer = Double.isNaN(nearest) || Math.abs(level - price) < Math.abs(nearest - price);
        return level > 0 && closer ? level : nearest;
    }

    /** Says what is wrong with a formula; empty when it can be a column. */
    String problem(String formula) {
        try {
            Formula.parse(formula, desk.language().now());
            return "";
        } catch (FormulaException bad) {
            return bad.getMessage();
        }
    }

    /** Works everything out anew for these instruments; what is under way is left. */
    void workOut(List<Instrument> instruments) {
        List<String> wanted =
                formulas.stream().filter(each -> problem(each).isEmpty()).toList();
        boolean detect = withLevels;
        if (instruments.isEmpty() || wanted.isEmpty() && !detect) {
            return;
        }
        List<String> columns = new ArrayList<>(wanted);
        if (detect) {
            columns.addAll(LEVELS);
        }
        Scan scan = new Scan("", "", "", Universe.ALL, Timeframe.DAY, ALWAYS, "", columns);
        long now = desk.feedServices().now().getAsLong();
        var language = desk.language().now();
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        key,
                        "",
                        job -> {
                            ScanRunner.Result result = new ScanRunner(desk.vantages(), desk.scheduler())
                                    .run(scan, language, instruments, ScanRunner.AsOf.now(now), job);
                            return new Came(result, detect ? drawn(instruments, now, job) : Map.of());
                        },
                        came -> take(came, wanted, detect),
                        failed -> desk.tell("The board's columns cannot be worked out: " + failed.getMessage()));
    }

    private record Came(ScanRunner.Result result, Map<InstrumentId, List<Double>> drawn) {}

    /** The prices of the trader's horizontal levels, in prices of now. */
    private Map<InstrumentId, List<Double>> drawn(List<Instrument> instruments, long now, Job job) {
        Map<InstrumentId, List<Double>> all = new HashMap<>();
        for (Instrument each : instruments) {
            job.check();
            List<Double> prices = new ArrayList<>();
            for (Drawing drawing : desk.books().drawingsAnywhere(each.id())) {
                if (drawing.kind().equals(Drawing.LEVEL)) {
                    prices.add(desk.histories()
                            .inPricesOfNow(each, drawing, now)
                            .anchors()
                            .get(0)
                            .price());
                }
            }
            all.put(each.id(), prices);
        }
        return all;
    }

    private void take(Came came, List<String> wanted, boolean detect) {
        Map<InstrumentId, double[]> values = new HashMap<>();
        Map<InstrumentId, double[]> lines = new HashMap<>();
        for (ScanRunner.Found each : came.result().found()) {
            double[] columns = each.outcome().columns();
            values.put(each.instrument().id(), Arrays.copyOf(columns, wanted.size()));
            if (detect) {
                List<Double> prices = new ArrayList<>(
                        came.drawn().getOrDefault(each.instrument().id(), List.of()));
                for (int at = wanted.size(); at < columns.length; at++) {
                    prices.add(columns[at]);
                }
                lines.put(
                        each.instrument().id(),
                        prices.stream().mapToDouble(Double::doubleValue).toArray());
            }
        }
        of = wanted;
        found = values;
        if (detect) {
            levels = lines;
        }
        changed.run();
    }

    @Override
    public void close() {
        desk.scheduler().cancel(key);
    }
}
