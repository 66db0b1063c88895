package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scan.ScanSchedule.When;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.work.Job;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Scans that run by themselves, with a market beaten by hand. */
class ScanSchedulesTest extends AtADesk {
    private static final LocalDate FRIDAY = LocalDate.of(2026, 6, 19);
    private static final String LIST = "Six";

    @BeforeEach
    void open() throws Exception {
        front.run(() -> {
            if (desk.books().list(LIST).isEmpty()) {
                desk.listWork()
                        .make(
                                LIST,
                                desk.directory().all().stream()
                                        .filter(each -> !each.sector().isEmpty())
                                        .limit(6)
                                        .map(Instrument::id)
                                        .toList());
            }
        });
    }

    private TradingCalendar calendar() {
        return desk.calendar(desk.directory().byCode("PV60").orElseThrow());
    }

    private Scan saved(String name, String condition, Timeframe timeframe) {
        Scan scan = Scan.of(name, LIST, timeframe, List.of(condition));
        front.run(() -> desk.scanWork().save(scan));
        return scan;
    }

    private void schedule(String name, When when, long since) {
        front.run(() -> desk.scanWork().schedule(name, when, since));
    }

    private List<ScanRun> runs(String name) {
        return front.get(() -> desk.scanWork().runs(name));
    }

    /** What a scan finds as of a moment, asked by itself. */
    private List<InstrumentId> found(Scan scan, long moment) throws Exception {
        List<Instrument> instruments = front.get(desk::universes).instruments(Universe.of(LIST), moment, missing -> {});
        return new ScanRunner(desk.vantages(), desk.scheduler())
                        .run(
                                scan,
                                desk.language().now(),
                                instruments,
                                new ScanRunner.AsOf(moment, moment),
                                Job.unattended())
                        .found()
                        .stream()
                        .map(each -> each.instrument().id())
                        .toList();
    }

    private void settled() {
        front.settle(desk.scheduler());
    }

    private boolean isTold(String part) {
        return front.get(() -> told(part));
    }

    /** On the front's thread. */
    private boolean told(String part) {
        return told.stream().anyMatch(each -> each.contains(part));
    }

    @Test
    void anEveningRunLooksFromTenMinutesAfterTheClose() throws Exception {
        Scan scan = saved("Rising", "close > sma(close, 3)", Timeframe.DAY);
        long now = desk.clock().now();
        schedule("Rising", When.EVENINGS, now);
        long due = calendar().close(FRIDAY) + 10 * Times.MINUTE;
        desk.hub().beatAt(due - 1);
        settled();
        assertThat(runs("Rising")).isEmpty();
        desk.hub().beatAt(due + 3 * Times.HOUR);
        front.await("the run", () -> desk.scanWork().runs("Rising").size() == 1);
        ScanRun run = runs("Rising").get(0);
        assertThat(run.at()).isEqualTo(due);
        assertThat(run.found()).isEqualTo(found(scan, due)).isNotEmpty();
        front.await("it is told", () -> told("Scan 'Rising', each evening, as of Fri 19 Jun 2026"));
        assertThat(isTold("while Yardarm was closed")).isFalse();
        // Monday morning it is not due again; in the evening it is, and is compared.
        desk.hub().beatAt(calendar().open(FRIDAY.plusDays(3)));
        settled();
        assertThat(runs("Rising")).hasSize(1);
        desk.hub().beatAt(calendar().close(FRIDAY.plusDays(3)) + 10 * Times.MINUTE);
        front.await("the second run", () -> desk.scanWork().runs("Rising").size() == 2);
        front.await("it is compared", () -> told.stream()
                .anyMatch(each -> each.contains("as of Mon 22 Jun 2026") && each.matches(".*(new|gone).*")));
    }

    @Test
    void whatWasMissedWhileItWasClosedIsMadeUpAsOfThen() throws Exception {
        Scan scan = saved("Rising", "close > sma(close, 3)", Timeframe.DAY);
        long wednesday = calendar().close(FRIDAY.minusDays(2)) + 10 * Times.MINUTE;
        long thursday = calendar().close(FRIDAY.minusDays(1)) + 10 * Times.MINUTE;
        schedule("Rising", When.EVENINGS, wednesday - Times.HOUR);
        desk.close();
        told.clear();
        openDesk();
        desk.hub().beatAt(desk.clock().now());
        front.await("it is made up", () -> desk.scanWork().runs("Rising").size() == 1);
        ScanRun run = runs("Rising").get(0);
        assertThat(run.at()).isEqualTo(thursday);
        assertThat(run.found()).isEqualTo(found(scan, thursday));
        front.await(
                "it is told",
                () -> told("It was due while Yardarm was closed and has been made up. One run before it was missed"));
        // It went on from there: another start makes up nothing more.
        desk.close();
        told.clear();
        openDesk();
        desk.hub().beatAt(desk.clock().now());
        settled();
        assertThat(runs("Rising")).hasSize(1);
        assertThat(isTold("Rising")).isFalse();
    }

    @Test
    void atEachBarCloseAndMorningsTooTheyRunInTheMarketsTime() {
        saved("Five", "close > 0", Timeframe.parse("5m").orElseThrow());
        saved("Early", "close > 0", Timeframe.DAY);
        long open = calendar().open(FRIDAY.plusDays(3));
        schedule("Five", When.BAR_CLOSES, open - Times.HOUR);
        schedule("Early", When.MORNINGS, open - Times.HOUR);
        desk.hub().beatAt(open - 30 * Times.MINUTE);
        front.await("the morning's", () -> desk.scanWork().runs("Early").size() == 1);
        assertThat(runs("Early").get(0).at()).isEqualTo(open - 30 * Times.MINUTE);
        for (int bar = 1; bar <= 3; bar++) {
            int count = bar;
            desk.hub().beatAt(open + bar * 5L * Times.MINUTE);
            front.await("a run", () -> desk.scanWork().runs("Five").size() == count);
        }
        assertThat(runs("Five"))
                .extracting(ScanRun::at)
                .containsExactly(open + 15 * Times.MINUTE, open + 10 * Times.MINUTE, open + 5 * Times.MINUTE);
    }

    /** A scan that names what is gone fails at each bar; it is told once, and runs again when it can be read. */
    @Test
    void whatFailsIsToldOnceAndRunsAgain() {
        saved("Broken", "gone_indicator(3) > 1", Timeframe.parse("5m").orElseThrow());
        long open = calendar().open(FRIDAY.plusDays(3));
        schedule("Broken", When.BAR_CLOSES, open);
        for (int bar = 1; bar <= 3; bar++) {
            long due = open + bar * 5L * Times.MINUTE;
            desk.hub().beatAt(due);
            front.await("it has run", () -> desk.scanWork()
                    .schedule("Broken")
                    .filter(each -> each.since() == due)
                    .isPresent());
        }
        front.await("it is told", () -> told("The scan 'Broken', at each bar close, failed"));
        assertThat(told.stream().filter(each -> each.contains("The scan 'Broken', at each bar close, failed")))
                .hasSize(1);
        saved("Broken", "close > 0", Timeframe.parse("5m").orElseThrow());
        desk.hub().beatAt(open + 20 * Times.MINUTE);
        front.await("it runs", () -> desk.scanWork().runs("Broken").size() == 1);
    }

    /** Undo takes the schedule away however far it ran meanwhile; deleting a scan takes it along, and undo brings both back. */
    @Test
    void undoOfAScheduleAndOfDeletingItsScan() {
        saved("Rising", "close > sma(close, 3)", Timeframe.DAY);
        schedule("Rising", When.EVENINGS, desk.clock().now());
        desk.hub().beatAt(calendar().close(FRIDAY) + Times.HOUR);
        front.await("the run", () -> desk.scanWork().runs("Rising").size() == 1);
        front.run(() -> desk.undo().undo());
        assertThat(front.get(() -> desk.scanWork().schedule("Rising"))).isEmpty();
        front.run(() -> desk.undo().redo());
        assertThat(front.get(() -> desk.scanWork().schedule("Rising").map(ScanSchedule::when)))
                .contains(When.EVENINGS);
        front.run(() -> desk.scanWork().delete("Rising"));
        assertThat(front.get(() -> desk.scanWork().schedule("Rising"))).isEmpty();
        front.run(() -> desk.undo().undo());
        assertThat(front.get(() -> desk.scanWork().schedule("Rising"))).isPresent();
        assertThat(front.get(() -> desk.books().scans())).extracting(Scan::name).contains("Rising");
        // It has run up to that evening and does not run for it again.
        desk.hub().beatAt(calendar().close(FRIDAY) + 2 * Times.HOUR);
        settled();
        assertThat(runs("Rising")).hasSize(1);
    }

    @Test
    void onlyASavedScanIsScheduledInTheEditor() {
        front.run(() -> {
            ScanDesk scans = new ScanDesk(desk);
            scans.draft().open(Scan.of("New one", LIST, Timeframe.DAY, List.of("close > 0")));
            scans.draft().setSchedule(When.EVENINGS);
            assertThat(scans.draft().problem()).contains("Save the scan first");
            assertThat(scans.draft().schedule()).isEmpty();
            assertThat(scans.draft().save()).isTrue();
            scans.draft().setSchedule(When.EVENINGS);
            assertThat(scans.draft().schedule()).contains(When.EVENINGS);
            scans.draft().setSchedule(null);
            assertThat(scans.draft().schedule()).isEmpty();
            scans.close();
        });
    }

    @Test
    void resultsStandTogetherBySector() {
        front.run(() -> desk.scanWork().save(Scan.of("All", "All companies", Timeframe.DAY, List.of("close > 0"))));
        ScanDesk scans = front.get(() -> new ScanDesk(desk));
        front.run(() -> {
            scans.draft()
                    .open(desk.books().scans().stream()
                            .filter(each -> each.name().equals("All"))
                            .findFirst()
                            .orElseThrow());
            scans.run();
        });
        front.await("results", () -> scans.found().rows().size() == 60);
        front.run(() -> {
            scans.setBySector(true);
            List<String> sectors = scans.found().rows().stream()
                    .map(row -> row.instrument().sector())
                    .toList();
            assertThat(sectors).isSorted();
            List<String> heads = scans.found().rows().stream()
                    .map(scans.found()::begins)
                    .filter(each -> !each.isEmpty())
                    .toList();
            assertThat(heads)
                    .hasSize((int) sectors.stream().distinct().count())
                    .allMatch(each -> each.matches(".+ \\(\\d+\\)"));
            // Kept, and within a sector rows stand as the table is sorted.
            scans.found().sort("code", true);
            List<String> codes = scans.found().rows().stream()
                    .filter(row -> row.instrument().sector().equals(sectors.get(0)))
                    .map(row -> row.instrument().code())
                    .toList();
            assertThat(codes).isSortedAccordingTo((one, other) -> other.compareTo(one));
            assertThat(new ScanDesk(desk).isBySector()).isTrue();
            scans.setBySector(false);
            scans.close();
        });
    }

    /** A file that cannot be written is told, nothing is left of it, and what was found stays. */
    @Test
    void anExportThatFailsIsToldAndLeavesNothing() throws Exception {
        ScanDesk scans = front.get(() -> new ScanDesk(desk));
        front.run(() -> {
            scans.draft().open(Scan.of("", LIST, Timeframe.DAY, List.of("close > 0")));
            scans.run();
        });
        front.await("results", () -> scans.found().rows().size() == 6);
        Path file = Files.createFile(home.resolve("taken"));
        front.run(() -> scans.export(file.resolve("out.csv")));
        front.await("what is wrong", () -> told.stream().anyMatch(each -> each.contains("out.csv cannot be written")));
        Path good = home.resolve("out.csv");
        front.run(() -> scans.export(good));
        front.await("it is written", () -> Files.exists(good));
        assertThat(Files.readAllLines(good)).hasSize(7);
        assertThat(front.get(() -> scans.found().rows())).hasSize(6);
        try (Stream<Path> left = Files.list(home)) {
            assertThat(left.map(each -> each.getFileName().toString())).doesNotContain("out.csv.part", "out.csv.tmp");
        }
        front.run(scans::close);
    }
}
