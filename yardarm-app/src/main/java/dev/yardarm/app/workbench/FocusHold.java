package dev.yardarm.app.workbench;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;

/** Keeps the focus inside of what lies over the window, and gives it back where it was. */
public final class FocusHold {
    private FocusHold() {}

    /** Lets Tab go round inside of an overlay, instead of into what it covers. */
    public static void in(Region overlay) {
        overlay.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.TAB && !event.isControlDown() && !event.isAltDown()) {
                step(overlay, event.isShiftDown() ? -1 : 1);
                event.consume();
            }
        });
    }

    private static void step(Region overlay, int by) {
        List<Node> stops = new ArrayList<>();
        collect(overlay, stops);
        if (!stops.isEmpty()) {
            Node owner = overlay.getScene().getFocusOwner();
            int at = stops.indexOf(owner);
            stops.get(Math.floorMod(at < 0 && by < 0 ? -1 : at + by, stops.size()))
                    .requestFocus();
        }
    }

    private static void collect(Node node, List<Node> stops) {
        if (!node.isVisible() || node.isDisabled()) {
            return;
        }
        if (node.isFocusTraversable()) {
            stops.add(node);
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, stops));
        }
    }

    /**
     * What gives the focus back to the node that has it now, once it is asked to.
     *
     * @param otherwise where it goes when that node is not there or not seen any more
     */
    public static Runnable back(Scene scene, Runnable otherwise) {
        Node before = scene.getFocusOwner();
        return () -> {
            if (before != null && before.getScene() == scene && isSeen(before)) {
                before.requestFocus();
            } else {
                otherwise.run();
            }
        };
    }

    private static boolean isSeen(Node node) {
        return node == null || node.isVisible() && isSeen(node.getParent());
    }
}
