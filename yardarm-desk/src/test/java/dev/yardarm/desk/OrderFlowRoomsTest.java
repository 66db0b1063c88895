package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.ExecutionLayout;
import dev.yardarm.desk.room.layout.LinkRules.Shared;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Charts of who traded where, without a window: the execution layout, and profiles of chosen spans. */
class OrderFlowRoomsTest extends OnAChart {
    private void show(String code, String timeframe) {
        front.run(() -> layouts.active()
                .open(instrument(code), Timeframe.parse(timeframe).orElseThrow()));
        front.await(
                "bars",
                () -> !layouts.active().chart().bars().isEmpty()
                        && layouts.active().chart().timeframe().toString().equals(timeframe));
    }

    private List<ChartRoom> charts() {
        return layouts.focused().charts();
    }

    private List<String> kinds() {
        return charts().stream()
                .map(each -> each.chart().request().isTime()
                        ? each.chart().timeframe().toString()
                        : each.chart().request().rule().words())
                .toList();
    }

    @Test
    void theExecutionLayoutHasItsOwnBarsWhateverTheChartInHandIsLinkedTo() {
        show("VRTQ", "1h");
        front.run(() -> {
            layouts.setLinks(1, EnumSet.of(Shared.INSTRUMENT, Shared.TIMEFRAME));
            layouts.active().setLink(1);
            ExecutionLayout.show(layouts);
        });
        front.await(
                "four charts",
                () -> charts().size() == 4
                        && charts().stream()
                                .allMatch(each -> !each.chart().bars().isEmpty()));
        assertThat(kinds()).containsExactly("range of 8 ticks", "5m", "1m", "30m");
        assertThat(charts()).extracting(ChartRoom::link).containsOnly(2);
        front.await(
                "footprints",
                () -> charts().get(1).chart().data().flow().footprints().size() == 1);
        front.await(
                "profiles",
                () -> !charts().get(3).chart().data().flow().profiles().isEmpty());
        front.await("the range bars rest on trades", () -> {
            var view = charts().get(0).chart().data().flow().viewed();
            return !view.isEmpty() && view.values().iterator().next().bars() > 10;
        });
        // What is in a range bar's rows is the bar, to the last contract.
        Bars bars = charts().get(0).chart().bars();
        var footprint = charts().get(0)
                .chart()
                .data()
                .flow()
                .viewed()
                .values()
                .iterator()
                .next();
        for (int bar = 0; bar < Math.min(bars.closed(), footprint.closed().bars()); bar++) {
            double sum = 0;
            for (int row = footprint.start(bar); row < footprint.end(bar); row++) {
                sum += footprint.levels(bar).volume(row);
            }
            assertThat(sum).as("bar " + bar).isEqualTo(bars.volume(bar));
        }
    }

    @Test
    void anExecutionLayoutThatIsThereComesToTheFrontWithItsInstrument() {
        show("VRTQ", "1h");
        front.run(() -> ExecutionLayout.show(layouts));
        int tabs = layouts.all().size();
        front.run(() -> {
            // Led elsewhere, and back in the first tab.
            Instrument other = desk.directory().byCode("EMBRA").orElseThrow();
            charts().forEach(each -> each.open(other, each.chart().request()));
            layouts.stepLayout(1);
            ExecutionLayout.show(layouts);
        });
        assertThat(layouts.all()).hasSize(tabs);
        assertThat(charts()).hasSize(4).allSatisfy(each -> assertThat(
                        each.instrument().orElseThrow().code())
                .isEqualTo("VRTQ"));
        assertThat(kinds()).containsExactly("range of 8 ticks", "5m", "1m", "30m");
    }

    @Test
    void profilesOfADrawingFromABarOnAndOfTheView() {
        show("VRTQ", "15m");
        ChartRoom room = layouts.active();
        Bars bars = room.chart().bars();
        int first = bars.closed() - 40;
        int last = bars.closed() - 21;
        front.run(() -> {
            room.studies()
                    .draw(
                            "zone",
                            List.of(
                                    new Anchor(bars.openTime(first), bars.high(first)),
                                    new Anchor(bars.openTime(last), bars.low(last))));
            Drawing zone = room.chart().drawings().get(0);
            room.studies().select(Selection.ofDrawings(List.of(zone.id())));
            room.profiles().ofChosenDrawing();
        });
        front.await("its profile", () -> spans(room, 0) != null);
        double volume = 0;
        for (int bar = first; bar <= last; bar++) {
            volume += bars.volume(bar);
        }
        assertThat(spans(room, 0).rows().total()).isEqualTo(volume);

        front.run(() -> room.profiles().from(last));
        front.await("from a bar on", () -> spans(room, 1) != null);
        assertThat(spans(room, 1).from()).isEqualTo(bars.openTime(last));

        front.run(() -> {
            room.studies().select(Selection.NONE);
            room.profiles().ofChosenDrawing();
        });
        front.await("of the view", () -> spans(room, 2) != null);
        IndicatorLayer ofView = room.chart().indicators().get(2);
        assertThat(ofView.settings().word("until")).isNotEqualTo("end");

        front.run(() -> {
            room.studies().draw(Drawing.LEVEL, List.of(new Anchor(bars.openTime(last), bars.low(last))));
            room.studies()
                    .select(Selection.ofDrawings(
                            List.of(room.chart().drawings().get(1).id())));
            room.profiles().ofChosenDrawing();
        });
        assertThat(room.chart().indicators()).as("a level has no span").hasSize(3);
    }

    private static double volume(Bars bars, int first, int last) {
        double volume = 0;
        for (int bar = first; bar <= last; bar++) {
            volume += bars.volume(bar);
        }
        return volume;
    }

    private void awaitVolume(String what, ChartRoom room, double volume) {
        front.await(what, () -> spans(room, 0) != null && spans(room, 0).rows().total() == volume);
    }

    @Test
    void aProfileFollowsItsDrawingThereAndBack() {
        show("VRTQ", "15m");
        ChartRoom room = layouts.active();
        Bars bars = room.chart().bars();
        int end = bars.closed();
        front.run(() -> {
            room.studies()
                    .draw(
                            "zone",
                            List.of(
                                    new Anchor(bars.openTime(end - 40), bars.high(end - 40)),
                                    new Anchor(bars.openTime(end - 21), bars.low(end - 21))));
            room.studies()
                    .select(Selection.ofDrawings(
                            List.of(room.chart().drawings().get(0).id())));
            room.profiles().ofChosenDrawing();
        });
        awaitVolume("its profile", room, volume(bars, end - 40, end - 21));
        assertThat(room.chart().indicators().get(0).title()).isEqualTo("profile of a drawing");

        front.run(() -> {
            Drawing zone = room.chart().drawings().get(0);
            room.drawings().move(List.of(zone.withAnchor(0, new Anchor(bars.openTime(end - 60), bars.high(end - 60)))));
        });
        awaitVolume("it follows", room, volume(bars, end - 60, end - 21));
        front.run(() -> desk.undo().undo());
        awaitVolume("and goes back with it", room, volume(bars, end - 40, end - 21));
        front.run(() -> desk.undo().redo());
        awaitVolume("and on again", room, volume(bars, end - 60, end - 21));

        // Steps of undo of the layer know the span of their time; the drawing is where it is now.
        front.run(() -> {
            IndicatorLayer layer = room.chart().indicators().get(0);
            room.indicators().change(layer.withStyle(layer.style().withVisible(false)));
            Drawing zone = room.chart().drawings().get(0);
            room.drawings().move(List.of(zone.withAnchor(0, new Anchor(bars.openTime(end - 30), bars.high(end - 30)))));
            room.indicators()
                    .change(room.chart()
                            .indicators()
                            .get(0)
                            .withStyle(layer.style().withVisible(true)));
        });
        awaitVolume("after several steps", room, volume(bars, end - 30, end - 21));

        front.run(() -> {
            IndicatorLayer layer = room.chart().indicators().get(0);
            Map<String, String> values = new HashMap<>(layer.settings().values());
            values.put("since", "start");
            room.indicators().change(layer.withSettings(Settings.of(layer.indicator(), values)));
        });
        awaitVolume("a span by hand", room, volume(bars, 0, end - 21));
        assertThat(room.chart().indicators().get(0).drawing()).isEmpty();
        front.run(() -> desk.undo().undo());
        awaitVolume("taken back", room, volume(bars, end - 30, end - 21));

        front.run(() -> {
            room.studies()
                    .select(Selection.ofDrawings(
                            List.of(room.chart().drawings().get(0).id())));
            room.drawings().deleteChosen();
        });
        assertThat(room.chart().drawings()).isEmpty();
        assertThat(spans(room, 0).rows().total())
                .as("a drawing that is gone leaves the span it had")
                .isEqualTo(volume(bars, end - 30, end - 21));
    }

    private static SpanProfile spans(ChartRoom room, int layer) {
        if (room.chart().indicators().size() <= layer) {
            return null;
        }
        List<SpanProfile> spans = room.chart()
                .data()
                .flow()
                .profiles()
                .getOrDefault(room.chart().indicators().get(layer).id(), List.of());
        return spans.size() == 1 ? spans.get(0) : null;
    }
}
