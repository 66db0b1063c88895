package dev.yardarm.desk.evidence;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.evidence.Evidence;
import dev.yardarm.core.evidence.Gathering;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.evidence.Regimes;
import dev.yardarm.core.evidence.Study;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.scan.Memberships;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;

/**
 * Gathers evidence: opens a vantage of each instrument, reckons the regimes of the market they make up, and studies each, on all threads
 * that have nothing else to do. Studies are put together in the order of the instruments, so that the figures do not depend on which was
 * done first. An instrument that cannot be looked at is told and costs itself alone.
 *
 * <p>Cost: two passes over the bars, that of the scan and that of what came after; the bars of all instruments are held at once.
 */
public final class EvidenceRunner {
    /** How many instruments are studied before they are put together. */
    private static final int TOGETHER = 64;

    private final Vantages vantages;
    private final Directory directory;
    private final Scheduler scheduler;

    public EvidenceRunner(Vantages vantages, Directory directory, Scheduler scheduler) {
        this.vantages = vantages;
        this.directory = directory;
        this.scheduler = scheduler;
    }

    /**
     * What was found.
     *
     * @param instruments those that were studied, one for each study
     * @param missing what could not be looked at, with the reason
     * @param from when the first bar of all opened
     * @param to before this time bars were looked at: where what is held back begins, or the end of the history
     * @param zone of the days
     * @param moment what time it was
     */
    public record Result(
            Recipe recipe,
            Evidence evidence,
            List<Instrument> instruments,
            List<String> missing,
            long from,
            long to,
            ZoneId zone,
            long moment) {
        /** The same, with more that could not be looked at. */
        public Result without(List<String> more) {
            List<String> all = new ArrayList<>(more);
            all.addAll(missing);
            return new Result(recipe, evidence, instruments, all, from, to, zone, moment);
        }
    }

    /**
     * Gathers evidence.
     *
     * @param language what the condition is written in
     * @param moment what time it is
     * @throws IllegalArgumentException when the condition is no good, or nothing can be looked at
     */
    public Result run(Recipe recipe, Language language, List<Instrument> instruments, long moment, Job job)
            throws Exception {
        return run(recipe, language, Memberships.always(instruments), moment, job);
    }

    /**
     * Gathers evidence among instruments that did not always belong: each counts while it did.
     *
     * @param language what the condition is written in
     * @param moment what time it is
     * @throws IllegalArgumentException when the condition is no good, or nothing can be looked at
     */
    public Result run(Recipe recipe, Language language, Memberships among, long moment, Job job) throws Exception {
        List<Instrument> instruments = among.all();
        Formula condition = Formula.parseCondition(recipe.condition(), language);
        Formula range = Formula.parse("atr(14)", Language.builtIn());
        Needs needs = condition.needs();
        vantages.readMany(instruments, recipe.timeframe(), moment);
        job.check();
        Vantages.Moment now = vantages.at(moment);
        BarRequest request = BarRequest.of(recipe.timeframe());
        int count = instruments.size();
        Vantage[] opened = new Vantage[count];
        Bars[] returns = new Bars[count];
        String[] missing = new String[count];
        AsKnownThen asKnownThen = new AsKnownThen(vantages, moment, condition, request);
        AtomicInteger done = new AtomicInteger();
        all(count, job, at -> {
            Instrument instrument = instruments.get(at);
            try {
                Vantage vantage = now.open(instrument, request, needs, problem -> missing[at] = problem);
                opened[at] = vantage.bars().isEmpty() ? null : vantage;
                returns[at] = inRatios(now, instrument, request, vantage.bars());
                if (opened[at] == null) {
                    missing[at] = instrument.code() + ": there are no bars";
                }
            } catch (IOException | RuntimeException unread) {
                opened[at] = null;
                missing[at] = instrument.code() + ": " + unread.getMessage();
            }
            job.setProgress(0.4 * done.incrementAndGet() / count);
        });
        ZoneId zone = zone(instruments);
        Regimes regimes = new Regimes(zone);
        for (int at = 0; at < count; at++) {
            job.check();
            if (opened[at] != null) {
                regimes.add(returns[at]);
            }
        }
        // Reckoned once, before several threads ask.
        regimes.at(0);
        long from = Long.MAX_VALUE;
        long end = Long.MIN_VALUE;
        for (Vantage each : opened) {
            if (each != null) {
                from = Math.min(from, each.bars().openTime(0));
                end = Math.max(end, each.bars().openTime(each.bars().size() - 1) + 1);
            }
        }
        long to = Math.min(
                recipe.question().to(), recipe.heldBack() == 0 ? end : end - (long) (recipe.heldBack() * (end - from)));
        Question question = recipe.heldBack() == 0
                ? recipe.question()
                : recipe.question().between(recipe.question().from(), to);
        Study[] studies = new Study[count];
        Gathering gathering = new Gathering(question);
        List<Instrument> of = new ArrayList<>();
        AtomicInteger studied = new AtomicInteger();
        // Some at a time, put together in their order: what a study has by day is much and is let go of then.
        for (int begin = 0; begin < count; begin += TOGETHER) {
            int head = begin;
            int some = Math.min(TOGETHER, count - begin);
            all(some, job, number -> {
                int at = head + number;
                if (opened[at] != null) {
                    Instrument instrument = instruments.get(at);
                    try {
                        Column holds = asKnownThen.holds(instrument, opened[at], problem -> missing[at] = problem);
                        Bars bars = returns[at];
                        ColumnGraph graph = new ColumnGraph();
                        Column ranges = range.in(graph).output();
                        graph.update(bars);
                        studies[at] = Study.of(
                                instrument.code(),
                                instrument.sector(),
                                bars,
                                holds,
                                ranges,
                                regimes,
                                question,
                                time -> among.isIn(instrument, time));
                    } catch (IOException | RuntimeException failed) {
                        missing[at] = instrument.code() + ": the condition cannot be worked out on it ("
                                + failed.getMessage() + ")";
                    }
                }
                job.setProgress(0.4 + 0.6 * studied.incrementAndGet() / count);
            });
            for (int at = head; at < head + some; at++) {
                if (studies[at] != null) {
                    gathering.add(studies[at]);
                    of.add(instruments.get(at));
                }
                opened[at] = null;
                returns[at] = null;
            }
        }
        List<String> told =
                Arrays.stream(missing).filter(Objects::nonNull).distinct().toList();
        if (gathering.count() == 0) {
            throw new IllegalArgumentException("there is nothing to look at"
                    + (told.isEmpty() ? "; choose instruments" : ": " + String.join("; ", told)));
        }
        return new Result(recipe, gathering.end(), of, told, from, to, zone, moment);
    }

    /** The bars returns are reckoned over: of a continuous future joined by ratio, since a step in price is no gain or loss. */
    private static Bars inRatios(Vantages.Moment now, Instrument instrument, BarRequest request, Bars bars)
            throws IOException {
        if (instrument.kind() != Instrument.Kind.CONTINUOUS) {
            return bars;
        }
        Bars joined = now.bars(instrument, request.withRoll(request.roll(), BarRequest.Joint.RATIO));
        if (joined.size() != bars.size()) {
            throw new IllegalStateException("joined by ratio it has other bars");
        }
        return joined;
    }

    private void all(int count, Job job, IntConsumer look) throws Exception {
        List<Callable<Void>> looks = new ArrayList<>();
        for (int number = 0; number < count; number++) {
            int at = number;
            looks.add(() -> {
                job.check();
                look.accept(at);
                return null;
            });
        }
        scheduler.inParallel(Lane.BEHIND, looks);
    }

    private ZoneId zone(List<Instrument> instruments) {
        return directory.calendar(instruments.get(0)).zone();
    }
}
