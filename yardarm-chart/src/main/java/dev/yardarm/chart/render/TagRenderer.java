package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Wait;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Draws the value tags on the price axis: the last price, levels, the last value of each indicator. The last price stays
 * where it is; the others give way within their pane, the more important first. What would have to move too far is
 * counted at the foot of the pane. A small chart has tags for the last price and what is selected alone.
 */
final class TagRenderer {
    private static final double HEIGHT = 16;
    /** Farther from its value no tag stands. */
    private static final double FARTHEST = 5 * HEIGHT;

    /**
     * A tag before and in its place.
     *
     * @param name what it is of, for the hover of what is counted
     */
    private record Tag(double y, String text, int colour, boolean filled, String name, boolean awaited, Rank rank) {
        Tag at(double newY) {
            return new Tag(newY, text, colour, filled, name, awaited, rank);
        }
    }

    private final Batch shapes = new Batch();
    private final List<Tag> placed = new ArrayList<>();
    private final List<Labels.Count> counts = new ArrayList<>();
    /** Heights of prices that alerts wait for. */
    private final List<Double> awaitedAt = new ArrayList<>();

    /** Works out where the tags lie; {@link #paint} draws them, {@link #covers} tells what they hide. */
    void place(ChartModel chart, Palette palette, Surface surface, Labels labels) {
        placed.clear();
        counts.clear();
        awaitedAt.clear();
        for (Pane pane : chart.panes()) {
            List<Tag> tags = new ArrayList<>();
            if (pane.folded()) {
                continue;
            }
            if (pane.kind() == Pane.Kind.PRICE) {
                addPrice(chart, pane, palette, tags);
                addLevels(chart, pane, palette, tags);
                addAwaited(chart, pane, palette, tags);
            }
            for (IndicatorLayer layer : pane.indicators()) {
                addIndicator(chart, pane, layer, palette, tags, labels);
            }
            arrange(chart, tags, pane, surface);
        }
    }

    /** True when a label at this height would touch a tag. */
    boolean covers(double y) {
        for (Tag tag : placed) {
            if (Math.abs(tag.y() - y) < HEIGHT - 2) {
                return true;
            }
        }
        for (Labels.Count count : counts) {
            if (y > count.box().top() - 7 && y < count.box().bottom() + 7) {
                return true;
            }
        }
        return false;
    }

    /** The tags that had no place, one entry for each pane. */
    List<Labels.Count> counts() {
        return counts;
    }

    void paint(ChartModel chart, Palette palette, Surface surface) {
        // A tag may have given way; a short stroke at the edge of the plot says where the price itself is.
        shapes.clear();
        for (double y : awaitedAt) {
            shapes.rectangle(chart.plotRight() - 8, surface.snap(y), 8, surface.hairline());
        }
        shapes.fill(surface, palette.of(Role.INK));
        for (Tag tag : placed) {
            paint(chart, tag, palette, surface);
        }
        for (Labels.Count count : counts) {
            shapes.clear();
            shapes.rectangle(
                    count.box().left(),
                    count.box().top(),
                    count.box().width(),
                    count.box().height());
            shapes.fill(surface, palette.of(Role.INK));
            surface.text(
                    "+" + count.texts().size(),
                    (count.box().left() + count.box().right()) / 2,
                    (count.box().top() + count.box().bottom()) / 2,
                    Type.SMALL,
                    Align.CENTRE,
                    palette.of(Role.PAPER));
        }
    }

    private static void addPrice(ChartModel chart, Pane pane, Palette palette, List<Tag> tags) {
        Bars bars = chart.bars();
        int last = bars.size() - 1;
        double close = chart.data().last();
        double before = last > 0 ? bars.close(last - 1) : bars.open(last);
        int colour = palette.of(close > before ? Role.RISE : close < before ? Role.FALL_TEXT : Role.INK);
        double y = pane.scale().y(close);
        tags.add(new Tag(y, AxisText.price(chart, close), colour, true, "last", false, Rank.CHOSEN));
    }

    private static void addLevels(ChartModel chart, Pane pane, Palette palette, List<Tag> tags) {
        Set<String> awaited = chart.alerts().stream().map(Alert::drawing).collect(Collectors.toSet());
        List<String> selected = chart.selection().drawings();
        for (Drawing drawing : chart.drawings()) {
            boolean chosen = selected.contains(drawing.id());
            if (chart.shows(drawing) && drawing.is(Drawing.LEVEL) && (chosen || !chart.isSmall())) {
                double price = drawing.anchors().get(0).price();
                boolean waits = awaited.contains(drawing.id());
                tags.add(new Tag(
                        pane.scale().y(price),
                        AxisText.price(chart, price),
                        palette.series(drawing.colour()),
                        false,
                        drawing.title(),
                        waits,
                        chosen ? Rank.CHOSEN : waits ? Rank.ALERT : Rank.LEVEL));
            }
        }
    }

    /** Prices that alerts wait for and no drawing shows. */
    private void addAwaited(ChartModel chart, Pane pane, Palette palette, List<Tag> tags) {
        Set<Double> told = new HashSet<>();
        for (Alert alert : chart.alerts()) {
            for (Wait wait : alert.waits()) {
                if (wait.on() instanceof Awaited.Price at && !chart.isSmall() && told.add(at.price())) {
                    double y = pane.scale().y(at.price());
                    if (y > pane.top() && y < pane.bottom()) {
                        awaitedAt.add(y);
                    }
                    tags.add(new Tag(
                            y,
                            AxisText.price(chart, at.price()),
                            palette.of(Role.INK),
                            false,
                            "alert",
                            true,
                            Rank.ALERT));
                }
            }
        }
    }

    private static void addIndicator(
            ChartModel chart, Pane pane, IndicatorLayer layer, Palette palette, List<Tag> tags, Labels labels) {
        boolean chosen =
                chart.selection() instanceof Selection.Layer of && of.id().equals(layer.id());
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
            double y = pane.scaleOf(layer).y(value);
            int colour = palette.drawn(layer.colourOf(output));
            if (layer.indicator().isOfBars()) {
                addName(chart, pane, layer.title() + "  " + text, y, colour, palette, labels);
            } else if (chosen || !chart.isSmall() && (output == 0 || pane.kind() != Pane.Kind.PRICE)) {
                // Among prices only the first of its lines: the legend has the values of the others.
                tags.add(new Tag(y, text, colour, false, layer.title(), false, chosen ? Rank.CHOSEN : Rank.REST));
            }
        }
    }

    /** Name and value of what is compared stand at the end of its line, in the plot. */
    private static void addName(
            ChartModel chart, Pane pane, String text, double y, int colour, Palette palette, Labels labels) {
        double end = chart.time().middle(chart.bars().size() - 1);
        List<Spot> spots = new ArrayList<>();
        for (double away : new double[] {0, -12, 12, -26, 26, -40, 40, -54, 54, -68, 68}) {
            spots.add(new Spot(end + 8, y + away, Align.LEFT));
            spots.add(new Spot(chart.plotRight() - 5, y + away, Align.RIGHT));
        }
        labels.add(new Label(
                "",
                text,
                text.substring(0, text.indexOf("  ")),
                Type.SMALL,
                colour,
                Palette.fade(palette.of(Role.PAPER), 0.85),
                Rank.LEVEL,
                0,
                ChartPainter.area(chart, pane),
                spots));
    }

    /** The first tag stays; the others take the free place nearest to their value, the more important ones first. */
    private void arrange(ChartModel chart, List<Tag> tags, Pane pane, Surface surface) {
        List<Tag> inView = new ArrayList<>(tags.stream()
                .filter(tag -> tag.y() > pane.top() - 1 && tag.y() < pane.bottom() + 1)
                .toList());
        if (inView.isEmpty()) {
            return;
        }
        double centre = pane.kind() == Pane.Kind.PRICE
                ? pane.scale().y(chart.data().last())
                : inView.get(0).y();
        inView.sort(Comparator.comparing(Tag::filled)
                .reversed()
                .thenComparing(Tag::rank)
                .thenComparingDouble(tag -> Math.abs(tag.y() - centre)));
        List<Tag> gone = new ArrayList<>();
        List<Tag> stood = stand(inView, pane, pane.bottom(), gone);
        if (!gone.isEmpty()) {
            // Once more, with room for their number.
            double foot = pane.bottom() - HEIGHT + 1;
            gone.clear();
            stood = stand(inView, pane, foot, gone);
            double width = surface.textWidth("+" + Math.max(10, gone.size()), Type.SMALL) + 8;
            counts.add(new Labels.Count(
                    gone.stream().map(tag -> tag.name() + "  " + tag.text()).toList(),
                    new Box(chart.width() - 2 - width, foot, chart.width() - 2, foot + HEIGHT - 2)));
        }
        placed.addAll(stood);
    }

    private static List<Tag> stand(List<Tag> wanted, Pane pane, double bottom, List<Tag> gone) {
        List<Tag> stood = new ArrayList<>();
        double least = pane.top() + HEIGHT / 2;
        double most = bottom - HEIGHT / 2;
        for (Tag tag : wanted) {
            double y = free(tag.filled() ? tag.y() : Math.max(least, Math.min(most, tag.y())), least, most, stood);
            if (tag.filled()) {
                stood.add(tag);
            } else if (Math.abs(y - tag.y()) <= FARTHEST) {
                stood.add(tag.at(y));
            } else {
                gone.add(tag);
            }
        }
        return stood;
    }

    /** The free height nearest to the wanted one; NaN when there is none. */
    private static double free(double wanted, double least, double most, List<Tag> stood) {
        double nearest = isFree(wanted, stood) ? wanted : Double.NaN;
        for (Tag other : stood) {
            for (double y : new double[] {other.y() - HEIGHT, other.y() + HEIGHT}) {
                boolean nearer = Double.isNaN(nearest) || Math.abs(y - wanted) < Math.abs(nearest - wanted);
                if (nearer && y >= least && y <= most && isFree(y, stood)) {
                    nearest = y;
                }
            }
        }
        return nearest;
    }

    private static boolean isFree(double y, List<Tag> stood) {
        for (Tag other : stood) {
            if (Math.abs(other.y() - y) < HEIGHT - 1e-6) {
                return false;
            }
        }
        return true;
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
        if (tag.awaited()) {
            paintAwaited(left + 5, top + HEIGHT / 2, palette, surface);
        }
        surface.text(
                tag.text(),
                chart.width() - 8,
                tag.y(),
                Type.SMALL,
                Align.RIGHT,
                tag.filled() ? palette.of(Role.PAPER) : palette.of(Role.INK));
    }

    /** An alert waits: a small pennant like that of one that fired, hanging. */
    private void paintAwaited(double x, double y, Palette palette, Surface surface) {
        shapes.clear();
        shapes.point(x, y - 4);
        shapes.point(x + 7, y);
        shapes.point(x, y + 4);
        surface.fillPolygon(palette.of(Role.SIGNAL), shapes.values(), 3);
        shapes.point(x, y - 4);
        surface.line(palette.of(Role.INK), 1, Palette.dash(0), shapes.values(), 4);
    }
}
