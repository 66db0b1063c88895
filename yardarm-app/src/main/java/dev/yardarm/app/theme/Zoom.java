package dev.yardarm.app.theme;

import dev.yardarm.desk.book.Habits;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import javafx.scene.Scene;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;

/**
 * The root of a window, whose content can be shown larger or smaller than usual: its text, and everything else with it, so that
 * nothing that fits together at one size is cut at another. The content is laid out on as much less room and drawn with a
 * transform; canvases take the transform into their resolution, so text stays sharp. At the usual size there is no transform.
 */
public final class Zoom extends Region {
    private static final String SHEET = "data:text/css;base64,";

    private final Region content;
    private final Scale scale = new Scale(1, 1, 0, 0);

    public Zoom(Region content) {
        this.content = content;
        getChildren().add(content);
    }

    /** The content of a scene, whatever its size. */
    public static Region content(Scene scene) {
        return ((Zoom) scene.getRoot()).content;
    }

    /** Shows the content in a size, in per cent. */
    public void set(int percent) {
        int held = Math.max(Habits.SMALLEST_TEXT, Math.min(Habits.LARGEST_TEXT, percent));
        scale.setX(held / 100.0);
        scale.setY(held / 100.0);
        content.getTransforms().remove(scale);
        getScene().getStylesheets().removeIf(Zoom::isSheet);
        if (held != 100) {
            content.getTransforms().add(scale);
            getScene().getStylesheets().add(sheet(held));
        }
        requestLayout();
    }

    /** Menus and tooltips have windows of their own, which no transform reaches: their text alone grows. */
    private static String sheet(int percent) {
        String rules = ".context-menu, .tooltip, .combo-box-popup { -fx-font-size: " + 12 * percent / 100.0 + "px; }";
        return SHEET + Base64.getEncoder().encodeToString(rules.getBytes(StandardCharsets.UTF_8));
    }

    /** Whether a style sheet of a scene is that of its size. */
    static boolean isSheet(String sheet) {
        return sheet.startsWith(SHEET);
    }

    @Override
    protected void layoutChildren() {
        content.resizeRelocate(0, 0, getWidth() / scale.getX(), getHeight() / scale.getY());
    }
}
