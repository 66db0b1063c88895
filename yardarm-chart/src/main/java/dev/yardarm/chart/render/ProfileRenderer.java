package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.PriceRows;
import dev.yardarm.core.profile.ProfileTerm;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.profile.ViewProfileTerm;
import dev.yardarm.core.profile.VolumeAreas;
import java.util.List;
import java.util.Map;

/**
 * Volume profiles, which never hide bars: they lie below them, or over them so thin that they show through, or outside of their span. Those
 * of spans go from the beginning of each to the right or from its end to the left, that of the view lies at its edge. Rows of the value area are darker, that of the point of control is darkest; told apart by side, what was
 * sold lies at the base and what was bought beyond it. What nothing has reached since is drawn by
 * {@link UntouchedRenderer}. Rows that are lower than a pixel are drawn together, as wide as the widest of them. Cost: the rows of the spans in view.
 */
final class ProfileRenderer {
    private static final double WIDEST = 150;
    private static final double NARROWEST = 6;
    private static final String DRAWN = "drawn";
    /** How much of its opacity one has over the bars. */
    private static final double THIN = 0.7;

    private final UntouchedRenderer untouched = new UntouchedRenderer();
    private final Batch outside = new Batch();
    private final Batch inside = new Batch();
    private final Batch control = new Batch();
    private final Batch sold = new Batch();
    private final Batch soldIn = new Batch();
    private final Batch line = new Batch();

    /** @param over true for those that lie over the bars, false for all others */
    void paint(ChartModel chart, Pane pane, boolean over, Palette palette, Surface surface, Labels labels) {
        Map<String, List<SpanProfile>> all = chart.data().flow().profiles();
        for (IndicatorLayer layer : pane.indicators()) {
            if (!layer.style().showsOn(chart.timeframe())) {
                continue;
            }
            List<SpanProfile> spans = all.getOrDefault(layer.id(), List.of());
            Footprint view = chart.data().flow().viewed().get(layer.id());
            if (spans.isEmpty() && view == null || isOver(layer) != over) {
                continue;
            }
            clear();
            for (SpanProfile each : spans) {
                span(chart, layer, pane.scale(), each, surface);
            }
            if (view != null) {
                view(chart, layer, view, pane.scale(), surface);
            }
            fill(layer, palette, surface);
            if (!spans.isEmpty() && layer.settings().word("areas").equals("named")) {
                areas(chart, pane, layer, spans.get(spans.size() - 1), palette, surface, labels);
            }
            untouched.paint(chart, pane, layer, palette, surface, labels);
        }
    }

    private void clear() {
        outside.clear();
        inside.clear();
        control.clear();
        sold.clear();
        soldIn.clear();
    }

    private void fill(IndicatorLayer layer, Palette palette, Surface surface) {
        boolean isSplit = isSplit(layer);
        int colour = isSplit ? palette.of(Role.RISE) : palette.drawn(layer.leadColour());
        double opacity = layer.style().opacity() * (isOver(layer) ? THIN : 1);
        outside.fill(surface, Palette.fade(colour, (isSplit ? 0.24 : 0.14) * opacity));
        inside.fill(surface, Palette.fade(colour, (isSplit ? 0.42 : 0.28) * opacity));
        control.fill(surface, Palette.fade(isSplit ? palette.of(Role.INK) : colour, 0.6 * opacity));
        sold.fill(surface, Palette.fade(palette.of(Role.FALL), 0.24 * opacity));
        soldIn.fill(surface, Palette.fade(palette.of(Role.FALL), 0.42 * opacity));
    }

    private static boolean isOver(IndicatorLayer layer) {
        return layer.settings().word(DRAWN).equals(ProfileTerm.OVER);
    }

    private static boolean isSplit(IndicatorLayer layer) {
        return !layer.settings().word("split").equals("nothing");
    }

    private void span(ChartModel chart, IndicatorLayer layer, PriceScale scale, SpanProfile span, Surface surface) {
        TimeScale time = chart.time();
        double left = time.x(chart.axis().bar(span.from()));
        double right = time.x(chart.axis().bar(span.to() - 1) + 1);
        boolean fromRight = layer.settings().word("side").equals("right");
        double share = layer.settings().whole("wide") / 100.0;
        if (layer.settings().word(DRAWN).equals(ProfileTerm.BESIDE)) {
            double wide = Math.min(WIDEST, share * (right - left));
            if (right + wide > time.left() && left - wide < chart.plotRight()) {
                rows(span, scale, fromRight ? right : left, fromRight ? wide : -wide, isSplit(layer), surface);
            }
            return;
        }
        if (right <= time.left() || left >= chart.plotRight()) {
            return;
        }
        // Of a span that began before the view what can be seen of it has the profile.
        left = Math.max(left, time.left());
        double wide = Math.min(WIDEST, share * (right - left));
        rows(span, scale, fromRight ? right : left, fromRight ? -wide : wide, isSplit(layer), surface);
    }

    private void view(ChartModel chart, IndicatorLayer layer, Footprint view, PriceScale scale, Surface surface) {
        TimeScale time = chart.time();
        int first = Math.max(0, time.firstVisible());
        int end = Math.min(
                Math.min(view.bars(), chart.bars().size()),
                time.endVisible(chart.bars().size()));
        if (first >= end) {
            return;
        }
        SpanProfile profile = ViewProfileTerm.of(
                view, chart.bars(), first, end, layer.settings().number("area") / 100);
        double wide = layer.settings().whole("wide") / 100.0 * (chart.plotRight() - time.left());
        boolean fromRight = layer.settings().word("side").equals("right");
        rows(
                profile,
                scale,
                fromRight ? chart.plotRight() : time.left(),
                fromRight ? -wide : wide,
                isSplit(layer),
                surface);
    }

    /** @param wide of the widest row; below zero to the left */
    private void rows(SpanProfile span, PriceScale scale, double base, double wide, boolean isSplit, Surface surface) {
        PriceRows rows = span.rows();
        double most = rows.isEmpty() ? 0 : rows.volume(span.area().control());
        if (Math.abs(wide) < NARROWEST || !(most > 0)) {
            return;
        }
        double pixel = surface.hairline();
        double widest = 0;
        double widestSold = 0;
        double from = Double.NaN;
        for (long row = rows.lowest(); row <= rows.highest(); row++) {
            double one = scale.y(rows.bottom(row));
            double other = scale.y(rows.bottom(row + 1));
            from = Double.isNaN(from) ? one : from;
            if (rows.volume(row) >= widest) {
                widest = rows.volume(row);
                widestSold = rows.bid(row);
            }
            boolean isControl = row == span.area().control();
            if (Math.abs(other - from) < pixel && row != rows.highest() && !isControl) {
                continue;
            }
            boolean isIn = row >= span.area().low() && row <= span.area().high();
            double top = surface.snap(Math.min(from, other));
            double height = Math.max(pixel, surface.snap(Math.max(from, other)) - top);
            double all = wide * widest / most;
            double ofSold = isSplit ? wide * widestSold / most : 0;
            bar(isIn ? soldIn : sold, base, ofSold, top, height);
            bar(isControl && !isSplit ? control : isIn ? inside : outside, base + ofSold, all - ofSold, top, height);
            if (isControl && isSplit) {
                // The row stays told apart; a bar at its end says that it is the widest.
                bar(control, base + all, Math.signum(wide) * 3, top, height);
            }
            widest = 0;
            widestSold = 0;
            from = other;
        }
    }

    private static void bar(Batch batch, double base, double wide, double top, double height) {
        if (wide != 0) {
            batch.rectangle(Math.min(base, base + wide), top, Math.abs(wide), height);
        }
    }

    /** The high and thin areas of the newest profile: a clamp at its base for each, with its name where there is room. */
    private void areas(
            ChartModel chart,
            Pane pane,
            IndicatorLayer layer,
            SpanProfile span,
            Palette palette,
            Surface surface,
            Labels labels) {
        double left = chart.time().x(chart.axis().bar(span.from()));
        double right = chart.time().x(chart.axis().bar(span.to() - 1) + 1);
        if (right <= chart.time().left() || left >= chart.plotRight() || right - left < WIDEST / 2) {
            return;
        }
        boolean fromRight = layer.settings().word("side").equals("right");
        double x = fromRight
                ? Math.min(right, chart.plotRight())
                : Math.max(left, chart.time().left());
        // On the side of the base where there are no rows.
        boolean isRightOf = fromRight != layer.settings().word(DRAWN).equals(ProfileTerm.BESIDE);
        int colour = palette.drawn(layer.leadColour());
        line.clear();
        for (VolumeAreas.Area area : VolumeAreas.of(span.rows())) {
            double one = pane.scale().y(span.rows().bottom(area.low()));
            double other = pane.scale().y(span.rows().bottom(area.high() + 1));
            double top = Math.max(pane.top(), Math.min(one, other));
            double bottom = Math.min(pane.bottom(), Math.max(one, other));
            if (bottom - top < 3) {
                continue;
            }
            double width = area.isHigh() ? 3 : 1;
            line.rectangle(isRightOf ? x : x - width, top, width, bottom - top);
            labels.add(new Label(
                    "",
                    area.isHigh() ? "high area" : "thin area",
                    area.isHigh() ? "high" : "thin",
                    Type.SMALL,
                    palette.of(Role.SOFT),
                    Palette.fade(palette.of(Role.PAPER), 0.85),
                    Label.Rank.SPARE,
                    0,
                    ChartPainter.area(chart, pane),
                    List.of(new Label.Spot(
                            isRightOf ? x + 5 : x - 6, (top + bottom) / 2, isRightOf ? Align.LEFT : Align.RIGHT))));
        }
        line.fill(surface, Palette.fade(colour, layer.style().opacity()));
    }
}
