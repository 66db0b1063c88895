package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Draws the value tags on the price axis: the last price, the last value of each indicator, and levels. Tags that would
 * overlap are moved apart; the last price stays where it is.
 */
final class TagRenderer {
    private static final double HEIGHT = 16;
    private final Batch shapes = new Batch();

    /** @param name stands before the axis, beside the tag; empty for most */
    private record Tag(double y, String text, int colour, boolean filled, String name) {
        Tag(double y, String text, int colour, boolean filled) {
            this(y, text, colour, filled, "");
        }

        Tag at(double newY) {
            return new Tag(newY, text, colour, filled, name);
        }
    }

    private final List<Tag> placed = new ArrayList<>();

    /** Works out where the tags lie; {@link #paint} draws them, {@link #covers} tells what they hide. */
    void place(ChartModel chart, Palette palette) {
        placed.clear();
        for (Pane pane : chart.panes()) {
            List<Tag> tags = new ArrayList<>();
            if (pane.folded()) {
                continue;
            }
            if (pane.kind() == Pane.Kind.PRICE) {
                addPrice(chart, pane, palette, tags);
                addLevels(chart, pane, palette, tags);
            }
            for (IndicatorLayer layer : pane.indicators()) {
                addIndicator(chart, pane, layer, palette, tags);
            }
            placed.addAll(apart(tags, pane));
        }
    }

    /** True when a label at this height would touch a tag. */
    boolean covers(double y) {
        for (Tag tag : placed) {
            if (Math.abs(tag.y() - y) < HEIGHT - 2) {
                return true;
            }
        }
        return false;
    }

    void paint(ChartModel chart, Palette palette, Surface surface) {
        for (Tag tag : placed) {
            paint(chart, tag, palette, surface);
        }
    }

    private static void addPrice(ChartModel chart, Pane pane, Palette palette, List<Tag> tags) {
        Bars bars = chart.bars();
        int last = bars.size() - 1;
        double close = chart.data().last();
        double before = last > 0 ? bars.close(last - 1) : bars.open(last);
        int colour = palette.of(close > before ? Role.RISE : close < before ? Role.FALL_TEXT : Role.INK);
        double y = pane.scale().y(close);
        tags.add(new Tag(y, AxisText.price(chart, close), colour, true));
    }

    private static void addLevels(ChartModel chart, Pane pane, Palette palette, List<Tag> tags) {
        for (Drawing drawing : chart.drawings()) {
            if (chart.shows(drawing) && drawing.is(Drawing.LEVEL)) {
                double price = drawing.anchors().get(0).price();
                tags.add(new Tag(
                        pane.scale().y(price), AxisText.price(chart, price), palette.series(drawing.colour()), false));
            }
        }
    }

    private static void addIndicator(
            ChartModel chart, Pane pane, IndicatorLayer layer, Palette palette, List<Tag> tags) {
        List<ChartData.Line> lines = chart.data().of(layer);
        for (int output = 0; output < lines.size() && layer.style().showsOn(chart.timeframe()); output++) {
            double value = lines.get(output).column().last();
            // What is drawn back in time has its last value elsewhere than at the axis.
            boolean drawnBack = layer.indicator().displacement(layer.settings(), output) < 0;
            if (Double.isNaN(value)
                    || drawnBack
                    || !layer.draws(output)
                    || layer.indicator().outputs().get(output).cue()) {
                continue;
            }
            boolean asPrice = pane.kind() == Pane.Kind.PRICE
                    && layer.indicator().place().withPrice()
                    && layer.isOnPaneScale()
                    && !layer.indicator().isOfBars();
            int last = chart.bars().size() - 1;
            String change = Readout.change(chart, layer, last);
            String text = asPrice
                    ? AxisText.price(chart, value)
                    : !change.isEmpty() ? change : Readout.value(chart, layer, output, last);
            tags.add(new Tag(
                    pane.scaleOf(layer).y(value),
                    text,
                    palette.series(layer.colourOf(output)),
                    false,
                    layer.indicator().isOfBars() ? layer.title() : ""));
        }
    }

    /** The first tag stays; the others give way up or down, away from it, in the order of their height. */
    private static List<Tag> apart(List<Tag> tags, Pane pane) {
        List<Tag> placed = new ArrayList<>();
        List<Tag> inView = tags.stream()
                .filter(tag -> tag.y() > pane.top() - 1 && tag.y() < pane.bottom() + 1)
                .toList();
        if (inView.isEmpty()) {
            return placed;
        }
        Tag fixed = inView.get(0);
        placed.add(fixed);
        double above = fixed.y();
        double below = fixed.y();
        List<Tag> rest = new ArrayList<>(inView.subList(1, inView.size()));
        rest.sort(Comparator.comparingDouble((Tag tag) -> Math.abs(tag.y() - fixed.y())));
        for (Tag tag : rest) {
            if (tag.y() < fixed.y()) {
                above = Math.min(tag.y(), above - HEIGHT);
                placed.add(tag.at(above));
            } else {
                below = Math.max(tag.y(), below + HEIGHT);
                placed.add(tag.at(below));
            }
        }
        return placed;
    }

    private void paint(ChartModel chart, Tag tag, Palette palette, Surface surface) {
        double left = chart.plotRight() + 2;
        double width = chart.width() - left - 2;
        double top = surface.snap(tag.y() - HEIGHT / 2);
        shapes.clear();
        shapes.rectangle(left, top, width, HEIGHT);
        shapes.fill(surface, tag.filled() ? tag.colour() : palette.of(Role.PAPER));
        if (!tag.filled()) {
            shapes.clear();
            double pixel = surface.hairline();
            shapes.rectangle(left, top, 3, HEIGHT);
            shapes.rectangle(left, top, width, pixel);
            shapes.rectangle(left, top + HEIGHT - pixel, width, pixel);
            shapes.rectangle(left + width - pixel, top, pixel, HEIGHT);
            shapes.fill(surface, tag.colour());
        }
        surface.text(
                tag.text(),
                chart.width() - 8,
                tag.y(),
                Type.SMALL,
                Align.RIGHT,
                tag.filled() ? palette.of(Role.PAPER) : palette.of(Role.INK));
        if (!tag.name().isEmpty()) {
            double wide = surface.textWidth(tag.name(), Type.SMALL);
            shapes.clear();
            shapes.rectangle(chart.plotRight() - wide - 8, top, wide + 8, HEIGHT);
            shapes.fill(surface, Palette.fade(palette.of(Role.PAPER), 0.85));
            surface.text(tag.name(), chart.plotRight() - 4, tag.y(), Type.SMALL, Align.RIGHT, tag.colour());
        }
    }
}
