package dev.yardarm.core.profile;

import dev.yardarm.core.indicator.Indicator;
import java.util.List;

/** The terms that read single trades. */
public final class OrderFlowTerms {
    private OrderFlowTerms() {}

    /** One of each. */
    public static List<Indicator> all() {
        return List.of(
                new ProfileTerm(),
                new ViewProfileTerm(),
                new TimeProfileTerm(),
                new BigTradesTerm(),
                new FootprintTerm(),
                new BarFiguresTerm(),
                new TradeFlowTerm(),
                new AbsorbedTerm());
    }
}
