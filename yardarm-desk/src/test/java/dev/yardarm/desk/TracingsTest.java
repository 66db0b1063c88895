package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.scan.ScanRunner;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;

/** Sheets of drawings without a window: drawn on, shown, hidden, undone; drawings as files; hiding and clearing all. */
class TracingsTest extends OnAChart {
    private void level(double price) {
        room.studies()
                .draw(Drawing.LEVEL, List.of(new Anchor(room.chart().bars().openTime(100), price)));
    }

    private List<Double> shown() {
        return room.chart().drawings().stream()
                .map(each -> each.anchors().get(0).price())
                .toList();
    }

    private InstrumentId id() {
        return room.instrument().orElseThrow().id();
    }

    @Test
    void newDrawingsGoToTheTracingInHandAndItIsShownAndHiddenAsAWhole() {
        front.run(() -> {
            level(98);
            room.tracings().use("rival reading");
            level(110);
            level(111);
            assertThat(room.tracings().names()).containsExactly("main", "rival reading");
            assertThat(room.tracings().current()).isEqualTo("rival reading");
            room.tracings().show("rival reading", false);
            assertThat(shown()).containsExactly(98.0);
            assertThat(desk.books().drawings(id())).as("nothing is lost").hasSize(3);
            room.undo();
            assertThat(shown()).containsExactly(98.0, 110.0, 111.0);
            room.tracings().show("main", false);
            assertThat(shown()).containsExactly(110.0, 111.0);
            room.tracings().use("main");
            assertThat(shown()).as("what is drawn on is shown").hasSize(3);
            room.tracings().show("nothing", false);
        });
        front.await(
                "told", () -> notices.stream().anyMatch(notice -> notice.contains("There is no tracing 'nothing'")));
    }

    @Test
    void theChosenDrawingIsMovedToAnotherTracing() {
        front.run(() -> {
            level(98);
            room.tracings().move("second");
            assertThat(room.chart().drawings().get(0).place().tracing()).isEqualTo("second");
            room.tracings().show("second", false);
            assertThat(shown()).isEmpty();
            room.studies().select(Selection.NONE);
            room.tracings().move("third");
        });
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("Select a drawing first")));
    }

    @Test
    void tracingsAreSharedByAllChartsOfTheInstrumentAndThereAfterARestart() throws IOException {
        front.run(() -> {
            room.tracings().use("second");
            level(98);
            room.tracings().show("second", false);
            layouts.split(true);
            ChartRoom other = layouts.front().charts().stream()
                    .filter(each -> each != room)
                    .findFirst()
                    .orElseThrow();
            assertThat(other.chart().drawings()).isEmpty();
            other.tracings().show("second", true);
            assertThat(shown()).containsExactly(98.0);
            other.tracings().show("second", false);
            layouts.close();
        });
        desk.close();
        desk = new Desk(new Desk.Options(home.resolve("home"), true, 1, true), front);
        front.await("the file", () -> desk.books().drawings(id()).size() == 1);
        assertThat(desk.books().sheets(id()).current()).isEqualTo("second");
        assertThat(desk.books().sheets(id()).hidden()).containsExactly("second");
        assertThat(desk.books().drawings(id())).hasSize(1);
    }

    @Test
    void drawingsAreWrittenToAFileAndAddedToAnotherInstrumentWithWhatCannotBeReadTold() throws IOException {
        Path file = home.resolve("drawings.json");
        front.run(() -> {
            level(98);
            room.drawings()
                    .draw(
                            "channel",
                            List.of(
                                    new Anchor(room.chart().bars().openTime(100), 90),
                                    new Anchor(room.chart().bars().openTime(120), 95),
                                    new Anchor(room.chart().bars().openTime(110), 88)),
                            Map.of("quarters", "yes"));
            room.tracings().export(file);
        });
        front.await("the file", () -> Files.exists(file));
        Files.writeString(file, Files.readString(file).replace("\"LEVEL\"", "\"unheard_of\""));
        front.run(() -> room.open(instrument("MARN"), room.chart().timeframe()));
        front.await("the other", () -> !room.chart().bars().isEmpty());
        front.run(() -> room.tracings().importFrom(file));
        front.await("the channel", () -> room.chart().drawings().size() == 1);
        front.run(() -> {
            assertThat(room.chart().drawings().get(0).options()).containsEntry("quarters", "yes");
            room.undo();
            assertThat(room.chart().drawings()).isEmpty();
        });
        front.await("told", () -> notices.stream()
                .anyMatch(notice -> notice.contains("1 drawing of")
                        && notice.contains("drawing 1: there is no kind of drawing 'unheard_of'")));
        Path foreign = Files.writeString(home.resolve("foreign.json"), "{\"shapes\": [}");
        front.run(() -> room.tracings().importFrom(foreign));
        front.await("refused with the place", () -> notices.stream()
                .anyMatch(notice -> notice.contains("no valid JSON") && notice.contains("line 1")));
    }

    @Test
    void aDrawingIsNudgedByBarsAndPutOnAnotherInstrumentUnlessItIsLocked() {
        front.run(() -> {
            room.studies()
                    .draw(
                            Drawing.LINE,
                            List.of(
                                    new Anchor(room.chart().bars().openTime(100), 90),
                                    new Anchor(room.chart().bars().openTime(110), 95)));
            room.drawings().nudgeBars(4);
            assertThat(room.chart().drawings().get(0).anchors().get(0).time())
                    .isEqualTo(room.chart().bars().openTime(104));
            Drawing line = room.chart().drawings().get(0);
            room.drawings().change(line.withPlace(line.place().withLocked(true).withTracing("second")));
            room.drawings().nudgeBars(4);
            room.drawings().nudge(3);
            assertThat(room.chart().drawings().get(0).anchors()).isEqualTo(line.anchors());
            room.open(instrument("MARN"), room.chart().timeframe());
            room.drawings().paste(List.of(line.withPlace(line.place().withLocked(true))));
            Drawing pasted = room.chart().drawings().get(0);
            assertThat(pasted.anchors()).isEqualTo(line.anchors());
            assertThat(pasted.place().locked()).isFalse();
            assertThat(pasted.place().tracing()).as("the tracing in hand there").isEmpty();
            room.undo();
            assertThat(room.chart().drawings()).isEmpty();
        });
    }

    @Test
    void aNamedDrawingIsReadByScansAndByRulesOfColour() throws Exception {
        front.run(() -> {
            level(room.chart().bars().close(room.chart().bars().closed() - 1) - 1);
            Drawing level = room.chart().drawings().get(0);
            room.drawings().change(level.withPlace(level.place().withName("floor")));
            room.indicators().add(indicator("sma"));
            room.indicators()
                    .change(layer(0).withStyle(layer(0).style()
                            .withOutput(
                                    "value",
                                    layer(0).outputStyle(0)
                                            .withTint(new OutputStyle.Tint("close > drawing \"floor\"", 5)))));
        });
        front.await("the rule", () -> holds() == 1);
        assertThat(front.get(() -> room.chart()
                        .data()
                        .tint(layer(0), 0)
                        .at(room.chart().bars().closed() - 1)))
                .as("at a bar that closed before the drawing was made")
                .isNaN();
        front.run(() -> {
            room.studies()
                    .select(new Selection.Drawing(room.chart().drawings().get(0).id()));
            room.drawings().nudge(5000);
        });
        front.await("the rule follows the drawing", () -> holds() == 0);
        List<ScanRunner.Result> results = new CopyOnWriteArrayList<>();
        front.run(() -> {
            room.drawings().nudge(-5000);
            desk.scan(
                    Scan.of(
                            "s",
                            desk.books().lists().get(0).name(),
                            room.chart().timeframe(),
                            List.of("close > drawing \"floor\"")),
                    results::add,
                    failed -> notices.add(failed.toString()));
        });
        front.await("the scan", () -> results.size() == 1);
        assertThat(results.get(0).found())
                .extracting(found -> found.instrument().code())
                .containsExactly("KTRL");
    }

    private double holds() {
        var rule = room.chart().data().tint(layer(0), 0);
        // At the bar that was open when the drawing was made: before, nothing knew of it.
        return rule == null ? Double.NaN : rule.at(room.chart().bars().size() - 1);
    }

    @Test
    void anAlertNeedsADrawingWithAPrice() {
        front.run(() -> {
            Anchor somewhere = new Anchor(room.chart().bars().openTime(100), 98);
            room.studies().draw("text", List.of(somewhere));
            room.studies().setAlert(Alert.Trigger.REACHES);
            assertThat(desk.books().alerts()).isEmpty();
            room.studies().draw("zone", List.of(somewhere, somewhere.withPrice(99)));
            room.studies().setAlert(Alert.Trigger.REACHES);
            assertThat(desk.books().alerts()).hasSize(1);
        });
        front.await("told", () -> notices.stream()
                .anyMatch(notice -> notice.contains("has no price an alert could wait for")));
    }

    @Test
    void allAreHiddenWithOneKeyAndBackAndClonesStandBeside() {
        front.run(() -> {
            level(98);
            level(99);
            room.drawings().cloneChosen();
            assertThat(shown()).containsExactly(98.0, 99.0, 99.0);
            assertThat(room.chart().drawings().get(2).anchors().get(0).time())
                    .isEqualTo(room.chart().bars().openTime(103));
            room.drawings().toggleAll();
            assertThat(room.chart().places().inView()).isEmpty();
            assertThat(room.chart().drawings()).hasSize(3);
            room.drawings().toggleAll();
            assertThat(room.chart().places().inView()).hasSize(3);
            Drawing first = room.chart().drawings().get(0);
            room.drawings().change(first.withVisible(false));
            room.drawings().toggleAll();
            room.drawings().toggleAll();
            assertThat(room.chart().drawings().get(0).visible())
                    .as("hidden singly before")
                    .isFalse();
            room.drawings().toggleAll();
            level(97);
            assertThat(room.chart().areDrawingsShown())
                    .as("a new one is to be seen")
                    .isTrue();
            room.undo();
            room.drawings().clear();
            room.undo();
            assertThat(shown()).hasSize(3);
        });
    }

    @Test
    void movingADrawingAndUndoingGivesTheSameBytes() throws IOException {
        front.run(() -> room.drawings()
                .draw(
                        Drawing.LEVEL,
                        List.of(new Anchor(
                                room.chart().bars().openTime(room.chart().bars().size() - 1), 98.4))));
        Path file = home.resolve("home");
        String before = awaitSaved(file, "98.4");
        front.run(() -> room.drawings().nudge(7));
        awaitSaved(file, "98.47");
        front.run(room::undo);
        assertThat(awaitSaved(file, "98.4,")).isEqualTo(before.replace("98.4\n", "98.4\n"));
    }

    private String awaitSaved(Path folder, String part) throws IOException {
        String wanted = part.endsWith(",") ? part.substring(0, part.length() - 1) : part;
        String[] found = new String[1];
        front.await("saved " + part, () -> {
            try (var files = Files.walk(folder)) {
                Path file = files.filter(each -> each.getParent().endsWith("tracings")
                                && !each.toString().contains("last-good")
                                && each.toString().endsWith("KTRL.json"))
                        .findFirst()
                        .orElse(null);
                found[0] = file == null ? "" : Files.readString(file);
            } catch (IOException | UncheckedIOException later) {
                // A file that was being written is not there any more.
                found[0] = "";
            }
            return found[0].matches("(?s).*\"price\" : " + wanted.replace(".", "\\.") + "[^0-9].*");
        });
        return found[0];
    }
}
