package dev.yardarm.data.document;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Setting;
import java.util.Locale;
import java.util.Map;

/**
 * How drawings look, kept under a name or for all new ones of a figure.
 *
 * @param figure name of the figure it was taken from
 * @param colour number of the series colour
 * @param dash solid, dashed or dotted
 * @param fill opacity of its areas
 * @param words where its words stand
 * @param options of the figure, those that differ from the usual ones; they go to drawings of this figure only
 */
public record DrawingLook(
        String figure,
        int colour,
        double width,
        double opacity,
        String dash,
        double fill,
        String words,
        Map<String, String> options) {
    public DrawingLook {
        options = options == null ? Map.of() : Map.copyOf(options);
    }

    /** The look of a drawing; what is written in it is no part of it. */
    public static DrawingLook of(Drawing drawing) {
        Drawing.Style style = drawing.style();
        return new DrawingLook(
                drawing.kind(),
                style.colour(),
                style.width(),
                style.opacity(),
                style.dash().name().toLowerCase(Locale.ROOT),
                style.fill(),
                style.words().word(),
                options(drawing, false));
    }

    /** What was chosen about the figure; what is written in it, or all else. */
    private static Map<String, String> options(Drawing drawing, boolean written) {
        Map<String, String> options = DrawingEntry.chosen(drawing);
        drawing.figure().options().stream()
                .filter(option -> option instanceof Setting.Words != written)
                .forEach(option -> options.remove(option.name()));
        return options;
    }

    /**
     * As a style.
     *
     * @throws IllegalArgumentException when it is none
     */
    public Drawing.Style style() {
        return new Drawing.Style(
                colour,
                width,
                opacity,
                Drawing.Style.Dash.valueOf(dash.toUpperCase(Locale.ROOT)),
                fill,
                Drawing.Style.Words.of(words));
    }

    /** A drawing with this look; its options only when it is of the same figure. */
    public Drawing on(Drawing drawing) {
        Drawing styled = drawing.withStyle(style());
        if (!drawing.is(figure)) {
            return styled;
        }
        Map<String, String> all = options(drawing, true);
        all.putAll(options);
        return styled.withOptions(all);
    }
}
