package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.scene.layout.Region;
import javafx.util.Duration;

/**
 * A grip on the line between two panes, while the pointer is near it or its pane was chosen by key: a drag moves the line, a
 * click folds the pane below it, two give that pane the whole chart; on a pane that has it, two give it back. The grip shows
 * where that is; the chart's own gestures do the dragging, and the menu of a pane has the same in words.
 */
final class PaneGrip extends Region {
    private static final double WIDTH = 44;
    private static final double HEIGHT = 7;
    /** How near the pointer has to come. */
    private static final double NEAR = 12;
    /** Longer than between the two clicks of a double click. */
    private static final Duration SINGLE = Duration.millis(260);

    private final ChartRoom room;
    private final ChartModel chart;
    private final PauseTransition single = new PauseTransition(SINGLE);
    private String paneId = "";

    PaneGrip(ChartRoom room) {
        this.room = room;
        chart = room.chart();
        getStyleClass().add("pane-grip");
        setManaged(false);
        setVisible(false);
        setMouseTransparent(true);
        single.setOnFinished(event -> fold());
    }

    /** Shows itself on the line near the pointer; else on that of the pane chosen by key. */
    void point(double x, double y) {
        Pane near = x < 0 || x > chart.plotRight() ? null : lower(y).orElse(null);
        if (near == null && room.panes().isChosen() && !chart.bars().isEmpty()) {
            near = room.panes().inHand();
        }
        if (near == null || chart.bars().isEmpty()) {
            setVisible(false);
        } else {
            paneId = near.id();
            setVisible(true);
            place(near);
        }
    }

    /** The pane under the line near a height; of a pane that has the whole chart, itself at its upper edge. */
    private Optional<Pane> lower(double y) {
        boolean alone = !chart.maximisedPane().isEmpty();
        return chart.panes().stream()
                .filter(pane -> (alone || pane.top() > 0) && Math.abs(pane.top() - y) <= NEAR)
                .findFirst();
    }

    private void place(Pane pane) {
        resizeRelocate(
                Math.rint(chart.plotRight() / 2 - WIDTH / 2),
                Math.max(0, Math.rint(pane.top() - HEIGHT / 2)),
                WIDTH,
                HEIGHT);
    }

    /** True for a point on the grip. */
    boolean covers(double x, double y) {
        return isVisible() && getBoundsInParent().contains(x, y);
    }

    /** What a press here does, in words. */
    String words() {
        return chart.maximisedPane().isEmpty()
                ? "Drag to move the line. A click folds or unfolds the pane below, two clicks give it the whole chart."
                : "Two clicks bring the other panes back.";
    }

    /** A click that moved nothing. */
    void click(int clicks) {
        single.stop();
        if (clicks >= 2) {
            room.panes().maximise(paneId);
        } else if (chart.maximisedPane().isEmpty()) {
            single.playFromStart();
        }
    }

    private void fold() {
        if (chart.pane(paneId)
                .map(Pane::kind)
                .filter(kind -> kind != Pane.Kind.PRICE)
                .isPresent()) {
            room.panes().fold(paneId);
        }
    }

    /** Follows the panes when they are laid out anew. */
    void update() {
        if (isVisible()) {
            chart.pane(paneId).ifPresentOrElse(this::place, () -> setVisible(false));
        } else if (room.panes().isChosen()) {
            point(-1, -1);
        }
    }
}
