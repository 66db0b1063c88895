package dev.yardarm.app.theme;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import dev.yardarm.chart.font.Typeface;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** Puts the themes on: the base style sheet of the controls, the colours of the theme, and what we make of both. */
public final class Themes {
    private static final Map<Surface.Type, Font> FONTS = new EnumMap<>(Surface.Type.class);

    private Themes() {}

    /** Loads the fonts that ship with the application; called once before the first window. */
    public static void loadFonts() {
        load(Typeface.REGULAR);
        Font strong = load(Typeface.STRONG);
        FONTS.put(Surface.Type.SMALL, Font.font(Typeface.FAMILY, 11));
        FONTS.put(Surface.Type.BASE, Font.font(Typeface.FAMILY, 12));
        FONTS.put(Surface.Type.STRONG, Font.font(strong.getFamily(), 13));
    }

    private static Font load(Typeface face) {
        try (InputStream file = face.open()) {
            return Font.loadFont(file, 12);
        } catch (IOException failed) {
            throw new UncheckedIOException("the font " + face + " cannot be read", failed);
        }
    }

    public static Font font(Surface.Type type) {
        return FONTS.get(type);
    }

    /** A colour of the palette as style sheets write it: {@code #2f6690}. */
    public static String web(int argb) {
        return "#" + Integer.toHexString(0x1000000 | argb & 0xFFFFFF).substring(1);
    }

    /**
     * Chooses the base style sheet of the controls. Done before the first control is made, else the toolkit reads its own
     * large one first.
     */
    public static void prepare(Palette.Theme theme) {
        String base = theme == Palette.Theme.DAYLIGHT
                ? new PrimerLight().getUserAgentStylesheet()
                : new PrimerDark().getUserAgentStylesheet();
        if (!base.equals(Application.getUserAgentStylesheet())) {
            Application.setUserAgentStylesheet(base);
        }
    }

    /** Puts a theme on a scene and on all controls. */
    public static void apply(Palette.Theme theme, Scene scene) {
        prepare(theme);
        List<String> sheets = new ArrayList<>(List.of(
                Palette.class.getResource(theme.sheet()).toExternalForm(),
                Themes.class.getResource("yardarm.css").toExternalForm()));
        scene.getStylesheets().stream().filter(Zoom::isSheet).forEach(sheets::add);
        scene.getStylesheets().setAll(sheets);
    }
}
