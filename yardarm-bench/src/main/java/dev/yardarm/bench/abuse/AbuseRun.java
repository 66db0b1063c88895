package dev.yardarm.bench.abuse;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.Desk;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Tries to break it, in ways of which each says what it found:
 *
 * <pre>
 * kills N     N times: start, change things, kill at a random moment, open again: everything older than a second is there
 * history N   N damaged Parquet files: told, set aside, the rest read, made anew
 * files N     N mutated CSV files: every row is taken or told, nothing hangs, no failure without words
 * imports N   N rounds of twelve commands that import into one home at once
 * </pre>
 */
public final class AbuseRun {
    private final Random random;

    private AbuseRun(long seed) {
        random = new Random(seed);
    }

    public static void main(String[] arguments) throws Exception {
        String what = arguments.length > 0 ? arguments[0] : "";
        int count = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 100;
        AbuseRun run = new AbuseRun(arguments.length > 2 ? Long.parseLong(arguments[2]) : 20260619);
        switch (what) {
            case "kills" -> run.kills(count);
            case "history" -> run.history(count);
            case "files" -> run.files(count);
            case "imports" -> run.imports(count);
            default -> {
                System.err.println("usage: kills | history | files | imports, and how often");
                System.exit(2);
            }
        }
        System.exit(0);
    }

    // --- kills ---

    private void kills(int rounds) throws Exception {
        Path home = Files.createTempDirectory("yardarm-kills");
        long next = 1;
        int checked = 0;
        int young = 0;
        List<String> missing = new ArrayList<>();
        List<String> told = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            List<String[]> facts = new ArrayList<>();
            long killed = edit(home, next, facts);
            int early = 0;
            try (Desk desk = new Desk(new Desk.Options(home, true, 1, true), Runnable::run)) {
                desk.onNotice(notice -> {
                    if (!notice.startsWith("The demo data")) {
                        told.add(notice);
                    }
                });
                for (String[] fact : facts) {
                    next = Math.max(next, Long.parseLong(fact[2]) + 1);
                    boolean old = killed - Long.parseLong(fact[3]) > 1000;
                    boolean there = Editor.holds(desk, fact[0], fact[1], Long.parseLong(fact[2]));
                    checked += old ? 1 : 0;
                    if (old && !there) {
                        missing.add(String.join(" ", fact));
                    }
                    early += !old && !there ? 1 : 0;
                }
            }
            young += early;
        }
        System.out.printf(
                Locale.ROOT,
                "kills %d, changes %d, older than a second %d, of those missing %d %s; younger ones missing %d; told %d %s%n",
                rounds,
                next - 1,
                checked,
                missing.size(),
                missing.stream().limit(3).toList(),
                young,
                told.size(),
                told.stream().limit(3).toList());
    }

    /** Runs an editor and kills it; when that was, in milliseconds. */
    private long edit(Path home, long first, List<String[]> facts) throws IOException, InterruptedException {
        Process editor = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "dev.yardarm.bench.abuse.Editor",
                        home.toString(),
                        String.valueOf(first))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        // Some are killed while they start, before anything is changed.
        long life = random.nextInt(10) == 0 ? random.nextInt(1200) : 1200 + random.nextInt(2600);
        Thread killer = new Thread(() -> {
            try {
                TimeUnit.MILLISECONDS.sleep(life);
            } catch (InterruptedException over) {
                Thread.currentThread().interrupt();
            }
            editor.toHandle().destroyForcibly();
        });
        killer.start();
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(editor.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                String[] words = line.split(" ");
                if (words.length == 4) {
                    facts.add(words);
                }
            }
        }
        killer.join();
        editor.waitFor();
        return System.currentTimeMillis();
    }

    // --- history ---

    private static Bars minutes(int count) {
        BarSeries series = new BarSeries(count);
        long start = 1_700_000_000_000_000L / Times.DAY * Times.DAY;
        for (int bar = 0; bar < count; bar++) {
            long open = start + bar * Times.MINUTE;
            series.append(open, open + Times.MINUTE, 100, 102, 99, 100 + bar % 2, bar);
        }
        return series.snapshot();
    }

    private void history(int rounds) throws IOException {
        int told = 0;
        int wrong = 0;
        Bars bars = minutes(40_000);
        for (int round = 0; round < rounds; round++) {
            Path folder = Files.createTempDirectory("yardarm-history");
            List<String> notices = new ArrayList<>();
            InstrumentId id = new InstrumentId("own", "X");
            try (ParquetBarStore store = new ParquetBarStore(folder, notices::add)) {
                store.merge(id, Timeframe.MINUTE, bars);
                List<Path> months;
                try (Stream<Path> all = Files.list(folder.resolve("own/1m/X"))) {
                    months = all.sorted().toList();
                }
                damage(months.get(random.nextInt(months.size())));
                int left = store.read(id, Timeframe.MINUTE, Long.MIN_VALUE, Long.MAX_VALUE)
                        .closed();
                told += notices.isEmpty() ? 0 : 1;
                // Either the file was told and its rows are gone, or the damage touched nothing that is read.
                if (notices.isEmpty() != (left == bars.closed())) {
                    wrong++;
                    System.out.println(
                            "round " + round + ": " + left + " of " + bars.closed() + " bars left, told " + notices);
                }
                store.merge(id, Timeframe.MINUTE, bars);
                int again = store.read(id, Timeframe.MINUTE, Long.MIN_VALUE, Long.MAX_VALUE)
                        .closed();
                // Bits that leave readable, plausible bars behind cannot be told from what was imported.
                if (!notices.isEmpty() && again != bars.closed()) {
                    wrong++;
                    System.out.println(
                            "round " + round + ": " + again + " of " + bars.closed() + " after the next import");
                }
            }
            remove(folder);
        }
        System.out.printf(
                Locale.ROOT,
                "damaged history files %d, told and set aside %d, wrong outcomes %d%n",
                rounds,
                told,
                wrong);
    }

    private void damage(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        switch (random.nextInt(5)) {
            case 0 -> Files.write(file, Arrays.copyOf(bytes, random.nextInt(bytes.length)));
            case 1 -> {
                int from = random.nextInt(bytes.length);
                Arrays.fill(bytes, from, Math.min(bytes.length, from + 1 + random.nextInt(4096)), (byte) 0);
                Files.write(file, bytes);
            }
            case 2 -> Files.write(file, new byte[random.nextInt(3)]);
            case 3 -> Files.writeString(file, "this is no parquet file");
            default -> {
                for (int hit = 0; hit < 1 + random.nextInt(50); hit++) {
                    bytes[random.nextInt(bytes.length)] ^= (byte) (1 + random.nextInt(255));
                }
                Files.write(file, bytes);
            }
        }
    }

    private static void remove(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path each : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.delete(each);
            }
        }
    }

    // --- files ---

    private static final String[] BASES = {
        "time,open,high,low,close,volume\n2026-01-05,10,11,9,10.5,100\n2026-01-06,10.5,12,10,11.5,200\n2026-01-07,11.5,13,11,12.25,\n",
        "Date;Time;Open;High;Low;Close\n05.01.2026;09:30;10,5;11,25;9,75;10,5\n05.01.2026;09:31;10,5;11,25;9,75;10,5\n",
        "timestamp\topen\thigh\tlow\tclose\n1767571200\t10\t11\t9\t10.5\n1767657600\t10\t11\t9\t10.5\n",
        "\"Date\",\"Open\",\"High\",\"Low\",\"Close\",\"Volume\"\n\"2026-01-05\",\"1,010.50\",\"1,011.00\",\"1,009.00\",\"1,010.75\",\"12,000\"\n",
        "20260105 093000,10,11,9,10.5,7\n20260105 093100,10,11,9,10.5,7\n",
    };

    private void files(int rounds) throws IOException {
        Path folder = Files.createTempDirectory("yardarm-files");
        Path file = folder.resolve("mutated.csv");
        int read = 0;
        int told = 0;
        List<String> wrong = new ArrayList<>();
        long slowest = 0;
        for (int round = 0; round < rounds; round++) {
            byte[] bytes = mutated(BASES[random.nextInt(BASES.length)]);
            Files.write(file, bytes);
            long start = System.nanoTime();
            try {
                BarFile.Result result = BarFile.read(file, ReadingOptions.in(java.time.ZoneOffset.UTC));
                read++;
                String problem = accounted(bytes, result);
                if (!problem.isEmpty()) {
                    wrong.add(problem + " in " + Arrays.toString(bytes));
                }
            } catch (IOException words) {
                told++;
                if (words.getMessage() == null || !words.getMessage().contains("mutated.csv")) {
                    wrong.add("told without the file: " + words);
                }
            } catch (RuntimeException | Error failed) {
                wrong.add(failed + " at " + failed.getStackTrace()[0] + " in "
                        + new String(bytes, StandardCharsets.ISO_8859_1));
            }
            slowest = Math.max(slowest, System.nanoTime() - start);
        }
        System.out.printf(
                Locale.ROOT,
                "mutated files %d: read %d, told as a whole %d, wrong %d %s, slowest %.1f ms%n",
                rounds,
                read,
                told,
                wrong.size(),
                wrong.stream().limit(3).toList(),
                slowest / 1e6);
    }

    private byte[] mutated(String base) {
        List<Byte> bytes = new ArrayList<>();
        for (byte each : base.getBytes(StandardCharsets.UTF_8)) {
            bytes.add(each);
        }
        byte[] signs = "0123456789.,;-+eE\"\r\n\t :/TZxabc\0\u0001'|".getBytes(StandardCharsets.ISO_8859_1);
        for (int change = 0; change < 1 + random.nextInt(4); change++) {
            int at = random.nextInt(bytes.size());
            byte sign = signs[random.nextInt(signs.length)];
            switch (random.nextInt(4)) {
                case 0 -> bytes.set(at, sign);
                case 1 -> bytes.add(at, sign);
                case 2 -> bytes.remove(at);
                default -> {
                    int to = Math.min(bytes.size(), at + random.nextInt(30));
                    bytes.addAll(at, new ArrayList<>(bytes.subList(at, to)));
                }
            }
        }
        byte[] made = new byte[bytes.size()];
        for (int at = 0; at < made.length; at++) {
            made[at] = bytes.get(at);
        }
        return made;
    }

    /** Where nothing is in quotes, each line that is not blank is the header, a bar or told. */
    private static String accounted(byte[] bytes, BarFile.Result result) {
        Bars bars = result.series().snapshot();
        for (int bar = 0; bar < bars.closed(); bar++) {
            if (bars.high(bar) < bars.low(bar) || bar > 0 && bars.openTime(bar) <= bars.openTime(bar - 1)) {
                return "a bar is not one";
            }
        }
        String text = new String(bytes, StandardCharsets.ISO_8859_1);
        if (text.indexOf('"') >= 0) {
            return "";
        }
        long lines = Arrays.stream(text.split("\r\n|\r|\n"))
                .filter(line -> !line.replaceAll("[\t ,;|]", "").isEmpty())
                .count();
        long left = lines - bars.closed() - result.badRows().size();
        long before = result.notes().stream()
                .filter(note -> note.contains("before the header"))
                .mapToLong(note -> Long.parseLong(note.split(" ")[0]))
                .sum();
        boolean header = result.notes().stream().noneMatch(note -> note.contains("no header"));
        return left == before + (header ? 1 : 0) ? "" : left + " lines are neither taken nor told";
    }

    // --- imports ---

    private void imports(int rounds) throws Exception {
        int done = 0;
        int wrong = 0;
        Path csv = Files.createTempFile("yardarm", ".csv");
        StringBuilder text = new StringBuilder("time,open,high,low,close,volume\n");
        for (int row = 0; row < 5000; row++) {
            text.append(java.time.Instant.ofEpochSecond(1_700_000_040L + 60L * row))
                    .append(",1,2,0.5,1.5,")
                    .append(row)
                    .append('\n');
        }
        Files.writeString(csv, text);
        for (int round = 0; round < rounds; round++) {
            Path home = Files.createTempDirectory("yardarm-imports");
            List<Process> running = new ArrayList<>();
            for (int number = 0; number < 12; number++) {
                running.add(new ProcessBuilder(
                                "./yardarm",
                                "import",
                                "--home",
                                home.toString(),
                                "--code",
                                "I" + number,
                                csv.toString())
                        .redirectErrorStream(true)
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                        .start());
            }
            for (Process each : running) {
                done += each.waitFor() == 0 ? 1 : 0;
            }
            try (ParquetBarStore store = new ParquetBarStore(home.resolve("history"))) {
                String registered = Files.readString(home.resolve("documents/instruments.json"));
                for (int number = 0; number < 12; number++) {
                    InstrumentId id = new InstrumentId("own", "I" + number);
                    boolean whole = store.read(id, Timeframe.MINUTE, Long.MIN_VALUE, Long.MAX_VALUE)
                                            .closed()
                                    == 5000
                            && registered.contains("\"I" + number + "\"");
                    wrong += whole ? 0 : 1;
                }
            }
            remove(home);
        }
        System.out.printf(
                Locale.ROOT, "imports at once %d, done %d, instruments not whole %d%n", rounds * 12, done, wrong);
    }
}
