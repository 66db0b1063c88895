package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.FigureRows;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LargeTradePlaces;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.LargeTradeLines;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Who traded where, as it is painted, found under the pointer and told. */
class OrderFlowPaintTest {
    private static final long START = 20_000 * Times.DAY;
    private static final int MINUTES = 90;

    /** Twenty trades a minute; two large ones in the last quarter of an hour, one bought, one sold. */
    private static TickSeries trades() {
        SplittableRandom random = new SplittableRandom(4);
        TickSeries ticks = new TickSeries(2000);
        long price = 4000;
        for (int minute = 0; minute < MINUTES; minute++) {
            for (int trade = 0; trade < 20; trade++) {
                price += random.nextInt(-1, 2);
                long time = START + minute * Times.MINUTE + trade * 2L * Times.SECOND;
                double size = 1 + random.nextInt(9);
                size = minute == 80 && trade == 10 ? 400 : minute == 85 && trade == 10 ? 100 : size;
                byte side = minute == 80 && trade == 10
                        ? TickSeries.ASK
                        : minute == 85 && trade == 10 ? TickSeries.BID : (byte) (random.nextBoolean() ? 1 : -1);
                ticks.append(time, price / 100.0, size, side);
            }
        }
        return ticks;
    }

    private static ChartModel chart(String name, Map<String, String> settings, long knownFrom) {
        TickSeries ticks = trades();
        BarMaker maker =
                BarMakers.of(BarRule.parse("time:1m"), TradingCalendar.ROUND_THE_CLOCK, 0.01, new BarSeries(128));
        maker.addTicks(ticks, 0, ticks.size());
        maker.advanceTo(START + MINUTES * Times.MINUTE);
        TradedSides sides = new TradedSides(knownFrom, Long.MAX_VALUE);
        sides.take(ticks);
        Indicator term = Language.builtIn().catalogue().find(name).orElseThrow();
        IndicatorLayer layer = new IndicatorLayer("layer-1", term, Settings.of(term, settings), LayerStyle.of(2));
        BarSeries series = maker.series();
        ChartModel chart = ChartFixture.chart(series, Timeframe.MINUTE, layer);
        chart.setData(new ChartDataBuilder(
                        List.of(layer),
                        new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.empty(), sides)
                                .withTick(0.01),
                        Language.builtIn())
                .update(series.snapshot()));
        return chart;
    }

    private static RecordingSurface painted(ChartModel chart) {
        RecordingSurface surface = new RecordingSurface(1);
        ChartPainter painter = new ChartPainter();
        painter.paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        painter.paintLegend(chart, surface);
        return surface;
    }

    private static String figure(double volume) {
        return Long.toString((long) volume);
    }

    @Test
    void footprintsSayTheirNumbersWhereThereIsRoomAndAreBarsAloneWhereThereIsNone() {
        ChartModel chart = chart("footprint", Map.of(), Long.MIN_VALUE);
        chart.setBarWidth(70);
        RecordingSurface numbers = painted(chart);
        var footprint = chart.data().flow().footprints().get("layer-1");
        int bar = footprint.bars() - 2;
        for (int row = footprint.start(bar); row < footprint.end(bar); row++) {
            assertThat(numbers.texts)
                    .contains(
                            figure(footprint.levels(bar).bid(row)),
                            figure(footprint.levels(bar).ask(row)));
        }
        assertThat(numbers.texts).anyMatch(each -> each.startsWith("delta "));
        chart.setBarWidth(12);
        int cells = painted(chart).rectangles.size();
        chart.setBarWidth(6);
        int plain = painted(chart).rectangles.size();
        assertThat(cells).isGreaterThan(2 * plain);
    }

    @Test
    void barsWithoutTradesAreDrawnAsTheyAreAndItIsSaid() {
        ChartModel none = chart("footprint", Map.of(), START + Times.DAY);
        none.setBarWidth(30);
        assertThat(painted(none).texts).contains("no single trades known here");
        ChartModel some = chart("footprint", Map.of("size", "5"), START + 80 * Times.MINUTE);
        some.setBarWidth(30);
        assertThat(painted(some).texts)
                .anyMatch(each -> each.startsWith("smaller trades than 5 left out, trades known since "));
    }

    @ParameterizedTest
    @ValueSource(strings = {"ring", "dot", "plate", "number"})
    void largeTradesAreMarkedAtTheirPriceAndFoundUnderThePointer(String form) {
        ChartModel chart = chart("big_trades", Map.of("size", "90", "mark", form), Long.MIN_VALUE);
        chart.setBarWidth(14);
        RecordingSurface surface = painted(chart);
        assertThat(surface.texts).contains("2 in view");
        if (form.equals("plate") || form.equals("number")) {
            assertThat(surface.texts).contains("400", "100");
        }
        IndicatorLayer layer = chart.indicators().get(0);
        LargeTradePlaces places = LargeTradePlaces.of(chart, layer).orElseThrow();
        assertThat(places.end() - places.first()).isEqualTo(2);
        LargeMarks.Mark large = places.marks().get(places.first());
        LargeMarks.Mark small = places.marks().get(places.first() + 1);
        // A quarter of the size is half as wide.
        assertThat(places.across(small)).isCloseTo(places.across(large) / 2, within(1e-9));
        double y = chart.price().y(large.trade().price());
        assertThat(places.at(chart.price(), places.x(large), y)).contains(large);
        assertThat(places.at(chart.price(), places.x(large) + places.across(large), y))
                .isEmpty();
        assertThat(HitTest.at(chart, places.x(large), y)).isEqualTo(new Hit.OnIndicator("layer-1"));
        assertThat(LargeTradeLines.words(chart, large.trade())).contains("400 bought at the ask", "one print");
        assertThat(LargeTradeLines.words(chart, small.trade())).contains("100 sold at the bid");
    }

    @Test
    void theListSaysWhatPriceDidAfter() {
        ChartModel chart = chart("big_trades", Map.of("size", "90"), Long.MIN_VALUE);
        Bars bars = chart.bars();
        List<LargeTradeLines.Line> lines = LargeTradeLines.of(chart, "layer-1", 5);
        assertThat(lines).extracting(LargeTradeLines.Line::bar).containsExactly(85, 80);
        assertThat(lines.get(1).after())
                .isEqualTo(bars.close(85) - lines.get(1).trade().price());
        assertThat(lines.get(1).soFar()).isFalse();
        assertThat(lines.get(0).after())
                .isEqualTo(bars.close(89) - lines.get(0).trade().price());
        assertThat(lines.get(0).soFar()).isTrue();
        assertThat(LargeTradeLines.of(chart, "another", 5)).isEmpty();
    }

    @Test
    void figuresStandInTheirRowsInTheOrderWanted() {
        ChartModel chart = chart("bar_figures", Map.of("rows", "volume, trades delta"), Long.MIN_VALUE);
        chart.setBarWidth(50);
        RecordingSurface surface = painted(chart);
        List<String> names = surface.texts.stream()
                .filter(each -> List.of("volume", "trades", "delta", "highest", "lowest")
                        .contains(each))
                .toList();
        assertThat(names).startsWith("volume", "trades", "delta").doesNotContain("highest", "lowest");
        assertThat(surface.texts).contains("20", figure(chart.bars().volume(80)));
        chart.setBarWidth(4);
        assertThat(painted(chart).texts).doesNotContain(figure(chart.bars().volume(80)));

        IndicatorLayer layer = chart.indicators().get(0);
        Pane pane = chart.panes().stream()
                .filter(each -> each.id().equals(layer.paneId()))
                .findFirst()
                .orElseThrow();
        FigureRows rows = FigureRows.of(pane, layer).orElseThrow();
        assertThat(rows.outputs()).hasSize(3);
        assertThat(rows.at(rows.top(1) + 1)).contains(1);
        assertThat(rows.at(rows.top(0) - 1)).isEmpty();
        assertThat(rows.at(rows.top(3) + 1)).isEmpty();
    }

    @Test
    void rowsOfFiguresAreOrderedByMovesAndTicks() {
        String rows = "delta volume trades";
        assertThat(Setting.Ordered.moved(rows, "trades", -1)).isEqualTo("delta trades volume");
        assertThat(Setting.Ordered.moved(rows, "delta", 9)).isEqualTo("volume trades delta");
        assertThat(Setting.Ordered.moved(rows, "average", 1)).isEqualTo(rows);
        assertThat(Setting.Ordered.toggled(rows, "volume")).isEqualTo("delta trades");
        assertThat(Setting.Ordered.toggled(rows, "average")).isEqualTo("delta volume trades average");
        assertThat(Setting.Ordered.toggled("delta", "delta")).as("one stays").isEqualTo("delta");
        Indicator figures = Language.builtIn().catalogue().find("bar_figures").orElseThrow();
        assertThat(Settings.of(figures, Map.of("rows", " Volume;delta volume")).word("rows"))
                .isEqualTo("volume delta");
        assertThatThrownBy(() -> Settings.of(figures, Map.of("rows", "volume nonsense")))
                .hasMessageContaining("'nonsense'")
                .hasMessageContaining("delta_high");
    }

    @Test
    void timeAtPriceHasACellForEachBlockAndTheClampOfTheOpeningRange() {
        ChartModel chart = chart("time_profile", Map.of("minutes", "15", "row", "1"), Long.MIN_VALUE);
        chart.setBarWidth(8);
        var span = chart.data().flow().times().get("layer-1").get(0);
        assertThat(span.blocks()).hasSize(6);
        double left = chart.time().x(chart.axis().bar(span.from()));
        if (left < chart.time().left()) {
            chart.showSpan(chart.bars().openTime(0), chart.bars().openTime(MINUTES - 1));
        }
        int cells = 0;
        for (long row = span.lowest(); row <= span.highest(); row++) {
            cells += span.count(row);
        }
        long[] opening = span.opening(2);
        double top = chart.price().y(span.rows().bottom(opening[1] + 1));
        double bottom = chart.price().y(span.rows().bottom(opening[0]));
        RecordingSurface surface = painted(chart);
        assertThat(surface.rectangles.size()).isGreaterThan(cells);
        assertThat(surface.rectangles)
                .anyMatch(each -> each.width() == 2
                        && Math.abs(each.y() - top) < 1e-6
                        && Math.abs(each.height() - (bottom - top)) < 1e-6);
    }
}
