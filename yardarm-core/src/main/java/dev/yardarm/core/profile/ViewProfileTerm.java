package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import java.util.List;
import java.util.Map;

/** The profile of whatever a chart shows, at its edge; its column is that of all bars, as a formula has no view. */
public final class ViewProfileTerm extends Declared {
    public ViewProfileTerm() {
        super(Family.ORDER_FLOW, "view_profile", "Profile of the view");
        also("visible range profile", "profile of what is in view", "volume profile in view");
        number("area", "Value area, per cent", 70, 1, 100);
        whole("row", "Ticks a row", 1, 1, 100_000);
        choice("split", "Told apart", "nothing", "bought and sold");
        choice("side", "At", "right", "left");
        whole("wide", "Width, per cent", 18, 5, 60);
        choice("drawn", "Drawn", ProfileTerm.BELOW, ProfileTerm.OVER);
        output("poc", "Point of control of all bars", Form.NONE);
        help(
                "Volume at price of the bars in view, anew whenever the view changes.",
                "As the profile of a period, of the bars in view; rows are put together where they are lower than a pixel. poc: of all bars up to "
                        + "each.",
                "Where the view was traded most, and where price went through quickly.",
                "Another view is another profile: a level of it is worth what the choice of the view is worth.",
                "Chicago Board of Trade, Market Profile (1985).");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(ViewProfileTerm::columns);
    }

    private static List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        Settings all = Settings.of(
                new ProfileTerm(), Map.of("span", "all", "row", settings.word("row"), "area", settings.word("area")));
        return List.of(ProfileTerm.profile(graph, all).column(0));
    }

    /** The trades of each bar, from which the profile of a view is put together. */
    public static DevelopingFootprint footprint(ColumnGraph graph, Settings settings) {
        return FootprintTerm.footprint(graph, Settings.of(new FootprintTerm(), Map.of("row", settings.word("row"))));
    }

    /** The profile of some bars: exact where their trades are known, else spread over their prices. */
    public static SpanProfile of(
            Footprint footprint, dev.yardarm.core.series.Bars bars, int first, int end, double share) {
        PriceRows rows = footprint.closed().rows();
        boolean estimated = false;
        for (int bar = first; bar < end; bar++) {
            BarLevels levels = footprint.levels(bar);
            int start = footprint.start(bar);
            for (int place = start; place < footprint.end(bar); place++) {
                rows.add(levels.price(place), levels.bid(place), dev.yardarm.core.series.TickSeries.BID);
                rows.add(levels.price(place), levels.ask(place), dev.yardarm.core.series.TickSeries.ASK);
                rows.add(levels.price(place), levels.none(place), dev.yardarm.core.series.TickSeries.UNKNOWN);
            }
            double volume = bars.volume(bar);
            if (start == footprint.end(bar) && volume > 0 && bars.high(bar) >= bars.low(bar)) {
                rows.spread(bars.low(bar), bars.high(bar), volume);
                estimated = true;
            }
        }
        ValueArea area = rows.isEmpty()
                ? new ValueArea(0, 0, 0)
                : ValueArea.of(rows.lowest(), rows.highest(), rows::volume, share);
        return new SpanProfile(bars.openTime(first), bars.closeTime(end - 1), rows, area, estimated);
    }
}
