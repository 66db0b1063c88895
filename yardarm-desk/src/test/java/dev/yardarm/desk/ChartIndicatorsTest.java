package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.work.Job;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The indicators of a chart without a window: how new ones come up, copies, swaps, what reads what, comparison. */
class ChartIndicatorsTest extends OnAChart {
    @Test
    void newOnesComeUpAsTheTraderWantsThem() {
        front.run(() -> {
            room.indicators().add(indicator("rsi"), Settings.of(indicator("rsi"), Map.of("length", "9")));
            IndicatorLayer styled = layer(0).withStyle(layer(0).style()
                    .withLine(5, 3, 0.5)
                    .withLevels(List.of(20.0, 80.0))
                    .withOutput("value", layer(0).outputStyle(0).withColouring(OutputStyle.Colouring.SLOPE)));
            room.indicators().change(styled);
            room.indicators().makeStandard(styled.id());
            room.indicators().add(indicator("rsi"));
            assertThat(layer(1).settings().whole("length")).isEqualTo(9);
            assertThat(layer(1).levels()).containsExactly(20.0, 80.0);
            assertThat(layer(1).style().width()).isEqualTo(3);
            assertThat(layer(1).style().colour()).as("a colour not in use").isNotEqualTo(5);
            assertThat(layer(1).outputStyle(0).colouring()).isEqualTo(OutputStyle.Colouring.SLOPE);
            room.indicators().forgetStandard(layer(1).id());
            room.indicators().add(indicator("rsi"));
            assertThat(layer(2).settings().whole("length")).isEqualTo(14);
            assertThat(desk.habits().recent()).containsExactly("rsi");
        });
    }

    @Test
    void allAreHiddenAndShownAgainAndTakenToAnotherChart() {
        front.run(() -> {
            room.indicators().add(indicator("sma"));
            room.indicators().add(indicator("macd"));
            room.indicators().toggleAll();
            assertThat(room.chart().indicators()).noneMatch(each -> each.style().visible());
            room.indicators().toggleAll();
            assertThat(room.chart().indicators()).allMatch(each -> each.style().visible());
            layouts.split(true);
            ChartRoom other = layouts.front().charts().get(1);
            other.showLayers(List.of());
            other.indicators().copyFrom(room);
            assertThat(other.chart().indicators()).isEqualTo(room.chart().indicators());
            room.undo();
            assertThat(other.chart().indicators()).isEmpty();
        });
    }

    @Test
    void whatReadsARemovedIndicatorReadsTheBarsAgain() {
        front.run(() -> {
            room.indicators().add(indicator("rsi"));
            room.indicators()
                    .add(
                            indicator("ema"),
                            Settings.of(
                                    indicator("ema"), Map.of("length", "5", "source", layer(0).id() + ":rsi.value")));
            room.indicators().change(room.indicators().besideSource(layer(1)));
            assertThat(layer(1).paneId()).isEqualTo(layer(0).id());
        });
        front.await("an average of the index", () -> last(layer(1)) > 0 && last(layer(1)) < 100);
        front.run(() -> {
            room.indicators().remove(layer(0).id());
            assertThat(room.chart().indicators()).hasSize(1);
            assertThat(layer(0).settings().values())
                    .containsEntry("source", "close")
                    .containsEntry("length", "5");
            room.undo();
            assertThat(layer(1).reference()).isPresent();
        });
    }

    @Test
    void aSwappedIndicatorKeepsItsColourAndGetsSettingsOfItsOwn() {
        front.run(() -> {
            room.indicators().add(indicator("bollinger"));
            int colour = layer(0).style().colour();
            room.indicators().swap(layer(0).id(), indicator("keltner"));
            assertThat(layer(0).indicator().name()).isEqualTo("keltner");
            assertThat(layer(0).style().colour()).isEqualTo(colour);
            assertThat(room.chart().data().of(layer(0))).as("not yet computed").isEmpty();
        });
        front.await("its values", () -> !Double.isNaN(last(layer(0))));
    }

    @Test
    void settingsAndLookAreKeptUnderNamesAndTakenByOthersOfTheirKind() {
        front.run(() -> {
            room.indicators().add(indicator("rsi"), Settings.of(indicator("rsi"), Map.of("length", "5")));
            room.indicators()
                    .change(layer(0).withStyle(
                                    layer(0).style().withLine(2, 4, 0.5).withLevels(List.of(10.0))));
            room.indicators().keepLook(layer(0).id(), "quick");
            room.indicators().add(indicator("rsi"));
            room.indicators().takeLook(layer(1).id(), "quick");
            assertThat(layer(1).settings()).isEqualTo(layer(0).settings());
            assertThat(layer(1).style().width()).isEqualTo(4);
            assertThat(layer(1).style().levels()).containsExactly(10.0);
            assertThat(layer(1).style().colour()).as("its own colour").isNotEqualTo(2);
            assertThat(desk.habits().looks("rsi")).containsExactly("quick");
            assertThat(desk.habits().standard("rsi"))
                    .as("new ones come up as before")
                    .isEmpty();
            room.undo();
            assertThat(layer(1).settings().whole("length")).isEqualTo(14);
            room.indicators().forgetLook(layer(0).id(), "quick");
            room.indicators().takeLook(layer(1).id(), "quick");
        });
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("Nothing is kept as 'quick'")));
    }

    @Test
    void comparisonsAreMadeWithTheBenchmarkAndWithOthersAndToldWhenThereIsNone() {
        front.run(() -> room.indicators()
                .add(indicator("correlation"), Settings.of(indicator("correlation"), Map.of("against", "KTRL"))));
        front.await("with itself", () -> Math.abs(last(layer(0)) - 1) < 1e-9);
        front.run(() -> room.indicators().add(indicator("ratio")));
        front.await("with the benchmark", () -> last(layer(1)) > 0);
        front.run(() -> room.indicators()
                .add(indicator("ratio"), Settings.of(indicator("ratio"), Map.of("against", "NOBODY"))));
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("no instrument NOBODY")));
        front.run(() -> assertThat(room.problem()).as("the chart goes on").isEmpty());
    }

    @Test
    void aHigherTimeframeIsComputedFromTheBarsOfTheChart() {
        front.run(() -> {
            room.indicators().add(indicator("sma"), Settings.of(indicator("sma"), Map.of("length", "1")));
            room.indicators().change(layer(0).on(new IndicatorLayer.Higher(Timeframe.MONTH, false)));
        });
        front.await("the last month's close", () -> {
            var bars = room.chart().bars();
            var column = room.chart().data().of(layer(0));
            if (column.isEmpty() || Double.isNaN(column.get(0).column().last())) {
                return false;
            }
            double value = column.get(0).column().last();
            for (int bar = bars.size() - 1; bar > bars.size() - 30; bar--) {
                if (bars.close(bar) == value) {
                    return true;
                }
            }
            return false;
        });
        assertThat(front.get(() -> layer(0).title())).isEqualTo("sma 1 on M");
    }

    private ScanRunner runner() {
        return new ScanRunner(desk.vantages(), desk.scheduler());
    }

    /** A condition on what was bought and sold works in a scan as it does on a chart. */
    @Test
    void scansReadTheSidesOfTrades() throws Exception {
        Scan delta = Scan.of("s", "Some", Timeframe.MINUTES_15, List.of("not delta.estimated"));
        List<Instrument> some = List.of(instrument("VRTQ"), instrument("KTRL"));
        ScanRunner.Result result =
                runner().run(delta, desk.language().now(), some, desk.clock().now(), Job.unattended());
        assertThat(result.found())
                .extracting(found -> found.instrument().code())
                .containsExactly("VRTQ");
    }

    @Test
    void scansCompareWithOtherInstrumentsAndKnowHigherTimeframes() throws Exception {
        List<Instrument> some = List.of(instrument("KTRL"), instrument("MARN"), instrument("NTWQ"));
        Scan all = Scan.of("s", "Some", Timeframe.DAY, List.of("correlation(40) >= -1", "close on M > 0"));
        assertThat(runner().run(all, desk.language().now(), some, desk.clock().now(), Job.unattended())
                        .found())
                .hasSize(3);
        Scan one = Scan.of("s", "Some", Timeframe.DAY, List.of("correlation(40, #MARN) > 0.999999"));
        assertThat(runner().run(one, desk.language().now(), some, desk.clock().now(), Job.unattended())
                        .found())
                .extracting(found -> found.instrument().code())
                .containsExactly("MARN");
        Scan none = Scan.of("s", "Some", Timeframe.DAY, List.of("correlation(40, #NOBODY) >= -1"));
        assertThat(runner().run(none, desk.language().now(), some, desk.clock().now(), Job.unattended())
                        .found())
                .as("unknown counts as no")
                .isEmpty();
    }
}
