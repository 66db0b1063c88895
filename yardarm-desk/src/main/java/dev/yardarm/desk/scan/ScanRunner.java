package dev.yardarm.desk.scan;

import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Runs a scan: opens a vantage of each instrument and puts the conditions to its last bar, on all threads that have nothing else
 * to do. Conditions see all that they see on a chart: other instruments, sides of trades, drawings.
 */
public final class ScanRunner {
    private final Vantages vantages;
    private final Scheduler scheduler;

    /** @param scheduler whose threads it shares out the instruments to */
    public ScanRunner(Vantages vantages, Scheduler scheduler) {
        this.vantages = vantages;
        this.scheduler = scheduler;
    }

    /** An instrument that fits, with its bars. */
    public record Found(Instrument instrument, ScanMatch match, Bars bars) {}

    /**
     * What a scan found.
     *
     * @param found in the order of the list
     * @param missing instruments that could not be looked at, and what conditions read that could not be had, with the reason
     */
    public record Result(Scan scan, List<Found> found, List<String> missing, int looked, long asOf) {}

    /**
     * Runs a scan as of a moment.
     *
     * @param language what its conditions are written in
     * @throws IllegalArgumentException when a condition is no good
     */
    public Result run(Scan scan, Language language, List<Instrument> instruments, long moment, Job job)
            throws Exception {
        List<Formula> conditions = scan.formulas(language);
        Needs needs = conditions.stream().map(Formula::needs).reduce(Needs.NONE, Needs::and);
        Vantages.Moment then = vantages.at(moment);
        Found[] found = new Found[instruments.size()];
        String[] missing = new String[instruments.size()];
        AtomicInteger done = new AtomicInteger();
        List<Callable<Void>> looks = new ArrayList<>();
        for (int number = 0; number < found.length; number++) {
            int at = number;
            looks.add(() -> {
                job.check();
                look(scan, instruments.get(at), conditions, needs, then, at, found, missing);
                job.setProgress((double) done.incrementAndGet() / found.length);
                return null;
            });
        }
        scheduler.inParallel(Lane.BEHIND, looks);
        return new Result(
                scan,
                Arrays.stream(found).filter(Objects::nonNull).toList(),
                Arrays.stream(missing).filter(Objects::nonNull).distinct().toList(),
                instruments.size(),
                moment);
    }

    private static void look(
            Scan scan,
            Instrument instrument,
            List<Formula> conditions,
            Needs needs,
            Vantages.Moment then,
            int at,
            Found[] found,
            String[] missing) {
        try {
            Vantage vantage =
                    then.open(instrument, BarRequest.of(scan.timeframe()), needs, problem -> missing[at] = problem);
            ScanMatch match = ScanMatch.of(vantage.bars(), conditions, vantage.surroundings());
            if (match != ScanMatch.NO) {
                found[at] = new Found(instrument, match, vantage.bars());
            }
        } catch (IOException unread) {
            missing[at] = instrument.code() + ": " + unread.getMessage();
        }
    }
}
