package dev.yardarm.core.plan;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * How much to trade: as much as the risk per trade allows, and no more than the account can pay for - the price of the position
 * at the entry, or the margin that holds it -, rounded down to whole lots. All money is that of the account. Worked out in decimal arithmetic, so that a size that fits exactly is not rounded away.
 *
 * @param quantity number of units, a multiple of the lot; 0 when not even one lot fits
 * @param limit which of the two limits decided
 * @param atRisk money lost when the stop is hit, without costs
 * @param toWin money won at the target, without costs
 * @param cost what the position ties up: its price at the entry, or its margin
 */
public record PositionSize(double quantity, Limit limit, double atRisk, double toWin, double cost) {
    /** What keeps the size from being larger. */
    public enum Limit {
        RISK("size set by the risk per trade"),
        ACCOUNT("size set by what the account can pay for");

        private final String words;

        Limit(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Sizes a plan.
     *
     * @param terms how its price becomes money
     * @throws IllegalArgumentException with the plan's problem when it has one
     */
    public static PositionSize of(TradePlan plan, TradeTerms terms) {
        plan.problem().ifPresent(problem -> {
            throw new IllegalArgumentException(problem);
        });
        BigDecimal entry = BigDecimal.valueOf(plan.entry());
        BigDecimal risk = entry.subtract(BigDecimal.valueOf(plan.stop())).abs();
        BigDecimal reward = entry.subtract(BigDecimal.valueOf(plan.target())).abs();
        BigDecimal account = BigDecimal.valueOf(plan.account());
        BigDecimal allowed =
                account.multiply(BigDecimal.valueOf(plan.riskPercent())).movePointLeft(2);
        BigDecimal step = BigDecimal.valueOf(terms.lot());
        BigDecimal point = BigDecimal.valueOf(terms.pointValue()).multiply(BigDecimal.valueOf(terms.rate()));
        BigDecimal piece = terms.margin() > 0
                ? BigDecimal.valueOf(terms.margin())
                : entry.multiply(point).multiply(BigDecimal.valueOf(terms.share()));
        BigDecimal byRisk = allowed.divide(risk.multiply(point).multiply(step), 0, RoundingMode.DOWN);
        BigDecimal byAccount = account.divide(piece.multiply(step), 0, RoundingMode.DOWN);
        BigDecimal quantity = byRisk.min(byAccount).multiply(step);
        return new PositionSize(
                quantity.doubleValue(),
                byAccount.compareTo(byRisk) < 0 ? Limit.ACCOUNT : Limit.RISK,
                quantity.multiply(risk).multiply(point).doubleValue(),
                quantity.multiply(reward).multiply(point).doubleValue(),
                quantity.multiply(piece).doubleValue());
    }
}
