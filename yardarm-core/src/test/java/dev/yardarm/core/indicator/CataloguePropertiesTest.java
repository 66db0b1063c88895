package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** What holds of every output of every indicator. */
class CataloguePropertiesTest {
    private static final Bars OTHER = TestBars.walk(99, 400).snapshot();

    /** With another instrument to compare with. */
    private static ColumnGraph graph(Bars other) {
        return new ColumnGraph(
                new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC), code -> Optional.of(() -> other)));
    }

    /** Settings with short periods, so that everything has values within some bars. */
    private static Settings brief(Indicator indicator) {
        Map<String, String> values = new LinkedHashMap<>();
        for (Setting setting : indicator.settings()) {
            if (setting instanceof Setting.WholeNumber number
                    && number.standardValue() > 16
                    && !number.name().equals("year")) {
                values.put(number.name(), String.valueOf(Math.max(number.least(), 8 + number.standardValue() % 7)));
            }
        }
        return Settings.of(indicator, values);
    }

    private static List<Column> compute(Indicator indicator, Settings settings, Bars bars) {
        ColumnGraph graph = graph(OTHER);
        List<ColumnGraph.Node> nodes = indicator.in(graph, settings);
        graph.update(bars);
        return nodes.stream().map(ColumnGraph.Node::output).toList();
    }

    private static String name(Indicator indicator, int output, int bar) {
        return indicator.name() + "." + indicator.outputs().get(output).name() + " at bar " + bar;
    }

    @Property(tries = 40)
    void computingAPrefixGivesThePrefix(@ForAll @IntRange(min = 1, max = 160) int cut, @ForAll long seed) {
        Bars whole = TestBars.walk(seed, 160).snapshot();
        Bars part = TestBars.prefix(whole, cut, false);
        for (Indicator indicator : Catalogue.builtIn().all()) {
            Settings settings = brief(indicator);
            List<Column> all = compute(indicator, settings, whole);
            List<Column> early = compute(indicator, settings, part);
            for (int output = 0; output < all.size(); output++) {
                for (int bar = 0; bar < cut; bar++) {
                    assertThat(early.get(output).at(bar))
                            .as(name(indicator, output, bar))
                            .isEqualTo(Double.valueOf(all.get(output).at(bar)));
                }
            }
        }
    }

    @Property(tries = 40)
    void theFormingValueIsTheOneTheClosedBarWouldHave(
            @ForAll @IntRange(min = 1, max = 160) int count, @ForAll long seed) {
        Bars whole = TestBars.walk(seed, 160).snapshot();
        for (Indicator indicator : Catalogue.builtIn().all()) {
            Settings settings = brief(indicator);
            List<Column> closed = compute(indicator, settings, TestBars.prefix(whole, count, false));
            List<Column> forming = compute(indicator, settings, TestBars.prefix(whole, count, true));
            for (int output = 0; output < closed.size(); output++) {
                assertThat(forming.get(output).at(count - 1))
                        .as(name(indicator, output, count - 1))
                        .isEqualTo(Double.valueOf(closed.get(output).at(count - 1)));
            }
        }
    }

    @Test
    void growingTickByTickGivesTheSameAsAllAtOnce() {
        Bars whole = TestBars.walk(7, 300).snapshot();
        for (Indicator indicator : Catalogue.builtIn().all()) {
            ColumnGraph graph = graph(OTHER);
            List<ColumnGraph.Node> grown = indicator.in(graph, brief(indicator));
            BarSeries series = new BarSeries(0);
            for (int bar = 0; bar < whole.closed(); bar++) {
                double open = whole.open(bar);
                series.form(whole.openTime(bar), whole.closeTime(bar), open, open, open, open, 1);
                graph.update(series.snapshot());
                series.form(
                        whole.openTime(bar),
                        whole.closeTime(bar),
                        open,
                        whole.high(bar),
                        whole.low(bar),
                        whole.close(bar),
                        whole.volume(bar));
                graph.update(series.snapshot());
                series.closeForming();
                graph.update(series.snapshot());
            }
            List<Column> once = compute(indicator, brief(indicator), whole);
            for (int output = 0; output < once.size(); output++) {
                for (int bar = 0; bar < whole.closed(); bar++) {
                    assertThat(grown.get(output).output().at(bar))
                            .as(name(indicator, output, bar))
                            .isEqualTo(Double.valueOf(once.get(output).at(bar)));
                }
            }
        }
    }

    /** Outputs that may be missing later than their warm-up by what they mean. */
    private static final Set<String> LATER =
            Set.of("floor_pivots", "previous", "opening_range", "ribbon", "stage", "relative_volume", "up_down_volume");

    @Test
    void warmUpIsAsLongAsDeclared() {
        Bars bars = TestBars.walk(3, 400).snapshot();
        for (Indicator indicator : Catalogue.builtIn().all()) {
            ColumnGraph graph = graph(OTHER);
            List<ColumnGraph.Node> nodes = indicator.in(graph, brief(indicator));
            graph.update(bars);
            assertThat(nodes.get(0).warmUp()).as(indicator.name()).isEqualTo(indicator.warmUp(brief(indicator)));
            for (int output = 0; output < nodes.size(); output++) {
                int warmUp = nodes.get(output).warmUp();
                for (int bar = 0; bar < warmUp; bar++) {
                    boolean cue = indicator.outputs().get(output).cue();
                    assertThat(nodes.get(output).output().at(bar))
                            .as(name(indicator, output, bar))
                            .satisfies(value ->
                                    assertThat(Double.isNaN(value) || cue).isTrue());
                }
                if (!LATER.contains(indicator.name())) {
                    assertThat(nodes.get(output).output().at(warmUp))
                            .as(name(indicator, output, warmUp))
                            .isNotNaN();
                }
            }
        }
    }

    /** How outputs follow prices: like prices, like price differences, or not at all. */
    private static Bars priced(Bars bars, double factor, double shift) {
        BarSeries series = new BarSeries(bars.closed());
        for (int bar = 0; bar < bars.closed(); bar++) {
            series.append(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    bars.open(bar) * factor + shift,
                    bars.high(bar) * factor + shift,
                    bars.low(bar) * factor + shift,
                    bars.close(bar) * factor + shift,
                    bars.volume(bar));
        }
        return series.snapshot();
    }

    @Test
    void whatIsDrawnWithThePriceFollowsPricesInScaleAndShift() {
        Bars bars = TestBars.walk(5, 300).snapshot();
        Bars scaled = priced(bars, 4, 0);
        Bars shifted = priced(bars, 1, 64);
        for (Indicator indicator : Catalogue.builtIn().all()) {
            if (!indicator.place().withPrice() || indicator.isOfBars()) {
                continue;
            }
            List<Column> plain = compute(indicator, brief(indicator), bars);
            List<Column> larger = compute(indicator, brief(indicator), scaled);
            List<Column> higher = compute(indicator, brief(indicator), shifted);
            for (int output = 0; output < plain.size(); output++) {
                Indicator.Output declared = indicator.outputs().get(output);
                if (declared.cue() || declared.form() == Indicator.Form.NONE) {
                    continue;
                }
                boolean byPercent = indicator.name().equals("envelope");
                for (int bar = 0; bar < bars.closed(); bar++) {
                    double value = plain.get(output).at(bar);
                    close(larger.get(output).at(bar), value * 4, name(indicator, output, bar) + " scaled");
                    if (!byPercent) {
                        close(higher.get(output).at(bar), value + 64, name(indicator, output, bar) + " shifted");
                    }
                }
            }
        }
    }

    private static void close(double found, double expected, String what) {
        if (Double.isNaN(expected)) {
            assertThat(found).as(what).isNaN();
        } else {
            assertThat(Math.abs(found - expected))
                    .as(what + ": " + found + ", not " + expected)
                    .isLessThanOrEqualTo(1e-9 * Math.max(1, Math.abs(expected)));
        }
    }

    /** Outputs without unit do not change when all prices are four times as high. */
    @Test
    void whatHasBoundsDoesNotDependOnTheScaleOfPrices() {
        Bars bars = TestBars.walk(11, 300).snapshot();
        Bars scaled = priced(bars, 4, 0);
        for (Indicator indicator : Catalogue.builtIn().all()) {
            boolean bounded = !indicator.place().withPrice()
                    && !Double.isNaN(indicator.place().least());
            List<Column> plain = compute(indicator, brief(indicator), bars);
            List<Column> larger = compute(indicator, brief(indicator), scaled);
            for (int output = 0; output < plain.size(); output++) {
                if (bounded || indicator.outputs().get(output).cue()) {
                    for (int bar = 0; bar < bars.closed(); bar++) {
                        close(larger.get(output).at(bar), plain.get(output).at(bar), name(indicator, output, bar));
                    }
                }
            }
        }
    }

    @Test
    void boundsAreKeptAndCuesAreYesNoOrUnknown() {
        Bars bars = TestBars.walk(13, 600).snapshot();
        for (Indicator indicator : Catalogue.builtIn().all()) {
            List<Column> columns = compute(indicator, brief(indicator), bars);
            for (int output = 0; output < columns.size(); output++) {
                boolean cue = indicator.outputs().get(output).cue();
                boolean drawn = indicator.outputs().get(output).form() != Indicator.Form.NONE;
                for (int bar = 0; bar < bars.closed(); bar++) {
                    double value = columns.get(output).at(bar);
                    if (cue) {
                        assertThat(value != value || value == 0 || value == 1)
                                .as(name(indicator, output, bar))
                                .isTrue();
                    } else if (drawn && !Double.isNaN(indicator.place().least()) && value == value) {
                        assertThat(value)
                                .as(name(indicator, output, bar))
                                .isBetween(
                                        indicator.place().least() - 1e-9,
                                        indicator.place().most() + 1e-9);
                    }
                }
            }
        }
    }

    /** Where nothing moves every output says so with a number, unless a figure without any movement has no meaning. */
    private static final Set<String> SILENT = Set.of(
            "band_position.value",
            "bollinger.position",
            "choppiness.value",
            "up_down_volume.value",
            "frama.dimension",
            "beta.value",
            "beta.since");

    @Test
    void constantPricesGiveNumbersAfterTheWarmUp() {
        BarSeries series = new BarSeries(300);
        for (int bar = 0; bar < 300; bar++) {
            series.append(TestBars.day(bar), TestBars.day(bar + 1), 50, 50, 50, 50, 1000);
        }
        Bars flat = series.snapshot();
        for (Indicator indicator : Catalogue.builtIn().all()) {
            ColumnGraph graph = graph(flat);
            List<ColumnGraph.Node> nodes = indicator.in(graph, brief(indicator));
            graph.update(flat);
            for (int output = 0; output < nodes.size(); output++) {
                String key =
                        indicator.name() + "." + indicator.outputs().get(output).name();
                boolean unused = indicator.name().equals("ribbon") && output > 5 && output < 8
                        || indicator.name().equals("floor_pivots") && key.matches(".*[rs]4")
                        || indicator.name().equals("opening_range");
                // Stages are measured in average true ranges, of which flat bars have none.
                if (!SILENT.contains(key) && !unused && !indicator.name().equals("stage")) {
                    double value = nodes.get(output).output().at(299);
                    assertThat(Double.isFinite(value)).as(key + " is " + value).isTrue();
                }
            }
        }
    }

    /** A hole in the data, and a bar without volume or range, spoil no more than they must. */
    @Test
    void missingDataIsForgottenAfterAWhile() {
        Bars whole = TestBars.walk(21, 400).snapshot();
        BarSeries series = new BarSeries(400);
        for (int bar = 0; bar < 400; bar++) {
            double gap = bar >= 60 && bar < 63 ? Double.NaN : 0;
            series.append(
                    whole.openTime(bar),
                    whole.closeTime(bar),
                    whole.open(bar) + gap,
                    whole.high(bar) + gap,
                    whole.low(bar) + gap,
                    whole.close(bar) + gap,
                    whole.volume(bar) + gap);
        }
        Bars holed = series.snapshot();
        List<String> spoiled = new ArrayList<>();
        for (Indicator indicator : Catalogue.builtIn().all()) {
            List<Column> sound = compute(indicator, brief(indicator), whole);
            List<Column> columns = compute(indicator, brief(indicator), holed);
            for (int output = 0; output < columns.size(); output++) {
                boolean hasValue = !Double.isNaN(sound.get(output).at(399));
                boolean lost = Double.isNaN(columns.get(output).at(399));
                if (hasValue && lost) {
                    spoiled.add(name(indicator, output, 399));
                }
            }
        }
        assertThat(spoiled).isEmpty();
    }

    @Test
    void badSettingsAreRefusedWithAMessage() {
        for (Indicator indicator : Catalogue.builtIn().all()) {
            for (Setting setting : indicator.settings()) {
                for (String bad : List.of("", "-1000001", "x?", "1e30")) {
                    if (setting instanceof Setting.Other && bad.matches("[0-9e-]+")) {
                        continue;
                    }
                    org.assertj.core.api.Assertions.assertThatThrownBy(
                                    () -> Settings.of(indicator, Map.of(setting.name(), bad)))
                            .as(indicator.name() + " " + setting.name() + " '" + bad + "'")
                            .isInstanceOf(IllegalArgumentException.class)
                            .hasMessageContaining(setting.name());
                }
            }
        }
    }

    /** Intraday bars: sessions begin and end, and what belongs to a session begins anew with it. */
    @Test
    void periodsBeginWithTheirSession() {
        BarSeries series = new BarSeries(0);
        Random random = new Random(4);
        for (int day = 0; day < 4; day++) {
            for (int bar = 0; bar < 48; bar++) {
                long open = TestBars.day(day) + bar * 30L * Times.MINUTE;
                double price = 100 + random.nextInt(40) / 4.0;
                series.append(open, open + 30 * Times.MINUTE, price, price + 1, price - 1, price, 10 + bar);
            }
        }
        Bars bars = series.snapshot();
        Indicator previous = Catalogue.builtIn().find("previous").orElseThrow();
        List<Column> levels = compute(previous, Settings.standard(previous), bars);
        Indicator range = Catalogue.builtIn().find("opening_range").orElseThrow();
        List<Column> opening = compute(range, Settings.of(range, Map.of("minutes", "60")), bars);
        Indicator usual = Catalogue.builtIn().find("relative_volume").orElseThrow();
        Column volume =
                compute(usual, Settings.of(usual, Map.of("length", "2")), bars).get(0);
        assertThat(levels.get(0).at(47)).isNaN();
        for (int day = 1; day < 4; day++) {
            double high = 0;
            for (int bar = 0; bar < 48; bar++) {
                high = Math.max(high, bars.high((day - 1) * 48 + bar));
            }
            assertThat(levels.get(0).at(day * 48)).isEqualTo(high);
            assertThat(levels.get(0).at(day * 48 + 47)).isEqualTo(high);
            assertThat(opening.get(0).at(day * 48 + 1))
                    .as("the range is not complete")
                    .isNaN();
            assertThat(opening.get(0).at(day * 48 + 2))
                    .isEqualTo(Math.max(bars.high(day * 48), bars.high(day * 48 + 1)));
        }
        assertThat(volume.at(95)).as("only one session before").isNaN();
        assertThat(volume.at(96))
                .as("the same volume at the same time of each day")
                .isEqualTo(1);
        assertThat(volume.at(140)).isEqualTo(1);
    }
}
