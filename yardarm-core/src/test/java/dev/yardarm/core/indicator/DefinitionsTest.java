package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Where definitions are easily got wrong: gaps, flat prices, first bars, days of 25 hours; each worked out by hand. */
class DefinitionsTest {
    private static final double NONE = Double.NaN;

    private static double[] values(String formula, Bars bars) {
        return values(formula, bars, Surroundings.NONE);
    }

    private static double[] values(String formula, Bars bars, Surroundings around) {
        ColumnGraph graph = new ColumnGraph(around);
        Column column = Formula.parse(formula, Language.builtIn()).in(graph).output();
        graph.update(bars);
        double[] values = new double[bars.closed()];
        for (int bar = 0; bar < values.length; bar++) {
            values[bar] = column.at(bar);
        }
        return values;
    }

    /** Daily bars from rows of open, high, low, close and volume; an empty volume is missing. */
    private static Bars days(LocalDate from, String... rows) {
        BarSeries series = new BarSeries(rows.length);
        for (int row = 0; row < rows.length; row++) {
            String[] fields = rows[row].split(",", -1);
            long open = Times.micros(from.plusDays(row).atStartOfDay(ZoneOffset.UTC));
            series.append(
                    open,
                    open + Times.DAY,
                    Double.parseDouble(fields[0]),
                    Double.parseDouble(fields[1]),
                    Double.parseDouble(fields[2]),
                    Double.parseDouble(fields[3]),
                    fields[4].isEmpty() ? NONE : Double.parseDouble(fields[4]));
        }
        return series.snapshot();
    }

    private static Bars closes(String... closes) {
        List<String> rows = new ArrayList<>();
        for (String close : closes) {
            rows.add(close + "," + close + "," + close + "," + close + ",100");
        }
        return days(LocalDate.of(2026, 1, 5), rows.toArray(String[]::new));
    }

    private static final Bars WITHOUT_A_VOLUME = days(
            LocalDate.of(2026, 1, 5),
            "10,10,10,10,100",
            "20,20,20,20,100",
            "30,30,30,30,",
            "40,40,40,40,100",
            "50,50,50,50,100");

    @Test
    void anUnfinishedPeriodWithoutAValueIsMissingAndNotThePeriodBefore() {
        BarSeries series = new BarSeries(4);
        String[] dates = {"2026-01-05", "2026-01-06", "2026-01-12", "2026-01-13"};
        double[] volumes = {100, 200, NONE, 50};
        for (int bar = 0; bar < 4; bar++) {
            long open = Times.micros(LocalDate.parse(dates[bar]).atStartOfDay(ZoneOffset.UTC));
            series.append(open, open + Times.DAY, 10, 10, 10, 10, volumes[bar]);
        }
        assertThat(values("volume on forming W", series.snapshot())).containsExactly(100, 300, NONE, NONE);
        assertThat(values("close on forming W", series.snapshot())).containsExactly(10, 10, 10, 10);
    }

    @Test
    void aVolumeWeightedPriceLeavesOutBarsWithoutVolume() {
        double[] expected = {10, 15, NONE, 70 / 3.0, 30};
        for (String formula : List.of("anchored_vwap", "vwap(period: year)")) {
            double[] found = values(formula, WITHOUT_A_VOLUME);
            for (int bar = 0; bar < 5; bar++) {
                assertThat(found[bar]).as(formula + " " + bar).isEqualTo(expected[bar], within(1e-12));
            }
        }
    }

    @Test
    void anExhaustionEndsByTheRangeOfTheSetupItBeganFrom() {
        Bars bars = days(
                LocalDate.of(2026, 1, 1),
                ("68,68,67,68,1 70,70,69,70,1 69,69,69,69,1 69,69,69,69,1 71,71,70,71,1 71,72,71,71,1 72,73,72,72,1 "
                                + "74,75,73,74,1 71,72,70,71,1 74,75,73,74,1 72,73,72,72,1 74,75,73,74,1 77,78,76,77,1 "
                                + "78,79,77,78,1 76,76,76,76,1 75,76,75,75,1 78,79,78,78,1 76,76,76,76,1 74,75,74,74,1 "
                                + "76,76,76,76,1 73,73,72,73,1")
                        .split(" "));
        double[] count = values("exhaustion(4, 4, free, cancel: opposite_or_range).count_up", bars);
        assertThat(count[20])
                .as("the setup of 13 to 16 January has its lowest low at 75; a high of 73 is below it")
                .isZero();
    }

    @Test
    void anUnchangedPriceLeavesTheStrengthIndexAsItIs() {
        Bars bars = closes(
                "28", "26", "26", "26", "27", "26", "27", "27", "28", "29", "29", "29", "29", "30", "31", "32", "32",
                "32", "32", "32", "32", "32", "33", "36", "37", "38", "36", "37", "37", "36", "37", "38", "37", "36",
                "35", "36", "36", "35", "35", "35");
        for (String formula : List.of("rsi(14)", "rsi(3)", "rsi(5)")) {
            double[] strength = values(formula, bars);
            for (int bar = 16; bar < bars.closed(); bar++) {
                if (bars.close(bar) == bars.close(bar - 1)) {
                    assertThat(strength[bar]).as(formula + " " + bar).isEqualTo(strength[bar - 1]);
                }
            }
        }
        assertThat(values("bollinger(rsi(close, 3), 4).position", closes("3", "5", "4", "6", "6", "6", "6", "6", "6")))
                .as("bands around what stands still have no width")
                .endsWith(NONE);
    }

    @ParameterizedTest
    @ValueSource(doubles = {80.1, 0.1, 1234.56, 1e7 + 0.1, 0.00017})
    void whatStandsStillIsItsOwnAverageAndCrossesNothing(double price) {
        List<String> rows = new ArrayList<>();
        for (int bar = 0; bar < 300; bar++) {
            rows.add(price + "," + price + "," + price + "," + price + "," + (100 + bar * 37 % 91));
        }
        Bars flat = days(LocalDate.of(2026, 1, 1), rows.toArray(String[]::new));
        for (int length : new int[] {1, 2, 3, 7, 10, 29, 50, 64, 100}) {
            for (String average : List.of(
                    "sma", "ema", "wilder", "wma", "hull", "dema", "tema", "t3", "trima", "zlema", "vwma", "alma",
                    "linreg", "vidya", "kama")) {
                String formula = average + "(close, " + (average.equals("linreg") ? length + 2 : length) + ")";
                for (double value : values(formula, flat)) {
                    assertThat(Double.isNaN(value) || value == price)
                            .as(formula + " is " + value + " of " + price)
                            .isTrue();
                }
                double[] crossing = values("close crosses " + formula, flat);
                assertThat(crossing).as(formula).doesNotContain(1);
            }
        }
    }

    @Test
    void onBarsThatStandStillEveryOutputStandsStill() {
        List<String> rows = new ArrayList<>();
        for (int bar = 0; bar < 700; bar++) {
            rows.add("80.1,80.1,80.1,80.1,100");
        }
        Bars flat = days(LocalDate.of(2026, 1, 1), rows.toArray(String[]::new));
        // What counts bars, follows the calendar, adds up or touches price has reasons of its own to change.
        List<String> moving = List.of(
                "obv", "ad", "floor_pivots", "opening_range", "beta", "correlation", "session_levels", "psar", "clock");
        for (Indicator indicator : Catalogue.builtIn().all()) {
            if (moving.contains(indicator.name())) {
                continue;
            }
            ColumnGraph graph =
                    new ColumnGraph(new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.of(() -> flat)));
            List<ColumnGraph.Node> nodes = indicator.in(graph, Settings.of(indicator, Map.of()));
            graph.update(flat);
            for (int output = 0; output < nodes.size(); output++) {
                Column column = nodes.get(output).output();
                for (int bar = 600; bar < 700; bar++) {
                    assertThat(column.at(bar))
                            .as(indicator.name() + "."
                                    + indicator.outputs().get(output).name() + " at " + bar)
                            .isEqualTo(Double.valueOf(column.at(599)));
                }
            }
        }
    }

    @Test
    void aStageWithoutTrueRangeIsMissing() {
        Bars flat = closes("80.1 ".repeat(200).split(" "));
        for (String output : List.of("value", "slope", "distance", "fresh_advance")) {
            for (double value : values("stage." + output, flat)) {
                assertThat(value).as(output).isNaN();
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "stage(10).value, stage(10).fresh_advance", "stage(10).value, stage(10).fresh_decline",
        "psar.value, psar.turned_up", "psar.value, psar.turned_down",
        "supertrend.value, supertrend.turned_up", "supertrend.value, supertrend.turned_down",
    })
    void aTurnIsMissingOnTheFirstBarThereIs(String value, String cue) {
        Bars bars = TestBars.walk(5, 120).snapshot();
        double[] line = values(value, bars);
        double[] turns = values(cue, bars);
        int first = 0;
        while (Double.isNaN(line[first])) {
            first++;
        }
        assertThat(turns[first]).as("the bar before is not known").isNaN();
        assertThat(turns[first + 1]).as("from the second on").isNotNaN();
    }

    private static Bars minutes(String from, int count, int first) {
        BarSeries series = new BarSeries(count);
        long open = Times.micros(java.time.OffsetDateTime.parse(from).toInstant());
        for (int bar = 0; bar < count; bar++) {
            double price = first + bar;
            series.append(
                    open + 5L * bar * Times.MINUTE,
                    open + 5L * (bar + 1) * Times.MINUTE,
                    price,
                    price,
                    price,
                    price,
                    1);
        }
        return series.snapshot();
    }

    @Test
    void aHigherBarOfAnotherIsOverWithTheClockAndNeverChangesLater() {
        Bars main = minutes("2026-06-01T15:00:00Z", 24, 1);
        Bars other = minutes("2026-06-01T15:00:00Z", 18, 1);
        BarSeries later = new BarSeries(19);
        for (int bar = 0; bar < 18; bar++) {
            later.append(other.openTime(bar), other.closeTime(bar), 1 + bar, 1 + bar, 1 + bar, 1 + bar, 1);
        }
        long next = other.openTime(17) + 16 * Times.HOUR;
        later.append(next, next + 5 * Times.MINUTE, 19, 19, 19, 19, 1);
        for (Bars each : List.of(other, later.snapshot())) {
            Surroundings around = new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.of(() -> each));
            double[] hourly = values("compare.close on 1h", main, around);
            assertThat(hourly[10]).isNaN();
            assertThat(hourly[11]).isEqualTo(12);
            assertThat(hourly[22]).isEqualTo(12);
            assertThat(hourly[23]).as("16:55, when the hour is over").isEqualTo(18);
        }
    }

    @Test
    void anotherIsReadOnTheUnfinishedBarAsOfTheSameMoment() {
        Bars main = minutes("2026-06-01T15:00:00Z", 24, 1);
        Bars other = minutes("2026-06-01T15:00:00Z", 40, 101);
        Surroundings around = new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.of(() -> other));
        double[] close = values("compare.close on forming 1h", main, around);
        double[] high = values("compare.high on forming 1h", main, around);
        double[] open = values("compare.open on forming 1h", main, around);
        double[] ratio = values("ratio on forming 1h", main, around);
        for (int bar = 0; bar < 24; bar++) {
            assertThat(close[bar]).as("bar " + bar).isEqualTo(101 + bar);
            assertThat(high[bar]).isEqualTo(101 + bar);
            assertThat(open[bar]).isEqualTo(101 + bar / 12 * 12);
            assertThat(ratio[bar]).isEqualTo((1 + bar) / (101.0 + bar));
        }
    }

    @Test
    void theFractalDimensionIsKeptWhileOneHalfHasNoReach() {
        Bars bars = days(
                LocalDate.of(2026, 1, 1),
                "10,10,10,10,1",
                "10,14,10,12,1",
                "12,16,12,14,1",
                "14,15,11,13,1",
                "15,15,15,15,1",
                "15,15,15,15,1");
        assertThat(values("frama(4).dimension", bars)[5]).isEqualTo(1.73697, within(1e-5));
        assertThat(values("frama(4)", bars)[5]).isEqualTo(14.0029, within(1e-4));
    }

    @Test
    void relativeVolumeRestsOnAllOfItsBars() {
        assertThat(values("relative_volume(2)", WITHOUT_A_VOLUME))
                .as("the two bars before 2026-01-08 hold one without volume")
                .containsExactly(NONE, NONE, NONE, NONE, NONE);
        assertThat(values("relative_volume(1)", WITHOUT_A_VOLUME)).containsExactly(NONE, 1, NONE, NONE, 1);
    }

    @Test
    void theHourMoreOfADayHasAKindOfItsOwn() {
        BarSeries hours = new BarSeries(100);
        long from = Times.micros(
                java.time.OffsetDateTime.parse("2026-10-22T22:00:00Z").toInstant());
        ZoneId zone = ZoneId.of("Europe/Berlin");
        for (int hour = 0; hour < 74; hour++) {
            long open = from + hour * Times.HOUR;
            double volume = Times.at(open, zone).getHour() == 0 ? 1000 : 100;
            hours.append(open, open + Times.HOUR, 1, 1, 1, 1, volume);
        }
        double[] found = values(
                "relative_volume(1)",
                hours.snapshot(),
                new Surroundings(TradingCalendar.roundTheClock(zone), code -> Optional.empty()));
        assertThat(found[72]).as("23:00+01:00, the 25th hour of its day").isNaN();
        assertThat(found[73]).as("the next midnight against the one before").isEqualTo(1);
    }

    @Test
    void barsOfHalfADayAreComparedByTheirTimeOfDay() {
        BarSeries halves = new BarSeries(8);
        for (int half = 0; half < 8; half++) {
            long open = TestBars.day(0) + 12L * half * Times.HOUR;
            halves.append(open, open + 12 * Times.HOUR, 1, 1, 1, 1, half % 2 == 0 ? 1000 : 10);
        }
        assertThat(values("relative_volume(1)", halves.snapshot())).containsExactly(NONE, NONE, 1, 1, 1, 1, 1, 1);
    }

    @Test
    void klingersTrendGoesOnOverABarWithoutVolume() {
        Bars walk = TestBars.walk(11, 60).snapshot();
        BarSeries series = new BarSeries(60);
        for (int bar = 0; bar < 60; bar++) {
            series.append(
                    walk.openTime(bar),
                    walk.closeTime(bar),
                    walk.open(bar),
                    walk.high(bar),
                    walk.low(bar),
                    walk.close(bar),
                    bar == 20 ? NONE : walk.volume(bar));
        }
        Bars bars = series.snapshot();
        double cm = 0;
        double trend = 0;
        double[] force = new double[60];
        for (int bar = 1; bar < 60; bar++) {
            double now = sum(bars, bar) > sum(bars, bar - 1) ? 1 : -1;
            double reach = bars.high(bar) - bars.low(bar);
            cm = bar > 1 && now == trend ? cm + reach : bars.high(bar - 1) - bars.low(bar - 1) + reach;
            trend = now;
            force[bar] = bars.volume(bar) * Math.abs(2 * (reach / cm - 1)) * trend * 100;
        }
        double fast = (force[21] + force[22]) / 2;
        double slow = (force[21] + force[22] + force[23]) / 3;
        fast += 2 / 3.0 * (force[23] - fast);
        assertThat(values("klinger(2, 3, 2)", bars)[23]).isEqualTo(fast - slow, within(1e-6));
    }

    private static double sum(Bars bars, int bar) {
        return bars.high(bar) + bars.low(bar) + bars.close(bar);
    }

    @Test
    void wildersAverageOfOneBarIsTheBarAlsoAfterASpike() {
        assertThat(values("wilder(close, 1)", closes("80", "80000000000000", "81.89")))
                .containsExactly(80, 8e13, 81.89);
    }

    @Test
    void theFisherTransformSetsExtremesAsPublished() {
        double[] rising = values("fisher(close, 2)", closes("1", "2", "3", "4", "5", "6", "7", "8"));
        double x = 0;
        double value = 0;
        for (int bar = 1; bar < 8; bar++) {
            x = 0.66 * 0.5 + 0.67 * x;
            x = x > 0.99 ? 0.999 : x;
            value = 0.5 * Math.log((1 + x) / (1 - x)) + 0.5 * value;
            assertThat(rising[bar]).isEqualTo(value, within(1e-12));
        }
        assertThat(x).isBetween(0.9, 1.0);
    }

    @Test
    void aSumCountsHowOftenAConditionHeld() {
        Bars bars = closes("1", "2", "3", "2", "4", "5");
        assertThat(values("sum(close > close back 1, 3)", bars)).containsExactly(NONE, NONE, NONE, 2, 2, 2);
        assertThatThrownBy(() -> values("sma(close > open, 10)", bars)).hasMessageContaining("this is a condition");
    }

    @Test
    void anAnchorIsADateWithOrWithoutATimeOrTheStart() {
        Bars bars = closes("10", "20", "30");
        assertThat(values("anchored_vwap(2026-01-06)", bars)).containsExactly(NONE, 20, 25);
        assertThat(values("anchored_vwap(2026-01-05T10:30)", bars)).containsExactly(NONE, 20, 25);
        assertThat(values("anchored_vwap(anchor: 2026-01-06T00:00:00)", bars)).containsExactly(NONE, 20, 25);
        for (String text : List.of("anchored_vwap(start)", "anchored_vwap(anchor: start)", "anchored_vwap")) {
            assertThat(values(text, bars)).containsExactly(10, 15, 20);
        }
        assertThatThrownBy(() -> values("anchored_vwap(2026-1-10)", bars))
                .hasMessageContaining("2026-1-10")
                .hasMessageContaining("must be a date");
        assertThatThrownBy(() -> values("2026-01-10", bars)).hasMessageContaining("is a date");
        assertThat(values("2026 - 1 - 10", bars)).containsExactly(2015, 2015, 2015);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "close open | 7 | between values",
                "close crosses over open | 15 | did you mean 'above'",
                "close cross above open | 7 | did you mean 'crosses'",
                "close() | 1 | is a field of the bar",
                "close.value | 7 | is a field of the bar",
                "sma(lenght: 5) | 5 | did you mean 'length'",
                "1e3 | 2 | without an exponent",
                "hma(20) | 1 | did you mean 'hull'",
                "keltner(simpel, 20) | 9 | did you mean 'simple'",
                "stoch(14) | 1 | did you mean 'stochastic'",
                "average(close, 5) | 1 | did you mean 'sma'",
                "close == open | 8 | with one =",
                "close != open | 7 | <>",
                "close > 1 && open > 1 | 11 | write and",
            })
    void aFaultIsToldWithItsPlaceAndTheLikelyWord(String formula, int position, String hint) {
        assertThatThrownBy(() -> Formula.parse(formula, Language.builtIn()))
                .isInstanceOfSatisfying(FormulaException.class, fault -> {
                    assertThat(fault.getMessage()).contains(hint);
                    assertThat(fault.position() + 1).isEqualTo(position);
                });
    }

    @Test
    void boundsAreToldInTheWritingOfFormulas() {
        assertThatThrownBy(() -> Formula.parse("eom(14, 10000000000000)", Language.builtIn()))
                .hasMessageContaining("to 1000000000000")
                .hasMessageNotContaining("E1");
    }
}
