package dev.yardarm.chart.gesture;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import java.util.Optional;

/**
 * What the pointer does on the price pane: nothing but choosing and moving, planning a trade, or drawing a figure.
 *
 * @param word what it is called on the command line
 * @param figure the figure it draws; null for none
 */
public record Tool(String word, Figure figure) {
    /** Chooses and moves. */
    public static final Tool NONE = new Tool("", null);

    public static final Tool PLAN = new Tool("plan", null);
    /** Draws a box around drawings to choose them. */
    public static final Tool GATHER = new Tool("gather", null);

    public static final Tool LEVEL = of(Drawing.LEVEL);
    public static final Tool LINE = of(Drawing.LINE);

    /** The tool that draws a figure. */
    public static Tool of(String figure) {
        return new Tool(figure, Figures.shared().get(figure));
    }

    /** The figure it draws. */
    public Optional<Figure> drawn() {
        return Optional.ofNullable(figure);
    }

    /** What the next point is, when so many are placed. */
    public String hint(int placed) {
        if (figure != null) {
            return "Click "
                    + figure.points().get(Math.min(placed, figure.points().size() - 1));
        }
        if (this == GATHER) {
            return "Drag a box around drawings, or click them one by one; Esc ends";
        }
        return this == PLAN ? placed == 0 ? "Click the entry, then the stop" : "Click the stop" : "";
    }

    /** How many points it takes at most. */
    int most() {
        return figure == null ? 2 : figure.most();
    }

    /** After how many points it is finished. */
    int clicks() {
        return figure == null ? 2 : figure.clicks();
    }

    /** How many points it needs. */
    int least() {
        return figure == null ? 2 : figure.least();
    }
}
