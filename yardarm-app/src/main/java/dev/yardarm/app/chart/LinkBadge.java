package dev.yardarm.app.chart;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.chart.surface.Palette;
import javafx.scene.control.Label;

/** The number of a link or list colour on that colour, so that none has to be told from another by colour alone. */
public final class LinkBadge extends Label {
    public LinkBadge() {
        getStyleClass().add("link-badge");
        setMinWidth(USE_PREF_SIZE);
    }

    /** @param number of the colour; 0 shows nothing */
    public void show(Palette palette, int number) {
        setVisible(number != 0);
        setManaged(number != 0);
        setText(number == 0 ? "" : String.valueOf(number));
        setAccessibleText(number == 0 ? "" : "link " + number + ", " + Palette.name(number - 1));
        setStyle(number == 0 ? "" : "-fx-background-color: " + Themes.web(palette.series(number - 1)) + ";");
    }
}
