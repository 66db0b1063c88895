package dev.yardarm.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines as traders write them; it is Friday 2026-06-19, 15:42, the session is from 08:00 to 16:30. */
class AlertSentenceTest {
    private static final TradingCalendar HOURS = new TradingCalendar(
            ZoneOffset.UTC,
            LocalTime.of(8, 0),
            LocalTime.of(16, 30),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            Set.of());
    private static final long NOW =
            Times.micros(LocalDate.of(2026, 6, 19).atTime(15, 42).atZone(ZoneOffset.UTC));
    private static final AlertSentence.Context CONTEXT = new AlertSentence.Context(
            Language.builtIn(),
            HOURS,
            new BarRule.Time(Timeframe.DAY),
            NOW,
            name -> name.equalsIgnoreCase("Neckline") ? Optional.of("n1") : Optional.empty());
    private static final AlertWords WORDS =
            new AlertWords(PriceFormat.ofDecimals(2)::format, id -> "Neckline", ZoneOffset.UTC);

    private static String said(String line) {
        return WORDS.line(AlertSentence.parse(line, CONTEXT).alert("a", new InstrumentId("s", "X"), NOW, 99));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "closes above 104.20 on 30m for 5 days \"retest of the breakout\" | closes above 104.20 on 30m until 2026-06-25 16:30 \"retest of the breakout\"",
                "alert when price closes below 98 | closes below 98.00 on D",
                "close above 104.2 | closes above 104.20 on D",
                "104.20 | reaches 104.20",
                "104,20 | reaches 104.20",
                "reaches 104.20 once | reaches 104.20",
                "hits 104.20 today | reaches 104.20 until 2026-06-19 16:30",
                "touches ema(20) on 4h | reaches ema(20) on 4h",
                "falls to 98 until friday | falls to 98.00 until 2026-06-19 16:30",
                "falls to 98 until mon | falls to 98.00 until 2026-06-22 16:30",
                "falls to 98 until 3 July | falls to 98.00 until 2026-07-03 16:30",
                "falls to 98 until July 4th | falls to 98.00 until 2026-07-03 16:30",
                "falls to 98 until 2026-07-03 12:00 | falls to 98.00 until 2026-07-03 12:00",
                "falls to 98 until the close | falls to 98.00 until 2026-06-19 16:30",
                "falls to 98 for 3 days | falls to 98.00 until 2026-06-23 16:30",
                "falls to 98 for 90 minutes | falls to 98.00 until 2026-06-19 17:12",
                "falls to 98 for 2 weeks | falls to 98.00 until 2026-07-03 16:30",
                "closes above 98 on 4h for 2 bars | closes above 98.00 on 4h until 2026-06-19 16:30",
                "goes above 104.20 by 3 ticks each time | goes above 104.20 by 3 ticks each time",
                "> 104.20 | goes above 104.20",
                "first close above the 20 day average in 10 days | close > sma(close, 20) and (close <= sma(close, 20) held for 10) back 1 on D",
                // To drop, fall, slip, rise, go, break, trade, get below or above is the first trade.
                "falls below 99 | goes below 99.00",
                "me if it drops below 13.32 | goes below 13.32",
                "me when it falls below 13.32 | goes below 13.32",
                "rises above 110 | goes above 110.00",
                "drops through 95 | goes below 95.00",
                "slips under 95 | goes below 95.00",
                "gets back above 104.20 | goes above 104.20",
                "price is trading under 95 | goes below 95.00",
                "climbs past 110 | goes above 110.00",
                "loses 102 | goes below 102.00",
                "jumps above 110 by 2% | goes above 110.00 by 2 %",
                "falls below the 50 day average | trades below sma(close, 50) on D",
                // A timeframe makes it a close, unless it is said to trade there.
                "drops below 13.32 on 30m | closes below 13.32 on 30m",
                "breaks out above 105 on daily | closes above 105.00 on D",
                "breaks 105 on the weekly chart | closes beyond 105.00 on W",
                "trades above 105 on 30m | goes above 105.00",
                // To break a high is upward, a low downward, wherever price stands.
                "breaks yesterday's high | trades above high on D",
                "crosses yesterday's low | trades below low on D",
                "breaks the 52 week high | trades above highest(high, 52) on W on D",
                // The way back.
                "touches 95 and bounces by 0.5% | turns back at 95.00 by 0.5 %",
                "tests 95 and holds by 4 ticks | turns back at 95.00 by 4 ticks",
                "retest of 100 | first trades through 100.00 then reaches 100.00 on D",
                "reaches 100 with 0.5 % tolerance | comes within 0.5 % of 100.00",
                "hits 100 give or take 3 ticks | comes within 3 ticks of 100.00",
                // Levels.
                "closes above resistance | closes above levels.above back 1 on D",
                "drops below support | trades below levels.below on D",
                // Sessions.
                "10 min before the close | 10 min before the close",
                "1 h before the session close | 1 h before the close",
                "15 min before the open | 15 min before the open",
                "reaches 2 * 50 | reaches 100.00",
                "alert me when price goes over 105 | goes above 105.00",
                "if price closes below 98 on daily | closes below 98.00 on D",
                "a weekly close above 110 | closes above 110.00 on W",
                "daily close below 98 until Friday | closes below 98.00 on D until 2026-06-19 16:30",
                "daily close below 98 | closes below 98.00 on D",
                "close above 110 daily | closes above 110.00 on D",
                "closes above 110 on the weekly chart until Friday | closes above 110.00 on W until 2026-06-19 16:30",
                "reaches 98 until the end of the day | reaches 98.00 until 2026-06-19 16:30",
                "reaches 98 until end of July | reaches 98.00 until 2026-07-31 16:30",
                "reaches 98 until end of March | reaches 98.00 until 2027-03-31 16:30",
                "tell me when rsi(14) is below 30 hourly | rsi(14) < 30 on 1h",
                "rsi 14 < 30 | rsi(14) < 30 on D",
                "crosses above ema 20 | trades above ema(20) on D",
                "close crosses above ema 20 | close crosses above ema(20) on D",
                "breaks 104.20 | goes through 104.20",
                "volume is over 1.2m | volume > 1200000 on D",
                "turnover > 300k on 30m | turnover > 300000 on 30m",
                "price crosses 20 day moving average | trades through sma(close, 20) on D",
                "crosses above the 50 bar exponential average on 4h | closes above ema(close, 50) on 4h",
                "drops 2% today | trades below 0.98 * close on D until 2026-06-19 16:30",
                "is up 3.5 percent on the day on 30m | trades above 1.035 * close on D on 30m",
                "reaches yesterday's high on 30m | reaches high on D on 30m",
                "reaches the high of the day on 30m | reaches high on forming D on 30m",
                "reaches yesterday's high | reaches high on D",
                "close > yesterday's high | close > high back 1 on D",
                "price is above the high of yesterday on 30m | closes above high on D on 30m",
                "close is above yesterday's high and volume is over 2m on 30m | close > high on D back 1 and volume > 2000000 on 30m",
                "closes below last week's low | closes below low on W on D",
                "new 20 day high | high > highest(high, 20) back 1 on D",
                "makes a new 52 week low | low < lowest(low, 52) on W back 1 on D",
                "if price closes below the 200 day average on 15m | closes below sma(close, 200) on D on 15m",
                "new 20 day high on 15m | high > highest(high, 20) on D back 1 on 15m",
                "two closes below 100 on 1h | close < 100 held for 2 on 1h",
                "loses 98 | goes below 98.00",
                "clears 104.20 by 2 ticks | goes above 104.20 by 2 ticks",
                "takes out yesterday's low on 5m | closes below low on D on 5m",
                "reaches the low of today on 5m | reaches low on forming D on 5m",
                "+3% | trades above 1.03 * close on D",
                "-1.5% on 5m | trades below 0.985 * close on D on 5m",
                "price is 5% below its 52 week high | close < 0.95 * highest(high, 52) on W on D",
                "the 20 ema crosses below the 50 ema | ema(close, 20) crosses below ema(close, 50) on D",
                "inside bar on 4h | high < high back 1 and low > low back 1 on 4h",
                "macd crosses its signal | macd crosses macd.signal on D",
                "volume is twice its 20 bar average | volume >= 2 * sma(volume, 20) on D",
                "falls to 98 | falls to 98.00",
                "crosses below 98 | goes below 98.00",
                "breaks out above 104.20 by half an atr | trades above 104.20 by 0.5 atr on D",
                "within 0.5% of \"Neckline\" | comes within 0.5 % of \"Neckline\"",
                "comes within 5 ticks of 104.20 between 9:00 and 11:30 | comes within 5 ticks of 104.20 between 09:00 and 11:30",
                "reaches \"Neckline\" \"as planned\" | reaches \"Neckline\" \"as planned\"",
                "reaches \"Neckline\" | reaches \"Neckline\"",
                "overshoots 104.20 by 3 ticks on 10m | overshoots 104.20 by 3 ticks on 10m",
                "turns back at 104.20 by 0.5 atr on 1h | turns back at 104.20 by 0.5 atr on 1h",
                "turns back from \"Neckline\" by 10 ticks | turns back at \"Neckline\" by 10 ticks",
                "about to close above 104.20 3 min before the close on 30m | about to close above 104.20 3 min before the close on 30m",
                "10 minutes before the close below 98 | about to close below 98.00 10 min before the close on D",
                "first closes above 104.20, then reaches 104.20 within five bars on 30m | first closes above 104.20 then reaches 104.20 within 5 bars on 30m",
                "first closes above 104.20 on 30m then reaches 104.20 | first closes above 104.20 then reaches 104.20 on 30m",
                "rsi(14) < 30 | rsi(14) < 30 on D",
                "RSI(14)<30 on 4h once a bar | rsi(14) < 30 on 4h once a bar",
                "rsi(14) < 30 on every trade on 30m | rsi(14) < 30 on every trade on 30m",
                "close crosses above ema(20) on W | close crosses above ema(20) on W",
                "closes above 104.20 on range 10 | closes above 104.20 on range:10",
                "trade of 200 together 250 ms each time | a trade of 200 or more together 250 ms each time",
                "a big trade of 200 | a trade of 200 or more",
                "reaches 104.20 sound bell tell the system open the chart | reaches 104.20 sound bell tell the system open the chart",
                "reaches 104.20 silently stance long tag \"retest\" write to file | reaches 104.20 silently stance long tag \"retest\" write to file",
                "reaches 104.20 from Monday | reaches 104.20 from 2026-06-22 08:00",
                "reaches 110'16 | reaches 110.50",
                "scan \"Pullbacks\" gets a new member each time | scan \"Pullbacks\" finds something new each time",
                "30 min before a rate decision each time | 30 min before \"rate decision\" each time",
                "1 hour before \"Harbour wages\" | 1 h before \"Harbour wages\"",
                "1 day before \"Harbour wages\" | 1 day before \"Harbour wages\"",
                "2 days before any calendar event | 2 days before any entry",
            })
    void isReadAndSaid(String line, String expected) {
        assertThat(said(line)).isEqualTo(expected);
        // What is said is read as the same.
        assertThat(said(expected)).isEqualTo(expected);
    }

    @Test
    void saysWhatIsMissing() {
        refused("", "say what to wait for");
        refused("for 5 days", "say what to wait for before");
        refused("closes above", "closes above 104.20");
        refused("closes above 104.20 by", "no price");
        refused("turns back at 104.20", "by how much");
        refused("closes above ema 20 x", "'ema 20 x' is no price");
        refused("rsi 14 isn't 30", "'rsi 14 isn't 30' is neither");
        refused("reaches \"Nekline\"", "no drawing \"Nekline\"");
        refused("reaches rsi(14) < 30", "yes or no");
        refused("reaches 104.20 until 2026-06-18", "has passed");
        refused("reaches 104.20 until 2026-02-30", "not in the calendar");
        refused("reaches 104.20 until someday", "no day or time");
        refused("reaches 104.20 for a while", "no span of time");
        refused("reaches 104.20 between 25:00 and 26:00", "no time of day");
        refused("about to close above 104.20 on range 10", "bars of time");
        refused("closes above 104.20 within 5 bars", "belongs to what comes after 'then'");
        refused("first reaches 1 on 5m then reaches 2 on 1h", "one kind of bars");
        refused("rsi(14)", "a condition is needed");
        refused("two things below 100", "neither");
        refused("rsi is overbought", "rsi of how many bars");
        refused("rsi 14 is overbought", "above 70");
        refused("volume is twice usual", "usual, of how many bars");
        refused("rsi is frantic", "neither");
        refused("crosses its moving average", "An average of how many bars?");
        refused("reaches the high of the day", "seen on shorter bars");
        refused(
                "first reaches 1 then reaches 2 then reaches 3 then reaches 4 then reaches 5 then reaches 6 then reaches 7 then "
                        + "reaches 8 then reaches 9",
                "8 in order");
    }

    private static void refused(String line, String why) {
        assertThatThrownBy(() -> said(line))
                .as(line)
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(why);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"",
                "then",
                "first",
                "closes above \"",
                "reaches 1e999",
                "within % of 3",
                "by by by",
                "until until"
            })
    void oddLinesAreRefusedWithWords(String line) {
        assertThatThrownBy(() -> said(line))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching("(?s).{10,}");
    }

    @Test
    void fillsValuesIntoTheNote() {
        assertThat(WORDS.note("{code} at {price}, {away} from {level}", "KTRL", 105.0, 100.0))
                .isEqualTo("KTRL at 105.00, 5 % from 100.00");
        assertThat(WORDS.note("now {price}{level}", "KTRL", 105.0, Double.NaN)).isEqualTo("now 105.00");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "reaches 1/0 | has no value",
                "drops 200% today | nothing falls by 200 %",
                "closes below the -200 day average | without the minus",
            })
    void whatCanNeverFireIsRefused(String line, String why) {
        assertThatThrownBy(() -> AlertSentence.parse(line, CONTEXT))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(why);
    }

    /** Said on Friday afternoon: what counts, where price stands, and that it ends today. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "goes above 104.20 until Friday | Price stands below it, at 99.00. It ends in 48 min. Each trade counts, not only closes.",
                "closes above 104.20 on 30m | Price stands below it, at 99.00. The close of a bar of 30m counts.",
                "goes above 95 | Price stands above it already, at 99.00: this waits until it has been below. For the way back say falls below 95.00. Each trade counts, not only closes.",
                "closes below 100 | Price stands below it already, at 99.00: this waits for a close above first. For that close say closes above 100.00. The close of a bar of D counts.",
                "reaches 95 | Price stands above it, at 99.00. Each trade counts, not only closes.",
                "rsi(14) < 30 on 4h | It is looked at with the close of each bar of 4h.",
            })
    void theReceiptSaysWhatCountsFromWhereAndUntilWhen(String line, String receipt) {
        Alert alert = AlertSentence.parse(line, CONTEXT).alert("a", new InstrumentId("s", "X"), NOW, 99);
        assertThat(WORDS.receipt(alert, 99)).isEqualTo(receipt);
    }
}
