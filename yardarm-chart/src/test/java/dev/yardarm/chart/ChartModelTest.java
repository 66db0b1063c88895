package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertTimeout;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.BracketLayout;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.scale.TimeTicks;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ChartModelTest {
    @Test
    void panesStackWithoutGapsAndThePriceKeepsHalfTheHeight() {
        IndicatorLayer[] layers = {
            ChartFixture.layer("sma", "5", 0),
            ChartFixture.layer("rsi", "5", 1),
            new IndicatorLayer(
                    "rsi2",
                    ChartFixture.layer("rsi", "9", 2).indicator(),
                    ChartFixture.layer("rsi", "9", 2).settings(),
                    LayerStyle.of(2))
        };
        ChartModel chart = ChartFixture.chart(ChartFixture.days(100), Timeframe.DAY, layers);
        List<Pane> panes = chart.panes();
        assertThat(panes)
                .extracting(Pane::kind)
                .containsExactly(Pane.Kind.PRICE, Pane.Kind.VOLUME, Pane.Kind.INDICATOR, Pane.Kind.INDICATOR);
        for (int pane = 1; pane < panes.size(); pane++) {
            assertThat(panes.get(pane).top()).isEqualTo(panes.get(pane - 1).bottom());
        }
        assertThat(panes.get(3).bottom()).isCloseTo(chart.plotBottom(), within(1.0));
        assertThat(panes.get(0).bottom()).isGreaterThanOrEqualTo(chart.plotBottom() * 0.49);
        chart.setIndicators(List.of(layers[0], layers[1].withStyle(new LayerStyle(1, 1, 1, false))));
        assertThat(chart.panes()).as("a hidden layer gives its pane back").hasSize(2);
        assertThat(chart.paneAt(5)).contains(chart.pricePane());
    }

    @Test
    void aBoundedIndicatorKeepsItsBoundsAndVolumeStartsAtZero() {
        ChartModel chart =
                ChartFixture.chart(ChartFixture.days(100), Timeframe.DAY, ChartFixture.layer("rsi", "14", 0));
        assertThat(chart.panes().get(2).scale().low()).isZero();
        assertThat(chart.panes().get(2).scale().high())
                .as("with room for the legend")
                .isBetween(100.0, 125.0);
        assertThat(chart.panes().get(1).scale().low()).isZero();
    }

    @Test
    void allVisibleBarsAreOnTheScaleTheFormingOneToo() {
        Bars days = ChartFixture.days(101).snapshot();
        BarSeries series = ChartFixture.days(100);
        series.form(days.openTime(100), days.closeTime(100), 100, 400, 20, 300, 5);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY);
        assertThat(chart.price().high()).isGreaterThan(400);
        assertThat(chart.price().low()).isLessThan(20);
        chart.setTime(chart.time().movedBy(200));
        assertThat(chart.price().high()).as("out of view it does not count").isLessThan(400);
        chart.setForm(BarForm.LINE);
        chart.follow();
        assertThat(chart.price().high()).as("a line shows closes").isBetween(300.0, 400.0);
    }

    @Test
    void showingUntilAMomentPutsItAtTheRightEdge() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(300), Timeframe.DAY);
        chart.showUntil(chart.bars().openTime(150));
        assertThat(chart.isFollowing()).isFalse();
        assertThat(chart.time().edge()).isEqualTo(151);
        chart.showLast(300);
        assertThat(chart.isFollowing()).isTrue();
        assertThat(chart.time().firstVisible()).isZero();
        chart.setSize(500, 300);
        assertThat(chart.plotRight()).isLessThan(500);
        assertThat(chart.isFollowing()).isTrue();
    }

    @Test
    void aPlanMakesRoomForItsBracket() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(300), Timeframe.DAY);
        double without = chart.time().x(300);
        double entry = chart.bars().close(299);
        TradePlan plan = new TradePlan(
                "p",
                ChartFixture.KTRL.id(),
                Timeframe.DAY,
                chart.bars().openTime(299),
                entry,
                entry - 1,
                entry + 2,
                1000,
                1);
        chart.setPlan(plan);
        assertThat(chart.time().x(300)).isLessThan(without - 50);
        BracketLayout bracket = BracketLayout.of(chart, plan);
        assertThat(bracket.spineX()).isGreaterThan(chart.time().middle(299));
        assertThat(bracket.stopY()).isGreaterThan(bracket.entryY());
        chart.setPlan(null);
        assertThat(chart.time().x(300)).isCloseTo(without, within(1e-6));
    }

    @Test
    void aCompactChartHasNoAxesAndNoVolume() {
        ChartModel chart = new ChartModel(true);
        chart.open(ChartFixture.KTRL, Timeframe.DAY, ChartFixture.PVX);
        chart.setSize(160, 90);
        chart.setData(ChartData.of(ChartFixture.days(100).snapshot()));
        assertThat(chart.panes()).hasSize(1);
        assertThat(chart.plotRight()).isEqualTo(160);
        assertThat(chart.plotBottom()).isEqualTo(90);
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, Palette.of(Palette.Theme.NIGHT_WATCH), surface);
        assertThat(surface.texts).isEmpty();
        assertThat(surface.rectangles).hasSizeGreaterThan(50);
    }

    @Test
    void withoutBarsThereIsPaperAndNothingBreaks() {
        ChartModel chart = new ChartModel(false);
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        assertThat(surface.rectangles).hasSize(1);
        assertThat(HitTest.at(chart, 5, 5)).isEqualTo(new Hit.Nothing());
        chart.open(ChartFixture.KTRL, Timeframe.DAY, ChartFixture.PVX);
        chart.setSize(400, 300);
        new ChartPainter().paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        assertThat(surface.rectangles).hasSize(2);
        chart.setTime(chart.time().zoomedBy(2, 100).movedBy(-5000));
        assertThat(chart.time().edge()).isFinite();
    }

    @Test
    void aFiredAlertLeavesAFlagAtItsBar() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(100), Timeframe.DAY);
        chart.setDrawings(List.of(new Drawing(
                "d",
                Drawing.LEVEL,
                Timeframe.DAY,
                List.of(new Anchor(chart.bars().openTime(80), chart.bars().high(90))),
                4)));
        long fired = chart.bars().openTime(90) + Times.HOUR;
        Alert waiting =
                Alert.onDrawing("a", ChartFixture.KTRL.id(), "d", Alert.Trigger.REACHES, Timeframe.DAY, false, 1);
        Palette palette = Palette.of(Palette.Theme.DAYLIGHT);
        for (boolean hasFired : new boolean[] {false, true}) {
            chart.setAlerts(hasFired ? List.of() : List.of(waiting));
            chart.setFirings(
                    hasFired
                            ? List.of(Firing.of(
                                    waiting, "Level", fired, chart.bars().high(90), 0))
                            : List.of());
            RecordingSurface surface = new RecordingSurface(1);
            new ChartPainter().paint(chart, palette, surface);
            List<RecordingSurface.Line> flags = surface.lines.stream()
                    .filter(each -> each.colour() == palette.of(Palette.Role.SIGNAL))
                    .toList();
            assertThat(flags).hasSize(1);
            assertThat(flags.get(0).points()[0] > chart.plotRight())
                    .as("one that waits hangs at its tag on the axis")
                    .isEqualTo(!hasFired);
            if (hasFired) {
                assertThat(flags.get(0).points()[0]).isCloseTo(chart.time().middle(90), within(1.0));
            }
        }
    }

    @Test
    void intradayTicksSayTheTimeAndTheNewDay() {
        BarSeries series = new BarSeries(0);
        LocalDate day = LocalDate.of(2026, 6, 15);
        for (int session = 0; session < 4; session++, day = ChartFixture.PVX.next(day)) {
            for (long open = ChartFixture.PVX.open(day);
                    open < ChartFixture.PVX.close(day);
                    open += 15 * Times.MINUTE) {
                series.append(open, open + 15 * Times.MINUTE, 1, 2, 1, 2, 1);
            }
        }
        TimeAxis axis = new TimeAxis(series.snapshot(), new BarGrid(ChartFixture.PVX, Timeframe.MINUTES_15));
        List<TimeTicks.Tick> ticks = TimeTicks.of(new TimeScale(0, 1000, 24, 136), axis, ChartFixture.PVX.zone(), 76);
        assertThat(ticks).anyMatch(tick -> tick.label().equals("18 Jun") && tick.isMajor());
        assertThat(ticks).anyMatch(tick -> tick.label().matches("\\d\\d:00") && !tick.isMajor());
    }

    @Test
    void computingLayersBarByBarGivesTheSameAsAtOnce() {
        List<IndicatorLayer> layers = List.of(ChartFixture.layer("sma", "20", 0), ChartFixture.layer("rsi", "14", 1));
        Bars whole = ChartFixture.days(200).snapshot();
        ChartDataBuilder builder = new ChartDataBuilder(layers);
        BarSeries growing = new BarSeries(0);
        ChartData last = null;
        for (int bar = 0; bar < 200; bar++) {
            growing.append(whole, bar);
            last = builder.update(growing.snapshot());
        }
        ChartData once = new ChartDataBuilder(layers).update(whole);
        for (String id : List.of("sma", "rsi")) {
            for (int bar = 0; bar < 200; bar++) {
                assertThat(last.indicators().get(id).get(0).column().at(bar))
                        .isEqualTo(Double.valueOf(
                                once.indicators().get(id).get(0).column().at(bar)));
            }
            last.indicators().get(id).get(0).extremes().find(0, 200);
            once.indicators().get(id).get(0).extremes().find(0, 200);
            assertThat(last.indicators().get(id).get(0).extremes().most())
                    .isEqualTo(once.indicators().get(id).get(0).extremes().most());
        }
    }

    @Test
    void aBatchGrowsAndIsEmptiedForTheNextFrame() {
        Batch batch = new Batch();
        for (int point = 0; point < 1000; point++) {
            batch.point(point, -point);
        }
        assertThat(batch.points()).isEqualTo(1000);
        assertThat(batch.values()[1998]).isEqualTo(999);
        batch.clear();
        assertThat(batch.isEmpty()).isTrue();
        RecordingSurface surface = new RecordingSurface(1);
        batch.fill(surface, 1);
        assertThat(surface.rectangles).isEmpty();
    }

    @Test
    void aChartWithoutASizeYetHasItsPanes() {
        ChartModel chart = ChartFixture.chart(
                ChartFixture.days(100),
                Timeframe.DAY,
                ChartFixture.layer("rsi", "14", 0),
                ChartFixture.layer("cci", "14", 1),
                ChartFixture.layer("atr", "14", 2));
        for (double height : new double[] {0, 1, 20, 24, 25, 30, 60}) {
            chart.setSize(1, height);
            assertThat(chart.panes()).as("height " + height).hasSize(5).allMatch(pane -> pane.bottom() > pane.top());
        }
    }

    @Test
    void fewBarsFillTheChartUntilAWidthIsChosenAndFutureIsAnEighthAtMost() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(30), Timeframe.DAY);
        double span = chart.time().right() - chart.time().left();
        assertThat(chart.time().barWidth()).isEqualTo(24);
        ChartModel more = ChartFixture.chart(ChartFixture.days(60), Timeframe.DAY);
        assertThat(more.time().firstVisible())
                .as("filled from the left edge on")
                .isZero();
        assertThat(more.time().x(0)).isLessThan(20);
        for (double width : new double[] {1200, 500, 240, 160}) {
            more.setSize(width, 400);
            double plot = more.time().right() - more.time().left();
            assertThat(more.time().right() - more.time().x(60)).isLessThanOrEqualTo(plot / 8 + 1e-6);
        }
        more.setBarWidth(3);
        assertThat(more.time().barWidth()).as("as it was selected").isEqualTo(3);
        assertThat(more.barWidth()).isEqualTo(3);
        assertThat(span).isPositive();
    }

    /** Each lookup that went through all layers made a change among 20,000 drawings take ten seconds. */
    @Test
    void layersAreFoundWithoutGoingThroughAllOfThem() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(30), Timeframe.DAY);
        List<Drawing> many = new ArrayList<>();
        for (int number = 0; number < 20_000; number++) {
            many.add(new Drawing(
                    "d" + number,
                    Drawing.LEVEL,
                    Timeframe.DAY,
                    List.of(new Anchor(chart.bars().openTime(3), 50 + number * 0.01)),
                    1));
        }
        chart.setDrawings(many);
        assertTimeout(Duration.ofSeconds(3), () -> {
            for (Layer layer : chart.layers()) {
                assertThat(chart.layer(layer.selection())).contains(layer);
            }
            for (Drawing each : many) {
                assertThat(chart.drawing(each.id())).contains(each);
            }
        });
        chart.setDrawings(many.subList(0, 2));
        assertThat(chart.drawing("d1")).isPresent();
        assertThat(chart.drawing("d2")).isEmpty();
        assertThat(chart.layers()).hasSize(4);
    }
}
