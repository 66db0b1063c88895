package dev.yardarm.desk.scan;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.bars.Timetable;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.Schedules;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * Runs saved scans at their times, in the background, and keeps what they find.
 *
 * <p><b>As of when it was due</b>: a run looks from the moment it was due, not from when it came to run. One that was missed (the
 * application was closed, a night was skipped, a run was cut off) is made up at the next start and finds what it would have
 * found then; that it was made up is told. Of several that were missed the last one is made up, and the others are counted.
 *
 * <p>A schedule moves on when its run has been kept, so a run that is cut off half-way is due again. Used by the interface's thread;
 * the scans themselves run on the lane behind.
 */
public final class ScanSchedules {

    private static final TradingCalendar AROUND_THE_CLOCK = TradingCalendar.roundTheClock(ZoneOffset.UTC);

    private final Books books;
    private final ScanWork work;
    private final Around around;
    private final Consumer<String> tell;
    private final long started;
    private final Map<String, Waiting> waiting = new HashMap<>();
    /** What has come due and is about to start. */
    private final List<Due> pending = new ArrayList<>();

    /** Why a scan failed last, so that the same is told once. */
    private final Map<String, String> failures = new HashMap<>();

    /**
     * Where scans run.
     *
     * @param universes finds instruments by the lists as they are now; on the interface's thread
     * @param language scans are written in, as it is now
     * @param now what time it is in the market
     * @param front the interface's thread
     */
    public record Around(
            Directory directory,
            Vantages vantages,
            Scheduler scheduler,
            Schedules schedules,
            Supplier<Universes> universes,
            Supplier<Language> language,
            LongSupplier now,
            Executor front) {}

    /** A schedule that waits for its time, with what it was set up for. */
    private record Waiting(ScanSchedule.When when, Scan scan, TradingCalendar calendar, Listening due) {}

    /** A run that is due: of which scan, when, and how often it was due before that and did not run. */
    public record Due(Scan scan, ScanSchedule schedule, long at, int missed) {}

    /** @param tell takes what came of a run */
    public ScanSchedules(Books books, ScanWork work, Around around, Consumer<String> tell) {
        this.books = books;
        this.work = work;
        this.around = around;
        this.tell = tell;
        started = around.now().getAsLong();
        books.listen(subject -> {
            if (subject == Books.Subject.SCANS
                    || subject == Books.Subject.SCAN_SCHEDULES
                    || subject == Books.Subject.LISTS) {
                arm();
            }
        });
        around.directory().listen(source -> around.front().execute(this::arm));
        arm();
    }

    private void arm() {
        Set<String> wanted = new HashSet<>();
        for (ScanSchedule schedule : books.scanScheduleShelf().all()) {
            Scan scan = scan(schedule).orElse(null);
            if (scan == null) {
                continue;
            }
            wanted.add(schedule.scan());
            TradingCalendar calendar = calendar(scan);
            Waiting there = waiting.get(schedule.scan());
            if (there != null
                    && there.when() == schedule.when()
                    && there.scan().equals(scan)
                    && there.calendar().equals(calendar)) {
                continue;
            }
            if (there != null) {
                there.due().close();
            }
            Listening due = around.schedules()
                    .add(schedule.when().timetable(calendar, scan.timeframe()), schedule.since(), run -> around.front()
                            .execute(() -> run(schedule.scan(), run)));
            waiting.put(schedule.scan(), new Waiting(schedule.when(), scan, calendar, due));
        }
        waiting.entrySet().removeIf(entry -> {
            boolean gone = !wanted.contains(entry.getKey());
            if (gone) {
                entry.getValue().due().close();
            }
            return gone;
        });
    }

    private Optional<Scan> scan(ScanSchedule schedule) {
        return books.scans().stream()
                .filter(each -> each.name().equals(schedule.scan()))
                .findFirst();
    }

    /** The calendar of the first instrument that is scanned; round the clock while there is none. */
    private TradingCalendar calendar(Scan scan) {
        return around
                .universes()
                .get()
                .instruments(scan.universe(), around.now().getAsLong(), missing -> {})
                .stream()
                .findFirst()
                .map(around.directory()::calendar)
                .orElse(AROUND_THE_CLOCK);
    }

    /** What is due at a moment and has not run, as a command that does not wait asks. */
    public List<Due> due(long moment) {
        List<Due> due = new ArrayList<>();
        for (ScanSchedule schedule : books.scanScheduleShelf().all()) {
            scan(schedule).ifPresent(scan -> {
                Timetable timetable = schedule.when().timetable(calendar(scan), scan.timeframe());
                long last = timetable.last(schedule.since(), moment);
                if (last > schedule.since()) {
                    due.add(new Due(scan, schedule, last, timetable.times(schedule.since(), last)));
                }
            });
        }
        return due;
    }

    /** Takes down what is due; all that came due with this beat starts together. */
    private void run(String name, Schedules.Run run) {
        ScanSchedule schedule = books.scanScheduleShelf().get(name).orElse(null);
        Scan scan = schedule == null ? null : scan(schedule).orElse(null);
        if (scan == null) {
            return;
        }
        pending.add(new Due(scan, schedule, run.due(), run.missed()));
        if (pending.size() == 1) {
            around.front().execute(this::start);
        }
    }

    /** Those of one moment, timeframe and universe run as one. */
    private void start() {
        Map<List<Object>, List<Due>> alike = new LinkedHashMap<>();
        for (Due each : pending) {
            List<Object> by =
                    List.of(each.at(), each.scan().timeframe(), each.scan().universe());
            alike.computeIfAbsent(by, none -> new ArrayList<>()).add(each);
        }
        pending.clear();
        alike.values().forEach(this::start);
    }

    private void start(List<Due> together) {
        Universes universes = around.universes().get();
        Language language = around.language().get();
        String names = together.stream().map(each -> each.scan().name()).collect(Collectors.joining(", "));
        around.scheduler()
                .start(
                        Lane.BEHIND,
                        "scheduled scan " + names,
                        together.size() == 1 ? "Scan '" + names + "'" : together.size() + " scans",
                        job -> look(together, universes, language, job),
                        came -> {
                            for (int at = 0; at < together.size(); at++) {
                                tell.accept(keep(together.get(at), came.get(at)));
                            }
                        },
                        failed -> {
                            if (together.size() > 1) {
                                // One of them is at fault: the others run by themselves.
                                together.forEach(each -> start(List.of(each)));
                            } else {
                                tellFailure(together.get(0), String.valueOf(failed.getMessage()));
                            }
                        });
    }

    private void tellFailure(Due due, String reason) {
        String told = failed(due, reason);
        if (!told.equals(failures.put(due.scan().name(), told))) {
            tell.accept(told);
        }
    }

    /**
     * Runs what is due, from the moment it was due. May be used by any thread.
     *
     * @param universes of the lists as they are now
     */
    public ScanRunner.Result look(Due due, Universes universes, Language language, Job job) throws Exception {
        return look(List.of(due), universes, language, job).get(0);
    }

    /** Runs what is due at one moment over one universe on one timeframe, what it has in common once. */
    private List<ScanRunner.Result> look(List<Due> together, Universes universes, Language language, Job job)
            throws Exception {
        Due first = together.get(0);
        List<String> gone = new ArrayList<>();
        List<Instrument> instruments = universes.instruments(first.scan().universe(), first.at(), gone::add);
        if (instruments.isEmpty()) {
            throw new IllegalArgumentException(
                    "there is nothing to look at" + (gone.isEmpty() ? "" : ": " + String.join("; ", gone)));
        }
        List<Scan> scans = together.stream().map(Due::scan).toList();
        return new ScanRunner(around.vantages(), around.scheduler())
                .run(scans, language, instruments, new ScanRunner.AsOf(first.at(), first.at()), job).stream()
                        .map(each -> each.without(gone))
                        .toList();
    }

    /** Keeps what a run found and lets its schedule go on; says what came of it. */
    public String keep(Due due, ScanRunner.Result came) {
        failures.remove(due.scan().name());
        ScanRun run = work.keep(came);
        Optional<ScanRun> before = work.before(run);
        goOn(due);
        return "Scan '" + run.scan() + "', " + due.schedule().when().words() + ", as of " + time(due) + ": "
                + run.found().size() + " of " + run.looked()
                + before.map(earlier -> compared(run, earlier)).orElse("")
                + (came.missing().isEmpty() ? "" : "; skipped " + came.missing().size())
                + "." + madeUp(due);
    }

    private static String compared(ScanRun run, ScanRun before) {
        List<InstrumentId> fresh = run.newSince(before);
        List<InstrumentId> gone = before.newSince(run);
        return (fresh.isEmpty() ? ", nothing new" : ", new " + codes(fresh))
                + (gone.isEmpty() ? "" : ", gone " + codes(gone));
    }

    private static String codes(List<InstrumentId> ids) {
        return ids.stream().limit(6).map(InstrumentId::code).collect(Collectors.joining(", "))
                + (ids.size() > 6 ? " and " + (ids.size() - 6) + " more" : "");
    }

    /** That a run was due before the application was started, and how many before it were left out. */
    private String madeUp(Due due) {
        return (due.at() < started ? " It was due while Yardarm was closed and has been made up." : "")
                + (due.missed() == 0
                        ? ""
                        : due.missed() == 1
                                ? " One run before it was missed and left out."
                                : " " + due.missed() + " runs before it were missed and left out.");
    }

    private String time(Due due) {
        return Readout.time(due.at(), Timeframe.MINUTE, calendar(due.scan()).zone());
    }

    /** Lets the schedule of a run that failed go on; says what happened. */
    public String failed(Due due, String reason) {
        goOn(due);
        return "The scan '" + due.scan().name() + "', " + due.schedule().when().words() + ", failed: " + reason
                + ". It runs again the next time; its other runs are kept.";
    }

    private void goOn(Due due) {
        books.scanScheduleShelf()
                .get(due.scan().name())
                .filter(each -> each.since() < due.at())
                .ifPresent(each -> books.scanScheduleShelf().put(each.upTo(due.at())));
    }
}
