package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.room.layout.WorkspaceBook;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executor;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Documents in which one field is missing, empty, of another kind, unknown or extreme: every home opens, all that is not damaged is
 * there, and what is lost is told. A sample; all of them with {@code -Dyardarm.abuse.fields=100000}.
 */
class DamagedFieldsTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final int MOST = Integer.getInteger("yardarm.abuse.fields", 120);

    @TempDir
    private Path folder;

    private Path sound;

    @BeforeEach
    void makeHome() throws IOException {
        sound = folder.resolve("sound");
        OldHomesTest.copy(Path.of("src/test/resources/homes/first-formats"), sound);
        Files.writeString(
                sound.resolve("documents/instruments.json"),
                """
                {"format": "yardarm/instruments", "version": 1, "instruments": [
                  {"code": "OWNED", "name": "Owned", "decimals": 2, "zone": "Atlantic/Azores", "importedAt": 1700000000000000},
                  {"code": "OTHER", "name": "Other", "decimals": 4, "zone": "UTC", "importedAt": 0}]}
                """);
        Files.writeString(
                sound.resolve("documents/keys.json"),
                "{\"format\": \"yardarm/keys\", \"version\": 1, \"leader\": \"SPACE\", \"keys\": {\"layout.split-beside\": \"V\"}}");
        assertThat(open(sound, new ArrayList<>(), true)).isEmpty();
    }

    /** What went wrong while a home was opened and used; empty when nothing did. */
    private static String open(Path home, List<String> told, boolean write) {
        ConcurrentLinkedQueue<Throwable> thrown = new ConcurrentLinkedQueue<>();
        // What is handed to the interface is done between the steps below, as its thread does it, one after the other.
        ConcurrentLinkedQueue<Runnable> handed = new ConcurrentLinkedQueue<>();
        Executor front = handed::add;
        Runnable pump = () -> {
            for (Runnable task = handed.poll(); task != null; task = handed.poll()) {
                try {
                    task.run();
                } catch (RuntimeException | Error failed) {
                    thrown.add(failed);
                }
            }
        };
        try (Desk desk = new Desk(new Desk.Options(home, true, 0, true), front)) {
            desk.onNotice(told::add);
            pump.run();
            Layouts layouts = new Layouts(desk);
            WorkspaceBook book = new WorkspaceBook(layouts);
            book.frame();
            book.open((layout, place) -> {});
            ChartRoom chart = layouts.active();
            for (Documents.Preset preset : layouts.presets().all()) {
                layouts.presets().apply(preset, chart);
            }
            desk.books().lists().forEach(list -> list.instruments()
                    .forEach(id -> desk.directory().find(id)));
            desk.books().alerts().forEach(desk.books()::waits);
            desk.books().calls().forEach(desk.callWork()::state);
            desk.books().calls().forEach(desk.books()::isOver);
            desk.callWork().record(desk.books().calls());
            for (String code : List.of("KTRL", "MARN")) {
                InstrumentId id = new InstrumentId("halcyon", code);
                var scenarios = desk.scenarioWork().of(id);
                scenarios.all().forEach(each -> scenarios.total(each.id()));
                desk.books().stance(id);
                desk.books().stancesOverTime(id);
                desk.books().plansOverTime(id);
                desk.books().firings(id);
            }
            desk.books().scans().forEach(scan -> desk.scanWork().runs(scan.name()));
            desk.scanSchedules().due(desk.clock().now());
            desk.ownWork().all();
            desk.books().inquiryShelf().all();
            desk.books().drawings(new InstrumentId("halcyon", "KTRL"));
            desk.hub().beatAt(desk.clock().now());
            pump.run();
            desk.hub().beatAt(desk.clock().now() + 3 * dev.yardarm.core.series.Times.HOUR);
            for (int turn = 0; turn < 3; turn++) {
                pump.run();
                for (int wait = 0; wait < 100 && !desk.scheduler().isIdle(); wait++) {
                    Thread.sleep(5);
                }
            }
            desk.habits().standard("sma");
            desk.directory().all();
            if (write) {
                fill(desk);
                OldHomesTest.write(desk, layouts, desk.savedWorkspace().orElseThrow());
                desk.saver().flush();
            }
            layouts.close();
        } catch (IOException | RuntimeException | Error failed) {
            thrown.add(failed);
        } catch (InterruptedException given) {
            Thread.currentThread().interrupt();
        }
        return thrown.isEmpty() ? "" : trace(thrown.peek());
    }

    /** Something of every kind that the first formats did not have. */
    private static void fill(Desk desk) {
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        BarRule days = new BarRule.Time(Timeframe.DAY);
        long now = desk.clock().now();
        desk.callWork()
                .make(ktrl, "above 500 expect 550, wrong below 50, until Friday; below 50 the other reading: 40", days);
        Call call = desk.books().calls().get(0);
        desk.books().callEventShelf().put(new CallEvent(call.id(), CallEvent.Kind.TRIGGERED, now, 500, now));
        desk.scenarioWork().make(ktrl, "\"up\" 60% to 500, 510 by 14 Aug, wrong below 10", 100);
        desk.scenarioWork().make(ktrl, "\"within\" 30% to 490, wrong below 20 in \"up\"", 100);
        desk.scenarioWork()
                .share(ktrl.id(), desk.scenarioWork().of(ktrl.id()).all().get(1).id(), 40);
        desk.scenarioWork().strike(ktrl.id(), "within");
        String scan = desk.books().scans().get(0).name();
        desk.scanWork().schedule(scan, ScanSchedule.When.EVENINGS, now);
        desk.scanWork().save(Scan.of("Hours", "", Timeframe.parse("1h").orElseThrow(), List.of("close > 0")));
        desk.scanWork().schedule("Hours", ScanSchedule.When.BAR_CLOSES, now);
        desk.books().scanRunShelf().put(new ScanRun(scan, now, "close > 0", 2, List.of(ktrl.id())));
        desk.books()
                .inquiryShelf()
                .put(new Inquiry(
                        "close > 0",
                        Universe.of("Indices"),
                        Timeframe.DAY,
                        new Question(new int[] {1, 5}, 0, 0, 1, 2, true, 1),
                        0,
                        now,
                        "0",
                        3));
        desk.ownWork().save("define \"Own\"\nline sma(close, 5)", "first");
        desk.blendWork().make("AAB", "Ratio", "#KTRL / #MARN");
        List.of(
                        "above 900 on 30m until Friday \"far\"",
                        "rsi(14) < 1 on 5m once a bar",
                        "trade of 99999",
                        "30 min before any entry",
                        "first closes above 900 then reaches 890 within 5 bars each time")
                .forEach(alert -> desk.alertWork()
                        .set(List.of(ktrl), alert, days, desk.language().now(), each -> 100.0));
        var alert = desk.books().alerts().get(0);
        desk.books()
                .firingShelf()
                .put(new Firing(alert.id(), alert.setAt(), ktrl.id(), "", "reaches 900", "note", days, now, 900, now));
        var chart = new Layouts(desk);
        desk.books()
                .alertChartShelf()
                .put(new Documents.AlertChart(
                        alert.id(), chart.presets().all().get(0).makeUp()));
        chart.close();
    }

    private static String trace(Throwable failed) {
        StackTraceElement[] places = failed.getStackTrace();
        return failed + " at " + (places.length == 0 ? "?" : places[0])
                + (places.length > 1 ? " from " + places[1] : "");
    }

    /** A place in a document: the node that holds it and its name or number there. */
    private record Place(JsonNode parent, String field, int index) {
        JsonNode value() {
            return parent instanceof ObjectNode object ? object.get(field) : parent.get(index);
        }

        void put(JsonNode value) {
            if (parent instanceof ObjectNode object) {
                if (value == null) {
                    object.remove(field);
                } else {
                    object.set(field, value);
                }
            } else if (parent instanceof ArrayNode array) {
                if (value == null) {
                    array.remove(index);
                } else {
                    array.set(index, value);
                }
            }
        }

        String name() {
            return field == null ? "[" + index + "]" : field;
        }
    }

    private static void collect(JsonNode node, List<Place> into) {
        if (node instanceof ObjectNode object) {
            object.fieldNames().forEachRemaining(name -> into.add(new Place(object, name, -1)));
        } else if (node instanceof ArrayNode array) {
            for (int at = 0; at < array.size(); at++) {
                into.add(new Place(array, null, at));
            }
        }
        node.forEach(child -> collect(child, into));
    }

    private static List<JsonNode> others(JsonNode value) {
        List<JsonNode> others = new ArrayList<>();
        others.add(null);
        others.add(NODES.nullNode());
        others.add(NODES.textNode(""));
        others.add(NODES.textNode("no such word"));
        others.add(NODES.numberNode(-1));
        others.add(NODES.numberNode(Long.MIN_VALUE));
        others.add(NODES.numberNode(Long.MAX_VALUE));
        others.add(NODES.numberNode(1e300));
        others.add(NODES.numberNode(-1e300));
        others.add(NODES.numberNode(Double.MIN_VALUE));
        others.add(NODES.numberNode(Integer.MAX_VALUE));
        others.add(NODES.numberNode(0));
        others.add(NODES.booleanNode(true));
        others.add(NODES.arrayNode());
        others.add(NODES.arrayNode().addNull());
        others.add(NODES.arrayNode().add(NODES.objectNode()));
        others.add(NODES.objectNode());
        if (value.isArray() && !value.isEmpty()) {
            others.add(((ArrayNode) value.deepCopy()).add(value.get(0).deepCopy()));
        }
        return others;
    }

    @Test
    void everyHomeOpensAndTellsWhatItLost() throws Exception {
        List<Path> documents;
        try (Stream<Path> files = Files.walk(sound.resolve("documents"))) {
            documents = files.filter(file -> file.toString().endsWith(".json"))
                    .filter(file -> !file.toString().contains("last-good"))
                    .sorted()
                    .toList();
        }
        assertThat(documents).hasSizeGreaterThan(19);
        List<int[]> cases = new ArrayList<>();
        for (int document = 0; document < documents.size(); document++) {
            List<Place> places = places(JSON.readTree(documents.get(document).toFile()));
            for (int place = 0; place < places.size(); place++) {
                for (int other = 0; other < others(places.get(place).value()).size(); other++) {
                    cases.add(new int[] {document, place, other});
                }
            }
        }
        java.util.Collections.shuffle(cases, new Random(20260619));
        List<String> failed = new ArrayList<>();
        int number = 0;
        for (int[] each : cases.subList(0, Math.min(MOST, cases.size()))) {

            Path home = folder.resolve("home" + number++);
            OldHomesTest.copy(sound, home);
            Path file = home.resolve(sound.relativize(documents.get(each[0])));
            JsonNode tree = JSON.readTree(file.toFile());
            Place place = places(tree).get(each[1]);
            JsonNode other = others(place.value()).get(each[2]);
            place.put(other);
            JSON.writeValue(file.toFile(), tree);
            String problem = inTime(home);
            if (!problem.isEmpty()) {
                failed.add(file.getFileName() + " " + place.name() + " = " + other + ": " + problem);
            }
            remove(home);
        }
        System.out.println(
                "damaged fields: " + number + " of " + cases.size() + " tried, " + failed.size() + " failed");
        assertThat(failed).isEmpty();
    }

    /** What went wrong, or that it came to no end. */
    private static String inTime(Path home) throws InterruptedException {
        String[] problem = {""};
        Thread opening = new Thread(() -> problem[0] = open(home, new ArrayList<>(), false), "opening");
        opening.setDaemon(true);
        opening.start();
        opening.join(30_000);
        if (opening.isAlive()) {
            Throwable where = new IllegalStateException("it hangs");
            where.setStackTrace(opening.getStackTrace());
            return trace(where);
        }
        return problem[0];
    }

    private static List<Place> places(JsonNode tree) {
        List<Place> places = new ArrayList<>();
        collect(tree, places);
        return places;
    }

    private static void remove(Path home) throws IOException {
        try (Stream<Path> files = Files.walk(home)) {
            files.sorted(java.util.Comparator.reverseOrder()).forEach(file -> {
                try {
                    Files.delete(file);
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            });
        }
    }
}
