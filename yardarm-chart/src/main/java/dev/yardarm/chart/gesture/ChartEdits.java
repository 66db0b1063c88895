package dev.yardarm.chart.gesture;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import java.util.List;
import java.util.Map;

/** What a gesture asks for when it is finished; each is one step of undo. */
public interface ChartEdits {
    void select(Selection selection);

    /**
     * A drawing has been placed.
     *
     * @param figure name of its figure
     */
    void draw(String figure, List<Anchor> anchors);

    /** Something could not be placed, with the reason. */
    void refuse(String reason);

    /** The options new drawings of a figure come up with. */
    Map<String, String> usual(String figure);

    /** Drawings have been moved, to this state. */
    void change(List<Drawing> after);

    /** A plan has been placed by its entry and stop. */
    void plan(double entry, double stop);

    /** The arms of a plan have been moved, from the first to the second state. */
    void change(TradePlan before, TradePlan after);

    /** The tag of a level was dropped on the bell: an alert is wanted when price reaches it. */
    void alert(String drawing);

    /** The tool in hand was put down. */
    void toolDone();
}
