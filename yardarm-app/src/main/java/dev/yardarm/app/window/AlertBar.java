package dev.yardarm.app.window;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.alert.AlertBell;
import javafx.geometry.Pos;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/**
 * The alerts that fired and were not looked at yet, the newest in front. It stays until a click or the key of the newest alert
 * opens its chart, Esc puts it away, or it is put to sleep; then the one before comes.
 */
final class AlertBar extends HBox {
    private final Workbench bench;
    private final Runnable changed;
    private final AlertBell bell;
    private final Label text = new Label();

    /** @param changed told when it says something else, or nothing any more */
    AlertBar(Workbench bench, Runnable changed) {
        this.bench = bench;
        this.changed = changed;
        this.bell = bench.desk().bell();
        getStyleClass().add("alert-notice");
        setId("alert-notice");
        setAlignment(Pos.CENTER_LEFT);
        setManaged(false);
        setVisible(false);
        text.setMinWidth(0);
        text.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(text, Priority.ALWAYS);
        text.setOnMouseClicked(event -> openNewest());
        text.setAccessibleRole(AccessibleRole.BUTTON);
        Button later = new Button("10 min");
        later.setId("alert-snooze");
        later.setMinWidth(USE_PREF_SIZE);
        later.setFocusTraversable(false);
        later.setOnAction(event -> bell.snooze(AlertBell.USUAL_SLEEP));
        Tips.set(later, "comes again in 10 minutes   " + ActionItems.keys(bench, "mark.snooze"));
        getChildren().addAll(text, later);
        bell.listen(told -> show());
    }

    /** What it says. */
    String text() {
        return text.getText();
    }

    private void show() {
        AlertBell.Ring newest = bell.newest().orElse(null);
        setVisible(newest != null);
        if (newest != null) {
            text.setText(newest.text() + (bell.unseen() > 1 ? "  +" + (bell.unseen() - 1) + " more" : ""));
            Tips.set(
                    text,
                    newest.text() + " A click or " + ActionItems.keys(bench, "go-to.newest-alert")
                            + " opens its chart, Esc puts it away; Watch keeps it.");
            text.notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        }
        changed.run();
    }

    /** Opens the chart of the newest; false when there is none. */
    boolean openNewest() {
        AlertBell.Ring newest = bell.take().orElse(null);
        if (newest == null) {
            bench.desk().tell("No alert has fired since the last was looked at. Watch has all of them.");
            return false;
        }
        bench.openFiring(newest.firing());
        return true;
    }

    /** Puts the newest away; false when there is none. */
    boolean putAway() {
        return bell.take().isPresent();
    }
}
