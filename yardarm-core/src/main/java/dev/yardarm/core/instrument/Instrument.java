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
 */
public record Instrument(InstrumentId id, String name, String market, Kind kind, String sector, String tier,
                         PriceFormat format, double lot) {
    /** What sort of thing it is. */
    public enum Kind { SHARE, INDEX, IMPORTED }

    public Instrument {
        Objects.requireNonNull(id);
        Objects.requireNonNull(name);
        if (!(lot > 0)) {
            throw new IllegalArgumentException("the lot of " + id + " must be above zero");
        }
    }

    public String code() {
        return id.code();
    }

    /** True when it can be bought as it is; an index cannot. */
    public boolean isTradable() {
        return kind != Kind.INDEX;
    }
}
