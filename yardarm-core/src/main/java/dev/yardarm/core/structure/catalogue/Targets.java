package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.Given;
import dev.yardarm.core.structure.Happened;
import dev.yardarm.core.structure.Nearest;
import dev.yardarm.core.structure.Sight;
import java.util.List;

/**
 * Prices that follow from what is there: of completed patterns and ranges, of the last legs, of channels, of the columns of point and
 * figure, and of how far price goes in a period. Each says by what method, since when, and what voids it; it is reached when price trades
 * there, failed when what it rests on fails, a close lies beyond what voids it or beyond the newest settled swing against it, expired when it is over, or when a newer leg takes its
 * place.
 *
 * <p>Costs two sizes of swings and a comparison a bar for each of at most 60 targets, beside the patterns, ranges and lines it rests on,
 * which work once however many ask for them.
 */
public final class Targets extends Detector {
    /** So many bars one that is reached or void stays on a chart, struck out. */
    private static final int STAYS = 10;

    public Targets() {
        super("targets", "Targets");
        also("price target", "measured move", "projection", "objective");
        number("swing", "Size of the legs, in usual ranges", 3, 0.2, 100);
        number("ratio", "Ratio of the projection", 1.618, 0.1, 10);
        number("box", "Box of the column counts, in usual ranges", 0.5, 0.05, 10);
        whole("age", "Expires after bars", 250, 1, 100_000);
        kind("pattern_target", "Target of a pattern");
        kind("range_target", "Target of a range");
        kind("measured_leg", "Measured leg");
        kind("projection", "Projection of a leg");
        kind("channel_target", "Other border of a channel");
        kind("horizontal_count", "Count of columns");
        kind("vertical_count", "Count of a column");
        kind("period_range", "Range of the period");
        column("nearest_up", "Nearest target above", open -> Nearest.price(true, open, Targets::price));
        column("nearest_down", "Nearest target below", open -> Nearest.price(false, open, Targets::price));
        column("largest_up", "Farthest target above", open -> Nearest.farthest(true, open, Targets::price));
        column("largest_down", "Farthest target below", open -> Nearest.farthest(false, open, Targets::price));
        cue("reached", "A target is reached", chosen -> Happened.to(each -> true, Finding.State.REACHED));
        cue("found", "A target comes up", chosen -> Happened.to(each -> true, Finding.State.CONFIRMED));
        help(
                "All price targets that follow from what is there, until they are reached or void.",
                "pattern_target, range_target: of patterns and ranges with their default settings, once completed. Of three swings A, B, C, settled as by "
                        + "pivots at swing times the mean of the last 100 true ranges, C not beyond A: measured_leg is C + (B - A), projection "
                        + "C + ratio * (B - A); void by a close beyond C. channel_target: the other border of a channel at the bar "
                        + "it is found; void by a close beyond its own border. horizontal_count, vertical_count: columns that reverse by three "
                        + "boxes of box times that mean; once a column goes a box beyond the one before it, the columns in a row that cross the "
                        + "middle of the base (five at least) times three boxes from its end, or three times the first column from there; void "
                        + "by a close beyond that end. period_range: the session on bars within a day, the month on daily ones, else the year: "
                        + "its low so far plus the mean range of the last 20 whole ones (five at least), and its high less that; provisional, "
                        + "since both may move, and gone with the period. Reached: price trades there. Failed: void, a close beyond the newest settled swing against it, or what it rests on "
                        + "failed. Expired: age bars, or a newer leg or count the same way.",
                "Several that lie together say more than one far away; the room to the nearest is what a trade has.",
                "They are distances measured, not places price must go to.",
                "Robert D. Edwards and John Magee, Technical Analysis of Stock Trends (1948); the measured leg after H. M. Gartley, "
                        + "Profits in the Stock Market (1935); the counts after A. W. Cohen, How to Use the Three-Point Reversal Method of Point and "
                        + "Figure Stock Market Trading (1947).");
    }

    private static double[] price(Finding target) {
        return new double[] {target.target()};
    }

    @Override
    public int staysFor() {
        return STAYS;
    }

    /** With how far it was from the close it is measured at, and once it is reached or void what became of it. */
    @Override
    public Figured figure(Sight sight) {
        Finding target = sight.finding();
        boolean up = target.target() > target.points().get(0).price();
        return sight.state().isEnd()
                ? Figured.struck(words(target), target.to(), target.target(), up, sight.end())
                : Figured.projected(words(target), target.to(), target.target(), up);
    }

    /** In the order of the kinds of targets that rest on them. */
    @Override
    public List<Detector> restsOn() {
        return List.of(new Patterns(), new Ranges(), new TrendLines());
    }

    /** The number of the period bars belong to. */
    @Override
    protected ColumnGraph.Node source(ColumnGraph graph, Settings chosen) {
        return Period.fitting(graph);
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new TargetSearch(chosen, given);
    }
}
