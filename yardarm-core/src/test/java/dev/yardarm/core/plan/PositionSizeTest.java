package dev.yardarm.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PositionSizeTest {
    private static TradePlan plan(double entry, double stop, double target, double account, double risk) {
        return new TradePlan("p", new InstrumentId("s", "X"), Timeframe.DAY, 0, entry, stop, target, account, risk);
    }

    /** Worked by hand: allowed loss = account * risk; by risk = allowed / |entry - stop|; by account = account / entry. */
    @ParameterizedTest
    @CsvSource({
        // entry, stop, target, account, risk %, lot, quantity, limit, at risk, to win
        "104.20, 102.80, 107.00, 25000, 1, 1, 178, RISK, 249.20, 498.40",
        "104.20, 102.80, 107.00, 25000, 2, 1, 239, ACCOUNT, 334.60, 669.20",
        "104.20, 102.80, 107.00, 25000, 1, 10, 170, RISK, 238.00, 476.00",
        "50, 52, 44, 10000, 1, 1, 50, RISK, 100, 300",
        "0.3, 0.2, 0.6, 100, 1, 1, 10, RISK, 1, 3",
        "100, 90, 120, 50, 100, 1, 0, ACCOUNT, 0, 0",
        "100, 50, 200, 1000, 1, 1, 0, RISK, 0, 0"
    })
    void sizes(
            double entry,
            double stop,
            double target,
            double account,
            double risk,
            double lot,
            double quantity,
            PositionSize.Limit limit,
            double atRisk,
            double toWin) {
        PositionSize size = PositionSize.of(plan(entry, stop, target, account, risk), TradeTerms.plain(lot));
        assertThat(size.quantity()).isEqualTo(quantity);
        assertThat(size.limit()).isEqualTo(limit);
        assertThat(size.atRisk()).isCloseTo(atRisk, within(1e-9));
        assertThat(size.toWin()).isCloseTo(toWin, within(1e-9));
        assertThat(size.cost()).isLessThanOrEqualTo(account);
    }

    @Test
    void riskAndRewardInPricePercentAndR() {
        TradePlan plan = plan(100, 98, 105, 1000, 1);
        assertThat(plan.isLong()).isTrue();
        assertThat(plan.risk()).isEqualTo(2);
        assertThat(plan.reward()).isEqualTo(5);
        assertThat(plan.rewardInR()).isEqualTo(2.5);
        assertThat(plan.riskInPercent()).isEqualTo(2);
        assertThat(plan.rewardInPercent()).isEqualTo(5);
        assertThat(plan(50, 52, 44, 1000, 1).isLong()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "100|100|120|1000|1|stop must differ",
                "100|98|99|1000|1|target must lie above",
                "100|102|101|1000|1|target must lie below",
                "100|98|105|0|1|account",
                "100|98|105|1000|0|risk per trade",
                "100|98|105|1000|101|risk per trade",
                "-1|98|105|1000|1|above zero"
            })
    void problemsAreToldInWords(double entry, double stop, double target, double account, double risk, String words) {
        TradePlan plan = plan(entry, stop, target, account, risk);
        assertThat(plan.problem())
                .hasValueSatisfying(problem -> assertThat(problem).contains(words));
        assertThatThrownBy(() -> PositionSize.of(plan, TradeTerms.plain(1))).hasMessageContaining(words);
    }

    /**
     * Worked by hand. Index future: 10 crowns a point, margin 1,600. Risk 2 % of 50,000 is 1,000; a stop 12.5 points away risks
     * 125 a contract, so 8; margin would pay for 31. Target 25 points away: 8 * 250.
     *
     * <p>Tidal power: 100 crowns a point, margin 700, account 10,000, risk 5 %: 500; stop 0.85 away risks 85, so 5; won at 1.70:
     * 5 * 170. Driftwood: 1,000 crowns a point, margin 2,000, account 10,000, risk 10 %: 1,000; stop 0.120 away risks 120, so 8;
     * margin pays for 5 only.
     *
     * <p>A bond in 32nds: 1,000 crowns a point, margin 2,600, account 25,000, risk 2 %: 500; from 103-16 to 103-08 is a quarter
     * point, 250 crowns, so 2; to 104-00 half a point: 2 * 500.
     *
     * <p>A pair quoted in a currency worth 1.25 crowns, lot 1,000: risk 1 % of 20,000 is 200; 40 pips are 0.0040 a unit, 0.005
     * crowns; 200 / 0.005 = 40,000 units. At 0.8000 they would cost 40,000 * 0.8 * 1.25 = 40,000 crowns; the account pays for 20
     * lots: 20,000 units, risk 100, won at 100 pips 20,000 * 0.01 * 1.25 = 250, cost 20,000.
     */
    @ParameterizedTest
    @CsvSource({
        // entry, stop, target, account, risk %, lot, point, margin, rate, quantity, limit, at risk, to win, cost
        "2480, 2467.5, 2505, 50000, 2, 1, 10, 1600, 1, 8, RISK, 1000, 2000, 12800",
        "62.40, 61.55, 64.10, 10000, 5, 1, 100, 700, 1, 5, RISK, 425, 850, 3500",
        "18.400, 18.520, 18.100, 10000, 10, 1, 1000, 2000, 1, 5, ACCOUNT, 600, 1500, 10000",
        "103.5, 103.25, 104, 25000, 2, 1, 1000, 2600, 1, 2, RISK, 500, 1000, 5200",
        "0.8000, 0.7960, 0.8100, 20000, 1, 1000, 1, 0, 1.25, 20000, ACCOUNT, 100, 250, 20000",
        "104.20, 102.80, 107.00, 25000, 1, 1, 1, 0, 1, 178, RISK, 249.20, 498.40, 18547.60",
    })
    void moneyIsThatOfTheAccount(
            double entry,
            double stop,
            double target,
            double account,
            double risk,
            double lot,
            double point,
            double margin,
            double rate,
            double quantity,
            PositionSize.Limit limit,
            double atRisk,
            double toWin,
            double cost) {
        PositionSize size =
                PositionSize.of(plan(entry, stop, target, account, risk), new TradeTerms(lot, point, margin, rate));
        assertThat(size.quantity()).isEqualTo(quantity);
        assertThat(size.limit()).isEqualTo(limit);
        assertThat(size.atRisk()).isCloseTo(atRisk, within(1e-9));
        assertThat(size.toWin()).isCloseTo(toWin, within(1e-9));
        assertThat(size.cost()).isCloseTo(cost, within(1e-9));
    }

    @Test
    void aYieldHasNoSize() {
        Instrument yield = new Instrument(
                new InstrumentId("s", "GY10"),
                "Ten years",
                "",
                Instrument.Kind.YIELD,
                "",
                "",
                PriceFormat.ofDecimals(3),
                1);
        assertThatThrownBy(() -> TradeTerms.of(yield, 1)).hasMessageContaining("GY10 (yield) cannot be bought");
    }
}
