package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.PositionSize;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.source.Rates;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.plan.Sizing;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Plans of the demo world in crowns, each worked out from what the world file says of a point, a margin and a currency. */
class SizingTest {
    private static final SimulatedMarket MARKET = new SimulatedMarket(World.halcyon(), 1);
    private static final Directory DIRECTORY = new Directory(List.of(MARKET));
    private final long now = MARKET.world().presentTime();
    private final Sizing sizing = new Sizing(DIRECTORY, () -> now);

    private static Instrument instrument(String code) {
        return DIRECTORY.byCode(code).orElseThrow();
    }

    private static TradePlan plan(String code, double entry, double stop, double target, double account, double risk) {
        return new TradePlan("p", instrument(code).id(), Timeframe.DAY, 0, entry, stop, target, account, risk);
    }

    private Sizing.Sized sized(TradePlan plan) {
        return sizing.size(plan, DIRECTORY.find(plan.instrument()).orElseThrow());
    }

    @Test
    void aShareIsPaidInFull() {
        Sizing.Sized share = sized(plan("KTRL", 104.20, 102.80, 107, 25_000, 1));
        assertThat(share.words())
                .isEqualTo(String.format("Size 178 shares for 18,547.60 crowns, size set by the risk per trade.%n"
                        + "Risk 249.20 crowns, reward 498.40 crowns."));
    }

    @Test
    void aFutureIsWorthItsPointAndHeldByItsMargin() {
        // 10 crowns a point, margin 1,600: a stop of 12.5 points risks 125; 2 % of 50,000 allow 8; 20,000 would hold
        // 12.
        Sizing.Sized index = sized(plan("VRTQ-U26", 2480, 2467.5, 2505, 50_000, 2));
        assertThat(index.size().orElseThrow().quantity()).isEqualTo(8);
        assertThat(index.words())
                .contains("8 contracts for 12,800.00 crowns of margin")
                .contains("Risk 1,000.00 crowns, reward 2,000.00 crowns");
        Sizing.Sized held = sized(plan("VRTQ-U26", 2480, 2479, 2505, 5_000, 10));
        assertThat(held.size().orElseThrow().quantity()).isEqualTo(3);
        assertThat(held.words()).contains("size set by the margin the account can hold");
    }

    @Test
    void aPairIsQuotedInAnotherCurrency() {
        double rate = MARKET.offers(Rates.class).orElseThrow().rate("BRN", now).orElseThrow();
        assertThat(rate).isBetween(0.3, 5.0);
        Sizing.Sized pair = sized(plan("AULBRN", 0.8000, 0.7960, 0.8100, 20_000, 1));
        PositionSize size = pair.size().orElseThrow();
        double byRisk = Math.floor(200 / (0.0040 * rate * 1000)) * 1000;
        // Held by a thirtieth of what it is worth.
        double byAccount = Math.floor(20_000 / (0.8 * rate * 1000 / 30)) * 1000;
        assertThat(size.quantity()).isEqualTo(Math.min(byRisk, byAccount));
        assertThat(size.atRisk())
                .isCloseTo(size.quantity() * 0.004 * rate, org.assertj.core.api.Assertions.within(1e-6));
        assertThat(pair.words()).contains(" AUL for ").contains(" crowns");
    }

    @Test
    void aYieldAndAnIndexAreRefused() {
        for (String code : List.of("GY10", "PV60", "VRTQ", "HPRC")) {
            Sizing.Sized none = sized(plan(code, 100, 98, 105, 10_000, 1));
            assertThat(none.size()).as(code).isEmpty();
            assertThat(none.words()).contains(code).contains("cannot be bought");
        }
    }

    @Test
    void aCurrencyNobodyKnowsHasNoSize() {
        Instrument foreign = instrument("AULBRN").in("XXQ");
        Sizing.Sized none = sizing.size(plan("AULBRN", 0.8, 0.79, 0.82, 10_000, 1), foreign);
        assertThat(none.size()).isEmpty();
        assertThat(none.words()).contains("XXQ").contains("not known");
    }
}
