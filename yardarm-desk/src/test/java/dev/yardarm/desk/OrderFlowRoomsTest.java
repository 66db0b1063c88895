package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.ExecutionLayout;
import dev.yardarm.desk.room.layout.LinkRules.Shared;
import java.util.EnumSet;
import java.util.List;
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
