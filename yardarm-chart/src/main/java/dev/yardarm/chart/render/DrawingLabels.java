package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.FoundDrawings;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Sketch;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.structure.Figured;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The words of drawings as labels: where each would like to stand, and where else it may. Words at a line move along it, on
 * either of its sides; words at a point go around it and then away from it.
 */
final class DrawingLabels {
    /** How far words stand off their point. */
    private static final double LIFT = 11;
    /** Names of projected prices longer than this are cut to their last word. */
    private static final int LONG = 16;
    /** How far words at a line stand off it. */
    private static final double ON_LINE = 8;
    /** How often and how far words are moved along a line. */
    private static final int MOVES = 14;

    private static final double MOVE = 36;
    /** A ratio with its price, or a word with its price, can do without the price. */
    private static final Pattern PRICED = Pattern.compile("(.{1,30}?)\\s{2,}[-−\\d.,'+]+(\\s{2,}[-−+\\d.,]+ %)?");

    private final Palette palette;
    private final Labels labels;
    private final Box area;
    private final double last;
    private final double lastY;
    private final Set<String> awaited;
    private final PriceFormat format;

    DrawingLabels(ChartModel chart, Palette palette, Labels labels) {
        format = chart.instrument().map(Instrument::format).orElseGet(() -> PriceFormat.ofDecimals(2));
        this.palette = palette;
        this.labels = labels;
        area = ChartPainter.area(chart, chart.pricePane());
        last = chart.data().last();
        lastY = chart.price().y(last);
        awaited = chart.alerts().stream().map(Alert::drawing).collect(Collectors.toSet());
    }

    /** The words a drawing has of itself. */
    void addWords(Drawing drawing, DrawingShape shape, boolean chosen, int colour) {
        boolean words = drawing.figure().family() == Figure.Family.WORDS;
        for (DrawingShape.Words each : shape.words()) {
            if (each.x() < -200 || each.x() > area.right() + 200 || each.y() < area.top() || each.y() > area.bottom()) {
                continue;
            }
            boolean onLine = isOnLine(each.side());
            Rank rank = chosen
                    ? Rank.CHOSEN
                    : awaited.contains(drawing.id())
                            ? Rank.ALERT
                            : words ? Rank.WORDS : onLine ? Rank.LEVEL : Rank.REST;
            Type type = each.size() == 0 ? Type.SMALL : each.size() == 1 ? Type.BASE : Type.STRONG;
            add(drawing.id(), each.text(), type, colour, rank, each.y(), spots(each, shape));
        }
    }

    /** What a finding is called, at its last point, or on its line near the right edge where it goes on. */
    void addFound(FoundDrawings.Part part, Drawing drawing, DrawingShape shape, boolean chosen, int colour) {
        Found found = part.found();
        Figured figured = part.figured();
        String text = figured.label();
        boolean struck = figured.look() == Figured.Look.STRUCK;
        String brief = "";
        if (figured.look() == Figured.Look.PROJECTED) {
            double price = figured.anchors().get(0).price();
            // Of a long name the last word says what the price is.
            brief = (text.length() > LONG ? text.substring(text.lastIndexOf(' ') + 1) : text) + "  "
                    + format.format(price);
            text += "  " + format.format(price) + (last > 0 ? "  " + Readout.percent(price / last - 1) : "");
        }
        boolean level = figured.look() == Figured.Look.MAIN
                && !text.isEmpty()
                && ("right".equals(drawing.options().get("extend")) || drawing.is("level_ray"));
        if (level) {
            // What goes on to the right is read for its price first.
            String price = price(figured.anchors());
            brief = shorter(text) + "  " + price;
            text += "  " + price;
        }
        if (text.isEmpty() && chosen && figured == found.figured()) {
            text = found.words();
        }
        if (text.isEmpty()) {
            return;
        }
        double[] at = shape.handles();
        // What is over stands where it began: at its end the newest bars are.
        double y = struck ? at[1] : at[at.length - 1];
        double x = struck ? at[0] : at[at.length - 2];
        boolean goesOn = "right".equals(drawing.options().get("extend")) || drawing.is("level_ray");
        List<Spot> spots = new ArrayList<>();
        if (goesOn) {
            onLine(spots, shape, area.right() - 20, at[1], figured.above() ? -1 : 1, Align.RIGHT);
        } else if (struck) {
            // Before its line, so that no bar of after it is covered.
            for (double lift : new double[] {0, -LIFT, LIFT}) {
                spots.add(new Spot(x - 4, y + lift, Align.RIGHT));
            }
        } else if (x >= -40 && x <= area.right() + 40) {
            around(spots, x, y, new Spot(x, y + (figured.above() ? -LIFT : LIFT), Align.CENTRE));
        }
        if (!spots.isEmpty() && y >= area.top() && y <= area.bottom()) {
            Rank rank = chosen ? Rank.CHOSEN : struck ? Rank.SPARE : goesOn ? Rank.LEVEL : Rank.REST;
            Label label = label(
                    found.id(), text, brief.isEmpty() ? shorter(text) : brief, Type.SMALL, colour, rank, y, spots);
            labels.add(struck ? label.strike() : label);
        }
    }

    /** The price of a line, or the lower and the upper one of a zone. */
    private String price(List<Anchor> anchors) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (Anchor each : anchors) {
            low = Math.min(low, each.price());
            high = Math.max(high, each.price());
        }
        return low == high ? format.format(low) : format.format(low) + " to " + format.format(high);
    }

    /** The letter of the timeframe a drawing was made on, on its line near the right edge. */
    void addOrigin(Drawing drawing, DrawingShape.Line line, boolean chosen, int colour) {
        List<Spot> spots = new ArrayList<>();
        double end = line.points()[2 * line.count() - 2];
        for (int move = 0; move < MOVES; move++) {
            double x = Math.min(area.right() - 14, Math.max(end, line.points()[0])) - move * MOVE / 2;
            double y = along(line, x);
            if (!Double.isNaN(y)) {
                spots.add(new Spot(x, y, Align.CENTRE));
            }
        }
        double first = line.points()[2 * line.count() - 1];
        double y = spots.isEmpty() ? first : spots.get(0).y();
        spots.add(new Spot(end, first, Align.CENTRE));
        add(drawing.id(), drawing.origin().toString(), Type.SMALL, colour, chosen ? Rank.CHOSEN : Rank.LEVEL, y, spots);
    }

    /** How many levels of several drawings stand together at a height. */
    void addAgreement(String text, double y) {
        List<Spot> spots = new ArrayList<>();
        for (int move = 0; move < MOVES; move++) {
            spots.add(new Spot(area.right() - 8 - move * MOVE, y, Align.RIGHT));
        }
        labels.add(new Label(
                "",
                text,
                text.substring(0, text.indexOf(' ') + 7),
                Type.SMALL,
                palette.of(Role.PAPER),
                palette.of(Role.INK),
                Rank.LEVEL,
                Math.abs(y - lastY) - 1,
                area,
                spots));
    }

    private void add(String owner, String text, Type type, int colour, Rank rank, double y, List<Spot> spots) {
        labels.add(label(owner, text, shorter(text), type, colour, rank, y, spots));
    }

    private Label label(
            String owner, String text, String brief, Type type, int colour, Rank rank, double y, List<Spot> spots) {
        return new Label(
                owner,
                text,
                brief,
                type,
                colour | 0xFF000000,
                Palette.fade(palette.of(Role.PAPER), 0.85),
                rank,
                Math.abs(y - lastY),
                area,
                spots);
    }

    /** A ratio without its price; long words cut. */
    static String shorter(String text) {
        Matcher priced = PRICED.matcher(text);
        return priced.matches()
                ? priced.group(1)
                : text.length() > 16 ? text.substring(0, 13).strip() + "…" : text;
    }

    private static boolean isOnLine(Sketch.Side side) {
        return side == Sketch.Side.RIGHT_EDGE || side == Sketch.Side.BELOW_EDGE || side == Sketch.Side.LEFT_EDGE;
    }

    private List<Spot> spots(DrawingShape.Words words, DrawingShape shape) {
        List<Spot> spots = new ArrayList<>();
        double x = words.x();
        double y = words.y();
        // What stands at a point near the edge stands inside of it.
        double right = Math.min(x, area.right() - 4);
        switch (words.side()) {
            case RIGHT_EDGE -> onLine(spots, shape, right - 4, y, -1, Align.RIGHT);
            case BELOW_EDGE -> onLine(spots, shape, right - 4, y, 1, Align.RIGHT);
            case LEFT_EDGE -> onLine(spots, shape, Math.max(2, x + 2), y, -1, Align.LEFT);
            case RIGHT -> around(spots, x, y, new Spot(x + 6, y, Align.LEFT));
            case LEFT -> around(spots, x, y, new Spot(x - 6, y, Align.RIGHT));
            case ABOVE -> around(spots, x, y, new Spot(x, y - LIFT, Align.CENTRE));
            case BELOW -> around(spots, x, y, new Spot(x, y + LIFT, Align.CENTRE));
            case CENTRE -> around(spots, x, y, new Spot(x, y, Align.CENTRE));
        }
        return spots;
    }

    /** Along the line the words stand at, on its dearer side first. */
    private void onLine(List<Spot> spots, DrawingShape shape, double x, double y, int side, Align align) {
        double step = align == Align.RIGHT ? -MOVE : MOVE;
        DrawingShape.Line line = shape.lineAt(x, y);
        for (int move = 0; move < MOVES; move++) {
            double there = x + move * step;
            double height = line == null ? Double.NaN : along(line, there);
            double on = Double.isNaN(height) ? y : height;
            spots.add(new Spot(there, on + side * ON_LINE, align));
            spots.add(new Spot(there, on - side * ON_LINE, align));
        }
    }

    /** Where they belong, then on the other sides of the point, then farther up and down. */
    private void around(List<Spot> spots, double x, double y, Spot dearest) {
        spots.add(dearest);
        // What would run over an edge stands beside it.
        spots.add(new Spot(area.right() - 5, dearest.y(), Align.RIGHT));
        spots.add(new Spot(x, y - LIFT, Align.CENTRE));
        spots.add(new Spot(x, y + LIFT, Align.CENTRE));
        spots.add(new Spot(x + 6, y, Align.LEFT));
        spots.add(new Spot(x - 6, y, Align.RIGHT));
        for (int row = 1; row <= 3; row++) {
            for (int side = -1; side <= 1; side += 2) {
                double far = y + side * (LIFT + row * 15);
                spots.add(new Spot(x, far, Align.CENTRE));
                spots.add(new Spot(x + 6, far, Align.LEFT));
                spots.add(new Spot(x - 6, far, Align.RIGHT));
            }
        }
        if (x > area.right()) {
            // Beyond the edge there is nothing else to stand at.
            spots.removeIf(spot -> spot.x() > area.right());
        } else {
            spots.removeIf(spot -> spot.x() == area.right() - 5 && Math.abs(spot.x() - x) > 160);
        }
    }

    /** The height of a line at an x; NaN where it does not pass. */
    private static double along(DrawingShape.Line line, double x) {
        double[] points = line.points();
        for (int at = 2; at < points.length; at += 2) {
            double from = Math.min(points[at - 2], points[at]);
            double to = Math.max(points[at - 2], points[at]);
            if (from <= x && x <= to && to > from) {
                double part = (x - points[at - 2]) / (points[at] - points[at - 2]);
                return points[at - 1] + part * (points[at + 1] - points[at - 1]);
            }
        }
        return Double.NaN;
    }
}
