package dev.yardarm.app.view;

import dev.yardarm.app.chart.FiringPictures;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.core.alert.Firing;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/** The picture of the chart as it stood when an alert fired, below the chart of the row; folds away. */
final class FiringPicture extends StackPane {
    private final FiringPictures pictures;
    private final ImageView image = new ImageView();
    private final ToggleButton toggle = new ToggleButton("Picture");
    private Firing firing;

    FiringPicture(FiringPictures pictures) {
        this.pictures = pictures;
        setId("firing-picture");
        getStyleClass().add("firing-picture");
        image.setPreserveRatio(true);
        image.setAccessibleText("The chart as it stood when the alert fired");
        getChildren().add(image);
        toggle.setSelected(true);
        toggle.setMinWidth(Region.USE_PREF_SIZE);
        toggle.getStyleClass().add("flat");
        toggle.setId("firing-picture-toggle");
        Tips.set(toggle, "The picture of the chart as it stood when the alert fired");
        toggle.selectedProperty().addListener((observed, before, now) -> show(firing));
        setVisible(false);
        setManaged(false);
        setMinSize(0, 0);
        setMaxHeight(260);
        setPrefHeight(260);
        widthProperty().addListener((observed, before, now) -> image.setFitWidth(now.doubleValue() - 8));
        image.setFitHeight(250);
    }

    /** Shows or hides it. */
    ToggleButton toggle() {
        return toggle;
    }

    /** Shows the picture of a firing; nothing without one. */
    void show(Firing of) {
        firing = of;
        if (of == null || !toggle.isSelected()) {
            put(null);
            return;
        }
        pictures.read(of, found -> {
            if (firing == of) {
                put(found);
            }
        });
    }

    private void put(javafx.scene.image.Image found) {
        image.setImage(found);
        setVisible(found != null);
        setManaged(found != null);
    }
}
