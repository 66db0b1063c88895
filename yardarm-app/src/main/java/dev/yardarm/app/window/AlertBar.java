package dev.yardarm.app.window;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import java.util.ArrayDeque;
import java.util.Deque;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;

/**
 * The alerts that fired and were not looked at yet, the newest in front. It stays until a click or the key of the newest alert
 * opens its chart, or Esc puts it away; then the one before comes.
 */
final class AlertBar extends Label {
    private final Workbench bench;
    private final Runnable changed;
    private final Deque<Unseen> unseen = new ArrayDeque<>();

    /** An alert that was not looked at yet, and what was told. */
    private record Unseen(Firing firing, String text) {}

    /** @param changed told when it says something else, or nothing any more */
    AlertBar(Workbench bench, Runnable changed) {
        this.bench = bench;
        this.changed = changed;
        getStyleClass().add("alert-notice");
        setId("alert-notice");
        setManaged(false);
        setVisible(false);
        setOnMouseClicked(event -> openNewest());
        setAccessibleRole(AccessibleRole.BUTTON);
    }

    /** Tells of an alert that fired. */
    void add(Firing alert) {
        Instrument instrument =
                bench.desk().directory().find(alert.instrument()).orElse(null);
        if (instrument == null) {
            return;
        }
        String text = "Alert: " + instrument.code() + " "
                + (alert.on().isEmpty() ? "has reached a drawing" : alert.on()) + ", at "
                + instrument.format().format(alert.price())
                + (alert.note().isEmpty() ? "." : ": " + alert.note());
        bench.desk().tell(text);
        unseen.addFirst(new Unseen(alert, text));
        show();
    }

    private void show() {
        Unseen newest = unseen.peekFirst();
        setVisible(newest != null);
        if (newest != null) {
            String more = unseen.size() > 1 ? "  +" + (unseen.size() - 1) + " more" : "";
            setText(newest.text() + more);
            Tips.set(
                    this,
                    newest.text() + " A click or " + ActionItems.keys(bench, "go-to.newest-alert")
                            + " opens its chart, Esc puts it away; Watch keeps it.");
            notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        }
        changed.run();
    }

    /** Opens the chart of the newest; false when there is none. */
    boolean openNewest() {
        Unseen newest = unseen.pollFirst();
        if (newest == null) {
            bench.desk().tell("No alert has fired since the last was looked at. Watch has all of them.");
            return false;
        }
        bench.openChart(newest.firing().instrument());
        show();
        return true;
    }

    /** Puts the newest away; false when there is none. */
    boolean putAway() {
        boolean was = unseen.pollFirst() != null;
        show();
        return was;
    }
}
