package dev.yardarm.bench;

import java.io.BufferedWriter;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Import and computation of a file of 1,000,000 minute bars beside the embedded database reading the same file and writing Parquet,
 * or as many columns as CSV: both as whole commands from their start to their end, and the database also in a process that runs
 * already.
 */
public final class FilesMeasurement {
    private static final int ROWS = 1_000_000;
    private static final int ROUNDS = 5;

    private FilesMeasurement() {}

    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createTempDirectory("yardarm-files");
        Path csv = folder.resolve("minutes.csv");
        make(csv);
        // The application is built before anything is timed.
        command(List.of("./yardarm", "--version"));
        double[] databaseImport = new double[ROUNDS];
        double[] databaseColumns = new double[ROUNDS];
        double[] runningImport = new double[ROUNDS];
        double[] runningColumns = new double[ROUNDS];
        double[] ourImport = new double[ROUNDS];
        double[] ourColumns = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            String toParquet = "copy (select * from read_csv('" + csv + "')) to '" + folder.resolve("x.parquet")
                    + "' (format parquet, compression zstd)";
            String toCsv = "copy (select time, open, high, low, close, volume from read_csv('" + csv + "')) to '"
                    + folder.resolve("x.csv") + "' (format csv)";
            databaseImport[round] = command(alone(toParquet));
            databaseColumns[round] = command(alone(toCsv));
            runningImport[round] = running(toParquet);
            runningColumns[round] = running(toCsv);
            ourImport[round] = command(List.of(
                    "./yardarm",
                    "import",
                    "--home",
                    folder.resolve("home" + round).toString(),
                    "--code",
                    "MADE",
                    "--timeframe",
                    "1m",
                    csv.toString()));
            List<String> compute = new ArrayList<>(List.of(
                    "./yardarm",
                    "compute",
                    "--csv",
                    csv.toString(),
                    "--out",
                    folder.resolve("y.csv").toString()));
            for (String formula :
                    List.of("sma(close, 20)", "ema(close, 50)", "rsi(14)", "atr(14)", "bollinger(20, 2).upper")) {
                compute.addAll(List.of("--formula", formula));
            }
            ourColumns[round] = command(compute);
        }
        print("import of 1,000,000 rows", ourImport, databaseImport, runningImport);
        print("compute of five formulas over 1,000,000 rows", ourColumns, databaseColumns, runningColumns);
        System.exit(0);
    }

    private static void print(String what, double[] ours, double[] databases, double[] running) {
        System.out.printf(
                Locale.ROOT,
                "%s: command %.2f s, database %.2f s, ratio %.2f (%.2f s in a process that runs already)%n",
                what,
                median(ours),
                median(databases),
                median(ours) / median(databases),
                median(running));
    }

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    /** The database as a command of its own, with the libraries and the collector that the application's commands have. */
    private static List<String> alone(String sql) {
        String own = DatabaseCommand.class
                .getProtectionDomain()
                .getCodeSource()
                .getLocation()
                .getPath();
        return List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:+UseSerialGC",
                "-cp",
                "target/dist/lib/*" + File.pathSeparator + own,
                DatabaseCommand.class.getName(),
                sql);
    }

    private static double running(String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:");
                Statement statement = connection.createStatement()) {
            long start = System.nanoTime();
            statement.execute(sql);
            return (System.nanoTime() - start) / 1e9;
        }
    }

    private static double command(List<String> words) throws IOException, InterruptedException {
        long start = System.nanoTime();
        Process process = new ProcessBuilder(words)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        int code = process.waitFor();
        if (code != 0) {
            throw new IllegalStateException(String.join(" ", words) + " ended with " + code);
        }
        return (System.nanoTime() - start) / 1e9;
    }

    private static void make(Path file) throws IOException {
        Random random = new Random(20260619);
        double price = 100;
        long minute = 26_830_080L;
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("time,open,high,low,close,volume\n");
            for (int row = 0; row < ROWS; row++) {
                double open = price;
                price = Math.max(5, price + random.nextGaussian() * 0.05);
                double high = Math.max(open, price) + random.nextDouble() * 0.05;
                double low = Math.min(open, price) - random.nextDouble() * 0.05;
                out.write(String.format(
                        Locale.ROOT,
                        "%s,%.2f,%.2f,%.2f,%.2f,%d%n",
                        java.time.Instant.ofEpochSecond((minute + row) * 60),
                        open,
                        high,
                        low,
                        price,
                        random.nextInt(5000)));
            }
        }
    }
}
