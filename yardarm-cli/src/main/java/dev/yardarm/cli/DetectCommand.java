package dev.yardarm.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detected;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.WhyNothing;
import dev.yardarm.core.structure.catalogue.Detectors;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code yardarm detect}: structure found in a bar file, as JSON lines. */
@Command(
        name = "detect",
        description =
                "Finds structure in a bar file; JSON out: a line for each finding, in the order they became known.",
        mixinStandardHelpOptions = true)
final class DetectCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(
            names = "--csv",
            required = true,
            paramLabel = "FILE",
            description = "bar file: time,open,high,low,close,volume or time,value")
    private Path csv;

    @Option(
            names = "--detector",
            required = true,
            paramLabel = "NAME",
            description =
                    "pivots, levels, trend-lines, gaps, order-blocks, patterns, candles, divergences, ranges, waves or targets")
    private String detector;

    @Option(
            names = "--set",
            paramLabel = "k=v",
            description = "one of its settings, or source=FORMULA for what divergences read; may be repeated")
    private List<String> set;

    /** The formula a detector reads beside the bars; null for what it reads unless told otherwise. */
    private Formula source;

    @Mixin
    private FileOptions reading;

    @Option(
            names = "--asof",
            paramLabel = "TIME",
            description = "as known when the last bar that opened before this time had closed: the result is the same "
                    + "as with a file that ends there; a date, or a date and time")
    private String asof;

    @Option(names = "--skip-bad", paramLabel = "FILE", description = "sets bad rows aside in this file")
    private Path skipBad;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        CommandLine line = spec.commandLine();
        ReadingOptions options = reading.read();
        Detector chosen = Detectors.named(detector)
                .orElseThrow(() -> new WrongUsageException("there is no detector '" + detector + "'; there are "
                        + Detectors.all().stream().map(Detector::name).collect(Collectors.joining(", "))));
        Settings settings = settings(chosen);
        SkippedRows skipped = new SkippedRows(skipBad);
        BarFile.Result read = skipped.read(csv, options, line.getErr());
        ZoneId days = options.zone() == null ? ZoneOffset.UTC : options.zone();
        Bars whole = read.series().snapshot();
        Bars known = asof == null
                ? whole
                : whole.first(whole.closedBy(Vantage.momentBefore(Moments.read("--asof", asof, days), whole)));
        ColumnGraph graph = new ColumnGraph();
        Detected detected = Detected.in(graph, chosen, settings, source(graph));
        graph.update(known);
        List<String> lines = lines(
                chosen, detected.log(), known, time -> ComputeCommand.time(time, options.zone(), read.datesOnly()));
        Output.write(out, line.getOut(), to -> {
            for (String each : lines) {
                to.write(each + "\n");
            }
        });
        line.getErr()
                .println(lines.size()
                        + (lines.size() == 1 ? " finding in " : " findings in ")
                        + known.closed()
                        + (known.closed() == 1 ? " bar" : " bars")
                        + (lines.isEmpty() ? ": " + WhyNothing.of(chosen, known) : ""));
        skipped.finish(line.getErr());
        return 0;
    }

    private Settings settings(Detector chosen) throws WrongUsageException {
        Map<String, String> given = new LinkedHashMap<>();
        for (String each : set == null ? List.<String>of() : set) {
            int sign = each.indexOf('=');
            if (sign < 1) {
                throw new WrongUsageException("--set is NAME=VALUE, not '" + each + "'");
            }
            String name = each.substring(0, sign).strip().toLowerCase(Locale.ROOT);
            if (given.put(name, each.substring(sign + 1).strip()) != null) {
                throw new WrongUsageException("--set gives " + name + " twice");
            }
        }
        String column = given.remove(Detector.SOURCE);
        if (column != null) {
            if (!chosen.readsSource()) {
                throw new WrongUsageException("--set: " + chosen.name() + " reads bars alone, no source");
            }
            try {
                source = Formula.parse(column, Language.builtIn());
            } catch (FormulaException bad) {
                throw new WrongUsageException("--set source: " + bad.getMessage());
            }
        }
        try {
            return chosen.settings(given);
        } catch (IllegalArgumentException wrong) {
            throw new WrongUsageException("--set: " + wrong.getMessage());
        }
    }

    /** The column that was given to be read beside the bars; null for none. */
    private ColumnGraph.Node source(ColumnGraph graph) {
        return source == null ? null : source.in(graph);
    }

    /** How a time is written. */
    @FunctionalInterface
    private interface Times {
        String text(long time);
    }

    private static List<String> lines(Detector detector, FindingLog log, Bars bars, Times times) throws Exception {
        Map<Integer, List<FindingLog.Standing>> histories = new TreeMap<>();
        for (int place = 0; place < log.size(); place++) {
            FindingLog.Standing each = log.entry(place);
            histories
                    .computeIfAbsent(each.number(), number -> new ArrayList<>())
                    .add(each);
        }
        ObjectMapper mapper = new ObjectMapper();
        List<String> lines = new ArrayList<>();
        for (List<FindingLog.Standing> history : histories.values()) {
            if (history.get(history.size() - 1).state() != Finding.State.VOID) {
                lines.add(mapper.writeValueAsString(json(mapper, detector, history, bars, times)));
            }
        }
        return lines;
    }

    private static ObjectNode json(
            ObjectMapper mapper, Detector detector, List<FindingLog.Standing> history, Bars bars, Times times) {
        FindingLog.Standing last = history.get(history.size() - 1);
        Finding finding = last.finding();
        ObjectNode json = mapper.createObjectNode();
        json.put("detector", detector.name());
        json.put("kind", finding.kind());
        json.put("id", detector.name() + "-" + last.number());
        json.put("from", times.text(finding.from()));
        json.put("to", times.text(finding.to()));
        ArrayNode points = json.putArray("points");
        for (Finding.Point point : finding.points()) {
            ObjectNode node = points.addObject();
            node.put("role", point.role());
            node.put("time", times.text(point.time()));
            put(node, "price", point.price());
        }
        ArrayNode states = json.putArray("states");
        Finding.State before = null;
        for (FindingLog.Standing each : history) {
            if (each.state() != before) {
                states.addObject()
                        .put("state", each.state().name().toLowerCase(Locale.ROOT))
                        .put("knownAt", times.text(bars.openTime(each.knownAt())));
            }
            before = each.state();
        }
        put(json, "score", finding.score());
        if (!finding.lines().isEmpty()) {
            ObjectNode lines = json.putObject("lines");
            new TreeMap<>(finding.lines()).forEach((name, price) -> put(lines, name, price));
        }
        put(json, "target", finding.target());
        put(json, "invalidation", finding.invalidation());
        return json;
    }

    /** A number with full precision; left out where there is none. */
    private static void put(ObjectNode node, String name, double value) {
        if (Double.isFinite(value)) {
            node.put(name, new BigDecimal(Output.number(value)));
        }
    }
}
