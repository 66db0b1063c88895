package dev.yardarm.desk.scan;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.RestsOn;
import dev.yardarm.desk.command.UndoStack;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Saves scans and takes them away; each is a step of undo. Used by the interface's thread. */
public final class ScanWork {
    /** How many runs of a scan are kept. */
    private static final int KEPT = 20;

    private final Books books;
    private final UndoStack undo;
    private final Consumer<String> tell;

    /** @param tell takes what rests on a scan that is taken away */
    public ScanWork(Books books, UndoStack undo, Consumer<String> tell) {
        this.tell = tell;
        this.books = books;
        this.undo = undo;
    }

    /** Saves a scan under its name, in the place of the one that has it. */
    public void save(Scan scan) {
        undo.execute(books.scanShelf().change("save the scan " + scan.name(), all -> {
            List<Scan> more = new ArrayList<>(all);
            int at = 0;
            while (at < more.size() && !more.get(at).name().equals(scan.name())) {
                at++;
            }
            if (at < more.size()) {
                more.set(at, scan);
            } else {
                more.add(scan);
            }
            return more;
        }));
    }

    /** Takes the scan of a name away, and that it runs by itself; one step of undo. */
    public void delete(String name) {
        String rests = new RestsOn(books).scan(name);
        undo.together("delete the scan " + name, () -> {
            undo.execute(books.scanShelf().change("delete the scan " + name, all -> all.stream()
                    .filter(each -> !each.name().equals(name))
                    .toList()));
            schedule(name, null, 0);
        });
        RestsOn.tell(rests, tell);
    }

    /** When a scan runs by itself; empty for only when asked. */
    public Optional<ScanSchedule> schedule(String scan) {
        return books.scanScheduleShelf().get(scan);
    }

    /**
     * Lets a scan run by itself from now on; a step of undo.
     *
     * @param when null for only when asked
     * @param now what time it is in the market
     */
    public void schedule(String scan, ScanSchedule.When when, long now) {
        Optional<ScanSchedule> before = schedule(scan);
        if (before.map(ScanSchedule::when).equals(Optional.ofNullable(when))) {
            return;
        }
        undo.execute(books.scanScheduleShelf().change("schedule the scan " + scan, all -> {
            List<ScanSchedule> more = new ArrayList<>(all);
            more.removeIf(each -> each.scan().equals(scan));
            if (when != null) {
                more.add(new ScanSchedule(scan, when, now));
            }
            return more;
        }));
    }

    /** Keeps what a saved scan found, beside its last twenty runs; not a step of undo. */
    public ScanRun keep(ScanRunner.Result came) {
        Scan scan = came.scan();
        List<InstrumentId> found =
                came.found().stream().map(each -> each.instrument().id()).toList();
        return keep(new ScanRun(scan.name(), came.asOf(), scan.condition(), came.looked(), found));
    }

    /** Keeps a run, beside the last twenty of its scan; not a step of undo. */
    public ScanRun keep(ScanRun run) {
        List<ScanRun> before = runs(run.scan());
        books.scanRunShelf().put(run);
        for (int at = KEPT - 1; at < before.size(); at++) {
            books.scanRunShelf().remove(before.get(at).key());
        }
        return run;
    }

    /** The run of the same scan with the same condition before one. */
    public Optional<ScanRun> before(ScanRun run) {
        return runs(run.scan()).stream()
                .filter(each -> each.condition().equals(run.condition()) && each.at() < run.at())
                .findFirst();
    }

    /** What a scan found, the newest run first. */
    public List<ScanRun> runs(String scan) {
        return books.scanRunShelf().all().stream()
                .filter(each -> each.scan().equals(scan))
                .sorted(Comparator.comparingLong(each -> -each.at()))
                .toList();
    }
}
