package dev.yardarm.core.instrument;

import java.util.Objects;

/**
 * Anything with a price history.
 *
 * @param name what it is called, for people
 * @param market code of the exchange whose calendar it follows
 * @param kind share, index and so on
 * @param sector sector or group, empty when it has none
 * @param tier size tier, empty when it has none
 * @param lot smallest quantity that can be bought
 * @param pointValue what a move of 1 in the price is worth for one piece, in the currency the price is in: 1 for a share, the
 *     multiplier of a contract
 * @param currency what prices are in; empty for the currency of the account
 * @param margin money of the account that holds one piece; 0 for what is paid in full
 * @param shownCode what it is called where that is not the code of its identity; empty for that
 */
public record Instrument(
        InstrumentId id,
        String name,
        String market,
        Kind kind,
        String sector,
        String tier,
        PriceFormat format,
        double lot,
        double pointValue,
        String currency,
        double margin,
        String shownCode) {
    /** What sort of thing it is. */
    public enum Kind {
        SHARE("share"),
        INDEX("index"),
        FUTURE("future"),
        /** The contracts of a future one after the other. */
        CONTINUOUS("continuous future"),
        CURRENCY("currency pair"),
        YIELD("yield"),
        ECONOMIC("economic series"),
        TOKEN("token"),
        IMPORTED("imported"),
        /** Made of others by a formula. */
        BLEND("blend"),
        /** Named somewhere, but its source is not connected or does not have it. */
        ABSENT("not there");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** An instrument called by the code of its identity. */
    public Instrument(
            InstrumentId id,
            String name,
            String market,
            Kind kind,
            String sector,
            String tier,
            PriceFormat format,
            double lot,
            double pointValue,
            String currency,
            double margin) {
        this(id, name, market, kind, sector, tier, format, lot, pointValue, currency, margin, "");
    }

    /** An instrument that is paid in full, in the currency of the account. */
    public Instrument(
            InstrumentId id,
            String name,
            String market,
            Kind kind,
            String sector,
            String tier,
            PriceFormat format,
            double lot,
            double pointValue) {
        this(id, name, market, kind, sector, tier, format, lot, pointValue, "", 0, "");
    }

    /** An instrument whose point is worth 1. */
    public Instrument(
            InstrumentId id,
            String name,
            String market,
            Kind kind,
            String sector,
            String tier,
            PriceFormat format,
            double lot) {
        this(id, name, market, kind, sector, tier, format, lot, 1);
    }

    public Instrument {
        Objects.requireNonNull(id);
        Objects.requireNonNull(name);
        if (!(lot > 0)) {
            throw new IllegalArgumentException("the lot of " + id + " must be above zero");
        }
        if (!(pointValue > 0) || !(margin >= 0) || Double.isInfinite(pointValue + margin)) {
            throw new IllegalArgumentException(
                    "a point of " + id + " must be worth more than nothing, its margin no less");
        }
    }

    /** The same held by a margin. */
    public Instrument withMargin(double money) {
        return new Instrument(
                id, name, market, kind, sector, tier, format, lot, pointValue, currency, money, shownCode);
    }

    /** The same with prices in another currency than that of the account. */
    public Instrument in(String other) {
        return new Instrument(id, name, market, kind, sector, tier, format, lot, pointValue, other, margin, shownCode);
    }

    /** What so many pieces of it are called: shares, contracts, units of a currency. */
    public String pieces(double quantity) {
        boolean one = quantity == 1;
        return switch (kind) {
            case SHARE -> one ? "share" : "shares";
            case FUTURE, CONTINUOUS -> one ? "contract" : "contracts";
            case CURRENCY -> code().length() == 6 ? code().substring(0, 3) : "units";
            default -> one ? "unit" : "units";
        };
    }

    /** Stands for an instrument that is not there now; keeps its identity. */
    public static Instrument absent(InstrumentId id) {
        return new Instrument(id, id.code() + ", not there now", "", Kind.ABSENT, "", "", PriceFormat.ofDecimals(2), 1);
    }

    /** What it is called in lists and formulas. */
    public String code() {
        return shownCode.isEmpty() ? id.code() : shownCode;
    }

    /** The same called otherwise; its identity stays. */
    public Instrument called(String shown) {
        return new Instrument(id, name, market, kind, sector, tier, format, lot, pointValue, currency, margin, shown);
    }

    /** True when it can be bought as it is; an index, a yield or a series of several contracts cannot. */
    public boolean isTradable() {
        return kind != Kind.ABSENT
                && kind != Kind.INDEX
                && kind != Kind.YIELD
                && kind != Kind.ECONOMIC
                && kind != Kind.BLEND
                && kind != Kind.CONTINUOUS;
    }
}
