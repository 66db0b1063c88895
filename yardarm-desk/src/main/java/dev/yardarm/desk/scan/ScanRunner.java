package dev.yardarm.desk.scan;

import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;

/** Runs a scan: loads each instrument's bars and puts the conditions to them, on all cores. */
public final class ScanRunner {
    private final Histories histories;
    private final Function<InstrumentId, List<Drawing>> drawings;

    public ScanRunner(Histories histories) {
        this(histories, id -> List.of());
    }

    /** @param drawings of an instrument as they are kept, for conditions that read them; asked by several threads */
    public ScanRunner(Histories histories, Function<InstrumentId, List<Drawing>> drawings) {
        this.histories = histories;
        this.drawings = drawings;
    }

    /** An instrument that fits, with its bars. */
    public record Found(Instrument instrument, ScanMatch match, Bars bars) {}

    /**
     * What a scan found.
     *
     * @param found in the order of the list
     * @param missing instruments that could not be looked at, with the reason
     */
    public record Result(Scan scan, List<Found> found, List<String> missing, int looked, long asOf) {}

    /**
     * Runs a scan as of a moment.
     *
     * @throws IllegalArgumentException when a condition is no good
     */
    public Result run(Scan scan, List<Instrument> instruments, long now, Job job) throws Exception {
        List<Formula> conditions = scan.formulas();
        Found[] found = new Found[instruments.size()];
        String[] missing = new String[instruments.size()];
        Map<InstrumentId, Optional<Bars>> others = new ConcurrentHashMap<>();
        AtomicInteger next = new AtomicInteger();
        AtomicInteger done = new AtomicInteger();
        int threads = Math.max(1, Runtime.getRuntime().availableProcessors());
        List<Callable<Void>> workers = new ArrayList<>();
        for (int worker = 0; worker < threads; worker++) {
            workers.add(() -> {
                for (int at = next.getAndIncrement(); at < found.length; at = next.getAndIncrement()) {
                    job.check();
                    look(scan, instruments.get(at), conditions, now, others, at, found, missing);
                    job.setProgress((double) done.incrementAndGet() / found.length);
                }
                return null;
            });
        }
        try {
            Scheduler.inParallel(threads, workers);
        } catch (java.util.concurrent.ExecutionException failed) {
            if (failed.getCause() instanceof Exception cause) {
                throw cause;
            }
            throw failed;
        }
        return new Result(
                scan,
                Arrays.stream(found).filter(Objects::nonNull).toList(),
                Arrays.stream(missing).filter(Objects::nonNull).toList(),
                instruments.size(),
                now);
    }

    private void look(
            Scan scan,
            Instrument instrument,
            List<Formula> conditions,
            long now,
            Map<InstrumentId, Optional<Bars>> others,
            int at,
            Found[] found,
            String[] missing) {
        try {
            Histories.Loaded loaded = histories.load(instrument, scan.timeframe(), now);
            Bars bars = loaded.series().snapshot();
            List<Drawing> own = !readsDrawings(conditions)
                    ? List.of()
                    : drawings.apply(instrument.id()).stream()
                            .map(loaded.basis()::shown)
                            .toList();
            TradingCalendar calendar = histories.calendar(instrument);
            ScanMatch match = ScanMatch.of(
                    bars,
                    conditions,
                    new Surroundings(calendar, code -> histories
                                    .comparable(instrument, code)
                                    .flatMap(other -> others.computeIfAbsent(other.id(), id -> bars(other, scan, now)))
                                    .map(compared -> () -> compared))
                            .with(new NamedDrawings(calendar, own)));
            if (match != ScanMatch.NO) {
                found[at] = new Found(instrument, match, bars);
            }
        } catch (IOException unread) {
            missing[at] = instrument.code() + ": " + unread.getMessage();
        }
    }

    private static boolean readsDrawings(List<Formula> conditions) {
        return conditions.stream().anyMatch(each -> !each.drawings().isEmpty());
    }

    /** The bars of an instrument that conditions compare with; loaded once for a scan, none when they cannot be had. */
    private Optional<Bars> bars(Instrument other, Scan scan, long now) {
        try {
            return Optional.of(
                    histories.load(other, scan.timeframe(), now).series().snapshot());
        } catch (IOException unread) {
            return Optional.empty();
        }
    }
}
