package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.MarkPlace;
import dev.yardarm.chart.model.Measure;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.PaneChoice;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.render.AxisText;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.SvgSurface;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;

/** What the trader can want of scale, panes, marks, measure and pictures. */
class ScaleChoiceTest {
    private static final Palette DAYLIGHT = Palette.of(Palette.Theme.DAYLIGHT);

    private static ChartModel chart(IndicatorLayer... layers) {
        return ChartFixture.chart(ChartFixture.days(300), Timeframe.DAY, layers);
    }

    private static RecordingSurface paint(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        return surface;
    }

    /** How wide the notch below the forming bar is. */
    private static double notch(ChartModel chart) {
        return paint(chart).rectangles.stream()
                .filter(each -> each.height() == 3 && Math.abs(each.y() - chart.plotBottom()) < 1)
                .mapToDouble(RecordingSurface.Rectangle::width)
                .sum();
    }

    @Test
    void perCentCountsFromTheFirstBarInViewOrAChosenOne() {
        ChartModel chart = chart();
        chart.setScale(ScaleChoice.STANDARD.withMode(ScaleChoice.Mode.PERCENT));
        double base = chart.bars().close(chart.time().firstVisible());
        assertThat(AxisText.price(chart, base * 1.1)).isEqualTo("+10.00 %");
        assertThat(AxisText.price(chart, base * 0.95)).isEqualTo("−5.00 %");
        int chosen = chart.bars().size() - 5;
        chart.setScale(chart.scale().withBase(chart.bars().openTime(chosen)));
        assertThat(AxisText.price(chart, chart.bars().close(chosen))).isEqualTo("+0.00 %");
        chart.setScale(chart.scale().withMode(ScaleChoice.Mode.INDEXED));
        assertThat(AxisText.price(chart, chart.bars().close(chosen) * 1.5)).isEqualTo("150.00");
        assertThat(paint(chart).texts).anyMatch(text -> text.matches("\\d+\\.00"));
    }

    /** Above and below the bars there is room for what points at them, in a chart as low as that beside a table too. */
    @Test
    void arrowsAtTheLowestAndTheHighestBarAreInThePane() {
        Indicator ends = Definition.parse(
                        "define \"Ends\" in price\nmarker up \"low\" when low > 0\nmarker down \"high\" when high > 0\n",
                        Language.builtIn())
                .indicator();
        ChartModel chart = chart(new IndicatorLayer("ends", ends, Settings.of(ends, Map.of()), LayerStyle.of(0)));
        chart.setSize(400, 190);
        double highest = Double.NEGATIVE_INFINITY;
        double lowest = Double.POSITIVE_INFINITY;
        for (int bar = chart.time().firstVisible(); bar < chart.bars().size(); bar++) {
            highest = Math.max(highest, chart.bars().high(bar));
            lowest = Math.min(lowest, chart.bars().low(bar));
        }
        assertThat(chart.price().bottom() - chart.price().y(lowest)).isGreaterThanOrEqualTo(14);
        assertThat(chart.price().y(highest) - chart.price().top()).isGreaterThanOrEqualTo(14);
        chart.setScale(chart.scale().withMargins(0, 0));
        assertThat(chart.price().bottom() - chart.price().y(lowest)).isGreaterThanOrEqualTo(14);
    }

    @Test
    void anInvertedScaleHasItsLowPricesAtTheTop() {
        ChartModel chart = chart();
        double high = chart.price().high();
        double low = chart.price().low();
        chart.setScale(chart.scale().withInverted(true));
        assertThat(chart.price().y(low + 1)).isLessThan(chart.price().y(high - 1));
        assertThat(chart.price().price(chart.price().y(100))).isCloseTo(100, within(1e-9));
        for (int bar = chart.time().firstVisible(); bar < chart.bars().size(); bar++) {
            assertThat(chart.price().y(chart.bars().low(bar)))
                    .isBetween(chart.price().top(), chart.price().bottom());
            assertThat(chart.price().y(chart.bars().high(bar)))
                    .isBetween(chart.price().top(), chart.price().bottom());
        }
        double[] before = {chart.price().low(), chart.price().high()};
        chart.setPriceRange(before[0], before[1]);
        var moved = chart.price().movedBy(10);
        assertThat(moved.y(before[0])).isCloseTo(chart.price().y(before[0]) + 10, within(1e-6));
    }

    @Test
    void aHeldRangeMovesWithPriceAndKeepsItsHeight() {
        ChartModel chart = chart();
        double last = chart.bars().close(chart.bars().size() - 1);
        chart.setScale(chart.scale().held(last - 1, last + 1));
        assertThat(chart.price().high() - chart.price().low()).isCloseTo(2, within(1e-9));
        double low = chart.price().low();
        chart.setTime(chart.time().movedBy(40 * chart.time().barWidth()));
        assertThat(chart.price().high() - chart.price().low()).isCloseTo(2, within(1e-9));
        assertThat(chart.price().low()).isNotEqualTo(low);
        int rightmost = chart.time().endVisible(chart.bars().size()) - 1;
        double close = chart.bars().close(rightmost);
        assertThat(close).isBetween(chart.price().low() + 0.19, chart.price().high() - 0.19);
    }

    @Test
    void fittingCanTakeInIndicatorsAndMargins() {
        ChartModel chart = chart(ChartFixture.layer("sma", "200", 0));
        double[] price = {chart.price().low(), chart.price().high()};
        chart.setScale(chart.scale().withFit(ScaleChoice.Fit.ALL));
        double sma = chart.data().indicators().get("sma").get(0).column().last();
        assertThat(sma).isBetween(chart.price().low(), chart.price().high());
        assertThat(chart.price().high() - chart.price().low()).isGreaterThanOrEqualTo(price[1] - price[0]);
        chart.setScale(ScaleChoice.STANDARD.withMargins(0.3, 0.3));
        assertThat(chart.price().high() - chart.price().low()).isGreaterThan(1.5 * (price[1] - price[0]));
    }

    @Test
    void panesAreOrderedResizedFoldedAndMaximised() {
        ChartModel chart = chart(ChartFixture.layer("rsi", "14", 1));
        assertThat(chart.panes()).extracting(Pane::id).containsExactly("price", "volume", "rsi");
        chart.setPaneChoices(List.of(
                PaneChoice.usual("rsi"),
                PaneChoice.usual("price").withShare(0.5),
                PaneChoice.usual("volume").withFolded(true)));
        assertThat(chart.panes()).extracting(Pane::id).containsExactly("rsi", "price", "volume");
        assertThat(chart.pane("volume").orElseThrow().bottom()
                        - chart.pane("volume").orElseThrow().top())
                .isEqualTo(20);
        assertThat(chart.pricePane().id()).isEqualTo("price");
        chart.setMaximisedPane("rsi");
        assertThat(chart.panes()).singleElement().satisfies(pane -> assertThat(pane.bottom() - pane.top())
                .isEqualTo(chart.plotBottom()));
        chart.setMaximisedPane("");
        assertThat(paint(chart).texts).isNotEmpty();
    }

    @Test
    void draggingTheLineBetweenPanesResizesThem() {
        ChartModel chart = chart(ChartFixture.layer("rsi", "14", 1));
        ChartGestures gestures = new ChartGestures(chart, Mockito.mock(ChartEdits.class));
        double edge = chart.pane("rsi").orElseThrow().top();
        double height = chart.plotBottom() - edge;
        assertThat(HitTest.at(chart, 300, edge)).isEqualTo(new Hit.PaneEdge("rsi"));
        gestures.press(300, edge);
        gestures.drag(300, edge - 60);
        gestures.release(300, edge - 60);
        Pane rsi = chart.pane("rsi").orElseThrow();
        assertThat(rsi.bottom() - rsi.top()).isCloseTo(height + 60, within(2.0));
        gestures.press(300, rsi.top());
        gestures.drag(300, rsi.top() + 30);
        gestures.cancel();
        assertThat(chart.pane("rsi").orElseThrow().top()).isEqualTo(rsi.top());
        gestures.doubleClick(300, rsi.top());
        assertThat(chart.pane("rsi").orElseThrow().top()).isCloseTo(edge, within(1.5));
    }

    @Test
    void aLayerMovedAmongPricesGetsAnAxisAtTheLeft() {
        IndicatorLayer rsi = ChartFixture.layer("rsi", "14", 1);
        ChartModel chart = chart(rsi.inPane(PaneChoice.PRICE));
        assertThat(chart.panes()).extracting(Pane::id).containsExactly("price", "volume");
        Pane price = chart.pricePane();
        assertThat(price.left()).isNotNull();
        assertThat(price.left().low()).isZero();
        assertThat(price.scaleOf(chart.indicators().get(0))).isEqualTo(price.left());
        assertThat(chart.indicators().get(0).inPane("rsi").scale()).isEqualTo(LayerScale.PANE);
        assertThat(paint(chart).lines).isNotEmpty();
    }

    @Test
    void aSpanDraggedOverIsZoomedTo() {
        ChartModel chart = chart();
        ChartGestures gestures = new ChartGestures(chart, Mockito.mock(ChartEdits.class));
        int from = chart.time().bar(200);
        int to = chart.time().bar(400);
        gestures.press(200, 100, ChartGestures.Press.SPAN);
        gestures.drag(400, 120);
        assertThat(gestures.span()).hasValueSatisfying(ends -> assertThat(ends).containsExactly(200, 400));
        gestures.release(400, 120);
        assertThat(chart.time().bar(chart.time().left() + 1)).isBetween(from - 1, from + 1);
        assertThat(chart.time().bar(chart.plotRight() - 1)).isBetween(to - 1, to + 1);
        assertThat(gestures.span()).isEmpty();
    }

    @Test
    void measuringTellsWhatLiesBetween() {
        ChartModel chart = chart();
        Bars bars = chart.bars();
        int from = bars.size() - 20;
        int to = bars.size() - 10;
        Measure measured = Measure.between(
                chart,
                chart.time().middle(from),
                chart.price().y(bars.close(from)),
                chart.time().middle(to),
                chart.price().y(bars.close(to)),
                true);
        assertThat(measured.fromPrice()).isEqualTo(bars.close(from));
        assertThat(measured.toBar() - measured.fromBar()).isEqualTo(10);
        double volume = 0;
        for (int bar = from; bar <= to; bar++) {
            volume += bars.volume(bar);
        }
        assertThat(measured.volume()).isEqualTo(volume);
        List<String> lines = measured.lines(ChartFixture.KTRL);
        assertThat(lines.get(0)).contains("%").startsWith("move  " + (bars.close(to) > bars.close(from) ? "+" : "−"));
        assertThat(lines.get(1)).contains("ticks");
        assertThat(lines.get(2)).contains("10 bars", "days");
        assertThat(lines.get(3)).startsWith("traded");
    }

    @Test
    void marksThatWouldOverlapStandTogether() {
        ChartModel chart = chart();
        Bars bars = chart.bars();
        int last = bars.size() - 1;
        chart.setMarks(List.of(
                new EventMark(bars.openTime(10), EventMark.Kind.SPLIT, "long ago"),
                new EventMark(bars.openTime(last - 30), EventMark.Kind.DIVIDEND, "a dividend"),
                new EventMark(bars.openTime(last - 5), EventMark.Kind.ENTRY, "a release"),
                new EventMark(bars.openTime(last - 5) + Times.HOUR, EventMark.Kind.ENTRY, "another")));
        List<MarkPlace> places = MarkPlace.of(chart);
        assertThat(places).hasSize(2);
        assertThat(places.get(1).marks()).hasSize(2);
        assertThat(HitTest.at(chart, places.get(0).x(), places.get(0).y() + 3)).isInstanceOf(Hit.OnMark.class);
        assertThat(paint(chart).texts).as("shapes, no letters").doesNotContain("d", "2", "c");
    }

    @Test
    void theTimeLeftIsAShrinkingNotchAndWordsInTheReadout() {
        BarSeries series = ChartFixture.days(30);
        Bars days = ChartFixture.days(31).snapshot();
        series.form(days.openTime(30), days.closeTime(30), 100, 101, 99, 100, 5);
        ChartModel chart = ChartFixture.chart(series, Timeframe.DAY);
        chart.setClock(() -> days.closeTime(30) - 754 * Times.SECOND);
        assertThat(Readout.bar(chart, 30)).endsWith("forming, 13 min left");
        double late = notch(chart);
        chart.setClock(() -> days.closeTime(30) - 3 * Times.HOUR);
        assertThat(Readout.bar(chart, 30)).endsWith("forming, 3 h 00 left");
        assertThat(notch(chart)).isGreaterThan(late);
        chart.setClock(() -> days.closeTime(30) - 40 * Times.SECOND);
        assertThat(Readout.bar(chart, 30)).endsWith("forming, 40 s left");
        assertThat(Readout.bar(chart, 29)).doesNotContain("forming");
        int whole = Readout.bar(chart, 30).length();
        for (int most = 0; most < whole; most++) {
            String text = Readout.bar(chart, 30, most);
            assertThat(text.length()).isLessThanOrEqualTo(most);
            assertThat(Readout.bar(chart, 30, most + 1).length()).isGreaterThanOrEqualTo(text.length());
        }
        assertThat(Readout.bar(chart, 30, whole)).isEqualTo(Readout.bar(chart, 30));
        assertThat(Readout.bar(chart, 30, 30)).contains("last 100.00").doesNotContain("open");
    }

    @Test
    void averagedCandlesAreDrawnBesideTheRealPrices() {
        ChartModel chart = chart();
        chart.setForm(BarForm.AVERAGED);
        Bars drawn = chart.drawnBars();
        assertThat(drawn.size()).isEqualTo(chart.bars().size());
        assertThat(drawn.close(50))
                .isEqualTo((chart.bars().open(50)
                                + chart.bars().high(50)
                                + chart.bars().low(50)
                                + chart.bars().close(50))
                        / 4);
        assertThat(chart.bars().close(50)).isNotEqualTo(drawn.close(50));
        chart.setForm(BarForm.CANDLES);
        assertThat(chart.drawnBars()).isSameAs(chart.bars());
    }

    @Test
    void pointAndFigureIsDrawnWithSignsAndBricksWithoutRanges() {
        ChartModel boxes = byRule("point-figure:1x3", 14);
        RecordingSurface surface = paint(boxes);
        assertThat(surface.segments).isGreaterThan(100);
        ChartModel bricks = byRule("brick:1", 12);
        assertThat(paint(bricks).rectangles).isNotEmpty();
        assertThat(bricks.axis().isIntraday()).isTrue();
        assertThat(bricks.axis().openTime(bricks.bars().size() + 5))
                .isGreaterThan(bricks.bars().openTime(bricks.bars().size() - 1));
        assertThat(bricks.axis().bar(bricks.axis().openTime(bricks.bars().size() + 5)))
                .isEqualTo(bricks.bars().size() + 5);
        assertThat(bricks.axis().bar(bricks.bars().openTime(0) - 1)).isNegative();
    }

    private static ChartModel byRule(String rule, double barWidth) {
        BarMaker maker = BarMakers.of(BarRule.parse(rule), null, 1, new BarSeries(64));
        Bars days = ChartFixture.days(400).snapshot();
        for (int bar = 0; bar < days.size(); bar++) {
            maker.addBar(
                    days.openTime(bar),
                    days.closeTime(bar),
                    days.open(bar),
                    days.high(bar),
                    days.low(bar),
                    days.close(bar),
                    days.volume(bar));
        }
        ChartModel chart = new ChartModel(false);
        chart.open(ChartFixture.KTRL, BarRequest.of(Timeframe.DAY).withRule(BarRule.parse(rule)), ChartFixture.PVX);
        chart.setSize(900, 600);
        chart.setBarWidth(barWidth);
        chart.setData(dev.yardarm.chart.model.ChartData.of(maker.series().snapshot()));
        return chart;
    }

    @Test
    void anSvgIsWellFormedAndKeepsTextAsText() throws Exception {
        ChartModel chart = chart(ChartFixture.layer("sma", "20", 0), ChartFixture.layer("rsi", "14", 1));
        SvgSurface surface = new SvgSurface(900, 600, (text, type) -> text.length() * 6.0);
        new ChartPainter().paint(chart, DAYLIGHT, surface);
        surface.text(
                "a < b & c",
                10,
                10,
                dev.yardarm.chart.surface.Surface.Type.BASE,
                dev.yardarm.chart.surface.Surface.Align.LEFT,
                0x80112233);
        surface.segments(0xFF000000, 1, new double[] {0, 0, 1, 1}, 1);
        var document = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new java.io.ByteArrayInputStream(
                        surface.document().getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        assertThat(document.getDocumentElement().getAttribute("width")).isEqualTo("900");
        assertThat(document.getElementsByTagName("text").getLength()).isGreaterThan(8);
        assertThat(document.getElementsByTagName("polyline").getLength()).isGreaterThanOrEqualTo(2);
        assertThat(surface.document()).contains("a &lt; b &amp; c", "fill-opacity=\"0.5\"", "clip-path");
    }

    @Test
    void timesAreWrittenInTheChosenZone() {
        ChartModel chart = chart();
        assertThat(chart.zone()).isEqualTo(ChartFixture.PVX.zone());
        chart.setZone(ZoneId.of("Pacific/Auckland"));
        assertThat(chart.zone().getId()).isEqualTo("Pacific/Auckland");
        chart.showSpan(chart.bars().openTime(100), chart.bars().openTime(150));
        assertThat(chart.isFollowing()).isFalse();
        assertThat(chart.time().bar(chart.time().left() + 1)).isBetween(99, 101);
    }
}
