package dev.yardarm.app.theme;

import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.Actions;
import javafx.animation.PauseTransition;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.event.EventHandler;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.util.Duration;

/**
 * Tooltips that are made when the pointer first comes near: a tooltip is a window of its own, and making those of all
 * buttons took a tenth of the start. Screen readers have the text from the first moment.
 */
public final class Tips {
    /** How long the focus rests before a text comes. */
    private static final Duration LATE = Duration.millis(700);

    private Tips() {}

    /** Gives a node a tooltip, or changes the text of the one it has. */
    public static void set(Node node, String text) {
        node.setAccessibleHelp(text);
        Object made = node.getProperties().get(Tips.class);
        if (made instanceof Tooltip tip) {
            tip.setText(text);
        } else if (made == null) {
            Maker maker = new Maker(node);
            node.getProperties().put(Tips.class, maker);
            node.addEventHandler(MouseEvent.MOUSE_ENTERED, maker);
            if (node.isFocusTraversable() && node.getProperties().putIfAbsent(OnFocus.class, node) == null) {
                node.focusVisibleProperty().addListener(new OnFocus(node));
            }
        }
    }

    /** Gives a node the tooltip of an action; it asks for the keys whenever it is shown. */
    public static void ofAction(Node node, Actions actions, String id) {
        Action action = actions.get(id);
        set(node, actions.tip(action));
        node.addEventHandler(MouseEvent.MOUSE_ENTERED, event -> set(node, actions.tip(action)));
        node.focusedProperty().addListener((observed, was, now) -> {
            if (now) {
                set(node, actions.tip(action));
            }
        });
    }

    /** Takes a node's tooltip away, where the node is used again for something else. */
    public static void clear(Node node) {
        node.setAccessibleHelp(null);
        Object made = node.getProperties().remove(Tips.class);
        if (made instanceof Tooltip tip) {
            Tooltip.uninstall(node, tip);
        } else if (made instanceof Maker maker) {
            node.removeEventHandler(MouseEvent.MOUSE_ENTERED, maker);
        }
    }

    /** Shows the text below a node that got the focus by key, a moment later, until it loses it or a key is pressed. */
    private static final class OnFocus implements ChangeListener<Boolean> {
        private final Node node;
        private final PauseTransition soon = new PauseTransition(LATE);
        private Tooltip shown;

        OnFocus(Node node) {
            this.node = node;
            soon.setOnFinished(event -> show());
            node.addEventFilter(KeyEvent.KEY_PRESSED, event -> hide());
        }

        @Override
        public void changed(ObservableValue<? extends Boolean> observed, Boolean was, Boolean now) {
            hide();
            if (now) {
                soon.playFromStart();
            }
        }

        private void show() {
            Bounds place = node.localToScreen(node.getBoundsInLocal());
            if (node.isFocusVisible() && node.getAccessibleHelp() != null && place != null) {
                shown = new Tooltip(node.getAccessibleHelp());
                shown.show(node, place.getMinX(), place.getMaxY() + 4);
            }
        }

        private void hide() {
            soon.stop();
            if (shown != null) {
                shown.hide();
                shown = null;
            }
        }
    }

    /** Makes the tooltip once, with the text of that moment. */
    private record Maker(Node node) implements EventHandler<MouseEvent> {
        @Override
        public void handle(MouseEvent event) {
            node.removeEventHandler(MouseEvent.MOUSE_ENTERED, this);
            Tooltip tip = new Tooltip(node.getAccessibleHelp());
            node.getProperties().put(Tips.class, tip);
            Tooltip.install(node, tip);
        }
    }
}
