package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.data.document.DrawingLook;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.vantage.Vantages;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is done with one and with several drawings, without a window; each is one step of undo. */
class ChartDrawingsTest extends OnAChart {
    private Anchor at(int bar, double price) {
        return new Anchor(room.chart().bars().openTime(bar), price);
    }

    private int end() {
        return room.chart().bars().closed() - 1;
    }

    private InstrumentId id() {
        return room.instrument().orElseThrow().id();
    }

    private List<Drawing> kept() {
        return desk.books().drawings(id());
    }

    private List<String> ids() {
        return kept().stream().map(Drawing::id).toList();
    }

    private void choose(Integer... numbers) {
        room.studies()
                .select(Selection.ofDrawings(List.of(numbers).stream()
                        .map(number -> room.chart().drawings().get(number).id())
                        .toList()));
    }

    private void three() {
        room.drawings().draw(Drawing.LEVEL, List.of(at(end(), 98)));
        room.drawings().draw(Drawing.LINE, List.of(at(end() - 30, 95), at(end() - 10, 100)));
        room.drawings().draw("text", List.of(at(end() - 20, 90)), Map.of("text", "here"));
    }

    @Test
    void theColourOfSeveralIsChangedInOneStep() {
        front.run(() -> {
            three();
            choose(0, 1);
            room.drawings()
                    .changeChosen(
                            "colour",
                            drawing -> drawing.withStyle(drawing.style().withColour(6)));
            assertThat(kept()).extracting(Drawing::colour).containsExactly(6, 6, 2);
            room.undo();
            assertThat(kept()).extracting(Drawing::colour).as("each its own").containsExactly(0, 1, 2);
        });
    }

    @Test
    void severalAreMovedNudgedAndGoneInOneStep() {
        front.run(() -> {
            three();
            List<Drawing> before = kept();
            choose(0, 1);
            room.drawings().nudge(5);
            assertThat(kept().get(0).anchors().get(0).price()).isEqualTo(98.05);
            assertThat(kept().get(1).anchors().get(1).price()).isEqualTo(100.05);
            assertThat(kept().get(2)).isEqualTo(before.get(2));
            room.drawings().nudgeBars(3);
            assertThat(kept().get(0).anchors().get(0).time())
                    .as("a level stays")
                    .isEqualTo(before.get(0).anchors().get(0).time());
            assertThat(kept().get(1).anchors().get(0).time())
                    .isEqualTo(room.chart().bars().openTime(end() - 27));
            room.undo();
            assertThat(kept()).as("nudges in a row are one step").isEqualTo(before);
            choose(0, 2);
            room.drawings().deleteChosen();
            assertThat(kept()).containsExactly(before.get(1));
            assertThat(room.chart().selection()).isEqualTo(Selection.NONE);
            room.undo();
            assertThat(kept()).isEqualTo(before);
            choose(0, 1, 2);
            room.drawings().toggleLocked();
            assertThat(kept()).allMatch(each -> each.place().locked());
            List<Drawing> locked = kept();
            room.drawings().nudge(4);
            assertThat(kept()).isEqualTo(locked);
            room.drawings().toggleLocked();
            assertThat(kept()).isEqualTo(before);
        });
    }

    @Test
    void deletingTakesTheirWaitingAlertsAndUndoBringsThemBack() {
        front.run(() -> {
            three();
            choose(0);
            room.studies().setAlert(Alert.Trigger.REACHES);
            choose(1);
            room.studies().setAlert(Alert.Trigger.CLOSES_BEYOND);
            choose(0, 2);
            room.drawings().deleteChosen();
            assertThat(desk.books().alerts()).singleElement().satisfies(alert -> assertThat(alert.drawing())
                    .isEqualTo(kept().get(0).id()));
            room.undo();
            assertThat(desk.books().alerts()).hasSize(2);
            room.drawings().clear();
            assertThat(desk.books().alerts()).isEmpty();
            room.undo();
            assertThat(desk.books().alerts()).hasSize(2);
        });
    }

    @Test
    void groupsAreMadeTakenApartAndCopiedAsGroups() {
        front.run(() -> {
            three();
            choose(0);
            room.drawings().group();
            assertThat(kept().get(0).place().group()).isEmpty();
            choose(0, 1);
            room.drawings().group();
            String group = kept().get(0).place().group();
            assertThat(group).isNotEmpty().isEqualTo(kept().get(1).place().group());
            assertThat(room.chart().groupOf(kept().get(1).id())).hasSize(2);
            room.drawings().cloneChosen();
            assertThat(kept()).hasSize(5);
            assertThat(kept().get(3).place().group())
                    .isNotEmpty()
                    .isNotEqualTo(group)
                    .isEqualTo(kept().get(4).place().group());
            assertThat(room.chart().selection().drawings())
                    .containsExactly(kept().get(3).id(), kept().get(4).id());
            choose(0);
            room.drawings().ungroup();
            assertThat(kept().get(0).place().group()).isEmpty();
            assertThat(kept().get(1).place().group()).isEmpty();
            assertThat(kept().get(3).place().group())
                    .as("the other group stays")
                    .isNotEmpty();
            choose(2);
            room.drawings().ungroup();
        });
        front.await(
                "told",
                () -> notices.stream().anyMatch(notice -> notice.startsWith("Select two drawings or more"))
                        && notices.stream().anyMatch(notice -> notice.contains("is not grouped")));
    }

    @Test
    void theOrderIsChangedAndTakenBack() {
        front.run(() -> {
            three();
            List<String> before = ids();
            choose(0, 1);
            room.drawings().order(true);
            assertThat(ids()).containsExactly(before.get(2), before.get(0), before.get(1));
            room.undo();
            assertThat(ids()).isEqualTo(before);
            choose(2);
            room.drawings().order(false);
            assertThat(ids()).containsExactly(before.get(2), before.get(0), before.get(1));
            room.drawings().order(false);
            room.undo();
            assertThat(ids()).as("what changes nothing is no step").isEqualTo(before);
        });
    }

    @Test
    void drawingsAreCopiedAsTextOfTheOpenFormAndPutOnAnotherInstrument() {
        String text = front.get(() -> {
            three();
            choose(1, 2);
            return room.drawings().copyText().orElseThrow();
        });
        assertThat(text)
                .contains("\"format\" : \"yardarm/tracing\"", "\"TEXT\"", "\"LINE\"")
                .doesNotContain("\"LEVEL\"");
        front.run(() -> {
            room.drawings().pasteText(text);
            assertThat(kept()).hasSize(5);
            assertThat(kept().get(3).anchors().get(0).time())
                    .as("beside those they were copied from")
                    .isEqualTo(room.chart().bars().openTime(end() - 27));
            room.open(instrument("MARN"), Timeframe.DAY);
            room.drawings().pasteText(text);
            assertThat(room.chart().drawings()).hasSize(2);
            assertThat(room.chart().drawings().get(0).anchors().get(0).price()).isEqualTo(95);
            assertThat(room.chart().selection().drawings()).hasSize(2);
            room.undo();
            assertThat(room.chart().drawings()).isEmpty();
            room.drawings().pasteText("price 12");
            room.studies().select(Selection.NONE);
            assertThat(room.drawings().copyText()).isEmpty();
        });
        front.await(
                "told",
                () -> notices.stream().anyMatch(notice -> notice.startsWith("The clipboard holds no drawings"))
                        && notices.contains("Select a drawing first: click it on the chart or in Layers."));
    }

    private ChartRoom other() {
        return layouts.focused().charts().stream()
                .filter(each -> each != room)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aDrawingIsKeptOnOneChartAlone() {
        front.run(() -> {
            three();
            choose(0);
            room.drawings().toggleOwn();
            layouts.split(true);
        });
        front.await("another chart", () -> !other().chart().bars().isEmpty());
        front.run(() -> {
            ChartRoom other = other();
            assertThat(other.id()).isNotEqualTo(room.id());
            assertThat(room.chart().drawings()).hasSize(3);
            assertThat(other.chart().drawings())
                    .extracting(Drawing::id)
                    .containsExactly(kept().get(1).id(), kept().get(2).id());
            assertThat(kept().get(0).place().chart()).isEqualTo(room.id());
            layouts.closeChart(room);
            assertThat(other.chart().drawings())
                    .as("its chart is gone: nothing is out of reach")
                    .hasSize(3);
            room.undo();
            assertThat(other.chart().drawings()).hasSize(2);
            choose(0);
            room.drawings().toggleOwn();
            assertThat(other.chart().drawings()).hasSize(3);
        });
    }

    @Test
    void looksAreKeptUnderNamesAndForAllNewOnes() {
        front.run(() -> {
            room.drawings()
                    .draw("retracement", List.of(at(end() - 30, 95), at(end() - 10, 105)), Map.of("ratios", "0.4 0.6"));
            room.drawings()
                    .changeChosen(
                            "style",
                            drawing -> drawing.withStyle(drawing.style()
                                    .withLine(5, 3, 0.5)
                                    .withFill(0.4)
                                    .withWords(Drawing.Style.Words.LEFT)));
            room.drawings().looks().keepLook("bold");
            room.drawings().looks().makeUsual();
            room.drawings().draw("retracement", List.of(at(end() - 20, 95), at(end() - 5, 105)));
            Drawing next = kept().get(1);
            assertThat(next.style()).isEqualTo(kept().get(0).style());
            assertThat(next.options()).containsEntry("ratios", "0.4 0.6");
            assertThat(room.drawings().looks().usual("retracement")).containsEntry("ratios", "0.4 0.6");
            room.drawings()
                    .draw("retracement", List.of(at(end() - 20, 95), at(end() - 5, 105)), Map.of("ratios", "0.5"));
            assertThat(kept().get(2).options())
                    .as("what is asked for exactly comes first")
                    .containsEntry("ratios", "0.5");
            room.drawings().looks().forgetUsual("retracement");
            room.drawings().draw("retracement", List.of(at(end() - 20, 95), at(end() - 5, 105)));
            assertThat(kept().get(3).style().width()).isEqualTo(1.5);
            three();
            choose(4, 5, 6);
            room.drawings().looks().takeLook("bold");
            assertThat(kept().subList(4, 7)).allSatisfy(each -> assertThat(each.style())
                    .isEqualTo(kept().get(0).style()));
            assertThat(kept().get(6).options()).as("what is written stays").containsEntry("text", "here");
            room.undo();
            assertThat(kept().subList(4, 7)).noneMatch(each -> each.style().width() == 3);
            room.drawings().looks().takeLook("nothing");
            assertThat(desk.habits().drawingLooks()).containsOnlyKeys("bold");
            room.drawings().looks().forgetLook("bold");
            assertThat(desk.habits().drawingLooks()).isEmpty();
        });
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("There is no style 'nothing'")));
    }

    @Test
    void setsOfRatiosAreKeptAndGivenToWhatHasRatios() {
        front.run(() -> {
            room.drawings()
                    .draw("retracement", List.of(at(end() - 30, 95), at(end() - 10, 105)), Map.of("ratios", "0.4 0.6"));
            room.drawings().looks().keepRatios("mine");
            room.drawings().draw("fan", List.of(at(end() - 30, 95), at(end() - 10, 105)));
            three();
            choose(1, 2);
            room.drawings().looks().takeRatios("mine");
            assertThat(kept().get(1).options()).containsEntry("ratios", "0.4 0.6");
            assertThat(kept().get(2).options()).as("a level has none").doesNotContainKey("ratios");
            choose(2);
            room.drawings().looks().keepRatios("bad");
            assertThat(desk.habits().ratioSets()).containsOnlyKeys("mine");
            room.drawings().looks().takeRatios("none");
            room.drawings().looks().forgetRatios("mine");
            assertThat(desk.habits().ratioSets()).isEmpty();
        });
        front.await(
                "told",
                () -> notices.stream().anyMatch(notice -> notice.contains("Select one drawing with ratios"))
                        && notices.stream().anyMatch(notice -> notice.contains("no set of ratios 'none'")));
    }

    @Test
    void aLookDoesNotTakeTheWordsAlong() {
        front.run(() -> {
            three();
            Drawing text = kept().get(2);
            DrawingLook look = DrawingLook.of(text.withStyle(text.style().withColour(4)));
            assertThat(look.options()).isEmpty();
            Drawing other = text.withOptions(Map.of("text", "elsewhere"));
            assertThat(look.on(other).options()).containsEntry("text", "elsewhere");
            assertThat(look.on(other).colour()).isEqualTo(4);
        });
    }

    @Test
    void aMeasureTakesItsRFromThePlan() {
        front.run(() -> {
            room.studies().makePlan(104, 101.5, 111);
            room.drawings().draw("measure", List.of(at(end() - 30, 95), at(end() - 10, 105)));
            assertThat(kept().get(0).settings().number("risk")).isEqualTo(2.5);
        });
    }

    /** An instrument whose shares were split while it has bars, with the split. */
    private Instrument split() {
        return desk.directory().all().stream()
                .filter(each -> splitOf(each).isPresent())
                .findFirst()
                .orElseThrow();
    }

    private List<CorporateActions.Split> splits(Instrument instrument) {
        return desk.directory()
                .source(instrument)
                .flatMap(source -> source.offers(CorporateActions.class))
                .map(actions -> actions.splits(instrument.id()))
                .orElse(List.of());
    }

    private Optional<CorporateActions.Split> splitOf(Instrument instrument) {
        return splits(instrument).stream()
                .filter(each -> each.time()
                                > dev.yardarm.core.series.Times.micros(
                                        java.time.ZonedDateTime.parse("2014-01-01T00:00:00Z"))
                        && each.time() < desk.clock().now())
                .findFirst();
    }

    private void open(Instrument instrument, BarRequest request) {
        front.run(() -> room.open(instrument, request));
        front.await(
                "its bars",
                () -> room.instrument().orElseThrow().equals(instrument)
                        && room.chart().request().equals(request)
                        && !room.chart().bars().isEmpty());
    }

    @Test
    void drawingsStayWithTheBarsWhateverIsAdjusted() throws Exception {
        Instrument instrument = front.get(this::split);
        CorporateActions.Split split = splitOf(instrument).orElseThrow();
        BarRequest adjusted = BarRequest.of(Timeframe.DAY);
        open(instrument, adjusted);
        front.run(() -> {
            int before = room.chart().bars().barAt(split.time()) - 20;
            int after = room.chart().bars().barAt(split.time()) + 20;
            room.drawings()
                    .draw(
                            Drawing.LINE,
                            List.of(
                                    at(before, room.chart().bars().low(before)),
                                    at(after, room.chart().bars().low(after))));
        });
        Drawing shown = front.get(() -> room.chart().drawings().get(0));
        front.run(() -> {
            room.drawings().draw(Drawing.LEVEL, List.of(at(100, 5)));
            assertThat(room.chart().drawings().get(0))
                    .as("what did not change is not made anew")
                    .isSameAs(shown);
            room.undo();
        });
        double factor = splits(instrument).stream()
                .filter(each -> each.time() > shown.anchors().get(0).time()
                        && each.time() <= desk.clock().now())
                .mapToDouble(CorporateActions.Split::ratio)
                .reduce(1, (one, two) -> one * two);
        assertThat(factor).isNotEqualTo(1);
        assertThat(front.get(() -> kept().get(0)).anchors().get(0).price())
                .as("kept as it was traded")
                .isCloseTo(shown.anchors().get(0).price() * factor, within(1e-6));
        open(instrument, adjusted.withAdjustments(false, false));
        front.await("on the bars as traded", () -> {
            Anchor first = room.chart().drawings().get(0).anchors().get(0);
            double low = room.chart().bars().low(room.chart().bars().barAt(first.time()));
            return Math.abs(first.price() - low) < 1e-6;
        });
        front.run(() -> {
            Drawing raw = room.chart().drawings().get(0);
            room.drawings()
                    .change(raw.withAnchor(
                            1,
                            raw.anchors().get(1).withPrice(raw.anchors().get(1).price() + 1)));
            assertThat(kept().get(0).anchors().get(0))
                    .as("what was not touched is the same")
                    .isEqualTo(raw.anchors().get(0));
        });
        open(instrument, adjusted);
        front.await(
                "back",
                () -> Math.abs(room.chart().drawings().get(0).anchors().get(0).price()
                                - shown.anchors().get(0).price())
                        < 1e-6);
        assertThat(room.chart().drawings().get(0).anchors().get(1).price())
                .isNotEqualTo(shown.anchors().get(1).price());
        front.run(room::undo);
        assertThat(front.get(() -> room.chart().drawings().get(0))
                        .anchors()
                        .get(1)
                        .price())
                .isCloseTo(shown.anchors().get(1).price(), within(1e-6));
    }

    @Test
    void drawingsStayWithTheBarsOverRollsOfContracts() throws Exception {
        Instrument future = front.get(() -> desk.directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.CONTINUOUS)
                .findFirst()
                .orElseThrow());
        BarRequest byDifference = BarRequest.of(Timeframe.DAY);
        open(future, byDifference);
        front.run(() -> {
            int early = end() - 200;
            room.drawings()
                    .draw(
                            Drawing.LINE,
                            List.of(
                                    at(early, room.chart().bars().high(early)),
                                    at(end(), room.chart().bars().high(end()))));
        });
        for (BarRequest.Joint joint :
                List.of(BarRequest.Joint.UNADJUSTED, BarRequest.Joint.RATIO, BarRequest.Joint.DIFFERENCE)) {
            open(future, byDifference.withRoll(byDifference.roll(), joint));
            front.await("on its high, joined " + joint.words(), () -> {
                Anchor first = room.chart().drawings().get(0).anchors().get(0);
                return Math.abs(first.price()
                                - room.chart().bars().high(room.chart().bars().barAt(first.time())))
                        < 1e-6;
            });
        }
        front.run(() -> {
            choose(0);
            assertThat(room.chart()
                            .drawings()
                            .get(0)
                            .path(desk.calendar(future))
                            .priceAt(desk.clock().now()))
                    .isPositive();
            room.studies().setAlert(Alert.Trigger.REACHES);
            assertThat(desk.books().alerts()).hasSize(1);
        });
    }

    /** The drawings of an instrument as books that never looked at it find them. */
    private List<Drawing> fresh(InstrumentId instrument) {
        return new Books(desk.saver(), front, List.of(), List.of()).drawingsAnywhere(instrument);
    }

    @Test
    void scansReadDrawingsOfInstrumentsThatWereNotLookedAt() throws Exception {
        front.run(() -> {
            three();
            choose(0);
            room.drawings().changeChosen("name", drawing -> drawing.withPlace(
                            drawing.place().withName("floor"))
                    .moved(time -> time, price -> 1));
        });
        front.await("saved", () -> fresh(id()).stream()
                .anyMatch(each -> each.place().name().equals("floor")));
        InstrumentId ktrl = front.get(this::id);
        // Another desk's books would not know the drawings: the file does.
        var found = new ScanRunner(new Vantages(desk.histories(), this::fresh), desk.scheduler())
                .run(
                        Scan.of("s", "l", Timeframe.DAY, List.of("close > drawing \"floor\"")),
                        desk.language().now(),
                        List.of(instrument("KTRL"), instrument("MARN")),
                        desk.clock().now(),
                        dev.yardarm.desk.work.Job.unattended());
        assertThat(found.found()).extracting(each -> each.instrument().id()).containsExactly(ktrl);
    }
}
