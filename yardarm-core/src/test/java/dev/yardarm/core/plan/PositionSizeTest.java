package dev.yardarm.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
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
        PositionSize size = PositionSize.of(plan(entry, stop, target, account, risk), lot);
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
        assertThatThrownBy(() -> PositionSize.of(plan, 1)).hasMessageContaining(words);
    }
}
