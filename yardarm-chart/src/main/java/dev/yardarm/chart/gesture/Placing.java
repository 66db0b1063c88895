package dev.yardarm.chart.gesture;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Plane;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The placing of a figure or a plan: the tool in hand, the points there are so far, and what the next one would make. */
public final class Placing {
    private static final String FREEHAND = "freehand";
    /** Pixels between the points of a freehand stroke. */
    private static final double TRACE = 4;

    private final ChartModel chart;
    private final ChartEdits edits;
    private Tool tool = Tool.NONE;
    private final List<Anchor> placed = new ArrayList<>();
    private boolean snapping = true;
    private boolean held;
    private double tracedX;
    private double tracedY;

    Placing(ChartModel chart, ChartEdits edits) {
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

    void take(Tool newTool) {
        tool = newTool;
        placed.clear();
    }

    void setSnapping(boolean on) {
        snapping = on;
    }

    /** Holds the next point level with the last, upright above it or at half a right angle, whichever is nearest. */
    public void setHeld(boolean on) {
        held = on;
    }

    /** True for a tool that draws as long as the button is down. */
    boolean isTracing() {
        return tool.word().equals(FREEHAND);
    }

    /** What the tool waits for, in words. */
    public String hint() {
        if (tool == Tool.NONE) {
            return "";
        }
        if (tool == Tool.GATHER) {
            return tool.hint(0);
        }
        boolean open = tool.clicks() > tool.least() && placed.size() >= tool.least();
        return tool.hint(placed.size())
                + (open
                        ? " (a double click or Enter on the last point ends it, Esc gives up)"
                        : " (arrows and Enter do it too, Esc ends)");
    }

    /** One more point of a freehand stroke, when it is far enough from the last. */
    void trace(double fromX, double fromY, double x, double y) {
        if (placed.isEmpty()) {
            placed.add(SnapTarget.at(chart, fromX, fromY, false));
            tracedX = fromX;
            tracedY = fromY;
        }
        if (isInPane(x, y) && Math.hypot(x - tracedX, y - tracedY) >= TRACE && placed.size() < tool.most()) {
            placed.add(SnapTarget.at(chart, x, y, false));
            tracedX = x;
            tracedY = y;
        }
    }

    private boolean isInPane(double x, double y) {
        return x <= chart.plotRight()
                && chart.pricePane().covers(y)
                && !chart.bars().isEmpty();
    }

    /**
     * The button was pressed at one point and let go at another.
     *
     * @param dragged true when the two count as two points
     */
    void click(double fromX, double fromY, double x, double y, boolean dragged) {
        if (isTracing() && placed.size() > 1) {
            finish();
            return;
        }
        if (!isInPane(x, y)) {
            return;
        }
        if (dragged && placed.isEmpty() && tool.least() > 1) {
            placed.add(SnapTarget.at(chart, fromX, fromY, snapping));
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
        if (tool == Tool.NONE || tool == Tool.GATHER) {
            return;
        }
        boolean again = !placed.isEmpty() && placed.get(placed.size() - 1).equals(anchor);
        if (again && tool.clicks() > tool.least() && placed.size() >= tool.least()) {
            finish();
            return;
        }
        if (tool == Tool.LINE
                && placed.size() == 1
                && chart.axis().bar(placed.get(0).time()) == chart.axis().bar(anchor.time())) {
            return;
        }
        if (again || tool == Tool.PLAN && placed.size() == 1 && placed.get(0).price() == anchor.price()) {
            return;
        }
        placed.add(anchor);
        if (placed.size() >= tool.clicks()) {
            finish();
        }
    }

    /** Takes the last point back; false when there is none. */
    public boolean takeBack() {
        if (placed.isEmpty()) {
            return false;
        }
        placed.remove(placed.size() - 1);
        return true;
    }

    /** Ends a figure that takes any number of points; true when it had enough. */
    public boolean finish() {
        if (tool == Tool.NONE || placed.size() < tool.least()) {
            return false;
        }
        Tool used = tool;
        List<Anchor> points = List.copyOf(placed);
        take(Tool.NONE);
        if (used == Tool.PLAN) {
            edits.plan(points.get(0).price(), points.get(1).price());
        } else {
            try {
                edits.draw(used.word(), used.figure().settled(points, chart.bars(), plane()));
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
        if (next == null
                || tool.figure() == null && placed.isEmpty()
                || chart.instrument().isEmpty()) {
            return Optional.empty();
        }
        List<Anchor> points = new ArrayList<>(placed);
        if (!isTracing()) {
            points.add(next);
        }
        boolean enough = tool.figure() != null && points.size() >= tool.least() && points.size() <= tool.most();
        if (enough) {
            points = settled(points);
        }
        String figure = enough ? tool.word() : points.size() > 1 ? "polyline" : Drawing.LEVEL;
        return Optional.of(new Drawing(
                "preview",
                figure,
                chart.timeframe(),
                points,
                chart.isLogarithmic(),
                enough ? edits.usual(figure) : Map.of(),
                Drawing.Style.of(0),
                Drawing.Place.STANDARD));
    }

    private Plane plane() {
        return new Plane(chart.axis().grid().calendar(), chart.timeframe(), chart.isLogarithmic());
    }

    /** What the figure finds from the points; they themselves while it finds nothing. */
    private List<Anchor> settled(List<Anchor> points) {
        try {
            return tool.figure().settled(points, chart.bars(), plane());
        } catch (IllegalArgumentException noPlace) {
            return points;
        }
    }

    /** Where the next point would lie, for the preview. */
    public Optional<Anchor> candidate(double x, double y) {
        return tool == Tool.NONE || tool == Tool.GATHER || !isInPane(x, y) ? Optional.empty() : Optional.of(next(x, y));
    }
}
