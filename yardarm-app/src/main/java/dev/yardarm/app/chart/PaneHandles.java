package dev.yardarm.app.chart;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;

/** Buttons of the pane under the pointer: up, down, fold, maximise. They show while the pointer is near its corner. */
final class PaneHandles extends javafx.scene.layout.Pane {
    private final ChartRoom room;
    private final ChartModel chart;
    private final HBox buttons = new HBox();
    private Button fold;
    private Button maximise;
    private String paneId = "";

    PaneHandles(ChartRoom room) {
        this.room = room;
        this.chart = room.chart();
        setManaged(false);
        setPickOnBounds(false);
        buttons.getStyleClass().add("pane-buttons");
        buttons.setManaged(false);
        buttons.setVisible(false);
        getChildren().add(buttons);
    }

    /** The buttons are made when the pointer first comes near, so that no chart waits for them. */
    private void make() {
        Button up = button("up", "Moves this pane up", () -> room.panes().move(paneId, -1));
        Button down = button("down", "Moves this pane down", () -> room.panes().move(paneId, 1));
        fold = button("fold", "Folds this pane to its name, and back", () -> room.panes()
                .fold(paneId));
        maximise = button("whole", "Gives this pane the whole chart, and back", () -> room.panes()
                .maximise(paneId));
        buttons.getChildren().addAll(up, down, fold, maximise);
    }

    private static Button button(String text, String tip, Runnable action) {
        Button button = new Button(text);
        button.getStyleClass().add("pane-button");
        button.setFocusTraversable(false);
        Tips.set(button, tip);
        button.setOnAction(event -> action.run());
        return button;
    }

    /** Shows the buttons of the pane whose upper right corner is near; else those of the pane chosen by key. */
    void point(double x, double y) {
        Pane pane = chart.bars().isEmpty()
                        || chart.panes().size() < 2 && chart.maximisedPane().isEmpty()
                ? null
                : chart.paneAt(y).orElse(null);
        boolean near = pane != null && x > chart.plotRight() - 190 && x < chart.plotRight() && y < pane.top() + 24;
        if (near) {
            show(pane);
        } else {
            showChosen();
        }
    }

    private void showChosen() {
        if (!chart.bars().isEmpty() && room.panes().isChosen()) {
            show(room.panes().inHand());
        } else {
            buttons.setVisible(false);
        }
    }

    private void show(Pane pane) {
        if (fold == null) {
            make();
        }
        paneId = pane.id();
        fold.setText(pane.folded() ? "unfold" : "fold");
        maximise.setText(chart.maximisedPane().isEmpty() ? "whole" : "all panes");
        fold.setDisable(pane.kind() == Pane.Kind.PRICE || !chart.maximisedPane().isEmpty());
        buttons.setVisible(true);
        place(pane);
    }

    private void place(Pane pane) {
        buttons.autosize();
        buttons.relocate(chart.plotRight() - buttons.getWidth() - 4, pane.top() + 1);
    }

    /** Follows the panes when they are laid out anew. */
    void update() {
        if (room.panes().isChosen()) {
            showChosen();
        } else if (buttons.isVisible()) {
            chart.pane(paneId).ifPresentOrElse(this::place, () -> buttons.setVisible(false));
        }
    }
}
