package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.plot.PlotSeries;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Figures;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanLibrary;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.evidence.Cues;
import dev.yardarm.desk.evidence.EvidenceDesk;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.scan.Reasons;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.work.Job;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Scans over universes, why something fits, the past, and evidence, behind the window. */
class ScansAndEvidenceTest extends AtADesk {

    private List<String> codes(Universe universe, List<String> missing) {
        return front
                .get(() -> desk.universes().instruments(universe, desk.clock().now(), missing::add))
                .stream()
                .map(Instrument::code)
                .toList();
    }

    @Test
    void aUniverseIsListsSectorsTiersAndMembersWithoutOthers() {
        List<String> missing = new ArrayList<>();
        List<String> companies = codes(Universe.of("All companies"), missing);
        assertThat(companies).hasSize(60).contains("KTRL");
        List<String> large = codes(Universe.of("All companies").withTiers(List.of("large")), missing);
        assertThat(large).hasSize(20);
        List<String> sector = codes(Universe.of("All companies").withSectors(List.of("Tidal power")), missing);
        assertThat(sector).isNotEmpty().hasSizeLessThan(20).contains("KTRL");
        assertThat(codes(Universe.of("All companies").leavingOut(List.of("Evening round")), missing))
                .hasSize(60 - codes(Universe.of("Evening round"), missing).size());
        List<String> heaviest = codes(Universe.ALL.withIndices(List.of("PV60")).withHeaviest(5), missing);
        assertThat(heaviest).hasSize(5);
        assertThat(codes(Universe.ALL.withIndices(List.of("PV60")), missing))
                .hasSize(60)
                .startsWith(heaviest.get(0));
        assertThat(codes(Universe.ALL, missing)).hasSize(desk.directory().all().size());
        assertThat(missing).isEmpty();
        assertThat(codes(new Universe(List.of("Gone"), List.of("KTRL"), 0, List.of(), List.of(), List.of()), missing))
                .isEmpty();
        assertThat(missing).containsExactly("there is no list 'Gone'", "KTRL has no members that are known");
    }

    private ScanRunner.Result run(Scan scan, ScanRunner.AsOf asOf) throws Exception {
        List<Instrument> instruments =
                front.get(() -> desk.universes().instruments(scan.universe(), asOf.moment(), gone -> {}));
        return new ScanRunner(desk.vantages(), desk.scheduler())
                .run(scan, desk.language().now(), instruments, asOf, Job.unattended());
    }

    /** An instrument whose source breaks is told and left out; the others are looked at. */
    @Test
    void oneThatIsBrokenIsToldAndTheOthersAreLookedAt() throws Exception {
        Instrument one = desk.members("Evening round").get(0);
        FragileMarket market =
                new FragileMarket((LiveSource) desk.directory().source(one).orElseThrow());
        market.only = one.code();
        market.broken = new IllegalStateException("no sense in it");
        desk.directory().add(market);
        int count = desk.members("Evening round").size();
        ScanRunner.Result scan = run(
                Scan.of("a", "Evening round", Timeframe.DAY, List.of("close > 0")),
                ScanRunner.AsOf.now(desk.clock().now()));
        assertThat(scan.found()).hasSize(count - 1);
        assertThat(scan.missing()).singleElement().asString().contains(one.code(), "no sense in it");
        EvidenceDesk evidence = front.get(() -> new EvidenceDesk(desk));
        front.run(() -> evidence.ask("rsi(14) crosses above 30", Universe.of("Evening round"), Timeframe.DAY));
        front.await(
                "evidence",
                () -> evidence.result().isPresent() || !evidence.problem().isEmpty());
        assertThat(evidence.problem()).isEmpty();
        assertThat(evidence.result().orElseThrow().instruments()).hasSize(count - 1);
        assertThat(evidence.result().orElseThrow().missing())
                .singleElement()
                .asString()
                .contains(one.code(), "no sense in it");
        front.run(evidence::close);
    }

    /** Scans that run as one find what each finds by itself: order, columns, reasons, nearest misses and all. */
    @Test
    void scansThatRunTogetherFindWhatEachFindsAlone() throws Exception {
        Universe universe = Universe.of("Evening round");
        List<Scan> scans = List.of(
                Scan.of("a", "Evening round", Timeframe.DAY, List.of("close > sma(close, 20)"))
                        .showing("rsi(14)", List.of("sma(close, 20)")),
                Scan.of("b", "Evening round", Timeframe.DAY, List.of("close > sma(close, 20)", "rsi(14) < 60")),
                Scan.of("c", "Evening round", Timeframe.DAY, List.of("close > 1000000")));
        ScanRunner.AsOf now = ScanRunner.AsOf.now(desk.clock().now());
        List<Instrument> instruments =
                front.get(() -> desk.universes().instruments(universe, now.moment(), gone -> {}));
        List<ScanRunner.Result> together = new ScanRunner(desk.vantages(), desk.scheduler())
                .run(scans, desk.language().now(), instruments, now, Job.unattended());
        for (int at = 0; at < scans.size(); at++) {
            ScanRunner.Result alone = run(scans.get(at), now);
            assertThat(together.get(at).scan()).isEqualTo(scans.get(at));
            assertThat(told(together.get(at).found())).isEqualTo(told(alone.found()));
            assertThat(told(together.get(at).nearest())).isEqualTo(told(alone.nearest()));
        }
        assertThat(together.get(0).found()).isNotEmpty();
        assertThat(together.get(2).nearest()).hasSize(10);
    }

    private static List<String> told(List<ScanRunner.Found> found) {
        return found.stream()
                .map(each -> each.instrument().code() + " " + each.outcome().rank() + " "
                        + Arrays.toString(each.outcome().columns()) + " "
                        + each.outcome().readings() + " " + each.outcome().score())
                .toList();
    }

    @Test
    void resultsAreThoseOfFormulasOneByOneInTheirOrder() throws Exception {
        Scan scan = ScanLibrary.named("Averages in order").orElseThrow().over(Universe.of("All companies"));
        long now = desk.clock().now();
        ScanRunner.Result result = run(scan, ScanRunner.AsOf.now(now));
        List<String> wanted = new ArrayList<>();
        Formula condition = Formula.parse(scan.condition(), Language.builtIn());
        for (Instrument each : desk.members("All companies")) {
            Bars bars = desk.vantages().at(now).bars(each, BarRequest.of(Timeframe.DAY));
            if (condition.evaluate(bars).at(bars.size() - 1) == 1) {
                wanted.add(each.code());
            }
        }
        assertThat(result.found())
                .extracting(found -> found.instrument().code())
                .containsExactlyInAnyOrderElementsOf(wanted);
        assertThat(result.found()).isNotEmpty();
        assertThat(result.found().stream().map(found -> -found.outcome().rank()).toList())
                .isSorted();
        assertThat(result.looked()).isEqualTo(60);
    }

    @Test
    void theNearestMissesAreToldWhenNothingFits() throws Exception {
        Scan scan = Scan.of("", "All companies", Timeframe.DAY, List.of("close > 2 * sma(close, 50)", "volume > 0"));
        ScanRunner.Result result = run(scan, ScanRunner.AsOf.now(desk.clock().now()));
        assertThat(result.found()).isEmpty();
        assertThat(result.nearest()).hasSize(10);
        assertThat(result.nearest().stream()
                        .map(near -> -near.outcome().score())
                        .toList())
                .isSorted()
                .allMatch(score -> score > 0);
        ScanRunner.Found first = result.nearest().get(0);
        assertThat(Reasons.decided(result.terms(), first.outcome())).isEqualTo("close > 2 * sma(close, 50)");
        assertThat(Reasons.byHowMuch(first.outcome())).startsWith("\u2212").endsWith(" %");
        assertThat(Reasons.all(result.terms(), first.outcome()).get(0))
                .contains("does not hold", "against", "short", "it decides");
    }

    @Test
    void oneThatCannotBeLookedAtIsToldAndTheRestGoesOn() throws Exception {
        Scan scan = Scan.of("", "", Timeframe.MINUTE, List.of("close > 0"));
        List<Instrument> some = List.of(
                desk.directory().byCode("KTRL").orElseThrow(), Instrument.absent(new InstrumentId("halcyon", "GONE")));
        ScanRunner.Result result = new ScanRunner(desk.vantages(), desk.scheduler())
                .run(scan, desk.language().now(), some, desk.clock().now(), Job.unattended());
        assertThat(result.found()).hasSize(1);
        assertThat(result.missing()).hasSize(1).first().asString().startsWith("GONE: ");
    }

    @Test
    void theDeskKeepsRowsAndTextTogetherAndScansThePast() throws Exception {
        ScanDesk[] made = new ScanDesk[1];
        front.run(() -> {
            made[0] = new ScanDesk(desk);
            ScanDesk scans = made[0];
            scans.draft()
                    .open(ScanLibrary.named("Oversold and turning")
                            .orElseThrow()
                            .over(Universe.of("All companies")));
            assertThat(scans.draft().rule().statements()).hasSize(1);
            scans.draft()
                    .setRule(Rule.Group.all(List.of(
                            new Rule.Statement("Close", Rule.How.ABOVE, "SMA(close,50)", Rule.Since.NOW, 1),
                            new Rule.Statement("rsi(14)", Rule.How.BELOW, "", Rule.Since.NOW, 1))));
            assertThat(scans.draft().problem()).isEqualTo("Row 2 says that rsi(14) is below; say against what.");
            scans.draft()
                    .setRule(Rule.Group.all(
                            List.of(new Rule.Statement("Close", Rule.How.ABOVE, "SMA(close,50)", Rule.Since.HELD, 2))));
            assertThat(scans.draft().problem()).isEmpty();
            assertThat(scans.draft().scan().condition()).isEqualTo("close > sma(close, 50) held for 2");
            scans.draft().setText("close > 0 and clsoe > 1");
            assertThat(scans.draft().problem()).contains("did you mean 'close'");
            assertThat(scans.draft().rule().statements()).hasSize(1);
            scans.run();
            assertThat(scans.summary()).isEmpty();
            scans.draft().setText("close > sma(close, 20)");
            assertThat(scans.draft().rule().statements().get(0).against()).isEqualTo("sma(close, 20)");
            scans.setDay(LocalDate.of(2024, 5, 17));
            scans.run();
        });
        ScanDesk scans = made[0];
        front.await("results", () -> !scans.found().rows().isEmpty());
        front.run(() -> {
            assertThat(scans.summary()).contains("as of the end of 2024-05-17");
            ScanRunner.Found first = scans.found().inHand().orElseThrow();
            assertThat(first.match()).isEqualTo(ScanMatch.YES);
            Bars bars = first.bars();
            assertThat(LocalDate.ofEpochDay(Math.floorDiv(bars.openTime(bars.size() - 1), 86_400_000_000L)))
                    .isEqualTo(LocalDate.of(2024, 5, 17));
            assertThat(scans.reasons()).hasSize(1);
            desk.stanceWork().take(first.instrument().id(), Stance.Kind.LONG, "");
            assertThat(scans.found().columns().stream()
                            .filter(column -> column.id().equals("stance"))
                            .map(column -> column.text().apply(first)))
                    .containsExactly("long");
            scans.saveAsList();
            assertThat(desk.books().list("Oversold and turning").orElseThrow().instruments())
                    .hasSize(scans.found().rows().size());
            scans.export(home.resolve("found.csv"));
        });
        front.await("the file", () -> Files.exists(home.resolve("found.csv")));
        List<String> lines = Files.readAllLines(home.resolve("found.csv"));
        assertThat(lines.get(0)).isEqualTo("Code,Last,Change,Bar,By,Decided by,rsi(14)");
        assertThat(lines).hasSize(scans.found().rows().size() + 1);
        assertThat(lines.get(1)).contains(",closed,", "\"close > sma(close, 20)\"");
        front.run(scans::close);
    }

    @Test
    void evidenceHoldsTheNewestBackUntilItIsOpened() throws Exception {
        EvidenceDesk[] made = new EvidenceDesk[1];
        front.run(() -> {
            made[0] = new EvidenceDesk(desk);
            assertThat(made[0].plots()).isEmpty();
            made[0].ask("clsoe > 1", Universe.ALL, Timeframe.DAY);
            assertThat(made[0].problem()).contains("did you mean 'close'");
            made[0].ask("RSI(14) crosses above 30", Universe.of("Evening round"), Timeframe.DAY);
        });
        EvidenceDesk evidence = made[0];
        front.await("evidence", () -> !evidence.cases().rows().isEmpty());
        int[] held = new int[1];
        front.run(() -> {
            assertThat(evidence.condition()).isEqualTo("rsi(14) crosses above 30");
            assertThat(evidence.isHeldBack()).isTrue();
            assertThat(evidence.summary()).contains("occurrences in", "24 instruments", "held back");
            held[0] = evidence.cases().rows().size();
            long to = evidence.result().orElseThrow().to();
            assertThat(evidence.cases().rows()).allMatch(row -> row.occurrence().time() < to);
            assertThat(evidence.plots()).hasSize(3);
            PlotSeries.Line all =
                    (PlotSeries.Line) evidence.plots().get(0).series().get(1);
            assertThat(Arrays.stream(all.ys()).sum())
                    .as("all times, in per cent")
                    .isCloseTo(100, within(1e-6));
            assertThat(evidence.parts()).hasSizeGreaterThan(5);
            assertThat(evidence.excursion()).contains("One average true range up first");
            Figures five = evidence.result().orElseThrow().evidence().figures().get(1);
            assertThat(evidence.line(five)).hasSameSizeAs(EvidenceDesk.heads());
            assertThat(evidence.subject().orElseThrow().until()).isGreaterThan(0);
            assertThat(evidence.marks().outputs()).hasSize(1);
            evidence.setHorizon(3);
            assertThat(evidence.horizonAt()).isEqualTo(3);
            evidence.openHeldBack();
        });
        front.await("all of it", () -> evidence.cases().rows().size() > held[0]);
        front.run(() -> {
            assertThat(evidence.isHeldBack()).isFalse();
            evidence.count(0.01, 0.1, true);
        });
        front.await(
                "counted anew",
                () -> evidence.result().orElseThrow().recipe().question().cost() == 0.01);
        front.run(evidence::close);
    }

    @Test
    void manyVariantsOnTheSameInstrumentsAreTold() throws Exception {
        EvidenceDesk evidence = front.get(() -> new EvidenceDesk(desk));
        for (int variant = 1; variant <= 5; variant++) {
            String condition = "close > sma(close, " + (variant + 5) + ")";
            front.run(() -> evidence.ask(condition, Universe.of("Indices"), Timeframe.WEEK));
            front.await("evidence", () -> evidence.result()
                    .filter(came -> came.recipe().condition().equals(condition))
                    .isPresent());
            boolean told = front.get(() -> evidence.summary().contains("variants were tried"));
            assertThat(told).isEqualTo(variant == 5);
        }
        Universe partly = Universe.ALL.withLists(List.of("Indices", "Gone"));
        front.run(() -> evidence.ask("close > open", partly, Timeframe.WEEK));
        front.await("what is gone", () -> evidence.summary().contains("Skipped: there is no list 'Gone'"));
        front.run(() -> evidence.ask("close > 0", Universe.of("Indices"), Timeframe.WEEK));
        front.await("no contrast", () -> evidence.summary().contains("no other times to compare with"));
    }

    /** What comes after five minutes is hundredths of a per cent: it is told in as many digits as tell it from nothing. */
    @Test
    void figuresOfShortBarsHaveTheDecimalsTheyNeed() throws Exception {
        EvidenceDesk evidence = front.get(() -> new EvidenceDesk(desk));
        Universe heaviest = Universe.ALL.withIndices(List.of("PV60")).withHeaviest(1);
        front.run(() ->
                evidence.ask("rsi(14) < 30", heaviest, Timeframe.parse("5m").orElseThrow()));
        front.await("evidence", () -> evidence.result().isPresent());
        front.run(() -> {
            for (Figures each : evidence.result().orElseThrow().evidence().figures()) {
                assertThat(evidence.line(each).get(6))
                        .matches("[+−]\\d+\\.\\d{3,4} %")
                        .doesNotMatch("[+−]0\\.0+ %");
            }
            PlotSeries.Line all =
                    (PlotSeries.Line) evidence.plots().get(0).series().get(1);
            double most = Arrays.stream(all.ys()).max().orElseThrow();
            assertThat(Arrays.stream(all.ys()).filter(y -> y > most / 10).count())
                    .as("columns with something in them")
                    .isGreaterThan(5);
            evidence.close();
        });
    }

    @Test
    void cuesOfTheChosenIndicatorAreConditions() throws Exception {
        front.run(() -> {
            ChartRoom room = new ChartRoom(desk);
            room.open(desk.directory().byCode("KTRL").orElseThrow(), Timeframe.DAY);
            assertThat(Cues.of(room.chart())).isEmpty();
            room.indicators().add(desk.language().catalogue().find("supertrend").orElseThrow());
            assertThat(Cues.of(room.chart()))
                    .containsExactly("supertrend.rising", "supertrend.turned_up", "supertrend.turned_down");
            for (String each : Cues.of(room.chart())) {
                Formula.parseCondition(each, desk.language().now());
            }
        });
    }

    @Test
    void whatIsNewAndWhatIsGoneSinceTheLastRunIsMarked() throws Exception {
        ScanDesk scans = front.get(() -> new ScanDesk(desk));
        Scan scan = new Scan(
                "Rising", "", "", Universe.of("All companies"), Timeframe.DAY, "close > sma(close, 20)", "", List.of());
        front.run(() -> {
            scans.draft().open(scan);
            assertThat(scans.draft().save()).isTrue();
            scans.run();
        });
        front.await("the first run", () -> desk.scanWork().runs("Rising").size() == 1);
        List<InstrumentId> first =
                front.get(() -> desk.scanWork().runs("Rising").get(0).found());
        assertThat(front.get(scans::summary)).doesNotContain("Since");
        // As if it had run an hour ago and had found another in the place of one.
        front.run(() -> {
            List<InstrumentId> before = new ArrayList<>(first.subList(1, first.size()));
            before.add(new InstrumentId("halcyon", "OTHER"));
            desk.books()
                    .scanRunShelf()
                    .remove(desk.scanWork().runs("Rising").get(0).key());
            desk.books()
                    .scanRunShelf()
                    .put(new ScanRun(
                            "Rising", desk.clock().now() - 3_600_000_000L, "close > sma(close, 20)", 60, before));
            scans.run();
        });
        front.await("the second run", () -> desk.scanWork().runs("Rising").size() == 2);
        front.run(() -> {
            assertThat(scans.summary()).contains("1 new, gone OTHER");
            assertThat(scans.found().isShown("new")).isTrue();
            // Another condition under the same name has nothing to be compared with.
            scans.draft().setText("close > sma(close, 10)");
            assertThat(scans.draft().save()).isTrue();
            scans.run();
        });
        front.await(
                "the third run",
                () -> desk.scanWork().runs("Rising").size() == 2
                        && desk.scanWork().runs("Rising").get(0).condition().endsWith("10)"));
        front.run(() -> {
            assertThat(scans.summary()).doesNotContain("Since");
            for (int run = 0; run < 30; run++) {
                desk.scanWork().keep(new ScanRun("Rising", run, "close > 0", 60, List.of()));
            }
            assertThat(desk.scanWork().runs("Rising")).hasSizeLessThanOrEqualTo(21);
            scans.close();
        });
    }
}
