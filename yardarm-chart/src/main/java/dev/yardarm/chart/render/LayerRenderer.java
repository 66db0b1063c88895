package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.series.Column;
import java.util.List;

/**
 * Draws an indicator: the zones beyond its outermost levels, the areas between its outputs, then each output in its form.
 * A displaced output is drawn on a time scale moved by so many bars. Where several bars share a pixel every form becomes
 * a line through their extremes.
 */
final class LayerRenderer {
    private static final double[] DASHED = {6, 4};
    /** Between a bar and the arrow at it. */
    private static final double ARROW_GAP = 5;

    private static final double DOT = 3;
    /** Below this width of bars, forms that need room for each bar become lines. */
    private static final double LEAST = 2.5;

    private final AreaRenderer areas = new AreaRenderer();
    private final Provisional provisional = new Provisional();
    private final Batch points = new Batch();
    private final Batch rises = new Batch();
    private final Batch falls = new Batch();

    void paint(ChartModel chart, Pane pane, IndicatorLayer layer, Palette palette, Surface surface) {
        List<ChartData.Line> lines = chart.data().of(layer);
        if (lines.isEmpty()) {
            return;
        }
        PriceScale scale = pane.scaleOf(layer);
        if (pane.kind() == Pane.Kind.INDICATOR) {
            areas.zones(chart, layer, scale, palette, surface);
        }
        for (Indicator.Fill fill : layer.indicator().fills()) {
            if (layer.fills(fill)) {
                areas.fill(chart, layer, lines, fill, scale, palette, surface);
            }
        }
        for (int output = 0; output < lines.size(); output++) {
            if (layer.draws(output)) {
                output(chart, pane, layer, output, lines.get(output), palette, surface);
            }
        }
    }

    static TimeScale moved(ChartModel chart, IndicatorLayer layer, int output) {
        TimeScale time = chart.time();
        int bars = layer.indicator().displacement(layer.settings(), output);
        return bars == 0 ? time : new TimeScale(time.left(), time.right(), time.barWidth(), time.edge() - bars);
    }

    private void output(
            ChartModel chart,
            Pane pane,
            IndicatorLayer layer,
            int output,
            ChartData.Line line,
            Palette palette,
            Surface surface) {
        OutputStyle style = layer.outputStyle(output);
        int number = layer.colourOf(output);
        int colour = Palette.fade(palette.drawn(number), layer.style().opacity());
        PriceScale scale = pane.scaleOf(layer);
        TimeScale time = moved(chart, layer, output);
        if (layer.indicator().outputs().get(output).cue()) {
            switch (style.form()) {
                case TINT -> {
                    // The bars of the price show it.
                }
                case UP, DOWN -> arrows(chart, time, pane, style.form(), line.column(), colour, surface);
                default -> marks(chart, time, pane, line.column(), colour, surface);
            }
            return;
        }
        boolean roomy = time.barWidth() >= LEAST;
        boolean plain = style.colouring() == OutputStyle.Colouring.PLAIN;
        Column tint = chart.data().tint(layer, output);
        int tinted = style.tint() == null
                ? colour
                : Palette.fade(
                        palette.drawn(style.tint().colour()), layer.style().opacity());
        switch (roomy
                ? style.form()
                : style.form() == Indicator.Form.DASHED ? Indicator.Form.DASHED : Indicator.Form.LINE) {
            case COLUMNS ->
                columns(chart, time, scale, line.column(), style, colour, tint, tinted, layer, palette, surface);
            case DOTS -> dots(chart, time, scale, line.column(), colour, tint, tinted, surface);
            case STEPS ->
                steps(chart, time, scale, line.column(), colour, tint, tinted, layer.widthOf(output), surface);
            case BARS -> bars(chart, time, scale, chart.data().of(layer), colour, surface);
            case AREA -> {
                areas.ground(chart, time, scale, layer, style, line.column(), colour, surface);
                trace(chart, time, scale, line, colour, layer.widthOf(output), Palette.dash(number), surface);
            }
            default -> {
                if (plain || !roomy) {
                    double[] dash = style.form() == Indicator.Form.DASHED ? DASHED : Palette.dash(number);
                    trace(chart, time, scale, line, colour, layer.widthOf(output), dash, surface);
                } else {
                    coloured(chart, time, scale, line.column(), style.colouring(), layer, palette, surface);
                }
                if (tint != null && roomy) {
                    tinted(chart, time, scale, line.column(), tint, tinted, layer.widthOf(output), surface);
                }
            }
        }
    }

    private void trace(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            ChartData.Line line,
            int colour,
            double width,
            double[] dash,
            Surface surface) {
        Column column = line.column();
        SeriesRenderer.trace(
                chart,
                time,
                scale,
                line.extremes(),
                column::at,
                column.size(),
                surface,
                points,
                drawn -> surface.line(colour, width, dash, drawn.values(), drawn.points()));
        SeriesRenderer.traceForming(chart, time, scale, column::at, colour, width, provisional, surface);
    }

    static int from(TimeScale time) {
        return Math.max(0, time.firstVisible() - 1);
    }

    static int end(ChartModel chart, TimeScale time) {
        return Math.min(chart.bars().size(), time.endVisible(chart.bars().size()) + 1);
    }

    private void columns(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            Column column,
            OutputStyle style,
            int colour,
            Column tint,
            int tinted,
            IndicatorLayer layer,
            Palette palette,
            Surface surface) {
        rises.clear();
        falls.clear();
        points.clear();
        double base = scale.y(Math.max(scale.low(), Math.min(scale.high(), 0)));
        double wide = Math.max(surface.hairline(), surface.snap(time.barWidth() * 0.6));
        int forming = Provisional.bar(chart, time);
        for (int bar = from(time); bar < end(chart, time); bar++) {
            double value = column.at(bar);
            if (!Double.isNaN(value)) {
                double y = scale.y(value);
                boolean down = isDown(column, bar, style.colouring());
                if (bar == forming) {
                    int settled = style.colouring() == OutputStyle.Colouring.PLAIN
                            ? colour
                            : palette.of(down ? Palette.Role.FALL : Palette.Role.RISE);
                    provisional.body(
                            surface,
                            settled,
                            Provisional.ground(settled),
                            surface.snap(time.middle(bar) - wide / 2),
                            wide,
                            surface.snap(base),
                            surface.snap(y));
                    continue;
                }
                (holds(tint, bar) ? points : down ? falls : rises)
                        .rectangle(
                                surface.snap(time.middle(bar) - wide / 2),
                                surface.snap(Math.min(y, base)),
                                wide,
                                Math.max(surface.hairline(), surface.snap(Math.abs(base - y))));
            }
        }
        boolean plain = style.colouring() == OutputStyle.Colouring.PLAIN;
        double opacity = layer.style().opacity();
        rises.fill(surface, plain ? colour : Palette.fade(palette.of(Palette.Role.RISE), opacity));
        falls.fill(surface, plain ? colour : Palette.fade(palette.of(Palette.Role.FALL), opacity));
        points.fill(surface, tinted);
    }

    private static boolean isDown(Column column, int bar, OutputStyle.Colouring colouring) {
        return switch (colouring) {
            case PLAIN -> false;
            case SIGN -> column.at(bar) < 0;
            case SLOPE -> column.at(bar) < column.at(bar - 1);
        };
    }

    private void coloured(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            Column column,
            OutputStyle.Colouring colouring,
            IndicatorLayer layer,
            Palette palette,
            Surface surface) {
        rises.clear();
        falls.clear();
        for (int bar = from(time) + 1; bar < end(chart, time); bar++) {
            if (!Double.isNaN(column.at(bar)) && !Double.isNaN(column.at(bar - 1))) {
                Batch side = isDown(column, bar, colouring) ? falls : rises;
                side.point(time.middle(bar - 1), scale.y(column.at(bar - 1)));
                side.point(time.middle(bar), scale.y(column.at(bar)));
            }
        }
        double opacity = layer.style().opacity();
        surface.segments(
                Palette.fade(palette.of(Palette.Role.RISE), opacity),
                layer.style().width(),
                rises.values(),
                rises.points() / 2);
        surface.segments(
                Palette.fade(palette.of(Palette.Role.FALL), opacity),
                layer.style().width(),
                falls.values(),
                falls.points() / 2);
    }

    private static boolean holds(Column tint, int bar) {
        return tint != null && tint.at(bar) == 1;
    }

    /** Draws the pieces of a line that lead to bars where the rule holds once more, in the other colour. */
    private void tinted(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            Column column,
            Column tint,
            int colour,
            double width,
            Surface surface) {
        points.clear();
        for (int bar = from(time) + 1; bar < end(chart, time); bar++) {
            if (holds(tint, bar) && !Double.isNaN(column.at(bar)) && !Double.isNaN(column.at(bar - 1))) {
                points.point(time.middle(bar - 1), scale.y(column.at(bar - 1)));
                points.point(time.middle(bar), scale.y(column.at(bar)));
            }
        }
        surface.segments(colour, width, points.values(), points.points() / 2);
    }

    private void dots(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            Column column,
            int colour,
            Column tint,
            int tinted,
            Surface surface) {
        points.clear();
        rises.clear();
        for (int bar = from(time); bar < end(chart, time); bar++) {
            double value = column.at(bar);
            if (!Double.isNaN(value)) {
                (holds(tint, bar) ? rises : points)
                        .rectangle(
                                surface.snap(time.middle(bar) - DOT / 2),
                                surface.snap(scale.y(value) - DOT / 2),
                                DOT,
                                DOT);
            }
        }
        points.fill(surface, colour);
        rises.fill(surface, tinted);
    }

    /** Level from bar to bar, upright where it changes by little; a level that begins anew is not tied to the last. */
    private void steps(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            Column column,
            int colour,
            Column tint,
            int tinted,
            double width,
            Surface surface) {
        points.clear();
        rises.clear();
        for (int bar = from(time); bar < end(chart, time); bar++) {
            double value = column.at(bar);
            if (!Double.isNaN(value)) {
                Batch side = holds(tint, bar) ? rises : points;
                side.point(time.x(bar), scale.y(value));
                side.point(time.x(bar + 1), scale.y(value));
            }
        }
        surface.segments(colour, width, points.values(), points.points() / 2);
        surface.segments(tinted, width, rises.values(), rises.points() / 2);
    }

    /** Bars of another instrument: the range, the open at its left, the close at its right, all in the layer's colour. */
    private void bars(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            List<ChartData.Line> lines,
            int colour,
            Surface surface) {
        points.clear();
        double line = Math.max(surface.hairline(), surface.snap(time.barWidth() >= 9 ? 2 : 1));
        double arm = Math.max(line, surface.snap(Math.min(time.barWidth() * 0.36, 5)));
        for (int bar = from(time); bar < end(chart, time); bar++) {
            double close = lines.get(0).column().at(bar);
            if (!Double.isNaN(close)) {
                double stem = surface.snap(time.middle(bar) - line / 2);
                double one = scale.y(lines.get(2).column().at(bar));
                double other = scale.y(lines.get(3).column().at(bar));
                double upper = surface.snap(Math.min(one, other));
                points.rectangle(stem, upper, line, Math.max(line, surface.snap(Math.max(one, other)) - upper));
                points.rectangle(
                        stem - arm, surface.snap(scale.y(lines.get(1).column().at(bar)) - line / 2), arm, line);
                points.rectangle(stem + line, surface.snap(scale.y(close) - line / 2), arm, line);
            }
        }
        points.fill(surface, colour);
    }

    /** A yes as a mark at the pane's foot. */
    private void marks(ChartModel chart, TimeScale time, Pane pane, Column column, int colour, Surface surface) {
        points.clear();
        double size = Math.max(surface.hairline(), Math.min(5, time.barWidth() * 0.8));
        for (int bar = from(time); bar < end(chart, time); bar++) {
            if (column.at(bar) == 1) {
                points.rectangle(surface.snap(time.middle(bar) - size / 2), surface.snap(pane.bottom() - 6), size, 4);
            }
        }
        points.fill(surface, colour);
    }

    /** Arrows at the bars where a condition holds: below them up, above them down; at the edges of a pane without bars. */
    private void arrows(
            ChartModel chart,
            TimeScale time,
            Pane pane,
            Indicator.Form form,
            Column column,
            int colour,
            Surface surface) {
        boolean up = form == Indicator.Form.UP;
        boolean beside = pane.kind() == Pane.Kind.PRICE;
        double half = Math.max(2, Math.min(5, time.barWidth() * 0.45));
        double way = up ? 1 : -1;
        for (int bar = from(time); bar < end(chart, time); bar++) {
            if (column.at(bar) != 1) {
                continue;
            }
            double x = time.middle(bar);
            double tip;
            if (beside) {
                double high = pane.scale().y(chart.drawnBars().high(bar));
                double low = pane.scale().y(chart.drawnBars().low(bar));
                tip = up ? Math.max(high, low) + ARROW_GAP : Math.min(high, low) - ARROW_GAP;
            } else {
                tip = up ? pane.bottom() - ARROW_GAP - 1.6 * half : pane.top() + ARROW_GAP + 1.6 * half;
            }
            points.clear();
            points.point(x, tip);
            points.point(x + half, tip + way * 1.6 * half);
            points.point(x - half, tip + way * 1.6 * half);
            surface.fillPolygon(colour, points.values(), 3);
        }
    }
}
