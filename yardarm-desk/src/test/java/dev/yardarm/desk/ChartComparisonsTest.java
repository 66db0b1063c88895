package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.room.chart.ChartComparisons.Look;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

/** Other instruments on a chart without a window: several at once, correlations, undo, rules for colours, restart. */
class ChartComparisonsTest extends OnAChart {
    private void compare(Look look, String... codes) {
        front.run(() -> room.comparisons()
                .add(List.of(codes).stream().map(this::instrument).toList(), look));
    }

    @Test
    void severalComeAtOnceInColoursNotInUseAndGoWithOneStepOfUndo() {
        front.run(() -> room.indicators().add(indicator("sma")));
        compare(Look.STANDARD, "MARN", "TIDQ", "KTRL", "NTWQ");
        front.await(
                "their values",
                () -> room.chart().indicators().size() == 4
                        && last(layer(1)) > 0
                        && last(layer(2)) > 0
                        && last(layer(3)) > 0);
        front.run(() -> {
            assertThat(room.chart().indicators().stream()
                            .map(each -> each.style().colour())
                            .distinct())
                    .hasSize(4);
            assertThat(room.comparisons().layers())
                    .extracting(IndicatorLayer::title)
                    .containsExactly("MARN", "TIDQ", "NTWQ");
            assertThat(room.comparisons().layers())
                    .extracting(IndicatorLayer::scale)
                    .containsOnly(LayerScale.PERCENT);
            assertThat(room.chart().formatOf("TIDQ")).isPresent();
            room.undo();
            assertThat(room.chart().indicators()).hasSize(1);
            room.redo();
            assertThat(room.chart().indicators()).hasSize(4);
        });
    }

    @Test
    void whatIsThereAlreadyIsNotAddedAgainAndThatIsTold() {
        compare(Look.STANDARD, "MARN");
        compare(Look.STANDARD, "MARN", "KTRL");
        front.run(() -> assertThat(room.chart().indicators()).hasSize(1));
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("on the chart already")));
    }

    @Test
    void aPaneOfTheirOwnIsSharedAndBarsHaveAllFourPrices() {
        compare(new Look(LayerScale.PERCENT, true, true), "MARN", "NTWQ");
        front.await("values", () -> last(layer(1)) > 0);
        front.run(() -> {
            assertThat(layer(0).paneId()).isEqualTo(layer(0).id());
            assertThat(layer(1).paneId()).isEqualTo(layer(0).id());
            assertThat(layer(0).outputStyle(0).form()).isEqualTo(Indicator.Form.BARS);
            List<ChartData.Line> lines = room.chart().data().of(layer(0));
            int bar = room.chart().bars().closed() - 1;
            assertThat(lines.get(2).column().at(bar))
                    .isGreaterThanOrEqualTo(lines.get(0).column().at(bar));
            assertThat(lines.get(3).column().at(bar))
                    .isLessThanOrEqualTo(lines.get(1).column().at(bar));
        });
    }

    @Test
    void aCorrelationOfTheChartWithAnotherNeedsNoOtherLayer() {
        front.run(() -> room.comparisons().correlate(instrument("KTRL"), instrument("MARN"), 30));
        front.await("its value", () -> Math.abs(last(layer(0))) <= 1);
        front.run(() -> {
            assertThat(layer(0).reference()).isEmpty();
            assertThat(layer(0).settings().values())
                    .containsEntry("against", "MARN")
                    .containsEntry("length", "30");
            room.comparisons().correlate(instrument("MARN"), instrument("KTRL"), 30);
            assertThat(layer(1).settings()).as("either way round").isEqualTo(layer(0).settings());
        });
    }

    @Test
    void aCorrelationOfTwoOthersBringsTheOneItReadsOntoTheChart() {
        front.run(() -> room.comparisons().correlate(instrument("MARN"), instrument("NTWQ"), 0));
        front.await("its value", () -> room.chart().indicators().size() == 2 && Math.abs(last(layer(1))) <= 1);
        front.run(() -> {
            assertThat(layer(0).title()).isEqualTo("MARN");
            assertThat(room.chart().titleOf(layer(1))).isEqualTo("correlation 60, returns, NTWQ of MARN");
            room.comparisons().correlate(instrument("MARN"), instrument("EBSP"), 0);
            assertThat(room.chart().indicators()).as("MARN is there already").hasSize(3);
            room.comparisons().correlate(instrument("MARN"), instrument("MARN"), 0);
            assertThat(room.chart().indicators()).hasSize(3);
        });
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("name two instruments")));
    }

    @Test
    void aRuleForAnotherColourIsWorkedOutAndMayReadAnotherInstrument() {
        front.run(() -> {
            room.indicators().add(indicator("sma"));
            room.indicators()
                    .change(layer(0).withStyle(layer(0).style()
                            .withOutput(
                                    "value",
                                    layer(0).outputStyle(0)
                                            .withTint(
                                                    new OutputStyle.Tint("close > compare(#MARN) and close > 0", 5)))));
        });
        front.await("the rule", () -> room.chart().data().tint(layer(0), 0) != null);
        front.run(() -> {
            var rule = room.chart().data().tint(layer(0), 0);
            int last = room.chart().bars().closed() - 1;
            assertThat(rule.at(last)).isIn(0.0, 1.0);
        });
    }

    @Test
    void aChangeOfLooksAloneComputesNothingAnew() {
        compare(Look.STANDARD, "MARN");
        front.await("values", () -> last(layer(0)) > 0);
        AtomicReference<ChartData> before = new AtomicReference<>();
        front.run(() -> {
            before.set(room.chart().data());
            room.indicators()
                    .change(layer(0).withStyle(layer(0).style().withLine(4, 3, 0.5))
                            .onScale(LayerScale.OWN));
        });
        front.run(() -> assertThat(room.chart().data().indicators())
                .isEqualTo(before.get().indicators()));
        front.run(() -> assertThat(room.chart().ownScale(layer(0))).isPresent());
    }

    @Test
    void deltaOfAFutureIsOfItsTradesWhereTheyAreKept() {
        front.run(() -> {
            room.indicators().add(indicator("delta"));
            room.open(instrument("VRTQ"), Timeframe.parse("15m").orElseThrow());
        });
        front.await("its values", () -> room.chart().bars().size() > 100 && !Double.isNaN(last(layer(0))));
        front.run(() -> {
            List<ChartData.Line> lines = room.chart().data().of(layer(0));
            var bars = room.chart().bars();
            int traded = 0;
            for (int bar = 0; bar < bars.closed(); bar++) {
                assertThat(Math.abs(lines.get(1).column().at(bar))).isLessThanOrEqualTo(bars.volume(bar) + 1e-6);
                traded += lines.get(2).column().at(bar) == 0 ? 1 : 0;
            }
            assertThat(traded).as("bars of the last twenty sessions").isBetween(15 * 20, 21 * 100);
            assertThat(lines.get(2).column().at(0))
                    .as("long ago it is estimated")
                    .isEqualTo(1);
            assertThat(Readout.covered(room.chart(), layer(0), bars.closed() - 1))
                    .isEmpty();
            assertThat(Readout.covered(room.chart(), layer(0), 0)).isEqualTo("estimated from bars");
        });
    }

    @Test
    void scaleFormGroundAndRuleAreThereAfterASaveAndARestart() {
        compare(new Look(LayerScale.OWN, true, false), "MARN");
        front.run(() -> {
            room.indicators().add(indicator("rsi"));
            room.indicators()
                    .change(layer(1).withStyle(layer(1).style()
                            .withOutput(
                                    "value",
                                    layer(1).outputStyle(0)
                                            .withForm(Indicator.Form.AREA)
                                            .withGround("50")
                                            .withTint(new OutputStyle.Tint("close > open", 3)))));
            List<IndicatorLayer> layers = room.chart().indicators();
            Documents.Chart saved = WorkspaceKeeper.capture(room);
            room.indicators().clear();
            WorkspaceKeeper.restore(saved, room);
            assertThat(room.chart().indicators()).isEqualTo(layers);
        });
    }
}
