package dev.yardarm.desk.plan;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.PositionSize;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.plan.TradeTerms;
import dev.yardarm.core.source.Rates;
import dev.yardarm.desk.market.Directory;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.LongSupplier;

/** Sizes plans in the money of the account, whatever currency an instrument is quoted in. */
public final class Sizing {
    private final Directory directory;
    private final LongSupplier now;

    /** @param now what time it is in the market: rates are those of this moment */
    public Sizing(Directory directory, LongSupplier now) {
        this.directory = directory;
        this.now = now;
    }

    /**
     * What a plan comes to.
     *
     * @param size empty when it has none
     * @param words for the trader: the size with its unit and money, or why there is none
     */
    public record Sized(Optional<PositionSize> size, String words) {}

    /** The size of a plan of an instrument, with its words. */
    public Sized size(TradePlan plan, Instrument instrument) {
        if (plan.problem().isPresent()) {
            return new Sized(Optional.empty(), plan.problem().get());
        }
        OptionalDouble rate = rate(instrument);
        if (rate.isEmpty()) {
            return new Sized(
                    Optional.empty(),
                    "No size: what " + instrument.currency() + " is worth in money of the account is not known.");
        }
        try {
            PositionSize size = PositionSize.of(plan, TradeTerms.of(instrument, rate.getAsDouble()));
            return new Sized(Optional.of(size), words(size, instrument));
        } catch (IllegalArgumentException none) {
            return new Sized(Optional.empty(), "No size: " + none.getMessage() + ".");
        }
    }

    /** The currency of the account, with a blank before it; empty where a source has none. */
    public String currency(Instrument instrument) {
        return directory
                .source(instrument)
                .flatMap(source -> source.offers(Rates.class))
                .map(rates -> " " + rates.accountCurrency())
                .orElse("");
    }

    private OptionalDouble rate(Instrument instrument) {
        return instrument.currency().isEmpty()
                ? OptionalDouble.of(1)
                : directory
                        .source(instrument)
                        .flatMap(source -> source.offers(Rates.class))
                        .map(rates -> rates.rate(instrument.currency(), now.getAsLong()))
                        .orElse(OptionalDouble.empty());
    }

    private String words(PositionSize size, Instrument instrument) {
        String money = currency(instrument);
        boolean held = TradeTerms.isHeld(instrument);
        if (size.quantity() == 0) {
            return size.limit() == PositionSize.Limit.RISK
                    ? "Size 0: " + lot(instrument) + " would risk more than allowed."
                    : "Size 0: the account cannot " + (held ? "hold the margin of " : "pay for ") + lot(instrument)
                            + ".";
        }
        return String.format(
                Locale.ROOT,
                "Size %s %s for %,.2f%s%s, %s.%nRisk %,.2f%s, reward %,.2f%s.",
                quantity(size.quantity()),
                instrument.pieces(size.quantity()),
                size.cost(),
                money,
                held ? " of margin" : "",
                limit(size, held),
                size.atRisk(),
                money,
                size.toWin(),
                money);
    }

    /** What kept the size from being larger. */
    public static String limit(PositionSize size, boolean held) {
        return size.limit() == PositionSize.Limit.ACCOUNT && held
                ? "size set by the margin the account can hold"
                : size.limit().words();
    }

    private static String lot(Instrument instrument) {
        return quantity(instrument.lot()) + " " + instrument.pieces(instrument.lot());
    }

    /** A quantity without decimals it does not have. */
    public static String quantity(double quantity) {
        return quantity == Math.rint(quantity)
                ? String.format(Locale.ROOT, "%,.0f", quantity)
                : String.format(Locale.ROOT, "%,.4f", quantity).replaceFirst("0+$", "");
    }
}
