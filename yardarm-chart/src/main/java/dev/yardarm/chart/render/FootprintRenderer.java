package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.profile.BarLevels;
import dev.yardarm.core.profile.Footprint;

/**
 * The trades of each bar by price, around a narrow bar: left of it what was sold at the bid, right of it what was bought at the ask. Three
 * ways by the room there is: shaded cells with numbers, shaded cells, and nothing but the bar. Both sides are told by their place; an
 * imbalance has a bar at its outer edge, the row with the most volume a frame, an end at which both sides traded is open.
 *
 * <p>Shades are by the largest cell in view, in eight steps that are filled together. Rows lower than two pixels are drawn as one, with the
 * larger cell of both. Cost: the rows of the bars in view.
 */
final class FootprintRenderer {
    /** Bars narrower than this have no cells. */
    private static final double NARROWEST = 8;
    /** What the bar itself takes of the middle. */
    private static final double SPINE = 5;

    private static final double LEAST_ROW = 2;
    private static final double TEXT_ROW = 11;
    private static final int SHADES = 8;
    private static final double FAINTEST = 0.08;
    private static final double STRONGEST = 0.62;
    private static final double GAP = 2;

    private final Batch[] sold = batches();
    private final Batch[] bought = batches();
    private final Batch soldEdges = new Batch();
    private final Batch boughtEdges = new Batch();
    private final Batch frames = new Batch();
    private final Batch ends = new Batch();

    private static Batch[] batches() {
        Batch[] all = new Batch[SHADES];
        for (int shade = 0; shade < SHADES; shade++) {
            all[shade] = new Batch();
        }
        return all;
    }

    /** The layer whose cells the bars of a chart have; null when it has none, or there is no room for them. */
    static IndicatorLayer shown(ChartModel chart) {
        if (chart.isCompact() || chart.time().barWidth() < NARROWEST) {
            return null;
        }
        for (IndicatorLayer layer : chart.pricePane().indicators()) {
            if (chart.data().flow().footprints().containsKey(layer.id())
                    && layer.style().showsOn(chart.timeframe())
                    && hasRows(chart, chart.data().flow().footprints().get(layer.id()))) {
                return layer;
            }
        }
        return null;
    }

    /** True when trades of a bar in view are known; bars without any are drawn as they are. */
    private static boolean hasRows(ChartModel chart, Footprint footprint) {
        int end =
                Math.min(footprint.bars(), chart.time().endVisible(chart.bars().size()));
        int first = Math.max(0, chart.time().firstVisible());
        return hasRows(footprint, first, end);
    }

    private static boolean hasRows(Footprint footprint, int first, int end) {
        for (int bar = first; bar < end; bar++) {
            if (footprint.start(bar) < footprint.end(bar)) {
                return true;
            }
        }
        return false;
    }

    /** How wide the bar itself is beside its cells. */
    static double spine(ChartModel chart) {
        return chart.time().barWidth() < 14 ? 3 : SPINE;
    }

    void paint(ChartModel chart, IndicatorLayer layer, PriceScale scale, Palette palette, Surface surface) {
        Footprint footprint = chart.data().flow().footprints().get(layer.id());
        TimeScale time = chart.time();
        int first = Math.max(0, time.firstVisible());
        int end = Math.min(footprint.bars(), time.endVisible(chart.bars().size()));
        double most = 0;
        double lowest = Double.MAX_VALUE;
        for (int bar = first; bar < end; bar++) {
            BarLevels levels = footprint.levels(bar);
            for (int row = footprint.start(bar); row < footprint.end(bar); row++) {
                most = Math.max(most, Math.max(levels.bid(row), levels.ask(row)));
            }
            if (footprint.start(bar) < footprint.end(bar)) {
                int row = footprint.start(bar);
                lowest = Math.min(lowest, Math.abs(scale.y(levels.bottom(row)) - scale.y(levels.top(row))));
            }
        }
        if (!(most > 0)) {
            return;
        }
        double half = (time.barWidth() - spine(chart)) / 2 - 2;
        boolean numbers = lowest >= TEXT_ROW && surface.textWidth(figure(most), Type.SMALL) + 2 * GAP <= half;
        clear();
        for (int bar = first; bar < end; bar++) {
            bar(chart, footprint, bar, scale, most, surface);
        }
        double opacity = layer.style().opacity();
        for (int shade = 0; shade < SHADES; shade++) {
            double strength = opacity * (FAINTEST + (STRONGEST - FAINTEST) * shade / (SHADES - 1));
            sold[shade].fill(surface, Palette.fade(palette.of(Role.FALL), numbers ? strength * 0.6 : strength));
            bought[shade].fill(surface, Palette.fade(palette.of(Role.RISE), numbers ? strength * 0.6 : strength));
        }
        soldEdges.fill(surface, palette.of(Role.FALL));
        boughtEdges.fill(surface, palette.of(Role.RISE));
        frames.fill(surface, palette.of(Role.INK));
        ends.fill(surface, palette.of(Role.SOFT));
        if (numbers) {
            for (int bar = first; bar < end; bar++) {
                numbers(chart, footprint, bar, scale, palette, surface);
            }
        }
    }

    private void clear() {
        for (int shade = 0; shade < SHADES; shade++) {
            sold[shade].clear();
            bought[shade].clear();
        }
        soldEdges.clear();
        boughtEdges.clear();
        frames.clear();
        ends.clear();
    }

    private void bar(ChartModel chart, Footprint footprint, int bar, PriceScale scale, double most, Surface surface) {
        TimeScale time = chart.time();
        BarLevels levels = footprint.levels(bar);
        int start = footprint.start(bar);
        int end = footprint.end(bar);
        double pixel = surface.hairline();
        double spine = spine(chart);
        double left = surface.snap(time.x(bar) + 1);
        double right = surface.snap(time.x(bar + 1) - 1);
        double inLeft = surface.snap(time.middle(bar) - spine / 2 - 1);
        double inRight = surface.snap(time.middle(bar) + spine / 2 + 1);
        int control = footprint.control(bar);
        int row = start;
        while (row < end) {
            double one = scale.y(levels.bottom(row));
            int next = row;
            double bid = 0;
            double ask = 0;
            boolean isBought = false;
            boolean isSold = false;
            boolean isControl = false;
            double other;
            do {
                bid = Math.max(bid, levels.bid(next));
                ask = Math.max(ask, levels.ask(next));
                isBought |= footprint.imbalance().isBought(levels, start, next);
                isSold |= footprint.imbalance().isSold(levels, end, next);
                isControl |= next == control;
                other = scale.y(levels.top(next));
                next++;
            } while (next < end && Math.abs(other - one) < LEAST_ROW);
            double top = surface.snap(Math.min(one, other));
            double height = Math.max(pixel, surface.snap(Math.max(one, other)) - top);
            double gap = height >= 5 ? pixel : 0;
            cell(sold, bid / most, left, top, inLeft - left, height - gap);
            cell(bought, ask / most, inRight, top, right - inRight, height - gap);
            double edge = Math.max(pixel, Math.min(2, (right - left) / 10));
            boolean roomy = right - left >= 14;
            if (isSold && roomy) {
                soldEdges.rectangle(left, top, edge, height - gap);
            }
            if (isBought && roomy) {
                boughtEdges.rectangle(right - edge, top, edge, height - gap);
            }
            if (isControl && right - left >= 24) {
                frame(left, top, right - left, height - gap, pixel);
            }
            row = next;
        }
        if (start < end && right - left >= 20) {
            open(levels, start, scale.y(levels.bottom(start)), inLeft, inRight, surface);
            open(levels, end - 1, scale.y(levels.top(end - 1)), inLeft, inRight, surface);
        }
    }

    private static void cell(Batch[] shades, double share, double x, double y, double width, double height) {
        if (share > 0 && width > 0) {
            // By the square root: of sizes that differ much the small ones are seen, too.
            int shade = (int) Math.min(SHADES - 1, Math.sqrt(share) * SHADES);
            shades[shade].rectangle(x, y, width, height);
        }
    }

    private void frame(double x, double y, double width, double height, double line) {
        frames.rectangle(x, y, width, line);
        frames.rectangle(x, y + height - line, width, line);
        frames.rectangle(x, y, line, height);
        frames.rectangle(x + width - line, y, line, height);
    }

    /** Dots beyond an end at which both sides traded. */
    private void open(BarLevels levels, int place, double y, double from, double to, Surface surface) {
        if (!(levels.bid(place) > 0 && levels.ask(place) > 0)) {
            return;
        }
        boolean isUp = y < (levels.bottom(place) > levels.top(place) ? y : y + 1);
        for (double x = from - 3; x < to + 3; x += 4) {
            ends.rectangle(surface.snap(x), surface.snap(isUp ? y - 1 : y), 2, surface.hairline());
        }
    }

    private void numbers(
            ChartModel chart, Footprint footprint, int bar, PriceScale scale, Palette palette, Surface surface) {
        TimeScale time = chart.time();
        BarLevels levels = footprint.levels(bar);
        int start = footprint.start(bar);
        int end = footprint.end(bar);
        double inLeft = time.middle(bar) - spine(chart) / 2 - 1 - GAP;
        double inRight = time.middle(bar) + spine(chart) / 2 + 1 + GAP;
        for (int row = start; row < end; row++) {
            double y = (scale.y(levels.bottom(row)) + scale.y(levels.top(row))) / 2;
            boolean isSold = footprint.imbalance().isSold(levels, end, row);
            boolean isBought = footprint.imbalance().isBought(levels, start, row);
            surface.text(
                    figure(levels.bid(row)),
                    inLeft,
                    y,
                    Type.SMALL,
                    Align.RIGHT,
                    palette.of(isSold ? Role.INK : Role.SOFT));
            surface.text(
                    figure(levels.ask(row)),
                    inRight,
                    y,
                    Type.SMALL,
                    Align.LEFT,
                    palette.of(isBought ? Role.INK : Role.SOFT));
        }
    }

    /** A volume in few letters. */
    static String figure(double volume) {
        if (volume >= 1e6) {
            return Math.round(volume / 1e5) / 10.0 + "M";
        }
        if (volume >= 1e4) {
            return Math.round(volume / 1e3) + "k";
        }
        return volume == Math.rint(volume)
                ? Long.toString((long) volume)
                : Double.toString(Math.rint(volume * 10) / 10);
    }
}
