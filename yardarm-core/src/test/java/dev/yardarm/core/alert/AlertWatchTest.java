package dev.yardarm.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every way in which price can meet a level, against trades written down as {@code minute:price}, with the firings worked out by hand as
 * {@code minute@price}. Bars are of five minutes; price stood at 99 when the alert was set.
 */
class AlertWatchTest {
    private static final TradingCalendar CLOCK = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final InstrumentId ID = new InstrumentId("s", "X");
    private static final Drawing LEVEL = new Drawing("d", Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(0, 100)), 0);

    private static AlertSentence.Context context(TradingCalendar calendar) {
        return new AlertSentence.Context(
                Language.builtIn(),
                calendar,
                new BarRule.Time(Timeframe.MINUTES_5),
                0,
                name -> name.equalsIgnoreCase("shelf") ? Optional.of("d") : Optional.empty());
    }

    private static Alert alert(String line, double price) {
        return AlertSentence.parse(line, context(CLOCK)).alert("a", ID, 0, price);
    }

    private static AlertWatch watch(Alert alert, TradingCalendar calendar) {
        return AlertWatch.plain(alert, on -> LEVEL.path(calendar), calendar, 0.01);
    }

    private static String run(AlertWatch watch, String trades) {
        List<String> fired = new ArrayList<>();
        for (String each : trades.strip().split("\\s+")) {
            String[] parts = each.split(":");
            long time = (long) (Double.parseDouble(parts[0]) * Times.MINUTE);
            List<Firing> now =
                    parts.length == 1 ? watch.onTime(time) : watch.onTrade(time, Double.parseDouble(parts[1]));
            now.forEach(went -> fired.add(words(went)));
        }
        return String.join(" ", fired);
    }

    private static String words(Firing fired) {
        double minute = fired.at() / (double) Times.MINUTE;
        return (minute == Math.rint(minute) ? String.valueOf((long) minute) : String.valueOf(minute)) + "@"
                + (fired.price() == Math.rint(fired.price())
                        ? String.valueOf((long) fired.price())
                        : String.valueOf(fired.price()));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                // Reaching: at the price or past it, also over a gap; once, or again after having gone back.
                "reaches 100 | 1:99.5 2:100 3:101 | 2@100",
                "reaches 100 | 1:99.5 2:104 | 2@104",
                "reaches 100 each time | 1:100 2:100.5 3:100 4:99.99 5:100 | 1@100 5@100",
                "reaches 100 once a bar | 1:100 2:99 3:100 6:99 7:100 | 1@100 7@100",
                "falls to 100 | 1:99 2:100 3:101 4:100.01 5:100 | 5@100",
                "rises to 100 | 1:101 2:99 3:100 | 1@101",
                // Coming near.
                "within 0.5 of 100 | 1:99.4 2:99.49 3:99.5 | 3@99.5",
                "comes within 50 ticks of 100 each time | 1:99.5 2:99.8 3:99.4 4:101 | 1@99.5 4@101",
                "within 1% of 100 | 1:98.99 2:98.5 3:99 | 3@99",
                // Going through: standing at it is not through.
                "goes through 100 | 1:100 2:100 3:100.01 | 3@100.01",
                "above 100 by 5 ticks | 1:100.04 2:100.05 | 2@100.05",
                "goes through 100 each time | 1:100.5 2:101 3:100 4:100.2 | 1@100.5 4@100.2",
                "below 98 | 1:97.99 | 1@97.99",
                // Closing beyond: the bar 0-5 closes with its last trade at minute 5.
                "closes above 100 | 1:101 4:99.9 6:100.5 9:100.2 10 | 10@100.2",
                "closes above 100 | 1:101 4:100 10:104 | ",
                "closes above 100 | 1:101 7:90 | 5@101",
                "closes beyond 100 by 20 ticks | 4:100.19 9:100.2 10 | 10@100.2",
                "closes above 100 each time | 4:101 9:102 14:99 19:103 20 | 5@101 20@103",
                "closes above 100 once a bar | 4:101 9:102 14:99 19:103 20 | 5@101 10@102 20@103",
                "closes below 98 | 4:99 9:97.5 11:97 | 10@97.5",
                // Overshooting: through and back in one bar.
                "overshoots 100 | 1:100.5 4:99.5 5 | 5@99.5",
                "overshoots 100 by 0.5 | 1:100.4 4:99.5 6:100.5 9:100 10 | 10@100",
                "overshoots 100 | 1:100.5 4:100.1 6:99 9:99 10 | ",
                "overshoots 100 each time | 1:101 4:99 6:101 9:99 11:102 14:101 16:99 20 | 5@99 10@99",
                // Turning back: reached, then left by so much; not after it went as far beyond.
                "turns back at 100 by 0.5 | 1:99.5 2:100 3:99.6 4:99.5 | 4@99.5",
                "turns back at 100 by 0.5 | 1:100.49 2:99.5 | 2@99.5",
                // Broken through after it had been reached before and left: void, whatever price does on the way back.
                "turns back at 98 by 0.75 each time | 1:98.75 2:97.5 3:98.25 4:97.5 5:97.25 6:98 7:98.5 8:99.25 | ",
                "turns back at 98 by 0.75 each time | 1:98.75 2:97.25 3:99 4:98 5:98.75 | 5@98.75",
                "turns back at 100 by 0.5 | 1:100.5 2:99.5 3:100 4:99.4 | 4@99.4",
                "turns back at 100 by 0.5 each time | 1:100 2:99.5 3:99 4:100 5:99.5 | 2@99.5 5@99.5",
                "turns back at 100 by 0.5 | 1:99.9 2:99 | ",
                // About to close: two minutes before the close of a bar of five.
                "about to close above 100 2 min before the close | 1:100.5 2.9:100.6 3.5 | 3@100.6",
                "about to close above 100 2m | 1:99 3.5:100.5 4:100.7 | 3.5@100.5",
                "about to close above 100 2m | 1:100.5 2.9:99.5 4.9:99.6 8:99 | ",
                "about to close above 100 2m | 1:100.5 9:99 | 3@100.5",
                "about to close above 100 2m each time | 1:100.5 6:101 12:99 16:101 18 | 3@100.5 18@101",
                // In order.
                "first closes above 100 then reaches 100 within 2 bars | 4:101 6:100.5 8:100 | 8@100",
                "first closes above 100 then reaches 100 within 1 bar | 4:101 9:100.5 11:100 | ",
                "first closes above 100 then reaches 100 within 1 bar | 4:101 9:100.5 14:99 19:101 22:100 | 22@100",
                "first reaches 100 then falls to 98 | 1:97 2:100 3:99 4:98 | 4@98",
                "first reaches 100 then reaches 101 then reaches 100 each time | 1:100 2:101 3:100 4:101 5:99 6:100 7:101 8:100 | 3@100 8@100",
                // Hours and days: what comes at other times is followed, not told.
                "reaches 100 between 00:03 and 00:06 each time | 1:100 2:99 4:100 5:99 6:100 | 4@100",
                "closes above 100 between 00:04 and 00:10 | 4:101 5 | 5@101",
                "closes above 100 from 1970-01-01 00:06 | 4:101 9:102 14:99 19:102 20 | 20@102",
                "reaches 100 until 00:03 | 3:100 | ",
                "closes above 100 until 00:05 | 4:101 5 | 5@101",
                "reaches \"shelf\" | 1:99.5 2:100 | 2@100",
            })
    void fires(String line, String trades, String expected) {
        assertThat(run(watch(alert(line, 99), CLOCK), trades)).isEqualTo(expected == null ? "" : expected);
    }

    @Test
    void withoutKnowingWherePriceStoodTheFirstTradeDecides() {
        assertThat(run(watch(alert("reaches 100", Double.NaN), CLOCK), "1:101 2:100.5 3:100"))
                .isEqualTo("3@100");
        assertThat(run(watch(alert("reaches 100", Double.NaN), CLOCK), "1:100 2:100 3:99 4:100"))
                .isEqualTo("4@100");
        assertThat(run(watch(alert("closes above 100", Double.NaN), CLOCK), "1:101 4:102 6:99 9:103 10"))
                .isEqualTo("");
        assertThat(run(watch(alert("closes above 100", Double.NaN), CLOCK), "1:101 4:99 6:99 9:103 10"))
                .isEqualTo("10@103");
    }

    @Test
    void tellsTheBarItFiredOn() {
        AlertWatch watch = watch(alert("reaches 100", 99), CLOCK);
        assertThat(watch.onTrade(7 * Times.MINUTE, 100).get(0).bar()).isEqualTo(5 * Times.MINUTE);
        AlertWatch closing = watch(alert("closes above 100", 99), CLOCK);
        closing.onTrade(7 * Times.MINUTE, 101);
        assertThat(closing.onTime(10 * Times.MINUTE).get(0).bar()).isEqualTo(5 * Times.MINUTE);
    }

    @Test
    void aBarEndsWithItsSessionAndTheNextOpensWithAGap() {
        TradingCalendar hours = new TradingCalendar(
                ZoneOffset.UTC,
                LocalTime.of(8, 0),
                LocalTime.of(16, 30),
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                Set.of());
        long day = Times.micros(LocalDate.of(2026, 3, 2).atStartOfDay(ZoneOffset.UTC));
        Alert alert = AlertSentence.parse("closes above 100 on 4h each time", context(hours))
                .alert("a", ID, day, 99);
        AlertWatch watch = watch(alert, hours);
        // The bar from 16:00 to 16:30 closes beyond; the gap of the next morning closes another one only at noon.
        assertThat(watch.onTrade(day + 15 * Times.HOUR, 99)).isEmpty();
        assertThat(watch.onTrade(day + 16 * Times.HOUR + 10 * Times.MINUTE, 101))
                .isEmpty();
        assertThat(watch.onTime(day + 17 * Times.HOUR))
                .extracting(Firing::at)
                .containsExactly(day + 16 * Times.HOUR + 30 * Times.MINUTE);
        assertThat(watch.onTrade(day + 32 * Times.HOUR, 98)).isEmpty();
        assertThat(watch.onTrade(day + 33 * Times.HOUR, 105)).isEmpty();
        assertThat(watch.onTime(day + 36 * Times.HOUR)).isEmpty();
    }

    @Test
    void daysEndWithTheirSessionsAndThenItIsExpired() {
        TradingCalendar hours = new TradingCalendar(
                ZoneOffset.UTC,
                LocalTime.of(8, 0),
                LocalTime.of(16, 30),
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                Set.of());
        long friday = Times.micros(LocalDate.of(2026, 3, 6).atTime(9, 0).atZone(ZoneOffset.UTC));
        AlertSentence.Context then = new AlertSentence.Context(
                Language.builtIn(), hours, new BarRule.Time(Timeframe.DAY), friday, name -> Optional.empty());
        Alert alert = AlertSentence.parse("reaches 100 for 2 days", then).alert("a", ID, friday, 99);
        long monday = Times.micros(LocalDate.of(2026, 3, 9).atTime(16, 30).atZone(ZoneOffset.UTC));
        assertThat(alert.terms().until()).isEqualTo(monday);
        AlertWatch watch = watch(alert, hours);
        assertThat(watch.onTime(monday - 1)).isEmpty();
        assertThat(watch.isDone()).isFalse();
        assertThat(watch.onTime(monday)).isEmpty();
        assertThat(watch.isExpired()).isTrue();
        assertThat(watch.onTrade(monday + 1, 100)).isEmpty();
    }

    @Test
    void aMoveThroughAllPricesMeetsThemWhereTheyAreAndInTheirOrder() {
        AlertWatch one = watch(alert("reaches 100.003", 99), CLOCK);
        assertThat(one.onMove(Times.MINUTE, 5 * Times.MINUTE, 99, 1)).isEmpty();
        assertThat(one.onMove(2 * Times.MINUTE, 5 * Times.MINUTE, 104, 1))
                .singleElement()
                .satisfies(fired -> {
                    assertThat(fired.price()).isEqualTo(100.01);
                    assertThat(fired.at()).isEqualTo(5 * Times.MINUTE);
                    assertThat(fired.bar()).isZero();
                });
        AlertWatch two = watch(alert("first reaches 100 then reaches 102 then falls to 101", 99), CLOCK);
        two.onMove(Times.MINUTE, 5 * Times.MINUTE, 99, 1);
        assertThat(two.onMove(2 * Times.MINUTE, 5 * Times.MINUTE, 104, 1)).isEmpty();
        assertThat(two.met()).isEqualTo(2);
        assertThat(two.onMove(3 * Times.MINUTE, 5 * Times.MINUTE, 100, 1))
                .extracting(Firing::price)
                .containsExactly(101.0);
        AlertWatch through = watch(alert("below 98", 99), CLOCK);
        through.onMove(Times.MINUTE, 5 * Times.MINUTE, 99, 1);
        assertThat(through.onMove(2 * Times.MINUTE, 5 * Times.MINUTE, 90, 1))
                .extracting(Firing::price)
                .containsExactly(97.99);
    }

    @Test
    void aSplitMovesPriceMarginAndWherePriceStood() {
        Alert alert = alert("above 100 by 1", 99);
        Alert half = alert.in(PriceBasis.of(List.of(new PriceBasis.Step(Times.DAY, 0.5, 0))));
        assertThat(half.first().on()).isEqualTo(new Awaited.Price(50));
        assertThat(half.first().margin()).isEqualTo(new Margin(0.5, Margin.Unit.PRICE));
        assertThat(half.price()).isEqualTo(49.5);
        assertThat(run(watch(half, CLOCK), "1:50.4 2:50.5")).isEqualTo("2@50.5");
    }

    /** What fires does not depend on where the trades are cut, nor on how often time is told. */
    @Test
    void howTradesComeInPiecesChangesNothing() {
        Random random = new Random(7);
        List<String> lines = List.of(
                "reaches 100 each time",
                "within 0.3 of 100 each time",
                "goes through 100 by 0.2 each time",
                "closes beyond 100 each time",
                "closes above 100 once a bar",
                "overshoots 100 each time",
                "turns back at 100 by 0.3 each time",
                "about to close above 100 2m each time",
                "first closes above 100 then reaches 100 within 3 bars each time",
                "reaches 100 each time between 00:30 and 05:00");
        int fired = 0;
        for (String line : lines) {
            for (int round = 0; round < 20; round++) {
                double price = 99.5;
                long time = 0;
                AlertWatch plain = watch(alert(line, price), CLOCK);
                AlertWatch told = watch(alert(line, price), CLOCK);
                List<Firing> one = new ArrayList<>();
                List<Firing> other = new ArrayList<>();
                for (int trade = 0; trade < 600; trade++) {
                    long next = time + random.nextInt(60) * Times.SECOND;
                    for (int beat = random.nextInt(3); beat > 0 && next > time; beat--) {
                        time += (next - time) / (beat + 1);
                        other.addAll(told.onTime(time));
                    }
                    time = next;
                    price = Math.rint((price + random.nextGaussian() * 0.15 + (100 - price) * 0.01) * 100) / 100;
                    one.addAll(plain.onTrade(time, price));
                    other.addAll(told.onTrade(time, price));
                }
                one.addAll(plain.onTime(time + Times.HOUR));
                other.addAll(told.onTime(time + Times.HOUR));
                assertThat(other).as(line).isEqualTo(one);
                fired += one.size();
            }
        }
        assertThat(fired).isGreaterThan(1000);
    }
}
