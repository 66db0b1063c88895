package dev.yardarm.desk.scan;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.scan.ScanOutcome;
import dev.yardarm.core.scan.ScanTerms;
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
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;

/**
 * Runs a scan: opens a vantage of each instrument and puts the condition to its last bar, on all threads that have nothing else
 * to do. Conditions see all that they see on a chart: other instruments, sides of trades, drawings. An instrument that cannot be
 * looked at, or on which the computation fails, is told and costs itself alone.
 *
 * <p>When nothing fits, all are looked at once more for how near they are; the nearest are told.
 */
public final class ScanRunner {
    /** How many of the nearest misses are told. */
    private static final int NEAREST = 10;

    private final Vantages vantages;
    private final Scheduler scheduler;

    /** @param scheduler whose threads it shares out the instruments to */
    public ScanRunner(Vantages vantages, Scheduler scheduler) {
        this.vantages = vantages;
        this.scheduler = scheduler;
    }

    /** An instrument that was looked at, and what came of it. */
    public record Found(Instrument instrument, ScanOutcome outcome) {
        public ScanMatch match() {
            return outcome.match();
        }

        public Bars bars() {
            return outcome.bars();
        }
    }

    /**
     * What a scan found.
     *
     * @param terms of the scan, whose statements the outcomes speak of
     * @param found in the order of the scan, else of the universe
     * @param nearest those that miss by the least, when nothing was found; the nearest first
     * @param missing instruments that could not be looked at, and what conditions read that could not be had, with the reason
     * @param looked how many were looked at
     * @param asOf the moment looked from; of a past day the time before which bars had opened
     */
    public record Result(
            ScanTerms terms, List<Found> found, List<Found> nearest, List<String> missing, int looked, long asOf) {
        public Scan scan() {
            return terms.scan();
        }

        /** The same, with more that could not be looked at. */
        public Result without(List<String> more) {
            List<String> all = new ArrayList<>(more);
            all.addAll(missing);
            return new Result(terms, found, nearest, all, looked, asOf);
        }
    }

    /**
     * From when instruments are looked at.
     *
     * @param moment what time it is
     * @param before of each instrument the bars that opened before this time, as known when the last of them had closed; 0 for all
     *     that is known at the moment
     */
    public record AsOf(long moment, long before) {
        /** What is known at a moment; a bar that has not closed is forming. */
        public static AsOf now(long moment) {
            return new AsOf(moment, 0);
        }
    }

    /** Runs a scan as of a moment. */
    public Result run(Scan scan, Language language, List<Instrument> instruments, long moment, Job job)
            throws Exception {
        return run(scan, language, instruments, AsOf.now(moment), job);
    }

    /**
     * Runs a scan.
     *
     * @param language what it is written in
     * @throws IllegalArgumentException when something of it is no good
     */
    public Result run(Scan scan, Language language, List<Instrument> instruments, AsOf asOf, Job job) throws Exception {
        return run(List.of(scan), language, instruments, asOf, job).get(0);
    }

    /**
     * Runs several scans of one timeframe over the same instruments: each is opened once, and what conditions have in common is
     * computed once.
     *
     * @param language what they are written in
     * @return a result for each
     * @throws IllegalArgumentException when something of one is no good, or they are of several timeframes
     */
    public List<Result> run(List<Scan> scans, Language language, List<Instrument> instruments, AsOf asOf, Job job)
            throws Exception {
        Timeframe timeframe = scans.get(0).timeframe();
        List<ScanTerms> terms = new ArrayList<>();
        for (Scan scan : scans) {
            if (!scan.timeframe().equals(timeframe)) {
                throw new IllegalArgumentException("scans that run together are of one timeframe");
            }
            terms.add(scan.read(language));
        }
        vantages.readMany(instruments, timeframe, asOf.moment());
        job.check();
        Looks looks = new Looks(terms, asOf, job);
        ScanOutcome[][] outcomes = looks.all(instruments, false);
        List<Result> results = new ArrayList<>();
        for (int number = 0; number < terms.size(); number++) {
            results.add(result(terms.get(number), outcomes[number], looks.missing(), instruments, asOf, job));
        }
        return results;
    }

    private Result result(
            ScanTerms terms,
            ScanOutcome[] outcomes,
            List<String> missing,
            List<Instrument> instruments,
            AsOf asOf,
            Job job)
            throws Exception {
        List<Found> found = new ArrayList<>();
        for (int at = 0; at < outcomes.length; at++) {
            if (outcomes[at] != null && outcomes[at].match() != ScanMatch.NO) {
                found.add(new Found(instruments.get(at), outcomes[at]));
            }
        }
        if (!terms.scan().rank().isBlank()) {
            found.sort(Comparator.comparingDouble(ScanRunner::order));
        }
        List<Found> nearest = found.isEmpty() ? nearest(new Looks(List.of(terms), asOf, job), instruments) : List.of();
        return new Result(
                terms, found, nearest, missing, instruments.size(), asOf.before() == 0 ? asOf.moment() : asOf.before());
    }

    /** The largest first, what has no value last. */
    private static double order(Found found) {
        double rank = found.outcome().rank();
        return Double.isNaN(rank) ? Double.POSITIVE_INFINITY : -rank;
    }

    private static List<Found> nearest(Looks looks, List<Instrument> instruments) throws Exception {
        ScanOutcome[] outcomes = looks.all(instruments, true)[0];
        List<Found> near = new ArrayList<>();
        for (int at = 0; at < outcomes.length; at++) {
            if (outcomes[at] != null && outcomes[at].score() == outcomes[at].score()) {
                near.add(new Found(instruments.get(at), outcomes[at]));
            }
        }
        near.sort(Comparator.comparingDouble(each -> -each.outcome().score()));
        return List.copyOf(near.subList(0, Math.min(NEAREST, near.size())));
    }

    /** The looks of one run. */
    private final class Looks {
        private final List<ScanTerms> terms;
        private final Needs needs;
        private final AsOf asOf;
        private final Job job;
        private final BarRequest request;
        private final Map<Long, Vantages.Moment> moments = new ConcurrentHashMap<>();
        private String[] missing = {};

        Looks(List<ScanTerms> terms, AsOf asOf, Job job) {
            this.terms = terms;
            this.needs = terms.stream().map(ScanTerms::needs).reduce(Needs.NONE, Needs::and);
            this.asOf = asOf;
            this.job = job;
            this.request = BarRequest.of(terms.get(0).scan().timeframe());
        }

        List<String> missing() {
            return Arrays.stream(missing).filter(Objects::nonNull).distinct().toList();
        }

        /** For each scan and instrument what became of it; null where it could not be looked at. */
        ScanOutcome[][] all(List<Instrument> instruments, boolean misses) throws Exception {
            ScanOutcome[][] outcomes = new ScanOutcome[terms.size()][instruments.size()];
            String[] problems = new String[instruments.size()];
            AtomicInteger done = new AtomicInteger();
            List<Callable<Void>> looks = new ArrayList<>();
            for (int number = 0; number < instruments.size(); number++) {
                int at = number;
                looks.add(() -> {
                    job.check();
                    List<ScanOutcome> came = look(instruments.get(at), misses, problem -> problems[at] = problem);
                    for (int scan = 0; scan < came.size(); scan++) {
                        outcomes[scan][at] = came.get(scan);
                    }
                    job.setProgress((double) done.incrementAndGet() / instruments.size());
                    return null;
                });
            }
            scheduler.inParallel(Lane.BEHIND, looks);
            missing = problems;
            return outcomes;
        }

        private List<ScanOutcome> look(Instrument instrument, boolean misses, Consumer<String> problem) {
            try {
                Vantages.Moment then = moments.computeIfAbsent(moment(instrument), vantages::at);
                Vantage vantage = then.open(instrument, request, needs, problem);
                return ScanTerms.look(terms, ended(vantage), misses);
            } catch (IOException unread) {
                problem.accept(instrument.code() + ": " + unread.getMessage());
            } catch (RuntimeException failed) {
                problem.accept(
                        instrument.code() + ": the scan cannot be worked out on it (" + failed.getMessage() + ")");
            }
            return List.of();
        }

        /** Of a past day only what had opened before it: at the moment a bar closes the next one may be there, without a trade. */
        private Vantage ended(Vantage vantage) {
            Bars bars = vantage.bars();
            int opened = asOf.before() == 0 ? bars.size() : bars.barAt(asOf.before() - 1) + 1;
            return opened == bars.size()
                    ? vantage
                    : new Vantage(vantage.moment(), bars.first(opened), vantage.surroundings());
        }

        private long moment(Instrument instrument) throws IOException {
            if (asOf.before() == 0) {
                return asOf.moment();
            }
            Bars all = moments.computeIfAbsent(asOf.moment(), vantages::at).bars(instrument, request);
            return Math.min(asOf.moment(), Vantage.momentBefore(asOf.before(), all));
        }
    }
}
