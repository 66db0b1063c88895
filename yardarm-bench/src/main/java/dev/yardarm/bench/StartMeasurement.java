package dev.yardarm.bench;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Time to the first chart of the demo, against an empty window with the same theme and against one with as many bare controls:
 * started as processes of their own, one after the other, eleven times each, with the same flags, once without and once with a
 * class-data archive.
 */
public final class StartMeasurement {
    private static final int RUNS = 11;

    /** What the launcher gives the machine: the second compiler waits until the start is over. */
    private static final List<String> MACHINE = List.of(
            "-Xmx3g",
            "-XX:Tier4InvocationThreshold=50000",
            "-XX:Tier4MinInvocationThreshold=20000",
            "-XX:Tier4CompileThreshold=50000",
            "-XX:Tier4BackEdgeThreshold=400000");

    private static final Pattern AFTER = Pattern.compile("(window shown|first chart) after (\\d+) ms");

    private StartMeasurement() {}

    public static void main(String[] arguments) throws Exception {
        Path home = Files.createTempDirectory("yardarm-bench");
        List<String> empty = List.of("dev.yardarm.bench.EmptyWindow$Launch");
        List<String> furnished = List.of("dev.yardarm.bench.FurnishedWindow$Launch");
        List<String> demo = List.of("dev.yardarm.app.Main", "demo", "--still", "--home", home.toString());
        run(List.of(), demo, "first chart", 12);
        measure(
                "without class-data archive",
                List.of(List.of(), List.of(), List.of()),
                List.of(empty, furnished, demo));
        Path emptyArchive = home.resolve("empty.jsa");
        Path furnishedArchive = home.resolve("furnished.jsa");
        Path demoArchive = home.resolve("demo.jsa");
        run(List.of("-XX:ArchiveClassesAtExit=" + emptyArchive, "-Xlog:disable"), empty, "window shown", 3);
        run(List.of("-XX:ArchiveClassesAtExit=" + furnishedArchive, "-Xlog:disable"), furnished, "window shown", 3);
        run(List.of("-XX:ArchiveClassesAtExit=" + demoArchive, "-Xlog:disable"), demo, "first chart", 5);
        measure(
                "with class-data archive",
                List.of(
                        List.of("-XX:SharedArchiveFile=" + emptyArchive),
                        List.of("-XX:SharedArchiveFile=" + furnishedArchive),
                        List.of("-XX:SharedArchiveFile=" + demoArchive)),
                List.of(empty, furnished, demo));
    }

    /** Measures an empty window, a furnished one and the demo, in turns. */
    private static void measure(String title, List<List<String>> flags, List<List<String>> programs) throws Exception {
        double[][] times = new double[3][RUNS];
        for (int run = 0; run < RUNS; run++) {
            for (int which = 0; which < 3; which++) {
                String mark = which == 2 ? "first chart" : "window shown";
                times[which][run] = run(flags.get(which), programs.get(which), mark, 0);
            }
        }
        for (double[] each : times) {
            Arrays.sort(each);
        }
        double empty = times[0][RUNS / 2];
        double furnished = times[1][RUNS / 2];
        double demo = times[2][RUNS / 2];
        System.out.printf(
                Locale.ROOT,
                "%s: empty window %.0f ms, furnished window %.0f ms (%.2f), first chart %.0f ms, ratio %.2f; "
                        + "against the furnished window %.2f%n",
                title,
                empty,
                furnished,
                furnished / empty,
                demo,
                demo / empty,
                demo / furnished);
    }

    /** Starts a program and returns the milliseconds it tells for a mark; ends it some seconds later. */
    private static double run(List<String> flags, List<String> program, String mark, int lingerSeconds)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(MACHINE);
        command.addAll(flags);
        command.addAll(List.of("-cp", System.getProperty("java.class.path")));
        command.addAll(program);
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectInput(ProcessBuilder.Redirect.from(new File("/dev/null")))
                .start();
        double found = Double.NaN;
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                Matcher after = AFTER.matcher(line);
                if (after.find() && after.group(1).equals(mark)) {
                    found = Double.parseDouble(after.group(2));
                    break;
                }
            }
            TimeUnit.SECONDS.sleep(lingerSeconds);
            // Through its handle: destroy() of the process would close the stream that is read to its end here.
            process.toHandle().destroy();
            while (lines.readLine() != null) {
                // the rest is of no interest, but the program must not wait for its reader
            }
        }
        process.waitFor();
        return found;
    }
}
