package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** The profile of a period in formulas and as lines of a chart: see {@link DevelopingProfile}. */
public final class ProfileTerm extends Declared {
    /** Where rows are drawn: where bars lie upon them, upon the bars so that these show through, outside of their span. */
    public static final String BELOW = "below the bars";

    public static final String OVER = "over the bars";
    public static final String BESIDE = "beside the bars";

    public ProfileTerm() {
        super(Family.ORDER_FLOW, "profile", "Profile");
        also("volume profile", "point of control", "value area", "market profile", "volume at price");
        choice("span", "Span", "session", "day", "week", "month", "quarter", "year", "all");
        whole("back", "How many spans before", 0, 0, 50);
        number("area", "Value area, per cent", 70, 1, 100);
        whole("row", "Ticks a row (0 fits)", 0, 0, 100_000);
        moment("since", "From");
        setting(new Setting.Moment("until", "Until", Setting.Moment.END));
        setting(new Setting.Dates("sessions", "Only the sessions"));
        choice("split", "Told apart", "nothing", "bought and sold", "rising and falling bars");
        choice("side", "At", "left", "right", "view");
        whole("wide", "Width, per cent", 42, 5, 100);
        choice("drawn", "Drawn", BELOW, OVER, BESIDE);
        choice("areas", "High, thin areas", "named", "not shown");
        choice("untouched", "Untouched", "points of control", "value edges too", "none");
        line("poc", "Point of control");
        output("value_high", "Upper edge of the value area", Form.DASHED);
        output("value_low", "Lower edge of the value area", Form.DASHED);
        output("high", "High of the span", Form.NONE);
        output("low", "Low of the span", Form.NONE);
        cue("estimated", "Estimated from bars");
        output("untouched_above", "Untouched point of control above", Form.NONE);
        output("untouched_below", "Untouched point of control below", Form.NONE);
        for (String[] cue : ProfileCues.ALL) {
            cue(cue[0], cue[1]);
        }
        help(
                "Where the volume of a session, week or month was traded: its point of control and value area as they developed, or those of "
                        + "a span before.",
                "Volume by rows of row ticks (0: the nearest to a twentieth of a per cent of the first close of the span), from single trades "
                        + "where all those of a bar are known, else spread evenly from the low of the bar to its high; estimated says so. poc: "
                        + "the row with most; value_high, value_low: from there two rows at a time, those above or below that have more, to area "
                        + "per cent of the volume; each is the lowest price of its row. back: of so many whole spans before. since and until "
                        + "leave out what opens before and after, span all takes what is left as one, sessions takes the ones named as one. "
                        + "untouched_above and untouched_below: the nearest point of control of a whole span since whose end nothing was "
                        + "traded in its row. The cues look at the value area of the span before: inside, three_inside; retest: closed "
                        + "outside, back at the edge, closes outside; accepted: the third close outside on end; rejected: outside and closes "
                        + "back inside; opened_above, opened_inside, opened_below: where the span opened.",
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
        for (int column = 0; column < DevelopingProfile.REFERENCE_HIGH; column++) {
            columns.add(profile.column(column));
        }
        columns.addAll(ProfileCues.in(graph, profile));
        return columns;
    }

    /** The profiles at work in a graph. */
    public static DevelopingProfile profile(ColumnGraph graph, Settings settings) {
        return DevelopingProfile.in(
                graph,
                new DevelopingProfile.Wanted(
                        new SpanOf(
                                settings.word("span"),
                                Setting.Moment.micros(
                                        settings.word("since"),
                                        graph.surroundings().calendar()),
                                Setting.Moment.micros(
                                        settings.word("until"),
                                        graph.surroundings().calendar()),
                                sessions(settings.word("sessions"))),
                        settings.whole("back"),
                        settings.number("area") / 100,
                        settings.whole("row"),
                        settings.word("split").startsWith("rising")));
    }

    private static Set<LocalDate> sessions(String dates) {
        return dates.isEmpty()
                ? Set.of()
                : Arrays.stream(dates.split(" ")).map(LocalDate::parse).collect(Collectors.toUnmodifiableSet());
    }
}
