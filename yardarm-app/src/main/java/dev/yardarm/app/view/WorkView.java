package dev.yardarm.app.view;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.action.View;
import java.util.Optional;
import javafx.scene.Parent;
import javafx.scene.input.KeyEvent;

/**
 * A view of the window: it has its node and its keys, comes to front, leaves, and is closed with the window. Made when it is
 * first looked at. What it shows is a model in the desk, which lives as long as the view. Used by the interface's thread.
 *
 * <pre>{@code
 * front.getChildren().setAll(view.node());
 * view.comesToFront();
 * ...
 * view.leaves();
 * view.close();
 * }</pre>
 */
public interface WorkView extends AutoCloseable {
    /** Which of the views it is. */
    View which();

    /** What stands in the window while it is in front; the same each time. */
    Parent node();

    /** Goes on with what rested and puts the focus where work begins. */
    void comesToFront();

    /** Puts the focus where work begins, as after the command line closes. */
    void focusStart();

    /** Another view comes to front: what only serves the eye rests. */
    void leaves();

    /** Puts the focus into its search (Ctrl+F). */
    void search();

    /**
     * A key that is no letter, pressed while no field is typed in; only asked while it is in front.
     *
     * @return true when the key meant something
     */
    boolean key(KeyEvent event);

    /**
     * A sign typed while no field is typed in: digits and letters go to the command line.
     *
     * @return true when the sign meant something
     */
    default boolean typed(char sign) {
        return false;
    }

    /** The instrument that is worked on: that of the chart or the row in hand. */
    Optional<Instrument> instrument();

    /** The timeframe it is looked at on; empty for that of the chart in hand. */
    default Optional<Timeframe> timeframe() {
        return Optional.empty();
    }

    /** Leaves what is under way, one thing at a time (Esc); false when there is nothing to leave. */
    default boolean escape() {
        return false;
    }

    /** Lets go of everything. */
    @Override
    void close();
}
