package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The profile of a period in formulas and as lines of a chart: see {@link DevelopingProfile}. */
public final class ProfileTerm extends Declared {
    public ProfileTerm() {
        super(Family.ORDER_FLOW, "profile", "Profile");
        also("volume profile", "point of control", "value area", "market profile", "volume at price");
        choice("span", "Span", "session", "week", "month", "quarter", "year");
        whole("back", "How many spans before", 0, 0, 50);
        number("area", "Value area, per cent", 70, 1, 100);
        whole("row", "Ticks a row (0 fits)", 0, 0, 100_000);
        line("poc", "Point of control");
        output("value_high", "Upper edge of the value area", Form.DASHED);
        output("value_low", "Lower edge of the value area", Form.DASHED);
        output("high", "High of the span", Form.NONE);
        output("low", "Low of the span", Form.NONE);
        cue("estimated", "Estimated from bars");
        help(
                "Where the volume of a session, week or month was traded: its point of control and value area as they developed, or those of "
                        + "a span before.",
                "Volume by rows of row ticks (0: the nearest to a twentieth of a per cent of the first close of the span), from single trades "
                        + "where all those of a bar are known, else spread evenly from the low of the bar to its high; estimated says so. poc: "
                        + "the row with most; value_high, value_low: from there two rows at a time, those above or below that have more, to area "
                        + "per cent of the volume; each is the lowest price of its row. back: of so many whole spans before.",
                "Inside of the value area of yesterday a market looks for a price, outside of it it has found another.",
                "From bars it is a guess: a bar does not tell where in its range volume was traded.",
                "Chicago Board of Trade, Market Profile (1985); James F. Dalton, Mind over Markets (1990).");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(ProfileTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        DevelopingProfile profile = profile(graph, settings);
        List<ColumnGraph.Node> columns = new ArrayList<>();
        for (int column = 0; column < DevelopingProfile.COLUMNS; column++) {
            columns.add(profile.column(column));
        }
        return columns;
    }

    /** The profiles at work in a graph. */
    public static DevelopingProfile profile(ColumnGraph graph, Settings settings) {
        return DevelopingProfile.in(
                graph,
                new DevelopingProfile.Wanted(
                        Period.valueOf(settings.word("span").toUpperCase(Locale.ROOT)),
                        settings.whole("back"),
                        settings.number("area") / 100,
                        settings.whole("row")));
    }
}
