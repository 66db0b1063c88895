package dev.yardarm.core.call;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Calls through all their states, against trades written as {@code minute:price}; bars are of five minutes. */
class CallWatchTest {
    private static final TradingCalendar CLOCK = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final BarRule BARS = new BarRule.Time(Timeframe.MINUTES_5);
    private static final InstrumentId ID = new InstrumentId("s", "X");

    private static Call call(String sentence) {
        return CallSentence.parse(sentence, CLOCK, BARS, 0).call("c", ID, 0);
    }

    private static CallWatch watch(Call call) {
        return CallWatch.of(call, new BarGrid(CLOCK, Timeframe.MINUTES_5), 0.01);
    }

    private static String run(String sentence, String trades) {
        CallWatch watch = watch(call(sentence));
        List<String> said = new ArrayList<>();
        for (String each : trades.strip().split("\\s+")) {
            String[] parts = each.split(":");
            long time = (long) (Double.parseDouble(parts[0]) * Times.MINUTE);
            (parts.length == 1 ? watch.onTime(time) : watch.onTrade(time, Double.parseDouble(parts[1])))
                    .forEach(event ->
                            said.add(event.kind().word() + " " + event.at() / Times.MINUTE + "@" + event.price()));
        }
        return String.join(", ", said);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "above 104.20 expect 107, wrong below 102.80 | 1:104 2:104.2 3:104.21 4:106.9 5:107 | triggered 3@104.21, came_true 5@107.0",
                "above 104.20 expect 107, wrong below 102.80 | 1:105 2:107.5 | triggered 1@105.0, came_true 2@107.5",
                "above 104.20 expect 107, wrong below 102.80 | 1:104 2:108 | triggered 2@108.0, came_true 2@108.0",
                "above 104.20 expect 107, wrong below 102.80 | 1:104.5 2:102.8 3:102.79 4:107 | triggered 1@104.5, proved_wrong 3@102.79",
                "above 104.20 expect 107, wrong below 102.80 | 1:104 2:102 3:105 | proved_wrong 2@102.0",
                "above 104.20 expect 107, wrong below 102.80 | 1:99 2:104.5 3:102 | triggered 2@104.5, proved_wrong 3@102.0",
                "above 104.20 expect 107, wrong below 102.80 | 1:99 2:103 3:102 | proved_wrong 3@102.0",
                "above 104.20 expect 107, wrong below 102.80, for 10 minutes | 1:104.5 9:106 10 | triggered 1@104.5, expired 10@106.0",
                "above 104.20 expect 107, wrong below 102.80, until 00:10 | 1:104 10:107 | expired 10@104.0",
                "above 104.20 expect 107, wrong below 102.80; below 102.80 the other reading: 99 | 1:104.5 2:102.5 3:99 | triggered 1@104.5, proved_wrong 2@102.5, rival_triggered 2@102.5, rival_came_true 3@99.0",
                "above 104.20 expect 107, wrong below 102.80; below 101 the other reading: 99 | 1:103 2:102 3:104.21 | proved_wrong 2@102.0, rival_proved_wrong 3@104.21",
                "above 104.20 expect 107, wrong below 102.80; below 101 expect 99 wrong above 103 | 0:103 1:102 2:100.5 3:103.01 | proved_wrong 1@102.0, rival_triggered 2@100.5, rival_proved_wrong 3@103.01",
                "closes above 104.20 on 5m expect 107, wrong if it closes below 102.80 | 1:105 4:104 6:102 9:104.3 11:107 | triggered 10@104.3, came_true 11@107.0",
                "closes above 104.20 expect 107, wrong if it closes below 102.80 | 4:104.5 7:102 9:102.5 10 | triggered 5@104.5, proved_wrong 10@102.5",
                "below 98 expect 94, wrong above 99.5 | 1:97.99 2:94 | triggered 1@97.99, came_true 2@94.0",
            })
    void goesThroughItsStates(String sentence, String trades, String expected) {
        assertThat(run(sentence, trades)).isEqualTo(expected);
    }

    @Test
    void aMoveThroughAllPricesMeetsThemInTheirOrder() {
        CallWatch watch =
                watch(call("above 104.20 expect 107, wrong below 102.80; below 102.80 the other reading: 99"));
        assertThat(watch.onMove(1, 9, 104)).isEmpty();
        assertThat(watch.onMove(2, 9, 108)).extracting(CallEvent::price).containsExactly(104.21, 107.0);
        CallWatch other = watch(call("above 104.20 expect 107, wrong below 102.80; below 101 the other reading: 99"));
        other.onMove(1, 9, 104);
        assertThat(other.onMove(2, 9, 98)).extracting(CallEvent::price).containsExactly(102.79, 100.99, 99.0);
        assertThat(other.isDone()).isTrue();
    }

    @Test
    void howTradesComeInPiecesChangesNothing() {
        Random random = new Random(3);
        int events = 0;
        for (int round = 0; round < 300; round++) {
            Call call = call(
                    round % 2 == 0
                            ? "above 100.5 expect 101, wrong below 100, for 90 minutes; below 100 the other reading: 99.5"
                            : "closes above 100.2 expect 100.8, wrong if it closes below 99.8, for 90 minutes");
            CallWatch plain = watch(call);
            CallWatch told = watch(call);
            List<CallEvent> one = new ArrayList<>();
            List<CallEvent> two = new ArrayList<>();
            double price = 100.2;
            long time = 0;
            for (int trade = 0; trade < 200; trade++) {
                long next = time + random.nextInt(60) * Times.SECOND;
                if (next > time && random.nextBoolean()) {
                    two.addAll(told.onTime(time + (next - time) / 2));
                }
                time = next;
                price = Math.rint((price + random.nextGaussian() * 0.05) * 100) / 100;
                one.addAll(plain.onTrade(time, price));
                two.addAll(told.onTrade(time, price));
            }
            assertThat(two).isEqualTo(one);
            events += one.size();
        }
        assertThat(events).isGreaterThan(400);
    }

    @Test
    void aSplitMovesItsPrices() {
        Call half = call("above 104 expect 108, wrong below 102; below 102 the other reading: 98")
                .in(PriceBasis.of(List.of(new PriceBasis.Step(Times.DAY, 0.5, 0))));
        assertThat(half.main()).isEqualTo(new Reading(52, 54, 51, false, false));
        assertThat(half.rival()).isEqualTo(new Reading(51, 49, 52, false, false));
    }

    @Test
    void readsSentencesAsTheyAreTyped() {
        long friday = Times.micros(LocalDate.of(2026, 6, 19).atTime(15, 42).atZone(ZoneOffset.UTC));
        CallSentence read = CallSentence.parse(
                "Above 104.20 I expect 107, and it must not lose 102.80, until Friday; below 102.80 the other reading: 99 \"first leg\"",
                CLOCK,
                BARS,
                friday);
        assertThat(read.main()).isEqualTo(new Reading(104.2, 107, 102.8, false, false));
        assertThat(read.rival()).isEqualTo(new Reading(102.8, 99, 104.2, false, false));
        assertThat(read.note()).isEqualTo("first leg");
        assertThat(read.until())
                .isEqualTo(Times.micros(LocalDate.of(2026, 6, 20).atStartOfDay(ZoneOffset.UTC)));
        assertThat(CallSentence.parse(
                                "if it closes below 98 on 4h target 94 invalid above 99,5 for 5 days",
                                CLOCK,
                                BARS,
                                friday)
                        .main())
                .isEqualTo(new Reading(98, 94, 99.5, true, false));
        assertThat(CallSentence.parse(
                                "if it loses 102 I expect 98, wrong over 104.5, until end of month",
                                CLOCK,
                                BARS,
                                friday)
                        .main())
                .isEqualTo(new Reading(102, 98, 104.5, false, false));
        assertThat(CallSentence.parse("once it clears 104.20 target 107, wrong if it loses 102.80", CLOCK, BARS, 0)
                        .main())
                .isEqualTo(new Reading(104.2, 107, 102.8, false, false));
        assertThat(CallSentence.parse("> 104.20 to 107 wrong below 102", CLOCK, BARS, 0)
                        .main())
                .isEqualTo(new Reading(104.2, 107, 102, false, false));
        assertThat(CallSentence.parse("above 110'16 expect 112'00, wrong below 109'08", CLOCK, BARS, 0)
                        .main())
                .isEqualTo(new Reading(110.5, 112, 109.25, false, false));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'' | say what you expect",
                "expect 107 | trigger",
                "above 104.20 | say what you expect above 104.20",
                "above 104.20 expect 107 | what proves it wrong",
                "above 104.20 expect 103, wrong below 102 | further on",
                "above 104.20 expect 107, wrong below 105 | same side",
                "above 104.20 expect 107 wrong below 102 until yesterday | no day or time",
                "above 104.20 expect 107 wrong below 102; above 108 the other reading: 110 wrong below 99 | other direction",
                "above 104.20 hope for 107 wrong below 102 | not understood",
                "above 104.20 expect 107 wrong below 102 on 7z | not a timeframe",
            })
    void saysWhatIsMissing(String sentence, String why) {
        assertThatThrownBy(() -> call(sentence))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(why);
    }

    /** Of a walk that goes up as readily as down as many calls come true as their distances imply. */
    @Test
    void callsOnAWalkComeTrueAsOftenAsTheirDistancesImply() {
        Random random = new Random(11);
        List<CallRecord.Judged> judged = new ArrayList<>();
        for (int round = 0; round < 2000; round++) {
            double up = 0.1 + random.nextInt(10) / 20.0;
            double down = 0.1 + random.nextInt(10) / 20.0;
            Call call = new Call(
                    "c" + round,
                    ID,
                    new Reading(100, 100 + up, 100 - down, false, false),
                    null,
                    BARS,
                    Long.MAX_VALUE,
                    "",
                    "",
                    0);
            CallWatch watch = watch(call);
            List<CallEvent> events = new ArrayList<>();
            long ticks = 10001;
            for (int trade = 0; !watch.isDone(); trade++) {
                events.addAll(watch.onTrade(trade, ticks / 100.0));
                ticks += random.nextBoolean() ? 1 : -1;
            }
            judged.add(new CallRecord.Judged(call, events));
        }
        CallRecord record = CallRecord.of(judged);
        assertThat(record.triggered()).isEqualTo(2000);
        assertThat(record.share()).isCloseTo(record.impliedShare(), within(0.03));
        assertThat(record.impliedShare()).isBetween(0.4, 0.6);
    }

    @Test
    void countsWhatWasNeverTriggeredAndWhatIsOpenApart() {
        Call call = call("above 104 expect 106, wrong below 103");
        CallEvent trigger = new CallEvent("c", CallEvent.Kind.TRIGGERED, 1, 104, 0);
        CallRecord record = CallRecord.of(List.of(
                new CallRecord.Judged(call, List.of()),
                new CallRecord.Judged(call, List.of(trigger)),
                new CallRecord.Judged(call, List.of(new CallEvent("c", CallEvent.Kind.PROVED_WRONG, 2, 102, 0))),
                new CallRecord.Judged(
                        call, List.of(trigger, new CallEvent("c", CallEvent.Kind.CAME_TRUE, 2, 106, 0)))));
        assertThat(record).isEqualTo(new CallRecord(1, 1, 1 / 3.0, 1, 2));
    }
}
