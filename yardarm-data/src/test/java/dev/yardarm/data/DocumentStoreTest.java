package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SpecVersion;
import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Margin;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.alert.Wait;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.AlertEntry;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingEntry;
import dev.yardarm.data.document.DrawingLook;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.document.FiringEntry;
import dev.yardarm.data.document.InquiryEntry;
import dev.yardarm.data.document.PlanEntry;
import dev.yardarm.data.document.ScanEntry;
import dev.yardarm.data.document.StanceEntry;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DocumentStoreTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");
    private static final Alert ALERT =
            Alert.of("a", KTRL, new Wait(new Awaited.Drawn("d1"), Alert.Trigger.REACHES), Timeframe.HOURS_4, 7, 99.5);
    private static final Drawing LEVEL =
            new Drawing("d1", Drawing.LEVEL, Timeframe.WEEK, List.of(new Anchor(1_700_000_000_000_000L, 98.4)), 2);

    private static final String SCHEMA = "https://yardarm.invalid/schema/";
    private static final JsonSchemaFactory SCHEMAS = JsonSchemaFactory.getInstance(
            SpecVersion.VersionFlag.V202012,
            builder -> builder.schemaMappers(
                    mappers -> mappers.mapPrefix(SCHEMA, "classpath:dev/yardarm/data/document/schema/")));

    @TempDir
    private Path folder;

    private DocumentStore store;

    @BeforeEach
    void open() throws IOException {
        store = new DocumentStore(folder);
    }

    private <T> void roundTrip(DocumentKind<T> kind, T document) throws IOException {
        store.write(kind, "it", document);
        assertThat(DocumentStore.text(kind, store.read(kind, "it").orElseThrow()))
                .isEqualTo(DocumentStore.text(kind, document));
        Path file = folder.resolve(kind.folder()).resolve("it.json");
        String name = kind.format().substring("yardarm/".length());
        var problems = SCHEMAS.getSchema(SchemaLocation.of(SCHEMA + name + ".schema.json"))
                .validate(new ObjectMapper().readTree(file.toFile()));
        assertThat(problems).as(name).isEmpty();
    }

    @Test
    void everyKindComesBackAsItWasAndFitsItsSchema() throws IOException {
        roundTrip(
                DocumentKind.TRACING,
                new Documents.Tracing(
                        KTRL,
                        List.of(
                                DrawingEntry.of(LEVEL),
                                DrawingEntry.of(new Drawing(
                                        "d2",
                                        Drawing.LINE,
                                        Timeframe.MINUTES_15,
                                        List.of(new Anchor(1, 2), new Anchor(3, 4)),
                                        0)))));
        Drawing own = LEVEL.withId("own")
                .withStyle(LEVEL.style().withWords(Drawing.Style.Words.BELOW))
                .withPlace(LEVEL.place().onChart("c1").withGroup("g"));
        roundTrip(
                DocumentKind.TRACING,
                new Documents.Tracing(KTRL, List.of(DrawingEntry.of(own)), "second", List.of("main"), true));
        assertThat(DrawingEntry.of(own).drawing()).isEqualTo(own);
        roundTrip(DocumentKind.LISTS, Entries.of(List.of(new NamedList("Evening", List.of(KTRL)))));
        roundTrip(
                DocumentKind.STANCES,
                Entries.of(List.of(StanceEntry.of(new Stance(KTRL, Stance.Kind.SKIP, "no swing", "a “note”", 5)))));
        Alert onCondition = Alert.onCondition("c", KTRL, "rsi(14) < 30", Timeframe.DAY, 8);
        Alert onTrade = Alert.onTrade("t", KTRL, 250.5, 100_000, Timeframe.MINUTE, 9);
        roundTrip(
                DocumentKind.ALERTS,
                Entries.of(List.of(AlertEntry.of(ALERT), AlertEntry.of(onCondition), AlertEntry.of(onTrade))));
        assertThat(AlertEntry.of(onCondition).alert()).isEqualTo(onCondition);
        assertThat(AlertEntry.of(onTrade).alert()).isEqualTo(onTrade);
        Alert full = new Alert(
                "f",
                KTRL,
                List.of(
                        new Wait(
                                new Awaited.Value("ema(20)"),
                                Alert.Trigger.ABOUT_TO_CLOSE,
                                1,
                                new Margin(3, Margin.Unit.TICKS),
                                5_000_000,
                                0),
                        new Wait(new Awaited.Price(98.5), Alert.Trigger.REACHES)
                                .going(-1)
                                .within(4),
                        new Wait(
                                new Awaited.Drawn("d1", "0.618"),
                                Alert.Trigger.TURNS_BACK,
                                0,
                                new Margin(0.5, Margin.Unit.RANGE),
                                0,
                                0)),
                BarRule.parse("time:4h"),
                new Terms(
                        Terms.Repeat.EACH_TIME,
                        5,
                        9_000_000,
                        new Terms.Hours(LocalTime.of(9, 0), LocalTime.of(11, 30))),
                "as planned",
                new Acts("bell", true, false, "long", "retest", true),
                7,
                Double.NEGATIVE_INFINITY);
        for (Wait wait : List.of(
                new Wait(new Awaited.Due("release"), Alert.Trigger.COMES_UP, 0, Margin.NONE, 60_000_000, 0),
                new Wait(new Awaited.Member("Pullbacks"), Alert.Trigger.FOUND))) {
            Alert elsewhere = Alert.of("e", KTRL, wait, Timeframe.DAY, 7, 99.5);
            roundTrip(DocumentKind.ALERTS, Entries.of(List.of(AlertEntry.of(elsewhere))));
            assertThat(AlertEntry.of(elsewhere).alert()).isEqualTo(elsewhere);
        }
        roundTrip(DocumentKind.ALERTS, Entries.of(List.of(AlertEntry.of(full))));
        assertThat(AlertEntry.of(full).alert()).isEqualTo(full);
        Firing firing = new Firing("c", 8, KTRL, "", "rsi(14) < 30 on D", "", BarRule.parse("range:10"), 9, 98.4, 5);
        roundTrip(DocumentKind.FIRINGS, Entries.of(List.of(FiringEntry.of(firing))));
        assertThat(FiringEntry.of(firing).firing()).isEqualTo(firing);
        roundTrip(
                DocumentKind.PLANS,
                Entries.of(List.of(
                        PlanEntry.of(new TradePlan("p", KTRL, Timeframe.DAY, 9, 104.2, 102.8, 107, 25_000, 1, 11)))));
        roundTrip(
                DocumentKind.SCANS,
                Entries.of(List.of(
                        ScanEntry.of(Scan.of("s", "l", Timeframe.MONTH, List.of("close > open"))),
                        ScanEntry.of(new Scan(
                                "all of it",
                                "Breakouts",
                                "what it is for",
                                new Universe(
                                        List.of("l"),
                                        List.of("PV60"),
                                        5,
                                        List.of("Salt"),
                                        List.of("mid"),
                                        List.of("m")),
                                Timeframe.DAY,
                                "close > 1",
                                "rsi(14)",
                                List.of("volume"))))));
        Inquiry asked = new Inquiry(
                "close > open", Universe.of("l"), Timeframe.DAY, Question.USUAL.between(3, 9), 0.2, 7, "Yardarm", 12);
        roundTrip(DocumentKind.INQUIRIES, Entries.of(List.of(InquiryEntry.of(asked))));
        assertThat(InquiryEntry.of(asked).inquiry().key()).isEqualTo(asked.key());
        roundTrip(
                DocumentKind.SCAN_SCHEDULES,
                Entries.of(List.of(new ScanSchedule("s", ScanSchedule.When.BAR_CLOSES, 7))));
        roundTrip(DocumentKind.SCAN_RUNS, Entries.of(List.of(new ScanRun("s", 7, "close > open", 60, List.of(KTRL)))));
        roundTrip(DocumentKind.MARKET, new Documents.Market(1, 1_700_000_000_000_000L, 10, 2));
        roundTrip(
                DocumentKind.INSTRUMENTS,
                new Documents.Instruments(Entries.of(List.of(new Documents.Imported("X", "Ex", 2, "UTC", 7)))));
        Documents.Chart chart = new Documents.Chart(
                KTRL,
                Timeframe.DAY,
                "averaged",
                true,
                7,
                0,
                0,
                0,
                Entries.of(List.of(new Documents.IndicatorLayer(
                        "layer-1",
                        "sma",
                        Map.of("length", "50"),
                        0,
                        1.5,
                        1,
                        true,
                        "price",
                        List.of(new Documents.OutputLook("value", "STEPS", 3, "SLOPE", "30", "close > open", 5, 2)),
                        List.of(30.0, 70.0),
                        List.of(Timeframe.WEEK),
                        Timeframe.MONTH,
                        true,
                        "percent",
                        "ab12cd34"))),
                new Documents.Request("range:20", "day", true, false, "5 days before", "RATIO", 20, true),
                new Documents.Scale("PERCENT", true, "HELD", 0.1, 0.2, 5),
                List.of(new Documents.Pane("volume", 0.3, true)),
                "price",
                true,
                "UTC",
                "mine",
                3,
                "c1");
        Documents.Workspace workspace = new Documents.Workspace(
                "DAYLIGHT",
                "CHART",
                "Evening",
                true,
                true,
                true,
                25_000,
                1,
                new Documents.Window(0, 0, 1280, 800, false),
                List.of("sma 50"),
                Entries.of(List.of(new Documents.Layout(
                        "Layout 1",
                        "row(0*0.6,1*0.4)",
                        List.of(chart, chart),
                        1,
                        -1,
                        true,
                        new Documents.Window(10, 10, 400, 300, false)))),
                0,
                List.of(new Documents.Link(1, List.of("CROSSHAIR"))),
                true,
                false,
                "");
        roundTrip(DocumentKind.WORKSPACE, workspace);
        Documents.Preset preset = new Documents.Preset(
                "swing",
                new Documents.Chart(
                        null,
                        Timeframe.WEEK,
                        "line",
                        false,
                        5,
                        0,
                        0,
                        0,
                        Entries.of(List.of()),
                        null,
                        null,
                        List.of(),
                        null,
                        null,
                        null,
                        null,
                        0,
                        null),
                true);
        roundTrip(DocumentKind.PRESETS, Entries.of(List.of(preset)));
        roundTrip(
                DocumentKind.EXPORT,
                new Documents.Export(
                        workspace,
                        Entries.of(List.of(preset)),
                        Entries.of(List.of(new NamedList("Evening", List.of(KTRL), 4)))));
        roundTrip(
                DocumentKind.HABITS,
                new Documents.Habits(
                        List.of(Timeframe.WEEK),
                        Map.of("halcyon:VRTQ", "day"),
                        Map.of("sma", chart.indicators().values().get(0)),
                        List.of("rsi"),
                        List.of("macd", "rsi"),
                        Map.of("line", DrawingLook.of(LEVEL)),
                        Map.of(
                                "mine",
                                new DrawingLook(
                                        "retracement", 3, 2, 0.5, "dotted", 0.2, "left", Map.of("ratios", "0.5 0.7"))),
                        Map.of("halves", "0 0.5 1"),
                        Map.of("scan", "code last change; -change"),
                        120,
                        new Documents.Bell(true, 30, "drop", "22:00-07:00")));
        roundTrip(DocumentKind.KEYS, new Documents.Keys("alt", Map.of("layout.split-beside", "L V")));
    }

    @Test
    void aWorkspaceOfTheFirstVersionStillOpens() throws IOException {
        Files.writeString(
                folder.resolve("workspace.json"),
                """
                {"format": "yardarm/workspace", "version": 1, "theme": "DAYLIGHT", "view": "CHART", "list": "Evening",
                 "chart": {"instrument": "halcyon:KTRL", "timeframe": "W", "bars": "bars", "logarithmic": true,
                  "volumeShown": false, "barWidth": 9, "rightmost": 0, "manualLow": 0, "manualHigh": 0,
                  "indicators": [{"id": "a", "indicator": "ema", "settings": {"length": "9"}, "colour": 1, "width": 1,
                   "opacity": 1, "visible": true}]},
                 "listShown": true, "layersShown": true, "stripShown": true, "account": 1, "riskPercent": 1,
                 "window": {"x": 0, "y": 0, "width": 900, "height": 700, "maximised": false}, "recent": []}
                """);
        Documents.Workspace old =
                store.read(DocumentKind.WORKSPACE, "workspace").orElseThrow();
        Documents.Layout layout = old.layouts().values().get(0);
        assertThat(layout.arrangement()).isEqualTo("0");
        Documents.Chart chart = layout.charts().get(0);
        assertThat(chart.timeframe()).isEqualTo(Timeframe.WEEK);
        assertThat(chart.request()).isNull();
        assertThat(chart.scale().mode()).isEqualTo("LOGARITHMIC");
        assertThat(chart.indicators().values())
                .extracting(Documents.IndicatorLayer::indicator)
                .containsExactly("ema");
        store.write(DocumentKind.WORKSPACE, "workspace", old);
        assertThat(Files.readString(folder.resolve("workspace.json")))
                .contains("\"version\" : 3")
                .doesNotContain("logarithmic\"");
    }

    @Test
    void documentsElsewhereAreReadAndWrittenAndNothingThereIsMoved() throws IOException {
        Path file = folder.resolve("out.json");
        Entries<Documents.Preset> presets = Entries.of(List.of());
        DocumentStore.writeFile(DocumentKind.PRESETS, file, presets);
        assertThat(DocumentStore.readFile(DocumentKind.PRESETS, file)).isEqualTo(presets);
        Files.writeString(file, "{\"format\":\"yardarm/presets\",\"version\":9}");
        assertThatThrownBy(() -> DocumentStore.readFile(DocumentKind.PRESETS, file))
                .hasMessageContaining("newer " + "Yardarm");
        assertThat(file).exists();
        assertThatThrownBy(() -> DocumentStore.readFile(DocumentKind.PRESETS, folder.resolve("none.json")))
                .hasMessageContaining("there is no file");
        assertThatThrownBy(() -> DocumentStore.writeFile(DocumentKind.PRESETS, folder.resolve("no/such.json"), presets))
                .hasMessageContaining("cannot be written");
    }

    @Test
    void aDamagedFileIsSetAsideAndTheLastGoodCopyOpened() throws IOException {
        Documents.Tracing first = new Documents.Tracing(KTRL, List.of(DrawingEntry.of(LEVEL)));
        store.write(DocumentKind.TRACING, "it", first);
        store.write(DocumentKind.TRACING, "it", new Documents.Tracing(KTRL, List.of()));
        Path file = folder.resolve("tracings/it.json");
        Files.writeString(file, "{\"format\": \"yardarm/tracing\", \"versi");
        assertThat(store.read(DocumentKind.TRACING, "it")).contains(first);
        assertThat(store.takeNotices()).singleElement().asString().contains("set aside", "last good copy", "tracing");
        assertThat(store.takeNotices()).isEmpty();
        try (var aside = Files.list(folder.resolve("set-aside"))) {
            assertThat(aside.findFirst().orElseThrow()).content().endsWith("\"versi");
        }
        assertThat(store.read(DocumentKind.TRACING, "it")).contains(first);
    }

    @Test
    void aNewerFileIsSetAsideUntouchedAndToldAsSuch() throws IOException {
        String newer = "{\"format\":\"yardarm/plans\",\"version\":7,\"plans\":[],\"more\":1}";
        Files.writeString(folder.resolve("plans.json"), newer);
        assertThat(store.read(DocumentKind.PLANS, "plans")).isEmpty();
        assertThat(store.takeNotices()).singleElement().asString().contains("newer Yardarm", "version 7");
        try (var aside = Files.list(folder.resolve("set-aside"))) {
            assertThat(aside.findFirst().orElseThrow()).hasContent(newer);
        }
    }

    @Test
    void wrongContentIsToldAndNothingIsThrown() throws IOException {
        for (String content : List.of(
                "[]",
                "",
                "null",
                "{\"format\":\"yardarm/plans\",\"version\":1}",
                "{\"format\":\"yardarm/tracing\",\"version\":1,\"instrument\":\"nothing\"}",
                "{\"format\":\"yardarm/tracing\",\"version\":1,\"instrument\":\"a:B\",\"drawings\":7}")) {
            Files.createDirectories(folder.resolve("tracings"));
            Files.writeString(folder.resolve("tracings/it.json"), content);
            assertThat(store.read(DocumentKind.TRACING, "it")).as(content).isEmpty();
            assertThat(store.takeNotices()).as(content).hasSize(1);
        }
    }

    @Test
    void aDrawingThatCannotBeReadLeavesTheOthersReadable() throws IOException {
        Files.createDirectories(folder.resolve("tracings"));
        for (String bad : List.of(
                "7",
                "{}",
                "{\"id\":\"x\",\"kind\":\"LINE\",\"origin\":\"D\"}",
                "{\"id\":\"x\",\"kind\":\"LINE\",\"origin\":\"D\",\"anchors\":[7]}",
                "{\"id\":\"x\",\"kind\":\"LINE\",\"origin\":\"D\",\"anchors\":{}}",
                "{\"id\":\"x\",\"kind\":\"LINE\",\"origin\":\"D\",\"anchors\":[{\"time\":1}]}",
                "{\"id\":\"x\",\"kind\":\"LINE\",\"origin\":\"moon\",\"anchors\":[{\"time\":1,\"price\":2}]}",
                "{\"id\":\"x\",\"kind\":\"LINE\",\"origin\":\"D\",\"colour\":\"red\",\"anchors\":[{\"time\":1,\"price\":2}]}")) {
            Files.writeString(
                    folder.resolve("tracings/it.json"),
                    "{\"format\":\"yardarm/tracing\",\"version\":1,"
                            + "\"instrument\":\"a:B\",\"drawings\":[" + bad
                            + ",{\"id\":\"good\",\"kind\":\"level\",\"origin\":\"D\","
                            + "\"anchors\":[{\"time\":1,\"price\":2}],\"colour\":0,\"width\":1,\"opacity\":1,\"visible\":true}]}");
            Documents.Tracing read = store.read(DocumentKind.TRACING, "it").orElseThrow();
            assertThat(read.drawings()).as(bad).hasSize(2);
            assertThat(read.drawings().get(1).drawing().id()).isEqualTo("good");
            org.assertj.core.api.Assertions.assertThatThrownBy(
                            () -> read.drawings().get(0).drawing())
                    .as(bad)
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageMatching(".{8,}");
        }
    }

    @Test
    void whenTheDiskTakesNothingTheOldFileStays() throws IOException {
        Entries<PlanEntry> plans = Entries.of(List.of());
        store.write(DocumentKind.PLANS, "plans", plans);
        String before = Files.readString(folder.resolve("plans.json"));
        // A folder in the place of the temporary file refuses writing to it, as a full disk would.
        Files.createDirectories(folder.resolve("plans.json.new/in-the-way"));
        assertThatThrownBy(() -> store.write(DocumentKind.PLANS, "plans", plans))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("cannot be saved")
                .hasMessageContaining("untouched");
        assertThat(folder.resolve("plans.json")).hasContent(before);
    }

    @Test
    void aMissingFileIsNoFault() {
        assertThat(store.read(DocumentKind.PLANS, "plans")).isEmpty();
        assertThat(store.takeNotices()).isEmpty();
    }

    @Test
    void anEntryThatCannotBeReadAndFieldsNobodyKnowsAreWrittenBackAsTheyWere() throws IOException {
        Files.writeString(
                folder.resolve("scans.json"),
                """
                {"format": "yardarm/scans", "version": 1, "scans": [
                 {"name": "one", "list": "l", "timeframe": "D", "conditions": ["close > 1"], "colour": {"of": 7}},
                 {"name": "two", "list": "l", "timeframe": "fortnight", "conditions": []},
                 "three"]}
                """);
        Entries<ScanEntry> read = store.read(DocumentKind.SCANS, "scans").orElseThrow();
        assertThat(read.values()).extracting(ScanEntry::name).containsExactly("one");
        assertThat(read.all().get(1).problem()).contains("fortnight");
        assertThat(read.all().get(2).problem()).contains("no JSON object");
        store.write(DocumentKind.SCANS, "scans", read);
        assertThat(Files.readString(folder.resolve("scans.json")))
                .contains("\"of\" : 7", "fortnight", "\"three\"", "close > 1");
    }

    @Test
    void aLayoutAndALayerThatCannotBeReadCostThemselvesAlone() throws IOException {
        Files.writeString(
                folder.resolve("workspace.json"),
                """
                {"format": "yardarm/workspace", "version": 3, "layouts": [
                 {"title": "good", "arrangement": "0", "charts": [{"instrument": "s:A", "timeframe": "D", "bars": "bars",
                  "indicators": [{"id": "a", "indicator": "sma", "settings": {}, "colour": 1}, {"id": "b", "colour": "red"}]}]},
                 {"title": "bad", "arrangement": 5, "charts": "none"}]}
                """);
        Documents.Workspace read =
                store.read(DocumentKind.WORKSPACE, "workspace").orElseThrow();
        assertThat(read.layouts().values()).extracting(Documents.Layout::title).containsExactly("good");
        assertThat(read.layouts().values().get(0).charts().get(0).indicators().values())
                .extracting(Documents.IndicatorLayer::id)
                .containsExactly("a");
        assertThat(store.takeNotices()).isEmpty();
        store.write(DocumentKind.WORKSPACE, "workspace", read);
        assertThat(Files.readString(folder.resolve("workspace.json"))).contains("\"red\"", "\"none\"");
    }
}
