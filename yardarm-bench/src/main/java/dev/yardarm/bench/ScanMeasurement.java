package dev.yardarm.bench;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.evidence.EvidenceRunner;
import dev.yardarm.desk.evidence.Recipe;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;

/**
 * A scan of 2,000 instruments of 2,500 daily bars with five conditions: the first time, when their histories are read, against one query
 * that reads the same columns; again, when they are in memory; with one thread against all; how soon it can be cancelled; and evidence
 * of the same condition over the same instruments.
 */
public final class ScanMeasurement {
    private static final int INSTRUMENTS = 2_000;
    private static final int BARS = 2_500;
    /** Times for a median, of what takes about a second. */
    private static final int OFTEN = 9;

    private static final List<String> CONDITIONS = List.of(
            "close > sma(close, 50)",
            "rsi(14) < 70",
            "close crosses above ema(close, 20) seen in 10",
            "volume > 1.2 * sma(volume, 20)",
            "highest(high, 50) - close < 2 * atr(14)");

    private ScanMeasurement() {}

    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createTempDirectory("yardarm-bench");
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            List<Documents.Imported> imported = write(store);
            long now = 30_000L * Times.DAY;
            Scan scan = Scan.of("five", "", Timeframe.DAY, CONDITIONS);
            double query = seconds(() -> query(folder.resolve("own").resolve("D.parquet")));
            query = Math.min(query, seconds(() -> query(folder.resolve("own").resolve("D.parquet"))));
            double[] first = new double[2];
            double[] again = new double[2];
            int[] threads = {1, Runtime.getRuntime().availableProcessors()};
            for (int turn = 0; turn < 2; turn++) {
                for (int at = 0; at < 2; at++) {
                    OwnSource source = new OwnSource(imported, () -> Optional.of(store));
                    Directory directory = new Directory(List.of(source));
                    Vantages vantages = new Vantages(new Histories(directory), id -> List.of());
                    try (Scheduler scheduler = new Scheduler(threads[at], Runnable::run)) {
                        ScanRunner runner = new ScanRunner(vantages, scheduler);
                        List<Instrument> all = directory.all();
                        first[at] = seconds(() -> runner.run(scan, Language.builtIn(), all, now, Job.unattended()));
                        again[at] = seconds(() -> runner.run(scan, Language.builtIn(), all, now, Job.unattended()));
                        if (turn == 1 && at == 1) {
                            cancel(runner, scan, all, now);
                            together(runner, all, now);
                            patterns(runner, scan, all, now);
                            EvidenceRunner evidence = new EvidenceRunner(vantages, directory, scheduler);
                            Recipe recipe = new Recipe(scan.condition(), Timeframe.DAY, Question.USUAL);
                            double gathered =
                                    seconds(() -> evidence.run(recipe, Language.builtIn(), all, now, Job.unattended()));
                            double[] scans = new double[OFTEN];
                            double[] oftener = new double[OFTEN];
                            for (int time = 0; time < OFTEN; time++) {
                                scans[time] =
                                        seconds(() -> runner.run(scan, Language.builtIn(), all, now, Job.unattended()));
                                oftener[time] = seconds(
                                        () -> evidence.run(recipe, Language.builtIn(), all, now, Job.unattended()));
                            }
                            Arrays.sort(scans);
                            Arrays.sort(oftener);
                            System.out.printf(
                                    Locale.ROOT,
                                    "evidence over the same %.2f s, against the first scan %.2f; again, median of %d, %.2f s, "
                                            + "against the scan in memory %.2f s: %.2f%n",
                                    gathered,
                                    gathered / first[at],
                                    OFTEN,
                                    oftener[OFTEN / 2],
                                    scans[OFTEN / 2],
                                    oftener[OFTEN / 2] / scans[OFTEN / 2]);
                        }
                    }
                }
            }
            System.out.printf(
                    Locale.ROOT,
                    "%,d instruments of %,d bars: one query %.2f s; first scan %.2f s, ratio %.2f; again %.2f s, ratio %.2f; "
                            + "%d threads against 1: %.2f%n",
                    INSTRUMENTS,
                    BARS,
                    query,
                    first[1],
                    first[1] / query,
                    again[1],
                    again[1] / query,
                    threads[1],
                    again[0] / again[1]);
        }
    }

    /** Five scans that share averages, one after the other and as one. */
    private static void together(ScanRunner runner, List<Instrument> all, long now) throws Exception {
        List<Scan> scans = CONDITIONS.stream()
                .map(each -> Scan.of(
                        each, "", Timeframe.DAY, List.of(each, "sma(close, 50) > sma(close, 200)", "atr(14) > 0")))
                .toList();
        ScanRunner.AsOf moment = ScanRunner.AsOf.now(now);
        double alone = seconds(() -> {
            for (Scan each : scans) {
                runner.run(each, Language.builtIn(), all, moment, Job.unattended());
            }
            return scans;
        });
        double asOne = seconds(() -> runner.run(scans, Language.builtIn(), all, moment, Job.unattended()));
        System.out.printf(
                Locale.ROOT,
                "five scans that share averages: one after the other %.2f s, together %.2f s, ratio %.2f%n",
                alone,
                asOne,
                asOne / alone);
    }

    /** The five conditions and a pattern, in memory, against the five alone. */
    private static void patterns(ScanRunner runner, Scan plain, List<Instrument> all, long now) throws Exception {
        List<String> conditions = new ArrayList<>(CONDITIONS);
        conditions.add("pattern(any).confirmed seen in 20");
        Scan found = Scan.of("pattern", "", Timeframe.DAY, conditions);
        double[] plainTimes = new double[OFTEN];
        double[] foundTimes = new double[OFTEN];
        for (int time = 0; time < OFTEN; time++) {
            plainTimes[time] = seconds(() -> runner.run(plain, Language.builtIn(), all, now, Job.unattended()));
            foundTimes[time] = seconds(() -> runner.run(found, Language.builtIn(), all, now, Job.unattended()));
        }
        Arrays.sort(plainTimes);
        Arrays.sort(foundTimes);
        System.out.printf(
                Locale.ROOT,
                "with a pattern condition, median of %d, %.2f s, without %.2f s: ratio %.2f%n",
                OFTEN,
                foundTimes[OFTEN / 2],
                plainTimes[OFTEN / 2],
                foundTimes[OFTEN / 2] / plainTimes[OFTEN / 2]);
    }

    /** A piece of work that may fail. */
    @FunctionalInterface
    private interface Work {
        Object run() throws Exception;
    }

    private static double seconds(Work work) throws Exception {
        long begin = System.nanoTime();
        if (work.run() == null) {
            throw new IllegalStateException();
        }
        return (System.nanoTime() - begin) / 1e9;
    }

    private static void cancel(ScanRunner runner, Scan scan, List<Instrument> all, long now)
            throws InterruptedException {
        Job job = Job.unattended();
        long[] ended = new long[1];
        Thread running = new Thread(() -> {
            try {
                runner.run(scan, Language.builtIn(), all, now, job);
            } catch (CancellationException cancelled) {
                ended[0] = System.nanoTime();
            } catch (Exception failed) {
                throw new IllegalStateException(failed);
            }
        });
        running.start();
        Thread.sleep(150);
        long asked = System.nanoTime();
        job.cancel();
        running.join();
        System.out.println(
                ended[0] == 0
                        ? "the scan was over before it could be cancelled"
                        : String.format(Locale.ROOT, "cancelled within %.1f ms", (ended[0] - asked) / 1e6));
    }

    private static List<Documents.Imported> write(ParquetBarStore store) throws IOException {
        List<Documents.Imported> imported = new ArrayList<>();
        Map<String, Bars> all = new LinkedHashMap<>();
        SplittableRandom random = new SplittableRandom(1);
        for (int number = 0; number < INSTRUMENTS; number++) {
            String code = String.format(Locale.ROOT, "I%04d", number);
            BarSeries series = new BarSeries(BARS);
            double price = 50 + random.nextInt(100);
            for (int bar = 0; bar < BARS; bar++) {
                double open = price;
                price = open * (1 + (random.nextDouble() - 0.498) / 40);
                long time = (bar + 10_000L) * Times.DAY;
                series.append(
                        time,
                        time + Times.DAY,
                        open,
                        Math.max(open, price) * 1.004,
                        Math.min(open, price) * 0.996,
                        price,
                        1000 + random.nextInt(9000));
            }
            all.put(code, series.snapshot());
            imported.add(new Documents.Imported(code, code, 2, "UTC", 40_000L * Times.DAY));
        }
        store.replaceAll(OwnSource.NAME, Timeframe.DAY, all);
        return imported;
    }

    /** The columns of all instruments, read by one query into arrays. */
    private static Object query(Path file) throws SQLException {
        double sum = 0;
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:");
                Statement statement = connection.createStatement();
                ResultSet rows =
                        statement.executeQuery("select code, open_time, close_time, open, high, low, close, volume "
                                + "from read_parquet('" + file + "') order by code, open_time")) {
            double[][] columns = new double[5][INSTRUMENTS * BARS];
            long[][] times = new long[2][INSTRUMENTS * BARS];
            int row = 0;
            while (rows.next()) {
                times[0][row] = rows.getLong(2);
                times[1][row] = rows.getLong(3);
                for (int column = 0; column < 5; column++) {
                    columns[column][row] = rows.getDouble(4 + column);
                }
                row++;
            }
            sum += columns[4][row - 1] + times[0][row - 1];
        }
        return sum;
    }
}
