package dev.yardarm.app.panel;

import dev.yardarm.chart.model.UnknownLayer;
import javafx.scene.control.Label;

/** What is known of a layer that cannot be understood: why, and that it is kept. */
final class UnknownDetails extends LayerDetails {
    UnknownDetails(UnknownLayer layer) {
        heading(layer.title());
        Label why = new Label("It cannot be shown: " + layer.reason()
                + ". It is kept as it was and comes back when it can " + "be understood. Remove gives it up.");
        why.setWrapText(true);
        wide(why);
    }

    @Override
    void show() {}
}
