package dev.yardarm.core.plan;

import dev.yardarm.core.instrument.Instrument;

/**
 * How the price of an instrument becomes money of the account.
 *
 * <pre>
 * a move of d is worth   quantity * d * pointValue * rate
 * a position costs       quantity * margin, or without a margin quantity * entry * pointValue * rate * share
 * </pre>
 *
 * @param lot smallest quantity that can be traded, above zero
 * @param pointValue what a move of 1 is worth for one piece, in the currency the price is in
 * @param margin money of the account that holds one piece; 0 for what is paid in full
 * @param rate what one unit of the currency the price is in is worth in the currency of the account
 * @param share of its worth that ties up money: 1 for what is paid in full, {@link #PAIR_SHARE} for a pair of currencies
 */
public record TradeTerms(double lot, double pointValue, double margin, double rate, double share) {
    /** What holds a pair of currencies, as a share of its worth. */
    public static final double PAIR_SHARE = 1 / 30.0;

    public TradeTerms {
        if (!(lot > 0) || !(pointValue > 0) || !(margin >= 0) || !(rate > 0) || !(share > 0 && share <= 1)) {
            throw new IllegalArgumentException("a lot, the worth of a point and the rate must be above zero");
        }
    }

    /** What is paid in full, or held by a margin. */
    public TradeTerms(double lot, double pointValue, double margin, double rate) {
        this(lot, pointValue, margin, rate, 1);
    }

    /** True for what is held by a margin and not paid in full. */
    public static boolean isHeld(Instrument instrument) {
        return instrument.margin() > 0 || instrument.kind() == Instrument.Kind.CURRENCY;
    }

    /**
     * The terms of an instrument.
     *
     * @param rate of the currency its prices are in; 1 for that of the account
     * @throws IllegalArgumentException when it cannot be bought, such as a yield or an index
     */
    public static TradeTerms of(Instrument instrument, double rate) {
        if (!instrument.isTradable()) {
            throw new IllegalArgumentException(
                    instrument.code() + " (" + instrument.kind().word() + ") cannot be bought, so it has no size");
        }
        boolean pair = instrument.kind() == Instrument.Kind.CURRENCY && instrument.margin() == 0;
        return new TradeTerms(
                instrument.lot(), instrument.pointValue(), instrument.margin(), rate, pair ? PAIR_SHARE : 1);
    }

    /** What is paid in full in the currency of the account, one point being worth 1. */
    public static TradeTerms plain(double lot) {
        return new TradeTerms(lot, 1, 0, 1);
    }
}
