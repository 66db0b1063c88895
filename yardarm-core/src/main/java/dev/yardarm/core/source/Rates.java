package dev.yardarm.core.source;

import java.util.OptionalDouble;

/** Knows what currencies are worth in the currency of accounts. */
public interface Rates {
    /** The currency accounts are held in, for people: {@code crowns}. */
    String accountCurrency();

    /**
     * What one unit of a currency was worth at a moment, in the currency of the account.
     *
     * @param currency its code
     * @return empty when there is no such currency
     */
    OptionalDouble rate(String currency, long moment);
}
