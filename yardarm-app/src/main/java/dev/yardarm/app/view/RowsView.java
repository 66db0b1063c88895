package dev.yardarm.app.view;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.table.Rows;
import java.util.Optional;
import javafx.scene.Parent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** A view of rows with the chart of the one in hand beside them; Page Down and Page Up go through the rows. */
interface RowsView extends WorkView {
    /** The rows that keys go through. */
    Rows<?> inHand();

    /** The chart beside them. */
    RowChart chart();

    @Override
    default Optional<Instrument> instrument() {
        return chart().instrument();
    }

    @Override
    default Optional<Timeframe> timeframe() {
        return chart().timeframe();
    }

    @Override
    default Parent node() {
        return (Parent) this;
    }

    @Override
    default void comesToFront() {
        chart().wake();
        focusStart();
    }

    @Override
    default void leaves() {
        chart().rest();
    }

    @Override
    default void search() {
        focusStart();
    }

    @Override
    default boolean key(KeyEvent event) {
        boolean forward = event.getCode() == KeyCode.PAGE_DOWN;
        if (forward || event.getCode() == KeyCode.PAGE_UP) {
            inHand().step(forward ? 1 : -1);
            return true;
        }
        return false;
    }
}
