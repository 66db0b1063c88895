package dev.yardarm.app.chart;

import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.model.ChartModel;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;

/** What the tool in hand waits for, at the foot of the price pane; and which rules what is being placed would break. */
final class ToolHint extends Label {
    private static final PseudoClass BROKEN = PseudoClass.getPseudoClass("broken");
    private static final double LEFT = 8;
    private static final double HEAD = 44;
    /** How far it keeps from the pointer. */
    private static final double CLEAR = 40;

    private final ChartGestures gestures;

    ToolHint(ChartGestures gestures) {
        this.gestures = gestures;
        setId("tool-hint");
        getStyleClass().add("tool-hint");
        setMouseTransparent(true);
        setManaged(false);
        setWrapText(true);
        setVisible(false);
    }

    void show(List<String> broken) {
        setText(gestures.placing().hint()
                + (broken.isEmpty() ? "" : "\nBreaks a rule: " + String.join("; ", broken) + "."));
        pseudoClassStateChanged(BROKEN, !broken.isEmpty());
        setVisible(!getText().isEmpty());
    }

    /** Puts it at the foot of the price pane, or at its head while the pointer is down there. */
    void place(ChartModel chart, double pointerX, double pointerY) {
        if (isVisible()) {
            double width = Math.min(chart.plotRight() - 2 * LEFT, prefWidth(-1));
            double height = prefHeight(width);
            double foot = chart.price().bottom() - height - LEFT;
            boolean inTheWay = pointerX < width + CLEAR && pointerY > foot - CLEAR;
            resizeRelocate(LEFT, inTheWay ? chart.price().top() + HEAD : foot, width, height);
        }
    }
}
