package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.PlacedWords;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Legend;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** However much stands on a chart, no two of its texts overlap, and none is lost. */
class LegibilityTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    /** Three retracements, a plan, a wave count, levels with alerts, and six layers. */
    private static ChartModel dense(int bars) {
        List<IndicatorLayer> layers = List.of(
                layer("ema", 1),
                layer("sma", 2),
                layer("bollinger", 3),
                layer("ichimoku", 4),
                layer("rsi", 5),
                layer("macd", 6));
        ChartModel chart = new ChartModel(false);
        chart.open(ChartFixture.KTRL, Timeframe.DAY, ChartFixture.PVX);
        chart.setSize(800, 560);
        chart.setIndicators(layers);
        chart.setData(
                new ChartDataBuilder(layers).update(ChartFixture.days(bars).snapshot()));
        Bars data = chart.bars();
        int end = bars - 1;
        List<Drawing> drawings = new ArrayList<>();
        for (int number = 0; number < 3; number++) {
            drawings.add(drawing(
                    "r" + number,
                    "retracement",
                    at(data, end - 80 + 9 * number, false),
                    at(data, end - 20 + 3 * number, true)));
        }
        drawings.add(drawing(
                "waves",
                "impulse",
                at(data, end - 85, false),
                at(data, end - 70, true),
                at(data, end - 60, false),
                at(data, end - 35, true),
                at(data, end - 28, false),
                at(data, end - 12, true)));
        for (int number = 0; number < 5; number++) {
            drawings.add(drawing(
                    "level" + number,
                    Drawing.LEVEL,
                    new Anchor(data.openTime(end), data.close(end) * (0.98 + 0.01 * number))));
        }
        drawings.add(drawing("text", "text", at(data, end - 40, true)));
        chart.setDrawings(drawings);
        chart.setAlerts(List.of(Alert.onDrawing(
                "a",
                ChartFixture.KTRL.id(),
                "level1",
                Alert.Trigger.REACHES,
                Timeframe.DAY,
                false,
                data.openTime(10))));
        double price = data.close(end);
        chart.setPlan(new TradePlan(
                "p",
                ChartFixture.KTRL.id(),
                Timeframe.DAY,
                data.openTime(end),
                price,
                price * 0.995,
                price * 1.03,
                25_000,
                1,
                0));
        return chart;
    }

    private static IndicatorLayer layer(String name, int colour) {
        var indicator = Catalogue.builtIn().find(name).orElseThrow();
        return new IndicatorLayer(name, indicator, Settings.of(indicator, Map.of()), LayerStyle.of(colour));
    }

    private static Anchor at(Bars bars, int bar, boolean high) {
        return new Anchor(bars.openTime(bar), high ? bars.high(bar) : bars.low(bar));
    }

    private static Drawing drawing(String id, String kind, Anchor... anchors) {
        return new Drawing(id, kind, Timeframe.DAY, List.of(anchors), 3);
    }

    private static RecordingSurface painted(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        ChartPainter painter = new ChartPainter();
        painter.paint(chart, DAYLIGHT, surface);
        painter.paintLegend(chart, surface);
        return surface;
    }

    private static void assertNothingOverlaps(RecordingSurface surface) {
        List<String> overlaps = new ArrayList<>();
        for (RecordingSurface.Written one : surface.written) {
            for (RecordingSurface.Written other : surface.written) {
                if (one != other && !one.text().isEmpty() && !other.text().isEmpty() && one.meets(other)) {
                    overlaps.add(one + " over " + other);
                }
            }
        }
        assertThat(overlaps).isEmpty();
    }

    @Test
    void aDenseChartStaysReadableAtEverySizeAndScale() {
        for (int[] size : new int[][] {{800, 560}, {1040, 640}, {620, 420}, {430, 300}, {300, 200}, {1700, 900}}) {
            for (ScaleChoice.Mode mode : ScaleChoice.Mode.values()) {
                ChartModel chart = dense(300);
                chart.setSize(size[0], size[1]);
                chart.setScale(chart.scale().withMode(mode));
                RecordingSurface surface = painted(chart);
                assertThat(surface.written).hasSizeGreaterThan(size[0] < 420 ? 5 : 25);
                assertNothingOverlaps(surface);
            }
        }
    }

    @Test
    void everyTextIsShownOrCounted() {
        ChartModel chart = dense(300);
        RecordingSurface surface = painted(chart);
        List<String> said = new ArrayList<>(surface.texts);
        chart.words().forEach(words -> said.addAll(words.counted()));
        String all = String.join("\n", said);
        assertThat(all).contains("entry", "stop", "target", "ema", "ichimoku", "rsi", "macd");
        for (String ratio : new String[] {"0.236", "0.382", "0.5", "0.618", "0.786"}) {
            assertThat(said.stream().filter(text -> text.equals(ratio) || text.startsWith(ratio + " ")))
                    .as(ratio)
                    .hasSize(3);
        }
        // The number of a chip is that of the texts behind it.
        for (PlacedWords words : chart.words()) {
            if (!words.counted().isEmpty()) {
                assertThat(surface.texts).contains("+" + words.counted().size());
            }
        }
    }

    @Test
    void theSelectedAndThePlanComeFirst() {
        ChartModel chart = dense(300);
        chart.select(new Selection.Drawing("r2"));
        RecordingSurface surface = painted(chart);
        long whole = surface.texts.stream()
                .filter(text -> text.matches("0\\.\\d+  .*"))
                .count();
        assertThat(whole).isGreaterThanOrEqualTo(5);
        assertThat(surface.texts.stream().filter(text -> text.startsWith("entry ")))
                .hasSize(1);
        assertThat(surface.texts.stream().filter(text -> text.startsWith("stop ")))
                .hasSize(1);
    }

    @Test
    void aPressOnWordsThatMovedTakesTheirDrawing() {
        ChartModel chart = dense(300);
        painted(chart);
        PlacedWords moved = chart.words().stream()
                .filter(words -> words.owner().equals("r1"))
                .findFirst()
                .orElseThrow();
        double x = (moved.box().left() + moved.box().right()) / 2;
        double y = (moved.box().top() + moved.box().bottom()) / 2;
        Hit hit = HitTest.at(chart, x, y);
        assertThat(hit).isInstanceOf(Hit.OnDrawing.class);
        for (PlacedWords words : chart.words()) {
            if (!words.counted().isEmpty()) {
                assertThat(HitTest.at(chart, words.box().left() + 2, words.box().top() + 2))
                        .isEqualTo(new Hit.OnCount(words));
            }
        }
    }

    @Test
    void theAxisHasEnoughLabels() {
        for (int height = 160; height < 760; height += 17) {
            for (ScaleChoice.Mode mode : ScaleChoice.Mode.values()) {
                ChartModel chart = ChartFixture.chart(ChartFixture.days(200), Timeframe.DAY);
                chart.setVolumeShown(false);
                chart.setSize(800, height);
                chart.setScale(chart.scale().withMode(mode));
                RecordingSurface surface = painted(chart);
                Pane pane = chart.pricePane();
                long labels = surface.written.stream()
                        .filter(text -> text.left() > chart.plotRight() && text.bottom() < chart.plotBottom())
                        .count();
                double room = pane.bottom() - pane.top();
                assertThat(labels)
                        .as(mode + " in " + room)
                        .isGreaterThanOrEqualTo(room >= 300 ? 6 : room >= 120 ? 3 : 2);
                assertNothingOverlaps(surface);
            }
        }
    }

    @Test
    void aPaneOfAnOscillatorHasThreeLabelsToo() {
        ChartModel chart = dense(300);
        chart.setSize(1000, 800);
        RecordingSurface surface = painted(chart);
        Pane rsi = chart.pane("rsi").orElseThrow();
        assertThat(rsi.bottom() - rsi.top()).isGreaterThan(90);
        assertThat(surface.written.stream()
                        .filter(text -> text.left() > chart.plotRight()
                                && text.top() > rsi.top()
                                && text.bottom() < rsi.bottom()))
                .hasSizeGreaterThanOrEqualTo(3);
    }

    @Test
    void aSmallChartHasTagsForTheLastPriceAndWhatIsSelectedAlone() {
        ChartModel chart = dense(300);
        chart.setSize(380, 300);
        assertThat(axis(chart)).isEqualTo(1);
        chart.select(new Selection.Drawing("level3"));
        assertThat(axis(chart)).isEqualTo(2);
    }

    /** How many framed tags stand on the axis of the price pane. */
    private static long axis(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface.rectangles.stream()
                .filter(each -> each.x() == chart.plotRight() + 2
                        && each.height() == 16
                        && each.width() > 20
                        && each.y() + each.height() <= chart.pricePane().bottom() + 1)
                .count();
    }

    @Test
    void aLegendStandsOnPlatesAndGoesOnInTheNextRowUntilThereIsNoRoom() {
        ChartModel chart = dense(300);
        ChartPainter painter = new ChartPainter();
        RecordingSurface surface = new RecordingSurface(1);
        painter.paint(chart, DAYLIGHT, surface);
        Legend legend = painter.legend();
        int paper = Palette.fade(DAYLIGHT.of(Palette.Role.PAPER), 0.88);
        for (Legend.Part part : legend.parts()) {
            double right = part.x() + surface.textWidth(part.at(299, 299), null);
            assertThat(surface.rectangles)
                    .as(part.at(299, 299))
                    .anyMatch(each -> each.colour() == paper
                            && each.x() <= part.x()
                            && each.x() + each.width() >= right
                            && each.y() < part.y()
                            && each.y() + each.height() > part.y());
        }
        assertThat(legend.parts().stream().map(Legend.Part::y).distinct().count())
                .isGreaterThan(3);
        chart.setSize(400, 240);
        painter.paint(chart, DAYLIGHT, surface);
        assertThat(legend.parts().stream()
                        .filter(part -> part.y() < chart.pricePane().bottom())
                        .map(Legend.Part::y)
                        .distinct())
                .hasSize(1);
        assertThat(chart.words().stream().flatMap(words -> words.counted().stream()))
                .anyMatch(text -> text.startsWith("ichimoku"));
    }

    @Test
    void aRowOfNumbersIsNamedOnlyWhereItIsNotTheUsualOne() {
        ChartModel chart = dense(300);
        var macd = Catalogue.builtIn().find("macd").orElseThrow();
        List<IndicatorLayer> layers = List.of(
                layer("macd", 1),
                new IndicatorLayer("own", macd, Settings.of(macd, Map.of("fast", "5")), LayerStyle.of(2)),
                layer("ema", 3));
        chart.setIndicators(layers);
        chart.setData(new ChartDataBuilder(layers).update(ChartFixture.days(300).snapshot()));
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts).contains("macd", "macd 5, 26, 9", "ema 20");
    }

    @Test
    void theValuesOfNoBarRunIntoTheNext() {
        for (int[] size : new int[][] {{800, 560}, {1700, 900}, {420, 300}}) {
            ChartModel chart = dense(300);
            chart.setSize(size[0], size[1]);
            ChartPainter painter = new ChartPainter();
            painter.paint(chart, DAYLIGHT, new RecordingSurface(1));
            for (int bar = 200; bar < 300; bar++) {
                RecordingSurface surface = new RecordingSurface(1);
                int under = bar;
                painter.legend()
                        .parts()
                        .forEach(part -> surface.text(
                                part.at(under, under),
                                part.x(),
                                part.y(),
                                Surface.Type.SMALL,
                                Surface.Align.LEFT,
                                part.colour()));
                assertNothingOverlaps(surface);
            }
        }
    }

    @Test
    void aNarrowChartTellsTheTimeTwiceAtLeast() {
        for (int width = 240; width < 1000; width += 20) {
            for (ChartModel chart : List.of(
                    ChartFixture.chart(ChartFixture.days(200), Timeframe.DAY),
                    ChartFixture.chart(ChartFixture.minutes(3000), Timeframe.MINUTE))) {
                chart.setSize(width, 300);
                RecordingSurface surface = painted(chart);
                assertThat(surface.written.stream().filter(text -> text.top() > chart.plotBottom()))
                        .as(chart.timeframe() + " at " + width)
                        .hasSizeGreaterThanOrEqualTo(2);
                assertNothingOverlaps(surface);
            }
        }
    }
}
