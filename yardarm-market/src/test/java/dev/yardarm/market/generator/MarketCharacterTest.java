package dev.yardarm.market.generator;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.market.world.World;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a trader would recognise in the market, whatever its seed. */
class MarketCharacterTest {
    private static final World WORLD = World.halcyon();
    private static final int SESSIONS = 3700;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 77})
    void fallsAreFasterThanRisesAndAgitated(long seed) {
        MarketFactors factors = new MarketFactors(WORLD, seed, SESSIONS);
        double worst = 0;
        double best = 0;
        double calm = 0;
        double rough = 0;
        for (int session = 40; session < SESSIONS; session++) {
            double move = 0;
            for (int back = 0; back < 40; back++) {
                move += factors.market(session - back);
            }
            worst = Math.min(worst, move);
            best = Math.max(best, move);
            calm = Math.max(calm, -factors.stress(session));
            rough = Math.max(rough, factors.stress(session));
        }
        assertThat(worst).isLessThan(-0.12);
        assertThat(-worst).isGreaterThan(best * 0.8);
        assertThat(rough).isGreaterThan(2);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 77})
    void smallCompaniesWeakenBeforeSomeTopsAndLargeOnesDoNot(long seed) {
        MarketFactors factors = new MarketFactors(WORLD, seed, SESSIONS);
        int weak = 0;
        int spells = 0;
        boolean before = false;
        for (int session = 0; session < SESSIONS; session++) {
            double small = factors.breadthDrift(session, "small");
            assertThat(small).isLessThanOrEqualTo(0);
            assertThat(factors.breadthDrift(session, "large")).isGreaterThanOrEqualTo(0);
            weak += small < 0 ? 1 : 0;
            spells += small < 0 && !before ? 1 : 0;
            before = small < 0;
        }
        assertThat(spells).isBetween(2, 3);
        assertThat(weak).isBetween(250, 480);
    }

    @Test
    void aSectorWithARhythmHasItAndOneWithoutHasNot() {
        MarketFactors factors = new MarketFactors(WORLD, 1, SESSIONS);
        int fisheries = WORLD.sectors().indexOf(WORLD.sector("fisheries"));
        int inns = WORLD.sectors().indexOf(WORLD.sector("inns"));
        double[] spring = new double[WORLD.sectors().size()];
        double[] autumn = new double[WORLD.sectors().size()];
        for (int session = 0; session < SESSIONS; session++) {
            int month = factors.session(session).getMonthValue();
            for (int sector = 0; sector < spring.length; sector++) {
                spring[sector] += month >= 4 && month <= 6 ? factors.sector(sector, session) : 0;
                autumn[sector] += month >= 10 ? factors.sector(sector, session) : 0;
            }
        }
        assertThat(spring[fisheries]).isGreaterThan(autumn[fisheries]);
        assertThat(spring[inns]).isLessThan(autumn[inns]);
    }

    @Test
    void moreSessionsBeginWithTheSameOnes() {
        MarketFactors few = new MarketFactors(WORLD, 9, 500);
        MarketFactors many = new MarketFactors(WORLD, 9, 1500);
        for (int session = 0; session < 500; session++) {
            assertThat(many.market(session)).isEqualTo(few.market(session));
            assertThat(many.session(session)).isEqualTo(few.session(session));
        }
    }

    @Test
    void companiesOfASectorMoveTogetherMoreThanOthers() {
        WorldHistory history = new WorldHistory(WORLD, 1);
        double[] one = returns(history.company("KTRL"));
        double together = correlation(one, returns(history.company("EBSP")));
        double apart = 0;
        for (String other : new String[] {"HLCB", "GNGW", "CDWK", "SXTN"}) {
            apart += correlation(one, returns(history.company(other))) / 4;
        }
        assertThat(together).isGreaterThan(apart).isGreaterThan(0.2);
        assertThat(apart).isGreaterThan(0.05);
    }

    private static double[] returns(DailyBars days) {
        double[] returns = new double[3000];
        for (int session = 1; session <= returns.length; session++) {
            double change = Math.log((double) days.close[session] / days.close[session - 1]);
            returns[session - 1] = Math.abs(change) > 0.4 ? 0 : change;
        }
        return returns;
    }

    private static double correlation(double[] one, double[] other) {
        double meanOne = Arrays.stream(one).average().orElseThrow();
        double meanOther = Arrays.stream(other).average().orElseThrow();
        double both = 0;
        double first = 0;
        double second = 0;
        for (int at = 0; at < one.length; at++) {
            both += (one[at] - meanOne) * (other[at] - meanOther);
            first += (one[at] - meanOne) * (one[at] - meanOne);
            second += (other[at] - meanOther) * (other[at] - meanOther);
        }
        return both / Math.sqrt(first * second);
    }
}
