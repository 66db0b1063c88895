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
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The hands on a chart. While a drag is under way the model shows its effect at once; when it ends, one edit is asked
 * for. {@link #cancel()} puts everything back to where the gesture began.
 */
public final class ChartGestures {
    private static final double SLACK = 3;
    private static final double BELL_WIDTH = 144;
    private static final double BELL_HEIGHT = 44;
    private static final double WHEEL = 1.18;

    private final ChartModel chart;
    private final ChartEdits edits;
    private final Placing placing;
    private boolean snapping = true;
    private Drag drag;
    private double pressX;
    private double pressY;
    private boolean moved;
    private boolean adds;
    private boolean pans;
    private boolean again;
    private String pressed = "";
    private Hit.OnAgreement strip;
    private double boxX;
    private double boxY;
    private double spanTo;
    private double chosenX = Double.NaN;
    private double chosenY = Double.NaN;

    /** What is being dragged, with what it was before. */
    private sealed interface Drag {
        record Pan(TimeScale time, PriceScale price, ScaleChoice before) implements Drag {}

        record PriceStretch(PriceScale price, boolean isMain, ScaleChoice before) implements Drag {}

        /** A pane's edge, with the panes as they were. */
        record Edge(String lower, List<Pane> panes, List<PaneChoice> before) implements Drag {}

        /** A span of bars being chosen to zoom to. */
        record Span(double fromX) implements Drag {}

        record TimeStretch(TimeScale time) implements Drag {}

        /** A box around drawings to be chosen. */
        record Box() implements Drag {}

        record OfDrawings(DrawingDrag drag) implements Drag {}

        record OfBracket(TradePlan before, BracketLayout.Arm arm) implements Drag {}

        /** The tag of a level on its way to the bell. */
        record OfTag(String drawing) implements Drag {}
    }

    public ChartGestures(ChartModel chart, ChartEdits edits) {
        this.chart = chart;
        this.edits = edits;
        placing = new Placing(chart, edits);
    }

    /** The tool in hand, and the points placed with it. */
    public Placing placing() {
        return placing;
    }

    public Tool tool() {
        return placing.tool();
    }

    public void setTool(Tool newTool) {
        placing.take(newTool);
        drag = null;
    }

    public boolean isSnapping() {
        return snapping;
    }

    public void setSnapping(boolean on) {
        snapping = on;
        placing.setSnapping(on);
    }

    /** True while a button is down and something moves with it. */
    public boolean isDragging() {
        return drag != null && moved;
    }

    /** What a press begins. */
    public enum Press {
        /** Takes what lies there, or moves the chart. */
        PLAIN,
        /** Moves the chart whatever lies there, also with a tool in hand. */
        PAN,
        /** Chooses a span of bars to zoom to. */
        SPAN,
        /** Adds the drawing that lies there to those chosen, or takes it away; elsewhere draws a box around drawings. */
        MORE
    }

    public void press(double x, double y) {
        press(x, y, Press.PLAIN);
    }

    public void press(double x, double y, Press press) {
        pressX = x;
        pressY = y;
        moved = false;
        adds = press == Press.MORE || tool() == Tool.GATHER;
        pans = press == Press.PAN;
        if (pans) {
            drag = panning();
            return;
        }
        if (press == Press.SPAN && tool() == Tool.NONE && x < chart.plotRight()) {
            drag = new Drag.Span(x);
            spanTo = x;
            return;
        }
        if (tool() != Tool.NONE && tool() != Tool.GATHER) {
            return;
        }
        Hit hit = adds ? HitTest.at(chart, x, y) : below(HitTest.at(chart, x, y), x, y);
        if (adds && !(hit instanceof Hit.OnDrawing) && x < chart.plotRight()) {
            boxX = x;
            boxY = y;
            drag = new Drag.Box();
            return;
        }
        if (hit instanceof Hit.OnDrawing on) {
            take(on, x, y);
        } else if (hit instanceof Hit.OnTag on) {
            edits.select(new Selection.Drawing(on.drawing()));
            drag = new Drag.OfTag(on.drawing());
            strip = null;
        } else {
            drag = dragOf(hit);
            strip = hit instanceof Hit.OnAgreement on ? on : null;
            if (strip == null) {
                edits.select(selectionOf(hit));
            }
        }
    }

    /** A click on the strip of agreement zooms to the zone; another one shows all prices again. */
    private void zoomToZone(Hit.OnAgreement on) {
        if (chart.scale().fit() == ScaleChoice.Fit.MANUAL) {
            chart.fitPrice();
        } else if (on.zone() != null) {
            chart.agreement().zoomTo(on.zone());
        }
    }

    /** A drawing comes into the hand: with it all that are chosen when it is one of them, else its group. */
    private void take(Hit.OnDrawing on, double x, double y) {
        List<String> chosen = chart.selection().drawings();
        boolean isChosen = chosen.contains(on.id());
        Selection group = Selection.ofDrawings(chart.groupOf(on.id()));
        if (!isChosen && !adds) {
            edits.select(group);
        }
        Selection held = isChosen ? chart.selection() : group;
        List<Drawing> free = held.drawings().stream()
                .flatMap(id -> chart.drawing(id).stream())
                .filter(drawing -> !drawing.place().locked())
                .toList();
        drag = free.isEmpty()
                        || !chart.drawing(on.id())
                                .map(Drawing::place)
                                .map(place -> !place.locked())
                                .orElse(false)
                ? panning()
                : new Drag.OfDrawings(new DrawingDrag(
                        free, held instanceof Selection.Drawing ? on.anchor() : -1, SnapTarget.at(chart, x, y, false)));
        pressed = on.id();
    }

    private Drag panning() {
        return new Drag.Pan(chart.time(), chart.price(), chart.scale());
    }

    /** A second press on the same place takes the next of the drawings that lie there. */
    private Hit below(Hit hit, double x, double y) {
        again = Math.hypot(x - chosenX, y - chosenY) < SLACK;
        chosenX = x;
        chosenY = y;
        if (!again || !(hit instanceof Hit.OnDrawing) || !(chart.selection() instanceof Selection.Drawing chosen)) {
            return hit;
        }
        List<String> there =
                HitTest.drawingsAt(chart, x, y).stream().map(Drawing::id).toList();
        int at = there.indexOf(chosen.id());
        if (at < 0 || there.size() < 2) {
            return hit;
        }
        Hit.OnDrawing next = new Hit.OnDrawing(there.get((at + 1) % there.size()), -1);
        edits.select(new Selection.Drawing(next.id()));
        return next;
    }

    private Drag dragOf(Hit hit) {
        if (hit instanceof Hit.PriceAxis axis) {
            return new Drag.PriceStretch(axis.pane().scale(), axis.pane().kind() == Pane.Kind.PRICE, chart.scale());
        }
        if (hit instanceof Hit.PaneEdge edge) {
            return new Drag.Edge(edge.lower(), chart.panes(), chart.paneChoices());
        }
        if (hit instanceof Hit.TimeAxisStrip) {
            return new Drag.TimeStretch(chart.time());
        }
        if (hit instanceof Hit.OnBracket on) {
            return new Drag.OfBracket(chart.plan().orElseThrow(), on.arm());
        }
        return panning();
    }

    /** What a click on a hit chooses. */
    private static Selection selectionOf(Hit hit) {
        if (hit instanceof Hit.OnIndicator on) {
            return new Selection.Layer(on.id());
        }
        if (hit instanceof Hit.OnFinding on) {
            return new Selection.Finding(on.id());
        }
        if (hit instanceof Hit.OnBracket) {
            return Selection.PLAN;
        }
        return hit instanceof Hit.OnPrice ? Selection.PRICE : Selection.NONE;
    }

    public void drag(double x, double y) {
        if (!moved && Math.hypot(x - pressX, y - pressY) < SLACK) {
            return;
        }
        moved = true;
        if (placing.isTracing() && !pans) {
            placing.trace(pressX, pressY, x, y);
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
        } else if (drag instanceof Drag.Box) {
            boxX = x;
            boxY = y;
        } else if (drag instanceof Drag.OfDrawings of) {
            show(of.drag().movedTo(chart, x, y, snapping));
        } else if (drag instanceof Drag.OfBracket of) {
            chart.setPlan(moved(of, x, y));
        } else if (drag instanceof Drag.OfTag) {
            boxX = x;
            boxY = y;
        }
    }

    /** Where the bell hangs while the tag of a level is dragged: left, top, right and lower edge; empty when none is. */
    public Optional<double[]> bell() {
        if (!(drag instanceof Drag.OfTag) || !moved) {
            return Optional.empty();
        }
        double right = chart.plotRight() - 8;
        double top = chart.pricePane().top() + 36;
        return Optional.of(new double[] {right - BELL_WIDTH, top, right, top + BELL_HEIGHT});
    }

    /** True while the tag that is dragged is over the bell. */
    public boolean isOverBell() {
        return bell().filter(edges -> isIn(edges, boxX, boxY)).isPresent();
    }

    private static boolean isIn(double[] edges, double x, double y) {
        return x >= edges[0] && x <= edges[2] && y >= edges[1] && y <= edges[3];
    }

    /** Gives the pixels to the pane on one side of the edge and takes them from the other. */
    private void moveEdge(Drag.Edge edge, double pixels) {
        List<PaneChoice> choices = new ArrayList<>();
        List<Pane> panes = edge.panes();
        double whole = chart.plotBottom();
        for (int at = 0; at < panes.size(); at++) {
            Pane pane = panes.get(at);
            PaneChoice choice = edge.before().stream()
                    .filter(each -> each.id().equals(pane.id()))
                    .findFirst()
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
        return drag instanceof Drag.Span of && moved
                ? Optional.of(new double[] {Math.min(of.fromX(), spanTo), Math.max(of.fromX(), spanTo)})
                : Optional.empty();
    }

    /** The box around drawings that is being drawn: left, top, right and lower edge; empty when none is. */
    public Optional<double[]> box() {
        return drag instanceof Drag.Box && moved
                ? Optional.of(new double[] {
                    Math.min(pressX, boxX), Math.min(pressY, boxY), Math.max(pressX, boxX), Math.max(pressY, boxY)
                })
                : Optional.empty();
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

    private void show(List<Drawing> changed) {
        chart.setDrawings(Drawing.replaced(chart.drawings(), changed));
    }

    public void release(double x, double y) {
        if (pans) {
            pans = false;
            drag = null;
            return;
        }
        if (tool() != Tool.NONE && tool() != Tool.GATHER) {
            placing.click(pressX, pressY, x, y, Math.hypot(x - pressX, y - pressY) >= SLACK);
            return;
        }
        Optional<double[]> box = box();
        boolean rings = bell().filter(edges -> isIn(edges, x, y)).isPresent();
        Drag ended = drag;
        drag = null;
        if (!pressed.isEmpty() && !moved) {
            chooseClicked();
        }
        pressed = "";
        if (ended instanceof Drag.Box) {
            box.ifPresent(edges -> gather(edges));
        }
        if (strip != null && !moved) {
            zoomToZone(strip);
        }
        strip = null;
        if (!moved) {
            return;
        }
        if (ended instanceof Drag.Span of && Math.abs(spanTo - of.fromX()) > 6) {
            chart.showSpan(
                    chart.axis().openTime(chart.time().bar(Math.min(spanTo, of.fromX()))),
                    chart.axis().openTime(chart.time().bar(Math.max(spanTo, of.fromX()))));
        } else if (ended instanceof Drag.OfDrawings of) {
            List<Drawing> after = of.drag().movedTo(chart, x, y, snapping);
            if (!after.equals(of.drag().before())) {
                edits.change(after);
                List<String> ids = after.stream().map(Drawing::id).toList();
                if (chart.selection().drawings().stream().noneMatch(ids::contains)) {
                    edits.select(Selection.ofDrawings(ids));
                }
            }
        } else if (ended instanceof Drag.OfTag of && rings) {
            edits.alert(of.drawing());
        } else if (ended instanceof Drag.OfBracket of) {
            TradePlan after = moved(of, x, y);
            if (!after.equals(of.before())) {
                edits.change(of.before(), after);
            }
        }
    }

    /** A drawing was clicked and not moved: it is added or taken away, or of several only its group stays chosen. */
    private void chooseClicked() {
        if (adds) {
            edits.select(chart.selection().toggled(chart.groupOf(pressed)));
        } else if (chart.selection() instanceof Selection.Drawings) {
            Selection group = Selection.ofDrawings(chart.groupOf(pressed));
            // A click on a group that is chosen goes into it.
            edits.select(group.equals(chart.selection()) && again ? new Selection.Drawing(pressed) : group);
        }
    }

    /** Chooses what lies in a box, with what was chosen before. */
    private void gather(double[] edges) {
        Set<String> chosen = new LinkedHashSet<>(chart.selection().drawings());
        HitTest.drawingsIn(chart, edges[0], edges[1], edges[2], edges[3])
                .forEach(drawing -> chosen.addAll(chart.groupOf(drawing.id())));
        edits.select(Selection.ofDrawings(chosen));
        if (tool() == Tool.GATHER) {
            setTool(Tool.NONE);
            edits.toolDone();
        }
    }

    /** Ends a drag or puts down the tool; true when there was something to end. */
    public boolean cancel() {
        if (tool() != Tool.NONE) {
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
        } else if (drag instanceof Drag.OfDrawings of) {
            show(of.drag().before());
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
        double around = chart.isFollowing() && x > chart.time().x(chart.bars().size())
                ? chart.plotRight()
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
            chart.setPaneChoices(chart.paneChoices().stream()
                    .map(each -> each.id().equals(edge.lower()) ? PaneChoice.usual(each.id()) : each)
                    .toList());
        } else if (hit instanceof Hit.TimeAxisStrip) {
            chart.follow();
        }
    }
}
