package dev.yardarm.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Against trades by hand: an alert on trades of 200 and more, prints of one side within 100 ms put together, set at 1.000 s. */
class LargeTradeWatchTest {
    private static final TradingCalendar CLOCK = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final long MS = 1000;
    private static final InstrumentId ID = new InstrumentId("s", "X");

    private final AlertWatch watch = AlertWatch.plain(
            Alert.onTrade("a", ID, 200, 100 * MS, Timeframe.MINUTE, 1000 * MS), on -> null, CLOCK, 0.01);

    private Optional<Firing> bought(long millis, double price, double size) {
        return watch.onTrade(millis * MS, price, size, TickSeries.ASK).stream().findFirst();
    }

    private Optional<Firing> sold(long millis, double price, double size) {
        return watch.onTrade(millis * MS, price, size, TickSeries.BID).stream().findFirst();
    }

    @Test
    void onePrintOfTheSizeIsEnough() {
        assertThat(bought(1001, 50, 199)).isEmpty();
        assertThat(bought(1200, 50.5, 200)).hasValueSatisfying(fired -> {
            assertThat(fired.at()).isEqualTo(1200 * MS);
            assertThat(fired.price()).isEqualTo(50.5);
            assertThat(fired.bar()).isZero();
        });
    }

    @Test
    void printsOfOneSideAreOneTradeAndThePrintThatMakesItLargeFires() {
        assertThat(bought(1010, 50, 120)).isEmpty();
        // The other side between them parts them not, nor does it count.
        assertThat(sold(1050, 49.75, 150)).isEmpty();
        assertThat(bought(1110, 51, 80)).hasValueSatisfying(fired -> {
            assertThat(fired.at()).isEqualTo(1110 * MS);
            assertThat(fired.price()).isEqualTo((120 * 50 + 80 * 51) / 200.0);
        });
    }

    @Test
    void printsTooFarApartAreTwoTrades() {
        assertThat(bought(1010, 50, 120)).isEmpty();
        assertThat(bought(1111, 50, 120)).isEmpty();
        assertThat(bought(1211, 50, 80)).isPresent();
    }

    @Test
    void whatBeganBeforeItWasSetCountsWhenItIsCompletedAfter() {
        assertThat(watch.alert().lookBack()).isEqualTo(100 * MS);
        assertThat(bought(960, 50, 150)).isEmpty();
        assertThat(bought(1040, 50, 50)).isPresent();
    }

    @Test
    void whatWasLargeBeforeItWasSetDoesNotFireHoweverItGrows() {
        assertThat(bought(960, 50, 250)).isEmpty();
        assertThat(bought(1000, 50, 10)).isEmpty();
        assertThat(bought(1040, 50, 400)).as("still the same trade").isEmpty();
        assertThat(sold(1045, 50, 200)).as("the other side is another").isPresent();
    }

    @Test
    void aPrintWithoutASideStandsAlone() {
        assertThat(watch.onTrade(990 * MS, 50, 500, TickSeries.UNKNOWN)).isEmpty();
        assertThat(watch.onTrade(1010 * MS, 50, 150, TickSeries.UNKNOWN)).isEmpty();
        assertThat(watch.onTrade(1020 * MS, 50, 150, TickSeries.UNKNOWN)).isEmpty();
        assertThat(watch.onTrade(1030 * MS, 50, 200, TickSeries.UNKNOWN)).isNotEmpty();
        assertThat(watch.onTime(5000 * MS)).isEmpty();
    }

    @Test
    void aSizeThatIsNoneIsRefused() {
        assertThatThrownBy(() -> new Awaited.Traded(0, 1)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> new Awaited.Traded(Double.NaN, 1)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> new Awaited.Traded(5, -1)).hasMessageContaining("-1");
        assertThatThrownBy(() -> new Wait(new Awaited.Traded(5, 0), Alert.Trigger.REACHES))
                .hasMessageContaining("no other");
    }
}
