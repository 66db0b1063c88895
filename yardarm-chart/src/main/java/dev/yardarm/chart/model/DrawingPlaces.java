package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Agreement;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Sketch;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Where the drawings of a chart lie: what they consist of is kept from frame to frame, so that those out of view or reach
 * are ruled out by a few comparisons.
 */
public final class DrawingPlaces {
    /** How far beyond the pane words of a drawing may reach into it. */
    private static final double EDGE = 40;
    /** Pixels words reach above and below their point. */
    private static final double WORDS_HIGH = 22;
    /** How much farther a point reaches than a line. */
    private static final double HANDLE = 8;
    /** How far a line painted from bar to bar may lie from the one it stands for. */
    private static final double CHORD = 2;
    /** How near levels of several drawings must be to agree, as a part of the price. */
    private static final double AGREEMENT = 0.0025;

    private final ChartModel chart;
    private final Map<Drawing, Outline> outlines = new IdentityHashMap<>();
    private final Map<Timeframe, PlaneView> views = new HashMap<>();
    private TimeScale viewTime;
    private int viewSize;
    private long viewEpoch;
    private BarGrid viewAxis;
    private Timeframe lastOrigin;
    private PlaneView lastView;

    DrawingPlaces(ChartModel chart) {
        this.chart = chart;
    }

    /** Lets go of everything, as when another instrument is shown. */
    void forget() {
        outlines.clear();
        viewTime = null;
    }

    /** Lets go of what is kept about drawings that are gone, when that is much. */
    void keep(List<Drawing> drawings) {
        List<Drawing> found = chart.found().all();
        if (outlines.size() > 2 * (drawings.size() + found.size()) + 64) {
            Map<Drawing, Outline> kept = new IdentityHashMap<>();
            drawings.forEach(drawing -> kept.computeIfAbsent(drawing, outlines::get));
            found.forEach(drawing -> kept.computeIfAbsent(drawing, outlines::get));
            outlines.clear();
            outlines.putAll(kept);
        }
    }

    /** The price of the first line of a drawing at a moment; NaN when it has none. */
    public double valueOf(Drawing drawing, long time) {
        Outline outline = outline(drawing);
        double height = outline.sketch().at("", outline.plane().u(time));
        return Double.isNaN(height) ? Double.NaN : outline.plane().price(height);
    }

    /** The rules of its figure that a drawing breaks, each a sentence. */
    public List<String> broken(Drawing drawing) {
        return outline(drawing).sketch().broken();
    }

    /** What a drawing consists of, and where. */
    Outline outline(Drawing drawing) {
        Outline kept = outlines.get(drawing);
        boolean stale = kept == null
                || kept.bars() != null && kept.bars() != chart.bars()
                || kept.among() != null && kept.among() != chart.drawings();
        if (stale) {
            TradingCalendar calendar = chart.axis().grid().calendar();
            PriceFormat format = chart.instrument().map(Instrument::format).orElseGet(() -> PriceFormat.ofDecimals(2));
            kept = Outline.of(
                    drawing,
                    drawing.sketch(calendar, chart.bars(), format, chart.drawings()),
                    drawing.plane(calendar),
                    chart.bars(),
                    chart.drawings());
            // What is only tried out while it is placed does not pile up.
            keep(chart.drawings());
            outlines.put(drawing, kept);
        }
        return kept;
    }

    /** The drawings that may have something in the price pane, in their order; what detectors have found lies below them. */
    public List<Drawing> inView() {
        List<Drawing> found = new ArrayList<>();
        inView(chart.found().all(), found);
        inView(chart.drawings(), found);
        return found;
    }

    private void inView(List<Drawing> all, List<Drawing> found) {
        PriceScale scale = chart.price();
        double one = scale.price(scale.top() - EDGE);
        double other = scale.price(scale.bottom() + EDGE);
        double low = Math.min(one, other);
        double high = Math.max(one, other);
        Timeframe origin = null;
        double from = 0;
        double to = 0;
        for (Drawing drawing : all) {
            if (drawing.origin() != origin) {
                origin = drawing.origin();
                from = planeView(origin).u(chart.time().left() - EDGE);
                to = planeView(origin).u(chart.plotRight() + EDGE);
            }
            Outline outline = outline(drawing);
            boolean parts = outline.plane().isLogarithmic();
            // On a scale that reaches below zero a logarithmic drawing has no lowest height.
            double least = !parts ? low : low > 0 ? Math.log(low) : Double.NEGATIVE_INFINITY;
            double most = !parts ? high : high > 0 ? Math.log(high) : Double.NEGATIVE_INFINITY;
            boolean meets = outline.wide() <= EDGE
                    ? outline.meets(from, to, least, most)
                    : outline.meets(
                            planeView(origin).u(chart.time().left() - outline.wide()),
                            planeView(origin).u(chart.plotRight() + outline.wide()),
                            least,
                            most);
            if (meets && chart.shows(drawing)) {
                found.add(drawing);
            }
        }
    }

    /** Prices within reach of each other at which several ratio drawings have levels, in view. */
    public List<Agreement.Shared> agreements() {
        return agreements(inView());
    }

    /** The same among some drawings. */
    public List<Agreement.Shared> agreements(List<Drawing> among) {
        List<Agreement.Level> levels = new ArrayList<>();
        long now =
                chart.bars().isEmpty() ? 0 : chart.bars().openTime(chart.bars().size() - 1);
        for (Drawing drawing : among) {
            if (drawing.figure().family() == Figure.Family.RATIOS) {
                Outline outline = outline(drawing);
                double u = outline.plane().u(now);
                for (Sketch.Course course : outline.sketch().courses()) {
                    // The end of a move is no part of it: two drawings that end in one point do not agree by that.
                    boolean part = !course.name().equals("r0");
                    if (part && course.from().v() == course.to().v() && course.reaches(u)) {
                        levels.add(new Agreement.Level(
                                drawing.id(),
                                outline.plane().price(course.from().v())));
                    }
                }
            }
        }
        return Agreement.of(levels, AGREEMENT);
    }

    /**
     * The drawings of which a line, a point or words may lie within so many pixels of a point, in their order; few others
     * are among them.
     */
    List<Drawing> near(double x, double y, double reach) {
        List<Drawing> found = new ArrayList<>();
        Around straight = new Around(y, reach, false);
        Around parts = new Around(y, reach, true);
        near(chart.found().all(), straight, parts, x, found);
        near(chart.drawings(), straight, parts, x, found);
        return found;
    }

    private void near(List<Drawing> all, Around straight, Around parts, double x, List<Drawing> found) {
        Timeframe origin = null;
        for (Drawing drawing : all) {
            if (!chart.shows(drawing)) {
                continue;
            }
            if (drawing.origin() != origin) {
                origin = drawing.origin();
                straight.over(planeView(origin), x);
                parts.over(planeView(origin), x);
            }
            Outline outline = outline(drawing);
            if ((outline.plane().isLogarithmic() ? parts : straight).mayTouch(outline)) {
                found.add(drawing);
            }
        }
    }

    /** The surroundings of a point in bars and heights: near for lines, wider for points, and for words. */
    private final class Around {
        private final double reach;
        private final double low;
        private final double high;
        private final double pointsLow;
        private final double pointsHigh;
        private final double wordsLow;
        private final double wordsHigh;
        private final boolean logarithmic;
        private double x;
        private double from;
        private double to;
        private double pointsFrom;
        private double pointsTo;
        private PlaneView view;

        Around(double y, double reach, boolean logarithmic) {
            this.reach = reach;
            this.logarithmic = logarithmic;
            double wide = reach + CHORD;
            low = Math.min(height(y - wide), height(y + wide));
            high = Math.max(height(y - wide), height(y + wide));
            double points = reach + HANDLE;
            pointsLow = Math.min(height(y - points), height(y + points));
            pointsHigh = Math.max(height(y - points), height(y + points));
            wordsLow = Math.min(height(y - WORDS_HIGH), height(y + WORDS_HIGH));
            wordsHigh = Math.max(height(y - WORDS_HIGH), height(y + WORDS_HIGH));
        }

        /** On a scale that reaches below zero a logarithmic drawing has no lowest height. */
        private double height(double y) {
            double price = chart.price().price(y);
            return !logarithmic ? price : price > 0 ? Math.log(price) : Double.NEGATIVE_INFINITY;
        }

        void over(PlaneView newView, double newX) {
            view = newView;
            x = newX;
            from = view.u(x - reach - CHORD);
            to = view.u(x + reach + CHORD);
            pointsFrom = view.u(x - reach - HANDLE);
            pointsTo = view.u(x + reach + HANDLE);
        }

        boolean mayTouch(Outline outline) {
            if (outline.meets(from, to, low, high) && outline.passes(from, to, low, high)) {
                return true;
            }
            for (int anchor = 0; anchor < outline.anchors().length; anchor++) {
                double u = outline.anchors()[anchor];
                double v = outline.heights()[anchor];
                if (u >= pointsFrom && u <= pointsTo && v >= pointsLow && v <= pointsHigh) {
                    return true;
                }
            }
            for (Sketch.Note note : outline.sketch().notes()) {
                if (note.v() >= wordsLow && note.v() <= wordsHigh) {
                    double noteX = note.u() == Double.POSITIVE_INFINITY
                            ? chart.plotRight()
                            : note.u() == Double.NEGATIVE_INFINITY
                                    ? chart.time().left()
                                    : view.x(note.u());
                    if (Math.abs(noteX - x) < outline.wide() + reach) {
                        return true;
                    }
                }
            }
            return false;
        }
    }

    /** Where bars of a timeframe lie on this chart as it is now. */
    PlaneView planeView(Timeframe origin) {
        if (viewTime != chart.time()
                || viewSize != chart.bars().size()
                || viewEpoch != chart.bars().epoch()
                || viewAxis != chart.axis().grid()) {
            viewTime = chart.time();
            viewSize = chart.bars().size();
            viewEpoch = chart.bars().epoch();
            viewAxis = chart.axis().grid();
            views.clear();
            lastOrigin = null;
        }
        if (origin != lastOrigin) {
            lastView = views.computeIfAbsent(origin, missing -> PlaneView.of(chart, missing));
            lastOrigin = origin;
        }
        return lastView;
    }
}
