package dev.yardarm.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class AlertWatchTest {
    private static final TradingCalendar CLOCK = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final Drawing LEVEL = new Drawing("d", Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(0, 100)), 0);

    private static AlertWatch watch(Alert.Trigger trigger, boolean above) {
        return new AlertWatch(
                new Alert("a", new InstrumentId("s", "X"), "d", trigger, Timeframe.MINUTES_5, above, 0), LEVEL, CLOCK);
    }

    @Test
    void firesWhenPriceReachesTheLevelFromAbove() {
        AlertWatch watch = watch(Alert.Trigger.REACHES, true);
        assertThat(watch.onTrade(10, 101)).isEmpty();
        assertThat(watch.onTrade(20, 100.01)).isEmpty();
        assertThat(watch.onTrade(30, 100)).hasValueSatisfying(fired -> {
            assertThat(fired.key()).isEqualTo(new Firing.Key("a", 0));
            assertThat(fired.on()).isEqualTo(LEVEL.title());
            assertThat(fired.at()).isEqualTo(30);
            assertThat(fired.price()).isEqualTo(100);
        });
    }

    @Test
    void aGapThroughTheLevelCounts() {
        AlertWatch watch = watch(Alert.Trigger.REACHES, false);
        assertThat(watch.onTrade(10, 99)).isEmpty();
        assertThat(watch.onTrade(20, 104)).isPresent();
    }

    @Test
    void tradesFromBeforeItWasSetDoNotCount() {
        Alert alert = new Alert("a", new InstrumentId("s", "X"), "d", Alert.Trigger.REACHES, Timeframe.DAY, true, 100);
        AlertWatch watch = new AlertWatch(alert, LEVEL, CLOCK);
        assertThat(watch.onTrade(99, 90)).isEmpty();
        assertThat(watch.onTrade(100, 90)).isPresent();
    }

    @Test
    void closingBeyondWaitsForTheClose() {
        AlertWatch watch = watch(Alert.Trigger.CLOSES_BEYOND, true);
        assertThat(watch.onTrade(10, 99)).isEmpty();
        assertThat(watch.onTrade(20, 101)).isEmpty();
        assertThat(watch.onTrade(5 * Times.MINUTE + 1, 100.5)).isEmpty();
        assertThat(watch.onTrade(9 * Times.MINUTE, 99.5)).isEmpty();
        assertThat(watch.onTime(10 * Times.MINUTE - 1)).isEmpty();
        Optional<Firing> fired = watch.onTime(10 * Times.MINUTE);
        assertThat(fired).hasValueSatisfying(alert -> {
            assertThat(alert.at()).isEqualTo(10 * Times.MINUTE);
            assertThat(alert.price()).isEqualTo(99.5);
        });
    }

    @Test
    void theFirstTradeOfTheNextBarClosesTheBarBefore() {
        AlertWatch watch = watch(Alert.Trigger.CLOSES_BEYOND, false);
        assertThat(watch.onTrade(10, 101)).isEmpty();
        assertThat(watch.onTrade(7 * Times.MINUTE, 90))
                .hasValueSatisfying(alert -> assertThat(alert.price()).isEqualTo(101));
    }

    @Test
    void aBarThatClosesOnTheLevelIsNotBeyondIt() {
        AlertWatch watch = watch(Alert.Trigger.CLOSES_BEYOND, true);
        watch.onTrade(10, 100);
        assertThat(watch.onTime(6 * Times.MINUTE)).isEmpty();
    }
}
