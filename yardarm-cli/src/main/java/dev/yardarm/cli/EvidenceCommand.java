package dev.yardarm.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Evidence;
import dev.yardarm.core.evidence.Excursion;
import dev.yardarm.core.evidence.Figures;
import dev.yardarm.core.evidence.Occurrence;
import dev.yardarm.core.evidence.Part;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.evidence.Study;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.intake.Intake;
import dev.yardarm.desk.evidence.EvidenceRunner;
import dev.yardarm.desk.evidence.Recipe;
import dev.yardarm.desk.work.Job;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Tells what came after every occurrence of a condition. */
@Command(
        name = "evidence",
        description = "Tells what came after every occurrence of a condition, against all other times; JSON out.",
        mixinStandardHelpOptions = true)
final class EvidenceCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Mixin
    private UniverseOptions among;

    @Option(names = "--formula", required = true, paramLabel = "EXPR", description = "the condition")
    private String formula;

    @Option(
            names = "--timeframe",
            paramLabel = "TF",
            defaultValue = "D",
            description = "period of the bars; D unless given")
    private String timeframe;

    @Option(names = "--from", paramLabel = "DATE", description = "occurrences on this day or later")
    private String from;

    @Option(names = "--to", paramLabel = "DATE", description = "occurrences up to this day, which counts")
    private String to;

    @Option(
            names = "--horizons",
            paramLabel = "1,5,...",
            split = ",",
            description = "after how many bars; 1,5,10,20,60 unless given")
    private int[] horizons;

    @Option(names = "--cost", paramLabel = "0.05%", description = "taken off every return")
    private String cost;

    @Option(
            names = "--slippage",
            paramLabel = "0.1",
            defaultValue = "0",
            description = "taken off every return too, in average true ranges of 14 bars, in and out together")
    private double slippage;

    @Option(names = "--seed", paramLabel = "N", defaultValue = "1", description = "of what is drawn by chance")
    private long seed;

    @Option(
            names = "--overlapping",
            description =
                    "counts every occurrence; unless given, one of an instrument counts only when the last that counted is over")
    private boolean overlapping;

    @Option(
            names = "--out",
            paramLabel = "FILE.json",
            description = "writes the figures here instead of to standard output")
    private Path out;

    @Option(names = "--cases", paramLabel = "FILE.csv", description = "writes every occurrence here")
    private Path cases;

    @Override
    public Integer call() throws Exception {
        PrintWriter errors = spec.commandLine().getErr();
        double share = cost();
        Timeframe period = OpenHome.timeframe(timeframe);
        try (OpenHome opened = among.open(errors)) {
            List<Instrument> instruments = among.instruments(opened, Universe.ALL, errors);
            ZoneId days = among.zone(opened, instruments);
            Question question;
            try {
                question = new Question(
                        horizons == null ? Question.USUAL.horizons() : horizons,
                        share,
                        slippage,
                        from == null ? Long.MIN_VALUE : day("--from", from, 0, days),
                        to == null ? Long.MAX_VALUE : day("--to", to, 1, days),
                        !overlapping,
                        seed);
            } catch (IllegalArgumentException senseless) {
                throw new WrongUsageException(senseless.getMessage());
            }
            EvidenceRunner runner = new EvidenceRunner(
                    opened.desk().vantages(),
                    opened.desk().directory(),
                    opened.desk().scheduler());
            EvidenceRunner.Result result = runner.run(
                    new Recipe(formula, period, question),
                    opened.desk().language().now(),
                    instruments,
                    opened.desk().clock().now(),
                    Job.unattended());
            result.missing().forEach(each -> errors.println("skipped: " + each));
            String condition =
                    Formula.parse(formula, opened.desk().language().now()).canonical();
            if (cases != null) {
                writeCases(result, period, opened);
            }
            ObjectMapper mapper = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
            String json = mapper.writeValueAsString(json(mapper, result, condition, days));
            Output.write(out, spec.commandLine().getOut(), target -> target.write(json + "\n"));
            tell(result.evidence(), errors);
        }
        return 0;
    }

    private double cost() throws WrongUsageException {
        if (cost == null) {
            return 0;
        }
        String plain = cost.strip();
        try {
            return plain.endsWith("%")
                    ? Double.parseDouble(plain.substring(0, plain.length() - 1).strip()) / 100
                    : Double.parseDouble(plain);
        } catch (NumberFormatException bad) {
            throw new WrongUsageException("--cost: '" + cost + "' is no share; write 0.05% or 0.0005");
        }
    }

    private static long day(String option, String text, int later, ZoneId zone) throws WrongUsageException {
        try {
            return Times.micros(LocalDate.parse(text.strip()).plusDays(later).atStartOfDay(zone));
        } catch (DateTimeParseException bad) {
            throw new WrongUsageException(option + ": '" + text + "' is no day; write 2026-03-02");
        }
    }

    private void writeCases(EvidenceRunner.Result result, Timeframe period, OpenHome opened) throws Exception {
        List<ZoneId> zones = new ArrayList<>();
        for (Instrument each : result.instruments()) {
            // A day is that of the instrument's own market, as in its file.
            zones.add(among.zone(opened, List.of(each)));
        }
        Output.write(cases, spec.commandLine().getOut(), target -> {
            CsvWriter writer =
                    CsvWriter.builder().lineDelimiter(LineDelimiter.LF).build(target);
            List<String> header = new ArrayList<>(List.of("code", "time", "entry_time", "entry"));
            for (int each : result.recipe().question().horizons()) {
                header.add("r" + each);
            }
            header.addAll(List.of("worst", "best"));
            writer.writeRecord(header);
            boolean dates = !period.isIntraday();
            for (int at = 0; at < result.instruments().size(); at++) {
                Study study = result.evidence().studies().get(at);
                ZoneId zone = zones.get(at);
                for (Occurrence each : study.occurrences()) {
                    List<String> row = new ArrayList<>(List.of(
                            study.code(),
                            Intake.time(each.time(), zone, dates),
                            each.entryTime() == 0 ? "" : Intake.time(each.entryTime(), zone, dates),
                            number(each.entry())));
                    for (double came : each.returns()) {
                        row.add(number(came));
                    }
                    row.add(number(each.worst()));
                    row.add(number(each.best()));
                    writer.writeRecord(row);
                }
            }
            writer.flush();
        });
    }

    private static String number(double value) {
        return Double.isNaN(value) ? "" : Output.number(value);
    }

    private ObjectNode json(ObjectMapper mapper, EvidenceRunner.Result result, String condition, ZoneId days) {
        Evidence evidence = result.evidence();
        Question question = evidence.question();
        ObjectNode json = mapper.createObjectNode();
        ObjectNode recipe = json.putObject("recipe");
        recipe.put("condition", condition);
        recipe.put("timeframe", result.recipe().timeframe().toString());
        recipe.put("from", from);
        recipe.put("to", to);
        ArrayNode after = recipe.putArray("horizons");
        Arrays.stream(question.horizons()).forEach(after::add);
        recipe.put("cost", question.cost());
        recipe.put("slippage", question.slippage());
        recipe.put("overlapping", !question.apart());
        recipe.put("seed", question.seed());
        recipe.put("version", Main.VERSION);
        ArrayNode of = recipe.putArray("instruments");
        result.instruments().forEach(each -> of.add(each.code()));
        json.put("bars", evidence.looked());
        json.put("occurrences", evidence.found());
        json.put("contrast", evidence.hasContrast());
        ArrayNode horizonNodes = json.putArray("horizons");
        evidence.figures().forEach(each -> figures(horizonNodes.addObject(), each));
        Excursion excursion = evidence.excursion();
        ObjectNode far = json.putObject("excursion");
        far.put("count", excursion.count());
        put(far, "worst", excursion.worst());
        put(far, "best", excursion.best());
        put(far, "gain_first", excursion.gainFirst());
        put(far, "loss_first", excursion.lossFirst());
        put(far, "neither", excursion.neither());
        put(far, "bars_to_gain", excursion.barsToGain());
        put(far, "bars_to_loss", excursion.barsToLoss());
        parts(json.putArray("by_year"), evidence.by(each -> date(each, days).substring(0, 4)));
        parts(json.putArray("by_regime"), evidence.by(each -> each.regime().words()));
        parts(json.putArray("by_sector"), evidence.byGroup());
        if (result.recipe().timeframe().isIntraday()) {
            parts(json.putArray("by_hour"), evidence.by(each -> hour(each, days)));
        }
        return json;
    }

    private static String date(Occurrence occurrence, ZoneId zone) {
        return Intake.time(occurrence.time(), zone, /* dateOnly= */ true);
    }

    private static String hour(Occurrence occurrence, ZoneId zone) {
        int hour = Instant.ofEpochSecond(Math.floorDiv(occurrence.time(), Times.SECOND))
                .atZone(zone)
                .getHour();
        return (hour < 10 ? "0" : "") + hour;
    }

    private static void figures(ObjectNode node, Figures figures) {
        node.put("bars", figures.horizon());
        node.put("count", figures.count());
        node.put("days", figures.days());
        node.put("small", figures.isSmall());
        put(node, "mean", figures.mean());
        put(node, "median", figures.median());
        put(node, "gains", figures.gains());
        put(node, "base_mean", figures.baseMean());
        put(node, "base_gains", figures.baseGains());
        put(node, "difference", figures.difference());
        put(node, "low", figures.low());
        put(node, "high", figures.high());
        put(node, "random_above", figures.notAbove());
    }

    private static void parts(ArrayNode nodes, List<Part> parts) {
        for (Part each : parts) {
            ObjectNode node = nodes.addObject();
            node.put("name", each.name());
            ArrayNode counts = node.putArray("count");
            Arrays.stream(each.counts()).forEach(counts::add);
            values(node.putArray("mean"), each.means());
            values(node.putArray("gains"), each.gains());
        }
    }

    private static void values(ArrayNode nodes, double[] values) {
        for (double each : values) {
            if (Double.isNaN(each)) {
                nodes.addNull();
            } else {
                nodes.add(each);
            }
        }
    }

    private static void put(ObjectNode node, String name, double value) {
        if (Double.isNaN(value)) {
            node.putNull(name);
        } else {
            node.put(name, value);
        }
    }

    private static void tell(Evidence evidence, PrintWriter errors) {
        errors.println(evidence.found() + " occurrences in " + evidence.looked() + " bars of "
                + evidence.studies().size() + " instruments");
        if (!evidence.hasContrast()) {
            errors.println("note: the condition holds at nearly all bars; there are no other times to compare with");
        }
        if (evidence.found() > 0 && evidence.figures().stream().anyMatch(Figures::isSmall)) {
            errors.println("note: fewer than " + Evidence.FEW + " occurrences count; such figures are small comfort");
        }
    }
}
