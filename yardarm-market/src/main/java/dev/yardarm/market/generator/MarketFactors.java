package dev.yardarm.market.generator;

import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * What all companies share: the sessions, the regimes of the market, the daily returns of the market and of each sector.
 *
 * <p>The market goes round through advance, top, decline, base and recovery, each of a length drawn by the seed, about
 * 1,150 sessions a round. Within a regime, volatility clusters: the variance follows the square of the last shock
 * (T. Bollerslev, "Generalized autoregressive conditional heteroskedasticity", 1986). Before two of every three tops
 * the smaller companies weaken first ({@link #breadthDrift}).
 */
final class MarketFactors {
    private enum Regime {
        ADVANCE(0.00062, 0.0062),
        TOP(0.0000, 0.0075),
        DECLINE(-0.0042, 0.0165),
        BASE(0.0000, 0.0088),
        RECOVERY(0.00135, 0.0082);

        private final double drift;
        private final double volatility;

        Regime(double drift, double volatility) {
            this.drift = drift;
            this.volatility = volatility;
        }
    }

    private final LocalDate[] sessions;
    private final double[] market;
    private final double[] stress;
    private final double[] weakening;
    private final double[][] sectors;

    MarketFactors(World world, long seed, int sessionCount) {
        TradingCalendar calendar = world.calendar();
        sessions = new LocalDate[sessionCount];
        LocalDate day = calendar.sameOrNext(world.firstDate());
        for (int session = 0; session < sessionCount; session++) {
            sessions[session] = day;
            day = calendar.next(day);
        }
        market = new double[sessionCount];
        stress = new double[sessionCount];
        weakening = new double[sessionCount];
        Regime[] regimes = regimes(seed, sessionCount);
        Dice dice = new Dice(seed, Dice.key("market"));
        Cluster cluster = new Cluster();
        for (int session = 0; session < sessionCount; session++) {
            Regime regime = regimes[session];
            double shock = cluster.next(dice);
            market[session] = regime.drift + regime.volatility * shock;
            stress[session] = regime.volatility * cluster.level() / 0.008;
        }
        sectors = new double[world.sectors().size()][sessionCount];
        for (int sector = 0; sector < sectors.length; sector++) {
            fillSector(world.sectors().get(sector), seed, sectors[sector]);
        }
    }

    private Regime[] regimes(long seed, int sessionCount) {
        Dice dice = new Dice(seed, Dice.key("regimes"));
        Regime[] regimes = new Regime[sessionCount];
        List<Integer> tops = new ArrayList<>();
        int session = 0;
        int regime = Regime.ADVANCE.ordinal();
        double[] from = {520, 45, 40, 110, 170};
        double[] to = {700, 80, 75, 190, 260};
        while (session < sessionCount) {
            int length = (int) dice.between(from[regime], to[regime]);
            if (regime == Regime.TOP.ordinal()) {
                tops.add(session + length);
            }
            for (int end = Math.min(sessionCount, session + length); session < end; session++) {
                regimes[session] = Regime.values()[regime];
            }
            regime = (regime + 1) % Regime.values().length;
        }
        for (int top = 0; top < tops.size(); top++) {
            if (top % 3 != 2) {
                for (int before = Math.max(0, tops.get(top) - 150);
                        before < Math.min(sessionCount, tops.get(top));
                        before++) {
                    weakening[before] = 1 - (tops.get(top) - before) / 150.0;
                }
            }
        }
        return regimes;
    }

    private void fillSector(World.Sector sector, long seed, double[] returns) {
        Dice dice = new Dice(seed, Dice.key("sector " + sector.code()));
        Cluster cluster = new Cluster();
        double drift = 0;
        for (int session = 0; session < returns.length; session++) {
            if (session % 130 == 0) {
                drift = 0.0005 * dice.bell();
            }
            double season = 0.0007
                    * sector.seasonality()
                    * Math.sin(2 * Math.PI * (sessions[session].getDayOfYear() - 40) / 365.25);
            returns[session] = drift + season + 0.0045 * cluster.next(dice);
        }
    }

    int sessionCount() {
        return sessions.length;
    }

    LocalDate session(int number) {
        return sessions[number];
    }

    double market(int session) {
        return market[session];
    }

    double sector(int sector, int session) {
        return sectors[sector][session];
    }

    /** How agitated the market is: 1 on a usual day. */
    double stress(int session) {
        return stress[session];
    }

    /** Extra daily return of a company of this tier while breadth weakens before a top. */
    double breadthDrift(int session, String tier) {
        return weakening[session]
                * switch (tier) {
                    case "large" -> 0.0004;
                    case "mid" -> -0.0009;
                    default -> -0.0018;
                };
    }

    /** Shocks whose size clusters; variance 1 in the long run. */
    static final class Cluster {
        private double variance = 1;

        double next(Dice dice) {
            double shock = Math.sqrt(variance) * dice.fat();
            variance = 0.06 + 0.08 * shock * shock + 0.86 * variance;
            return shock;
        }

        double level() {
            return Math.sqrt(variance);
        }
    }
}
