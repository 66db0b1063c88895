package dev.yardarm.chart.gesture;

import dev.yardarm.chart.model.BracketLayout;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.PaneChoice;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The hands on a chart. While a drag is under way the model shows its effect at once; when it ends, one edit is asked
 * for. {@link #cancel()} puts everything back to where the gesture began.
 */
public final class ChartGestures {
    private static final double SLACK = 3;
    private static final double WHEEL = 1.18;
    private static final String FREEHAND = "freehand";
    /** Pixels between the points of a freehand stroke. */
    private static final double TRACE = 4;

    private final ChartModel chart;
    private final ChartEdits edits;
    private Tool tool = Tool.NONE;
    private final List<Anchor> placed = new ArrayList<>();
    private boolean snapping = true;
    private boolean held;
    private Drag drag;
    private double pressX;
    private double pressY;
    private boolean moved;
    private double spanTo;
    private double chosenX = Double.NaN;
    private double chosenY = Double.NaN;
    private double tracedX;
    private double tracedY;

    /** What is being dragged, with what it was before. */
    private sealed interface Drag {
        record Pan(TimeScale time, PriceScale price, ScaleChoice before) implements Drag {
        }

        record PriceStretch(PriceScale price, boolean isMain, ScaleChoice before) implements Drag {
        }

        /** A pane's edge, with the panes as they were. */
        record Edge(String lower, List<Pane> panes, List<PaneChoice> before) implements Drag {
        }

        /** A span of bars being chosen to zoom to. */
        record Span(double fromX) implements Drag {
        }

        record TimeStretch(TimeScale time) implements Drag {
        }

        record OfDrawing(Drawing before, int anchor, Anchor grabbed) implements Drag {
        }

        record OfBracket(TradePlan before, BracketLayout.Arm arm) implements Drag {
        }
    }

    public ChartGestures(ChartModel chart, ChartEdits edits) {
        this.chart = chart;
        this.edits = edits;
    }

    public Tool tool() {
        return tool;
    }

    /** Points placed so far with the tool in hand. */
    public List<Anchor> placed() {
        return placed;
    }

    public void setTool(Tool newTool) {
        tool = newTool;
        placed.clear();
        drag = null;
    }

    /** Holds the next point level with the last, upright above it or at half a right angle, whichever is nearest. */
    public void setHeld(boolean on) {
        held = on;
    }

    public boolean isSnapping() {
        return snapping;
    }

    public void setSnapping(boolean on) {
        snapping = on;
    }

    /** True while a button is down and something moves with it. */
    public boolean isDragging() {
        return drag != null && moved;
    }

    /** What the tool waits for, in words. */
    public String hint() {
        if (tool == Tool.NONE) {
            return "";
        }
        boolean open = tool.most() > tool.least() && placed.size() >= tool.least();
        return tool.hint(placed.size()) + (open ? " (a double click or Enter on the last point ends it, Esc gives up)"
                : " (arrows and Enter do it too, Esc ends)");
    }

    public void press(double x, double y) {
        press(x, y, false);
    }

    /** @param span true to choose a span of bars to zoom to */
    public void press(double x, double y, boolean span) {
        pressX = x;
        pressY = y;
        moved = false;
        if (span && tool == Tool.NONE && x < chart.plotRight()) {
            drag = new Drag.Span(x);
            spanTo = x;
            return;
        }
        if (tool != Tool.NONE) {
            return;
        }
        Hit hit = below(HitTest.at(chart, x, y), x, y);
        drag = dragOf(hit, x, y);
        edits.select(selectionOf(hit));
    }

    /** A second press on the same place takes the next of the drawings that lie there. */
    private Hit below(Hit hit, double x, double y) {
        boolean again = Math.hypot(x - chosenX, y - chosenY) < SLACK;
        chosenX = x;
        chosenY = y;
        if (!again || !(hit instanceof Hit.OnDrawing) || !(chart.selection() instanceof Selection.Drawing chosen)) {
            return hit;
        }
        List<Drawing> there = HitTest.drawingsAt(chart, x, y);
        int at = there.stream().map(Drawing::id).toList().indexOf(chosen.id());
        return at < 0 || there.size() < 2 ? hit : new Hit.OnDrawing(there.get((at + 1) % there.size()).id(), -1);
    }

    private Drag dragOf(Hit hit, double x, double y) {
        if (hit instanceof Hit.PriceAxis axis) {
            return new Drag.PriceStretch(axis.pane().scale(), axis.pane().kind() == Pane.Kind.PRICE, chart.scale());
        }
        if (hit instanceof Hit.PaneEdge edge) {
            return new Drag.Edge(edge.lower(), chart.panes(), chart.paneChoices());
        }
        if (hit instanceof Hit.TimeAxisStrip) {
            return new Drag.TimeStretch(chart.time());
        }
        if (hit instanceof Hit.OnDrawing on) {
            Drawing drawing = chart.drawing(on.id()).orElseThrow();
            return drawing.place().locked() ? new Drag.Pan(chart.time(), chart.price(), chart.scale())
                    : new Drag.OfDrawing(drawing, on.anchor(), SnapTarget.at(chart, x, y, false));
        }
        if (hit instanceof Hit.OnBracket on) {
            return new Drag.OfBracket(chart.plan().orElseThrow(), on.arm());
        }
        return new Drag.Pan(chart.time(), chart.price(), chart.scale());
    }

    /** What a click on a hit chooses. */
    public static Selection selectionOf(Hit hit) {
        if (hit instanceof Hit.OnDrawing on) {
            return new Selection.Drawing(on.id());
        }
        if (hit instanceof Hit.OnIndicator on) {
            return new Selection.Indicator(on.id());
        }
        if (hit instanceof Hit.OnBracket) {
            return new Selection.Plan();
        }
        return hit instanceof Hit.OnPrice ? new Selection.Price() : Selection.NONE;
    }

    public void drag(double x, double y) {
        if (!moved && Math.hypot(x - pressX, y - pressY) < SLACK) {
            return;
        }
        moved = true;
        if (tool.word().equals(FREEHAND)) {
            trace(x, y);
            return;
        }
        if (drag instanceof Drag.Pan pan) {
            chart.setTime(pan.time().movedBy(x - pressX));
            if (pan.before().fit() == ScaleChoice.Fit.MANUAL || pan.before().fit() == ScaleChoice.Fit.HELD) {
                PriceScale price = pan.price().movedBy(y - pressY);
                chart.setPriceRange(price.low(), price.high());
            }
        } else if (drag instanceof Drag.PriceStretch stretch && stretch.isMain()) {
            PriceScale price = stretch.price().stretchedBy(Math.exp((y - pressY) / 150));
            chart.setPriceRange(price.low(), price.high());
        } else if (drag instanceof Drag.Edge edge) {
            moveEdge(edge, y - pressY);
        } else if (drag instanceof Drag.Span) {
            spanTo = Math.max(0, Math.min(chart.plotRight(), x));
        } else if (drag instanceof Drag.TimeStretch stretch) {
            chart.setTime(stretch.time().zoomedBy(Math.exp((x - pressX) / 200), chart.plotRight()));
        } else if (drag instanceof Drag.OfDrawing of) {
            show(moved(of, x, y));
        } else if (drag instanceof Drag.OfBracket of) {
            chart.setPlan(moved(of, x, y));
        }
    }

    /** One more point of a freehand stroke, when it is far enough from the last. */
    private void trace(double x, double y) {
        if (placed.isEmpty()) {
            placed.add(SnapTarget.at(chart, pressX, pressY, false));
            tracedX = pressX;
            tracedY = pressY;
        }
        boolean inPane = x <= chart.plotRight() && chart.pricePane().covers(y);
        if (inPane && Math.hypot(x - tracedX, y - tracedY) >= TRACE && placed.size() < tool.most()) {
            placed.add(SnapTarget.at(chart, x, y, false));
            tracedX = x;
            tracedY = y;
        }
    }

    /** Gives the pixels to the pane on one side of the edge and takes them from the other. */
    private void moveEdge(Drag.Edge edge, double pixels) {
        List<PaneChoice> choices = new ArrayList<>();
        List<Pane> panes = edge.panes();
        double whole = chart.plotBottom();
        for (int at = 0; at < panes.size(); at++) {
            Pane pane = panes.get(at);
            PaneChoice choice = edge.before().stream().filter(each -> each.id().equals(pane.id())).findFirst()
                    .orElse(PaneChoice.usual(pane.id()));
            double height = pane.bottom() - pane.top();
            boolean isLower = pane.id().equals(edge.lower());
            boolean isUpper = at + 1 < panes.size() && panes.get(at + 1).id().equals(edge.lower());
            if (!pane.folded() && (isLower || isUpper || choice.share() > 0)) {
                choice = choice.withShare((height + (isLower ? -pixels : isUpper ? pixels : 0)) / whole);
            }
            choices.add(choice);
        }
        chart.setPaneChoices(choices);
    }

    /** The span being chosen, as two x; empty when none is. */
    public Optional<double[]> span() {
        return drag instanceof Drag.Span of && moved ? Optional.of(new double[] {Math.min(of.fromX(), spanTo),
                Math.max(of.fromX(), spanTo)}) : Optional.empty();
    }

    private Drawing moved(Drag.OfDrawing of, double x, double y) {
        Drawing before = of.before();
        Anchor to = SnapTarget.at(chart, x, y, snapping, before.id());
        if (before.is(Drawing.LEVEL)) {
            return before.withAnchor(0, new Anchor(before.anchors().get(0).time(), to.price()));
        }
        if (of.anchor() >= 0) {
            return collapses(before, of.anchor(), to) ? chart.drawing(before.id()).orElse(before)
                    : before.withAnchor(of.anchor(), to);
        }
        if (before.anchors().size() == 1) {
            return before.withAnchor(0, to);
        }
        Anchor free = SnapTarget.at(chart, x, y, false);
        int bars = chart.axis().bar(free.time()) - chart.axis().bar(of.grabbed().time());
        double difference = free.price() - of.grabbed().price();
        return before.withAnchors(before.anchors().stream().map(anchor -> new Anchor(
                bars == 0 ? anchor.time() : chart.axis().openTime(chart.axis().bar(anchor.time()) + bars),
                rounded(anchor.price() + difference))).toList());
    }

    /** True when a line would lose its direction: both its points on one bar. */
    private boolean collapses(Drawing drawing, int anchor, Anchor to) {
        return drawing.is(Drawing.LINE) && chart.axis().bar(drawing.anchors().get(1 - anchor).time())
                == chart.axis().bar(to.time());
    }

    private double rounded(double price) {
        return chart.instrument().map(instrument -> instrument.format().round(price)).orElse(price);
    }

    private TradePlan moved(Drag.OfBracket of, double x, double y) {
        TradePlan before = of.before();
        double price = SnapTarget.at(chart, x, y, snapping).price();
        return switch (of.arm()) {
            case ENTRY -> before.withPrices(price, before.stop(), before.target());
            case STOP -> before.withPrices(before.entry(), price, before.target());
            case TARGET -> before.withPrices(before.entry(), before.stop(), price);
        };
    }

    private void show(Drawing changed) {
        chart.setDrawings(chart.drawings().stream().map(each -> each.id().equals(changed.id()) ? changed : each)
                .toList());
    }

    public void release(double x, double y) {
        if (tool != Tool.NONE) {
            place(x, y);
            return;
        }
        Drag ended = drag;
        drag = null;
        if (!moved) {
            return;
        }
        if (ended instanceof Drag.Span of && Math.abs(spanTo - of.fromX()) > 6) {
            chart.showSpan(chart.axis().openTime(chart.time().bar(Math.min(spanTo, of.fromX()))),
                    chart.axis().openTime(chart.time().bar(Math.max(spanTo, of.fromX()))));
        } else if (ended instanceof Drag.OfDrawing of) {
            Drawing after = moved(of, x, y);
            if (!after.equals(of.before())) {
                edits.change(of.before(), after);
            }
        } else if (ended instanceof Drag.OfBracket of) {
            TradePlan after = moved(of, x, y);
            if (!after.equals(of.before())) {
                edits.change(of.before(), after);
            }
        }
    }

    private void place(double x, double y) {
        if (tool.word().equals(FREEHAND) && placed.size() > 1) {
            finish();
            return;
        }
        if (x > chart.plotRight() || !chart.pricePane().covers(y) || chart.bars().isEmpty()) {
            return;
        }
        boolean dragged = Math.hypot(x - pressX, y - pressY) >= SLACK && placed.isEmpty() && tool.least() > 1;
        if (dragged) {
            placed.add(SnapTarget.at(chart, pressX, pressY, snapping));
        }
        put(next(x, y));
    }

    /** The point under the pointer, held to an angle from the last one when that is wanted. */
    private Anchor next(double x, double y) {
        if (!held || placed.isEmpty()) {
            return SnapTarget.at(chart, x, y, snapping);
        }
        Anchor last = placed.get(placed.size() - 1);
        double lastX = chart.time().middle(chart.axis().bar(last.time()));
        double lastY = chart.price().y(last.price());
        double across = x - lastX;
        double up = y - lastY;
        if (Math.abs(up) < Math.abs(across) * Math.tan(Math.PI / 8)) {
            return new Anchor(SnapTarget.at(chart, x, y, false).time(), last.price());
        }
        if (Math.abs(across) < Math.abs(up) * Math.tan(Math.PI / 8)) {
            return new Anchor(last.time(), SnapTarget.at(chart, x, y, snapping).price());
        }
        double wide = chart.time().middle(chart.time().bar(x)) - lastX;
        return SnapTarget.at(chart, x, lastY + Math.signum(up) * Math.abs(wide), false);
    }

    /** Places a point with the tool in hand, as a click on it would. */
    public void put(Anchor anchor) {
        boolean again = !placed.isEmpty() && placed.get(placed.size() - 1).equals(anchor);
        if (again && tool.most() > tool.least() && placed.size() >= tool.least()) {
            finish();
            return;
        }
        if (tool == Tool.LINE && placed.size() == 1
                && chart.axis().bar(placed.get(0).time()) == chart.axis().bar(anchor.time())) {
            return;
        }
        if (again || tool == Tool.PLAN && placed.size() == 1 && placed.get(0).price() == anchor.price()) {
            return;
        }
        placed.add(anchor);
        if (placed.size() >= (tool.figure() != null && finishesByItself() ? tool.least() : tool.most())) {
            finish();
        }
    }

    /** True for a figure that finds its other points from the bars. */
    private boolean finishesByItself() {
        return tool.least() == 1 && tool.most() == 2;
    }

    /** Ends a figure that takes any number of points; true when it had enough. */
    public boolean finish() {
        if (tool == Tool.NONE || placed.size() < tool.least()) {
            return false;
        }
        Tool used = tool;
        List<Anchor> points = List.copyOf(placed);
        setTool(Tool.NONE);
        if (used == Tool.PLAN) {
            edits.plan(points.get(0).price(), points.get(1).price());
        } else {
            try {
                edits.draw(used.word(), used.figure().settled(points, chart.bars()));
            } catch (IllegalArgumentException noPlace) {
                edits.refuse(used.figure().title() + ": " + noPlace.getMessage() + ".");
            }
        }
        edits.toolDone();
        return true;
    }

    /** What would be drawn if the next point were placed under the pointer; a line through the points while they are few. */
    public Optional<Drawing> preview(double x, double y) {
        Anchor next = candidate(x, y).orElse(null);
        if (next == null || tool.figure() == null && placed.isEmpty() || chart.instrument().isEmpty()) {
            return Optional.empty();
        }
        List<Anchor> points = new ArrayList<>(placed);
        if (!tool.word().equals(FREEHAND)) {
            points.add(next);
        }
        boolean enough = tool.figure() != null && points.size() >= tool.least() && points.size() <= tool.most();
        String figure = enough ? tool.word() : points.size() > 1 ? "polyline" : Drawing.LEVEL;
        return Optional.of(new Drawing("preview", figure, chart.timeframe(), points, chart.isLogarithmic(), Map.of(),
                Drawing.Style.of(0), Drawing.Place.STANDARD));
    }

    /** Where the next point would lie, for the preview. */
    public Optional<Anchor> candidate(double x, double y) {
        boolean inPane = x <= chart.plotRight() && chart.pricePane().covers(y) && !chart.bars().isEmpty();
        return tool == Tool.NONE || !inPane ? Optional.empty() : Optional.of(next(x, y));
    }

    /** Ends a drag or puts down the tool; true when there was something to end. */
    public boolean cancel() {
        if (tool != Tool.NONE) {
            setTool(Tool.NONE);
            edits.toolDone();
            return true;
        }
        if (drag == null) {
            return false;
        }
        if (drag instanceof Drag.Pan pan) {
            chart.setTime(pan.time());
            chart.setScale(pan.before());
        } else if (drag instanceof Drag.PriceStretch stretch) {
            chart.setScale(stretch.before());
        } else if (drag instanceof Drag.Edge edge) {
            chart.setPaneChoices(edge.before());
        } else if (drag instanceof Drag.TimeStretch stretch) {
            chart.setTime(stretch.time());
        } else if (drag instanceof Drag.OfDrawing of) {
            show(of.before());
        } else if (drag instanceof Drag.OfBracket of) {
            chart.setPlan(of.before());
        }
        drag = null;
        return true;
    }

    /**
     * Turns the wheel: zooms around the pointer, or pans when asked to.
     *
     * @param notches above zero away from the user
     */
    public void wheel(double x, double y, double notches, boolean pan) {
        if (pan) {
            chart.setTime(chart.time().movedBy(notches * 60));
            return;
        }
        Hit hit = HitTest.at(chart, x, y);
        if (hit instanceof Hit.PriceAxis axis && axis.pane().kind() == Pane.Kind.PRICE) {
            PriceScale price = chart.price().stretchedBy(Math.pow(WHEEL, -notches));
            chart.setPriceRange(price.low(), price.high());
            return;
        }
        double around = chart.isFollowing() && x > chart.time().x(chart.bars().size()) ? chart.plotRight()
                : Math.min(x, chart.plotRight());
        chart.setTime(chart.time().zoomedBy(Math.pow(WHEEL, notches), around));
    }

    /** Zooms by steps around the right edge, as keys do. */
    public void zoom(double steps) {
        chart.setTime(chart.time().zoomedBy(Math.pow(WHEEL, steps), chart.plotRight()));
    }

    /** Pans by a part of the width; above zero toward the past. */
    public void pan(double part) {
        chart.setTime(chart.time().movedBy(chart.plotRight() * part));
    }

    /** A double click: an axis fits itself again. */
    public void doubleClick(double x, double y) {
        Hit hit = HitTest.at(chart, x, y);
        if (hit instanceof Hit.PriceAxis) {
            chart.fitPrice();
        } else if (hit instanceof Hit.PaneEdge edge) {
            chart.setPaneChoices(chart.paneChoices().stream().map(each -> each.id().equals(edge.lower())
                    ? PaneChoice.usual(each.id()) : each).toList());
        } else if (hit instanceof Hit.TimeAxisStrip) {
            chart.follow();
        }
    }
}
